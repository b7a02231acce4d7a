/**
 * The store in the browser's own database (IndexedDB). Records are checked on their way out: an older version may
 * have written them.
 */
import { openDB, type StoreNames } from 'idb';
import type { PhotoFacts } from '~core/photo/index.ts';
import type { PictureAnalysis } from '../../workers/pictures';
import { hashesIn, renamed, withOutside } from './commit';
import { GoneTeller } from './gone';
import { below, lastNumber, reading, unwaited, within, writing, type Database, type Schema } from './idbSchema';
import { folderStore } from './idbFolder';
import { handOverStore } from './idbHandOver';
import { step } from './idbStep';
import { forgetAllLast, forgetLast, saveLast, readLast } from './lastTyping';
import { FactsRecord, FileRecord, JournalRecord, mendedSite, QueueRecord, SiteRecord, TypingRecord } from './records';
import { setAside, textsIn, type SetAside } from './setAside';
import type { Files, Store } from './store';

const VERSION = 6;

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
      if (from < 4) db.createObjectStore('typing', { keyPath: ['siteId', 'path'] });
      if (from < 5) {
        db.createObjectStore('folders', { keyPath: 'siteId' });
        db.createObjectStore('agreed', { keyPath: ['siteId', 'path'] });
        db.createObjectStore('savings', { keyPath: 'siteId' });
      }
      if (from < 6) db.createObjectStore('handOvers', { keyPath: ['siteId', 'at'] });
    },
    blocking: () => {
      // Another tab has a newer version of the program: let it go on.
      void opening.then((db) => db.close());
      teller.tell('taken over');
    },
    terminated: () => teller.tell('closed'),
  });
  return opening;
}

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
    renameSite: refuseNewer,
    saveGlance: () => Promise.resolve(),
    allowOutside: refuseNewer,
    writeChange: refuseNewer,
    stepJournal: refuseNewer,
    nameEntry: refuseNewer,
    saveBlobs: refuseNewer,
    sweepBlobs: () => Promise.resolve(0),
    saveAnalyses: () => Promise.resolve(),
    saveQueue: refuseNewer,
    removeQueue: refuseNewer,
    saveTyping: refuseNewer,
    saveLastTyping: () => undefined,
    removeTyping: refuseNewer,
    saveFolder: refuseNewer,
    removeFolder: refuseNewer,
    saveAgreed: refuseNewer,
    saveSaving: refuseNewer,
    saveHandOver: refuseNewer,
  };
}

function writableStore(db: Database, newer: boolean, teller: GoneTeller): Store {
  return {
    newer,
    onGone: (tell) => teller.on(tell),
    listSites: () => listSites(db),
    readSite: async (siteId) => {
      const record: unknown = await within(db, 'sites').get(siteId);
      return record === undefined ? null : siteFrom(db, record, siteId);
    },
    addSite: (site, files) => addSite(db, site, files),
    removeSite: (siteId) => removeSite(db, siteId),
    renameSite: (siteId, name) => changeSite(db, siteId, (site) => ({ ...site, name })),
    saveGlance: (siteId, glance) => changeSite(db, siteId, (site) => ({ ...site, glance })),
    allowOutside: (siteId, allowed) => changeSite(db, siteId, (site) => withOutside(site, allowed)),
    readFiles: async (siteId) => {
      const records = await within(db, 'files').getAll(below(siteId));
      return new Map(
        records.flatMap((raw) => FileRecord.safeParse(raw).data ?? []).map((one) => [one.path, one.content]),
      );
    },
    readFile: async (siteId, path) =>
      FileRecord.safeParse(await within(db, 'files').get([siteId, path])).data?.content ?? null,
    readAside: (siteId) => readAside(db, siteId),
    writeChange: (siteId, change) => step(db, siteId, { do: 'write', change }),
    stepJournal: (siteId, way) => step(db, siteId, { do: way }),
    readJournal: async (siteId, range) => {
      const entries = range ? IDBKeyRange.bound([siteId, range.from], [siteId, range.to]) : below(siteId);
      return (await within(db, 'journal').getAll(entries)).flatMap((raw) => JournalRecord.safeParse(raw).data ?? []);
    },
    nameEntry: (siteId, number, name) => nameEntry(db, siteId, number, name),
    saveBlobs: async (blobs) => {
      const tx = writing(db, ['blobs']);
      await Promise.all([...[...blobs].map(([hash, blob]) => tx.objectStore('blobs').put(blob, hash)), tx.done]);
    },
    readBlobs: async (hashes) => {
      // In one transaction: for thousands, one each keeps the store busy for longer than reading them.
      const store = within(db, 'blobs');
      return Promise.all(hashes.map(async (hash) => asBlob(await store.get(hash))));
    },
    sweepBlobs: () => sweepBlobs(db),
    saveAnalyses: (analyses) => saveAnalyses(db, analyses),
    readFacts: (hashes) => readFacts(db, hashes),
    readGlance: async (hash) => asBlob(await within(db, 'glances').get(hash)),
    readQueue: async (siteId) => QueueRecord.safeParse(await within(db, 'queues').get(siteId)).data ?? null,
    saveQueue: (queue) => saveQueue(db, queue),
    removeQueue: async (siteId) => {
      const tx = writing(db, ['queues']);
      unwaited(tx.objectStore('queues').delete(siteId));
      await tx.done;
    },
    readTyping: (siteId) => readTyping(db, siteId),
    saveTyping: async (typing) => {
      forgetLast(typing.siteId, typing.path);
      const tx = writing(db, ['typing']);
      unwaited(tx.objectStore('typing').put(typing));
      // Not when its request has been answered: a page that is being closed gets no answer any more.
      tx.commit();
      await tx.done;
    },
    saveLastTyping: saveLast,
    removeTyping: async (siteId, path) => {
      forgetLast(siteId, path);
      const tx = writing(db, ['typing']);
      unwaited(tx.objectStore('typing').delete([siteId, path]));
      await tx.done;
    },
    ...folderStore(db),
    ...handOverStore(db),
  };
}

