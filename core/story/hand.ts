/** The hand in which a site's galleries are written, for groups among words: one item, without what is the gallery's. */
import {
  attributeOf,
  cutLine,
  type Gallery,
  itemBy,
  type NewItem,
  type PageDocument,
  parsePage,
  placeOfItems,
  removeAttribute,
} from '../markup/index.ts';
import { applyEdits, type Edit } from '../site/index.ts';
import { isLarge, opens, type Shown } from './presentation.ts';

type Place = NonNullable<ReturnType<typeof placeOfItems>>;

export interface Hand {
  place: Place;
  /** White space before the first line of an item, which its further lines have as well. */
  indent: string;
}

/** Elements of which a group may consist; parts of tables and of definition lists stand nowhere else. */
const ITEM = /^<(?:a|figure|div|span|p|img|li|article|picture)\b/i;

/**
 * Null where an item can stand nowhere else, or holds more or less than one picture. `own` are attributes by which a
 * viewer knows that gallery; another group gets its own.
 */
export function handOf(document: PageDocument, gallery: Gallery, own: ReadonlySet<string>): Hand | null {
  const place = placeOfItems(document, gallery);
  if (!place || !ITEM.test(place.pattern) || place.pattern.match(/<img\b/gi)?.length !== 1) return null;
  const indent = /\n([ \t]*)$/.exec(place.lead)?.[1] ?? '';
  return { place: { ...place, pattern: withoutOwn(place.pattern, own) }, indent };
}

/** Some of its addresses count from the page on which it was learnt. */
export const hasAddresses = ({ place: { pattern } }: Hand): boolean =>
  /\b(?:href|src|srcset)\s*=\s*["']?(?![{#"'\s]|[a-z]+:|\/)/i.test(pattern);

/** An id stands once on a page, whoever has it. */
function withoutOwn(pattern: string, own: ReadonlySet<string>): string {
  const edits: Edit[] = parsePage(pattern).elements.flatMap((element) =>
    [...own, 'id'].flatMap((name) => {
      const attribute = attributeOf(element, name);
      return attribute && !attribute.value.includes('{') ? [removeAttribute(attribute, pattern)] : [];
    }),
  );
  const applied = applyEdits(
    pattern,
    edits.sort((a, b) => a.start - b.start),
  );
  return applied.ok ? applied.text : pattern;
}

/** An item that offers several files has no other one to show. */
export const writes = ({ place: { pattern } }: Hand, shown: Shown): boolean =>
  !isLarge(shown) || !/\bsrcset\b|<picture\b/i.test(pattern);

/** One item; `line` is the line break with the white space before it. */
export function itemInHand(
  { place, indent }: Hand,
  item: NewItem,
  ordinal: number,
  shown: Shown,
  line: string,
): string {
  const { size, ...rest } = place;
  // Who writes captions writes one for every picture.
  const said = item.caption.trim() === '' ? { ...item, caption: item.title } : item;
  const text = itemBy(isLarge(shown) || !size ? rest : { ...rest, size }, said, ordinal);
  const linked = opens(shown) ? text : withoutLinks(text).trim();
  return linked.replaceAll(/\r?\n([ \t]*)/g, (_, white: string) => line + white.replace(indent, ''));
}

function withoutLinks(text: string): string {
  const document = parsePage(text);
  const edits = document.elements.flatMap(({ tag, open, close }): Edit[] =>
    tag === 'a' && open && close
      ? [cutLine(document, open), ...outdented(text, open.end, close.start), cutLine(document, close)]
      : [],
  );
  const applied = applyEdits(text, edits);
  return applied.ok ? applied.text : text;
}

/** What stood within a tag on a line of its own stands as deep as that did. */
function outdented(text: string, start: number, end: number): Edit[] {
  const before = /\n([ \t]*)<[^\n]*$/.exec(text.slice(0, start))?.[1] ?? '';
  return [...text.slice(start, end).matchAll(/\n([ \t]+)/g)].flatMap(({ index, 1: white = '' }): Edit[] =>
    white.startsWith(before) && before !== ''
      ? [{ start: start + index + 1, end: start + index + 1 + white.length, text: before }]
      : [],
  );
}

/** The tag of what holds such items, in their letters. */
export function holderOf({ place: { pattern } }: Hand): { tag: string; attribute: string } {
  const isCapital = /^<[A-Z]/.test(pattern);
  const tag = /^<li\b/i.test(pattern) ? 'ul' : 'div';
  return isCapital ? { tag: tag.toUpperCase(), attribute: 'CLASS' } : { tag, attribute: 'class' };
}
