/** The browser's own database. Every change of a site is one transaction with its journal entry, so a crash leaves all of it or none. */
import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { PhotoFacts } from '~core/photo/index.ts';
import {
  applyChange,
  type Change,
  type FileContent,
  NOTES_FILE,
  notesIn,
  type PairDecision,
  refuse,
  type Result,
} from '~core/site/index.ts';
import type { PictureLook } from '../workers/pictures';
import { FactsRecord, FileRecord, SiteRecord, type JournalRecord, type QueueRecord } from './records';

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

export type Store = IDBPDatabase<Schema>;

let opened: Promise<Store> | null = null;

export function openStore(name = 'heathmoor'): Promise<Store> {
  opened ??= openDB<Schema>(name, 2, {
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
      void opened?.then((db) => db.close());
      opened = null;
    },
  });
  return opened;
}

const below = (siteId: string) => IDBKeyRange.bound([siteId], [siteId, []]);

export async function listSites(db: Store): Promise<SiteRecord[]> {
  const sites = (await db.getAll('sites')).flatMap((raw) => {
    const read = SiteRecord.safeParse(raw);
    return read.success ? [read.data] : [];
  });
  return sites.sort((a, b) => b.changed - a.changed);
}

export async function readSiteRecord(db: Store, siteId: string): Promise<SiteRecord | null> {
  const read = SiteRecord.safeParse(await db.get('sites', siteId));
  return read.success ? read.data : null;
}

export async function readFiles(db: Store, siteId: string): Promise<Map<string, FileContent>> {
  const records = await db.getAll('files', below(siteId));
  return new Map(records.map((raw) => [raw.path, FileRecord.parse(raw).content]));
}

/** What was decided by hand in all sites, the latest changed first. */
export async function readDecisions(db: Store): Promise<PairDecision[]> {
  const sites = await listSites(db);
  const notes = await Promise.all(sites.map(({ id }) => db.get('files', [id, NOTES_FILE])));
  return notes.flatMap((record) => (record ? notesIn(new Map([[NOTES_FILE, record.content]])).decisions : []));
}

