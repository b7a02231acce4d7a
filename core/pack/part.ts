/**
 * One page with all that it needs, for a folder within a larger site: where each of its files comes to stand, and the
 * references that have to be others there. What the larger site holds already is not written twice.
 */
import { ledBy, renames, type SiteReading } from '../model/index.ts';
import {
  applyChange,
  cleanPath,
  type FileChange,
  type FileContent,
  isPagePath,
  refuse,
  type Result,
  sameContent,
} from '../site/index.ts';

interface PartWish {
  page: string;
  /** The folder within the larger site, with a slash behind it, or '' for its root. */
  target: string;
  /** Files of the larger site; null where one is there that nobody has read, for it cannot be the same. */
  there: ReadonlyMap<string, FileContent | null>;
  /** Paths of the larger site whose files give way. */
  replaces: ReadonlySet<string>;
}

export interface PartFile {
  /** Here, and in the larger site. */
  path: string;
  to: string;
  /** As it is written there. */
  content: FileContent;
  /** `there` is not written: the larger site has it, here or elsewhere; `renamed` is what would meet another file. */
  stands: 'new' | 'there' | 'renamed' | 'replaces';
  /** Where another file stands in its way, or did. */
  meets: string | null;
}

interface Part {
  files: PartFile[];
  /** Pages that it links to and that are in neither: those links lead nowhere until they come, too. */
  behind: string[];
}

export function partOf(site: SiteReading, wish: PartWish): Result<Part> {
  const { page, there } = wish;
  if (!site.pages.some(({ path }) => path === page)) return refuse(`There is no page ${page} any more.`);
  const folder = wish.target === '' ? '' : cleanPath(`${wish.target}x`);
  if (folder !== '' && !folder.ok) return refuse(`“${wish.target}” cannot be a folder: ${folder.reason}.`);
  const target = folder === '' ? '' : folder.path.replace(/x$/, '');
  const { needed, pages } = neededBy(site, page);
  const placed = placesFor(site, needed, { ...wish, target });
  const written = contentsAt(site, target, placed);
  const files = [...placed].flatMap(([path, place]): PartFile[] => {
    const content = written.get(path);
    return content ? [{ path, content, ...place }] : [];
  });
  return { ok: true, files, behind: pages.filter((one) => !there.has(target + one)) };
}

/** Files that a page leads to, and that those lead to; other pages are only told. */
function neededBy(site: SiteReading, page: string): { needed: string[]; pages: string[] } {
  const needed = new Set([page]);
  const pages = new Set<string>();
  for (const path of needed) {
    for (const address of site.addresses.get(path) ?? []) {
      const real = address.unplaced ? null : (ledBy(address, path, site)?.real ?? null);
      if (real === null || real === page) continue;
      if (isPagePath(real)) pages.add(real);
      else needed.add(real);
    }
  }
  return { needed: [...needed], pages: [...pages] };
}

type Place = Pick<PartFile, 'to' | 'stands' | 'meets'>;

/**
 * Where each file comes to stand. What the larger site has already is looked for in a few places, one after the other:
 * a file is the same only as it would be written there, with the references that it would have.
 */
function placesFor(site: SiteReading, needed: readonly string[], wish: PartWish): Map<string, Place> {
  const candidates = sharedPlaces(site, needed, wish);
  for (;;) {
    const shared = new Map([...candidates].flatMap(([path, [first]]) => (first === undefined ? [] : [[path, first]])));
    const placed = placedWith(shared, needed, wish);
    const written = contentsAt(site, wish.target, placed);
    const others = [...shared].filter(
      ([path, to]) => !sameContent(written.get(path) ?? null, wish.there.get(to) ?? null),
    );
    if (others.length === 0) return placed;
    // It moves, and so may change what leads to it.
    for (const [path] of others) candidates.get(path)?.shift();
  }
}

function placedWith(
  shared: ReadonlyMap<string, string>,
  needed: readonly string[],
  { target, there, replaces }: PartWish,
): Map<string, Place> {
  const names = new Map([...there.keys()].map((path) => [path.toLowerCase(), path]));
  const mine = new Set(needed.map((path) => (target + path).toLowerCase()));
  const isTaken = (path: string) => names.has(path.toLowerCase()) || mine.has(path.toLowerCase());
  const placeOf = (path: string): Place => {
    const same = shared.get(path);
    if (same !== undefined) return { to: same, stands: 'there', meets: null };
    const meets = names.get((target + path).toLowerCase()) ?? null;
    if (meets === null) return { to: target + path, stands: 'new', meets };
    return replaces.has(meets)
      ? { to: meets, stands: 'replaces', meets }
      : { to: numbered(target + path, 1 + namesFor(target + path, isTaken).length), stands: 'renamed', meets };
  };
  return new Map(needed.map((path) => [path, placeOf(path)]));
}

/** Where the larger site may have each file: in its place, or the very file elsewhere. */
function sharedPlaces(
  site: SiteReading,
  needed: readonly string[],
  { target, there }: PartWish,
): Map<string, string[]> {
  const held = new Map<string, string>();
  for (const [path, content] of there) if (content) held.set(keyOf(content), held.get(keyOf(content)) ?? path);
  return new Map(
    needed.map((path) => {
      const content = site.files.get(path);
      const elsewhere = content && held.get(keyOf(content));
      const places = namesFor(target + path, (one) => there.has(one));
      return [path, elsewhere === undefined ? places : [...new Set([...places, elsewhere])]];
    }),
  );
}

const numbered = (path: string, n: number): string =>
  n < 2 ? path : path.replace(/(\.[^./]*)?$/, (extension) => `-${n}${extension}`);

/** The name itself and those with a number behind it, as far as they are taken one after the other. */
function namesFor(path: string, isTaken: (path: string) => boolean): string[] {
  const names: string[] = [];
  while (isTaken(numbered(path, names.length + 1))) names.push(numbered(path, names.length + 1));
  return names;
}

const keyOf = (content: FileContent): string =>
  content.kind === 'text' ? `text ${content.text}` : `binary ${content.hash}`;

type Edits = Extract<FileChange, { kind: 'edit' }>;

/** The files with the references that they have at their places, by the paths that they have here. */
function contentsAt(site: SiteReading, target: string, placed: ReadonlyMap<string, Place>): Map<string, FileContent> {
  // Everything of the site moves with the page, so that links to what stays behind read as they do.
  const moves = new Map([...site.files.keys()].map((path) => [path, placed.get(path)?.to ?? target + path]));
  const edits = renames(site, moves, (path) => target + path).filter(
    (file): file is Edits => file.kind === 'edit' && placed.has(file.path),
  );
  const mine = new Map([...site.files].filter(([path]) => placed.has(path)));
  const written = applyChange(mine, { label: '', files: edits });
  if (!written.ok) throw new Error(written.reason);
  return written.files;
}
