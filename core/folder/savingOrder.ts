/** In which order files are written, so that a stop in between leaves no page without what it shows. */
import { isPagePath } from '../site/index.ts';
import type { FolderFile } from './compare.ts';

/** What pages show, then pages, then what goes. */
const rankOf = ({ path, here }: Pick<FolderFile, 'path' | 'here'>): number => {
  if (here === null) return 2;
  return isPagePath(path) ? 1 : 0;
};

export const inSavingOrder = <One extends Pick<FolderFile, 'path' | 'here'>>(files: readonly One[]): One[] =>
  [...files].sort((a, b) => rankOf(a) - rankOf(b));
