/**
 * A page as the browser would build it, with the place in the source of every element and attribute: plain elements
 * that can be compared and kept, made of the tree that the parser builds.
 */
import { DEEPEST, known, LineIndex } from '../site/index.ts';
import { placesAdopted } from './adopted.ts';
import {
  rangeOf,
  SourceComment,
  SourceDoctype,
  SourceElement,
  type SourceNode,
  SourceText,
  sourceTree,
  withOne,
} from './sourceTree.ts';
import { templateCode, withoutTemplates } from './template.ts';

export interface Range {
  start: number;
  end: number;
}

export interface Attribute {
  /** In lower case, as the parser gives it. */
  name: string;
  /** Entities decoded, line breaks normalised. */
  value: string;
  /** From the name to the closing quote. */
  range: Range;
  /** Between the quotes; empty at the end of the name where there is no value. */
  valueRange: Range;
  quote: '"' | "'" | '' | 'none';
}

export interface PageElement {
  tag: string;
  attributes: Attribute[];
  parent: PageElement | null;
  children: PageElement[];
  /** Place in document order. */
  index: number;
  /** Place among its parent's children. */
  place: number;
  /** The whole element; of an element that the browser adds by itself there is none. */
  range: Range | null;
  /** The start tag. */
  open: Range | null;
  /** The end tag; null where it is left out or does not exist. */
  close: Range | null;
  /** Text directly inside, as written in the source. */
  texts: Text[];
}

export interface Text {
  range: Range;
  value: string;
}

/**
 * Where an element stands that was written.
 * @throws for one that the browser adds by itself.
 */
export const placeOf = ({ tag, range }: PageElement): Range => known(range, `place of <${tag}> in the source`);

/** What the author has said of a page: that elements of a selector are items of a gallery, or that they are none. */
export interface UnitHint {
  selector: string;
  gallery: boolean;
}

export interface PageDocument {
  text: string;
  /** It is read by these wherever it is read again. */
  units: readonly UnitHint[];
  /** Every element in document order; the first is `html`. */
  elements: PageElement[];
  comments: Range[];
  /** Code that a server runs; what it writes stands in none of the elements. */
  templates: readonly Range[];
  /** The first element that lies deeper than is read; it and all in it are left out. Null where none does. */
  tooDeep: Range | null;
  lines: LineIndex;
  /** Places where the tree and the source do not agree one to one. */
  doctype: boolean;
}

/** Attribute lookup by lower-case name. */
export const attributeOf = (element: PageElement, name: string): Attribute | undefined =>
  element.attributes.find((attribute) => attribute.name === name);
export const valueOf = (element: PageElement, name: string): string | undefined => attributeOf(element, name)?.value;

export function* ancestors(element: PageElement): Generator<PageElement> {
  for (let at = element.parent; at; at = at.parent) yield at;
}

/** From the element itself up to the first that fits; null where none does. */
export function closest(element: PageElement, fits: (one: PageElement) => boolean): PageElement | null {
  for (let at: PageElement | null = element; at; at = at.parent) if (fits(at)) return at;
  return null;
}

/**
 * The element, or the nearest around it, that has a tag in the text: a browser puts in some by itself (`tbody`), and
 * nothing can be written on these. Null where only such are around it.
 */
export const nearestWritten = (element: PageElement): PageElement | null =>
  closest(element, ({ open }) => open !== null);

/** Whether it is the other one or stands in it. */
export const isWithin = (element: PageElement, outer: PageElement): boolean =>
  closest(element, (one) => one === outer) !== null;

/** Whether something in an element fits. */
export const someInside = ({ children }: PageElement, fits: (one: PageElement) => boolean): boolean =>
  children.some((child) => fits(child) || someInside(child, fits));

export function* descendants(element: PageElement): Generator<PageElement> {
  for (const child of element.children) {
    yield child;
    yield* descendants(child);
  }
}

export function textOf(element: PageElement): string {
  const [only] = element.texts;
  if (element.children.length === 0 && element.texts.length <= 1) return only?.value ?? '';
  const texts: Text[] = [];
  gatherTexts(element, texts);
  // A browser may have moved some of them elsewhere than where they are written.
  const isInOrder = texts.every(({ range }, n) => n === 0 || range.start >= (texts[n - 1]?.range.start ?? 0));
  if (!isInOrder) texts.sort((a, b) => a.range.start - b.range.start);
  return texts.map(({ value }) => value).join('');
}

