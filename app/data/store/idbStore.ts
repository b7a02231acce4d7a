/**
 * The store in the browser's own database (IndexedDB). Records are checked on their way out: an older version may
 * have written them.
 */
import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { PhotoFacts } from '~core/photo/index.ts';
import { refuse, type FileContent } from '~core/site/index.ts';
import type { PictureAnalysis } from '../../workers/pictures';
import { changeOf, commitOf, hashesIn, neededEntry, pathsOf, renamed, SITE_GONE, type JournalStep } from './commit';
import { GoneTeller } from './gone';
import { FactsRecord, FileRecord, JournalRecord, mendedSite, QueueRecord, SiteRecord } from './records';
import { setAside, textsIn, type SetAside } from './setAside';
import type { Files, Store, Written } from './store';

interface Schema extends DBSchema {
  sites: { key: string; value: SiteRecord };
  files: { key: [string, string]; value: FileRecord };
  blobs: { key: string; value: Blob };
  facts: { key: string; value: PhotoFacts };
  /** Small copies for lists, by the hash of the whole picture. */
  glances: { key: string; value: Blob };
  journal: { key: [string, number]; value: JournalRecord };
  queues: { key: string; value: QueueRecord };
  /** Records that could not be read and had to make room for others. */
  aside: { key: number; value: AsideRecord; indexes: { site: string } };
}

interface AsideRecord {
  siteId: string;
  kind: SetAside['kind'];
  name: string;
  record: unknown;
}

type Database = IDBPDatabase<Schema>;

const VERSION = 3;

let opened: Promise<Store> | null = null;

/** The one store of this page; another one after the first has gone. */
export function openStore(name = 'heathmoor'): Promise<Store> {
  opened ??= openDatabase(name);
  return opened;
}

async function openDatabase(name: string): Promise<Store> {
  const teller = new GoneTeller();
  teller.on(() => (opened = null));
  try {
    return idbStore(await openVersion(name, VERSION, teller), false, teller);
  } catch (error) {
    if (!(error instanceof DOMException && error.name === 'VersionError')) throw error;
    // As it is, whatever its version.
    return idbStore(await openVersion(name, undefined, teller), true, teller);
  }
}

function openVersion(name: string, version: number | undefined, teller: GoneTeller): Promise<Database> {
  const opening = openDB<Schema>(name, version, {
    upgrade(db, from) {
      if (from < 1) {
        db.createObjectStore('sites', { keyPath: 'id' });
        db.createObjectStore('files', { keyPath: ['siteId', 'path'] });
        db.createObjectStore('blobs');
        db.createObjectStore('facts');
        db.createObjectStore('glances');
        db.createObjectStore('journal', { keyPath: ['siteId', 'number'] });
      }
      if (from < 2) db.createObjectStore('queues', { keyPath: 'siteId' });
      if (from < 3) db.createObjectStore('aside', { autoIncrement: true }).createIndex('site', 'siteId');
    },
    blocking: () => {
      // Another tab has a newer version of the program: let it go on.
      void opening.then((db) => db.close());
      teller.tell('taken over');
    },
    terminated: () => teller.tell('cleared'),
  });
  return opening;
}

/** In the order of keys an array stands behind every number and text. */
const below = (siteId: string) => IDBKeyRange.bound([siteId], [siteId, []]);
const fromOn = (siteId: string, number: number) => IDBKeyRange.bound([siteId, number], [siteId, []]);

/** Nothing is written where a newer version of the program wrote: this one cannot know what that would spoil. */
const refuseNewer = (): Promise<never> =>
  Promise.reject(new Error('a newer version of Heathmoor wrote the storage; load this page again to get that version'));

function idbStore(db: Database, newer: boolean, teller: GoneTeller): Store {
  const store = writableStore(db, newer, teller);
  if (!newer) return store;
  return {
    ...store,
    addSite: refuseNewer,
    removeSite: refuseNewer,
    saveGlance: () => Promise.resolve(),
    writeChange: refuseNewer,
    stepJournal: refuseNewer,
    nameEntry: refuseNewer,
    saveBlobs: refuseNewer,
    sweepBlobs: () => Promise.resolve(0),
    saveAnalyses: () => Promise.resolve(),
    saveQueue: refuseNewer,
    removeQueue: refuseNewer,
  };
}

