/** Reads sites away from the main thread: a thin shell around the core. One worker serves the one open site. */
import * as Comlink from 'comlink';
import { markupFix } from '~core/checks/index.ts';
import type { ListFormat } from '~core/lists/index.ts';
import { elementAt, elementBy, tieOf, type Tie } from '~core/markup/index.ts';
import { galleryList, newReadingMemory, readSite, type PictureTask, type SiteReading } from '~core/model/index.ts';
import { partOf } from '~core/pack/index.ts';
import { UNROTATED, type PhotoFacts, type Rotation } from '~core/photo/index.ts';
import {
  keepInStep,
  typedAlong,
  placeMade,
  pastedOn,
  type BroughtPicture,
  planFor,
  type RuledText,
  textsByRule,
  type TextsWish,
  readyTasks,
  rotationAsked,
  importPictures,
  unitChoices,
  type IncomingPicture,
  type Intent,
  type MadeFile,
  type ReadyTask,
  type UnitChoice,
  styleFilesIn,
  type StyleFile,
  textFound,
  type TextSought,
} from '~core/plans/index.ts';
import type { Change, FileChange, FileContent, NotDone, Planned, Result } from '~core/site/index.ts';
import {
  layoutView,
  viewerOptions,
  viewersOn,
  type ViewerView,
  pageStandingAlone,
  picturesShownBy,
  predictionsOn,
  type Reported,
  reportOf,
  viewOf,
  webpToMake,
  weightView,
  type WeightAsked,
  type WeightView,
  type Foretold,
  type LayoutView,
  type SiteView,
} from '~core/view/index.ts';
import { wholeWeight } from '~core/weight/index.ts';
import { draftManifest, type Draft, type Pasting } from '~core/wiring/index.ts';
import { openStore } from '../data/store/idbStore';
import { diffsOf, type FileDiff } from '../data/session/diffs';
import { compareList, type CompareAsked, type ComparedView } from './compareList';
import { KITS } from './kits';
import { broughtOf, stockOf, type StockPicture } from './otherSites';
import { LONG_LISTS, marksOf, PIECE, type LongList, type Marks } from './longLists';

export type PlanView = Result<{ change: Change; diffs: FileDiff[] } & NotDone>;

const files = new Map<string, FileContent>();
const facts = new Map<string, PhotoFacts>();
let memory = newReadingMemory('a few');
let reading: SiteReading | null = null;
let view: SiteView | null = null;

/** The site as a change would leave it. */
const again = (all: ReadonlyMap<string, FileContent>): SiteReading => readSite(all, facts, KITS, memory);

const currentReading = (): SiteReading => (reading ??= readSite(files, facts, KITS, memory));

export type PastedView = Pick<Pasting, 'pieces' | 'mended' | 'added'>;

export interface ViewHead {
  number: number;
  head: SiteView;
  /**
   * In the order of {@link LONG_LISTS}: how long each is, and which of its pieces are as in the view that the asker
   * has.
   */
  lengths: number[];
  same: boolean[][];
}

/** The view whose parts are being fetched, so that all parts are of one. */
let handed: { number: number; view: SiteView; marks: Marks } | null = null;

function changed(): void {
  reading = null;
  view = null;
}

