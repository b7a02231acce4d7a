/** Whether pictures that stand alike are there to be looked at. What speaks against it is one entry of a list. */
import { firstOf } from '../site/index.ts';
import {
  attributeOf,
  closest,
  descendants,
  textOf,
  valueOf,
  type PageDocument,
  type PageElement,
  someInside,
} from './document.ts';
import { leadsToPicture, shownAddress } from './shown.ts';
import { insideBetween, SAYS, type Inside, type Unit } from './units.ts';

/** The seeds below each element that has any. */
export type Bearing = ReadonlyMap<PageElement, readonly PageElement[]>;

/** More text than this around a picture is prose that it illustrates. Characters. */
const PROSE_LENGTH = 240;
/** More between two pictures, and they are parts of what is told there. Characters. */
const BETWEEN_LENGTH = 120;

interface Standing {
  page: PageDocument;
  parent: PageElement;
  units: readonly Unit[];
  /** Of each unit the element that bears a picture. */
  heads: readonly PageElement[];
  /** The first picture of each unit. */
  seeds: readonly PageElement[];
}

export const opensPicture = (head: PageElement, bearing: Bearing): boolean =>
  (bearing.get(head) ?? []).some((seed) => closest(seed, leadsToPicture) !== null);

/** What pictures of a menu or a frame are called: arrows, homes, envelopes (common practice, no source). */
const FURNITURE =
  /^(?:(?:icon|ico|arrow|btn|button|nav|bullet|social)(?:[-_ ]\w*|\d*)|(?:\w+[-_ ])?(?:prev|previous|next|back|forward|home|up|arrow|icon|logo|mail|email|print|rss|menu|search|bullet|spacer|pixel|blank)[-_ ]?\d*)$/i;

const addressOf = (seed: PageElement | undefined): string =>
  (seed && (shownAddress(seed) ?? valueOf(seed, 'href'))) ?? '';
