/** One item written by a pattern: its slots filled, each as the place where it stands needs it. */
import { parseFragment, type DefaultTreeAdapterTypes as Tree } from 'parse5';
import { stemOf, type Edit } from '../site/index.ts';
import { attributesIn, type Attribute } from './document.ts';
import { encodeMarkup, removeAttribute, replaceValue } from './encode.ts';
import { joined, SLOT } from './pattern.ts';

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

/** A slot's value; `markup` is written as it is where markup may stand. */
export type SlotValue = string | { text: string; markup: string };
export type SlotValues = ReadonlyMap<string, SlotValue>;

/** `ordinal` counts from 1 and continues counters. */
export function valuesOf(item: NewItem, ordinal: number): Map<string, SlotValue> {
  const values = new Map<string, SlotValue>([
    ['thumbnail', item.src], ['full', item.href], ['alt', item.alt], ['title', item.title], ['caption', item.caption],
    ['name', stemOf(item.href || item.src)], ['number', String(ordinal)], ['index', String(ordinal - 1)],
  ]);
  if (item.width !== undefined) values.set('width', String(item.width));
  if (item.height !== undefined) values.set('height', String(item.height));
  return values;
}

const plain = (value: SlotValue | undefined): string => (value === undefined ? '' : typeof value === 'string' ? value : value.text);

/** A text with its slots filled; null where it is one slot that has no value. */
function filled(text: string, values: SlotValues, encode: (value: SlotValue | undefined) => string): string {
  return text.replace(SLOT, (slot, doubled: string | undefined, name: string, digits: string | undefined) => {
    if (doubled) return slot.slice(1);
    const value = values.get(name);
    return digits === undefined ? encode(value) : plain(value).padStart(Number(digits), '0');
  });
}

/**
 * Attributes that stand with an empty value where nothing is known; others are left out. An alt text is: empty, it would
 * say that the picture is decoration, and nobody would be asked for one any more.
 */
const KEPT_EMPTY = new Set(['src', 'href']);

/** Every attribute with a slot in it, and every stretch of text with one, in the pattern's own text. */
function placesIn(pattern: string): { attributes: Attribute[]; texts: { start: number; end: number }[] } {
  const attributes: Attribute[] = [];
  const texts: { start: number; end: number }[] = [];
  const visit = (node: Tree.ChildNode) => {
    const location = node.sourceCodeLocation;
    if (node.nodeName === '#text' && location) texts.push({ start: location.startOffset, end: location.endOffset });
    if (!('tagName' in node)) return;
    attributes.push(...attributesIn(pattern, node, 0));
    (node.nodeName === 'template' && 'content' in node ? node.content.childNodes : node.childNodes).forEach(visit);
  };
  // Inside of a template any element may begin a fragment: `li`, `td`, `dt`.
  const holder = parseFragment('<template></template>').childNodes[0] as Tree.Template;
  parseFragment(holder, pattern, { sourceCodeLocationInfo: true, scriptingEnabled: false }).childNodes.forEach(visit);
  return { attributes, texts };
}

const hasSlot = (text: string): boolean => new RegExp(SLOT.source).test(text);

/** An item's bytes. Attributes whose only slot has no value are left out, but for those that an item must have. */
export function writeBy(pattern: string, values: SlotValues): string {
  const edits: Edit[] = [];
  const { attributes, texts } = placesIn(pattern);
  for (const attribute of attributes) {
    if (!hasSlot(attribute.value)) continue;
    const [only] = [...attribute.value.matchAll(SLOT)];
    const alone = only && only[0] === attribute.value && !only[1];
    if (alone && !values.has(only[2]!) && !KEPT_EMPTY.has(attribute.name)) edits.push(removeAttribute(attribute, pattern));
    else edits.push(replaceValue(attribute, filled(attribute.value, values, plain)));
  }
  for (const { start, end } of texts) {
    const text = pattern.slice(start, end);
    if (hasSlot(text)) edits.push({ start, end, text: filled(text, values, (value) => (typeof value === 'object' ? value.markup : encodeMarkup(value ?? ''))) });
  }
  return joined(pattern, edits);
}

/** The slots of a pattern, each once, in their order. */
export const slotsOf = (pattern: string): string[] => [...new Set([...pattern.matchAll(SLOT)].flatMap((match) => (match[1] ? [] : [match[2]!])))];
