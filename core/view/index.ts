/** What the interface shows of a site, as plain data that can cross from a worker: no elements, no functions. */
import { findingsOf, RULES, type Finding, type Fix, type Station } from '../checks/index.ts';
import type { WordsRow } from '../lists/index.ts';
import {
  countersToMend,
  hazardIn,
  oddOnes,
  patternOf,
  textOf,
  titleOf,
  valueOf,
  type Gallery,
  type Odd,
  type PageDocument,
  type Pattern,
  type PatternPart,
  type UnitHint,
} from '../markup/index.ts';
import {
  dueTasks,
  focusOf,
  sharedMenu,
  thumbnailPath,
  THUMBNAIL,
  type Elsewhere,
  type PageReading,
  type PictureTask,
  type SiteReading,
  type Strand,
} from '../model/index.ts';
import { parcelOf, type ParcelEntry } from '../pack/index.ts';
import type { Pair, Pairing } from '../pairing/index.ts';
import { type Focus, type PhotoFacts, type Recipe } from '../photo/index.ts';
import {
  byOrder,
  companionsOf,
  denseOffers,
  headingOf,
  spreadOf,
  takenAtOf,
  wordsFor,
  type WordsView,
} from '../plans/index.ts';
import { bytesOf, isPicturePath, isStylePath, type SiteNotes } from '../site/index.ts';
import { includesView, type IncludeView } from './includes.ts';
import { kitsView, usesView, type KitView } from './kits.ts';
import { wordsRows } from './words.ts';

export * from './alone.ts';
export * from './layout.ts';
export * from './includes.ts';
export * from './kits.ts';
export * from './words.ts';

export type FixView =
  | { kind: 'change'; label: string }
  | { kind: 'picture'; label: string; tasks: PictureTask[] }
  | { kind: 'ask'; label: string; ask: 'alt'; strand: string };
export type FindingView = Omit<Finding, 'fixes'> & { fixes: FixView[] };

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

export interface PageView {
  path: string;
  title: string;
  galleries: GalleryView[];
  /** Why items cannot be added, moved or removed here; null where they can. */
  hazards: { line: number; says: string }[];
  /** What was said of items here, by their selectors. */
  told: UnitHint[];
  /** Elements with an `id`, to which links may lead. */
  anchors: string[];
  kit: string | null;
  /** Every kit that it uses or means to use. */
  uses: { name: string; title: string; does: KitView['does']; answered: number }[];
  /** Stylesheets of the site that it links. */
  styles: string[];
  includes: IncludeView[];
}

export interface PairView extends Pair {
  thumbnailSize: { width: number; height: number; bytes: number } | null;
  fullSize: { width: number; height: number; bytes: number } | null;
  /** Hash of the full-size file's content. */
  hash: string;
  words: WordsView;
  /** ISO date and time. */
  taken: string | null;
  tags: string[];
  /** Whether the file says where it was taken, and whether it may when it leaves. */
  place: 'none' | 'removed' | 'kept';
  animated: boolean;
  /** About which point crops are cut, and whether somebody chose it. */
  focus: Focus & { chosen: boolean };
  /** Pages that show it. */
  usedOn: string[];
  /** Why one of its files cannot be read; null where both can. */
  trouble: string | null;
  /** Where its thumbnail would be written. */
  thumbnailPath: string;
}

export interface MenuView {
  entries: { target: string; label: string }[];
  /** For each page how it stands with each entry, in the order of the entries. */
  pages: { path: string; stands: EntryState[] }[];
  without: string[];
}

/** `own` is the entry of the page itself; a dummy leads nowhere yet; a label is another than on most pages. */
export type EntryState = 'whole' | 'own' | 'missing' | 'dummy' | 'label';

export interface FileView {
  path: string;
  bytes: number;
  /** Hash of the content of a binary file. */
  hash: string | null;
}

