/** Pictures that stylesheets draw, and the fonts that a page's words are set in. */
import { textOf, type PageElement } from '../markup/index.ts';
import { allHold, valueFor, weightOf, winnerFor, type Rule, type Situation, type Stylesheet } from '../style/index.ts';

/** An address in a stylesheet that is loaded when the page is laid out. */
interface Drawn {
  address: string;
  stylesheet: Stylesheet;
  offset: number;
  /** The first element that needs it. */
  element: PageElement;
}

/** Longhands that show a picture, and what sets each of them (CSS Backgrounds 3, Lists 3, Masking 1). */
const SHOWING: Readonly<Record<string, readonly string[]>> = {
  'background-image': ['background', 'background-image'],
  'list-style-image': ['list-style', 'list-style-image'],
  'border-image-source': ['border-image', 'border-image-source'],
  'mask-image': ['mask', 'mask-image', '-webkit-mask', '-webkit-mask-image'],
  content: ['content'],
};

const ADDRESS = /url\(\s*(?:"([^"]*)"|'([^']*)'|([^"')\s][^)]*?))\s*\)/gi;

/** An element that is shown as `::before` or `::after` has no element of its own to ask. */
const PSEUDO = /::?(?:before|after|marker)$/i;

/** In the order of the elements that they are drawn at. */
export function drawnOn(situation: Situation): Drawn[] {
  const { elements } = situation.page.document;
  const shown = shownIn(situation);
  const asking = rulesWith(situation, (value) => /url\(/i.test(value));
  const found: Drawn[] = [];
  for (const element of elements) {
    if (!isBody(element) || !shown(element)) continue;
    for (const [longhand, names] of Object.entries(SHOWING)) {
      if (!mayShow(element, names, asking)) continue;
      const winner = winnerFor(situation, element, longhand);
      if (winner) found.push(...addressesOf(winner.rule.stylesheet, winner.declaration, element));
    }
  }
  return [...found, ...pseudoDrawn(situation, asking, shown)];
}

const isBody = (element: PageElement): boolean =>
  !['head', 'script', 'style', 'title', 'meta', 'link'].includes(element.tag);

function mayShow(element: PageElement, names: readonly string[], rules: readonly Rule[]): boolean {
  const style = element.attributes.find(({ name }) => name === 'style');
  if (style && /url\(/i.test(style.value)) return true;
  return rules.some(
    (rule) =>
      rule.declarations.some(({ property }) => names.includes(property)) && weightOf(rule, element, null) !== null,
  );
}

function addressesOf(
  stylesheet: Stylesheet,
  { value, valueRange }: Rule['declarations'][number],
  element: PageElement,
): Drawn[] {
  return [...value.matchAll(ADDRESS)].map((match) => ({
    address: match[1] ?? match[2] ?? match[3] ?? '',
    stylesheet,
    offset: valueRange.start + match.index,
    element,
  }));
}

/** What `::before` and `::after` show; of these no cascade is read, so each rule that fits counts. */
function pseudoDrawn(situation: Situation, rules: readonly Rule[], shown: (one: PageElement) => boolean): Drawn[] {
  return rules.flatMap((rule) => {
    const bare = rule.selectors
      .filter(({ text }) => PSEUDO.test(text))
      .map((selector) => ({ ...selector, text: selector.text.replace(PSEUDO, '') || '*' }));
    if (bare.length === 0) return [];
    const element = situation.page.document.elements.find(
      (one) => isBody(one) && shown(one) && weightOf({ ...rule, selectors: bare }, one, null) !== null,
    );
    if (!element) return [];
    return rule.declarations
      .filter(({ property }) => Object.values(SHOWING).some((names) => names.includes(property)))
      .flatMap((declaration) => addressesOf(rule.stylesheet, declaration, element));
  });
}

function rulesWith({ stylesheets, width }: Situation, fits: (value: string) => boolean): Rule[] {
  return stylesheets
    .flatMap(({ rules }) => rules)
    .filter((rule) => rule.declarations.some(({ value }) => fits(value)) && allHold(rule.media, width));
}

/** Whether an element is built at all: nothing around it says `display: none`, or is `hidden`. */
function shownIn(situation: Situation): (element: PageElement) => boolean {
  const hiding = rulesWith(situation, (value) => value.toLowerCase() === 'none').length > 0;
  const known = new Map<PageElement, boolean>();
  const own = (element: PageElement): boolean => {
    const isHidden = element.attributes.some(({ name }) => name === 'hidden');
    const asked = hiding || isHidden || element.attributes.some(({ name }) => name === 'style');
    const display = asked ? valueFor(situation, element, 'display') : null;
    return display === null ? !isHidden : display.toLowerCase() !== 'none';
  };
  const shown = (element: PageElement): boolean => {
    const before = known.get(element);
    if (before !== undefined) return before;
    const is = !UNSHOWN.has(element.tag) && own(element) && (element.parent === null || shown(element.parent));
    known.set(element, is);
    return is;
  };
  return shown;
}

const UNSHOWN = new Set(['noscript', 'template', 'datalist', 'dialog']);

export interface FontFace {
  /** In small letters. */
  family: string;
  /** The first address whose format browsers of today read. */
  address: string;
  stylesheet: string;
  offset: number;
  /** From 1 to 1000; of a variable font the least and the most. */
  weight: readonly [number, number];
  italic: boolean;
  /** Code points; empty for all. */
  range: readonly (readonly [number, number])[];
}

interface Words {
  family: string;
  weight: number;
  italic: boolean;
}

/** The faces that words of the page are set in, each with the first element that has such words. */
export function fontsOn(situation: Situation, faces: readonly FontFace[]): { face: FontFace; element: PageElement }[] {
  if (faces.length === 0) return [];
  const used = new Map<FontFace, PageElement>();
  const shown = shownIn(situation);
  for (const element of situation.page.document.elements) {
    const text = element.texts.map(({ value }) => value).join('');
    if (text.trim() === '' || !isBody(element) || !shown(element)) continue;
    const words = wordsOf(situation, element);
    const face = words && faceFor(words, textOf(element), faces);
    if (face && !used.has(face)) used.set(face, element);
  }
  return [...used].map(([face, element]) => ({ face, element }));
}

const BOLD = new Set(['b', 'h1', 'h2', 'h3', 'h4', 'h5', 'h6', 'strong', 'th']);
const ITALIC = new Set(['address', 'cite', 'dfn', 'em', 'i', 'var']);

function wordsOf(situation: Situation, element: PageElement): Words | null {
  const family = said(situation, element, 'font-family', () => null);
  if (family === null) return null;
  const weight = said(situation, element, 'font-weight', ({ tag }) => (BOLD.has(tag) ? 'bold' : null)) ?? 'normal';
  const style = said(situation, element, 'font-style', ({ tag }) => (ITALIC.has(tag) ? 'italic' : null)) ?? 'normal';
  return { family, weight: weightOfFace(weight), italic: /italic|oblique/i.test(style) };
}

/** Between the size and the families, which stand at the end of `font` (CSS Fonts 4 §4.5). */
const SHORTHAND = /^(.*?)(?:[\d.]+(?:px|em|rem|pt|%|vw)|small|medium|large)(?:\s*\/\s*\S+)?\s+(\S.*)$/i;

/** What counts for an element, also by what browsers say of its tag; null where nothing is said. */
function said(
  situation: Situation,
  element: PageElement,
  property: string,
  usual: (element: PageElement) => string | null,
): string | null {
  for (let at: PageElement | null = element; at; at = at.parent) {
    const winner = winnerFor(situation, at, property);
    const value = winner ? (winner.value ?? inFont(winner.declaration.value, property)) : usual(at);
    if (value !== null && value !== 'inherit') return value;
  }
  return null;
}

function inFont(font: string, property: string): string | null {
  const [, before = '', families = null] = SHORTHAND.exec(font) ?? [];
  return property === 'font-family' ? families : before;
}

const weightOfFace = (value: string): number => {
  const number = /\b([1-9]\d{2})\b/.exec(value)?.[1];
  if (number !== undefined) return Number(number);
  return /bold/i.test(value) ? 700 : 400;
};

/** The first family of the list that a face has; others are taken to be on no visitor’s computer. */
function faceFor({ family, weight, italic }: Words, text: string, faces: readonly FontFace[]): FontFace | null {
  const points = new Set([...text].map((letter) => letter.codePointAt(0) ?? 0));
  for (const name of namesIn(family)) {
    const own = faces.filter(
      (face) => face.family === name && (face.range.length === 0 || face.range.some((range) => someIn(points, range))),
    );
    const [best] = own.sort((a, b) => distance(a, weight, italic) - distance(b, weight, italic));
    if (best) return best;
  }
  return null;
}

export const namesIn = (family: string): string[] =>
  family.split(',').map((name) =>
    name
      .trim()
      .replace(/^(["'])(.*)\1$/s, '$2')
      .toLowerCase(),
  );

const someIn = (points: ReadonlySet<number>, [first, last]: readonly [number, number]): boolean =>
  [...points].some((point) => point >= first && point <= last);

/** CSS Fonts 4 §5.2: slope counts before weight; of two weights as far away the one on the side of what is wanted. */
function distance({ weight: [least, most], italic }: FontFace, wanted: number, isItalic: boolean): number {
  const near = Math.max(least - wanted, wanted - most, 0);
  const isOnOtherSide = wanted >= 500 ? most < wanted : least > wanted;
  return (italic === isItalic ? 0 : 10_000) + near * 2 + (isOnOtherSide ? 1 : 0);
}
