/** A pattern that was changed by hand, applied to all items of a gallery as one change. */
import { type Edit, refuse, type Result, smallestEdit, stemOf } from '../site/index.ts';
import {
  attributeOf,
  descendants,
  parsePage,
  valueOf,
  type Attribute,
  type PageDocument,
  type PageElement,
  type Range,
} from './document.ts';
import { galleriesOf, type Gallery, type GalleryItem } from './galleries.ts';
import { addressIn, fenced } from './items.ts';
import { givenTo, lostFrom, mergeItem } from './mergeItem.ts';
import { joined, patternOf, SLOTS, type FreePlace, type Pattern } from './pattern.ts';
import { elementsIn } from './units.ts';
import { slotsOf, writeBy, type SlotValue } from './write.ts';
import { verified } from './verify.ts';

/** What a slot is filled with where an item has nothing for it. */
type Supply = (n: number, slot: string) => string | undefined;

/** Why a pattern cannot be used; null where it can. */
export function troubleInPattern(text: string, known: Pattern): string | null {
  const slots = slotsOf(text);
  const unknown = slots.find((slot) => !(slot in SLOTS) && !known.free.has(slot));
  if (unknown !== undefined) {
    const all = [...Object.keys(SLOTS), ...known.free.keys()].map((slot) => `{${slot}}`).join(', ');
    return `“{${unknown}}” is not known. The slots are ${all}; write {{${unknown}} for the text itself.`;
  }
  if (!slots.includes('thumbnail') && !slots.includes('full'))
    return 'Without {thumbnail} or {full} an item would hold no picture.';
  const open = /<[a-z][^<>]*$/i.exec(text);
  if (open) return `The tag “${open[0].slice(0, 30)}” is not closed.`;
  return null;
}

/** What an item holds, by the slots of a pattern. */
function valuesIn(page: PageDocument, item: GalleryItem, pattern: Pattern, n: number): Map<string, SlotValue> {
  const { image, link, caption } = item;
  const ofImage = (name: string) => (image ? valueOf(image, name) : undefined);
  const all = elementsIn(item);
  const values: [string, SlotValue | undefined][] = [
    ['thumbnail', item.source?.value],
    ['full', item.target?.value],
    ['alt', ofImage('alt')],
    ['title', (link && valueOf(link, 'title')) ?? ofImage('title')],
    ['width', ofImage('width')],
    ['height', ofImage('height')],
    ['caption', caption ? { text: caption.text, markup: sourceOf(page, caption.range) } : undefined],
    ['name', stemOf((item.target ?? item.source)?.value ?? '')],
    ['thumbnail-name', stemOf(item.source?.value ?? '')],
    ['number', String(n + 1)],
    ['index', String(n)],
    ...[...pattern.free].map(([slot, place]): [string, SlotValue | undefined] => [slot, freeValue(page, all, place)]),
  ];
  return new Map(values.filter((pair): pair is [string, SlotValue] => pair[1] !== undefined));
}

const sourceOf = ({ text }: PageDocument, { start, end }: Range): string => text.slice(start, end).trim();

/** What stands where an author's own slot was found. */
function freeValue(page: PageDocument, all: readonly PageElement[], place: FreePlace): SlotValue | undefined {
  const element = all[place.element];
  if (!element) return undefined;
  if ('attribute' in place) return valueOf(element, place.attribute);
  const words = element.texts[place.text];
  return words && { text: words.value.trim(), markup: sourceOf(page, words.range) };
}

/** An item that was left as it is: the change would have taken something from it that it alone has. */
interface LeftItem {
  /** Its place in the gallery, from 0. */
  item: number;
  /** What it has. */
  own: string;
  range: Range;
}

/**
 * Every item written by the pattern; what an item has beyond the pattern that was learnt stays with it. Where both
 * cannot be, the item is left as it is.
 */
