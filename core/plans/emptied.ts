/** Galleries that were emptied: remembered in the site's notes, and filled again in their place. */
import {
  firstGallery,
  isEmptied,
  type NewItem,
  parsePage,
  placeOfItems,
  refill,
  type Gallery,
} from '../markup/index.ts';
import { notesChange, type PageReading, type SiteReading } from '../model/index.ts';
import { applyChange, type Edited, type Planned, type SiteNotes } from '../site/index.ts';

type Emptied = SiteNotes['emptied'];

/** The plan of removing items; where none is left, with what is to be remembered of the gallery. */
export function rememberingEmptied(
  site: SiteReading,
  page: PageReading,
  gallery: Gallery,
  gone: number,
  planned: Planned,
): Planned {
  if (!planned.ok || gone < gallery.items.length) return planned;
  const place = placeOfItems(page.document, gallery);
  const applied = applyChange(site.files, planned.change);
  const after = applied.ok ? applied.files.get(page.path) : undefined;
  // Only where it can be found again.
  if (!place || after?.kind !== 'text' || !isEmptied(parsePage(after.text), place)) return planned;
  const emptied = [...othersThan(site.notes.known.emptied, page.path, place.at), { page: page.path, ...place }];
  const { change } = planned;
  return { ...planned, change: { ...change, files: [...change.files, ...notesChange(site, { emptied })] } };
}

const othersThan = (emptied: Emptied, page: string, at: readonly number[]): Emptied =>
  emptied.filter((one) => one.page !== page || one.at.join() !== at.join());

/** A first gallery on a page, or the one that was emptied there; with what is left to be remembered. */
export function galleryFor(
  site: SiteReading,
  page: PageReading,
  items: readonly NewItem[],
): { edited: Edited; notes: Partial<SiteNotes> } {
  const { emptied } = site.notes.known;
  const place = emptied.findLast((one) => one.page === page.path && isEmptied(page.document, one));
  if (!place) return { edited: firstGallery(page.document, items), notes: {} };
  return {
    edited: refill(page.document, place, items),
    notes: { emptied: othersThan(emptied, page.path, place.at) },
  };
}