export interface SiteView {
  pages: PageView[];
  strands: Strand[];
  pairs: PairView[];
  rules: Pairing['rules'];
  loose: { path: string; unused: boolean }[];
  findings: FindingView[];
  checked: { id: string; title: string; found: number }[];
  open: Record<Station, number>;
  parcel: ParcelEntry[];
  files: FileView[];
  /** Class names that pages have or stylesheets speak of. */
  classes: string[];
  missing: PictureTask[];
  /** All that the recipe asks for and is not there, or would come out otherwise now. */
  due: PictureTask[];
  elsewhere: Elsewhere[];
  alike: string[][];
  words: WordsRow[];
  /** Files made of a picture that go where it goes, by its full-size file. */
  companions: [string, string[]][];
  order: SiteNotes['order']['by'];
  naming: SiteNotes['naming'];
  rights: SiteNotes['rights'];
  lists: SiteNotes['lists'];
  /** Pages with thumbnails that could be offered at twice the size, and how many. */
  dense: { page: string; count: number }[];
  /** The menu that pages share; null where no two do. */
  menu: MenuView | null;
  /** Thumbnails whose picture is still to be searched for. */
  unsearched: number;
  recipe: Recipe;
  /** Pictures whose facts are not known yet. */
  unread: number;
  kits: KitView[];
}

export function viewOf(site: SiteReading): SiteView {
  const findings = findingsOf(site);
  const compare = byOrder(site);
  const usedOn = pagesOf(site);
  const pairs = site.pairing.pairs.map((pair) => pairView(site, pair, usedOn)).sort((a, b) => compare(a.full, b.full));
  const { order, naming, rights, lists } = site.notes.known;
  const parcel = parcelOf(site);
  const unused = new Set(parcel.filter((entry) => entry.unused).map((entry) => entry.path));
  const count = (station: Station) => findings.filter((finding) => finding.station === station).length;
  return {
    pages: site.pages.map((page) => pageView(page, site)),
    strands: site.pages.flatMap((page) => page.strands.flat()),
    pairs,
    rules: site.pairing.rules,
    loose: site.pairing.loose.map((path) => ({ path, unused: unused.has(path) })),
    findings: findings.map((finding) => ({ ...finding, fixes: finding.fixes.map(fixView) })),
    checked: RULES.map(({ id, title }) => ({
      id,
      title,
      found: findings.filter((finding) => finding.rule === id).length,
    })),
    open: { pairs: count('pairs'), markup: count('markup'), wiring: count('wiring'), proof: findings.length, pack: 0 },
    parcel,
    files: [...site.files].map(([path, content]) => ({
      path,
      bytes: bytesOf(content),
      hash: content.kind === 'binary' ? content.hash : null,
    })),
    classes: classesOf(site),
    missing: pairs
      .filter((pair) => pair.state === 'no thumbnail')
      .map((pair) => ({
        from: pair.full,
        to: pair.thumbnailPath,
        size: site.recipe.thumbnail,
        as: THUMBNAIL,
        times: 1,
      })),
    due: dueTasks(site),
    elsewhere: site.elsewhere,
    alike: site.pairing.alike,
    words: wordsRows(site, pairs),
    companions: [...companionsOf(site)],
    order: order.by,
    naming,
    rights,
    lists,
    menu: menuView(site),
    dense: site.pages
      .map((page) => ({ page: page.path, count: denseOffers(site, page).length }))
      .filter(({ count }) => count > 0),
    unsearched: site.pairing.unsearched,
    recipe: site.recipe,
    unread: [...site.files].filter(
      ([path, content]) => content.kind === 'binary' && isPicturePath(path) && !site.factsOf(path),
    ).length,
    kits: kitsView(site),
  };
}

function fixView(fix: Fix): FixView {
  if (fix.kind === 'change') return { kind: 'change', label: fix.label };
  return fix;
}

function sizeOf(site: SiteReading, path: string | null, facts: PhotoFacts | undefined): PairView['fullSize'] {
  const content = path === null ? undefined : site.files.get(path);
  return content && facts ? { width: facts.width, height: facts.height, bytes: bytesOf(content) } : null;
}

/** For each picture file the pages that show it or link to it. */
function pagesOf(site: SiteReading): Map<string, string[]> {
  const pages = new Map<string, Set<string>>();
  for (const page of site.pages) {
    for (const strand of page.strands.flat()) {
      for (const path of [strand.full, strand.thumbnail])
        if (path !== null) pages.set(path, (pages.get(path) ?? new Set()).add(page.path));
    }
  }
  return new Map([...pages].map(([path, set]) => [path, [...set]]));
}

