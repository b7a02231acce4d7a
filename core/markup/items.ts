/**
 * Work on the items of a gallery. Each operation answers with the smallest edits, or with the reason why it refuses.
 * Before it answers, the edited text is parsed again and compared with what was meant.
 */
import { type Edit, type Edited, firstOf, known, lastOf, refuse } from '../site/index.ts';
import { type PageDocument, type Range } from './document.ts';
import { galleriesOf, type Gallery, type GalleryItem } from './galleries.ts';
import { hazardIn, hazardsOf } from './hazards.ts';
import { keepChoice, orderElsewhere, placesElsewhere } from './elsewhere.ts';
import { cutWithPartners, orderPartners } from './partners.ts';
import { joined } from './pattern.ts';
import { SEPARATOR } from './units.ts';
import { verified } from './verify.ts';

/** What counts as a gallery of a page. */
export type Reads = (page: PageDocument) => readonly Gallery[];

/** Structure is only changed where source and tree agree. */
export function fenced(page: PageDocument, gallery: Gallery): string | null {
  const first = gallery.items[0];
  const last = gallery.items.at(-1);
  if (!first || !last) return 'The gallery has no items.';
  const hazard = hazardIn(hazardsOf(page), { start: first.unit.start, end: last.unit.end });
  if (!hazard) return null;
  return `Line ${page.lines.lineAt(hazard.range.start)}: ${hazard.says}. Fix this first; until then items cannot be added, moved or removed here.`;
}

export const removeItem = (page: PageDocument, gallery: Gallery, n: number): Edited => removeItems(page, gallery, [n]);

/** Items go with the separators that stood between them and what stays. */
export function removeItems(
  page: PageDocument,
  gallery: Gallery,
  places: readonly number[],
  reads: Reads = galleriesOf,
): Edited {
  const reason = fenced(page, gallery);
  if (reason) return refuse(reason);
  const gone = [...new Set(places)].sort((a, b) => a - b);
  if (gone.length === 0 || gone.some((n) => !gallery.items[n])) return refuse('This item no longer exists.');
  const edits = gallery.items.some(({ partner }) => partner)
    ? cutWithPartners(page, gallery.items, gone)
    : runsOf(page, gallery, gone).map((run) => ({ ...cutOf(page.text, gallery, firstOf(run), lastOf(run)), text: '' }));
  const along = gallery.items.filter((_, n) => gone.includes(n));
  edits.push(...placesElsewhere(page, along).map((range) => cutLine(page, range)));
  const left = addresses(gallery).filter((_, i) => !gone.includes(i));
  return verified(page, edits, (after) => holds(after, left, reads));
}

/** Items that follow one another, together; what stands between two of them for itself parts them. */
function runsOf(page: PageDocument, gallery: Gallery, numbers: readonly number[]): number[][] {
  const runs: number[][] = [];
  for (const number of numbers) {
    const run = runs.at(-1);
    if (run?.at(-1) === number - 1 && !standsBehind(page, gallery, number - 1)) run.push(number);
    else runs.push([number]);
  }
  return runs;
}

/** Something that its author has put between an item and the next: words, a comment, an element. */
export function standsBehind({ text, elements, comments }: PageDocument, { items }: Gallery, n: number): Range | null {
  const [start, end] = [items[n]?.unit.end, items[n + 1]?.unit.start];
  if (start === undefined || end === undefined || SEPARATOR.test(text.slice(start, end))) return null;
  const isThere = (range: Range | null): range is Range => range !== null && range.start >= start && range.end <= end;
  const found = [...comments, ...elements.map(({ range }) => range), ...wordsIn(elements)].filter(isThere);
  return found.find(({ start: at, end: to }) => !SEPARATOR.test(text.slice(at, to))) ?? null;
}

const wordsIn = (elements: PageDocument['elements']): Range[] =>
  elements.flatMap(({ texts }) => texts.map(({ range }) => range));

function cutOf(text: string, { items }: Gallery, first: number, last: number): Range {
  const { start } = known(items[first], 'item').unit;
  const { end } = known(items[last], 'item').unit;
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
export function orderItems(
  page: PageDocument,
  gallery: Gallery,
  order: readonly number[],
  reads: Reads = galleriesOf,
): Edited {
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
      edits.push({ ...here.unit, text: textWith(page.text, moved.unit, keepChoice(moved, here)) });
  }
  edits.push(...orderPartners(page, items, order), ...orderElsewhere(page, items, order));
  const all = addresses(gallery);
  return verified(page, edits, (after) =>
    holds(
      after,
      order.map((n) => all[n] ?? ''),
      reads,
    ),
  );
}

/** What stands in a range, with edits of it made. */
function textWith(text: string, { start, end }: Range, edits: readonly Edit[]): string {
  const inside = edits.map((edit) => ({ ...edit, start: edit.start - start, end: edit.end - start }));
  return joined(text.slice(start, end), inside);
}

/** A range with its line, where nothing else stands on it but the end of the head or the body. */
export function cutLine({ text }: PageDocument, { start, end }: Range): Edit {
  const lead = /(?:\r?\n)?[ \t]*$/.exec(text.slice(0, start))?.[0] ?? '';
  return /^[ \t]*(?:\r?\n|$|<\/(?:head|body)\b)/i.test(text.slice(end, end + 200)) && lead.includes('\n')
    ? { start: start - lead.length, end, text: '' }
    : { start, end, text: '' };
}

export const addresses = (gallery: Gallery): string[] => gallery.items.map(addressIn);

/** By which file an item is told from others. */
export const addressIn = ({ source, target }: GalleryItem): string => (source ?? target)?.value ?? '';

/** The pictures wanted must be there in their order; a gallery of one may no longer look like a gallery. */
export function holds(after: PageDocument, wanted: readonly string[], reads: Reads = galleriesOf): string | null {
  if (wanted.length < 2) return null;
  const found = reads(after).some((gallery) => addresses(gallery).join('\n') === wanted.join('\n'));
  return found ? null : 'the page would be read otherwise than meant';
}
