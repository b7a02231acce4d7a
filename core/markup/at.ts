/** From a place in the source to the element there, and back from the element's place in the tree. */
import { pathTo, type PageDocument, type PageElement, type Range } from './document.ts';

/** The innermost element whose source holds the offset; null outside of all. */
export function elementAt(page: PageDocument, offset: number): PageElement | null {
  let found: PageElement | null = null;
  // In document order, what stands inside comes behind what is around it.
  for (const element of page.elements) {
    const { range } = element;
    if (range && range.start <= offset && offset < range.end && (!found?.range || range.start >= found.range.start)) found = element;
  }
  return found;
}

/** The element at child numbers from `html` down; the nearest one around it that is written in the source. */
export function elementBy(page: PageDocument, path: readonly number[]): PageElement | null {
  let at = page.elements[0] ?? null;
  let written: PageElement | null = null;
  for (const n of path) {
    at = at?.children[n] ?? null;
    if (!at) break;
    if (at.range) written = at;
  }
  return written;
}

export interface Tie {
  /** Child numbers from `html` down, as the live page counts them. */
  element: number[];
  range: Range;
}

/** What ties a place in the source to the live page; nothing is tied to the whole page or its head. */
export function tieOf(element: PageElement | null): Tie | null {
  if (!element?.range || ['html', 'head', 'body'].includes(element.tag)) return null;
  for (let at: PageElement | null = element; at; at = at.parent) if (at.tag === 'head') return null;
  return { element: pathTo(element), range: element.range };
}
