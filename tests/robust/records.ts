/**
 * Every field of every record that the store holds is spoilt in turn, in every way of a list. Everything else of the
 * site is read and can be changed, the other site is whole, and what cannot be read is named.
 */
import 'fake-indexeddb/auto';
import { openDB, type IDBPDatabase } from 'idb';
import { newSite } from '../../app/data/intake/newSite.ts';
import { openStore } from '../../app/data/store/idbStore.ts';
import { SiteRecord } from '../../app/data/store/records.ts';
import type { Store } from '../../app/data/store/store.ts';
import type { Change, FileContent } from '../../core/site/index.ts';
import { Count, type Part } from './part.ts';

const NAMES = ['sites', 'files', 'journal', 'queues', 'typing'] as const;

/** A record is found by these: spoilt, it would be another record. */
const KEYS = new Set(['id', 'siteId', 'path', 'number']);

const START: [string, FileContent][] = [
  ['a.html', { kind: 'text', text: 'one two' }],
  ['b.html', { kind: 'text', text: 'three' }],
  ['p.jpg', { kind: 'binary', hash: 'h1', bytes: 1 }],
];

const edit = (path: string, text: string): Change => ({
  label: `begin ${path}`,
  files: [{ kind: 'edit', path, edits: [{ start: 0, end: 0, text }] }],
});

const GONE = Symbol('gone');

function bottomless(): unknown {
  let top: unknown[] = [];
  for (let n = 0; n < 200; n++) top = [top];
  return top;
}

function holdingItself(): unknown {
  const self: unknown[] = [];
  self.push(self);
  return self;
}

const SPOILT: readonly unknown[] = [
  GONE,
  undefined,
  null,
  -1.5,
  NaN,
  2 ** 60,
  '',
  'x',
  true,
  [],
  [null],
  {},
  new Date(0),
  new Uint8Array(3),
  new Blob(['x']),
  bottomless(),
  holdingItself(),
];

type Steps = readonly (string | number)[];

/** Ways to every value inside of a record, its fields first. */
function* waysInto(value: unknown, way: Steps = []): Generator<Steps> {
  if (typeof value !== 'object' || value === null || value instanceof Blob) return;
  for (const [key, inner] of Object.entries(value)) {
    if (way.length === 0 && KEYS.has(key)) continue;
    const next = [...way, Array.isArray(value) ? Number(key) : key];
    yield next;
    yield* waysInto(inner, next);
  }
}

function spoil(record: unknown, way: Steps, value: unknown): void {
  let holder = record as Record<string | number, unknown>;
  for (const step of way.slice(0, -1)) holder = holder[step] as typeof holder;
  const last = way.at(-1) ?? '';
  if (value === GONE) delete holder[last];
  else holder[last] = value;
}

async function filled(store: Store): Promise<{ site: SiteRecord; other: SiteRecord }> {
  for (const one of await store.listSites()) await store.removeSite(one.id);
  const files = new Map(START);
  await store.saveBlobs(new Map(['h1', 'h2'].map((hash) => [hash, new Blob([hash])])));
  const [site, other] = [newSite('Kites', files), newSite('Other', files)];
  for (const one of [site, other]) {
    await store.addSite(one, files);
    await store.writeChange(one.id, edit('a.html', '1'));
    await store.writeChange(one.id, {
      label: 'everything',
      files: [
        { kind: 'rename', path: 'a.html', to: 'c.html' },
        {
          kind: 'put',
          path: 'p.jpg',
          before: { kind: 'binary', hash: 'h1', bytes: 1 },
          after: { kind: 'binary', hash: 'h2', bytes: 1 },
        },
      ],
    });
    await store.nameEntry(one.id, 1, 'here');
    const size = { name: 'large', edge: 'width', pixels: 900, quality: 80, format: 'jpeg' };
    const task = { from: 'p.jpg', to: 'q.jpg', size, as: 'image/jpeg', times: 1 };
    await store.saveQueue({
      siteId: one.id,
      tasks: [task] as never,
      done: [{ task, source: 'h1', hash: 'h2', bytes: 1 }] as never,
    });
    await store.saveTyping({
      siteId: one.id,
      path: 'b.html',
      before: 'three',
      steps: [[{ start: 0, end: 0, text: 'x' }]],
    });
  }
  return { site, other };
}

