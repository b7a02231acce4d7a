/**
 * Places at which a page may have a gallery, found by parse5 alone and by the simplest of rules: the nearest element in
 * which more than one branch holds pictures. Whether each is one was told by eye (`labelled.ts`).
 */
import { parse, type DefaultTreeAdapterTypes as Tree } from 'parse5';

export interface Place {
  /** Child numbers from `html`. */
  at: string;
  tag: string;
  /** Where the tags of the pictures begin in the source. */
  pictures: number[];
  /** From its first tag to its last. */
  start: number;
  end: number;
}

const OPENS_PICTURE = /\.(jpe?g|png|gif|svg|webp)$/i;

const elementsOf = (node: Tree.Node): Tree.Element[] =>
  'childNodes' in node ? node.childNodes.filter((child): child is Tree.Element => 'tagName' in child) : [];

const isPicture = (element: Tree.Element): boolean =>
  element.tagName === 'img' ||
  (element.tagName === 'a' && OPENS_PICTURE.test(element.attrs.find(({ name }) => name === 'href')?.value ?? ''));

/** Parts of a table stand for the whole of it. */
const PARTS = new Set(['tr', 'tbody', 'thead', 'tfoot']);

export function placesIn(text: string): Place[] {
  const page = parse(text, { sourceCodeLocationInfo: true, scriptingEnabled: false });
  const counts = new Map<Tree.Node, number>();
  const pictures: Tree.Element[] = [];
  const count = (node: Tree.Node): number => {
    let sum = 0;
    for (const child of elementsOf(node)) {
      if (isPicture(child)) pictures.push(child);
      sum += count(child) + (isPicture(child) ? 1 : 0);
    }
    counts.set(node, sum);
    return sum;
  };
  count(page);
  const holds = (element: Tree.Element) => isPicture(element) || (counts.get(element) ?? 0) > 0;
  const found = new Map<Tree.Element, number[]>();
  for (const picture of pictures) {
    let at: Tree.Node | null = picture.parentNode;
    let branches = false;
    // What branches within a table stands for the whole of it.
    while (at && 'tagName' in at && !(branches && !PARTS.has(at.tagName))) {
      branches ||= elementsOf(at).filter(holds).length > 1 && at.tagName !== 'a';
      if (!branches || PARTS.has(at.tagName)) at = at.parentNode;
    }
    const start = picture.sourceCodeLocation?.startOffset;
    if (!at || !('tagName' in at) || !at.sourceCodeLocation || start === undefined) continue;
    found.set(at, [...(found.get(at) ?? []), start]);
  }
  return [...found].map(([element, starts]) => ({
    at: wayTo(element),
    tag: element.tagName,
    pictures: starts.sort((a, b) => a - b),
    start: element.sourceCodeLocation?.startOffset ?? 0,
    end: element.sourceCodeLocation?.endOffset ?? 0,
  }));
}

function wayTo(element: Tree.Element): string {
  const way: number[] = [];
  for (let at: Tree.Element = element; at.parentNode && at.tagName !== 'html'; at = at.parentNode as Tree.Element)
    way.unshift(elementsOf(at.parentNode).indexOf(at));
  return way.join('.');
}
