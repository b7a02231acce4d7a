/**
 * How this author writes one item, learnt from the items themselves.
 * A new item is a neighbour's bytes with its slots filled anew: indentation, quotes, case and the order
 * of attributes come free, and no free text of the neighbour is ever carried over.
 */
import { applyEdits, stemOf, type Edit } from '../site/index.ts';
import { ancestors, attributeOf, descendants, textOf, valueOf, type Attribute, type PageDocument, type PageElement } from './document.ts';
import { encodeMarkup, replaceValue, setAttribute } from './encode.ts';
import type { Gallery, GalleryItem } from './galleries.ts';

/** What a new item is made of. References are as they shall stand in the page; sizes in image px. */
export interface NewItem {
  src: string;
  href: string;
  alt: string;
  title: string;
  caption: string;
  width?: number;
  height?: number;
}

export type PatternPart = { kind: 'text'; text: string } | { kind: 'slot'; name: string; free: boolean };

export interface Pattern {
  /** The item whose bytes are used; the one most like all others. */
  model: GalleryItem;
  parts: PatternPart[];
}

const FREE = new Set(['alt', 'title', 'caption']);

/** The pattern of a gallery, or null where it has no item with a picture. */
export function patternOf(page: PageDocument, gallery: Gallery): Pattern | null {
  const model = mostTypical(gallery.items);
  return model && { model, parts: partsOf(page, model) };
}

/** The last item that shares most with the others, so that one slip is not copied onwards. */
function mostTypical(items: readonly GalleryItem[]): GalleryItem | null {
  const traits = items.map(traitsOf);
  const counts = new Map<string, number>();
  for (const trait of traits.flat()) counts.set(trait, (counts.get(trait) ?? 0) + 1);
  let best: GalleryItem | null = null;
  let bestScore = -Infinity;
  for (const [n, item] of items.entries()) {
    // Traits that most items have speak for this one; traits that few have speak against it.
    const score = (traits[n] ?? []).reduce((sum, trait) => sum + ((counts.get(trait) ?? 0) * 2 > items.length ? 1 : -1), 0);
    if (item.image && score >= bestScore) {
      best = item;
      bestScore = score;
    }
  }
  return best;
}

function traitsOf(item: GalleryItem): string[] {
  return elementsOf(item).flatMap((element, n) => [
    `${n}:${element.tag}`,
    ...element.attributes.map(({ name, value }) => `${element.tag}[${name}${['class', 'rel', 'loading', 'target'].includes(name) || name.startsWith('data-') ? `=${value}` : ''}]`),
  ]);
}

const elementsOf = (item: GalleryItem): PageElement[] => item.elements.flatMap((element) => [element, ...descendants(element)]);

function partsOf(page: PageDocument, item: GalleryItem): PatternPart[] {
  const slots: { start: number; end: number; name: string }[] = [];
  const put = (element: PageElement | null, name: string) => {
    const attribute = element && attributeOf(element, name);
    if (!attribute || attribute.quote === 'none') return;
    const { start, end } = attribute.valueRange;
    if (name !== 'src' && name !== 'href') return slots.push({ start, end, name });
    const written = page.text.slice(start, end);
    const stem = stemOf(written);
    const at = written.lastIndexOf(stem);
    return slots.push({ start: start + at, end: start + at + stem.length, name: 'name' });
  };
  put(item.link, 'href');
  put(item.link, 'title');
  put(item.image, 'src');
  for (const name of ['alt', 'title', 'width', 'height']) put(item.image, name);
  const inside = captionRange(item);
  if (inside) slots.push({ ...inside, name: 'caption' });

  const parts: PatternPart[] = [];
  let at = item.range.start;
  for (const slot of slots.sort((a, b) => a.start - b.start)) {
    if (slot.start < at) continue;
    parts.push({ kind: 'text', text: page.text.slice(at, slot.start) }, { kind: 'slot', name: slot.name, free: FREE.has(slot.name) });
    at = slot.end;
  }
  parts.push({ kind: 'text', text: page.text.slice(at, item.range.end) });
  return parts;
}

/** The inside of the caption element, where it is closed and is not around the picture. */
export function captionRange(item: GalleryItem): { start: number; end: number } | null {
  const { caption, image } = item;
  if (!caption?.open || !caption.range) return null;
  if (image && [...ancestors(image)].includes(caption)) return null;
  return { start: caption.open.end, end: caption.close?.start ?? caption.range.end };
}