function writableStore(db: Database, newer: boolean, teller: GoneTeller): Store {
  return {
    newer,
    onGone: (tell) => teller.on(tell),
    listSites: () => listSites(db),
    readSite: async (siteId) => {
      const record: unknown = await db.get('sites', siteId);
      return record === undefined ? null : siteFrom(db, record, siteId);
    },
    addSite: (site, files) => addSite(db, site, files),
    removeSite: (siteId) => removeSite(db, siteId),
    saveGlance: (siteId, glance) => saveGlance(db, siteId, glance),
    readFiles: async (siteId) => {
      const records = await db.getAll('files', below(siteId));
      return new Map(records.flatMap((raw) => FileRecord.safeParse(raw).data ?? []).map((one) => [one.path, one.content]));
    },
    readFile: async (siteId, path) => FileRecord.safeParse(await db.get('files', [siteId, path])).data?.content ?? null,
    readAside: (siteId) => readAside(db, siteId),
    writeChange: (siteId, change) => step(db, siteId, { do: 'write', change }),
    stepJournal: (siteId, way) => step(db, siteId, { do: way }),
    readJournal: async (siteId, range) => {
      const within = range ? IDBKeyRange.bound([siteId, range.from], [siteId, range.to]) : below(siteId);
      return (await db.getAll('journal', within)).flatMap((raw) => JournalRecord.safeParse(raw).data ?? []);
    },
    nameEntry: (siteId, number, name) => nameEntry(db, siteId, number, name),
    saveBlobs: async (blobs) => {
      const tx = db.transaction('blobs', 'readwrite');
      await Promise.all([...[...blobs].map(([hash, blob]) => tx.store.put(blob, hash)), tx.done]);
    },
    readBlobs: (hashes) => {
      // In one transaction: for thousands, one each keeps the store busy for longer than reading them.
      const { store } = db.transaction('blobs');
      return Promise.all(hashes.map(async (hash) => asBlob(await store.get(hash))));
    },
    sweepBlobs: () => sweepBlobs(db),
    saveAnalyses: (analyses) => saveAnalyses(db, analyses),
    readFacts: (hashes) => readFacts(db, hashes),
    readGlance: async (hash) => asBlob(await db.get('glances', hash)),
    readQueue: async (siteId) => QueueRecord.safeParse(await db.get('queues', siteId)).data ?? null,
    saveQueue: (queue) => saveQueue(db, queue),
    removeQueue: (siteId) => db.delete('queues', siteId),
  };
}

async function listSites(db: Database): Promise<SiteRecord[]> {
  const [keys, records] = await Promise.all([db.getAllKeys('sites'), db.getAll('sites')]);
  const sites = await Promise.all(keys.map((key, n) => siteFrom(db, records[n], key)));
  return sites.sort((a, b) => b.changed - a.changed);
}

const asBlob = (value: unknown): Blob | undefined => (value instanceof Blob ? value : undefined);

async function siteFrom(db: Database, record: unknown, siteId: string): Promise<SiteRecord> {
  const read = SiteRecord.safeParse(record);
  if (read.success) return read.data;
  return mendedSite(record, siteId, lastNumber(await db.getAllKeys('journal', below(siteId))));
}

const lastNumber = (keys: readonly [string, number][]): number => Number(keys.at(-1)?.[1] ?? 0);

