/**
 * Work on the items of a gallery. Each operation answers with the smallest edits, or with the reason why it refuses.
 * Before it answers, the edited text is parsed again and compared with what was meant.
 */
import { applyEdits, type Edit } from '../site/index.ts';
import { parsePage, valueOf, type PageDocument, type PageElement, type Range } from './document.ts';
import { encodeMarkup, removeAttribute, setAttribute } from './encode.ts';
import { galleriesOf, type Gallery, type GalleryItem } from './galleries.ts';
import { hazardIn, hazardsOf } from './hazards.ts';
import { captionRange, patternOf, writeItem, type NewItem } from './pattern.ts';

export type Edited = { ok: true; edits: Edit[] } | { ok: false; reason: string };

const refuse = (reason: string): Edited => ({ ok: false, reason });

/** Parses the outcome and hands it to `expected`, which says what is wrong with it, or null. */
export function verified(page: PageDocument, edits: Edit[], expected: (after: PageDocument) => string | null): Edited {
  const applied = applyEdits(page.text, edits);
  if (!applied.ok) return refuse(applied.reason);
  const wrong = expected(parsePage(applied.text));
  return wrong === null ? { ok: true, edits } : refuse(`The change was not made: ${wrong}.`);
}

/** An attribute set on one element; everything else in the page must parse as before. */
export function editAttribute(page: PageDocument, element: PageElement, name: string, value: string): Edited {
  const edit = setAttribute(element, name, value, page.text);
  if (!edit) return { ok: true, edits: [] };
  return verified(page, [edit], (after) => sameBut(page, after, element.index, name, value));
}

export function dropAttribute(page: PageDocument, element: PageElement, name: string): Edited {
  const attribute = element.attributes.find((one) => one.name === name);
  if (!attribute) return { ok: true, edits: [] };
  return verified(page, [removeAttribute(attribute, page.text)], (after) => sameBut(page, after, element.index, name, undefined));
}

/** What differs between two parses beyond one attribute of one element, or null. */
export function sameBut(before: PageDocument, after: PageDocument, index: number, name: string, value: string | undefined): string | null {
  if (before.elements.length !== after.elements.length) return 'other elements would appear or vanish';
  for (const [n, element] of before.elements.entries()) {
    const twin = after.elements[n];
    if (!twin || twin.tag !== element.tag) return `<${element.tag}> would become something else`;
    const wanted = new Map(element.attributes.map((attribute) => [attribute.name, attribute.value]));
    if (n === index) {
      if (value === undefined) wanted.delete(name);
      else wanted.set(name, value);
    }
    if (twin.attributes.length !== wanted.size) return `the attributes of <${element.tag}> would change`;
    for (const attribute of twin.attributes) if (wanted.get(attribute.name) !== attribute.value) return `${attribute.name} of <${element.tag}> would change`;
  }
  return null;
}

export function setAlt(page: PageDocument, item: GalleryItem, alt: string): Edited {
  return item.image ? editAttribute(page, item.image, 'alt', alt) : refuse('This item has no image tag to carry an alt text.');
}

/** Sets the caption where the item has an element for it. The inner markup of a caption is replaced by the text. */
export function setCaption(page: PageDocument, item: GalleryItem, caption: string): Edited {
  const range = captionRange(item);
  if (!range) return refuse('This item has no element for a caption; write one in the source first.');
  const inside = page.text.slice(range.start, range.end);
  const lead = /^\s*/.exec(inside)?.[0] ?? '';
  const tail = inside.trim() === '' ? '' : (/\s*$/.exec(inside)?.[0] ?? '');
  return { ok: true, edits: [{ ...range, text: lead + encodeMarkup(caption) + tail }] };
}

/** Structure is only changed where source and tree agree. */
function fenced(page: PageDocument, gallery: Gallery): string | null {
  const first = gallery.items[0];
  const last = gallery.items.at(-1);
  if (!first || !last) return 'The gallery has no items.';
  const hazard = hazardIn(hazardsOf(page), { start: first.unit.start, end: last.unit.end });
  if (!hazard) return null;
  return `Line ${page.lines.lineAt(hazard.range.start)}: ${hazard.says}. Mend this first; until then items cannot be added, moved or removed here.`;
}