async function listSites(db: Database): Promise<SiteRecord[]> {
  const store = within(db, 'sites');
  const [keys, records] = await Promise.all([store.getAllKeys(), store.getAll()]);
  const sites = await Promise.all(keys.map((key, n) => siteFrom(db, records[n], key)));
  return sites.sort((a, b) => b.changed - a.changed);
}

const asBlob = (value: unknown): Blob | undefined => (value instanceof Blob ? value : undefined);

async function siteFrom(db: Database, record: unknown, siteId: string): Promise<SiteRecord> {
  const read = SiteRecord.safeParse(record);
  if (read.success) return read.data;
  return mendedSite(record, siteId, lastNumber(await within(db, 'journal').getAllKeys(below(siteId))));
}

async function readAside(db: Database, siteId: string): Promise<SetAside[]> {
  const later = laterIn(db);
  const tx = reading(db, ['sites', 'files', 'journal', 'queues', 'blobs', ...later]);
  const [site, files, journal, queue, hashes, earlier, typing] = await Promise.all([
    tx.objectStore('sites').get(siteId) as Promise<unknown>,
    tx.objectStore('files').getAll(below(siteId)),
    tx.objectStore('journal').getAll(below(siteId)),
    tx.objectStore('queues').get(siteId) as Promise<unknown>,
    tx.objectStore('blobs').getAllKeys(),
    later.includes('aside') ? tx.objectStore('aside').index('site').getAll(siteId) : [],
    later.includes('typing') ? tx.objectStore('typing').getAll(below(siteId)) : [],
  ]);
  const stored = new Set(hashes);
  const texts = new Set<string>();
  const aside = earlier.map(({ kind, name, record }) => setAside(kind, name, record));
  if (!SiteRecord.safeParse(site).success) aside.push(setAside('site', siteId, site));
  for (const raw of files) {
    const file = FileRecord.safeParse(raw).data;
    if (!file) aside.push(setAside('file', String(raw.path), raw));
    else if (file.content.kind === 'text') texts.add(file.path);
    else if (!stored.has(file.content.hash)) aside.push(setAside('content', file.path));
  }
  for (const raw of journal)
    if (!JournalRecord.safeParse(raw).success) aside.push(setAside('step', String(raw.number), raw));
  if (queue !== undefined && !QueueRecord.safeParse(queue).success) aside.push(setAside('queue', siteId, queue));
  for (const raw of typing)
    if (!TypingRecord.safeParse(raw).success || !texts.has(raw.path)) aside.push(setAside('typing', raw.path, raw));
  return aside;
}

const LATER = ['aside', 'typing'] as const;

/** A store of another version may be without them. */
const laterIn = (db: Database) => LATER.filter((name) => db.objectStoreNames.contains(name));

