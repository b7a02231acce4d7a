/** Where pictures can be written: every gallery of every page, and pages that have none yet. */
import type { PageView } from '~core/view/index.ts';

interface Target {
  page: string;
  /** Null writes a first gallery. */
  gallery: number | null;
  says: string;
}

/** A gallery of a page that has several is called after the heading above it; two of one heading by their numbers. */
export function sayGallery({ path, galleries }: PageView, gallery: number): string {
  if (galleries.length === 1) return path;
  const heading = galleries[gallery]?.heading ?? null;
  const isTold = heading !== null && galleries.filter((one) => one.heading === heading).length === 1;
  return `${path}, ${isTold ? `“${heading}”` : `gallery ${gallery + 1}`}`;
}

export const galleryTargets = (pages: readonly PageView[]): Target[] =>
  pages.flatMap((page): Target[] =>
    page.galleries.length === 0
      ? [{ page: page.path, gallery: null, says: `${page.path}, a first gallery` }]
      : page.galleries.map((_, n) => ({ page: page.path, gallery: n, says: sayGallery(page, n) })),
  );
