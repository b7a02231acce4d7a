/**
 * The journal as something to look at: its entries in plain words, what each did, and names for points to go back to.
 */
import { applyChange, type Change, type FileContent } from '~core/site/index.ts';
import type { SiteRecord } from '../store/records';
import type { Store } from '../store/store';

export interface HistoryEntry {
  /** Counts from 1; 0 is the site as it came in. */
  number: number;
  /** Date and time; ms since 1970. */
  at: number;
  label: string;
  name: string | null;
}

/** All entries, the oldest first; what was undone stands above the head. */
export async function readHistory(store: Store, site: SiteRecord): Promise<HistoryEntry[]> {
  const entries = await store.readJournal(site.id);
  return [
    { number: 0, at: site.created, label: 'The site as imported', name: site.beginning ?? null },
    ...entries.map(({ number, at, change, name }) => ({ number, at, label: change.label, name: name ?? null })),
  ];
}

/** What would be undone and redone next. */
export async function journalLabels(
  store: Store,
  { id, head }: SiteRecord,
): Promise<{ undo: string | null; redo: string | null }> {
  const entries = await store.readJournal(id, { from: head, to: head + 1 });
  const labelAt = (number: number) => entries.find((entry) => entry.number === number)?.change.label ?? null;
  return { undo: labelAt(head), redo: labelAt(head + 1) };
}

/** An entry's change with the files as they were before it: the journal is walked from the head to there on a copy. */
export async function entryWithFiles(
  store: Store,
  { id, head }: SiteRecord,
  number: number,
  files: ReadonlyMap<string, FileContent>,
): Promise<{ change: Change; before: ReadonlyMap<string, FileContent> } | null> {
  const done = number <= head;
  const entries = await store.readJournal(id, done ? { from: number, to: head } : { from: head + 1, to: number });
  const own = entries.find((entry) => entry.number === number);
  if (!own) return null;
  const way = done ? entries.reverse().map(({ inverse }) => inverse) : entries.slice(0, -1).map(({ change }) => change);
  let before = files;
  for (const change of way) {
    const applied = applyChange(before, change);
    if (!applied.ok) return null;
    before = applied.files;
  }
  return { change: own.change, before };
}
