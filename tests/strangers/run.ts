/**
 * `npm run test:strangers [package…]`: work on HTML documentation out of Debian packages, judged by parse5 and by
 * Node's own `URL`. Each run tries other work than the one before.
 */
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { z } from 'zod';
import { install, isInstalled, PACKAGES, siteOfPackage } from './packages.ts';
import { agreement } from './judged.ts';
import { LABELLED } from './labelled.ts';
import { LABELLED_AFRESH } from './labelledAfresh.ts';
import { tryOn } from './trials.ts';

const KEPT = join(dirname(fileURLToPath(import.meta.url)), '../.out/strangers.json');
const SECONDS = Number(process.env.EACH_SECONDS ?? 60);
const run = existsSync(KEPT) ? z.number().parse(JSON.parse(readFileSync(KEPT, 'utf8'))) : 0;

const names = process.argv.length > 2 ? process.argv.slice(2) : PACKAGES;
for (const name of install(names)) console.log(`left out: ${name} is not here and could not be installed`);

const refusals = new Map<string, number>();
const wrong: string[] = [];
/** What the eye calls a gallery, and what the reader takes for one. */
const told = { found: 0, missed: 0, claimed: 0, none: 0, gone: 0 };
console.log(`run ${run + 1}; ${SECONDS} s of work on each package`);
console.log(
  '| package | pages | galleries | operations | refused | losses | bad undos | readers, raw parses | s to read |',
);
console.log('|---|---|---|---|---|---|---|---|---|');
for (const name of names.filter(isInstalled)) {
  const files = siteOfPackage(name);
  const seen = agreement([...(LABELLED[name] ?? []), ...(LABELLED_AFRESH[name] ?? [])], files);
  told.found += seen.found;
  told.missed += seen.missed.length;
  told.claimed += seen.claimed.length;
  told.none += seen.none;
  told.gone += seen.gone;
  const outcome = tryOn(files, { seed: run + 1, seconds: SECONDS });
  let refused = 0;
  for (const [reason, count] of outcome.refusals) {
    refusals.set(reason, (refusals.get(reason) ?? 0) + count);
    refused += count;
  }
  wrong.push(
    ...[...outcome.losses, ...outcome.badUndos.map((one) => `bad undo: ${one}`)].map((one) => `${name}, ${one}`),
  );
  const { pages, galleries, operations, losses, badUndos, cost, reading } = outcome;
  const row = [name, pages, galleries, operations, refused, losses.length, badUndos.length];
  console.log(`| ${[...row, cost.toFixed(2), (reading / 1000).toFixed(1)].join(' | ')} |`);
}
const share = (part: number, other: number) => `${((100 * part) / Math.max(1, part + other)).toFixed(1)} %`;
console.log(
  `\ngalleries told by eye: ${told.found} read, ${told.missed} missed (recall ${share(told.found, told.missed)}); ` +
    `${told.claimed} claimed of ${told.claimed + told.none} places without one (precision ${share(told.found, told.claimed)}); ` +
    `${told.gone} places are not there any more`,
);
console.log('\nrefused, by reason');
for (const [reason, count] of [...refusals].sort(([, a], [, b]) => b - a))
  console.log(`${String(count).padStart(6)} ${reason}`);
if (wrong.length > 0) console.log(`\nwrong\n${wrong.slice(0, 60).join('\n')}`);
mkdirSync(dirname(KEPT), { recursive: true });
writeFileSync(KEPT, JSON.stringify(run + 1));
const agrees = told.found >= 9 * told.missed && told.found >= 9 * told.claimed;
process.exit(wrong.length === 0 && agrees ? 0 : 1);
