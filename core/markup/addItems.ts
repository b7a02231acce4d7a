/** New items, written as a neighbour is written and put where the author would put them. */
import { applyEdits, type Edit, type Edited, firstOf, known, lastOf, refuse, type Result } from '../site/index.ts';
import { parsePage, placeOf, type PageDocument, type PageElement } from './document.ts';
import { separatorElsewhere } from './elsewhere.ts';
import { fixedSizeOf, sizedLike } from './fixedSize.ts';
import { galleriesOf, type Gallery, type GalleryItem } from './galleries.ts';
import { appendedWithPartners, besideWithPartners, cutWithPartners, endOf } from './partners.ts';
import { partsIn } from './parts.ts';
import { type Pattern, patternOf } from './pattern.ts';
import { SEPARATOR } from './units.ts';
import { slotsOf, valuesOf, writeBy, type NewItem } from './write.ts';
import { withAttribute } from './firstTag.ts';
import { verified } from './verify.ts';
import { fenced, addresses, holds, type Reads } from './items.ts';

/**
 * Writes new items as a neighbour is written: behind the last one, or so that the first of them comes to place `at`.
 */
export function addItems(
  page: PageDocument,
  gallery: Gallery,
  added: readonly NewItem[],
  at = gallery.items.length,
  reads: Reads = galleriesOf,
): Edited {
  const reason = fenced(page, gallery);
  if (reason) return refuse(reason);
  const pattern = patternOf(page, gallery);
  const { items } = gallery;
  const neighbour = items[Math.min(at, items.length) - 1] ?? items[0];
  if (!pattern || !neighbour) return refuse('No item here holds a picture, so there is no pattern to write by.');
  const fixed = fixedSizeOf(items);
  const written = added.map((item, n) => {
    const own = valuesOf(sizedLike(fixed, item), Math.min(at, items.length) + n + 1);
    const text = writeBy(pattern.forNew, new Map([...freshValues(pattern, item), ...own]));
    const { attribute } = item;
    return (attribute && withAttribute(text, attribute.name, attribute.value)) ?? text;
  });
  const before = addresses(gallery);
  const wanted = [...before.slice(0, at), ...added.map(({ src }) => src), ...before.slice(at)];
  const separator = separatorOf(page, gallery);
  const partnered = { cells: written, captions: added.map(({ caption }) => caption), separator };
  const edits = (): Edit[] => {
    if (neighbour.partner)
      return at >= items.length
        ? appendedWithPartners(page, items, partnered)
        : besideWithPartners(page, neighbour, partnered, at === 0);
    if (at >= items.length) return appended(page, gallery, separator, written);
    if (at > 0) return [insertion(neighbour, separator, written)];
    const { start } = neighbour.unit;
    return [{ start, end: start, text: written.map((text) => text + separator).join('') }];
  };
  const own = addedElsewhere(page, gallery, added, at);
  return verified(
    page,
    [...edits(), ...own],
    (after) => holds(after, wanted, reads) ?? belongs(after, wanted, neighbour),
  );
}

/** What each picture of a gallery has elsewhere, for the new ones, written as that of the others is. */
function addedElsewhere(page: PageDocument, gallery: Gallery, added: readonly NewItem[], at: number): Edit[] {
  const { items } = gallery;
  return firstOf(items).elsewhere.flatMap((_, list): Edit[] => {
    const elements = items.flatMap(({ elsewhere }) => elsewhere[list] ?? []);
    const alone = { container: gallery.container, items: items.map((item, n) => aloneOf(page, item, elements[n])) };
    const pattern = patternOf(page, alone);
    const neighbour = elements[Math.max(0, at - 1)];
    if (!pattern || !neighbour) return [];
    const separator = separatorElsewhere(page, elements);
    const texts = added.map((item, n) => {
      const shown = alone.items[0]?.image ? { ...item, src: item.href } : item;
      return writeBy(pattern.forNew, new Map([...freshValues(pattern, shown), ...valuesOf(shown, at + n + 1)]));
    });
    const { start, end } = placeOf(neighbour);
    return at === 0
      ? [{ start, end: start, text: texts.map((text) => text + separator).join('') }]
      : [{ start: end, end, text: texts.map((text) => separator + text).join('') }];
  });
}

