/** Copies of twice the size offered to dense screens by `srcset` (WHATWG HTML §4.8.4.2.1: density descriptors). */
import { editAttribute, valueOf, type GalleryItem, type PageDocument } from '../markup/index.ts';
import { densePath, type PageReading, type SiteReading } from '../model/index.ts';
import { type Edited, planEdits, type Planned, refuse, relativeReference } from '../site/index.ts';

interface DenseOffer {
  item: GalleryItem;
  srcset: string;
}

/** Items whose thumbnail has a dense copy that the page does not offer yet. */
export function denseOffers(site: SiteReading, page: PageReading): DenseOffer[] {
  return page.galleries.flatMap((gallery, g) =>
    gallery.items.flatMap((item, n): DenseOffer[] => {
      const thumbnail = page.strands[g]?.[n]?.thumbnail;
      const { image } = item;
      if (!thumbnail || !image || !site.files.has(densePath(thumbnail)) || valueOf(image, 'srcset') !== undefined)
        return [];
      return [
        { item, srcset: `${valueOf(image, 'src') ?? ''} 1x, ${relativeReference(page.base, densePath(thumbnail))} 2x` },
      ];
    }),
  );
}

export function setSources(site: SiteReading, { page: path }: { page: string }): Planned {
  const page = site.pages.find((one) => one.path === path);
  if (!page) return refuse(`There is no ${path} any more.`);
  const offers = denseOffers(site, page);
  if (offers.length === 0)
    return refuse(`Every thumbnail of ${path} that has a copy of twice the size offers it already.`);
  const edits = offers.map(({ item, srcset }) => sourceEdit(page.document, item, srcset));
  const failed = edits.find((one) => !one.ok);
  if (failed && !failed.ok) return failed;
  return planEdits(
    `Offer ${offers.length} thumbnail${offers.length === 1 ? '' : 's'} of ${path} at twice the size`,
    path,
    { ok: true, edits: edits.flatMap((one) => (one.ok ? one.edits : [])) },
  );
}

const sourceEdit = (document: PageDocument, { image }: GalleryItem, srcset: string): Edited =>
  image ? editAttribute(document, image, 'srcset', srcset) : { ok: true, edits: [] };
