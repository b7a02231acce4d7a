/** A page and its galleries as the interface shows them. */
import {
  countersToMend,
  hasViewport,
  LAID_OUT,
  hazardIn,
  metaIn,
  oddOnes,
  patternOf,
  textOf,
  titleOf,
  valueOf,
  type Gallery,
  type Odd,
  type PageDocument,
  type Range,
  type Pattern,
  type PatternPart,
  type UnitHint,
} from '../markup/index.ts';
import { type PageReading, type PageText, type SiteReading, type Strand, textsOf } from '../model/index.ts';
import { type GroupView, groupsView } from './groups.ts';
import { handFor, headingOf, isShow, mainGallery, spreadOf } from '../plans/index.ts';
import { includesView, type IncludeView } from './includes.ts';
import { usesView, type KitView } from './kits.ts';

export interface GalleryView {
  pattern: PatternPart[] | null;
  /** The pattern as text with its slots, as it may be changed. */
  text: string | null;
  /** Slots of its own, beyond those that every pattern may have. */
  free: string[];
  strands: string[];
  /** What items lack that most of their neighbours have. */
  odd: OddView[];
  /** How many counters do not count as their items stand. */
  miscounted: number;
  /** What the heading says under which it stands; null without one of its own. */
  heading: string | null;
  /** A viewer shows it one picture at a time, in its own place. */
  isShow: boolean;
  /** The pages over which it is spread, and whether each holds as many as it should; null where it is on one page. */
  spread: { pages: string[]; size: number; inStep: boolean } | null;
}

export interface OddView {
  strand: string;
  lacks: string;
  on: 'link' | 'image' | 'item';
  /** What all the others say there; null where they differ, or where a part of the markup is missing. */
  value: string | null;
  having: number;
}

/** The widest window of a device that goes by the viewport tag (common practice, no source); CSS px. */
const TABLET = 834;

/** How wide a page is laid out in a window of so many CSS px. */
export const laidOutWidth = ({ viewport }: Pick<PageView, 'viewport'>, width: number): number =>
  width <= TABLET && !viewport ? LAID_OUT : width;

export interface PageView {
  path: string;
  /** The path that its addresses count from: its own, or where its `base` leads. */
  base: string;
  title: string;
  /** What its head says of it to searches; empty where it says nothing. */
  description: string;
  /** The beginning of its first paragraph, for who has no words yet. */
  summary: string;
  /** It has a picture for whoever a link to it is sent. */
  previewed: boolean;
  galleries: GalleryView[];
  /** Of pictures among its words, galleries among them, in their order. */
  groups: GroupView[];
  /** The page whose galleries a new group is written like; null where there is none to learn from. */
  hand: string | null;
  /** The Markdown file that its text is made from, and whether both say the same; null where it has none. */
  text: { source: string; state: PageText['state'] } | null;
  /** The gallery that pictures of a page made from this one come into; -1 where there is none. */
  main: number;
  /** Why items cannot be added, moved or removed here; null where they can. */
  hazards: { line: number; says: string }[];
  /** What was said of items here, by their selectors. */
  hints: UnitHint[];
  /** Elements with an `id`, to which links may lead. */
  anchors: string[];
  kit: string | null;
  /** Every kit that it uses or means to use. */
  uses: { name: string; title: string; does: KitView['does']; answered: number }[];
  /** It says how wide a phone is to lay it out; what does not is laid out as for a desktop, and shrunken. */
  viewport: boolean;
  /** Stylesheets of the site that it links. */
  styles: string[];
  includes: IncludeView[];
}