async function readAside(db: Database, siteId: string): Promise<SetAside[]> {
  const tx = db.transaction(['sites', 'files', 'journal', 'queues', 'blobs', ...asideIn(db)]);
  const [site, files, journal, queue, hashes, earlier] = await Promise.all([
    tx.objectStore('sites').get(siteId) as Promise<unknown>,
    tx.objectStore('files').getAll(below(siteId)),
    tx.objectStore('journal').getAll(below(siteId)),
    tx.objectStore('queues').get(siteId) as Promise<unknown>,
    tx.objectStore('blobs').getAllKeys(),
    asideIn(db).length > 0 ? tx.objectStore('aside').index('site').getAll(siteId) : [],
  ]);
  const stored = new Set(hashes);
  const aside = earlier.map(({ kind, name, record }) => setAside(kind, name, record));
  if (!SiteRecord.safeParse(site).success) aside.push(setAside('site', siteId, site));
  for (const raw of files) {
    const file = FileRecord.safeParse(raw).data;
    if (!file) aside.push(setAside('file', String(raw.path), raw));
    else if (file.content.kind === 'binary' && !stored.has(file.content.hash)) aside.push(setAside('content', file.path));
  }
  for (const raw of journal)
    if (!JournalRecord.safeParse(raw).success) aside.push(setAside('step', String(raw.number), raw));
  if (queue !== undefined && !QueueRecord.safeParse(queue).success) aside.push(setAside('queue', siteId, queue));
  return aside;
}

/** A store of another version may be without it. */
const asideIn = (db: Database): 'aside'[] => (db.objectStoreNames.contains('aside') ? ['aside'] : []);

async function addSite(db: Database, site: SiteRecord, files: Files): Promise<void> {
  const tx = db.transaction(['sites', 'files'], 'readwrite');
  const modified = Date.now();
  await Promise.all([
    ...[...files].map(([path, content]) => tx.objectStore('files').put({ siteId: site.id, path, modified, content })),
    tx.objectStore('sites').put(site),
    tx.done,
  ]);
}

async function removeSite(db: Database, siteId: string): Promise<void> {
  const tx = db.transaction(['sites', 'files', 'journal', 'queues', 'aside'], 'readwrite');
  for (const key of await tx.objectStore('aside').index('site').getAllKeys(siteId))
    void tx.objectStore('aside').delete(key);
  await Promise.all([
    tx.objectStore('queues').delete(siteId),
    tx.objectStore('sites').delete(siteId),
    tx.objectStore('files').delete(below(siteId)),
    tx.objectStore('journal').delete(below(siteId)),
    tx.done,
  ]);
}

async function saveGlance(db: Database, siteId: string, glance: SiteRecord['glance']): Promise<void> {
  const tx = db.transaction('sites', 'readwrite');
  const site = SiteRecord.safeParse(await tx.store.get(siteId)).data;
  if (site) await tx.store.put({ ...site, glance });
  await tx.done;
}

async function step(db: Database, siteId: string, wanted: JournalStep): Promise<Written> {
  const tx = db.transaction(['sites', 'files', 'journal', 'aside'], 'readwrite');
  const [sites, files, journal, aside] = [
    tx.objectStore('sites'),
    tx.objectStore('files'),
    tx.objectStore('journal'),
    tx.objectStore('aside'),
  ];
  const give = async (reason: string): Promise<Written> => {
    tx.abort();
    await tx.done.catch(() => undefined);
    return refuse(reason);
  };
  /** What cannot be read makes room, but is not lost. */
  const keep = (kind: SetAside['kind'], name: string, record: unknown) =>
    void aside.put({ siteId, kind, name, record });

  const found: unknown = await sites.get(siteId);
  if (found === undefined) return give(SITE_GONE);
  const read = SiteRecord.safeParse(found).data;
  if (!read) keep('site', siteId, found);
  const before = read ?? mendedSite(found, siteId, lastNumber(await journal.getAllKeys(below(siteId))));
  const number = neededEntry(before, wanted);
  const entryFound: unknown = number === null ? undefined : await journal.get([siteId, number]);
  const entryRead = JournalRecord.safeParse(entryFound).data;
  if (entryFound !== undefined && !entryRead) return give(setAside('step', String(number)).says);
  const chosen = changeOf(wanted, entryRead);
  if (!chosen.ok) return give(chosen.reason);

  const current = new Map<string, FileContent>();
  for (const path of pathsOf(chosen.change)) {
    const record: unknown = await files.get([siteId, path]);
    const file = FileRecord.safeParse(record).data;
    if (file) current.set(path, file.content);
    else if (record !== undefined) keep('file', path, record);
  }
  const commit = commitOf(before, wanted, chosen.change, current, Date.now());
  if (!commit.ok) return give(commit.reason);

  const { site, entry, change, at } = commit;
  for (const [path, content] of commit.files) {
    if (content) void files.put({ siteId, path, modified: at, content });
    else void files.delete([siteId, path]);
  }
  if (entry) {
    for (const raw of await journal.getAll(fromOn(siteId, entry.number)))
      if (!JournalRecord.safeParse(raw).success) keep('step', String(raw.number), raw);
    void journal.delete(fromOn(siteId, entry.number));
    void journal.put(entry);
  }
  void sites.put(site);
  await tx.done;
  return { ok: true, site, files: commit.files, change };
}