/** What is seen of a site, without what differs from site to site. */
async function seen(store: Store, siteId: string): Promise<string> {
  const site = await store.readSite(siteId);
  const journal = await store.readJournal(siteId);
  return JSON.stringify([
    { ...site, id: '', token: '', created: 0, changed: 0, name: '' },
    [...(await store.readFiles(siteId))],
    journal.map(({ change, inverse, name }) => [change, inverse, name]),
    (await store.readQueue(siteId))?.done.length,
    (await store.readTyping(siteId)).map(({ steps }) => steps),
  ]);
}

/** Null where everything else is there and can be changed. */
async function wrongWith(
  store: Store,
  ids: { site: string; other: string },
  spoiltFile: string,
): Promise<string | null> {
  const listed = await store.listSites();
  if (listed.length !== 2) return `${listed.length} of 2 sites are listed`;
  const files = await store.readFiles(ids.site);
  const missing = ['b.html', 'c.html', 'p.jpg'].filter((path) => path !== spoiltFile && !files.has(path));
  if (missing.length > 0) return `${missing.join(', ')} is not read`;
  await store.readJournal(ids.site);
  await store.readQueue(ids.site);
  await store.readTyping(ids.site);
  await store.readAside(ids.site);
  await store.sweepBlobs();
  if ((await store.readBlobs(['h1', 'h2'])).includes(undefined)) return 'a content was swept that is still needed';
  const path = spoiltFile === 'b.html' ? 'c.html' : 'b.html';
  const written = await store.writeChange(ids.site, edit(path, 'new '));
  if (!written.ok) return `no change can be written: ${written.reason}`;
  const undone = await store.stepJournal(ids.site, 'undo');
  return undone.ok ? null : `the new change cannot be undone: ${undone.reason}`;
}

/** One record spoilt at one place; null where nothing but it suffered. */
async function tried(
  store: Store,
  raw: IDBPDatabase,
  one: { name: (typeof NAMES)[number]; number: number; way: Steps; value: unknown },
): Promise<string | null> {
  const { site, other } = await filled(store);
  const whole = await seen(store, site.id);
  const otherBefore = await seen(store, other.id);
  const records = (await raw.getAll(one.name)) as Record<string, unknown>[];
  const record = records.filter(({ id, siteId }) => id === site.id || siteId === site.id)[one.number];
  if (!record) return 'the record to be spoilt is not there';
  spoil(record, one.way, one.value);
  await raw.put(one.name, record);
  const path = one.name === 'files' ? String(record.path) : '';
  const unlike = (await seen(store, site.id)) !== whole;
  const named = (await store.readAside(site.id)).length > 0;
  const readable = await stillFits(store, site.id, one.name, record);
  if (unlike && !named && !readable) return 'something is missing, and nothing is said of it';
  const wrong = await wrongWith(store, { site: site.id, other: other.id }, path);
  if (wrong !== null) return wrong;
  return (await seen(store, other.id)) === otherBefore ? null : 'the other site is not whole';
}

/** Some values are as good as those before (another name, another time): nothing is missing then. */
async function stillFits(
  store: Store,
  siteId: string,
  name: (typeof NAMES)[number],
  record: unknown,
): Promise<boolean> {
  const whole: Record<typeof name, () => Promise<boolean>> = {
    sites: async () => Promise.resolve(SiteRecord.safeParse(record).success),
    files: async () => (await store.readFiles(siteId)).size === 3,
    journal: async () => (await store.readJournal(siteId)).length === 2,
    queues: async () => (await store.readQueue(siteId)) !== null,
    typing: async () => (await store.readTyping(siteId)).length === 1,
  };
  return whole[name]();
}

export const records: Part = {
  name: 'records',
  async run() {
    const store = await openStore('robust-records');
    const raw = await openDB('robust-records');
    const count = new Count();
    for (const name of NAMES) {
      const { site } = await filled(store);
      const all = (await raw.getAll(name)) as Record<string, unknown>[];
      const own = all.filter(({ id, siteId }) => id === site.id || siteId === site.id);
      for (const [number, record] of own.entries())
        for (const way of waysInto(record))
          for (const value of SPOILT) {
            const wrong = await tried(store, raw, { name, number, way, value }).catch(
              (error: unknown) => `${error instanceof Error ? error.message : String(error)}`,
            );
            const at = `${name} ${number}, ${way.join('.')} = ${String(value === GONE ? 'gone' : typeof value)}`;
            count.one(wrong === null ? null : `${at}: ${wrong}`);
          }
    }
    raw.close();
    return [count.row('records spoilt in one field: anything else suffered, or nothing was said')];
  },
};
