/** A site as it is understood: derived from its files and the facts of its pictures, never stored. */
import {
  galleriesOf,
  hazardsOf,
  parsePage,
  type Gallery,
  type GalleryItem,
  type Hazard,
  type PageDocument,
  type UnitHint,
} from '../markup/index.ts';
import {
  newContentMemory,
  pairPictures,
  type Content,
  type ContentMemory,
  type Decision,
  type Pace,
  type PageEvidence,
  type Pairing,
} from '../pairing/index.ts';
import { DEFAULT_RECIPE, Recipe, type PhotoFacts } from '../photo/index.ts';
import {
  byNaturalName,
  folderOf,
  grouped,
  stemOf,
  notesIn,
  isPagePath,
  isPicturePath,
  NOTES_FILE,
  PathIndex,
  resolveInSite,
  type FileContent,
  type MadeRecord,
  type PairDecision,
  type SiteFiles,
  type SiteNotes,
} from '../site/index.ts';
import { type Address, IMPORT } from '../addresses/index.ts';
import { ownKits, wiringOf, type Kit, type PageWiring } from '../wiring/index.ts';
import { derivedFiles, madeRecords, madeTogether } from './madeSizes.ts';
import { baseOf, ownAddress } from './leads.ts';
import { type Around, addressesOfPage, fileAddresses, ledBy } from './siteAddresses.ts';
import { strandsOf, type Strand } from './strands.ts';

interface ParsedPage {
  text: string;
  document: PageDocument;
  galleries: Gallery[];
  hazards: Hazard[];
}

export interface PageReading extends ParsedPage {
  path: string;
  /** The path that its addresses count from: its own, or where its `base` leads. */
  base: string;
  wiring: PageWiring;
  addresses: readonly Address[];
  /** One list for each gallery, one strand for each item. */
  strands: Strand[][];
}

export interface SiteReading {
  files: SiteFiles;
  index: PathIndex;
  kits: readonly Kit[];
  pages: PageReading[];
  pairing: Pairing;
  /** Every file that something in the site leads to. */
  used: Set<string>;
  factsOf: (path: string) => PhotoFacts | undefined;
  /** What is made of pictures here. */
  recipe: Recipe;
  /** Files made by the recipe, as far as the notes of them hold. */
  made: Map<string, MadeRecord>;
  /** Originals, further sizes and copies for dense screens: no pictures of their own. */
  derived: Set<string>;
  /** Thumbnails that link to an outside address, which is kept and never fetched. */
  elsewhere: Elsewhere[];
  /** For each script file the pages that run it. */
  scriptPages: ReadonlyMap<string, readonly string[]>;
  /** What addresses of a page count from, for each page: its own path, or where its `base` leads. */
  bases: ReadonlyMap<string, string>;
  /** Every address of every text. */
  addresses: ReadonlyMap<string, readonly Address[]>;
  /** The address at which the site stands, where its pages say so. */
  own: string | null;
  /** The program's notes of the site: the file as it stands, and what it says. */
  notes: { file: FileContent | null; known: SiteNotes };
}

export interface Elsewhere {
  thumbnail: string;
  address: string;
  page: string;
  line: number;
}

/**
 * What is kept from one reading to the next. A page is parsed again only when its text is another; two contents are
 * compared once.
 */
interface ReadingMemory {
  pages: Map<string, ParsedPage>;
  contents: ContentMemory;
  /** How far a reading searches for what pictures show. */
  pace: Pace;
}

export const newReadingMemory = (pace: Pace = 'all'): ReadingMemory => ({
  pages: new Map(),
  contents: newContentMemory(),
  pace,
});