/** One new item in the author's own hand. `ordinal` counts from 1 and continues counters. */
export function writeItem(page: PageDocument, gallery: Gallery, pattern: Pattern, item: NewItem, ordinal: number): string {
  const { model } = pattern;
  const edits: Edit[] = [];
  const add = (edit: Edit | null) => edit && edits.push(edit);
  const words: Record<string, string> = { alt: item.alt, title: item.title, caption: item.caption };
  const oldStem = stemOf(valueOf(model.image ?? elementsOf(model)[0]!, 'src') ?? '');
  const oldWords = new Map<string, string>();
  if (model.image) oldWords.set(valueOf(model.image, 'alt') ?? '', item.alt);
  if (model.caption) oldWords.set(textOf(model.caption).trim(), item.caption);

  // A caption is written anew as a whole, with whatever markup was inside.
  const inCaption = new Set(captionRange(model) && model.caption ? descendants(model.caption) : []);
  for (const element of elementsOf(model)) {
    if (inCaption.has(element)) continue;
    for (const attribute of element.attributes) {
      if (element === model.image && attribute.name === 'src') add(replaceValue(attribute, item.src));
      else if (element === model.link && attribute.name === 'href') add(replaceValue(attribute, item.href));
      else if (element === model.image && (attribute.name === 'width' || attribute.name === 'height')) add(sizeEdit(attribute, item[attribute.name]));
      else if (words[attribute.name] !== undefined && (element === model.image || element === model.link)) add(replaceValue(attribute, words[attribute.name] ?? ''));
      else add(varying(gallery, model, element, attribute, { oldStem, newStem: stemOf(item.href || item.src), oldWords, ordinal }));
    }
  }
  // The alt text is the one slot that an item must have, even where its model lacks it.
  if (model.image && !attributeOf(model.image, 'alt')) add(setAttribute(model.image, 'alt', item.alt, page.text));
  const inside = captionRange(model);
  if (inside) {
    const before = page.text.slice(inside.start, inside.end);
    const [lead = '', tail = ''] = before.trim() === '' ? ['', ''] : [/^\s*/.exec(before)?.[0], /\s*$/.exec(before)?.[0]];
    edits.push({ ...inside, text: lead + encodeMarkup(item.caption) + tail });
  }
  const { start, end } = model.range;
  const moved = edits.filter((edit) => edit.start >= start && edit.end <= end).map((edit) => ({ ...edit, start: edit.start - start, end: edit.end - start }));
  const written = applyEdits(page.text.slice(start, end), moved);
  if (!written.ok) throw new Error(`The pattern's slots overlap: ${written.reason}`);
  return written.text;
}

const sizeEdit = (attribute: Attribute, size: number | undefined): Edit | null => (size === undefined ? null : replaceValue(attribute, String(size)));

/** Attributes whose values hold spaces without being prose. */
const SPACED = new Set(['class', 'style', 'rel', 'sizes', 'srcset', 'onclick', 'sandbox']);

interface Varied {
  oldStem: string;
  newStem: string;
  oldWords: Map<string, string>;
  ordinal: number;
}

/** What becomes of an attribute that is no known slot: a constant stays, a name or counter goes on, free text is left out. */
function varying(gallery: Gallery, model: GalleryItem, element: PageElement, attribute: Attribute, { oldStem, newStem, oldWords, ordinal }: Varied): Edit | null {
  const place = elementsOf(model).indexOf(element);
  const values = gallery.items.map((item) => {
    const twin = elementsOf(item)[place];
    return twin && valueOf(twin, attribute.name);
  });
  const given = values.filter((value) => value !== undefined);
  const same = given.filter((value) => value === attribute.value).length;
  const named = wordOf(oldStem)?.test(attribute.value) === true;
  // Of one item alone nobody can say what is constant; what reads like prose is not taken along.
  const constant = given.length === 1 ? !named && !isProse(attribute) : same * 2 > given.length;
  // An author's slip in one of many must not turn a constant into free text.
  if (constant) return attribute.name === 'id' ? continued(attribute, oldStem, newStem, ordinal) : null;
  if (oldWords.has(attribute.value) && attribute.value !== '') return replaceValue(attribute, oldWords.get(attribute.value) ?? '');
  return (isProse(attribute) ? null : continued(attribute, oldStem, newStem, ordinal)) ?? replaceValue(attribute, '');
}

const isProse = ({ name, value }: Attribute) => /\s/.test(value.trim()) && !SPACED.has(name);

/** Finds a name where it stands by itself: the `a` of `pic-a`, not those of `tall` and `lazy`. */
function wordOf(stem: string): RegExp | null {
  const escaped = stem.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');
  return stem === '' ? null : new RegExp(`(?<![\\p{L}\\d])${escaped}(?![\\p{L}\\d])`, 'u');
}

function continued(attribute: Attribute, oldStem: string, newStem: string, ordinal: number): Edit | null {
  const word = wordOf(oldStem);
  if (word?.test(attribute.value)) return replaceValue(attribute, attribute.value.replace(word, () => newStem));
  const counter = /^(.*?)(\d+)$/.exec(attribute.value);
  if (!counter) return null;
  const [, before = '', digits = ''] = counter;
  return replaceValue(attribute, before + String(ordinal).padStart(digits.startsWith('0') ? digits.length : 0, '0'));
}
