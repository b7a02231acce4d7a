/** One transaction in the browser's database: a change and its entry in the journal, or a step through them. */
import type { IDBPTransaction } from 'idb';
import { refuse, type Change, type FileContent } from '~core/site/index.ts';
import { changeOf, commitOf, neededEntry, pathsOf, SITE_GONE, type JournalStep } from './commit';
import {
  below,
  fromOn,
  lastNumber,
  unwaited,
  writing,
  type AsideRecord,
  type Database,
  type Schema,
} from './idbSchema';
import { FileRecord, JournalRecord, mendedSite, SiteRecord } from './records';
import { setAside } from './setAside';
import type { Written } from './store';

/** Where a step through the journal is written. */
const STEPPED = ['sites', 'files', 'journal', 'aside'] as const;
type Stepping = IDBPTransaction<Schema, (typeof STEPPED)[number][], 'readwrite'>;

export async function step(db: Database, siteId: string, wanted: JournalStep): Promise<Written> {
  const tx = writing(db, [...STEPPED]);
  const written = await stepIn(tx, siteId, wanted);
  if (!written.ok) tx.abort();
  await tx.done.catch((error: unknown) => {
    if (written.ok) throw error;
  });
  return written;
}

async function stepIn(tx: Stepping, siteId: string, wanted: JournalStep): Promise<Written> {
  const before = await siteBefore(tx, siteId);
  if (!before) return refuse(SITE_GONE);
  const number = neededEntry(before, wanted);
  const chosen = await chosenChange(tx, siteId, wanted, number);
  if (!chosen.ok) return chosen;
  const current = await filesBefore(tx, siteId, chosen.change);
  const commit = commitOf(before, wanted, chosen.change, current, Date.now());
  if (!commit.ok) return commit;

  const { site, files, entry, change, at } = commit;
  for (const [path, content] of files) {
    if (content) unwaited(tx.objectStore('files').put({ siteId, path, modified: at, content }));
    else unwaited(tx.objectStore('files').delete([siteId, path]));
  }
  if (entry) await replaceEntries(tx, entry);
  unwaited(tx.objectStore('sites').put(site));
  return { ok: true, site, files, change };
}

/** What cannot be read makes room, but is not lost. */
const saveAside = (tx: Stepping, one: AsideRecord) => unwaited(tx.objectStore('aside').put(one));

async function siteBefore(tx: Stepping, siteId: string): Promise<SiteRecord | null> {
  const record: unknown = await tx.objectStore('sites').get(siteId);
  if (record === undefined) return null;
  const read = SiteRecord.safeParse(record);
  if (read.success) return read.data;
  saveAside(tx, { siteId, kind: 'site', name: siteId, record });
  return mendedSite(record, siteId, lastNumber(await tx.objectStore('journal').getAllKeys(below(siteId))));
}

async function chosenChange(tx: Stepping, siteId: string, wanted: JournalStep, number: number | null) {
  const record: unknown = number === null ? undefined : await tx.objectStore('journal').get([siteId, number]);
  const entry = JournalRecord.safeParse(record).data;
  if (record !== undefined && !entry) return refuse(setAside('step', String(number)).says);
  return changeOf(wanted, entry);
}

async function filesBefore(tx: Stepping, siteId: string, change: Change): Promise<Map<string, FileContent>> {
  const current = new Map<string, FileContent>();
  for (const path of pathsOf(change)) {
    const record: unknown = await tx.objectStore('files').get([siteId, path]);
    const file = FileRecord.safeParse(record).data;
    if (file) current.set(path, file.content);
    else if (record !== undefined) saveAside(tx, { siteId, kind: 'file', name: path, record });
  }
  return current;
}

/** A new entry takes the place of those that were undone. */
async function replaceEntries(tx: Stepping, entry: JournalRecord): Promise<void> {
  const { siteId, number } = entry;
  const journal = tx.objectStore('journal');
  for (const record of await journal.getAll(fromOn(siteId, number)))
    if (!JournalRecord.safeParse(record).success)
      saveAside(tx, { siteId, kind: 'step', name: String(record.number), record });
  unwaited(journal.delete(fromOn(siteId, number)));
  unwaited(journal.put(entry));
}