export async function readFacts(db: Store, hashes: Iterable<string>): Promise<Map<string, PhotoFacts>> {
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

/** What was learnt by looking at pictures, by their hashes; it can be learnt again at any time. */
export async function keepLooks(db: Store, looks: ReadonlyMap<string, PictureLook>): Promise<void> {
  const tx = db.transaction(['facts', 'glances'], 'readwrite');
  const writes = [...looks].flatMap(([hash, { facts, glance }]) => [
    tx.objectStore('facts').put(facts, hash),
    ...(glance ? [tx.objectStore('glances').put(glance, hash)] : []),
  ]);
  await Promise.all([...writes, tx.done]);
}

/** Blobs are content-addressed and go in first; until a file refers to one, it is nobody's and swept later. */
export async function keepBlobs(db: Store, blobs: ReadonlyMap<string, Blob>): Promise<void> {
  const tx = db.transaction('blobs', 'readwrite');
  await Promise.all([...[...blobs].map(([hash, blob]) => tx.store.put(blob, hash)), tx.done]);
}

/** Contents by their hashes, in one transaction: for thousands, one each keeps the store busy for longer than reading them. */
export async function readBlobs(db: Store, hashes: readonly string[]): Promise<(Blob | undefined)[]> {
  const { store } = db.transaction('blobs');
  return Promise.all(hashes.map((hash) => store.get(hash)));
}

/** A whole new site in one transaction. */
export async function keepSite(db: Store, site: SiteRecord, files: ReadonlyMap<string, FileContent>): Promise<void> {
  const tx = db.transaction(['sites', 'files'], 'readwrite');
  const modified = Date.now();
  await Promise.all([
    ...[...files].map(([path, content]) => tx.objectStore('files').put({ siteId: site.id, path, modified, content })),
    tx.objectStore('sites').put(site),
    tx.done,
  ]);
}

export async function dropSite(db: Store, siteId: string): Promise<void> {
  const tx = db.transaction(['sites', 'files', 'journal', 'queues'], 'readwrite');
  await Promise.all([
    tx.objectStore('queues').delete(siteId),
    tx.objectStore('sites').delete(siteId),
    tx.objectStore('files').delete(below(siteId)),
    tx.objectStore('journal').delete(below(siteId)),
    tx.done,
  ]);
}

export type Written = Result<{ site: SiteRecord; files: Map<string, FileContent | null>; change: Change }>;

const pathsOf = (change: Change) =>
  new Set(change.files.flatMap((file) => (file.kind === 'rename' ? [file.path, file.to] : [file.path])));

/** Applies a change to a site's files and writes it into the journal. What was undone before is given up. */
export const writeChange = (db: Store, siteId: string, change: Change): Promise<Written> =>
  inOneTransaction(
    db,
    siteId,
    () => Promise.resolve({ change }),
    (site, inverse, at, journal) => {
      const number = site.head + 1;
      void journal.delete(IDBKeyRange.bound([siteId, number], [siteId, []]));
      void journal.put({ siteId, number, at, change, inverse });
      return { ...site, head: number, last: number };
    },
  );

/** Takes the last change back, or puts the next one in force again. */
export const stepJournal = (db: Store, siteId: string, way: 'undo' | 'redo'): Promise<Written> =>
  inOneTransaction(
    db,
    siteId,
    async (site, journal) => {
      const entry = await journal.get([siteId, way === 'undo' ? site.head : site.head + 1]);
      if (!entry) return { reason: way === 'undo' ? 'There is nothing to undo.' : 'There is nothing to redo.' };
      return { change: way === 'undo' ? entry.inverse : entry.change };
    },
    (site) => ({ ...site, head: site.head + (way === 'undo' ? -1 : 1) }),
  );

type Journal = {
  get: (key: [string, number]) => Promise<JournalRecord | undefined>;
  put: (entry: JournalRecord) => Promise<unknown>;
  delete: (range: IDBKeyRange) => Promise<void>;
};

async function inOneTransaction(
  db: Store,
  siteId: string,
  choose: (site: SiteRecord, journal: Journal) => Promise<{ change: Change } | { reason: string }>,
  advance: (site: SiteRecord, inverse: Change, at: number, journal: Journal) => SiteRecord,
): Promise<Written> {
  const tx = db.transaction(['sites', 'files', 'journal'], 'readwrite');
  const give = async (reason: string): Promise<Written> => {
    tx.abort();
    await tx.done.catch(() => undefined);
    return refuse(reason);
  };
  const read = SiteRecord.safeParse(await tx.objectStore('sites').get(siteId));
  if (!read.success) return give('This site is no longer in the store; another tab may have removed it.');
  const journal = tx.objectStore('journal') as unknown as Journal;
  const chosen = await choose(read.data, journal);
  if ('reason' in chosen) return give(chosen.reason);

  const files = tx.objectStore('files');
  const paths = pathsOf(chosen.change);
  const current = new Map<string, FileContent>();
  for (const path of paths) {
    const record = await files.get([siteId, path]);
    if (record) current.set(path, record.content);
  }
  const applied = applyChange(current, chosen.change);
  if (!applied.ok) return give(applied.reason);

  const at = Date.now();
  const result = new Map<string, FileContent | null>();
  for (const path of paths) {
    const content = applied.files.get(path) ?? null;
    result.set(path, content);
    if (content) void files.put({ siteId, path, modified: at, content });
    else void files.delete([siteId, path]);
  }
  const site = { ...advance(read.data, applied.inverse, at, journal), changed: at };
  void tx.objectStore('sites').put(site);
  await tx.done;
  return { ok: true, site, files: result, change: chosen.change };
}

/** What the journal says would be undone and redone next. */
export async function journalLabels(
  db: Store,
  { id, head }: SiteRecord,
): Promise<{ undo: string | null; redo: string | null }> {
  const [undo, redo] = await Promise.all([db.get('journal', [id, head]), db.get('journal', [id, head + 1])]);
  return { undo: undo?.change.label ?? null, redo: redo?.change.label ?? null };
}

/** Removes blobs that no file and no journal entry of any site names: what an interrupted import or a removed site left behind. */
export async function sweepBlobs(db: Store): Promise<number> {
  const named = new Set<string>();
  const note = (content: FileContent | null) => content?.kind === 'binary' && named.add(content.hash);
  const tx = db.transaction(['files', 'journal', 'queues', 'blobs', 'facts', 'glances'], 'readwrite');
  for await (const cursor of tx.objectStore('queues')) for (const { hash } of cursor.value.done) named.add(hash);
  for await (const cursor of tx.objectStore('files')) note(cursor.value.content);
  for await (const cursor of tx.objectStore('journal')) {
    for (const file of [...cursor.value.change.files, ...cursor.value.inverse.files])
      if (file.kind === 'put') [file.before, file.after].forEach(note);
  }
  const hashes = await tx.objectStore('blobs').getAllKeys();
  const stray = hashes.filter((hash) => !named.has(hash));
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
