/** Which elements a selector matches: css-select over the page's own elements. The browser must agree; a test asks it. */
import { compile, type Options } from 'css-select';
import { ancestors, descendants, textOf, valueOf, type PageDocument, type PageElement } from './document.ts';

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
  removeSubsets: (elements) => elements.filter((element) => ![...ancestors(element)].some((outer) => elements.includes(outer))),
};

export type Matcher = (element: PageElement) => boolean;

/** Stylesheets ask the same selectors again and again; a selector says the same of every page. */
const compiled = new Map<string, Matcher | { reason: string }>();
const MOST_KEPT = 5000;

function compiledFor(selector: string): Matcher | { reason: string } {
  const known = compiled.get(selector);
  if (known) return known;
  if (compiled.size >= MOST_KEPT) compiled.clear();
  let made: Matcher | { reason: string };
  try {
    // Results are not kept by css-select: its memory would hold on to pages that are gone.
    made = compile<PageElement, PageElement>(selector, { adapter: ADAPTER, cacheResults: false });
  } catch (error) {
    made = { reason: error instanceof Error ? error.message : String(error) };
  }
  compiled.set(selector, made);
  return made;
}

/** Whether a selector matches an element; null for one that does not parse or asks for what a still page cannot say. */
export function matcherFor(selector: string): Matcher | null {
  const made = compiledFor(selector);
  return typeof made === 'function' ? made : null;
}

/** The elements in document order; a selector that does not parse is an error that says so. */
export function matches(page: PageDocument, selector: string): { ok: true; elements: PageElement[] } | { ok: false; reason: string } {
  const root = page.elements[0];
  if (!root) return { ok: true, elements: [] };
  const test = compiledFor(selector);
  return typeof test === 'function' ? { ok: true, elements: [root, ...descendants(root)].filter((element) => test(element)) } : { ok: false, reason: test.reason };
}
