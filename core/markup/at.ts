/** From a place in the source to the element there, and back from the element's place in the tree. */
import { ancestors, pathTo, valueOf, type PageDocument, type PageElement, type Range } from './document.ts';

/**
 * The innermost element whose source holds the offset, or else the outermost that ends right there, as at the end of
 * a line; null outside of all.
 */
export function elementAt(page: PageDocument, offset: number): PageElement | null {
  let found: PageElement | null = null;
  let ended: PageElement | null = null;
  // In document order, what stands inside comes behind what is around it.
  for (const element of page.elements) {
    const { range } = element;
    if (!range || range.start > offset) continue;
    if (offset < range.end && range.start >= startOf(found)) found = element;
    else if (range.end === offset) ended ??= element;
  }
  // Only beside what holds it: where another element begins, that one is meant.
  return ended && found && startOf(ended) >= startOf(found) ? ended : found;
}

const startOf = (element: PageElement | null): number => element?.range?.start ?? -1;

/** The element at child numbers from `html` down; the nearest one around it that is written in the source. */
export function elementBy(page: PageDocument, path: readonly number[]): PageElement | null {
  let at = page.elements[0] ?? null;
  // Without numbers it is the root itself.
  let written: PageElement | null = path.length === 0 && at?.range ? at : null;
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
  /** Tags from the body inwards, with their first class. */
  trail: string[];
}

/** What ties a place in the source to the live page; nothing is tied to the whole page or its head. */
export function tieOf(element: PageElement | null): Tie | null {
  if (!element?.range || ['html', 'head', 'body'].includes(element.tag)) return null;
  const around = [element, ...ancestors(element)].reverse();
  if (around.some(({ tag }) => tag === 'head')) return null;
  const trail = around.slice(2).map((one) => {
    const name = valueOf(one, 'class')?.trim().split(/\s+/)[0];
    return name ? `${one.tag}.${name}` : one.tag;
  });
  return { element: pathTo(element), range: element.range, trail };
}