const bareName = (address: string): string => /([^/]*?)(?:\.\w+)?(?:[?#].*)?$/.exec(address)?.[1] ?? '';

/** Whether an element says more than what is told of the pictures in it: a part of a document, and no row. */
export function tellsMore(element: PageElement, units: readonly Unit[]): boolean {
  const inUnits = units.flatMap(({ elements }) => elements).reduce((sum, one) => sum + textOf(one).trim().length, 0);
  return textOf(element).trim().length - inUnits > BETWEEN_LENGTH;
}

/** What a node says that stands between pictures. */
const saidBy = (node: Inside): string => (node.kind === 'text' ? node.value : textOf(node.element).trim());
const lengthOf = (nodes: readonly Inside[]): number => nodes.reduce((sum, node) => sum + saidBy(node).length, 0);

const most = <T>(all: readonly T[], is: (one: T) => boolean): boolean => all.filter(is).length * 2 > all.length;
const half = <T>(all: readonly T[], is: (one: T) => boolean): boolean => all.filter(is).length * 2 >= all.length;

const inMenu = ({ heads }: Standing): boolean =>
  heads.some((head) => closest(head, ({ tag }) => tag === 'nav') !== null);

/** Prose that a picture illustrates. */
const inProse = ({ page, parent, units }: Standing): boolean =>
  most(units, ({ range, elements }) => {
    const own = elements.reduce((sum, element) => sum + textOf(element).trim().length, 0);
    const loose = insideBetween(page, parent, range).filter(({ kind }) => kind === 'text');
    return own + lengthOf(loose) > PROSE_LENGTH;
  });

/** The same bullet or arrow again and again. */
const repeated = ({ seeds }: Standing): boolean => new Set(seeds.map(addressOf)).size * 2 <= seeds.length;

/** Without what a library of files puts before it: `File:`. */
const nameOf = (seed: PageElement): string => /[^:]*$/.exec(bareName(addressOf(seed)))?.[0] ?? '';

/** One picture and links to itself, as under “enlarge”: its name stands in theirs, or theirs in its. */
function onePicture({ seeds }: Standing): boolean {
  const shown = seeds.filter(({ tag }) => tag !== 'a').map(nameOf);
  const [name] = shown;
  if (name === undefined || shown.length > 1) return false;
  return seeds.every((seed) => {
    const led = nameOf(seed);
    const [long, short] = led.length < name.length ? [name, led] : [led, name];
    return short !== '' && long.endsWith(short);
  });
}

/** What programs call pictures of formulas (common practice, no source). */
const FORMULA = /^(?:form|formula|eqn?|equation|math|inline)[-_]?\d+$/i;

/** As TeX writes them; programs put that into the alt text (common practice, no source). */
const TEX = /\\[a-z]+|^\$.*\$$/i;

const formulas = ({ seeds }: Standing): boolean =>
  half(seeds, (seed) => FORMULA.test(bareName(addressOf(seed))) || TEX.test(valueOf(seed, 'alt')?.trim() ?? ''));

/** Words that are no link's: what a picture shows is told, as of no sign that leads somewhere. */
const isDescribed = ({ elements }: Unit): boolean => {
  const linked = elements.flatMap((one) => [one, ...descendants(one)]).filter(({ tag }) => tag === 'a');
  const length = (all: readonly PageElement[]) => all.reduce((sum, one) => sum + textOf(one).trim().length, 0);
  return length(elements) > length(linked);
};

const furniture = ({ seeds, units }: Standing): boolean =>
  half(seeds, (seed) => FURNITURE.test(bareName(addressOf(seed)))) && !units.every(isDescribed);

/** Places of such a picture lead on; it is not there to be looked at. */
const maps = ({ seeds }: Standing): boolean => half(seeds, (seed) => attributeOf(seed, 'usemap') !== undefined);

/** Small pictures at the edge of a page that all lead away are signs. */
const signs = ({ heads }: Standing): boolean =>
  heads.every((head) => closest(head, ({ tag }) => tag === 'footer' || tag === 'header') !== null) &&
  heads.every((head) =>
    [head, ...descendants(head)].some(
      ({ tag, attributes }) =>
        tag === 'a' && attributes.some(({ name, value }) => name === 'href' && /^(?:[a-z]+:|\/\/)/i.test(value)),
    ),
  );

/** From so many words on that stand before it, a picture is what they lead to. Characters. */
const LEADS_LENGTH = 25;

/** What no caption is: where it stands between two pictures, they are parts of a document. */
const OF_DOCUMENTS = new Set(['pre', 'xmp', 'form']);

/** Code, a paragraph, or words that lead to what follows them. */
const tells = (element: PageElement): boolean => {
  const said = textOf(element).trim();
  return OF_DOCUMENTS.has(element.tag) || (element.tag === 'p' && (said.length > LEADS_LENGTH || said.endsWith(':')));
};

/** A long document: what stands between its pictures is what they are there for. */
function inDocument({ page, parent, units }: Standing): boolean {
  const gaps = units.slice(1).map(({ range }, n) => {
    const nodes = insideBetween(page, parent, { start: units[n]?.range.end ?? 0, end: range.start });
    const ofDocument = nodes.some((node) => node.kind === 'element' && tells(node.element));
    return ofDocument ? BETWEEN_LENGTH + 1 : lengthOf(nodes);
  });
  const sum = gaps.reduce((all, length) => all + length, 0);
  // Two alone are hardly a run: little between them is enough.
  const limit = units.length < 3 ? BETWEEN_LENGTH / 4 : BETWEEN_LENGTH;
  return gaps.length > 0 && (sum > limit * gaps.length || half(gaps, (length) => length > limit));
}

/** Words between two pictures with no line broken: formulas and signs of a sentence. */
function inSentence({ page, parent, heads }: Standing): boolean {
  if (!IN_LINES.has(parent.tag) || heads.some(({ tag }) => tag !== 'img')) return false;
  return heads.slice(1).some(({ range }, n) => {
    const between = insideBetween(page, parent, { start: heads[n]?.range?.end ?? 0, end: range?.start ?? 0 });
    const isBroken = between.some((node) => node.kind === 'element' && node.element.tag === 'br');
    return !isBroken && between.some((node) => SAYS.test(saidBy(node)));
  });
}

const IN_LINES = new Set(['p', 'dt', 'h1', 'h2', 'h3', 'h4', 'h5', 'h6']);

/** Signs before the words of a term, or of a heading. */
const ofTerms = ({ parent, heads }: Standing): boolean =>
  parent.tag === 'dt' || half(heads, (head) => head.tag === 'dt' && textOf(head).trim() !== '');

/** A list of words of which some have a picture. */
const fewOfList = ({ parent, heads }: Standing): boolean =>
  heads.every(({ tag }) => tag === 'li') && parent.children.filter(({ tag }) => tag === 'li').length > heads.length * 2;

/** Words at its end that lead to the next. */
const leadsOn = ({ elements }: Unit): boolean => elements.some((one) => textOf(one).trim().endsWith(':'));

/** Steps: each says what to do, and then what is seen. */
const steps = ({ units, seeds }: Standing): boolean =>
  half(units, (unit) => {
    const at = seeds.find(({ range }) => range && range.start >= unit.range.start && range.end <= unit.range.end);
    const before = at?.range?.start ?? 0;
    const said = unit.elements
      .flatMap((one) => [one, ...descendants(one)])
      .flatMap(({ texts }) => texts.filter(({ range }) => range.end <= before));
    const words = said.map(({ value }) => value.trim()).filter((value) => value !== '');
    return words.join('').length > LEADS_LENGTH || words.at(-1)?.endsWith(':') === true || leadsOn(unit);
  });

/** Longer words with each picture that opens nothing are a text with illustrations. Characters. */
const CAPTION_LENGTH = 130;

const ofLongWords = ({ units }: Standing): boolean =>
  units.reduce((sum, { elements }) => sum + elements.reduce((all, one) => all + textOf(one).trim().length, 0), 0) >
  CAPTION_LENGTH * units.length;

/** Code with what comes of it. */
const ofCode = ({ units }: Standing): boolean =>
  most(units, ({ elements }) =>
    elements.some((one) => OF_DOCUMENTS.has(one.tag) || someInside(one, ({ tag }) => OF_DOCUMENTS.has(tag))),
  );

/** Whatever the pictures lead to. */
const NEVER: readonly ((standing: Standing) => boolean)[] = [inMenu, inProse, repeated, onePicture];
/** Where they do not open pictures. */
const UNLESS_OPENED: readonly ((standing: Standing) => boolean)[] = [
  furniture,
  formulas,
  maps,
  signs,
  inDocument,
  inSentence,
  fewOfList,
  ofTerms,
  steps,
  ofCode,
  ofLongWords,
];

export function isGallery(page: PageDocument, parent: PageElement, units: readonly Unit[], bearing: Bearing): boolean {
  const heads = units.map(({ elements }) => elements.find((element) => bearing.has(element)) ?? firstOf(elements));
  const seeds = heads.flatMap((head) => bearing.get(head)?.[0] ?? []);
  const standing: Standing = { page, parent, units, heads, seeds };
  if (NEVER.some((against) => against(standing))) return false;
  return heads.some((head) => opensPicture(head, bearing)) || !UNLESS_OPENED.some((against) => against(standing));
}
