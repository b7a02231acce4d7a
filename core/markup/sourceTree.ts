/**
 * The tree that parse5 builds of a page, with no more kept of the source than where each thing begins and ends. Its
 * own tree keeps lines and columns besides, which nobody reads here, and makes every place anew at each end tag.
 */
import { html, parse, parseFragment, type Token, type TreeAdapter, type TreeAdapterTypeMap } from 'parse5';
import type { Edit } from '../site/index.ts';

type Range = Pick<Edit, 'start' | 'end'>;

/** Offsets in the text that was parsed; -1 where nothing is written. */
class Placed {
  start = -1;
  end = -1;
  parent: SourceParent | null = null;
}

export class SourceText extends Placed {
  constructor(public value: string) {
    super();
  }
}

export class SourceComment extends Placed {
  constructor(readonly value: string) {
    super();
  }
}

export class SourceDoctype extends Placed {
  constructor(
    readonly name: string,
    readonly publicId: string,
    readonly systemId: string,
  ) {
    super();
  }
}

export class SourceElement extends Placed {
  children: SourceNode[] = [];
  /** Of a `template`: what it holds. */
  content: SourceRoot | null = null;
  /** Where its start tag ends and its end tag begins. */
  openEnd = -1;
  closeStart = -1;
  /** Of each attribute that its own tag gives it, its start and its end; in the order of `attributes`. */
  attributePlaces: number[] = NO_PLACES;
  constructor(
    readonly tag: string,
    readonly namespace: html.NS,
    readonly attributes: Token.Attribute[],
  ) {
    super();
  }
}

/** The document, or what a `template` holds. */
class SourceRoot extends Placed {
  children: SourceNode[] = [];
  mode = html.DOCUMENT_MODE.NO_QUIRKS;
}

const NO_PLACES: number[] = [];

export type SourceNode = SourceText | SourceComment | SourceDoctype | SourceElement;
type SourceParent = SourceElement | SourceRoot;
type SourceMap = TreeAdapterTypeMap<
  SourceNode | SourceRoot,
  SourceParent,
  SourceNode,
  SourceRoot,
  SourceRoot,
  SourceElement,
  SourceComment,
  SourceText,
  SourceElement,
  SourceDoctype
>;

/** The parser asks for the place of a node only whether there is one, and whether it has an end tag. */
const NOWHERE: Token.Location = { startLine: 0, startCol: 0, startOffset: 0, endLine: 0, endCol: 0, endOffset: 0 };
const OPEN: Token.ElementLocation = NOWHERE;
const CLOSED: Token.ElementLocation = { ...NOWHERE, endTag: NOWHERE };

/** Mostly the last: the parser works at the end of what it has built. */
const placeAmong = (children: readonly SourceNode[], node: SourceNode): number =>
  children.at(-1) === node ? children.length - 1 : children.indexOf(node);

/** Most hold one child or none, and an array that grows by `push` keeps room for many more at once. */
export function withOne<T>(all: T[], one: T): T[] {
  if (all.length === 0) return [one];
  all.push(one);
  return all;
}

function append(parent: SourceParent, node: SourceNode): void {
  parent.children = withOne(parent.children, node);
  node.parent = parent;
}

function insertBefore(parent: SourceParent, node: SourceNode, reference: SourceNode): void {
  parent.children.splice(placeAmong(parent.children, reference), 0, node);
  node.parent = parent;
}

function placesOf({ attributes }: SourceElement, written: Readonly<Record<string, Token.Location>>): number[] {
  const places: number[] = new Array<number>(attributes.length * 2);
  for (const [n, { name, prefix }] of attributes.entries()) {
    const place = written[prefix ? `${prefix}:${name}` : name];
    places[n * 2] = place?.startOffset ?? -1;
    places[n * 2 + 1] = place?.endOffset ?? -1;
  }
  return places;
}

/** Names that an element has; many tags may bring it some (a second `<body>`, a third …). */
const namesOf = new WeakMap<SourceElement, Set<string>>();

