/**
 * How a run of siblings is cut into units. A unit is what belongs to one picture: the element that holds it and, in a
 * flat run, what stands behind or before it in every one of them: `a` + `p`, `h3` + `a`, `a` + text.
 */
import { firstNot, firstOf, known, lastOf } from '../site/index.ts';
import { type PageDocument, type PageElement, type Range, placeOf, textOf } from './document.ts';
import { isLongProse } from './prose.ts';

export interface Unit {
  elements: PageElement[];
  range: Range;
}

/** Text with a letter or a digit in it says something; the rest separates. */
export const SAYS = /[\p{L}\p{N}]/u;

/** What may stand between two items without being of either. */
export const SEPARATOR = /^(?:\s|,|;|\||·|•|\/|&nbsp;|&bull;|&middot;|<br\s*\/?>)*$/i;

export type Inside =
  { kind: 'element'; element: PageElement; range: Range } | { kind: 'text'; value: string; range: Range };

const insides = new WeakMap<PageElement, Inside[]>();

/** What stands directly inside an element and has a place in the source, in order; text narrowed to what it says. */
function insideOf(page: PageDocument, parent: PageElement): readonly Inside[] {
  const before = insides.get(parent);
  if (before) return before;
  const found = findInside(page, parent);
  insides.set(parent, found);
  return found;
}

/** The same between two places of the source. */
export function insideBetween(page: PageDocument, parent: PageElement, { start, end }: Range): Inside[] {
  const all = insideOf(page, parent);
  const from = firstNot(all, ({ range }) => range.start < start);
  const to = firstNot(all, ({ range }) => range.start < end);
  return all.slice(from, to).filter(({ range }) => range.end <= end);
}

function findInside(page: PageDocument, parent: PageElement): Inside[] {
  const found: Inside[] = [];
  for (const element of parent.children)
    if (element.range) found.push({ kind: 'element', element, range: element.range });
  for (const { value, range } of parent.texts) {
    if (!SAYS.test(value)) continue;
    // In the source, for line breaks and entities are shorter as the browser reads them.
    const written = page.text.slice(range.start, range.end);
    const lead = /^(?:\s|&nbsp;|[,;|·•])*/.exec(written)?.[0].length ?? 0;
    const tail = /(?:\s|&nbsp;|[,;|·•])*$/.exec(written)?.[0].length ?? 0;
    found.push({
      kind: 'text',
      value: value.replace(/^[\s,;|·•]+|[\s,;|·•]+$/g, ''),
      range: { start: range.start + lead, end: range.end - tail },
    });
  }
  return found.sort((a, b) => a.range.start - b.range.start);
}

/** Tags that end a run rather than belong to one of its items. */
const APART = new Set([
  'nav',
  'section',
  'article',
  'table',
  'ul',
  'ol',
  'dl',
  'script',
  'style',
  'form',
  'header',
  'footer',
  'main',
  'aside',
]);
const BREAKS = new Set(['br', 'hr']);
/** More nodes than this between two pictures are not a caption. */
const MOST_TAIL = 3;

const kindOf = (node: Inside): string => (node.kind === 'text' ? '#' : node.element.tag);
const isBreak = (node: Inside): boolean => node.kind === 'element' && BREAKS.has(node.element.tag);
const shapeOf = (nodes: readonly Inside[]): string => nodes.map(kindOf).join();

function withoutBreaks(nodes: readonly Inside[]): Inside[] {
  const from = nodes.findIndex((node) => !isBreak(node));
  return from === -1 ? [] : nodes.slice(from, nodes.findLastIndex((node) => !isBreak(node)) + 1);
}

