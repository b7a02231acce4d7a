/** The object stores of the browser's database, their keys, and how transactions on them are begun. */
import type { DBSchema, IDBPDatabase, StoreNames } from 'idb';
import type { PhotoFacts } from '~core/photo/index.ts';
import type {
  AgreedRecord,
  FileRecord,
  FolderRecord,
  HandOverRecord,
  JournalRecord,
  QueueRecord,
  SavingRecord,
  SiteRecord,
  TypingRecord,
} from './records';
import type { SetAside } from './setAside';

export interface Schema extends DBSchema {
  sites: { key: string; value: SiteRecord };
  files: { key: [string, string]; value: FileRecord };
  blobs: { key: string; value: Blob };
  facts: { key: string; value: PhotoFacts };
  /** Small copies for lists, by the hash of the whole picture. */
  glances: { key: string; value: Blob };
  journal: { key: [string, number]; value: JournalRecord };
  queues: { key: string; value: QueueRecord };
  typing: { key: [string, string]; value: TypingRecord };
  folders: { key: string; value: FolderRecord };
  agreed: { key: [string, string]; value: AgreedRecord };
  savings: { key: string; value: SavingRecord };
  handOvers: { key: [string, number]; value: HandOverRecord };
  /** Records that could not be read and had to make room for others. */
  aside: { key: number; value: AsideRecord; indexes: { site: string } };
}

export interface AsideRecord {
  siteId: string;
  kind: SetAside['kind'];
  name: string;
  record: unknown;
}

export type Database = IDBPDatabase<Schema>;

/** In the order of keys an array stands behind every number and text. */
export const below = (siteId: string) => IDBKeyRange.bound([siteId], [siteId, []]);
export const fromOn = (siteId: string, number: number) => IDBKeyRange.bound([siteId, number], [siteId, []]);

/** Nobody waits for the end of a reading: each request tells by itself when it fails. */
export function reading<Name extends StoreNames<Schema>>(db: Database, names: Name[]) {
  const tx = db.transaction(names);
  tx.done.catch(() => undefined);
  return tx;
}

/** One object store, to be read from. */
export const within = <Name extends StoreNames<Schema>>(db: Database, name: Name) =>
  reading(db, [name]).objectStore(name);

/** Where a request fails before the end is waited for, that is told, and not the end as well. */
export function writing<Name extends StoreNames<Schema>>(db: Database, names: Name[]) {
  const tx = db.transaction(names, 'readwrite');
  tx.done.catch(() => undefined);
  return tx;
}

export const lastNumber = (keys: readonly [string, number][]): number => Number(keys.at(-1)?.[1] ?? 0);

/** A request of a transaction that is waited for as a whole: where it fails, the transaction says so. */
export const unwaited = (request: Promise<unknown>): void => void request.catch(() => undefined);
