/**
 * What it costs to understand the wiring of a large site, in multiples of one raw parse by parse5 of the same pages, in
 * the same run: `npm run bench:wiring [rounds]`. Medians; each kind of work takes its turn in every round.
 */
import { parse } from 'parse5';
import { RULES } from '../../core/checks/index.ts';
import { galleriesOf, parsePage } from '../../core/markup/index.ts';
import { newReadingMemory, readSite } from '../../core/model/index.ts';
import { PathIndex, type FileContent } from '../../core/site/index.ts';
import { predict, wiringOf } from '../../core/wiring/index.ts';
import { KITS, kitNamed } from '../kits.ts';
import { pageOfItems } from './pages.ts';

const ROUNDS = Number(process.argv[2] ?? 7);
const PAGES = 500;
const ITEMS = 20;

const median = (values: readonly number[]): number => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)]!;

const lightbox = kitNamed('lightbox');
const HEAD =
  '<link rel="stylesheet" href="viewer/lightbox.css">\n<script src="viewer/lightbox.js" defer></script>\n<script src="js/kites.js" defer></script>\n</head>';
const page = pageOfItems(ITEMS, 12_000).replace(/<\/head>/i, HEAD);
const files = new Map<string, FileContent>([
  ['js/kites.js', { kind: 'text', text: "startLightbox('.picture > a', { loop: true });" }],
]);
for (const [name, text] of Object.entries(lightbox.files)) files.set(`viewer/${name}`, { kind: 'text', text });
for (let n = 0; n < ITEMS; n++)
  for (const folder of ['small', 'large'])
    files.set(`${folder}/kite-${n + 1}.jpg`, { kind: 'binary', hash: `${folder}${n}`, bytes: 1000 });
const texts = Array.from({ length: PAGES }, (_, n) => page.replace('On the moor', `On moor ${n}`));
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
  wiring: () => parsed.forEach(({ path, document }) => wiringOf(document, path, files, index, KITS)),
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
  `${PAGES} pages, ${(bytes / 1e6).toFixed(1)} MB, ${references} references, ${PAGES * ITEMS} pictures, ${KITS.length} kits known; ${ROUNDS} rounds; raw parse ${at('raw').toFixed(0)} ms\n`,
);
console.log('| what | multiples of the raw parse | goal |\n|---|---|---|');
console.log(`| includes in order, scripts read, kits and selectors matched | ${ratio(at('wiring'))} | |`);
console.log(`| what a click on each picture does | ${ratio(at('predictions'))} | |`);
console.log(`| all ${rules.length} rules of the wiring station | ${ratio(at('rules'))} | |`);
console.log(`| together | ${ratio(at('wiring') + at('predictions') + at('rules'))} | ≤ 2 |`);
console.log(
  `| the whole reading of the site where pages are parsed already (pairs, strands and wiring) | ${ratio(at('again'))} | – |`,
);
