/**
 * `npm run bench:pairing`: how many thumbnails are brought together with the right picture, by kind of difficulty and
 * by what their names say; and how long 2,000 × 2,000 files take beside the computing of their facts.
 */
import { pairPictures, type Content } from '../../core/pairing/index.ts';
import { DIFFICULTIES, factsOf, labelledSet, type Difficulty } from './labelled.ts';
import { seeded } from '../../demo/draw.ts';

const NAMINGS = ['kept', 'renamed', 'wrong'] as const;
type Naming = (typeof NAMINGS)[number];

interface Case {
  path: string;
  /** The right full-size picture; null for a stranger. */
  full: string | null;
  difficulty: Difficulty;
  naming: Naming;
}

const count = Number(process.argv[2] ?? 2000);

/**
 * Names as people leave them: most kept in step, some camera numbers, a few pairs of thumbnails with each other's
 * names.
 */
function named(thumbnails: Awaited<ReturnType<typeof labelledSet>>['thumbnails']): Case[] {
  const next = seeded(7);
  const naming = thumbnails.map(({ full }): Naming => (full !== null && next() < 0.7 ? 'kept' : 'renamed'));
  const cases = thumbnails.map(({ full, difficulty }, n): Case => ({
    path: naming[n] === 'kept' ? `small/kite-${n}.jpg` : `small/dsc_${9000 + n}.jpg`,
    full: full === null ? null : `large/kite-${full}.jpg`,
    difficulty,
    naming: naming[n]!,
  }));
  const kept = cases.filter((one) => one.naming === 'kept');
  for (let n = 0; n + 1 < kept.length; n += 20) {
    const [a, b] = [kept[n]!, kept[n + 1]!];
    [a.path, b.path] = [b.path, a.path];
    a.naming = b.naming = 'wrong';
  }
  return cases;
}

async function main(): Promise<void> {
  console.log(`${count} drawn pictures with a thumbnail each, one in twelve of a picture that is not there`);
  const { fulls, thumbnails } = await labelledSet(count);
  const contents = new Map<string, Content>();
  const cases = named(thumbnails);
  const began = performance.now();
  for (const [n, file] of fulls.entries())
    contents.set(`large/kite-${n}.jpg`, { hash: `large ${n}`, facts: await factsOf(file) });
  for (const [n, { thumbnail }] of thumbnails.entries())
    contents.set(cases[n]!.path, { hash: `small ${n}`, facts: await factsOf(thumbnail) });
  const facts = performance.now() - began;
  const start = performance.now();
  const { pairs } = pairPictures({
    paths: [...contents.keys()],
    contentOf: (path) => contents.get(path) ?? null,
    evidence: [],
  });
  const pairing = performance.now() - start;

  const found = new Map(pairs.flatMap((pair) => (pair.thumbnail === null ? [] : [[pair.thumbnail, pair] as const])));
  const isRight = (one: Case) => (found.get(one.path)?.full ?? null) === one.full;
  const wrong = (one: Case) => found.has(one.path) && !isRight(one);
  const wronglySure = cases.filter((one) => wrong(one) && found.get(one.path)?.state === 'sure');
  const row = (title: string, of: readonly Case[]) => {
    const joined = of.filter((one) => found.has(one.path));
    const meant = of.filter((one) => one.full !== null);
    const share = (part: number, whole: number) => (whole === 0 ? '–' : `${((part / whole) * 100).toFixed(1)} %`);
    console.log(
      `| ${title} | ${of.length} | ${share(of.filter(isRight).length, of.length)} | ${share(joined.filter(isRight).length, joined.length)} | ${share(meant.filter(isRight).length, meant.length)} | ${of.filter((one) => wrong(one) && found.get(one.path)?.state === 'sure').length} |`,
    );
  };
  console.log('\n| thumbnails | number | right | precision | recall | wrong, called sure |\n|---|---|---|---|---|---|');
  for (const difficulty of DIFFICULTIES)
    row(
      difficulty,
      cases.filter((one) => one.difficulty === difficulty),
    );
  for (const naming of NAMINGS)
    row(
      `name ${naming}`,
      cases.filter((one) => one.naming === naming && one.full !== null),
    );
  row('**all**', cases);
  for (const one of cases.filter((each) => !isRight(each)).slice(0, 12))
    console.log(
      `not right: ${one.path} (${one.difficulty}, name ${one.naming}) should be ${one.full ?? 'alone'}, is ${found.get(one.path)?.full ?? 'alone'}, ${found.get(one.path)?.state ?? ''} ${found.get(one.path)?.crop?.agreement.toFixed(3) ?? ''}`,
    );
  console.log(
    `\nfacts of ${contents.size} files ${(facts / 1000).toFixed(1)} s; pairing ${(pairing / 1000).toFixed(1)} s, ${(pairing / facts).toFixed(2)} of it; ${wronglySure.length} wrong pairs called sure`,
  );
}

await main();
