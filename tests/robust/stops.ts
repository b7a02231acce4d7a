/**
 * The store is stopped at every single point where it writes: each request to write fails in turn, as it does when a
 * disk is full or a browser goes down. What is there afterwards is all of it, or none.
 */
import 'fake-indexeddb/auto';
import { openStore } from '../../app/data/store/idbStore.ts';
import { newSite } from '../../app/data/intake/newSite.ts';
import type { SiteRecord } from '../../app/data/store/records.ts';
import type { Store } from '../../app/data/store/store.ts';
import type { Change, FileContent } from '../../core/site/index.ts';
import { Count, type Part } from './part.ts';

const START: [string, FileContent][] = [
  ['a.html', { kind: 'text', text: 'one two' }],
  ['b.html', { kind: 'text', text: 'three' }],
  ['p.jpg', { kind: 'binary', hash: 'h1', bytes: 1 }],
];

const CHANGE: Change = {
  label: 'a change of everything',
  files: [
    { kind: 'edit', path: 'a.html', edits: [{ start: 0, end: 3, text: 'ONE' }] },
    { kind: 'rename', path: 'b.html', to: 'c.html' },
    {
      kind: 'put',
      path: 'p.jpg',
      before: { kind: 'binary', hash: 'h1', bytes: 1 },
      after: { kind: 'binary', hash: 'h2', bytes: 1 },
    },
    { kind: 'put', path: 'd.html', before: null, after: { kind: 'text', text: 'new' } },
  ],
};

const BLOBS = new Map(['h1', 'h2', 'h3', 'h4'].map((hash) => [hash, new Blob([hash])]));

/** What is done with a store that holds a site with two changes, one of them undone. */
const WORK: Record<string, (store: Store, site: SiteRecord) => Promise<unknown>> = {
  'a site comes in': (store) => store.addSite(newSite('Other', new Map(START)), new Map(START)),
  'contents come in': (store) => store.saveBlobs(new Map([...BLOBS].map(([hash, blob]) => [`new ${hash}`, blob]))),
  'a change': (store, { id }) => store.writeChange(id, CHANGE),
  'an undo': (store, { id }) => store.stepJournal(id, 'undo'),
  'a redo': (store, { id }) => store.stepJournal(id, 'redo'),
  'a name for a point': (store, { id }) => store.nameEntry(id, 1, 'here'),
  'a queue': (store, { id }) => store.saveQueue({ siteId: id, tasks: [], done: [] }),
  'the end of a queue': (store, { id }) => store.removeQueue(id),
  'typed text': (store, { id }) =>
    store.saveTyping({ siteId: id, path: 'a.html', before: 'one two', steps: [[{ start: 0, end: 0, text: 'x' }]] }),
  'the end of typed text': (store, { id }) => store.removeTyping(id, 'b.html'),
  'a glance': (store, { id }) => store.saveGlance(id, { pages: 9, pictures: 9, broken: 9, faces: [] }),
  'a sweep': (store) => store.sweepBlobs(),
  'a removal': (store, { id }) => store.removeSite(id),
};

/** Everything in the database, as text. */
async function everything(store: Store): Promise<string> {
  const sites = await store.listSites();
  const all = await Promise.all(
    sites.map(async (site) => ({
      site: { ...site, id: '', changed: 0, created: 0, token: '' },
      files: [...(await store.readFiles(site.id))],
      journal: (await store.readJournal(site.id)).map(({ at: _at, siteId: _id, ...entry }) => entry),
      queue: (await store.readQueue(site.id))?.done ?? null,
      typing: await store.readTyping(site.id).then((all) => all.map(({ path, steps }) => [path, steps])),
      aside: (await store.readAside(site.id)).map(({ kind }) => kind),
    })),
  );
  const names = [...BLOBS.keys(), ...[...BLOBS.keys()].map((hash) => `new ${hash}`)];
  const blobs = (await store.readBlobs(names)).map((blob) => blob !== undefined);
  return JSON.stringify([all.sort((a, b) => a.site.name.localeCompare(b.site.name)), blobs]);
}

const WRITES = ['put', 'add', 'delete'] as const;

/** The `n`th request to write fails from now on; gives what ends that, and says how many there were. */
function failing(n: number): () => number {
  const { prototype } = IDBObjectStore;
  const before = WRITES.map((name) => [name, Object.getOwnPropertyDescriptor(prototype, name)] as const);
  let count = 0;
  for (const [name, descriptor] of before) {
    const write = descriptor?.value as (...args: unknown[]) => IDBRequest;
    Object.defineProperty(prototype, name, {
      configurable: true,
      writable: true,
      value(this: IDBObjectStore, ...args: unknown[]) {
        const request = write.apply(this, args);
        // Once the work that goes on without waiting has asked for all that it wants.
        if (++count === n) {
          const { transaction } = this;
          let stopped = false;
          const stop = () => {
            if (!stopped) transaction.abort();
            stopped = true;
          };
          transaction.commit = stop;
          queueMicrotask(stop);
        }
        return request;
      },
    });
  }
  return () => {
    for (const [name, descriptor] of before) Object.defineProperty(prototype, name, descriptor ?? {});
    return count;
  };
}

async function filled(): Promise<{ store: Store; site: SiteRecord }> {
  const store = await openStore();
  for (const one of await store.listSites()) await store.removeSite(one.id);
  await store.sweepBlobs();
  const site = newSite('Kites', new Map(START));
  await store.saveBlobs(BLOBS);
  await store.addSite(site, new Map(START));
  const again: Change = {
    label: 'again',
    files: [{ kind: 'edit', path: 'a.html', edits: [{ start: 0, end: 0, text: '>' }] }],
  };
  await store.writeChange(site.id, again);
  await store.writeChange(site.id, again);
  await store.stepJournal(site.id, 'undo');
  await store.saveQueue({ siteId: site.id, tasks: [], done: [] });
  await store.saveTyping({ siteId: site.id, path: 'b.html', before: 'three', steps: [] });
  return { store, site };
}

/** Null where all or none of it is there. */
async function stoppedAt(work: (typeof WORK)[string], n: number): Promise<{ wrong: string | null; writes: number }> {
  const { store, site } = await filled();
  const before = await everything(store);
  const end = failing(n);
  const failed = await work(store, site).then(
    () => false,
    () => true,
  );
  const writes = end();
  const after = await everything(store);
  if (writes < n) return { wrong: null, writes };
  if (!failed) return { wrong: 'said nothing', writes };
  return { wrong: after === before ? null : `half of it is there`, writes };
}

export const stops: Part = {
  name: 'stops',
  async run() {
    const count = new Count();
    for (const [name, work] of Object.entries(WORK))
      for (let n = 1, writes = 1; n <= writes; n++) {
        const outcome = await stoppedAt(work, n);
        writes = Math.max(n, outcome.writes);
        if (outcome.writes < n) break;
        count.one(outcome.wrong === null ? null : `${name}, write ${n}: ${outcome.wrong}`);
        if (outcome.writes === n) writes = n + 1;
      }
    return [count.row('points at which the store writes: half of it there after a stop, or nothing said')];
  },
};
