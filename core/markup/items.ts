/**
 * Work on the items of a gallery. Each operation answers with the smallest edits, or with the reason why it refuses.
 * Before it answers, the edited text is parsed again and compared with what was meant.
 */
import { applyEdits, type Edit, type Edited, refuse, type Result } from '../site/index.ts';
import { attributeOf, parsePage, type PageDocument, type PageElement, type Range } from './document.ts';
import { encodeMarkup, removeAttribute, setAttribute } from './encode.ts';
import { galleriesOf, type Gallery, type GalleryItem } from './galleries.ts';
import { hazardIn, hazardsOf } from './hazards.ts';
import { patternOf } from './pattern.ts';
import { SEPARATOR } from './units.ts';
import { slotsOf, valuesOf, writeBy, type NewItem } from './write.ts';

/** Parses the outcome and hands it to `expected`, which says what is wrong with it, or null. */
export function verified(page: PageDocument, edits: Edit[], expected: (after: PageDocument) => string | null): Edited {
  const applied = applyEdits(page.text, edits);
  if (!applied.ok) return refuse(applied.reason);
  const wrong = expected(parsePage(applied.text, page.units));
  return wrong === null ? { ok: true, edits } : refuse(`The change was not made: ${wrong}.`);
}

/** Edits after which the page has the same elements, but for so many more; anything else would be read otherwise than meant. */
export const verifiedSameShape = (page: PageDocument, edits: Edit[], more = 0): Edited =>
  verified(page, edits, (after) => (after.elements.length === page.elements.length + more ? null : OTHER_ELEMENTS));

const OTHER_ELEMENTS = 'other elements would appear or vanish';

/** An attribute set on one element; everything else in the page must parse as before. */
export function editAttribute(page: PageDocument, element: PageElement, name: string, value: string): Edited {
  return editAttributes(page, [{ element, name, value }]);
}

export interface AttributeWish {
  element: PageElement;
  name: string;
  /** Null takes it away. */
  value: string | null;
}

/** Attributes set and taken away on many elements at once. */
export function editAttributes(page: PageDocument, wishes: readonly AttributeWish[]): Edited {
  const edits = wishes.flatMap(({ element, name, value }): Edit[] => {
    const existing = attributeOf(element, name);
    if (value === null) return existing ? [removeAttribute(existing, page.text)] : [];
    const edit = setAttribute(element, name, value, page.text);
    return edit ? [edit] : [];
  });
  if (edits.length === 0) return { ok: true, edits };
  const wanted = new Map<number, Map<string, string | null>>();
  for (const { element, name, value } of wishes)
    wanted.set(element.index, (wanted.get(element.index) ?? new Map<string, string | null>()).set(name, value));
  return verified(page, edits, (after) => sameBut(page, after, wanted));
}

/** What differs between two parses beyond the attributes that were meant to, by the number of the element; null where nothing does. */
export function sameBut(
  before: PageDocument,
  after: PageDocument,
  wishes: ReadonlyMap<number, ReadonlyMap<string, string | null>>,
): string | null {
  if (before.elements.length !== after.elements.length) return OTHER_ELEMENTS;
  for (const [n, element] of before.elements.entries()) {
    const twin = after.elements[n];
    if (!twin || twin.tag !== element.tag) return `<${element.tag}> would become something else`;
    const wanted = new Map(element.attributes.map((attribute) => [attribute.name, attribute.value]));
    for (const [name, value] of wishes.get(n) ?? []) {
      if (value === null) wanted.delete(name);
      else wanted.set(name, value);
    }
    if (twin.attributes.length !== wanted.size) return `the attributes of <${element.tag}> would change`;
    for (const attribute of twin.attributes)
      if (wanted.get(attribute.name) !== attribute.value) return `${attribute.name} of <${element.tag}> would change`;
  }
  return null;
}

export function setAlt(page: PageDocument, item: GalleryItem, alt: string): Edited {
  return item.image
    ? editAttribute(page, item.image, 'alt', alt)
    : refuse('This item has no image tag to carry an alt text.');
}

