/**
 * Which elements a selector matches: css-select over the page's own elements. The browser must agree; a test asks it.
 */
import { compile, type Options } from 'css-select';
import { parse, walk, type CssNode } from 'css-tree';
import { ancestors, descendants, textOf, valueOf, type PageDocument, type PageElement } from './document.ts';
import type { Result } from '../site/index.ts';

type Adapter = NonNullable<Options<PageElement, PageElement>['adapter']>;

const isElement = (node: PageElement): node is PageElement => node !== null;

const ADAPTER: Adapter = {
  isTag: isElement,
  getAttributeValue: (element, name) => valueOf(element, name.toLowerCase()),
  getChildren: (element) => element.children,
  getName: (element) => element.tag,
  getParent: (element) => element.parent,
  getSiblings: (element) => element.parent?.children ?? [element],
  getText: textOf,
  hasAttrib: (element, name) => valueOf(element, name.toLowerCase()) !== undefined,
  removeSubsets: (elements) =>
    elements.filter((element) => ![...ancestors(element)].some((outer) => elements.includes(outer))),
};

type Matcher = (element: PageElement) => boolean;

/** Stylesheets ask the same selectors again and again; a selector says the same of every page. */
const compiled = new Map<string, Matcher | { reason: string }>();
const MOST_KEPT = 5000;

function compiledFor(selector: string): Matcher | { reason: string } {
  const known = compiled.get(selector);
  if (known) return known;
  if (compiled.size >= MOST_KEPT) compiled.clear();
  let made = tried(selector);
  // What is open at the end is closed there, as a browser does (CSS Syntax Level 3, §5.4.8 and §4.3.5).
  if (typeof made !== 'function') {
    const open = openAtEnd(selector);
    const closed = open === '' ? made : tried(selector + open);
    if (typeof closed === 'function') made = closed;
  }
  compiled.set(selector, made);
  return made;
}

function tried(selector: string): Matcher | { reason: string } {
  try {
    // css-select takes some for selectors that no browser does: `..kite`.
    const wrong = mistakeIn(parse(selector, { context: 'selectorList' }));
    if (wrong !== null) return { reason: wrong };
    // Results are not kept by css-select: its memory would hold on to pages that are gone.
    return compile<PageElement, PageElement>(selector, { adapter: ADAPTER, cacheResults: false });
  } catch (error) {
    return { reason: inPlainWords(error instanceof Error ? error.message : String(error), selector) };
  }
}

/** What the parsers say of a selector, without their names. */
function inPlainWords(said: string, selector: string): string {
  if (/,\s*$/.test(selector)) return 'There is nothing after the last comma';
  if (said.includes('Empty sub-selector')) return NOTHING_IN_IT;
  return said.includes('css-select') ? 'It asks for what no element of the page is, as ::before does' : said;
}

const NOTHING_IN_IT = 'The selector is empty';

/**
 * What css-tree lets pass and a browser does not: a combinator with nothing on one side, and a list with nothing in
 * it.
 */
function mistakeIn(list: CssNode): string | null {
  let wrong: string | null = null;
  walk(list, (node) => {
    if (node.type === 'SelectorList' && node.children.isEmpty) wrong ??= NOTHING_IN_IT;
    if (node.type !== 'Selector') return;
    if (node.children.last?.type === 'Combinator') wrong ??= 'There is nothing after the last combinator';
    // Inside of `:has()` a selector may begin with one.
    if (
      node.children.first?.type === 'Combinator' &&
      list.type === 'SelectorList' &&
      list.children.some((child) => child === node)
    )
      wrong ??= 'There is nothing before the first combinator';
  });
  return wrong;
}

/** The quotes and brackets that are still missing. */
function openAtEnd(selector: string): string {
  const open: string[] = [];
  for (let n = 0; n < selector.length; n++) {
    const sign = selector.charAt(n);
    if (sign === '\\') n++;
    else if (sign === open.at(-1)) open.pop();
    else if (open.at(-1) === '"' || open.at(-1) === "'") continue;
    else if (sign === '"' || sign === "'") open.push(sign);
    else if (sign === '[') open.push(']');
    else if (sign === '(') open.push(')');
  }
  return open.reverse().join('');
}

/** Whether a selector matches an element; null for one that does not parse or asks for what a still page cannot say. */
export function matcherFor(selector: string): Matcher | null {
  const made = compiledFor(selector);
  return typeof made === 'function' ? made : null;
}

/** The elements in document order; a selector that does not parse is an error that says so. */
export function matches(page: PageDocument, selector: string): Result<{ elements: PageElement[] }> {
  const root = page.elements[0];
  if (!root) return { ok: true, elements: [] };
  const test = compiledFor(selector);
  return typeof test === 'function'
    ? { ok: true, elements: [root, ...descendants(root)].filter((element) => test(element)) }
    : { ok: false, reason: test.reason };
}
