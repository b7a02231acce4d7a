/**
 * What it costs to understand the wiring of a large site, in multiples of one raw parse by parse5 of the same pages, in
 * the same run: `npm run bench:wiring [rounds]`. Medians; each kind of work takes its turn in every round.
 */
import { parse } from 'parse5';
import { RULES } from '../../core/checks/index.ts';
import { galleriesOf, parsePage } from '../../core/markup/index.ts';
import { newReadingMemory, readSite } from '../../core/model/index.ts';
import { planFor } from '../../core/plans/index.ts';
import { applyChange, PathIndex, type FileContent } from '../../core/site/index.ts';
import { predict, wiringOf } from '../../core/wiring/index.ts';
import { KITS } from '../kits.ts';
import { pageOfItems } from './pages.ts';

const ROUNDS = Number(process.argv[2] ?? 7);
const PAGES = 500;
const ITEMS = 20;

const median = (values: readonly number[]): number => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)]!;

/** A page wired with each kit that opens pictures on a click, as the program writes it; then all pages in turn. */
const WIRED = KITS.filter(({ manifest }) => manifest.does === 'overlay').map(({ manifest }) => manifest.name);
const bare = pageOfItems(ITEMS, 12_000).replace(/ data-enlarge[\w-]*(?:="[^"]*")?/g, '');
const pictures = Array.from({ length: ITEMS }, (_, n) => `kite-${n + 1}.jpg`);
const files = new Map<string, FileContent>();
for (const name of pictures)
  for (const folder of ['small', 'large'])
    files.set(`${folder}/${name}`, { kind: 'binary', hash: `${folder}${name}`, bytes: 1000 });

function wiredWith(kit: string): string {
  const site = new Map<string, FileContent>([...files, ['p.html', { kind: 'text', text: bare }]]);
  const planned = planFor(readSite(site, new Map(), KITS), { kind: 'wire', page: 'p.html', kit });
  if (!planned.ok) throw new Error(`${kit}: ${planned.reason}`);
  const applied = applyChange(site, planned.change);
  if (!applied.ok) throw new Error(applied.reason);
  for (const [path, content] of applied.files) if (!files.has(path) && path !== 'p.html') files.set(path, content);
  const page = applied.files.get('p.html');
  return page?.kind === 'text' ? page.text : '';
}

const pages = WIRED.map(wiredWith);
const texts = Array.from({ length: PAGES }, (_, n) =>
  (pages[n % pages.length] ?? '').replace('On the moor', `On moor ${n}`),
);
texts.forEach((text, n) => files.set(`p${n}.html`, { kind: 'text', text }));
const bytes = texts.reduce((sum, text) => sum + text.length, 0);

const index = new PathIndex(files.keys());
const parsed = texts.map((text, n) => {
  const document = parsePage(text);
  return { path: `p${n}.html`, document, galleries: galleriesOf(document) };
});
const memory = newReadingMemory();
const site = readSite(files, new Map(), KITS, memory);
const references = site.pages.reduce((sum, one) => sum + one.addresses.length, 0);
const rules = RULES.filter(({ station }) => station === 'wiring');

const WORK: Record<string, () => unknown> = {
  raw: () => texts.forEach((text) => parse(text, { sourceCodeLocationInfo: true, scriptingEnabled: false })),
  // Each time as if the page had just been changed: what is known of a page is kept with its document.
  wiring: () => parsed.forEach(({ path, document }) => wiringOf({ ...document }, path, files, index, KITS)),
  predictions: () =>
    site.pages.forEach((one) =>
      one.galleries.forEach((gallery) => gallery.items.forEach((item) => predict({ ...one, index: site.index }, item))),
    ),
  rules: () => rules.forEach((rule) => rule.find(site)),
  again: () => readSite(files, new Map(), KITS, memory),
};
const times: Record<string, number[]> = Object.fromEntries(Object.keys(WORK).map((name) => [name, []]));
for (let round = -1; round < ROUNDS; round++) {
  for (const [name, run] of Object.entries(WORK)) {
    const start = performance.now();
    run();
    if (round >= 0) times[name]!.push(performance.now() - start);
  }
}
const at = (name: string) => median(times[name]!);
const ratio = (ms: number) => (ms / at('raw')).toFixed(2);
console.log(
  `${PAGES} pages, ${(bytes / 1e6).toFixed(1)} MB, ${references} references, ${PAGES * ITEMS} pictures, ${KITS.length} kits known, pages wired with ${WIRED.length} of them; ${ROUNDS} rounds; raw parse ${at('raw').toFixed(0)} ms\n`,
);
console.log('| what | multiples of the raw parse | goal |\n|---|---|---|');
console.log(`| includes in order, scripts read, kits and selectors matched | ${ratio(at('wiring'))} | |`);
console.log(`| what a click on each picture does | ${ratio(at('predictions'))} | |`);
console.log(`| all ${rules.length} rules of the wiring station | ${ratio(at('rules'))} | |`);
console.log(`| together | ${ratio(at('wiring') + at('predictions') + at('rules'))} | ≤ 2 |`);
console.log(
  `| the whole reading of the site where pages are parsed already (pairs, strands and wiring) | ${ratio(at('again'))} | – |`,
);
