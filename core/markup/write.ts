/** One item written by a pattern: its slots filled, each as the place where it stands needs it. */
import { stemOf, type Edit } from '../site/index.ts';
import { attributesIn, type Attribute, type Range } from './document.ts';
import { encodeMarkup, removeAttribute, replaceValue } from './encode.ts';
import { joined, SLOT } from './pattern.ts';
import { fragmentTree, rangeOf, SourceElement, type SourceNode, SourceText } from './sourceTree.ts';

/** What a new item is made of. References are as they shall stand in the page; sizes in image px. */
export interface NewItem {
  src: string;
  href: string;
  /** Null where nobody has said it; the attribute is left out then, and its lack is found. */
  alt: string | null;
  title: string;
  caption: string;
  width?: number;
  height?: number;
  /** An attribute that its first element has, whatever that of its neighbours is. */
  attribute?: { name: string; value: string };
}

/** A slot's value; `markup` is written as it is where markup may stand. */
export type SlotValue = string | { text: string; markup: string };
type SlotValues = ReadonlyMap<string, SlotValue>;

/** `ordinal` counts from 1 and continues counters. */
export function valuesOf(item: NewItem, ordinal: number): Map<string, SlotValue> {
  const values = new Map<string, SlotValue>([
    ['thumbnail', item.src],
    ['full', item.href],
    ['title', item.title],
    ['caption', item.caption],
    ['name', stemOf(item.href || item.src)],
    ['thumbnail-name', stemOf(item.src)],
    ['number', String(ordinal)],
    ['index', String(ordinal - 1)],
  ]);
  if (item.alt !== null) values.set('alt', item.alt);
  if (item.width !== undefined) values.set('width', String(item.width));
  if (item.height !== undefined) values.set('height', String(item.height));
  return values;
}

const plain = (value: SlotValue = ''): string => (typeof value === 'string' ? value : value.text);

/** A text with its slots filled; null where it is one slot that has no value. */
function filled(text: string, values: SlotValues, encode: (value: SlotValue | undefined) => string): string {
  return text.replace(SLOT, (slot, doubled: string | undefined, name: string, digits: string | undefined) => {
    if (doubled) return slot.slice(1);
    const value = values.get(name);
    return digits === undefined ? encode(value) : plain(value).padStart(Number(digits), '0');
  });
}

/**
 * Attributes that stand with an empty value where nothing is known; others are left out. An alt text is: empty, it
 * would say that the picture is decoration, and nobody would be asked for one any more.
 */
const KEPT_EMPTY = new Set(['thumbnail', 'full']);

/**
 * Every attribute with a slot in it, every stretch of text with one, and every further picture of an item with the
 * link round it, in the pattern's own text.
 */
function placesIn(pattern: string): {
  attributes: Attribute[];
  texts: Range[];
  pictures: { range: Range; slot: string }[];
} {
  const attributes: Attribute[] = [];
  const pictures: { range: Range; slot: string }[] = [];
  const texts: Range[] = [];
  const visit = (node: SourceNode) => {
    const range = rangeOf(node);
    if (node instanceof SourceText && range) texts.push(range);
    if (!(node instanceof SourceElement)) return;
    const own = attributesIn(pattern, node);
    attributes.push(...own);
    const slot = node.tag === 'img' ? loneSlot(own.find(({ name }) => name === 'src')?.value ?? '') : null;
    const whole = rangeOf(linkOfOnly(node) ?? node);
    if (slot !== null && slot !== 'thumbnail' && whole) pictures.push({ slot, range: whole });
    (node.content?.children ?? node.children).forEach(visit);
  };
  fragmentTree(pattern).children.forEach(visit);
  return { attributes, texts, pictures };
}

/** The slot that is all of a value; null where more stands there. */
function loneSlot(value: string): string | null {
  const [only] = [...value.matchAll(SLOT)];
  return only && only[0] === value && !only[1] ? (only[2] ?? '') : null;
}

/** The link that holds just this; null where none does. */
function linkOfOnly(node: SourceElement): SourceElement | null {
  const { parent } = node;
  if (!(parent instanceof SourceElement) || parent.tag !== 'a') return null;
  const isEmpty = (one: SourceNode): boolean => one instanceof SourceText && one.value.trim() === '';
  return parent.children.every((one) => one === node || isEmpty(one)) ? parent : null;
}

const hasSlot = (text: string): boolean => new RegExp(SLOT.source).test(text);

/**
 * An item's bytes. Attributes whose only slot has no value are left out, but for those that an item must have; so is
 * a further picture of which nothing is known.
 */
export function writeBy(pattern: string, values: SlotValues): string {
  const edits: Edit[] = [];
  const { attributes, texts, pictures } = placesIn(pattern);
  const gone = pictures.filter(({ slot }) => plain(values.get(slot)) === '').map(({ range }) => range);
  const stays = ({ start, end }: Range) => !gone.some((range) => start >= range.start && end <= range.end);
  edits.push(...gone.map((range) => ({ ...range, text: '' })));
  for (const attribute of attributes) {
    if (!hasSlot(attribute.value) || !stays(attribute.range)) continue;
    const slot = loneSlot(attribute.value);
    if (slot !== null && !values.has(slot) && !KEPT_EMPTY.has(slot)) edits.push(removeAttribute(attribute, pattern));
    else edits.push(replaceValue(attribute, filled(attribute.value, values, plain)));
  }
  for (const { start, end } of texts) {
    if (!stays({ start, end })) continue;
    const text = pattern.slice(start, end);
    if (hasSlot(text))
      edits.push({
        start,
        end,
        text: filled(text, values, (value) => (typeof value === 'object' ? value.markup : encodeMarkup(value ?? ''))),
      });
  }
  return joined(pattern, edits);
}

/** The slots of a pattern, each once, in their order. */
export const slotsOf = (pattern: string): string[] => [
  ...new Set([...pattern.matchAll(SLOT)].flatMap((match) => (match[1] ? [] : [match[2] ?? '']))),
];
