/** What the interface shows of a site, as plain data that can cross from a worker: no elements, no functions. */
import { findingsOf, isCertain, RULES, type Finding, type Fix, type Station } from '../checks/index.ts';
import type { WordsRow } from '../lists/index.ts';
import {
  changesFormat,
  clearToDecide,
  dueTasks,
  type ExternalFile,
  externalFiles,
  THUMBNAIL,
  thumbnailTasks,
  type Elsewhere,
  type PictureTask,
  type SiteReading,
  type Strand,
  taggedItems,
  tagsOnPages,
} from '../model/index.ts';
import { parcelOf, uploadOf, type ParcelEntry, type UploadView } from '../pack/index.ts';
import type { Pairing } from '../pairing/index.ts';
import { type Recipe, recipeFor } from '../photo/index.ts';
import { byOrder, companionsOf, denseOffers, type ScriptList, scriptLists } from '../plans/index.ts';
import { bytesOf, isStylePath, type SiteNotes } from '../site/index.ts';
import { type CollectionView, collectionViews } from './collections.ts';
import { type FollowView, followsOf } from './follows.ts';
import { exerciseView, type ExerciseView } from './exercise.ts';
import { kitsView, type KitView } from './kits.ts';
import { linksView, type OutsideLink } from './links.ts';
import { type WebpView, webpView } from './webp.ts';
import { wordsRows } from './wordsView.ts';
import { type PairView, pagesOf, pairView, unreadIn } from './pairs.ts';
import { pagesShowing } from './shownOn.ts';
import { type PageView, pageView, namesIn } from './pages.ts';
import { type MenuView, menuView } from './menusView.ts';

export type FixView =
  | { kind: 'change'; label: string }
  | { kind: 'rename'; label: string; from: string; to: string }
  | { kind: 'picture'; label: string; tasks: PictureTask[] }
  | { kind: 'ask'; label: string; ask: 'alt'; strand: string };
export type FindingView = Omit<Finding, 'fixes'> & {
  fixes: FixView[];
  /** The first fix can be made without asking. */
  certain: boolean;
};

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
  /** Findings that somebody has looked at and set aside, with the reason. */
  aside: { finding: FindingView; reason: string }[];
  checked: { id: string; title: string; found: number }[];
  /** Findings that are settled at each station; each counts at one of them. */
  open: Record<Station, number>;
  parcel: ParcelEntry[];
  /** What is written beside the pages when the site leaves. */
  upload: UploadView;
  /** What pages load from other hosts. */
  external: ExternalFile[];
  files: FileView[];
  /** Class names that pages have or stylesheets speak of. */
  classes: string[];
  /** Lists of pictures that scripts draw. */
  scriptLists: ScriptList[];
  missing: PictureTask[];
  /** All that the recipe asks for and is not there, or would come out otherwise now. */
  due: PictureTask[];
  /** Full-size files with clear parts of which nobody has said what they become where JPEG is wanted. */
  clear: string[];
  /** Full-size files that creating all sizes would replace by one of another format. */
  reformatted: string[];
  /** Thumbnails that were not made here, each with what makes it again. */
  byHand: { full: string; thumbnail: string; tasks: PictureTask[] }[];
  elsewhere: Elsewhere[];
  alike: string[][];
  similar: string[][];
  words: WordsRow[];
  /** Files made of a picture that go where it goes, by its full-size file. */
  companions: [string, string[]][];
  order: SiteNotes['order']['by'];
  naming: SiteNotes['naming'];
  rights: SiteNotes['rights'];
  lists: SiteNotes['lists'];
  /** Pages with thumbnails that could be offered at twice the size, and how many. */
  dense: { page: string; count: number }[];
  /** Pages that show pictures of other pages. */
  collections: CollectionView[];
  follows: FollowView[];
  webp: WebpView;
  /** How many links of pages lead to files and places of the site. */
  insideLinks: number;
  outsideLinks: OutsideLink[];
  /** The menu that pages share; null where no two do. */
  menu: MenuView | null;
  /** Thumbnails whose picture is still to be searched for. */
  unsearched: number;
  recipe: Recipe;
  /** Pictures whose facts are not known yet. */
  unread: number;
  kits: KitView[];
  /** Where the site is an exercise; then its findings and fixes are not told, for its strands are all the help. */
  exercise: ExerciseView | null;
}

