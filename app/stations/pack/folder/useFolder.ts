/** The folder on disk of the open site, as it stands. */
import { useSyncExternalStore } from 'react';
import type { FolderStanding } from '../../../data/folder/standing';
import { useSite } from '../../../ui/site/openSite';

/** Null where the site has none. */
export function useFolder(): FolderStanding | null {
  const { folder } = useSite().site.session;
  return useSyncExternalStore(
    (changed) => folder.watch(changed),
    () => folder.standing,
  );
}
