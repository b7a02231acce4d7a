/** What those who work on an open site share. */
import type { FileContent, NotDone, Result } from '~core/site/index.ts';
import type { SiteRecord } from '../store/records';
import type { Gone, Store } from '../store/store';
import type { FileDiff } from './diffs';

/**
 * Why a site is only shown: another tab writes to it, the store was cleared or taken over by a newer version of the
 * program, or such a version wrote it.
 */
export type Shut = 'other tab' | Gone | 'newer';

export interface SharedSite {
  readonly store: Store;
  readonly files: Map<string, FileContent>;
  site: SiteRecord;
  /** Null where it may be changed. */
  shut: Shut | null;
  readonly leaving: AbortSignal;
}

/** What came of work, for whoever asked for it. */
export type Outcome = Result<
  {
    label: string;
    diffs: FileDiff[];
    /** Not by undoing the last change. */
    undoable?: false;
  } & NotDone
>;

/** What an outcome says to whoever waited for it; null before there is one. */
export function saysOf(outcome: Outcome | null): string | null {
  if (outcome === null) return null;
  return outcome.ok ? outcome.label : outcome.reason;
}