/** Sets the caption where the item has a place for it. The inner markup of a caption is replaced by the text. */
export function setCaption(page: PageDocument, item: GalleryItem, caption: string): Edited {
  if (!item.caption) return refuse('This item has no element for a caption; write one in the source first.');
  const edit = captionEdit(page, item.caption.range, caption);
  if (edit.text === page.text.slice(edit.start, edit.end)) return { ok: true, edits: [] };
  // Loose text that is emptied is gone for good: nothing would say where it stood.
  if (item.caption.element === null && caption.trim() === '')
    return refuse(
      'This caption has no element of its own; emptied, it could not be set again. Remove it in the source.',
    );
  return verified(page, [edit], (after) =>
    after.elements.length + (item.caption?.plain === false ? page.elements.length : 0) >= page.elements.length
      ? sameAround(page, after, edit)
      : 'other elements would vanish',
  );
}

function captionEdit(page: PageDocument, range: Range, caption: string): Edit {
  const inside = page.text.slice(range.start, range.end);
  const lead = /^\s*/.exec(inside)?.[0] ?? '';
  const tail = inside.trim() === '' ? '' : (/\s*$/.exec(inside)?.[0] ?? '');
  return { ...range, text: lead + encodeMarkup(caption) + tail };
}

/** Elements outside of an edited range must parse as they did. */
function sameAround(before: PageDocument, after: PageDocument, { start, end, text }: Edit): string | null {
  const shift = text.length - (end - start);
  const outside = (page: PageDocument, to: number) =>
    page.elements.flatMap(({ tag, range }) =>
      range && (range.start < start || range.start >= to)
        ? [`${tag} ${range.start >= to ? range.start - (to - end) : range.start}`]
        : [],
    );
  const [was, is] = [outside(before, end), outside(after, end + shift)];
  return was.join('\n') === is.join('\n') ? null : 'other elements would be read otherwise';
}

/** Slots that can be set on an item that is there; any other attribute is set on the link or the image by name. */
export type SettableSlot = 'thumbnail' | 'full' | 'alt' | 'title' | 'caption' | 'width' | 'height';