async function saveQueue(db: Database, queue: QueueRecord): Promise<void> {
  const tx = db.transaction(['queues', 'aside'], 'readwrite');
  const { siteId } = queue;
  const found: unknown = await tx.objectStore('queues').get(siteId);
  if (found !== undefined && !QueueRecord.safeParse(found).success)
    void tx.objectStore('aside').put({ siteId, kind: 'queue', name: siteId, record: found });
  void tx.objectStore('queues').put(queue);
  await tx.done;
}

async function nameEntry(db: Database, siteId: string, number: number, name: string | null): Promise<boolean> {
  const tx = db.transaction(['sites', 'journal'], 'readwrite');
  const [sites, journal] = [tx.objectStore('sites'), tx.objectStore('journal')];
  const site = number === 0 ? await sites.get(siteId) : undefined;
  const entry = number === 0 ? undefined : await journal.get([siteId, number]);
  if (site) void sites.put(renamed(site, 'beginning', name));
  if (entry) void journal.put(renamed(entry, 'name', name));
  await tx.done;
  return site !== undefined || entry !== undefined;
}

async function saveAnalyses(db: Database, analyses: ReadonlyMap<string, PictureAnalysis>): Promise<void> {
  const tx = db.transaction(['facts', 'glances'], 'readwrite');
  const writes = [...analyses].flatMap(([hash, { facts, glance }]) => [
    tx.objectStore('facts').put(facts, hash),
    ...(glance ? [tx.objectStore('glances').put(glance, hash)] : []),
  ]);
  await Promise.all([...writes, tx.done]);
}

async function readFacts(db: Database, hashes: Iterable<string>): Promise<Map<string, PhotoFacts>> {
  const facts = new Map<string, PhotoFacts>();
  const tx = db.transaction('facts');
  await Promise.all(
    [...new Set(hashes)].map(async (hash) => {
      const read = FactsRecord.safeParse(await tx.store.get(hash));
      if (read.success) facts.set(hash, read.data);
    }),
  );
  return facts;
}

async function sweepBlobs(db: Database): Promise<number> {
  const tx = db.transaction(['files', 'journal', 'queues', 'aside', 'blobs', 'facts', 'glances'], 'readwrite');
  const needed = new Set<string>();
  const need = (hashes: readonly string[]) => hashes.forEach((hash) => needed.add(hash));
  for await (const { value } of tx.objectStore('queues'))
    need(QueueRecord.safeParse(value).data?.done.map(({ hash }) => hash) ?? textsIn(value));
  for await (const { value } of tx.objectStore('files')) {
    const file = FileRecord.safeParse(value).data;
    if (!file) need(textsIn(value));
    else if (file.content.kind === 'binary') need([file.content.hash]);
  }
  for await (const { value } of tx.objectStore('journal')) {
    const entry = JournalRecord.safeParse(value).data;
    need(entry ? hashesIn(entry) : textsIn(value));
  }
  for await (const { value } of tx.objectStore('aside')) need(textsIn(value));
  const hashes = await tx.objectStore('blobs').getAllKeys();
  const stray = hashes.filter((hash) => !needed.has(hash));
  await Promise.all([
    ...stray.flatMap((hash) => [
      tx.objectStore('blobs').delete(hash),
      tx.objectStore('facts').delete(hash),
      tx.objectStore('glances').delete(hash),
    ]),
    tx.done,
  ]);
  return stray.length;
}