export function pageView(page: PageReading, site: SiteReading): PageView {
  const { document, wiring } = page;
  return {
    path: page.path,
    base: page.base,
    title: titleOf(document) ?? page.path,
    description: metaIn(document, 'description')?.trim() ?? '',
    summary: summaryOf(document),
    previewed: (metaIn(document, 'og:image') ?? '').trim() !== '',
    galleries: page.galleries.map((gallery, n): GalleryView => ({
      ...galleryView(document, gallery, page.strands[n] ?? []),
      heading: headingText(page, gallery),
      isShow: isShow(page, gallery),
      spread: spreadView(site, page.path, n),
    })),
    groups: groupsView(site, page),
    hand: handFor(site, page)?.page ?? null,
    text: textView(site, page),
    main: mainGallery(page),
    hazards: page.hazards
      .filter((hazard) => page.galleries.some((gallery) => hazardIn([hazard], wholeOf(gallery))))
      .map(({ range, says }) => ({ line: document.lines.lineAt(range.start), says })),
    hints: [...document.units],
    anchors: namesIn(document).ids,
    kit: wiring.main?.kit.manifest.name ?? null,
    uses: usesView(page),
    viewport: hasViewport(document),
    styles: wiring.includes.flatMap(({ kind, path, lookup }) =>
      kind === 'style' && path !== null && lookup.found !== 'nothing' ? [lookup.path] : [],
    ),
    includes: includesView(page),
  };
}

/** As much as searches show of a description (common practice, no source); letters. */
const SUMMARY = 155;

function summaryOf({ elements }: PageDocument): string {
  const paragraph = elements.find((element) => element.tag === 'p' && textOf(element).trim().length > SUMMARY / 5);
  const text = paragraph ? textOf(paragraph).replace(/\s+/g, ' ').trim() : '';
  if (text.length <= SUMMARY) return text;
  return `${text.slice(0, SUMMARY).replace(/[\s,;:.–-]+\S*$/, '')}…`;
}

function textView(site: SiteReading, page: PageReading): PageView['text'] {
  const text = textsOf(site).find((one) => one.page === page);
  return text ? { source: text.source, state: text.state } : null;
}

/** From the first item to the last, with what stands between them. */
const wholeOf = ({ items }: Gallery): Range => ({
  start: items[0]?.unit.start ?? 0,
  end: items.at(-1)?.unit.end ?? 0,
});

function galleryView(
  document: PageDocument,
  gallery: Gallery,
  strands: readonly Strand[],
): Omit<GalleryView, 'spread' | 'heading' | 'isShow'> {
  const { pattern, odd, miscounted } = learntOf(document, gallery);
  return {
    pattern: pattern?.parts ?? null,
    text: pattern?.text ?? null,
    free: [...(pattern?.free.keys() ?? [])],
    strands: strands.map(({ id }) => id),
    odd: odd.flatMap(({ item, lacks, on, value, having }) =>
      strands[item] ? [{ strand: strands[item].id, lacks, on, value, having }] : [],
    ),
    miscounted,
  };
}

function headingText(page: PageReading, gallery: Gallery): string | null {
  const heading = headingOf(page, gallery);
  return heading && (textOf(heading).trim().replace(/\s+/g, ' ') || null);
}

function spreadView(site: SiteReading, path: string, n: number): GalleryView['spread'] {
  const spread = spreadOf(site, path);
  if (!spread) return null;
  const counts = spread.pages.map(
    (one) => site.pages.find((page) => page.path === one)?.galleries[n]?.items.length ?? 0,
  );
  return {
    ...spread,
    inStep: counts.every((count, at) =>
      at < counts.length - 1 ? count === spread.size : count > 0 && count <= spread.size,
    ),
  };
}

interface Learnt {
  pattern: Pattern | null;
  odd: Odd[];
  miscounted: number;
}

const named = new WeakMap<PageDocument, { ids: string[]; classes: string[] }>();

export function namesIn(document: PageDocument): { ids: string[]; classes: string[] } {
  const known = named.get(document) ?? {
    ids: document.elements.flatMap((element) => valueOf(element, 'id')?.trim() || []),
    classes: [
      ...new Set(document.elements.flatMap((element) => valueOf(element, 'class')?.split(/\s+/).filter(Boolean) ?? [])),
    ],
  };
  named.set(document, known);
  return known;
}

/** A page is read again only when its text is another; what was learnt of its galleries is kept as long. */
const learnt = new WeakMap<Gallery, Learnt>();

function learntOf(document: PageDocument, gallery: Gallery): Learnt {
  const known = learnt.get(gallery) ?? {
    pattern: patternOf(document, gallery),
    odd: oddOnes(gallery),
    miscounted: countersToMend(document, gallery).length,
  };
  learnt.set(gallery, known);
  return known;
}
