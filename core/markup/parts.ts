/** What an item holds: its picture, its link, where the two files are named, and its caption. */
import { firstOf, lastOf } from '../site/index.ts';
import { ancestors, attributeOf, textOf, type PageDocument, type PageElement, type Range } from './document.ts';
import { dataTarget, firstPicture, isImage, type FilePlace } from './shown.ts';
import { elementsIn, insideBetween, SAYS, type Inside, type Unit } from './units.ts';

/** An item's words: the inside of an element, or text that stands loose. */
export interface Caption {
  /** The element whose inside it is; null where text stands loose. */
  element: PageElement | null;
  /** What is replaced when it is set. */
  range: Range;
  /** Without markup. */
  text: string;
  /** No markup inside. */
  plain: boolean;
}

export interface ItemParts {
  image: PageElement | null;
  link: PageElement | null;
  /** Where the picture that the page shows is named. */
  source: FilePlace | null;
  /** Where the picture that a click opens is named, or what the link leads to. */
  target: FilePlace | null;
  caption: Caption | null;
}

export function partsIn(page: PageDocument, unit: Unit): ItemParts {
  const all = elementsIn(unit);
  const image = all.find(isShown) ?? null;
  const source = firstPicture(page, all, image);
  const inside = new Set(all);
  const around = source ? [source.element, ...ancestors(source.element)].filter((element) => inside.has(element)) : [];
  const link = around.find(({ tag }) => tag === 'a') ?? all.find(({ tag }) => tag === 'a') ?? null;
  const href = link && attributeOf(link, 'href');
  const target =
    link && href
      ? { element: link, attribute: href, value: href.value, range: href.valueRange }
      : dataTarget(all, source);
  return { image, link, source, target, caption: captionOf(page, unit, all, source?.element ?? null, link) };
}

/** Not what stands in for another picture while no script runs. */
const isShown = (element: PageElement): boolean =>
  isImage(element) && ![...ancestors(element)].some(({ tag }) => tag === 'noscript');

/** Elements that hold a caption even while it is empty. */
const CAPTIONS = new Set(['figcaption', 'p', 'span', 'dd', 'div', 'small', 'em']);
const SILENT = new Set(['script', 'style', 'noscript', 'template', 'svg', 'title']);
const BLOCKS = /^(?:p|div|h[1-6]|li|dd|dt|ul|ol|dl|section|article|header|footer|blockquote)$/;

function captionOf(
  page: PageDocument,
  unit: Unit,
  all: readonly PageElement[],
  shown: PageElement | null,
  link: PageElement | null,
): Caption | null {
  const holds = new Set<PageElement>();
  for (const one of [shown, link]) if (one) for (const element of [one, ...ancestors(one)]) holds.add(element);
  const figcaption = all.find(({ tag }) => tag === 'figcaption');
  if (figcaption && !holds.has(figcaption)) return insideElement(page, innermost(figcaption));

  const home =
    textHome(page, unit, all, (element) => element !== link && !(link && [...ancestors(element)].includes(link))) ??
    textHome(page, unit, all, () => true);
  if (home) return fromHome(page, unit, home, holds);
  const empty = all.find(
    (element) => CAPTIONS.has(element.tag) && !holds.has(element) && element.children.length === 0,
  );
  return empty ? insideElement(page, empty) : null;
}

/**
 * The element that holds the first text which says something; the parent of a flat run where it stands between its
 * elements.
 */
function textHome(
  page: PageDocument,
  unit: Unit,
  all: readonly PageElement[],
  counts: (element: PageElement) => boolean,
): PageElement | null {
  const parent = unit.elements[0]?.parent ?? null;
  const loose = parent && insideBetween(page, parent, unit.range).find((node) => node.kind === 'text');
  const speaking = all.filter(
    (element) =>
      counts(element) &&
      !SILENT.has(element.tag) &&
      ![...ancestors(element)].some(({ tag }) => SILENT.has(tag)) &&
      element.texts.some(({ value }) => SAYS.test(value)),
  );
  speaking.sort((a, b) => firstText(a) - firstText(b));
  // “3 of 12” says where the picture stands, not what it shows.
  const deepest = speaking.find((element) => !COUNT.test(textOf(element))) ?? speaking[0];
  if (loose && (!deepest || loose.range.start < firstText(deepest))) return parent;
  return deepest ?? null;
}

