/**
 * How this author writes one item, learnt from the items themselves.
 *
 * A pattern is the bytes of one item with slots for what varies: `<a href="{full}"><img src="{thumbnail}"
 * alt="{alt}"></a>`. Indentation, quotes, case and the order of attributes are the author's; no free text of a
 * neighbour is carried over.
 */
import { applyEdits, stemOf, type Edit, firstOf } from '../site/index.ts';
import { valueOf, type Attribute, type PageDocument, type PageElement, type Range } from './document.ts';
import { encodeAttribute } from './encode.ts';
import type { Gallery, GalleryItem } from './galleries.ts';
import type { Caption } from './parts.ts';
import { elementsIn, SAYS } from './units.ts';

export type PatternPart = { kind: 'text'; text: string } | { kind: 'slot'; name: string; free: boolean };

export interface Pattern {
  /** The item whose bytes are used; the one most like all others. */
  model: GalleryItem;
  text: string;
  parts: PatternPart[];
  /** The same for a new item: with an alt text, even where the model lacks it. */
  forNew: string;
  /** Attributes and texts of the model that are other in every item, by the slot that each became. */
  free: ReadonlyMap<string, FreePlace>;
}

/** A place in an item: an element by its number within it, then an attribute or one of its texts. */
export type FreePlace = { element: number; attribute: string } | { element: number; text: number };

/** Slots that every pattern may have, and what stands there. */
export const SLOTS = {
  thumbnail: 'the address of the picture that the page shows',
  full: 'the address of the picture that a click opens',
  alt: 'the alt text',
  title: 'the title',
  caption: 'the caption',
  width: 'the width of the thumbnail, px',
  height: 'the height of the thumbnail, px',
  name: 'the bare name of the file that a click opens',
  'thumbnail-name': 'the bare name of the thumbnail’s file',
  number: 'the place in the gallery, from 1; {number:2} with leading zeros',
  index: 'the same from 0',
  credit: 'who made the picture',
  copyright: 'the copyright of the picture',
  date: 'the day it was taken: 2026-06-14',
} as const;

const FREE = new Set(['alt', 'title', 'caption']);

