/** The order of pictures: how the list shows them, and a gallery's items put in that order. */
import { orderItems } from '../markup/index.ts';
import { changeNotes, takenAtOf, type SiteReading } from '../model/index.ts';
import { byNaturalName, folderOf, nameOf, planEdits, type Planned, refuse, type SiteNotes } from '../site/index.ts';
import { GALLERY_GONE, galleryAt } from './items.ts';

type Order = SiteNotes['order'];

const SAYS: Record<Order['by'], string> = { name: 'by name', taken: 'by date taken', hand: 'by hand' };

/** `hand` holds paths of full-size files; they are kept by content. */
export function setOrder(
  site: SiteReading,
  { by, hand }: { by: Order['by']; hand: readonly string[] | null },
): Planned {
  const hashes = hand?.flatMap((path) => hashOf(site, path) ?? []) ?? site.notes.known.order.hand;
  return changeNotes(site, `Order pictures ${SAYS[by]}`, { order: { by, hand: hashes } });
}

const hashOf = (site: SiteReading, path: string): string | null => {
  const content = site.files.get(path);
  return content?.kind === 'binary' ? content.hash : null;
};

/** Compares full-size files by the order that the site is in; what it says nothing of comes last, by name. */
export function byOrder(site: SiteReading): (a: string, b: string) => number {
  const { by, hand } = site.notes.known.order;
  const byName = (a: string, b: string) =>
    byNaturalName(folderOf(a), folderOf(b)) || byNaturalName(nameOf(a), nameOf(b));
  if (by === 'name') return byName;
  if (by === 'taken') {
    const taken = (path: string) =>
      takenAtOf(site.notes.known, hashOf(site, path) ?? '', site.factsOf(path), path) ?? '\uffff';
    return (a, b) => Number(taken(a) > taken(b)) - Number(taken(a) < taken(b)) || byName(a, b);
  }
  const places = new Map(hand.map((hash, n) => [hash, n]));
  const place = (path: string) => places.get(hashOf(site, path) ?? '') ?? Infinity;
  return (a, b) => {
    const [left, right] = [place(a), place(b)];
    return left === right ? byName(a, b) : left - right;
  };
}

/** Items whose picture is not of this site stay behind the others, in their own order. */
export function orderGallery(
  site: SiteReading,
  { page: path, gallery: n }: { page: string; gallery: number },
): Planned {
  const found = galleryAt(site, { page: path, gallery: n });
  if (!found) return refuse(GALLERY_GONE);
  const { page, gallery, strands } = found;
  const compare = byOrder(site);
  const order = strands
    .map((_, at) => at)
    .sort((a, b) => {
      const [left, right] = [strands[a]?.full ?? null, strands[b]?.full ?? null];
      if (left === null || right === null) return Number(left === null) - Number(right === null) || a - b;
      return compare(left, right) || a - b;
    });
  if (order.every((from, at) => from === at)) return refuse(`The gallery of ${path} is in this order already.`);
  return planEdits(`Reorder the gallery of ${path}`, path, orderItems(page.document, gallery, order));
}
