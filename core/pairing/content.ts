/**
 * Which pictures show the same, by their content alone: at whole size or as a crop. Every comparison is remembered by
 * the hashes of both contents, so that a reading after a change compares only what is new.
 */
import { lastOf } from '../site/index.ts';
import {
  agreementOfWhole,
  closerLook,
  colourDistance,
  findPlace,
  firstLook,
  hashDistance,
  placeFrom,
  soughtOf,
  summedArea,
  windowsOf,
  type FirstLook,
  type Frame,
  type PhotoFacts,
  type Place,
  type Sought,
} from '../photo/index.ts';

export interface Content {
  /** Hash of the file's bytes. */
  hash: string;
  facts: PhotoFacts;
}

export interface Likely {
  /** Hash of the larger picture. */
  hash: string;
  place: Place;
}

/**
 * From here on two pictures show the same (measured by `npm run bench:pairing`: other pictures stay below, but for
 * crops of little but sky).
 */
export const SAME_CONTENT = 0.95;
/** Below this they show something else. */
export const OTHER_CONTENT = 0.85;
/** So much better than the next the best must be to be the only one. */
export const CLEAR_LEAD = 0.03;

/**
 * Perceptual hashes of a picture and its reductions differ in fewer bits than this (measured on the demo pictures),
 * those of others mostly in more.
 */
const NEAR_BITS = 10;
/** Agreement of whole pictures from which there is nothing else to look for. */
const WHOLE_CONTENT = 0.97;

/** How many pictures get a closer look after the first one over all, and how many of those the closest. */
const CLOSER = 64;
const CLOSEST = 8;

/**
 * What a difference of the mean colours costs in a look that only ranks: a crop of a red sky is seldom of a picture
 * with a green one. Chosen by `npm run bench:pairing`; in shares of agreement for each level of distance.
 */
const COLOUR_COST = 0.001;
const rankOf = (agreement: number, small: Content, large: Content): number =>
  agreement - COLOUR_COST * colourDistance(small.facts.mean, large.facts.mean);

interface Look {
  content: Content;
  agreement: number;
  starts: Frame[];
}

/** Keeps the best, sorted; where to look closely is worked out only for those. */
function keepLook(looks: Look[], small: Content, content: Content, look: FirstLook): void {
  const agreement = rankOf(look.agreement, small, content);
  if (looks.length === CLOSER && agreement <= lastOf(looks).agreement) return;
  const at = looks.findIndex((one) => one.agreement < agreement);
  looks.splice(at < 0 ? looks.length : at, 0, { content, agreement, starts: look.starts() });
  looks.length = Math.min(looks.length, CLOSER);
}

const WHOLE: Place = { left: 0, top: 0, width: 1, height: 1, agreement: 1 };

/** Comparisons made so far; worth keeping as long as the site is open. */
export interface ContentMemory {
  places: Map<string, Place>;
  /** For each small picture what the search over all large ones found, and over which. */
  searches: Map<string, { over: string; found: Likely[] }>;
  sought: Map<string, Sought>;
}

export const newContentMemory = (): ContentMemory => ({ places: new Map(), searches: new Map(), sought: new Map() });

function soughtFor(memory: ContentMemory, { hash, facts }: Content): Sought {
  const known = memory.sought.get(hash) ?? soughtOf(facts.luma);
  memory.sought.set(hash, known);
  return known;
}

/** Where `small` is in `large`, with how well they agree. */
export function compare(memory: ContentMemory, small: Content, large: Content): Place {
  if (small.hash === large.hash) return WHOLE;
  const key = `${small.hash} ${large.hash}`;
  const known = memory.places.get(key);
  if (known) return known;
  const sought = soughtFor(memory, small);
  const whole = agreementOfWhole(sought, large.facts.luma);
  const place =
    whole !== null && whole >= SAME_CONTENT ? { ...WHOLE, agreement: whole } : findPlace(sought, large.facts.luma);
  memory.places.set(key, place);
  return place;
}

/**
 * Whether a search goes to its end, or takes a few so that other work may come between; the rest is taken when it is
 * asked again.
 */
export type Pace = 'all' | 'a few';

/**
 * What takes a second or so; with many large pictures more at a time, for their windows are worked out for all
 * together.
 */
const fewOf = (large: number): number => Math.min(48, Math.max(8, Math.floor(large / 40)));

/** Shapes that differ by less than 2 % share their windows. */
const shapeOf = ({ facts }: Content): number => Math.round(Math.log(facts.width / facts.height) / 0.02);

