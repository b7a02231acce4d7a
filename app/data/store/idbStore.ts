/**
 * The store in the browser's own database (IndexedDB). Records are checked on their way out: an older version may
 * have written them.
 */
import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { PhotoFacts } from '~core/photo/index.ts';
import { refuse, type FileContent } from '~core/site/index.ts';
import type { PictureAnalysis } from '../../workers/pictures';
import { changeOf, commitOf, hashesIn, neededEntry, pathsOf, renamed, SITE_GONE, type JournalStep } from './commit';
import { FactsRecord, FileRecord, SiteRecord, type JournalRecord, type QueueRecord } from './records';
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
}

type Database = IDBPDatabase<Schema>;

let opened: Promise<Store> | null = null;

/** The one store of this page. */
export function openStore(name = 'heathmoor'): Promise<Store> {
  opened ??= openDatabase(name).then(idbStore);
  return opened;
}

function openDatabase(name: string): Promise<Database> {
  const opening = openDB<Schema>(name, 2, {
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
    },
    blocking: () => {
      // Another tab has a newer version of the program: let it go on.
      void opening.then((db) => db.close());
      opened = null;
    },
  });
  return opening;
}

/** In the order of keys an array stands behind every number and text. */
const below = (siteId: string) => IDBKeyRange.bound([siteId], [siteId, []]);
const fromOn = (siteId: string, number: number) => IDBKeyRange.bound([siteId, number], [siteId, []]);

function idbStore(db: Database): Store {
  return {
    listSites: () => listSites(db),
    readSite: async (siteId) => SiteRecord.safeParse(await db.get('sites', siteId)).data ?? null,
    addSite: (site, files) => addSite(db, site, files),
    removeSite: (siteId) => removeSite(db, siteId),
    saveGlance: (siteId, glance) => saveGlance(db, siteId, glance),
    readFiles: async (siteId) => {
      const records = await db.getAll('files', below(siteId));
      return new Map(records.map((raw) => [raw.path, FileRecord.parse(raw).content]));
    },
    readFile: async (siteId, path) => (await db.get('files', [siteId, path]))?.content ?? null,
    writeChange: (siteId, change) => step(db, siteId, { do: 'write', change }),
    stepJournal: (siteId, way) => step(db, siteId, { do: way }),
    readJournal: (siteId, range) =>
      db.getAll('journal', range ? IDBKeyRange.bound([siteId, range.from], [siteId, range.to]) : below(siteId)),
    nameEntry: (siteId, number, name) => nameEntry(db, siteId, number, name),
    saveBlobs: async (blobs) => {
      const tx = db.transaction('blobs', 'readwrite');
      await Promise.all([...[...blobs].map(([hash, blob]) => tx.store.put(blob, hash)), tx.done]);
    },
    readBlobs: (hashes) => {
      // In one transaction: for thousands, one each keeps the store busy for longer than reading them.
      const { store } = db.transaction('blobs');
      return Promise.all(hashes.map((hash) => store.get(hash)));
    },
    sweepBlobs: () => sweepBlobs(db),
    saveAnalyses: (analyses) => saveAnalyses(db, analyses),
    readFacts: (hashes) => readFacts(db, hashes),
    readGlance: (hash) => db.get('glances', hash),
    readQueue: async (siteId) => (await db.get('queues', siteId)) ?? null,
    saveQueue: async (queue) => void (await db.put('queues', queue)),
    removeQueue: (siteId) => db.delete('queues', siteId),
  };
}

async function listSites(db: Database): Promise<SiteRecord[]> {
  const sites = (await db.getAll('sites')).flatMap((raw) => SiteRecord.safeParse(raw).data ?? []);
  return sites.sort((a, b) => b.changed - a.changed);
}

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
  const tx = db.transaction(['sites', 'files', 'journal', 'queues'], 'readwrite');
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
  const site = await tx.store.get(siteId);
  if (site) await tx.store.put({ ...site, glance });
  await tx.done;
}

async function step(db: Database, siteId: string, wanted: JournalStep): Promise<Written> {
  const tx = db.transaction(['sites', 'files', 'journal'], 'readwrite');
  const give = async (reason: string): Promise<Written> => {
    tx.abort();
    await tx.done.catch(() => undefined);
    return refuse(reason);
  };
  const before = SiteRecord.safeParse(await tx.objectStore('sites').get(siteId)).data;
  if (!before) return give(SITE_GONE);
  const number = neededEntry(before, wanted);
  const chosen = changeOf(wanted, number === null ? undefined : await tx.objectStore('journal').get([siteId, number]));
  if (!chosen.ok) return give(chosen.reason);

  const current = new Map<string, FileContent>();
  for (const path of pathsOf(chosen.change)) {
    const record = await tx.objectStore('files').get([siteId, path]);
    if (record) current.set(path, record.content);
  }
  const commit = commitOf(before, wanted, chosen.change, current, Date.now());
  if (!commit.ok) return give(commit.reason);

  const { site, files, entry, change, at } = commit;
  for (const [path, content] of files) {
    if (content) void tx.objectStore('files').put({ siteId, path, modified: at, content });
    else void tx.objectStore('files').delete([siteId, path]);
  }
  if (entry) {
    void tx.objectStore('journal').delete(fromOn(siteId, entry.number));
    void tx.objectStore('journal').put(entry);
  }
  void tx.objectStore('sites').put(site);
  await tx.done;
  return { ok: true, site, files, change };
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
  const needed = new Set<string>();
  const tx = db.transaction(['files', 'journal', 'queues', 'blobs', 'facts', 'glances'], 'readwrite');
  for await (const { value } of tx.objectStore('queues')) for (const { hash } of value.done) needed.add(hash);
  for await (const { value } of tx.objectStore('files'))
    if (value.content.kind === 'binary') needed.add(value.content.hash);
  for await (const { value } of tx.objectStore('journal')) for (const hash of hashesIn(value)) needed.add(hash);
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
