/** A gallery whose items have all been removed keeps its place, its container and the way in which items are written. */
import { type Edited, firstOf, lastOf, refuse } from '../site/index.ts';
import { freshValues, separatorOf } from './addItems.ts';
import { type PageDocument, type PageElement, pathTo, valueOf } from './document.ts';
import { type FixedSize, fixedSizeOf, sizedLike } from './fixedSize.ts';
import { type Gallery, galleriesOf } from './galleries.ts';
import { addresses } from './items.ts';
import { type FreePlace, patternOf } from './pattern.ts';
import { type NewItem, valuesOf, writeBy } from './write.ts';
import { verified } from './verify.ts';

export interface EmptiedPlace {
  /** Child numbers of the container from `html`. */
  at: number[];
  tag: string;
  className: string;
  pattern: string;
  /** Slots that are the author's own, with the attribute in which each stands; null for text. */
  free: [slot: string, attribute: string | null][];
  /** White space before the first item, between two, and behind the last. */
  lead: string;
  separator: string;
  tail: string;
  /** The size that all items had. */
  size?: FixedSize | undefined;
}

const NO_SIZE: FixedSize = { width: null, height: null };

/** White space of a page is never longer (our own value, no source). Characters. */
const MOST_SPACE = 200;

/** Null where the items do not stand by themselves in their container, or nothing can be learnt from them. */
export function placeOfItems(page: PageDocument, gallery: Gallery): EmptiedPlace | null {
  const { container, items } = gallery;
  const pattern = patternOf(page, gallery);
  const alone = items.every(
    ({ elements, partner, elsewhere }) =>
      partner === null && elsewhere.length === 0 && elements.every(({ parent }) => parent === container),
  );
  if (!pattern || !alone || !container.open || !container.close) return null;
  const lead = page.text.slice(container.open.end, firstOf(items).unit.start);
  const tail = page.text.slice(lastOf(items).unit.end, container.close.start);
  const separator = separatorOf(page, gallery);
  if ([lead, tail].some((text) => text.trim() !== '') || lead.length + tail.length > MOST_SPACE) return null;
  return {
    at: pathTo(container),
    tag: container.tag,
    className: valueOf(container, 'class') ?? '',
    pattern: pattern.forNew,
    free: [...pattern.free].map(([slot, place]) => [slot, 'attribute' in place ? place.attribute : null]),
    lead,
    separator,
    tail,
    size: fixedSizeOf(items),
  };
}

/** How items of a gallery are written, once there is none to learn it from. */
type ItemsHand = Omit<EmptiedPlace, 'at' | 'tag' | 'className'>;

/** One item; `ordinal` counts from 1 and continues counters. */
export function itemBy({ pattern, free, size }: ItemsHand, item: NewItem, ordinal: number): string {
  const places = new Map<string, FreePlace>(
    free.map(([slot, attribute]) => [slot, attribute === null ? { element: 0, text: 0 } : { element: 0, attribute }]),
  );
  const own = valuesOf(sizedLike(size ?? NO_SIZE, item), ordinal);
  return writeBy(pattern, new Map([...freshValues({ forNew: pattern, free: places }, item), ...own]));
}

/** The container, if it is still there and empty. */
function containerAt(page: PageDocument, { at, tag, className }: EmptiedPlace): PageElement | null {
  let found: PageElement | undefined = page.elements[0];
  for (const n of at) found = found?.children[n];
  if (!found?.open || !found.close || found.tag !== tag || (valueOf(found, 'class') ?? '') !== className) return null;
  return page.text.slice(found.open.end, found.close.start).trim() === '' ? found : null;
}

export const isEmptied = (page: PageDocument, place: EmptiedPlace): boolean => containerAt(page, place) !== null;

/** Items written into the place as those were that stood there. */
export function refill(page: PageDocument, place: EmptiedPlace, items: readonly NewItem[]): Edited {
  const container = containerAt(page, place);
  if (!container?.open || !container.close) return refuse('The place of this gallery is no longer there.');
  const written = items.map((item, n) => itemBy(place, item, n + 1));
  const text = place.lead + written.join(place.separator) + place.tail;
  const wanted = items.map(({ src }) => src).join('\n');
  return verified(page, [{ start: container.open.end, end: container.close.start, text }], (after) => {
    // Of a single item nobody can say whether it is a gallery.
    const found = items.length < 2 || galleriesOf(after).some((one) => addresses(one).join('\n') === wanted);
    return found ? null : 'the page would be read otherwise than meant';
  });
}