export function setSlot(page: PageDocument, item: GalleryItem, slot: SettableSlot, value: string): Edited {
  if (slot === 'caption') return setCaption(page, item, value);
  if (slot === 'thumbnail' || slot === 'full') {
    const place = slot === 'thumbnail' ? item.source : item.target;
    if (!place)
      return refuse(slot === 'full' ? 'This item has no link to carry the address.' : 'This item shows no picture.');
    if (place.range === place.attribute.valueRange)
      return editAttribute(page, place.element, place.attribute.name, value);
    const address = value.replace(/[()'"\s&<>]/g, (letter) => `%${letter.charCodeAt(0).toString(16)}`);
    return verifiedSameShape(page, [{ ...place.range, text: address }]);
  }
  const holder = slot === 'alt' ? item.image : holderOf(item, slot);
  return holder ? editAttribute(page, holder, slot, value) : refuse('This item has no image tag.');
}

/** Which element carries an attribute slot of an item, or would. */
export const holderOf = (item: GalleryItem, slot: 'title' | 'width' | 'height'): PageElement | null =>
  slot === 'title' && !(item.image && attributeOf(item.image, 'title')) ? (item.link ?? item.image) : item.image;

/** An attribute put on every link of a gallery, or taken away from all; items without a link are passed over. */
export function setOnLinks(page: PageDocument, gallery: Gallery, name: string, value: string | null): Edited {
  if (!/^[^\s"'<>/=\u0000-\u001f]+$/.test(name)) return refuse(`“${name}” cannot be the name of an attribute.`); // eslint-disable-line no-control-regex -- control characters are what the specification excludes
  const links = gallery.items.flatMap(({ link }) => (link?.open ? [link] : []));
  if (links.length === 0) return refuse('No item here has a link.');
  return editAttributes(
    page,
    links.map((element) => ({ element, name: name.toLowerCase(), value })),
  );
}

/** Structure is only changed where source and tree agree. */
export function fenced(page: PageDocument, gallery: Gallery): string | null {
  const first = gallery.items[0];
  const last = gallery.items.at(-1);
  if (!first || !last) return 'The gallery has no items.';
  const hazard = hazardIn(hazardsOf(page), { start: first.unit.start, end: last.unit.end });
  if (!hazard) return null;
  return `Line ${page.lines.lineAt(hazard.range.start)}: ${hazard.says}. Mend this first; until then items cannot be added, moved or removed here.`;
}

export const removeItem = (page: PageDocument, gallery: Gallery, n: number): Edited => removeItems(page, gallery, [n]);

/** Items go with the separators that stood between them and what stays. */
export function removeItems(page: PageDocument, gallery: Gallery, places: readonly number[]): Edited {
  const reason = fenced(page, gallery);
  if (reason) return refuse(reason);
  const gone = [...new Set(places)].sort((a, b) => a - b);
  if (gone.length === 0 || gone.some((n) => !gallery.items[n])) return refuse('There is no such item any more.');
  const edits: Edit[] = [];
  for (let n = 0; n < gone.length;) {
    let last = n;
    while (gone[last + 1] === gone[last]! + 1) last++;
    edits.push({ ...cutOf(page.text, gallery, gone[n]!, gone[last]!), text: '' });
    n = last + 1;
  }
  const left = addresses(gallery).filter((_, i) => !gone.includes(i));
  return verified(page, edits, (after) => holds(after, left));
}

function cutOf(text: string, { items }: Gallery, first: number, last: number): Range {
  const { start } = items[first]!.unit;
  const { end } = items[last]!.unit;
  const previous = items[first - 1]?.unit.end;
  const next = items[last + 1]?.unit.start;
  let cut: Range = { start, end };
  // The separator goes with the item: the one before it or, for the first one, the one after it.
  if (previous !== undefined && SEPARATOR.test(text.slice(previous, start))) cut = { start: previous, end };
  else if (next !== undefined && SEPARATOR.test(text.slice(end, next))) cut = { start, end: next };
  else if (/^\s*$/.test(text.slice(text.lastIndexOf('\n', start - 1) + 1, start)))
    cut = { start: Math.max(0, text.lastIndexOf('\n', start - 1)), end };
  if (text[cut.start - 1] === '\r' && text[cut.start] === '\n') cut.start--;
  return cut;
}

/** Moves item `from` to place `to`. Items change places, the separators between them stay. */
export const moveItem = (page: PageDocument, gallery: Gallery, from: number, to: number): Edited =>
  moveItems(page, gallery, [from], to);

/** Moves several, in their order, so that the first of them comes to place `to`. */
export function moveItems(page: PageDocument, gallery: Gallery, places: readonly number[], to: number): Edited {
  const moved = [...new Set(places)].sort((a, b) => a - b);
  if (moved.length === 0 || moved.some((n) => !gallery.items[n]) || !gallery.items[to])
    return refuse('There is no such place in the gallery.');
  const order = gallery.items.map((_, n) => n).filter((n) => !moved.includes(n));
  order.splice(to, 0, ...moved);
  return orderItems(page, gallery, order);
}

/** Puts the items in another order: `order[place]` is the number of the item that goes there. */
export function orderItems(page: PageDocument, gallery: Gallery, order: readonly number[]): Edited {
  const reason = fenced(page, gallery);
  if (reason) return refuse(reason);
  const { items } = gallery;
  if (order.length !== items.length || new Set(order).size !== items.length || order.some((n) => !items[n]))
    return refuse('The gallery has other items than were put in order.');
  const edits: Edit[] = [];
  for (const [place, source] of order.entries()) {
    const here = items[place];
    const moved = items[source];
    if (place !== source && here && moved)
      edits.push({ ...here.unit, text: page.text.slice(moved.unit.start, moved.unit.end) });
  }
  const all = addresses(gallery);
  return verified(page, edits, (after) =>
    holds(
      after,
      order.map((n) => all[n] ?? ''),
    ),
  );
}

/** Writes new items as a neighbour is written: behind the last one, or so that the first of them comes to place `at`. */
export function addItems(
  page: PageDocument,
  gallery: Gallery,
  added: readonly NewItem[],
  at = gallery.items.length,
): Edited {
  const reason = fenced(page, gallery);
  if (reason) return refuse(reason);
  const pattern = patternOf(page, gallery);
  const { items } = gallery;
  const neighbour = items[Math.min(at, items.length) - 1] ?? items[0];
  if (!pattern || !neighbour) return refuse('No item here holds a picture, so there is no pattern to write by.');
  const blank = slotsOf(pattern.forNew).filter((slot) => slot !== 'width' && slot !== 'height');
  const written = added.map((item, n) =>
    writeBy(
      pattern.forNew,
      new Map([...blank.map((slot) => [slot, ''] as const), ...valuesOf(item, Math.min(at, items.length) + n + 1)]),
    ),
  );
  const before = addresses(gallery);
  const wanted = [...before.slice(0, at), ...added.map(({ src }) => src), ...before.slice(at)];
  const separator = separatorOf(page, gallery);
  const edits =
    at <= 0
      ? [
          {
            start: neighbour.unit.start,
            end: neighbour.unit.start,
            text: written.map((text) => text + separator).join(''),
          },
        ]
      : at < items.length
        ? [insertion(neighbour, separator, written)]
        : appended(page, gallery, separator, written);
  return verified(page, edits, (after) => holds(after, wanted));
}

/** New items written as those of a gallery are, with the author's separators between them and none around. */
export function freshItems(page: PageDocument, gallery: Gallery, items: readonly NewItem[]): Result<{ text: string }> {
  // Written behind the last and cut out again, so that the separators are the author's.
  const added = addItems(page, gallery, items);
  if (!added.ok) return added;
  const together = applyEdits(page.text, added.edits);
  if (!together.ok) return together;
  const start = gallery.items[0]!.range.start;
  const fresh = galleriesOf(parsePage(together.text, page.units)).find(
    ({ items: there }) => there.length === gallery.items.length + items.length && there[0]?.range.start === start,
  );
  const first = fresh?.items[gallery.items.length];
  return fresh && first
    ? { ok: true, text: together.text.slice(first.unit.start, fresh.items.at(-1)!.unit.end) }
    : { ok: false, reason: 'The new gallery would be read otherwise than meant.' };
}

/** A range with its line, where nothing else stands on it. */
export function cutLine({ text }: PageDocument, { start, end }: Range): Edit {
  const lead = /(?:\r?\n)?[ \t]*$/.exec(text.slice(0, start))![0];
  return /^[ \t]*(?:\r?\n|$)/.test(text.slice(end)) && lead.includes('\n')
    ? { start: start - lead.length, end, text: '' }
    : { start, end, text: '' };
}

const insertion = ({ range }: GalleryItem, separator: string, written: readonly string[]): Edit => ({
  start: range.end,
  end: range.end,
  text: written.map((text) => separator + text).join(''),
});

/** Behind the last item; where items stand in rows of one length, a full row is followed by a new one. */
function appended(page: PageDocument, gallery: Gallery, separator: string, written: readonly string[]): Edit[] {
  const rows = rowsOf(gallery);
  const lastItem = gallery.items.at(-1)!;
  const full = rows && Math.max(...rows.map(({ items }) => items.length));
  const last = rows?.at(-1);
  if (!rows || !full || !last?.element.range || !last.element.open || !last.element.close)
    return [insertion(lastItem, separator, written)];
  const room = full - last.items.length;
  const edits = room > 0 ? [insertion(lastItem, separator, written.slice(0, room))] : [];
  const before = rows.at(-2)!;
  const between = before.element.range ? page.text.slice(before.element.range.end, last.element.range.start) : '';
  const [open, close] = [
    page.text.slice(last.element.range.start, last.items[0]!.unit.start),
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

const addresses = (gallery: Gallery): string[] => gallery.items.map(addressIn);

/** By which file an item is told from others. */
export const addressIn = ({ source, target }: GalleryItem): string => (source ?? target)?.value ?? '';

/** The pictures wanted must be there in their order; a gallery of one may no longer look like a gallery. */
export function holds(after: PageDocument, wanted: readonly string[]): string | null {
  if (wanted.length < 2) return null;
  const found = galleriesOf(after).some((gallery) => addresses(gallery).join('\n') === wanted.join('\n'));
  return found ? null : 'the page would be read otherwise than meant';
}