const COUNT =
  /^\s*(?:(?:picture|photo|image|figure|no\.?|nr\.?)\s*|#)?\d+(?:\s*(?:\/|of|von|de|sur)\s*\d+)?\s*[.:)]?\s*$/i;

const firstText = (element: PageElement): number =>
  Math.min(...element.texts.filter(({ value }) => SAYS.test(value)).map(({ range }) => range.start));

/**
 * From the element in which text was found to the caption: the whole element where it is only that, else the run of
 * text and inline markup.
 */
function fromHome(page: PageDocument, unit: Unit, home: PageElement, holds: ReadonlySet<PageElement>): Caption {
  const outside =
    !unit.elements.includes(home) && ![...ancestors(home)].some((element) => unit.elements.includes(element));
  if (outside || holds.has(home)) return looseIn(page, unit, home, holds);
  // Bold or linked words within a run of text are a part of it.
  let element = home;
  while (
    element.parent &&
    !holds.has(element.parent) &&
    !unit.elements.includes(element) &&
    !BLOCKS.test(element.tag) &&
    element.parent.texts.some(({ value }) => SAYS.test(value))
  )
    element = element.parent;
  const around = element.parent;
  if (
    around &&
    !unit.elements.includes(element) &&
    holds.has(around) &&
    !BLOCKS.test(element.tag) &&
    around.texts.some(({ value }) => SAYS.test(value))
  )
    return looseIn(page, unit, around, holds);
  return insideElement(page, element);
}

function looseIn(page: PageDocument, unit: Unit, home: PageElement, holds: ReadonlySet<PageElement>): Caption {
  const nodes = insideBetween(page, home, unit.range);
  const belongs = (node: Inside | undefined): boolean =>
    node !== undefined &&
    (node.kind === 'text' ||
      (!holds.has(node.element) &&
        !BLOCKS.test(node.element.tag) &&
        node.element.tag !== 'br' &&
        node.element.tag !== 'img'));
  const at = nodes.findIndex((node) => node.kind === 'text');
  let [from, to] = [at, at];
  while (belongs(nodes[from - 1])) from--;
  while (belongs(nodes[to + 1])) to++;
  const run = nodes.slice(from, to + 1);
  const range = { start: firstOf(run).range.start, end: lastOf(run).range.end };
  return {
    element: null,
    range,
    text: run.map((node) => (node.kind === 'text' ? node.value : textOf(node.element).trim())).join(' '),
    plain: run.every(({ kind }) => kind === 'text') && !page.text.slice(range.start, range.end).includes('<'),
  };
}

/** The words of an element that holds nothing else. */
export const captionIn = (page: PageDocument, element: PageElement): Caption => insideElement(page, innermost(element));

/** Down to where the words stand: through wrappers that hold nothing else. */
function innermost(element: PageElement): PageElement {
  if (element.texts.some(({ value }) => SAYS.test(value))) return element;
  const speaking = element.children.filter((child) => SAYS.test(textOf(child)));
  return speaking.length === 1 ? innermost(firstOf(speaking)) : element;
}

function insideElement(page: PageDocument, element: PageElement): Caption {
  const open = element.open ?? { start: 0, end: 0 };
  const end = element.range?.end ?? open.end;
  // Without an end tag an element reaches to the next one; white space there is no part of the words.
  const range = {
    start: open.end,
    end: element.close?.start ?? open.end + page.text.slice(open.end, end).trimEnd().length,
  };
  return { element, range, text: textOf(element).trim().replace(/\s+/g, ' '), plain: element.children.length === 0 };
}