/** `{alt}`, `{number:2}`; with a second brace in front it is the text itself. */
export const SLOT = /\{(\{)?([a-z][a-z\d-]*)(?::(\d))?\}/g;

/** The pattern of a gallery, or null where it has no item with a picture. */
export function patternOf(page: PageDocument, gallery: Gallery): Pattern | null {
  const model = mostTypical(gallery.items);
  return model && learn(page, gallery, model);
}

/** The last item that shares most with the others, so that one slip is not copied onwards. */
function mostTypical(items: readonly GalleryItem[]): GalleryItem | null {
  // Most items are written alike: what they are like is counted once for all of a kind.
  const kinds = new Map<string, { traits: string[]; count: number; last: GalleryItem | null }>();
  for (const item of items) {
    const traits = traitsOf(item);
    const key = traits.join('\n');
    const kind = kinds.get(key) ?? { traits, count: 0, last: null };
    kinds.set(key, { traits, count: kind.count + 1, last: item.source ? item : kind.last });
  }
  const counts = new Map<string, number>();
  for (const { traits, count } of kinds.values())
    for (const trait of traits) counts.set(trait, (counts.get(trait) ?? 0) + count);
  let best: GalleryItem | null = null;
  let bestScore = -Infinity;
  for (const { traits, last } of kinds.values()) {
    // Traits that most items have speak for this one; traits that few have speak against it.
    const score = traits.reduce((sum, trait) => sum + ((counts.get(trait) ?? 0) * 2 > items.length ? 1 : -1), 0);
    const later = last !== null && last.range.start > (best?.range.start ?? -1);
    if (last && (score > bestScore || (score === bestScore && later))) {
      best = last;
      bestScore = score;
    }
  }
  return best;
}

/** Attributes whose values, too, are part of how an item is written. */
const TELLING = new Set(['class', 'rel', 'loading', 'target']);

function traitsOf(item: GalleryItem): string[] {
  const traits: string[] = [];
  for (const [n, { tag, attributes }] of elementsIn(item).entries()) {
    traits.push(`${n}:${tag}`);
    for (const { name, value } of attributes)
      traits.push(TELLING.has(name) || name.startsWith('data-') ? `${tag}[${name}=${value}` : `${tag}[${name}`);
  }
  return traits;
}

interface Cut extends Range {
  text: string;
}

/** What is known while an item is read as the model of all. */
interface Learning {
  page: PageDocument;
  gallery: Gallery;
  model: GalleryItem;
  /** The elements of every item, in the same order. */
  twins: readonly (readonly PageElement[])[];
  /** Slots that are the author's own; filled on the way. */
  free: Map<string, FreePlace>;
}

function learn(page: PageDocument, gallery: Gallery, model: GalleryItem): Pattern {
  const free = new Map<string, FreePlace>();
  const learning: Learning = { page, gallery, model, twins: gallery.items.map(elementsIn), free };
  const cuts: Cut[] = [];
  for (const [place, element] of elementsIn(model).entries()) {
    if (isInCaption(model, element)) continue;
    for (const attribute of element.attributes) cuts.push(...attributeCuts(learning, element, attribute, place));
    cuts.push(...textCuts(learning, element, place));
  }
  if (model.caption && !isLabel(model.caption, gallery)) cuts.push(captionCut(page, model.caption.range));
  const text = withSlots(page.text, model.range, cuts);
  return {
    model,
    text,
    parts: partsOf(text),
    forNew: withSlots(page.text, model.range, [...cuts, ...altFor(model)]),
    free,
  };
}

function isInCaption({ caption }: GalleryItem, { range }: PageElement): boolean {
  if (!caption || !range || caption.range.end <= caption.range.start) return false;
  return range.start >= caption.range.start && range.end <= caption.range.end;
}

function attributeCuts(learning: Learning, element: PageElement, attribute: Attribute, place: number): Cut[] {
  const { model, twins } = learning;
  if (attribute.quote === 'none') return [];
  const values = twins.map((elements) => elements[place] && valueOf(elements[place], attribute.name));
  const slots = attributeSlots(learning, element, attribute, values, place);
  if (slots === null) return [];
  // What only a part of the attribute names is written there; the rest of it stays.
  const partial = [model.source, model.target].find(
    (file) => file?.attribute === attribute && file.range !== attribute.valueRange,
  );
  if (partial) return [{ ...partial.range, text: slots }];
  return [{ ...attribute.valueRange, text: attribute.quote === '' ? slots : encodeAttribute(slots, attribute.quote) }];
}

/** What the links of most items say in the same words is no picture’s caption: “Enlarge”, “Save”. */
function isLabel({ element, text }: Caption, { items }: Gallery): boolean {
  if (element?.tag !== 'a' && element?.tag !== 'button') return false;
  const same = items.filter(({ caption }) => caption?.text === text).length;
  return text !== '' && items.length > 1 && same * 2 > items.length;
}

/** The caption's words become a slot; the spaces around them stay. */
function captionCut({ text }: PageDocument, range: Range): Cut {
  const written = text.slice(range.start, range.end);
  if (written.trim() === '') return { ...range, text: '{caption}' };
  const lead = written.slice(0, written.length - written.trimStart().length);
  const tail = written.slice(written.trimEnd().length);
  return { ...range, text: `${lead}{caption}${tail}` };
}

function altFor({ image }: GalleryItem): Cut[] {
  if (!image?.open || valueOf(image, 'alt') !== undefined) return [];
  const at = image.attributes.at(-1)?.range.end ?? image.open.start + 1 + image.tag.length;
  return [{ start: at, end: at, text: ' alt="{alt}"' }];
}

/** The item's bytes with slots in them; braces that look like slots are doubled. */
function withSlots(text: string, range: Range, cuts: readonly Cut[]): string {
  const sorted = [...cuts]
    .filter(({ start, end }) => start >= range.start && end <= range.end)
    .sort((a, b) => a.start - b.start || a.end - b.end);
  let made = '';
  let at = range.start;
  for (const cut of sorted) {
    if (cut.start < at) continue;
    made += literal(text.slice(at, cut.start)) + cut.text;
    at = cut.end;
  }
  return made + literal(text.slice(at, range.end));
}

const literal = (text: string): string => text.replace(SLOT, (slot) => `{${slot}`);

function partsOf(text: string): PatternPart[] {
  const parts: PatternPart[] = [];
  let at = 0;
  for (const match of text.matchAll(SLOT)) {
    if (match[1]) continue;
    parts.push(
      { kind: 'text', text: text.slice(at, match.index) },
      { kind: 'slot', name: match[2] ?? '', free: FREE.has(match[2] ?? '') || !((match[2] ?? '') in SLOTS) },
    );
    at = match.index + match[0].length;
  }
  parts.push({ kind: 'text', text: text.slice(at) });
  return parts;
}

/** Attributes whose values hold spaces without being prose. */
const SPACED = new Set(['class', 'style', 'rel', 'sizes', 'srcset', 'onclick', 'sandbox']);
const isProse = (name: string, value: string) => /\s/.test(value.trim()) && !SPACED.has(name);

/** What stands in an attribute's place: a slot, a text with slots, or null where it stays as it is. */
function attributeSlots(
  { model, gallery, free }: Learning,
  element: PageElement,
  attribute: Attribute,
  ofItems: readonly (string | undefined)[],
  place: number,
): string | null {
  const { name, value } = attribute;
  const own = ownSlot(model, element, attribute);
  if (own !== null) return own;
  const values = ofItems.flatMap((one) => one ?? []);
  const repeated = isProse(name, value) ? null : repeatedIn(model, gallery, value, ofItems);
  const constant = isConstant(attribute, values, repeated !== null);
  // An author's slip in one of many must not turn a constant into free text.
  if (constant && name !== 'id') return null;
  const words = constant || NO_WORDS.has(name) ? null : wordsSlot(model, value);
  if (words !== null) return words;
  if (repeated !== null) return repeated;
  const counter = isProse(name, value) ? null : countIn(value, values);
  if (counter) return counter;
  if (constant) return null;
  const plain = slotName(name);
  const slot = free.has(plain) || plain in SLOTS ? `${plain}-${place}` : plain;
  free.set(slot, { element: place, attribute: name });
  return `{${slot}}`;
}

/** Attributes may be called otherwise than slots can be. */
const slotName = (attribute: string): string =>
  attribute
    .toLowerCase()
    .replace(/[^a-z\d]+/g, '-')
    .replace(/^[^a-z]*/, '') || 'value';

/** Names and marks are no words, though they may be the same as an alt text. */
const NO_WORDS = new Set(['class', 'for', 'href', 'id', 'name', 'src']);

/** The slot of the words that an attribute repeats; null where it repeats none. */
function wordsSlot({ image, link, caption }: GalleryItem, value: string): string | null {
  if (value === '') return null;
  if (image && value === valueOf(image, 'alt')) return '{alt}';
  if (value === caption?.text) return '{caption}';
  return value === ((link && valueOf(link, 'title')) ?? (image && valueOf(image, 'title'))) ? '{title}' : null;
}

/**
 * A value with slots for the addresses and the names of the item's own files that stand in it; null where there are
 * none, or most items do not have it so.
 */
function repeatedIn(
  model: GalleryItem,
  { items }: Gallery,
  value: string,
  ofItems: readonly (string | undefined)[],
): string | null {
  const made = withOwnFiles(model, value);
  if (made === literal(value)) return null;
  const alike = ofItems.filter((one, n) => {
    const item = items[n];
    return one !== undefined && item !== undefined && withOwnFiles(item, one) === made;
  });
  return alike.length * 2 >= ofItems.filter((one) => one !== undefined).length ? made : null;
}

function withOwnFiles({ source, target }: GalleryItem, value: string): string {
  const [thumbnail, full] = [source?.value ?? '', target?.value ?? ''];
  const stems: [string, string][] = [
    ['{name}', stemOf(full || thumbnail)],
    ['{thumbnail-name}', stemOf(thumbnail)],
  ];
  const files: [string, string][] = [
    ['{full}', full],
    ['{thumbnail}', thumbnail],
    ...stems.sort(([, a], [, b]) => b.length - a.length),
  ];
  // A slot that stands already is not looked into again.
  return files
    .reduce<string[]>(
      (pieces, [slot, sought]) => {
        const word = wordOf(sought);
        return word ? pieces.flatMap((piece) => (SLOT_ALONE.test(piece) ? [piece] : cutAt(piece, word, slot))) : pieces;
      },
      [literal(value)],
    )
    .join('');
}

const SLOT_ALONE = /^\{(?:full|thumbnail|name|thumbnail-name)\}$/;
const cutAt = (text: string, word: RegExp, slot: string): string[] =>
  text.split(word).flatMap((piece, n) => (n === 0 ? [piece] : [slot, piece]));

/** The slot of what every gallery has; null for other attributes. */
function ownSlot(model: GalleryItem, element: PageElement, attribute: Attribute): string | null {
  const { name } = attribute;
  if (attribute === model.source?.attribute) return '{thumbnail}';
  if (attribute === model.target?.attribute) return '{full}';
  if (element === model.image && ['width', 'height', 'alt'].includes(name)) return `{${name}}`;
  const isOwn = element === model.image || element === model.link || element === model.source?.element;
  return isOwn && name === 'title' ? '{title}' : null;
}

/** Of one item alone nobody can say what is constant; what reads like prose is not taken along. */
function isConstant({ name, value }: Attribute, values: readonly string[], named: boolean): boolean {
  if (values.length === 1) return !named && !isProse(name, value);
  return values.filter((other) => other === value).length * 2 > values.length;
}

/**
 * The value with a slot for its number, where the numbers of all items rise as the items stand; null where they do
 * not count.
 */
function countIn(value: string, values: readonly string[]): string | null {
  const read = (text: string) => /^(\D*)(\d+)(\D.*)?$/s.exec(text);
  const mine = read(value);
  if (!mine) return null;
  const all = values.flatMap((one) => {
    const match = read(one);
    return match && match[1] === mine[1] ? [Number(match[2])] : [];
  });
  const rising = all.slice(1).filter((number, n) => number > (all[n] ?? Infinity)).length;
  if (all.length < values.length || firstOf(all) > 1 || (all.length > 1 && rising * 3 < (all.length - 1) * 2))
    return null;
  const [, before = '', digits = '', after = ''] = mine;
  const slot = all[0] === 0 ? 'index' : 'number';
  const padded = digits.startsWith('0') && digits.length > 1 ? `:${digits.length}` : '';
  return `${literal(before)}{${slot}${padded}}${literal(after)}`;
}

/** Finds a name where it stands by itself: the `a` of `pic-a`, not those of `tall` and `lazy`. */
function wordOf(stem: string): RegExp | null {
  const escaped = literal(stem).replace(/[.*+?^${}()|[\]\\]/g, '\\$&');
  return stem === '' ? null : new RegExp(`(?<![\\p{L}\\d])${escaped}(?![\\p{L}\\d])`, 'gu');
}

/**
 * Text beside the caption that is another in every item: a counter goes on, words are a slot of their own. What most
 * items say stays.
 */
function textCuts({ page, gallery, model, twins, free }: Learning, element: PageElement, place: number): Cut[] {
  return element.texts.flatMap(({ range, value }, n): Cut[] => {
    const { caption } = model;
    if (!SAYS.test(value) || (caption && range.start < caption.range.end && range.end > caption.range.start)) return [];
    if (element.tag === 'script' || element.tag === 'style') return [];
    const values = twins.map((elements) => elements[place]?.texts[n]?.value.trim());
    const mine = value.trim();
    if (
      gallery.items.length > 1 ? values.filter((other) => other === mine).length * 2 > values.length : mine.length < 24
    )
      return [];
    const written = page.text.slice(range.start, range.end);
    const at = range.start + (/^\s*/.exec(written)?.[0].length ?? 0);
    const end = range.end - (/\s*$/.exec(written)?.[0].length ?? 0);
    const counter = countIn(
      written.trim(),
      values.flatMap((other) => other ?? []),
    );
    if (counter) return [{ start: at, end, text: counter }];
    const slot = free.has('text') ? `text-${place}` : 'text';
    free.set(slot, { element: place, text: n });
    return [{ start: at, end, text: `{${slot}}` }];
  });
}

export const joined = (text: string, edits: readonly Edit[]): string => {
  const applied = applyEdits(text, [...edits]);
  if (!applied.ok) throw new Error(`The pattern's slots overlap: ${applied.reason}`);
  return applied.text;
};
