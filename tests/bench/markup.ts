/**
 * What it costs to read and change a page, in multiples of one raw parse by parse5 with locations of the same text, in
 * the same run: `npm run bench:markup [rounds]`. Medians of batches; each round begins with another piece of work, so
 * that neither is warmer, and memory is not tidied up at the cost of the same one every time.
 */
import { readdirSync, readFileSync, existsSync } from 'node:fs';
import { join } from 'node:path';
import { parse } from 'parse5';
import { addItems, galleriesOf, hazardsOf, parsePage, patternOf, setAlt, unstated } from '../../core/markup/index.ts';
import { applyEdits } from '../../core/site/index.ts';
import { pageOfSize } from './pages.ts';

const ROUNDS = Number(process.argv[2] ?? 15);

const median = (values: readonly number[]): number => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)]!;

/** So long each piece of work is done again and again, and taken together, ms. */
const BATCH = 60;
const WARM_UP = 2;

/** Milliseconds of each piece of work, one after the other in every round. */
function timesOf(work: Readonly<Record<string, () => unknown>>, rounds: number, batch = BATCH): Record<string, number> {
  const all = Object.entries(work);
  const times = Object.fromEntries(all.map(([name]) => [name, [] as number[]]));
  for (let round = 0; round < rounds + WARM_UP; round++) {
    const from = round % all.length;
    for (const [name, run] of [...all.slice(from), ...all.slice(0, from)]) {
      const start = performance.now();
      let count = 0;
      do {
        run();
        count++;
      } while (performance.now() - start < batch);
      if (round >= WARM_UP) times[name]!.push((performance.now() - start) / count);
    }
  }
  return Object.fromEntries(Object.entries(times).map(([name, all]) => [name, median(all)]));
}

function measure(text: string, rounds: number): Record<string, number> {
  const page = parsePage(text);
  const [gallery] = galleriesOf(page);
  const item = gallery?.items[Math.floor(gallery.items.length / 2)];
  const fresh = { src: 's/n.jpg', href: 'l/n.jpg', alt: 'N', title: 'N', caption: 'N' };
  const single = item?.image?.attributes.find(({ name }) => name === 'alt')?.valueRange;
  const added = gallery && addItems(page, gallery, [fresh]);
  const changed = added?.ok ? applyEdits(text, added.edits) : null;
  return timesOf(
    {
      raw: () => parse(text, { sourceCodeLocationInfo: true, scriptingEnabled: false }),
      safety: () => hazardsOf(parsePage(text)),
      galleries: () => {
        const read = parsePage(text);
        for (const one of galleriesOf(read)) patternOf(read, one);
      },
      edit: () => single && applyEdits(text, [{ ...single, text: 'Another kite' }]),
      attribute: () => item && setAlt(page, item, 'Another kite'),
      structure: () => gallery && addItems(page, gallery, [fresh]),
      // The page as it was is read already; the page as it would be is read for this.
      conservation: () =>
        changed?.ok &&
        unstated([{ before: page, after: parsePage(changed.text) }], { gives: ['tags', 'attributes', 'words'] }),
    },
    rounds,
  );
}

const COLUMNS = ['safety', 'galleries', 'edit', 'attribute', 'structure', 'conservation'] as const;
const GOALS = {
  safety: '≤ 1.3',
  galleries: '≤ 2.5',
  edit: '≤ 0.05',
  attribute: '≤ 4',
  structure: '≤ 4',
  conservation: '≤ 1.5',
};
const ratio = (value: number) => value.toFixed(value < 0.1 ? 4 : 2);

console.log(`${ROUNDS} rounds; multiples of one raw parse\n`);
console.log(
  '| page | raw parse | safety pass | galleries and patterns | one edit | attribute, verified | item added, verified | conservation of a change |\n|---|---|---|---|---|---|---|---|',
);
for (const bytes of [20_000, 200_000, 2_000_000]) {
  const text = pageOfSize(bytes);
  const times = measure(text, bytes > 1e6 ? Math.max(5, Math.floor(ROUNDS / 3)) : ROUNDS);
  console.log(
    `| ${(text.length / 1000).toFixed(0)} KB | ${times.raw!.toFixed(1)} ms | ${COLUMNS.map((name) => ratio(times[name]! / times.raw!)).join(' | ')} |`,
  );
}
const corpus = process.env.CORPUS ?? '/usr/share/doc';
const pages = existsSync(corpus)
  ? readdirSync(corpus, { recursive: true, withFileTypes: true })
      .filter((entry) => entry.isFile() && /\.html?$/i.test(entry.name))
      .map((entry) => join(entry.parentPath, entry.name))
      .slice(0, 400)
  : [];
if (pages.length > 0) {
  const totals: Record<string, number> = {};
  let bytes = 0;
  for (const path of pages) {
    const text = readFileSync(path, 'utf8');
    bytes += text.length;
    for (const [name, ms] of Object.entries(
      timesOf(
        {
          raw: () => parse(text, { sourceCodeLocationInfo: true, scriptingEnabled: false }),
          safety: () => hazardsOf(parsePage(text)),
          galleries: () => {
            const read = parsePage(text);
            for (const one of galleriesOf(read)) patternOf(read, one);
          },
        },
        3,
        0,
      ),
    ))
      totals[name] = (totals[name] ?? 0) + ms;
  }
  console.log(
    `| ${pages.length} pages of documentation, ${(bytes / 1e6).toFixed(1)} MB | ${totals.raw!.toFixed(0)} ms | ${ratio(totals.safety! / totals.raw!)} | ${ratio(totals.galleries! / totals.raw!)} | – | – | – | – |`,
  );
}
console.log(`| goal | | ${COLUMNS.map((name) => GOALS[name]).join(' | ')} |`);