/** What stands elsewhere, as an item by itself: what shows no picture is named after those of its item. */
function aloneOf(page: PageDocument, item: GalleryItem, element: PageElement | undefined): GalleryItem {
  if (!element) return item;
  const range = placeOf(element);
  const parts = partsIn(page, { elements: [element], range });
  const own = parts.source ? { ...parts, target: null } : { ...item, image: null, link: null, caption: null };
  return { ...own, range, unit: range, elements: [element], partner: null, elsewhere: [] };
}

/** A new picture must have its own elsewhere as the others have, by a name that nothing else has. */
function belongs(after: PageDocument, wanted: readonly string[], { elsewhere }: GalleryItem): string | null {
  if (elsewhere.length === 0) return null;
  const found = galleriesOf(after).find((one) => addresses(one).join('\n') === wanted.join('\n'));
  return found?.items.every((item) => item.elsewhere.length === elsewhere.length)
    ? null
    : 'each picture here leads to a part of its own elsewhere on the page, and what that of the new one would be called cannot be told; add it after the last one, or in the source';
}

/** Slots whose attribute is left out where nothing is known: empty, it would say something. */
const UNKNOWN_LEFT_OUT = new Set(['width', 'height', 'alt']);

/** Attributes that say what is to be seen. */
const SAYS_WHAT = /caption|title|label|desc|alt|text/;
/** Attributes that mean something else, or something wrong, where they are empty. */
const NEVER_EMPTY = /^(?:id|name|for|href|sizes|aria-.*|on.*|poster|src|srcset|.*:href)$/;

/**
 * What a new item has in the places that are the author's own: words where others have words, nothing where nobody
 * can say what would stand there.
 */
export function freshValues(
  { forNew, free }: Pick<Pattern, 'forNew' | 'free'>,
  { caption, title, alt }: NewItem,
): [string, string][] {
  const words = caption || title || (alt ?? '');
  return slotsOf(forNew).flatMap((slot): [string, string][] => {
    const place = free.get(slot);
    if (!place) return UNKNOWN_LEFT_OUT.has(slot) ? [] : [[slot, '']];
    if (!('attribute' in place)) return [[slot, '']];
    if (words !== '' && SAYS_WHAT.test(place.attribute)) return [[slot, words]];
    return NEVER_EMPTY.test(place.attribute) ? [] : [[slot, '']];
  });
}

/** New items written as those of a gallery are, with the author's separators between them and none around. */
export function freshItems(page: PageDocument, gallery: Gallery, items: readonly NewItem[]): Result<{ text: string }> {
  if (gallery.items.some(({ elsewhere }) => elsewhere.length > 0))
    return refuse(
      'Each picture of this gallery leads to a part of its own elsewhere on its page; another gallery like it has to be written in the source.',
    );
  // Written behind the last and cut out again, so that the separators are the author's.
  const added = addItems(page, gallery, items);
  if (!added.ok) return added;
  const together = applyEdits(page.text, added.edits);
  if (!together.ok) return together;
  const after = parsePage(together.text, page.units);
  const start = firstOf(gallery.items).range.start;
  const fresh = galleriesOf(after).find(
    ({ items: there }) => there.length === gallery.items.length + items.length && there[0]?.range.start === start,
  );
  if (!fresh) return refuse(OTHERWISE);
  const all = { page: after, items: fresh.items, from: gallery.items.length };
  const {
    page: alone,
    items: there,
    from,
  } = fresh.items[0]?.partner ? (withoutOld(after, fresh, all.from) ?? all) : all;
  const first = there[from];
  return first
    ? { ok: true, text: alone.text.slice(first.unit.start, endOf(alone, lastOf(there))) }
    : refuse(OTHERWISE);
}

