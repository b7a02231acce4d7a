/** Where pictures can be written: every gallery of every page, and pages that have none yet. */
import type { PageView } from '~core/view/index.ts';

interface Target {
  page: string;
  /** Null writes a first gallery. */
  gallery: number | null;
  says: string;
}

export const galleryTargets = (pages: readonly PageView[]): Target[] =>
  pages.flatMap(({ path, galleries }): Target[] =>
    galleries.length === 0
      ? [{ page: path, gallery: null, says: `${path}, a first gallery` }]
      : galleries.map((_, n) => ({
          page: path,
          gallery: n,
          says: galleries.length > 1 ? `${path}, gallery ${n + 1}` : path,
        })),
  );
