/** An item of a gallery by the name of its strand. */
import type { Gallery, GalleryItem, PageDocument } from '../markup/index.ts';
import type { PageReading, SiteReading, Strand } from '../model/index.ts';

export interface FoundItem {
  page: PageReading;
  gallery: Gallery;
  item: GalleryItem;
  strand: Strand;
}

export function itemOf(site: SiteReading, id: string): FoundItem | null {
  for (const page of site.pages) {
    const strand = page.strands.flat().find((one) => one.id === id);
    const gallery = strand && page.galleries[strand.gallery];
    const item = strand && gallery?.items[strand.item];
    if (strand && gallery && item) return { page, gallery, item, strand };
  }
  return null;
}

/** Why words alone may not be written into a caption: what its author has set in it would go. Null where they may. */
export function markupIn(page: PageDocument, { caption }: GalleryItem): string | null {
  if (!caption) return null;
  const { start, end } = caption.range;
  const comment = /<!--/.exec(page.text.slice(start, end)) && 'a comment';
  if (caption.plain && !comment) return null;
  const tag = /<[a-z][^>]*>/i.exec(page.text.slice(start, end))?.[0] ?? comment ?? 'markup';
  return `This caption has ${tag} in it, which plain text would remove. Write it in the source, line ${page.lines.lineAt(start)}.`;
}

export const GALLERY_GONE = 'This gallery is no longer at this place; the page has changed meanwhile.';

export interface GalleryPlace {
  page: string;
  gallery: number;
}

export interface FoundGallery {
  page: PageReading;
  gallery: Gallery;
  strands: readonly Strand[];
}

export function galleryAt(site: SiteReading, { page: path, gallery: n }: GalleryPlace): FoundGallery | null {
  const page = site.pages.find((one) => one.path === path);
  const gallery = page?.galleries[n];
  return page && gallery ? { page, gallery, strands: page.strands[n] ?? [] } : null;
}