function gatherTexts({ texts, children }: PageElement, found: Text[]): void {
  let next = 0;
  for (const child of children) {
    const before = child.range?.start ?? 0;
    for (let text = texts[next]; text && text.range.start < before; text = texts[++next]) found.push(text);
    gatherTexts(child, found);
  }
  for (let text = texts[next]; text; text = texts[++next]) found.push(text);
}

/** Child numbers from `html` down to the element; the probe on the live page walks the same way. */
export function pathTo(element: PageElement): number[] {
  const path: number[] = [];
  for (let at = element; at.parent; at = at.parent) path.unshift(at.place);
  return path;
}

export function parsePage(text: string, units: readonly UnitHint[] = []): PageDocument {
  const templates = templateCode(text);
  const page: PageDocument = {
    text,
    units,
    templates,
    elements: [],
    comments: [],
    tooDeep: null,
    lines: new LineIndex(text),
    doctype: false,
  };
  // A byte order mark is no text of the page; left in, it would open the body before the doctype is read.
  const readable = withoutTemplates(text, templates).replace(/^\uFEFF/, ' ');
  for (const child of sourceTree(readable).children) {
    if (child instanceof SourceDoctype) page.doctype = true;
    visit(child, null, page, 0);
  }
  return page;
}

function visit(node: SourceNode, parent: PageElement | null, page: PageDocument, depth: number): void {
  const range = rangeOf(node);
  if (node instanceof SourceText && parent && range) parent.texts = withOne(parent.texts, { range, value: node.value });
  if (node instanceof SourceComment && range) page.comments.push(range);
  if (!(node instanceof SourceElement)) return;
  if (depth > DEEPEST) {
    page.tooDeep ??= range ?? { start: 0, end: 0 };
    return;
  }
  const element = elementFrom(node, parent, page, range);
  page.elements.push(element);
  if (parent) parent.children = withOne(parent.children, element);
  for (const child of node.content?.children ?? node.children) visit(child, element, page, depth + 1);
}

function elementFrom(
  node: SourceElement,
  parent: PageElement | null,
  page: PageDocument,
  range: Range | null,
): PageElement {
  const attributes = attributesIn(page.text, node);
  const adopts = node.tag === 'html' || node.tag === 'body';
  if (adopts && range) attributes.push(...adopted(page.text, node));
  return {
    tag: node.tag,
    attributes,
    parent,
    children: [],
    index: page.elements.length,
    place: parent?.children.length ?? 0,
    range,
    open: range && { start: node.start, end: node.openEnd },
    close: node.closeStart < 0 ? null : { start: node.closeStart, end: node.end },
    texts: [],
  };
}

/** The attributes of a parsed element that are written in its own tag. */
export function attributesIn(text: string, { attributes, attributePlaces }: SourceElement): Attribute[] {
  const found: Attribute[] = [];
  for (const [n, { name, prefix, value }] of attributes.entries()) {
    const [start = -1, end = -1] = [attributePlaces[n * 2], attributePlaces[n * 2 + 1]];
    if (start >= 0) found.push(attributeFrom(text, prefix ? `${prefix}:${name}` : name, value, { start, end }));
  }
  return found;
}

/** Those that a second tag of the same name gives it. */
function adopted(text: string, { tag, attributes, attributePlaces, openEnd }: SourceElement): Attribute[] {
  const missing = attributes.slice(attributePlaces.length / 2);
  return placesAdopted(text, tag, missing, openEnd).map(({ attribute: { name, value }, place }) =>
    attributeFrom(text, name, value, place),
  );
}

/**
 * Finds the value inside an attribute's range: WHATWG HTML §13.1.2.3 allows white space on both sides of the equals
 * sign.
 */
function attributeFrom(text: string, name: string, value: string, range: Range): Attribute {
  const { end } = range;
  // A name may begin with an equals sign; it is no sign of a value there.
  let at = range.start + name.length;
  while (at < end && isSpace(text.charCodeAt(at))) at++;
  if (at >= end || text[at] !== '=') return { name, value, range, valueRange: { start: end, end }, quote: 'none' };
  at++;
  while (at < end && isSpace(text.charCodeAt(at))) at++;
  const quote = text[at];
  if (quote === '"' || quote === "'") return { name, value, range, valueRange: { start: at + 1, end: end - 1 }, quote };
  return { name, value, range, valueRange: { start: at, end }, quote: '' };
}

const isSpace = (code: number): boolean => code === 32 || (code >= 9 && code <= 13);