/** `all` holds the site's files and may hold the program's notes of it, which are no file of the site. */
export function readSite(
  all: SiteFiles,
  facts: ReadonlyMap<string, PhotoFacts>,
  shipped: readonly Kit[],
  memory: ReadingMemory = newReadingMemory(),
): SiteReading {
  const known = notesIn(all);
  const { decisions } = known;
  const recipe = Recipe.safeParse(known.recipe);
  const files = new Map(all);
  files.delete(NOTES_FILE);
  const kits = [...shipped, ...ownKits(known.kits, files)];
  const index = new PathIndex(files.keys());
  const factsOf = (path: string) => {
    const content = files.get(path);
    return content?.kind === 'binary' ? facts.get(content.hash) : undefined;
  };
  const read = parsedPages(files, known.units, memory.pages);
  const own = ownAddress(read.map(({ path, page: { document } }) => ({ path, document })));
  const parsed = read.map((one) => ({ ...one, base: baseOf(one.page.document, one.path, own) }));

  const evidence = parsed.flatMap((one) =>
    one.page.galleries.flatMap((gallery) => gallery.items.flatMap((item) => evidenceOf(one, item, index) ?? [])),
  );
  const elsewhere = parsed.flatMap((one) =>
    one.page.galleries.flatMap((gallery) => gallery.items.flatMap((item) => elsewhereOf(one, item, index) ?? [])),
  );
  const made = madeRecords(files, known.made);
  const derived = derivedFiles(files, made);
  const paths = [...files.keys()].filter((path) => isPicturePath(path) && !derived.has(path));
  const contentOf = (path: string): Content | null => {
    const content = files.get(path);
    const known = factsOf(path);
    return content?.kind === 'binary' && known ? { hash: content.hash, facts: known } : null;
  };
  const pairing = pairPictures({
    paths,
    contentOf,
    evidence,
    decisions: byPath(decisions, paths, files),
    made: madeTogether(made),
    naming: known.naming,
    elsewhere: new Set(elsewhere.map(({ thumbnail }) => thumbnail)),
    memory: memory.contents,
    pace: memory.pace,
  });
  const context = { files, index, pairing, factsOf };
  const pages = parsed
    .map(({ path, base, page }): PageReading => {
      const wiring = wiringOf(page.document, base, files, index, kits);
      const strands = page.galleries.map((gallery, n) =>
        strandsOf({ path, base, document: page.document, wiring }, gallery, n, context),
      );
      return { path, base, ...page, wiring, addresses: addressesOfPage(page.document), strands };
    })
    .sort(inMenuOrder);
  const bases = new Map(pages.map(({ path, base }) => [path, base]));
  const addresses = new Map([...files].map(([path, content]) => [path, fileAddresses(path, content)]));
  for (const page of pages) addresses.set(page.path, page.addresses);
  const around = { index, bases, own, addresses, scriptPages: scriptPagesOf(pages, addresses, index) };
  const notes = { file: all.get(NOTES_FILE) ?? null, known };
  return {
    ...around,
    files,
    pages,
    kits,
    pairing,
    factsOf,
    recipe: recipe.success ? recipe.data : DEFAULT_RECIPE,
    made,
    derived,
    elsewhere,
    notes,
    used: usedFiles(around),
  };
}

/** The pages with their paths; what is as it was is not parsed again, and pages that are gone are forgotten. */
function parsedPages(
  files: SiteFiles,
  units: ReturnType<typeof notesIn>['units'],
  cache: ReadingMemory['pages'],
): { path: string; page: ParsedPage }[] {
  const hints = grouped(units, ({ page }) => page);
  for (const path of cache.keys()) if (!files.has(path)) cache.delete(path);
  return [...files].flatMap(([path, content]) =>
    content.kind === 'text' && isPagePath(path)
      ? [{ path, page: parseCached(path, content.text, hints.get(path) ?? [], cache) }]
      : [],
  );
}

/** The home page first, then by name as people count. */
const inMenuOrder = (a: PageReading, b: PageReading): number =>
  Number(b.path === 'index.html') - Number(a.path === 'index.html') ||
  byNaturalName(bare(a.path), bare(b.path)) ||
  a.path.localeCompare(b.path);