function pairView(site: SiteReading, pair: Pair, pages: ReadonlyMap<string, string[]>): PairView {
  const facts = site.factsOf(pair.full);
  const content = site.files.get(pair.full);
  const hash = content?.kind === 'binary' ? content.hash : '';
  const { known } = site.notes;
  return {
    ...pair,
    hash,
    thumbnailSize: sizeOf(site, pair.thumbnail, pair.thumbnail === null ? undefined : site.factsOf(pair.thumbnail)),
    fullSize: sizeOf(site, pair.full, facts),
    words: wordsFor(known, hash, facts, pair.full),
    taken: takenAtOf(known, hash, facts),
    tags: known.tags[hash] ?? [],
    place: facts?.place === undefined ? 'none' : known.placeKept.includes(hash) ? 'kept' : 'removed',
    animated: facts?.animated === true,
    focus: { ...focusOf(hash, facts, known), chosen: known.focus[hash] !== undefined },
    trouble: facts?.unreadable ?? (pair.thumbnail === null ? null : (site.factsOf(pair.thumbnail)?.unreadable ?? null)),
    usedOn: [
      ...new Set([
        ...(pages.get(pair.full) ?? []),
        ...(pair.thumbnail === null ? [] : (pages.get(pair.thumbnail) ?? [])),
      ]),
    ],
    thumbnailPath: thumbnailPath(site, pair),
  };
}

function pageView(page: PageReading, site: SiteReading): PageView {
  const { document, wiring } = page;
  return {
    path: page.path,
    title: titleOf(document) ?? page.path,
    galleries: page.galleries.map((gallery, n): GalleryView => ({
      ...galleryView(document, gallery, page.strands[n] ?? []),
      heading: headingText(page, gallery),
      spread: spreadView(site, page.path, n),
    })),
    hazards: page.hazards
      .filter((hazard) => page.galleries.some((gallery) => gallery.items.some((item) => hazardIn([hazard], item.unit))))
      .map(({ range, says }) => ({ line: document.lines.lineAt(range.start), says })),
    told: [...document.units],
    anchors: namesIn(document).ids,
    kit: wiring.main?.kit.manifest.name ?? null,
    uses: usesView(page),
    styles: wiring.includes.flatMap(({ kind, path, lookup }) =>
      kind === 'style' && path !== null && lookup.found !== 'nothing' ? [lookup.path] : [],
    ),
    includes: includesView(page),
  };
}

function galleryView(
  document: PageDocument,
  gallery: Gallery,
  strands: readonly Strand[],
): Omit<GalleryView, 'spread' | 'heading'> {
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

function menuView({ pages }: SiteReading): MenuView | null {
  const shared = sharedMenu(pages);
  if (!shared) return null;
  const { entries, without } = shared;
  return {
    entries,
    pages: shared.pages.map(({ page, menu, drift }) => ({
      path: page.path,
      stands: entries.map(
        ({ target }) =>
          drift.find((one) => one.target === target)?.kind ??
          (menu.entries.some((entry) => entry.target === target && entry.current) ? 'own' : 'whole'),
      ),
    })),
    without: without.map(({ path }) => path),
  };
}

const named = new WeakMap<PageDocument, { ids: string[]; classes: string[] }>();

function namesIn(document: PageDocument): { ids: string[]; classes: string[] } {
  const known = named.get(document) ?? {
    ids: document.elements.flatMap((element) => valueOf(element, 'id')?.trim() || []),
    classes: [
      ...new Set(document.elements.flatMap((element) => valueOf(element, 'class')?.split(/\s+/).filter(Boolean) ?? [])),
    ],
  };
  named.set(document, known);
  return known;
}

function classesOf(site: SiteReading): string[] {
  const inStyles = [...site.files].flatMap(([path, content]) =>
    content.kind === 'text' && isStylePath(path)
      ? [...content.text.matchAll(/\.(-?[A-Za-z_][\w-]*)(?=[^{}]*\{)/g)].map((match) => match[1]!)
      : [],
  );
  return [...new Set([...site.pages.flatMap(({ document }) => namesIn(document).classes), ...inStyles])].sort();
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
