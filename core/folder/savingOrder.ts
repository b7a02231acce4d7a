/** In which order files are written, so that a stop in between leaves no page without what it shows. */
import { isPagePath } from '../site/index.ts';
/** `here` is what is written; null where the file goes. */
interface Saved {
  path: string;
  here: unknown;
}

/**
 * What pages show, then pages, then what goes. A name that goes for one of other capitals goes first: a file system
 * that knows no capitals has one file for both.
 */
export function inSavingOrder<One extends Saved>(files: readonly One[]): One[] {
  const written = new Set(files.flatMap(({ path, here }) => (here === null ? [] : [path.toLowerCase()])));
  const rankOf = ({ path, here }: Saved): number => {
    if (here === null) return written.has(path.toLowerCase()) ? 0 : 3;
    return isPagePath(path) ? 2 : 1;
  };
  return [...files].sort((a, b) => rankOf(a) - rankOf(b));
}
