/** What leaves of the open site, and what of it has changed since it left before. */
import { useMemo, useState, useSyncExternalStore } from 'react';
import { changedSince, type Leaving, type SinceFile } from '~core/pack/index.ts';
import type { HandOver } from '../../../data/handOvers';
import { leavingOf } from '../../../data/leaving';
import { useSite } from '../../../ui/site/openSite';

export interface Upload {
  leaving: Leaving;
  /** The latest first. */
  handOvers: readonly HandOver[];
  /** What is compared with; null where nothing has left yet. */
  before: HandOver | null;
  /** Null compares with the latest. */
  compareWith: (at: number | null) => void;
  since: readonly SinceFile[];
}

export function useUpload(leftOut: ReadonlySet<string>): Upload {
  const { session, view, files } = useSite().site;
  const { handOvers: kept } = session;
  const handOvers = useSyncExternalStore(kept.watch, () => kept.all);
  const [at, compareWith] = useState<number | null>(null);
  const before = handOvers.find((one) => one.at === at) ?? handOvers[0] ?? null;
  const leaving = useMemo(() => leavingOf(files, view, leftOut), [files, view, leftOut]);
  const since = useMemo(() => (before ? changedSince(leaving, before.files) : []), [leaving, before]);
  return { leaving, handOvers, before, compareWith, since };
}
