/** What an item holds: its picture, its link, where the two files are named, and its caption. */
import { firstOf, lastOf } from '../site/index.ts';
import { attributeOf, closest, isWithin, textOf, type PageDocument, type PageElement, type Range } from './document.ts';
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
  const around = source && closest(source.element, (one) => one.tag === 'a' || unit.elements.includes(one));
  const link = around?.tag === 'a' && all.includes(around) ? around : (all.find(({ tag }) => tag === 'a') ?? null);
  const href = link && attributeOf(link, 'href');
  const target =
    link && href
      ? { element: link, attribute: href, value: href.value, range: href.valueRange }
      : dataTarget(all, source);
  return { image, link, source, target, caption: captionOf(page, unit, all, source?.element ?? null, link) };
}

/** Not what stands in for another picture while no script runs. */
const isShown = (element: PageElement): boolean =>
  isImage(element) && closest(element, ({ tag }) => tag === 'noscript') === null;

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
  const holds: Holds = (element) =>
    (shown !== null && isWithin(shown, element)) || (link !== null && isWithin(link, element));
  const figcaption = all.find(({ tag }) => tag === 'figcaption');
  if (figcaption && !holds(figcaption)) return insideElement(page, innermost(figcaption));

  const speaking = speakingIn(all);
  const beside = link ? speaking.filter(({ element }) => !isWithin(element, link)) : speaking;
  const home = textHome(page, unit, beside) ?? textHome(page, unit, speaking);
  if (home) return fromHome(page, unit, home, holds);
  const empty = all.find((element) => CAPTIONS.has(element.tag) && element.children.length === 0 && !holds(element));
  return empty ? insideElement(page, empty) : null;
}

/** Whether the picture or the link of an item stands in an element. */
type Holds = (element: PageElement) => boolean;

/** An element with words of its own, and where the first of them stands. */
interface Speaking {
  element: PageElement;
  at: number;
}

/** In the order of their words. */
function speakingIn(all: readonly PageElement[]): Speaking[] {
  const found: Speaking[] = [];
  for (const element of all) {
    if (!says(element) || closest(element, ({ tag }) => SILENT.has(tag))) continue;
    const at = firstText(element);
    found.splice(found.findLastIndex((one) => one.at <= at) + 1, 0, { element, at });
  }
  return found;
}

const says = ({ texts }: PageElement): boolean => texts.some(({ value }) => SAYS.test(value));

/**
 * The element that holds the first text which says something; the parent of a flat run where it stands between its
 * elements.
 */
function textHome(page: PageDocument, unit: Unit, speaking: readonly Speaking[]): PageElement | null {
  const parent = unit.elements[0]?.parent ?? null;
  const loose = parent && insideBetween(page, parent, unit.range).find((node) => node.kind === 'text');
  // “3 of 12” says where the picture stands, not what it shows.
  const deepest = speaking.find(({ element }) => !COUNT.test(textOf(element))) ?? speaking[0];
  if (loose && (!deepest || loose.range.start < deepest.at)) return parent;
  return deepest?.element ?? null;
}

const COUNT =
  /^\s*(?:(?:picture|photo|image|figure|no\.?|nr\.?)\s*|#)?\d+(?:\s*(?:\/|of|von|de|sur)\s*\d+)?\s*[.:)]?\s*$/i;

const firstText = (element: PageElement): number =>
  Math.min(...element.texts.filter(({ value }) => SAYS.test(value)).map(({ range }) => range.start));

/**
 * From the element in which text was found to the caption: the whole element where it is only that, else the run of
 * text and inline markup.
 */
function fromHome(page: PageDocument, unit: Unit, home: PageElement, holds: Holds): Caption {
  const isOutside = closest(home, (element) => unit.elements.includes(element)) === null;
  if (isOutside || holds(home)) return looseIn(page, unit, home, holds);
  // Bold or linked words within a run of text are a part of it.
  let element = home;
  while (
    element.parent &&
    !holds(element.parent) &&
    !unit.elements.includes(element) &&
    !BLOCKS.test(element.tag) &&
    says(element.parent)
  )
    element = element.parent;
  const around = element.parent;
  if (around && !unit.elements.includes(element) && holds(around) && !BLOCKS.test(element.tag) && says(around))
    return looseIn(page, unit, around, holds);
  return insideElement(page, element);
}

function looseIn(page: PageDocument, unit: Unit, home: PageElement, holds: Holds): Caption {
  const nodes = insideBetween(page, home, unit.range);
  const belongs = (node: Inside | undefined): boolean =>
    node !== undefined &&
    (node.kind === 'text' ||
      (!holds(node.element) &&
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
  if (says(element)) return element;
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