const findingView = (finding: Finding): FindingView => ({
  ...finding,
  certain: isCertain(finding),
  fixes: finding.fixes.map(fixView),
});

export function viewOf(site: SiteReading): SiteView {
  const found = findingsOf(site);
  const exercise = exerciseView(site, found);
  const reasons = new Map(site.notes.known.setAside.map(({ finding, reason }) => [finding, reason]));
  const told = exercise === null ? found : [];
  const findings = told.filter(({ id }) => !reasons.has(id));
  const aside = told.filter(({ id }) => reasons.has(id));
  const compare = byOrder(site);
  const pages = { used: pagesOf(site), shown: pagesShowing(site) };
  const unread = unreadIn(site);
  const tags = tagsOnPages(taggedItems(site));
  const pairs = site.pairing.pairs
    .map((pair) => pairView(site, pair, pages, unread, tags))
    .sort((a, b) => compare(a.full, b.full));
  const { order, naming, rights, lists } = site.notes.known;
  const parcel = parcelOf(site);
  const due = dueTasks(site);
  const unused = new Set(parcel.filter((entry) => entry.unused).map((entry) => entry.path));
  const count = (station: Station) => findings.filter((finding) => finding.station === station).length;
  return {
    pages: site.pages.map((page) => pageView(page, site)),
    strands: site.pages.flatMap((page) => page.strands.flat()),
    pairs,
    rules: site.pairing.rules,
    loose: site.pairing.loose.map((path) => ({ path, unused: unused.has(path) })),
    findings: findings.map(findingView),
    aside: aside.map((finding) => ({ finding: findingView(finding), reason: reasons.get(finding.id) ?? '' })),
    checked: RULES.map(({ id, title }) => ({
      id,
      title,
      found: findings.filter((finding) => finding.rule === id).length,
    })),
    open: {
      pairs: count('pairs'),
      markup: count('markup'),
      wiring: count('wiring'),
      proof: count('proof'),
      pack: count('pack'),
    },
    parcel,
    upload: uploadOf(site),
    external: externalFiles(site),
    files: [...site.files].map(([path, content]) => ({
      path,
      bytes: bytesOf(content),
      hash: content.kind === 'binary' ? content.hash : null,
    })),
    classes: classesOf(site),
    scriptLists: scriptLists(site),
    missing: missingOf(site, pairs),
    due,
    clear: clearToDecide(site),
    reformatted: site.recipe.originals === 'replace' ? due.filter(changesFormat).map(({ from }) => from) : [],
    byHand: byHandOf(site),
    elsewhere: site.elsewhere,
    alike: site.pairing.alike,
    similar: site.pairing.similar,
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
    collections: collectionViews(site),
    follows: followsOf(site),
    webp: webpView(site),
    ...linksView(site),
    unsearched: site.pairing.unsearched,
    recipe: site.recipe,
    unread,
    kits: kitsView(site),
    exercise,
  };
}

/** Thumbnails that pairs lack. */
function missingOf(site: SiteReading, pairs: readonly PairView[]): PictureTask[] {
  return pairs
    .filter(({ state }) => state === 'no thumbnail')
    .map(({ full, thumbnailPath }) => ({
      from: full,
      to: thumbnailPath,
      size: recipeFor(site.recipe, site.factsOf(full) ?? {}).thumbnail,
      as: THUMBNAIL,
      times: 1,
    }));
}

function byHandOf(site: SiteReading): SiteView['byHand'] {
  return site.pairing.pairs.flatMap((pair) => {
    const { full, thumbnail } = pair;
    if (thumbnail === null || site.made.has(thumbnail)) return [];
    const tasks = thumbnailTasks(site, pair);
    return tasks.length === 0 ? [] : [{ full, thumbnail, tasks }];
  });
}

function fixView(fix: Fix): FixView {
  if (fix.kind === 'page' || fix.kind === 'follow' || fix.kind === 'change')
    return { kind: 'change', label: fix.label };
  return fix;
}

function classesOf(site: SiteReading): string[] {
  const inStyles = [...site.files].flatMap(([path, content]) =>
    content.kind === 'text' && isStylePath(path)
      ? [...content.text.matchAll(/\.(-?[A-Za-z_][\w-]*)(?=[^{}]*\{)/g)].map((match) => match[1] ?? '')
      : [],
  );
  return [...new Set([...site.pages.flatMap(({ document }) => namesIn(document).classes), ...inStyles])].sort();
}
