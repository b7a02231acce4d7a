/**
 * Captions in a row of their own below their pictures, cell under cell: each goes where its picture goes, and a new
 * picture gets one.
 */
import { type Edit, firstOf, known, lastOf } from '../site/index.ts';
import { someInside, placeOf, textOf, type PageDocument, type PageElement, type Range } from './document.ts';
import { encodeMarkup } from './encode.ts';
import { captionIn } from './parts.ts';
import { SAYS, type Unit } from './units.ts';

/** For each unit the cell with its caption; for none of them where one has none. */
export function partnersOf(units: readonly Unit[]): (PageElement | null)[] {
  const partners = units.map(({ elements }) => (elements.length === 1 ? cellBelow(firstOf(elements)) : null));
  const all = partners.every((partner) => partner !== null) && new Set(partners).size === partners.length;
  return all ? partners : units.map(() => null);
}

function cellBelow({ parent: row, place }: PageElement): PageElement | null {
  const below = row?.parent?.children[row.place + 1];
  if (row?.tag !== 'tr' || below?.tag !== 'tr' || below.children.length !== row.children.length) return null;
  if (!SAYS.test(textOf(below)) || someInside(below, ({ tag }) => tag === 'img')) return null;
  const cell = below.children[place];
  return cell?.range ? cell : null;
}

/** An item as far as it matters here. */
interface Partnered {
  elements: readonly PageElement[];
  unit: Range;
  partner: PageElement | null;
}

/** Without the white space behind it that an end tag left out leaves inside. */
const trimmed = ({ text }: PageDocument, element: PageElement): Range => {
  const { start, end } = placeOf(element);
  return { start, end: start + text.slice(start, end).trimEnd().length };
};

/** The white space before a place. */
const spaceBefore = ({ text }: PageDocument, at: number): string => /\s*$/.exec(text.slice(0, at))?.[0] ?? '';

/** Where an item ends with all that belongs to it. */
export const endOf = (page: PageDocument, { unit, partner }: Pick<Partnered, 'unit' | 'partner'>): number =>
  Math.max(unit.end, partner ? trimmed(page, partner).end : 0);

const rowOf = (cell: PageElement): PageElement => known(cell.parent, 'row of a cell');

function cut(page: PageDocument, range: Range): Edit {
  return { start: range.start - spaceBefore(page, range.start).length, end: range.end, text: '' };
}

/** Items go with their captions; a row of which nothing stays goes as well. */
export function cutWithPartners(page: PageDocument, items: readonly Partnered[], gone: readonly number[]): Edit[] {
  const cells = new Set(gone.flatMap((n) => [items[n]?.elements[0], items[n]?.partner]).flatMap((cell) => cell ?? []));
  const rows = new Set([...cells].map(rowOf));
  return [...rows].flatMap((row) =>
    row.children.every((cell) => cells.has(cell))
      ? [cut(page, trimmed(page, row))]
      : row.children.filter((cell) => cells.has(cell)).map((cell) => cut(page, trimmed(page, cell))),
  );
}

/** The captions in another order: `order[place]` is the number of the item whose caption goes there. */
export function orderPartners(page: PageDocument, items: readonly Partnered[], order: readonly number[]): Edit[] {
  return order.flatMap((source, place) => {
    const [here, moved] = [items[place]?.partner, items[source]?.partner];
    if (place === source || !here || !moved) return [];
    const { start, end } = trimmed(page, moved);
    return [{ ...trimmed(page, here), text: page.text.slice(start, end) }];
  });
}

/** A cell written as another one is, with other words. */
function written(page: PageDocument, partner: PageElement, caption: string): string {
  const { start, end } = trimmed(page, partner);
  const { range } = captionIn(page, partner);
  return page.text.slice(start, range.start) + encodeMarkup(caption) + page.text.slice(range.end, end);
}

interface Added {
  /** The cells with the pictures. */
  cells: readonly string[];
  captions: readonly string[];
  /** What stands between two cells with pictures. */
  separator: string;
}

/** Cells beside those of an item, in both rows: behind it, or before it where it is the first. */
export function besideWithPartners(
  page: PageDocument,
  { unit, partner }: Partnered,
  { cells, captions, separator }: Added,
  before = false,
): Edit[] {
  if (!partner) return [];
  const place = trimmed(page, partner);
  const space = spaceBefore(page, place.start);
  const texts = captions.map((caption) => written(page, partner, caption));
  const at = (start: number, text: string): Edit => ({ start, end: start, text });
  if (before)
    return [
      at(unit.start, cells.map((cell) => cell + separator).join('')),
      at(place.start, texts.map((text) => text + space).join('')),
    ];
  return [
    at(unit.end, cells.map((cell) => separator + cell).join('')),
    at(place.end, texts.map((text) => space + text).join('')),
  ];
}

/** Behind the last item; where rows are full, in rows of their own, each with its row of captions. */
export function appendedWithPartners(page: PageDocument, items: readonly Partnered[], added: Added): Edit[] {
  const last = lastOf(items);
  const { partner } = last;
  if (!partner) return [];
  const rowLength = (row: PageElement) => items.filter(({ elements }) => elements[0]?.parent === row).length;
  const row = rowOf(firstOf(last.elements));
  const full = Math.max(...items.map(({ elements }) => rowLength(rowOf(firstOf(elements)))));
  const isOneRow = items.every(({ elements }) => elements[0]?.parent === row);
  const room = isOneRow ? added.cells.length : full - rowLength(row);
  const part = (from: number, to: number): Added => ({
    ...added,
    cells: added.cells.slice(from, to),
    captions: added.captions.slice(from, to),
  });
  const edits = room > 0 ? besideWithPartners(page, last, part(0, room)) : [];
  const rows: string[] = [];
  for (let n = Math.max(0, room); n < added.cells.length; n += full)
    rows.push(rowPair(page, items, row, part(n, n + full)));
  const end = trimmed(page, rowOf(partner)).end;
  return rows.length > 0 ? [...edits, { start: end, end, text: rows.join('') }] : edits;
}

/** A row of pictures and one of captions, opened and closed as the last ones are. */
function rowPair(page: PageDocument, items: readonly Partnered[], row: PageElement, added: Added): string {
  const inRow = items.filter(({ elements }) => elements[0]?.parent === row);
  const [first, last] = [firstOf(inRow), lastOf(inRow)];
  const [firstPartner, lastPartner] = [known(first.partner, 'caption'), known(last.partner, 'caption')];
  const below = rowOf(firstPartner);
  const [own, other] = [trimmed(page, row), trimmed(page, below)];
  const cell = trimmed(page, lastPartner);
  const space = spaceBefore(page, cell.start);
  const captions = added.captions.map((caption) => written(page, lastPartner, caption));
  return [
    spaceBefore(page, own.start),
    page.text.slice(own.start, first.unit.start),
    added.cells.join(added.separator),
    page.text.slice(last.unit.end, own.end),
    spaceBefore(page, other.start),
    page.text.slice(other.start, placeOf(firstPartner).start),
    captions.join(space),
    page.text.slice(cell.end, other.end),
  ].join('');
}