/** For each script the pages that load it, by themselves or by what they load. */
function scriptPagesOf(
  pages: readonly PageReading[],
  ofFiles: SiteReading['addresses'],
  index: PathIndex,
): Map<string, string[]> {
  const scriptPages = new Map<string, string[]>();
  const add = (path: string, page: string) => {
    const known = scriptPages.get(path) ?? [];
    if (known.includes(page)) return;
    scriptPages.set(path, [...known, page]);
    for (const { by, value } of ofFiles.get(path) ?? []) {
      const imported = by === IMPORT ? fileAt(value, path, index) : null;
      if (imported !== null) add(imported, page);
    }
  };
  for (const { wiring, path: page, base, addresses } of pages) {
    for (const { kind, path } of wiring.includes) if (kind === 'script' && path !== null) add(path, page);
    for (const { by, value } of addresses) {
      const imported = by === IMPORT ? fileAt(value, base, index) : null;
      if (imported !== null) add(imported, page);
    }
  }
  return scriptPages;
}

/** Without its extension, so that `festival` stands before `festival-2`. */
const bare = (path: string): string => `${folderOf(path)}${stemOf(path)}`;

/** Decisions are kept by content; here they are told of every file that has it. */
function byPath(decisions: readonly PairDecision[], paths: readonly string[], files: SiteFiles): Decision[] {
  if (decisions.length === 0) return [];
  const pathsOf = new Map<string, string[]>();
  for (const path of paths) {
    const content = files.get(path);
    if (content?.kind === 'binary') pathsOf.set(content.hash, [...(pathsOf.get(content.hash) ?? []), path]);
  }
  return decisions.flatMap(({ small, large, belong }) =>
    (pathsOf.get(small) ?? []).flatMap((thumbnail) =>
      (pathsOf.get(large) ?? []).map((full) => ({ thumbnail, full, belong })),
    ),
  );
}

function parseCached(
  path: string,
  text: string,
  hints: readonly UnitHint[],
  cache: ReadingMemory['pages'],
): ParsedPage {
  const known = cache.get(path);
  const units = hints.map(({ selector, gallery }) => ({ selector, gallery }));
  if (known?.text === text && JSON.stringify(known.document.units) === JSON.stringify(units)) return known;
  const document = parsePage(text, units);
  const page = { text, document, galleries: galleriesOf(document), hazards: hazardsOf(document) };
  cache.set(path, page);
  return page;
}

/** A page that was parsed, with what its addresses count from. */
interface Based {
  path: string;
  base: string;
  page: ParsedPage;
}

function evidenceOf(
  { path, base, page: { document } }: Based,
  item: GalleryItem,
  index: PathIndex,
): PageEvidence | null {
  const thumbnail = fileAt(item.source?.value, base, index);
  const full = fileAt(item.target?.value, base, index);
  if (!thumbnail || !full || !isPicturePath(full)) return null;
  return { page: path, line: document.lines.lineAt(item.range.start), thumbnail, full };
}

function elsewhereOf({ path, base, page: { document } }: Based, item: GalleryItem, index: PathIndex): Elsewhere | null {
  const thumbnail = fileAt(item.source?.value, base, index);
  const href = item.target?.value;
  const target = href ? resolveInSite(href, base) : null;
  if (!thumbnail || target?.kind !== 'outside') return null;
  return { thumbnail, address: target.url, page: path, line: document.lines.lineAt(item.range.start) };
}

function fileAt(reference: string | null | undefined, page: string, index: PathIndex): string | null {
  const target = reference ? resolveInSite(reference, page) : null;
  const found = target?.kind === 'file' ? index.lookup(target.path) : null;
  return found && found.found !== 'nothing' ? found.path : null;
}

function usedFiles(around: Around & Pick<SiteReading, 'addresses'>): Set<string> {
  const used = new Set<string>();
  for (const [path, addresses] of around.addresses)
    for (const address of addresses) {
      const real = address.dormant ? null : ledBy(address, path, around)?.real;
      if (real) used.add(real);
    }
  return used;
}
