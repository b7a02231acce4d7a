/** What rehearsals of the open site's pages have found; it follows each rehearsal. */
import { useSyncExternalStore } from 'react';
import type { FindingView } from '~core/view/index.ts';
import { useSite } from './openSite';

export function useRehearsed(): readonly FindingView[] {
  const { rehearsals } = useSite().site.session;
  return useSyncExternalStore(
    rehearsals.watch,
    () => rehearsals.findings,
    () => rehearsals.findings,
  );
}