async function readTyping(db: Database, siteId: string): Promise<TypingRecord[]> {
  const last = readLast(siteId);
  if (!laterIn(db).includes('typing')) return last;
  const records = await within(db, 'typing').getAll(below(siteId));
  const kept = records.flatMap((raw) => TypingRecord.safeParse(raw).data ?? []);
  // What was kept when the page went is younger than what the database has of the same file.
  return [...kept.filter(({ path }) => !last.some((one) => one.path === path)), ...last];
}

async function addSite(db: Database, site: SiteRecord, files: Files): Promise<void> {
  const tx = writing(db, ['sites', 'files']);
  const modified = Date.now();
  await Promise.all([
    ...[...files].map(([path, content]) => tx.objectStore('files').put({ siteId: site.id, path, modified, content })),
    tx.objectStore('sites').put(site),
    tx.done,
  ]);
}

const OF_A_SITE: StoreNames<Schema>[] = [
  'sites',
  'files',
  'journal',
  'queues',
  'typing',
  'aside',
  'folders',
  'agreed',
  'savings',
  'handOvers',
];

async function removeSite(db: Database, siteId: string): Promise<void> {
  forgetAllLast(siteId);
  const tx = writing(db, OF_A_SITE);
  for (const key of await tx.objectStore('aside').index('site').getAllKeys(siteId))
    unwaited(tx.objectStore('aside').delete(key));
  await Promise.all([
    tx.objectStore('queues').delete(siteId),
    tx.objectStore('sites').delete(siteId),
    tx.objectStore('files').delete(below(siteId)),
    tx.objectStore('journal').delete(below(siteId)),
    tx.objectStore('typing').delete(below(siteId)),
    tx.objectStore('folders').delete(siteId),
    tx.objectStore('agreed').delete(below(siteId)),
    tx.objectStore('savings').delete(siteId),
    tx.objectStore('handOvers').delete(below(siteId)),
    tx.done,
  ]);
}

async function changeSite(db: Database, siteId: string, change: (site: SiteRecord) => SiteRecord): Promise<void> {
  const tx = writing(db, ['sites']);
  const site = SiteRecord.safeParse(await tx.objectStore('sites').get(siteId)).data;
  if (site) await tx.objectStore('sites').put(change(site));
  await tx.done;
}

async function saveQueue(db: Database, queue: QueueRecord): Promise<void> {
  const tx = writing(db, ['queues', 'aside']);
  const { siteId } = queue;
  const found: unknown = await tx.objectStore('queues').get(siteId);
  if (found !== undefined && !QueueRecord.safeParse(found).success)
    unwaited(tx.objectStore('aside').put({ siteId, kind: 'queue', name: siteId, record: found }));
  unwaited(tx.objectStore('queues').put(queue));
  await tx.done;
}

async function nameEntry(db: Database, siteId: string, number: number, name: string | null): Promise<boolean> {
  const tx = writing(db, ['sites', 'journal']);
  const [sites, journal] = [tx.objectStore('sites'), tx.objectStore('journal')];
  const site = number === 0 ? await sites.get(siteId) : undefined;
  const entry = number === 0 ? undefined : await journal.get([siteId, number]);
  if (site) unwaited(sites.put(renamed(site, 'beginning', name)));
  if (entry) unwaited(journal.put(renamed(entry, 'name', name)));
  await tx.done;
  return site !== undefined || entry !== undefined;
}

async function saveAnalyses(db: Database, analyses: ReadonlyMap<string, PictureAnalysis>): Promise<void> {
  const tx = writing(db, ['facts', 'glances']);
  const writes = [...analyses].flatMap(([hash, { facts, glance }]) => [
    tx.objectStore('facts').put(facts, hash),
    ...(glance ? [tx.objectStore('glances').put(glance, hash)] : []),
  ]);
  await Promise.all([...writes, tx.done]);
}

async function readFacts(db: Database, hashes: Iterable<string>): Promise<Map<string, PhotoFacts>> {
  const facts = new Map<string, PhotoFacts>();
  const tx = reading(db, ['facts']);
  await Promise.all(
    [...new Set(hashes)].map(async (hash) => {
      const read = FactsRecord.safeParse(await tx.objectStore('facts').get(hash));
      if (read.success) facts.set(hash, read.data);
    }),
  );
  return facts;
}

async function sweepBlobs(db: Database): Promise<number> {
  const tx = writing(db, ['files', 'journal', 'queues', 'aside', 'blobs', 'facts', 'glances']);
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