const OTHERWISE = 'The new gallery would be read otherwise than meant.';

/** Where captions stand in rows of their own, those of the old items stand between the new items and their captions. */
function withoutOld(
  page: PageDocument,
  gallery: Gallery,
  old: number,
): { page: PageDocument; items: GalleryItem[]; from: number } | null {
  const gone = cutWithPartners(page, gallery.items, [...gallery.items.keys()].slice(0, old));
  const left = applyEdits(page.text, gone);
  const after = left.ok ? parsePage(left.text, page.units) : null;
  const wanted = addresses(gallery).slice(old).join('\n');
  const found = after && galleriesOf(after).find((one) => addresses(one).join('\n') === wanted);
  return after && found ? { page: after, items: found.items, from: 0 } : null;
}

const insertion = ({ range }: GalleryItem, separator: string, written: readonly string[]): Edit => ({
  start: range.end,
  end: range.end,
  text: written.map((text) => separator + text).join(''),
});

/** Behind the last item; where items stand in rows of one length, a full row is followed by a new one. */
function appended(page: PageDocument, gallery: Gallery, separator: string, written: readonly string[]): Edit[] {
  const rows = rowsOf(gallery);
  const lastItem = lastOf(gallery.items);
  const full = rows && Math.max(...rows.map(({ items }) => items.length));
  const last = rows?.at(-1);
  if (!rows || !full || !last?.element.range || !last.element.open || !last.element.close)
    return [insertion(lastItem, separator, written)];
  const room = full - last.items.length;
  const edits = room > 0 ? [insertion(lastItem, separator, written.slice(0, room))] : [];
  const before = known(rows.at(-2), 'row before the last');
  const between = before.element.range ? page.text.slice(before.element.range.end, last.element.range.start) : '';
  const [open, close] = [
    page.text.slice(last.element.range.start, firstOf(last.items).unit.start),
    page.text.slice(lastItem.unit.end, last.element.range.end),
  ];
  const more: string[] = [];
  for (let n = Math.max(0, room); n < written.length; n += full)
    more.push((between.trim() === '' ? between : '') + open + written.slice(n, n + full).join(separator) + close);
  if (more.length > 0) edits.push({ start: last.element.range.end, end: last.element.range.end, text: more.join('') });
  // With room left, both edits would begin at one place only where the row ends with its last item.
  return edits;
}

/** The rows of a gallery whose items stand in several elements of equal kind; null for any other. */
function rowsOf({ container, items }: Gallery): { element: PageElement; items: GalleryItem[] }[] | null {
  const rows: { element: PageElement; items: GalleryItem[] }[] = [];
  for (const item of items) {
    const element = item.elements[0]?.parent;
    if (!element || element === container) return null;
    const row = rows.at(-1);
    if (row?.element === element) row.items.push(item);
    else rows.push({ element, items: [item] });
  }
  const full = Math.max(...rows.map((row) => row.items.length));
  return rows.length > 1 && rows.slice(0, -1).every((row) => row.items.length === full) ? rows : null;
}

/** What stands between two items most often; a new line with the same indentation where there is only one. */
export function separatorOf(page: PageDocument, { items }: Gallery): string {
  const counts = new Map<string, number>();
  for (const [n, item] of items.entries()) {
    const next = items[n + 1];
    const between = next ? page.text.slice(item.range.end, next.unit.start) : '';
    if (next && SEPARATOR.test(between)) counts.set(between, (counts.get(between) ?? 0) + 1);
  }
  const common = [...counts].sort((a, b) => b[1] - a[1])[0]?.[0];
  if (common !== undefined) return common;
  const start = items.at(-1)?.range.start ?? 0;
  const indent = /[ \t]*$/.exec(page.text.slice(page.text.lastIndexOf('\n', start - 1) + 1, start))?.[0] ?? '';
  return (page.text.includes('\r\n') ? '\r\n' : '\n') + indent;
}
