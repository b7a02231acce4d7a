/**
 * A page of all pictures of 100 pages with 5,000 pictures, beside one reading of the site from nothing: making it, and
 * changes that it follows. `npm run bench:all-pictures`.
 */
import { FACTS, linked, listPage } from '../../core/plans/asked.fixture.ts';
import { type Intent, planFor } from '../../core/plans/index.ts';
import { newReadingMemory, readSite } from '../../core/model/index.ts';
import type { PhotoFacts } from '../../core/photo/index.ts';
import { applyChange, type Collected, type FileContent } from '../../core/site/index.ts';

const PAGES = 100;
const EACH = 50;
/** What the page may take at most, as a share of one reading. */
const GOAL = 2;
const ROUNDS = 5;

const nameOf = (n: number) => `p${String(n).padStart(4, '0')}`;

function site(): { files: Map<string, FileContent>; facts: Map<string, PhotoFacts> } {
  const files = new Map<string, FileContent>();
  const facts = new Map<string, PhotoFacts>();
  for (let n = 0; n < PAGES * EACH; n++)
    for (const [path, hash] of [
      [`${nameOf(n)}.jpg`, `L${n}`],
      [`t/${nameOf(n)}.jpg`, `S${n}`],
    ] as const) {
      files.set(path, { kind: 'binary', hash, bytes: 1 });
      // Pictures that are nothing like one another.
      const likeness = ((n + 1) * 0x9e3779b97f4a7).toString(16).padStart(16, '0').slice(-16);
      facts.set(hash, { ...FACTS, likeness });
    }
  for (let page = 0; page < PAGES; page++) {
    const items = Array.from({ length: EACH }, (_, n) => linked(nameOf(page * EACH + n)));
    files.set(`page${String(page).padStart(3, '0')}.html`, { kind: 'text', text: listPage(items, `Page ${page}`) });
  }
  return { files, facts };
}

const median = (all: readonly number[]): number => [...all].sort((a, b) => a - b)[Math.floor(all.length / 2)] ?? 0;

function timed<T>(work: () => T): { value: T; ms: number } {
  const start = performance.now();
  const value = work();
  return { value, ms: performance.now() - start };
}

const ALL: Collected = {
  pages: null,
  tag: null,
  since: '',
  until: '',
  order: 'page',
  group: 'page',
  tagLinks: false,
};

const { files, facts } = site();
const memory = newReadingMemory();
const again = (all: ReadonlyMap<string, FileContent>) => readSite(all, facts, [], memory);

/** The way that a change takes in the application: planned on the reading that is there, and followed. */
function change(before: Map<string, FileContent>, intent: Intent): { files: Map<string, FileContent>; ms: number } {
  const reading = again(before);
  const { value: planned, ms } = timed(() => planFor(reading, intent, again));
  if (!planned.ok) throw new Error(planned.reason);
  const applied = applyChange(before, planned.change);
  if (!applied.ok) throw new Error(applied.reason);
  return { files: new Map(applied.files), ms };
}

const collect: Intent = {
  kind: 'collect',
  path: 'all.html',
  title: 'All',
  like: { page: 'page000.html', gallery: 0 },
  collected: ALL,
};
const changes: readonly [string, Intent][] = [
  ['alt text of one picture', { kind: 'set-alt', strand: 'page050.html#0.7', value: 'Another kite' }],
  ['one item moved', { kind: 'move-item', strand: 'page050.html#0.7', to: 0 }],
  ['one picture renamed', { kind: 'rename', from: 'p2510.jpg', to: 'another.jpg' }],
  ['one picture tagged', { kind: 'set-tags', paths: ['p2510.jpg'], add: ['red'], remove: [] }],
];

const all = new Map<string, number[]>();
const note = (what: string, ms: number) => all.set(what, [...(all.get(what) ?? []), ms]);
// Side by side in each round, so that what else runs on the machine is the same for all.
for (let round = 0; round < ROUNDS; round++) {
  note('one reading from nothing', timed(() => readSite(files, facts, [], newReadingMemory())).ms);
  const made = change(files, collect);
  note('the page is made', made.ms);
  for (const [what, intent] of changes) note(what, change(made.files, intent).ms);
}
const reading = median(all.get('one reading from nothing') ?? []);
let isMet = true;
for (const [what, times] of all) {
  const ms = median(times);
  isMet &&= ms <= GOAL * reading;
  console.log(`${what.padEnd(28)}${ms.toFixed(0).padStart(6)} ms${(ms / reading).toFixed(2).padStart(7)} ×`);
}
console.log(
  `${PAGES} pages, ${PAGES * EACH} pictures, median of ${ROUNDS}; goal ${GOAL} × one reading: ${isMet ? 'met' : 'missed'}`,
);
if (!isMet) process.exitCode = 1;