export function removeItem(page: PageDocument, gallery: Gallery, n: number): Edited {
  const reason = fenced(page, gallery);
  if (reason) return refuse(reason);
  const item = gallery.items[n];
  if (!item) return refuse('There is no such item any more.');
  const { text } = page;
  const { start, end } = item.unit;
  const previous = gallery.items[n - 1]?.unit.end;
  const next = gallery.items[n + 1]?.unit.start;
  let cut: Range = { start, end };
  // The separator goes with the item: the one before it or, for the first one, the one after it.
  if (previous !== undefined && /^[\s,|·]*$/.test(text.slice(previous, start))) cut = { start: previous, end };
  else if (next !== undefined && /^[\s,|·]*$/.test(text.slice(end, next))) cut = { start, end: next };
  else if (/^\s*$/.test(text.slice(text.lastIndexOf('\n', start - 1) + 1, start))) cut = { start: Math.max(0, text.lastIndexOf('\n', start - 1)), end };
  if (text[cut.start - 1] === '\r' && text[cut.start] === '\n') cut.start--;
  const left = sources(gallery).filter((_, i) => i !== n);
  return verified(page, [{ ...cut, text: '' }], (after) => holds(after, left));
}

/** Moves item `from` to place `to`. Items change places, the separators between them stay. */
export function moveItem(page: PageDocument, gallery: Gallery, from: number, to: number): Edited {
  const { items } = gallery;
  if (!items[from] || !items[to]) return refuse('There is no such place in the gallery.');
  const order = items.map((_, n) => n);
  order.splice(to, 0, ...order.splice(from, 1));
  return orderItems(page, gallery, order);
}

/** Puts the items in another order: `order[place]` is the number of the item that goes there. */
export function orderItems(page: PageDocument, gallery: Gallery, order: readonly number[]): Edited {
  const reason = fenced(page, gallery);
  if (reason) return refuse(reason);
  const { items } = gallery;
  if (order.length !== items.length || new Set(order).size !== items.length || order.some((n) => !items[n])) return refuse('The gallery has other items than were put in order.');
  const edits: Edit[] = [];
  for (const [place, source] of order.entries()) {
    const here = items[place];
    const moved = items[source];
    if (place !== source && here && moved) edits.push({ ...here.unit, text: page.text.slice(moved.unit.start, moved.unit.end) });
  }
  const all = sources(gallery);
  return verified(page, edits, (after) => holds(after, order.map((n) => all[n] ?? '')));
}

/** Writes new items behind the last one, each as a neighbour is written. */
export function addItems(page: PageDocument, gallery: Gallery, added: readonly NewItem[]): Edited {
  const reason = fenced(page, gallery);
  if (reason) return refuse(reason);
  const pattern = patternOf(page, gallery);
  const last = gallery.items.at(-1);
  if (!pattern || !last) return refuse('No item here holds a picture, so there is no pattern to write by.');
  const separator = separatorOf(page, gallery);
  const count = gallery.items.length;
  const text = added.map((item, n) => separator + writeItem(page, gallery, pattern, item, count + n + 1)).join('');
  const at = last.range.end;
  const wanted = [...sources(gallery), ...added.map((item) => item.src)];
  return verified(page, [{ start: at, end: at, text }], (after) => holds(after, wanted));
}

/** What stands between two items most often; a new line with the same indentation where there is only one. */
function separatorOf(page: PageDocument, { items }: Gallery): string {
  const counts = new Map<string, number>();
  for (const [n, item] of items.entries()) {
    const next = items[n + 1];
    const between = next ? page.text.slice(item.range.end, next.unit.start) : '';
    if (next && /^[\s,|·]*$/.test(between)) counts.set(between, (counts.get(between) ?? 0) + 1);
  }
  const common = [...counts].sort((a, b) => b[1] - a[1])[0]?.[0];
  if (common !== undefined) return common;
  const start = items.at(-1)?.range.start ?? 0;
  const indent = /[ \t]*$/.exec(page.text.slice(page.text.lastIndexOf('\n', start - 1) + 1, start))?.[0] ?? '';
  return (page.text.includes('\r\n') ? '\r\n' : '\n') + indent;
}

const sourceOf = (item: GalleryItem) => (item.image ? valueOf(item.image, 'src') : item.link && valueOf(item.link, 'href')) ?? '';
const sources = (gallery: Gallery) => gallery.items.map(sourceOf);

/** The pictures wanted must be there in their order; a gallery of one may no longer look like a gallery. */
function holds(after: PageDocument, wanted: string[]): string | null {
  if (wanted.length < 2) return null;
  const found = galleriesOf(after).some((gallery) => sources(gallery).join('\n') === wanted.join('\n'));
  return found ? null : 'the page would be read otherwise than meant';
}
