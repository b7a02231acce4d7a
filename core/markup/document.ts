/**
 * A page as the browser would build it, with the place in the source of every element and attribute.
 * parse5 builds the tree; this is a lighter copy without its node types, so that the rest of the core
 * works on plain elements and the copy can be compared and kept.
 */
import { parse, type DefaultTreeAdapterTypes as Tree } from 'parse5';
import { DEEPEST, known, LineIndex } from '../site/index.ts';
import { adoptedBy } from './adopted.ts';
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
  texts: { range: Range; value: string }[];
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

export function* descendants(element: PageElement): Generator<PageElement> {
  for (const child of element.children) {
    yield child;
    yield* descendants(child);
  }
}

export function textOf(element: PageElement): string {
  const [only] = element.texts;
  if (element.children.length === 0 && element.texts.length <= 1) return only?.value ?? '';
  const parts: { at: number; value: string }[] = [];
  const gather = (one: PageElement) => {
    for (const text of one.texts) parts.push({ at: text.range.start, value: text.value });
    one.children.forEach(gather);
  };
  gather(element);
  return parts
    .sort((a, b) => a.at - b.at)
    .map((part) => part.value)
    .join('');
}

/** Child numbers from `html` down to the element; the probe on the live page walks the same way. */
export function pathTo(element: PageElement): number[] {
  const path: number[] = [];
  for (let at = element; at.parent; at = at.parent) path.unshift(at.place);
  return path;
}

export function parsePage(text: string, units: readonly UnitHint[] = []): PageDocument {
  // A byte order mark is no text of the page; left in, it would open the body before the doctype is read.
  const shift = text.startsWith('\uFEFF') ? 1 : 0;
  const templates = templateCode(text);
  const readable = withoutTemplates(text, templates);
  const tree = parse(shift ? readable.slice(1) : readable, { sourceCodeLocationInfo: true, scriptingEnabled: false });
  const lines = new LineIndex(text);
  const page: PageDocument = {
    text,
    units,
    templates,
    elements: [],
    comments: [],
    tooDeep: null,
    lines,
    doctype: false,
  };
  for (const child of tree.childNodes) {
    if (child.nodeName === '#documentType') page.doctype = true;
    visit(child, null, page, { shift, depth: 0 });
  }
  return page;
}

type Located = { startOffset: number; endOffset: number };
const rangeOf = (location: Located, shift: number): Range => ({
  start: location.startOffset + shift,
  end: location.endOffset + shift,
});

interface At {
  /** Letters that stand before the text that was parsed. */
  shift: number;
  depth: number;
}

function visit(node: Tree.ChildNode, parent: PageElement | null, page: PageDocument, { shift, depth }: At): void {
  const range = node.sourceCodeLocation ? rangeOf(node.sourceCodeLocation, shift) : null;
  if (node.nodeName === '#comment' && range) page.comments.push(range);
  if (node.nodeName === '#text' && 'value' in node && range) parent?.texts.push({ range, value: node.value });
  if (!('tagName' in node)) return;
  if (depth > DEEPEST) {
    page.tooDeep ??= range ?? { start: 0, end: 0 };
    return;
  }
  const element = elementFrom(node, parent, page, shift);
  page.elements.push(element);
  parent?.children.push(element);
  for (const child of childrenOf(node)) visit(child, element, page, { shift, depth: depth + 1 });
}

/** Inside of an SVG, `template` is an element like any other. */
const childrenOf = (node: Tree.Element): Tree.ChildNode[] =>
  'content' in node && node.content ? (node as Tree.Template).content.childNodes : node.childNodes;

function elementFrom(node: Tree.Element, parent: PageElement | null, page: PageDocument, shift: number): PageElement {
  const place = node.sourceCodeLocation ?? null;
  const adopts = node.tagName === 'html' || node.tagName === 'body';
  return {
    tag: node.tagName,
    attributes: [
      ...attributesIn(page.text, node, shift),
      ...(adopts && place?.startTag ? adopted(page.text, node, rangeOf(place.startTag, shift).end) : []),
    ],
    parent,
    children: [],
    index: page.elements.length,
    place: parent?.children.length ?? 0,
    range: place && rangeOf(place, shift),
    open: place?.startTag ? rangeOf(place.startTag, shift) : place && rangeOf(place, shift),
    close: place?.endTag ? rangeOf(place.endTag, shift) : null,
    texts: [],
  };
}

/** The attributes of a parsed element that are written in the source. */
export function attributesIn(text: string, node: Tree.Element, shift: number): Attribute[] {
  const place = node.sourceCodeLocation?.attrs;
  const attributes: Attribute[] = [];
  if (!place) return attributes;
  for (const { name, prefix, value } of node.attrs) {
    const written = prefix ? `${prefix}:${name}` : name;
    const at = place[written];
    if (at) attributes.push(attributeFrom(text, written, value, rangeOf(at, shift)));
  }
  return attributes;
}

const adopted = (text: string, node: Tree.Element, from: number): Attribute[] =>
  adoptedBy(text, node, from).map(({ attribute: { name, value }, place }) =>
    attributeFrom(text, name, value, rangeOf(place, 0)),
  );

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
