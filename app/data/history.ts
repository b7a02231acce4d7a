/** The journal as something to look at: its entries in plain words, what each did, and names for points to go back to. */
import { applyChange, type Change, type FileContent } from '~core/site/index.ts';
import type { JournalRecord, SiteRecord } from './records';
import type { Store } from './store';

export interface HistoryEntry {
  /** Counts from 1; 0 is the site as it came in. */
  number: number;
  /** Date and time; ms since 1970. */
  at: number;
  label: string;
  name: string | null;
}

const below = (siteId: string) => IDBKeyRange.bound([siteId], [siteId, []]);

/** All entries, the oldest first; what was undone stands above the head. */
export async function readHistory(db: Store, site: SiteRecord): Promise<HistoryEntry[]> {
  const entries = await db.getAll('journal', below(site.id));
  return [
    { number: 0, at: site.created, label: 'The site as it came in', name: site.beginning ?? null },
    ...entries.map(({ number, at, change, name }) => ({ number, at, label: change.label, name: name ?? null })),
  ];
}

/** Null takes the name away. */
export async function namePoint(db: Store, siteId: string, number: number, name: string | null): Promise<boolean> {
  const tx = db.transaction(['sites', 'journal'], 'readwrite');
  const named = <T extends { name?: string; beginning?: string }>(record: T, key: 'name' | 'beginning'): T => {
    const next = { ...record, [key]: name ?? undefined };
    if (name === null) delete next[key];
    return next;
  };
  if (number === 0) {
    const site = await tx.objectStore('sites').get(siteId);
    if (site) await tx.objectStore('sites').put(named(site, 'beginning'));
    await tx.done;
    return site !== undefined;
  }
  const entry = await tx.objectStore('journal').get([siteId, number]);
  if (entry) await tx.objectStore('journal').put(named(entry, 'name'));
  await tx.done;
  return entry !== undefined;
}

/** An entry's change with the files as they were before it: the journal is walked from the head to there on a copy. */
export async function entryWithFiles(
  db: Store,
  { id, head }: SiteRecord,
  number: number,
  files: ReadonlyMap<string, FileContent>,
): Promise<{ change: Change; before: ReadonlyMap<string, FileContent> } | null> {
  const range =
    number <= head ? IDBKeyRange.bound([id, number], [id, head]) : IDBKeyRange.bound([id, head + 1], [id, number]);
  const entries: JournalRecord[] = await db.getAll('journal', range);
  const own = entries.find((entry) => entry.number === number);
  if (!own) return null;
  const way =
    number <= head ? entries.reverse().map(({ inverse }) => inverse) : entries.slice(0, -1).map(({ change }) => change);
  let before = files;
  for (const change of way) {
    const applied = applyChange(before, change);
    if (!applied.ok) return null;
    before = applied.files;
  }
  return { change: own.change, before };
}