/** One unit for each head; `bears` says whether an element holds a picture. */
export function unitsOf(
  page: PageDocument,
  parent: PageElement,
  heads: readonly PageElement[],
  bears: (element: PageElement) => boolean,
): Unit[] {
  const placed = heads.filter((head) => head.range);
  const alone = placed.map((head): Unit => ({ elements: [head], range: placeOf(head) }));
  const nodes = insideOf(page, parent);
  const numbers = new Map(nodes.flatMap((node, n) => (node.kind === 'element' ? [[node.element, n] as const] : [])));
  const places = placed.map((head) => numbers.get(head) ?? -1);
  if (placed.length < 2 || places.some((place) => place < 0)) return alone;
  const gaps = places.slice(1).map((place, n) => nodes.slice((places[n] ?? 0) + 1, place));
  const lead = nodes.slice(0, places[0]);
  const tail = nodes.slice(lastOf(places) + 1);
  const inner = gaps.map(withoutBreaks);
  const [first = []] = inner;
  const shape = shapeOf(first);
  const fits = (some: readonly Inside[]) =>
    shapeOf(some) === shape &&
    some.every((node) => node.kind === 'text' || (!APART.has(node.element.tag) && !bears(node.element)));
  if (first.length === 0 || first.length > MOST_TAIL || !inner.every(fits)) return alone;

  const after = withoutBreaks(tail).slice(0, first.length);
  if (fits(after)) return places.map((place, n) => unitFrom([known(nodes[place], 'head'), ...(inner[n] ?? after)]));
  const before = withoutBreaks(lead).slice(-first.length);
  // A paragraph of the text leads to its picture, and names it no more than the one before.
  const isText = [before, ...inner].some((some) =>
    some.some((node) => node.kind === 'element' && node.element.tag === 'p' && isLongProse(textOf(node.element))),
  );
  if (fits(before) && !isText)
    return places.map((place, n) => unitFrom([...(inner[n - 1] ?? before), known(nodes[place], 'head')]));
  return alone;
}

/** A unit by itself, cut as another one is: what stands before and behind the picture there does so here. */
export function unitLike(page: PageDocument, model: Unit, modelHead: PageElement, head: PageElement): Unit | null {
  if (!head.range || !head.parent || !modelHead.parent) return null;
  const alone: Unit = { elements: [head], range: head.range };
  const isHead = (wanted: PageElement) => (node: Inside) => node.kind === 'element' && node.element === wanted;
  const wanted = withoutBreaks(insideBetween(page, modelHead.parent, model.range));
  const nodes = insideOf(page, head.parent).filter((node) => !isBreak(node));
  const before = wanted.findIndex(isHead(modelHead));
  const at = nodes.findIndex(isHead(head));
  const own = at < before ? [] : nodes.slice(at - before, at - before + wanted.length);
  return before >= 0 && own.length > 0 && shapeOf(own) === shapeOf(wanted) ? unitFrom(own) : alone;
}

const unitFrom = (nodes: readonly Inside[]): Unit => ({
  elements: nodes.flatMap((node) => (node.kind === 'element' ? [node.element] : [])),
  range: { start: firstOf(nodes).range.start, end: lastOf(nodes).range.end },
});

const HEADING = /^h[1-6]$/;

/** Runs that headings or rules part; where one stands before every picture it is a caption and parts nothing. */
export function splitAtHeadings(parent: PageElement, heads: readonly PageElement[]): PageElement[][] {
  const between = heads.slice(1).map((head, n) => {
    return parent.children
      .slice((heads[n]?.place ?? 0) + 1, head.place)
      .some(({ tag }) => HEADING.test(tag) || tag === 'hr');
  });
  const parts = between.filter(Boolean).length;
  if (parts === 0 || parts === between.length) return [[...heads]];
  const runs: PageElement[][] = [[firstOf(heads)]];
  for (const [n, head] of heads.slice(1).entries()) {
    if (between[n]) runs.push([head]);
    else lastOf(runs).push(head);
  }
  return runs;
}

/** Every element of a unit, in document order. */
export function elementsIn({ elements }: Pick<Unit, 'elements'>): PageElement[] {
  const found: PageElement[] = [];
  const gather = (element: PageElement) => {
    found.push(element);
    for (const child of element.children) gather(child);
  };
  elements.forEach(gather);
  return found;
}
