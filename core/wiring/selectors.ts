/** Which elements a selector matches: css-select over the page's own elements. The browser must agree; a test asks it. */
import { compile, type Options } from 'css-select';
import { ancestors, descendants, textOf, valueOf, type PageDocument, type PageElement } from '../markup/index.ts';

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

/** The elements in document order; a selector that does not parse is an error that says so. */
export function matches(page: PageDocument, selector: string): { ok: true; elements: PageElement[] } | { ok: false; reason: string } {
  const root = page.elements[0];
  if (!root) return { ok: true, elements: [] };
  try {
    const test = compile<PageElement, PageElement>(selector, { adapter: ADAPTER });
    return { ok: true, elements: [root, ...descendants(root)].filter((element) => test(element)) };
  } catch (error) {
    return { ok: false, reason: error instanceof Error ? error.message : String(error) };
  }
}
