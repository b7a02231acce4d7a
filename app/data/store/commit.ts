/**
 * What a transaction on a site's journal comes to, worked out without a store: each implementation writes it down in
 * its own way.
 */
import { applyChange, refuse, type Change, type FileContent, type Result } from '~core/site/index.ts';
import type { JournalRecord, SiteRecord } from './records';
import type { Files } from './store';

/** What to do: a new change, or a step through those that are there. */
export type JournalStep = { do: 'write'; change: Change } | { do: 'undo' } | { do: 'redo' };

/** All of it is written, or nothing. */
type Commit = Result<{
  change: Change;
  site: SiteRecord;
  files: Map<string, FileContent | null>;
  /** A new entry; those with its number and above are given up. */
  entry: JournalRecord | null;
  /** ms since 1970 */
  at: number;
}>;

export const SITE_GONE = 'This site is no longer in the store; another tab may have removed it.';

/** The entry of the journal that a step needs; null where it needs none. */
export function neededEntry({ head }: SiteRecord, step: JournalStep): number | null {
  if (step.do === 'write') return null;
  return step.do === 'undo' ? head : head + 1;
}

export function changeOf(step: JournalStep, entry: JournalRecord | undefined): Result<{ change: Change }> {
  if (step.do === 'write') return { ok: true, change: step.change };
  if (!entry) return refuse(`There is nothing to ${step.do}.`);
  return { ok: true, change: step.do === 'undo' ? entry.inverse : entry.change };
}

/** The paths of whose contents a change has to know. */
export const pathsOf = ({ files }: Change): Set<string> =>
  new Set(files.flatMap((file) => (file.kind === 'rename' ? [file.path, file.to] : [file.path])));

/** `current` holds what stands at {@link pathsOf}. */
export function commitOf(site: SiteRecord, step: JournalStep, change: Change, current: Files, at: number): Commit {
  const applied = applyChange(current, change);
  if (!applied.ok) return applied;
  const files = new Map([...pathsOf(change)].map((path) => [path, applied.files.get(path) ?? null]));
  if (step.do !== 'write') {
    const head = site.head + (step.do === 'undo' ? -1 : 1);
    return { ok: true, change, files, entry: null, at, site: { ...site, head, changed: at } };
  }
  const number = site.head + 1;
  const entry = { siteId: site.id, number, at, change, inverse: applied.inverse };
  return { ok: true, change, files, entry, at, site: { ...site, head: number, last: number, changed: at } };
}

/** A record under another name; null takes it away. */
export function renamed<Key extends 'name' | 'beginning', T extends { [K in Key]?: string }>(
  record: T,
  key: Key,
  name: string | null,
): T {
  const next = { ...record };
  delete next[key];
  return name === null ? next : { ...next, [key]: name };
}

/** The hashes of contents that a journal entry needs, forwards or back. */
export const hashesIn = ({ change, inverse }: JournalRecord): string[] =>
  [...change.files, ...inverse.files].flatMap((file) =>
    file.kind === 'put'
      ? [file.before, file.after].flatMap((content) => (content?.kind === 'binary' ? [content.hash] : []))
      : [],
  );

/** A site whose previewed pages may ask for outside addresses, or may not. */
export function withOutside({ outside: _before, ...site }: SiteRecord, allowed: boolean): SiteRecord {
  return allowed ? { ...site, outside: true } : site;
}