const analysis = {
  /**
   * Takes a site; what is known of its pictures is read from the store here, away from the page. Gives the hashes of
   * those that were looked at.
   */
  async open(all: [string, FileContent][]): Promise<string[]> {
    files.clear();
    facts.clear();
    memory = newReadingMemory('a few');
    for (const [path, content] of all) files.set(path, content);
    return recall([...files.values()].flatMap((content) => (content.kind === 'binary' ? [content.hash] : [])));
  },
  /** The same for contents that came back. */
  recall(hashes: string[]): Promise<string[]> {
    return recall(hashes);
  },
  update(some: [string, FileContent | null][], known: [string, PhotoFacts][]): void {
    for (const [path, content] of some) {
      if (content) files.set(path, content);
      else files.delete(path);
    }
    for (const [hash, one] of known) facts.set(hash, one);
    changed();
  },
  /**
   * The view without its long lists, and how long those are: a message of thousands of rows would stall whoever
   * unpacks it.
   */
  viewHead(known: number | null): ViewHead {
    const whole = (view ??= viewOf(currentReading()));
    const before = handed && handed.number === known ? handed.marks : null;
    const marks = marksOf(whole);
    handed = { number: (handed?.number ?? 0) + 1, view: whole, marks };
    const same = LONG_LISTS.map((name) => marks[name].map((mark, n) => before?.[name][n] === mark));
    return {
      number: handed.number,
      head: { ...whole, ...Object.fromEntries(LONG_LISTS.map((name) => [name, []])) },
      lengths: LONG_LISTS.map((name) => whole[name].length),
      same,
    };
  },
  /**
   * A part of a long list of the view that was handed out last, even if the site has changed since; null where
   * another was.
   */
  viewPart(number: number, name: LongList, piece: number): unknown[] | null {
    return handed?.number === number ? handed.view[name].slice(piece * PIECE, (piece + 1) * PIECE) : null;
  },
  /** Searches on for what thumbnails show, for a second or so; gives how many are left. */
  searchOn(): number {
    changed();
    return currentReading().pairing.unsearched;
  },
  picturesShownBy(path: string): string[] {
    return picturesShownBy(files, path);
  },
  pageStandingAlone(path: string, pictures: [string, string][], nonce: string): string {
    return pageStandingAlone(files, path, new Map(pictures), nonce);
  },
  /** The element at a place in a page's source, or at child numbers of its tree. */
  tie(path: string, at: number | number[]): Tie | null {
    const page = currentReading().pages.find((one) => one.path === path);
    return page ? tieOf(typeof at === 'number' ? elementAt(page.document, at) : elementBy(page.document, at)) : null;
  },
  /** Where the element at child numbers of a page's tree begins in its source. */
  startOf(path: string, element: number[]): number | null {
    const page = currentReading().pages.find((one) => one.path === path);
    return (page && elementBy(page.document, element)?.range?.start) ?? null;
  },
  unitChoices(path: string, at: number): UnitChoice[] {
    const page = currentReading().pages.find((one) => one.path === path);
    return page ? unitChoices(page, at) : [];
  },
  /** What can be read out of somebody's own viewer script. */
  draftKit(name: string, texts: Record<string, string>): Draft {
    return draftManifest(name, texts);
  },
  /** Files of a download that its stylesheets name. */
  styleFiles(styles: Record<string, string>, paths: readonly string[]): StyleFile[] {
    return styleFilesIn(styles, paths);
  },
  /** What becomes of lines out of a manual, piece by piece; null where there is no such page. */
  pasted(page: string, text: string, files: Record<string, string>): PastedView | null {
    const pasting = pastedOn(currentReading(), { page, text, files });
    return pasting && { pieces: pasting.pieces, mended: pasting.mended, added: pasting.added };
  },
  /** What a click on each picture of a page does. */
  predictions(path: string): Foretold[] {
    return predictionsOn(currentReading(), path);
  },
  layout(page: string, gallery: number, at: number | null): LayoutView | null {
    return layoutView(currentReading(), page, gallery, at);
  },
  /** What a page weighs on a line; null where there is no such page. */
  weight(path: string, asked: WeightAsked): WeightView | null {
    return weightView(currentReading(), path, asked);
  },
  /** A report of a page, as HTML; `alone` is the page by itself. */
  report(page: string, said: Omit<Reported, 'page' | 'whole'>): string {
    const now = (view ??= viewOf(currentReading()));
    return reportOf(now, { ...said, page, whole: wholeWeight(currentReading(), page) });
  },
  /** Viewers of a page that have options. */
  viewers(page: string): { kit: string; title: string }[] {
    return viewersOn(currentReading(), page);
  },
  /** The options and the look of one of them, for a gallery or one link of it. */
  options(page: string, wanted: { kit: string; gallery: number; strand: string | null }): ViewerView | null {
    return viewerOptions(currentReading(), page, wanted);
  },
  /** Files in which a text stands, with how often. */
  textFound(sought: TextSought): { path: string; count: number }[] {
    return textFound(currentReading(), sought);
  },
  /** What a list says otherwise than a gallery. */
  compareList(asked: CompareAsked): ComparedView {
    return compareList(currentReading(), asked);
  },
  /** A gallery as a list, with addresses from the folder of the site; null where it is gone. */
  galleryList({ page: path, gallery }: { page: string; gallery: number }, format: ListFormat): string | null {
    const page = currentReading().pages.find((one) => one.path === path);
    return page ? galleryList(currentReading(), { page, gallery }, { format, path: '' }) : null;
  },
  /** What each picture would say by a pattern. */
  textsByRule(wish: TextsWish): RuledText[] {
    return textsByRule(currentReading(), wish);
  },
  /** Pictures of another site of this browser. */
  stockOf(siteId: string): Promise<StockPicture[]> {
    return stockOf(siteId);
  },
  /** What those pictures take along. */
  broughtOf(siteId: string, fulls: string[]): Promise<BroughtPicture[]> {
    return broughtOf(siteId, fulls);
  },
  plan(intent: Intent): PlanView {
    return shown(planFor(currentReading(), intent, again));
  },
  /** What a change that somebody types brings along. */
  typedAlong(change: Change): FileChange[] {
    return typedAlong(currentReading(), change, again);
  },
  /** Where pictures go that come in beside those of a gallery. */
  importPictures(
    incoming: IncomingPicture[],
    beside: { page: string; gallery: number | null } | null,
  ): { planned: PlanView; paths: string[] } {
    const { planned, paths } = importPictures(currentReading(), incoming, beside);
    return { planned: shown(keepInStep(currentReading(), planned, again)), paths };
  },
  readyTasks(tasks: PictureTask[]): ReadyTask[] {
    return readyTasks(currentReading(), tasks);
  },
  /** What is made of a picture once it is rotated. */
  rotation(picture: string, rotation: Rotation): Result<{ tasks: PictureTask[] }> {
    return rotationAsked(currentReading(), picture, rotation);
  },
  /** What the files of a picture are made from, as a task; none where there is no such picture. */
  originalOf(picture: string): ReadyTask[] {
    const asked = rotationAsked(currentReading(), picture, UNROTATED);
    return readyTasks(currentReading(), asked.ok ? asked.tasks.slice(0, 1) : []);
  },
  /** A page with all that it needs, for a folder of a larger site; `there` are files of that. */
  part(
    page: string,
    target: string,
    there: readonly (readonly [string, FileContent | null])[],
    replaces: readonly string[],
  ): ReturnType<typeof partOf> {
    return partOf(currentReading(), { page, target, there: new Map(there), replaces: new Set(replaces) });
  },
  /** What mends each of these messages of a checker; null where nothing does that is beyond doubt. */
  markupFixes(messages: { page: string; rule: string; at: number }[]): (string | null)[] {
    const site = currentReading();
    const pages = new Map(site.pages.map((page) => [page.path, page]));
    return messages.map(({ page: path, rule, at }) => {
      const page = pages.get(path);
      return (page && markupFix(site, page, rule, at)?.label) ?? null;
    });
  },
  /** WebP files to be made beside the JPEG files that these pages show; null means all pages. */
  webpToMake(pages: string[] | null): PictureTask[] {
    return webpToMake(currentReading(), pages);
  },
  placeMade(made: MadeFile[]): PlanView {
    return shown(keepInStep(currentReading(), placeMade(currentReading(), made), again));
  },
};

async function recall(hashes: readonly string[]): Promise<string[]> {
  const known = await (await openStore()).readFacts(hashes);
  for (const [hash, one] of known) facts.set(hash, one);
  changed();
  return [...known.keys()];
}

const shown = (planned: Planned): PlanView =>
  planned.ok ? { ...planned, diffs: diffsOf(planned.change, files) } : planned;

export type Analysis = typeof analysis;
Comlink.expose(analysis);