export function applyPattern(
  page: PageDocument,
  gallery: Gallery,
  text: string,
  supply: Supply = () => undefined,
): Result<{ edits: Edit[]; left: LeftItem[] }> {
  const reason = fenced(page, gallery);
  if (reason) return refuse(reason);
  const learnt = patternOf(page, gallery);
  if (!learnt) return refuse('No item here holds a picture, so there is no pattern to change.');
  const trouble = troubleInPattern(text, learnt);
  if (trouble) return refuse(trouble);
  const slots = slotsOf(text);
  const left: LeftItem[] = [];
  const inLines = (written: string) => written.replace(/\r?\n/g, page.text.includes('\r\n') ? '\r\n' : '\n');
  const edits = gallery.items.flatMap((item, n): Edit[] => {
    const before = page.text.slice(item.range.start, item.range.end);
    const values = valuesIn(page, item, learnt, n);
    for (const slot of slots) {
      const supplied = values.has(slot) ? undefined : supply(n, slot);
      if (supplied !== undefined) values.set(slot, supplied);
    }
    const [old, now] = [learnt.text, text].map((pattern) => inLines(writeBy(pattern, values)));
    const merged =
      mergeItem(old ?? '', now ?? '', before) ?? inLines(withRest(page, item, learnt, writeBy(text, values)));
    const own = lostFrom(before, old ?? '', merged) ?? givenTo(before, old ?? '', now ?? '', merged);
    if (own !== null) left.push({ item: n, own, range: item.range });
    return smallestEdit(before, own === null ? merged : before).map((edit) => ({
      start: edit.start + item.range.start,
      end: edit.end + item.range.start,
      text: edit.text,
    }));
  });
  if (left.length === gallery.items.length)
    return refuse(`Every item here has something of its own that the pattern would remove: ${left[0]?.own}.`);
  const wanted = gallery.items.map(addressIn);
  const edited = verified(page, edits, (after) =>
    galleriesOf(after).some((one) => one.items.map(addressIn).join('\n') === wanted.join('\n')) || wanted.length < 2
      ? null
      : 'the page would be read otherwise than meant',
  );
  return edited.ok ? { ...edited, left } : edited;
}

/**
 * Attributes and comments that this item alone has: they were no part of the pattern, so they are not taken away by
 * it.
 */
function withRest(page: PageDocument, item: GalleryItem, { model }: Pattern, written: string): string {
  const comments = page.comments
    .filter(({ start, end }) => start >= item.range.start && end <= item.range.end)
    .map(({ start, end }) => page.text.slice(start, end));
  const fresh = itemIn(written);
  if (!fresh) return comments.join('') + written;
  const extras: { at: PageElement; attribute: Attribute }[] = [];
  const keep = (own: PageElement | null, usual: PageElement | null, made: PageElement | null) => {
    if (!own || !made) return;
    for (const attribute of own.attributes)
      if (!(usual && attributeOf(usual, attribute.name)) && !attributeOf(made, attribute.name))
        extras.push({ at: made, attribute });
  };
  keep(item.link, model.link, fresh.link);
  keep(item.image, model.image, fresh.image);
  const [own, usual, made] = [item.elements[0] ?? null, model.elements[0] ?? null, fresh.outer];
  if (own !== item.link && own !== item.image && made !== fresh.link && made !== fresh.image) keep(own, usual, made);
  const edits = extras.flatMap(({ at, attribute }): Edit[] => {
    const end = at.attributes.at(-1)?.range.end ?? (at.open ? at.open.start + 1 + at.tag.length : null);
    const text = ` ${page.text.slice(attribute.range.start, attribute.range.end)}`;
    return end === null ? [] : [{ start: end, end, text }];
  });
  return comments.join('') + joined(written, edits);
}

/** The link, the image and the outermost element of a written item. */
function itemIn(
  written: string,
): { link: PageElement | null; image: PageElement | null; outer: PageElement | null } | null {
  // Inside of a template any element may stand: `li`, `td`, `dt`.
  const lead = '<template>';
  const page = parsePage(`${lead}${written}</template>`);
  const holder = page.elements.find(({ tag }) => tag === 'template');
  if (!holder) return null;
  const all = [...descendants(holder)];
  const image = all.find(({ tag }) => tag === 'img') ?? null;
  const link = all.find(({ tag }) => tag === 'a') ?? null;
  const shifted = new Set([image, link, holder.children[0] ?? null].filter((one): one is PageElement => one !== null));
  for (const element of shifted) {
    const back = <T extends { start: number; end: number }>(range: T): T => ({
      ...range,
      start: range.start - lead.length,
      end: range.end - lead.length,
    });
    element.attributes = element.attributes.map((attribute) => ({ ...attribute, range: back(attribute.range) }));
    element.open = element.open && back(element.open);
  }
  return { link, image, outer: holder.children[0] ?? null };
}