/**
 * The large pictures that each small one may show, best first, none below {@link OTHER_CONTENT}. A first look at a grid
 * of cells goes over all windows of all pictures; only the best few are compared closely.
 */
export function searchContent(
  memory: ContentMemory,
  small: readonly Content[],
  large: readonly Content[],
  pace: Pace,
): { found: Map<string, Likely[]>; left: number } {
  const over = large
    .map(({ hash }) => hash)
    .sort()
    .join(' ');
  const waiting = small.filter(
    (one) => memory.searches.get(one.hash)?.over !== over && !foundWhole(memory, one, large, over),
  );
  const fresh = pace === 'all' ? waiting : waiting.slice(0, fewOf(large.length));
  const looks = new Map<string, Look[]>(fresh.map(({ hash }) => [hash, []]));
  const shapes = new Map<number, Content[]>();
  for (const one of fresh) shapes.set(shapeOf(one), [...(shapes.get(shapeOf(one)) ?? []), one]);
  for (const content of large) {
    for (const [shape, all] of shapes) {
      const windows = windowsOf(content.facts.luma, Math.exp(shape * 0.02));
      for (const one of all)
        keepLook(looks.get(one.hash) ?? [], one, content, firstLook(soughtFor(memory, one), windows));
    }
  }
  for (const one of fresh) {
    const sought = soughtFor(memory, one);
    const closer = (looks.get(one.hash) ?? []).map((look) => {
      const table = summedArea(look.content.facts.luma);
      return { ...look, table, agreement: rankOf(closerLook(sought, table, look.starts), one, look.content) };
    });
    closer.sort((a, b) => b.agreement - a.agreement);
    const found = closer
      .slice(0, CLOSEST)
      .map(({ content, table, starts }): Likely => ({ hash: content.hash, place: placeFrom(sought, table, starts) }));
    memory.searches.set(one.hash, {
      over,
      found: found
        .filter(({ place }) => place.agreement >= OTHER_CONTENT)
        .sort((a, b) => b.place.agreement - a.place.agreement),
    });
  }
  return {
    found: new Map(small.map(({ hash }) => [hash, memory.searches.get(hash)?.found ?? []])),
    left: waiting.length - fresh.length,
  };
}

/** Most thumbnails show the whole: where hashes are near and the close look agrees, no window need be tried. */
function foundWhole(memory: ContentMemory, small: Content, large: readonly Content[], over: string): boolean {
  const near = large.filter(({ facts }) => hashDistance(facts.likeness, small.facts.likeness) <= NEAR_BITS);
  const found = near
    .map((content) => ({ hash: content.hash, place: compare(memory, small, content) }))
    .filter(({ place }) => place.agreement >= WHOLE_CONTENT && place.width === 1 && place.height === 1);
  if (found.length > 0)
    memory.searches.set(small.hash, { over, found: found.sort((a, b) => b.place.agreement - a.place.agreement) });
  return found.length > 0;
}

/**
 * Pictures that hold the same at the same shape, whatever their size: exact copies and recompressed ones. Each is
 * named with the others.
 */
export function twinsOf(
  memory: ContentMemory,
  contents: readonly (Content & { path: string })[],
): Map<string, string[]> {
  const twins = new Map<string, string[]>();
  const note = (a: string, b: string) => twins.set(a, [...(twins.get(a) ?? []), b]);
  const bands = new Map<string, (typeof contents)[number][]>();
  const seen = new Set<string>();
  for (const one of contents) {
    // Two hashes that differ in three bits at most have one of four quarters in common.
    for (let band = 0; band < 4; band++) {
      const key = `${band} ${one.facts.likeness.slice(band * 4, band * 4 + 4)}`;
      const others = bands.get(key) ?? [];
      for (const other of others) {
        if (other.path === one.path || seen.has(`${other.path}\n${one.path}`)) continue;
        seen.add(`${other.path}\n${one.path}`);
        if (
          other.hash !== one.hash &&
          !(
            hashDistance(one.facts.likeness, other.facts.likeness) <= 3 &&
            colourDistance(one.facts.mean, other.facts.mean) < TWIN_COLOUR &&
            isWholeTwin(compare(memory, one, other))
          )
        )
          continue;
        note(one.path, other.path);
        note(other.path, one.path);
      }
      bands.set(key, [...others, one]);
    }
  }
  return twins;
}

/** Mean colours of the same picture, however compressed, differ by less than this (measured on the demo pictures). */
const TWIN_COLOUR = 12;

const isWholeTwin = ({ width, height, agreement }: Place): boolean => width > 0.98 && height > 0.98 && agreement > 0.99;