function adopt(element: SourceElement, attributes: readonly Token.Attribute[]): void {
  const names = namesOf.get(element) ?? new Set(element.attributes.map(({ name }) => name));
  namesOf.set(element, names);
  for (const attribute of attributes) {
    if (names.has(attribute.name)) continue;
    names.add(attribute.name);
    element.attributes.push(attribute);
  }
}

const adapter: TreeAdapter<SourceMap> = {
  createDocument: () => new SourceRoot(),
  createDocumentFragment: () => new SourceRoot(),
  createElement: (tag, namespace, attributes) => new SourceElement(tag, namespace, attributes),
  createCommentNode: (value) => new SourceComment(value),
  createTextNode: (value) => new SourceText(value),

  appendChild: append,
  insertBefore,
  detachNode(node) {
    if (!node.parent) return;
    node.parent.children.splice(placeAmong(node.parent.children, node), 1);
    node.parent = null;
  },
  insertText(parent, value) {
    const last = parent.children.at(-1);
    if (last instanceof SourceText) last.value += value;
    else append(parent, new SourceText(value));
  },
  insertTextBefore(parent, value, reference) {
    const before = parent.children[placeAmong(parent.children, reference) - 1];
    if (before instanceof SourceText) before.value += value;
    else insertBefore(parent, new SourceText(value), reference);
  },
  adoptAttributes: adopt,
  setTemplateContent(template, content) {
    template.content = content;
  },
  getTemplateContent: (template) => template.content ?? new SourceRoot(),
  setDocumentType(document, name, publicId, systemId) {
    append(document, new SourceDoctype(name, publicId, systemId));
  },
  setDocumentMode(document, mode) {
    document.mode = mode;
  },
  getDocumentMode: (document) => document.mode,

  getFirstChild: ({ children }) => children[0] ?? null,
  getChildNodes: ({ children }) => children,
  getParentNode: ({ parent }) => parent,
  getAttrList: ({ attributes }) => attributes,
  getTagName: ({ tag }) => tag,
  getNamespaceURI: ({ namespace }) => namespace,
  getTextNodeContent: ({ value }) => value,
  getCommentNodeContent: ({ value }) => value,
  getDocumentTypeNodeName: ({ name }) => name,
  getDocumentTypeNodePublicId: ({ publicId }) => publicId,
  getDocumentTypeNodeSystemId: ({ systemId }) => systemId,
  isTextNode: (node) => node instanceof SourceText,
  isCommentNode: (node) => node instanceof SourceComment,
  isDocumentTypeNode: (node) => node instanceof SourceDoctype,
  isElementNode: (node) => node instanceof SourceElement,

  setNodeSourceCodeLocation(node, location) {
    if (!location) return;
    node.start = location.startOffset;
    node.end = location.endOffset;
    if (!(node instanceof SourceElement)) return;
    node.openEnd = location.endOffset;
    if (location.attrs) node.attributePlaces = placesOf(node, location.attrs);
  },
  updateNodeSourceCodeLocation(node, { endOffset, endTag }) {
    if (endOffset !== undefined) node.end = endOffset;
    if (endTag && node instanceof SourceElement) node.closeStart = endTag.startOffset;
  },
  getNodeSourceCodeLocation(node) {
    if (node.start < 0) return null;
    return node instanceof SourceElement && node.closeStart >= 0 ? CLOSED : OPEN;
  },
};

const OPTIONS = { sourceCodeLocationInfo: true, scriptingEnabled: false, treeAdapter: adapter };

export const sourceTree = (text: string): SourceRoot => parse(text, OPTIONS);

/** Of a piece of a page, which any element may begin: `li`, `td`, `dt`. */
export const fragmentTree = (text: string): SourceRoot => parseFragment(text, OPTIONS);

/** Where it stands; null where a browser adds it by itself. */
export const rangeOf = ({ start, end }: SourceNode): Range | null => (start < 0 ? null : { start, end });
