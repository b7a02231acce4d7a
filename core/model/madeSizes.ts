/**
 * What a recipe asks for of each picture: the files to be made, and which of them are there already. A file is made
 * again only where its source, its recipe or itself is another than when it was made.
 */
import { readName, thumbnailPathFor, type Pair, type Pairing } from '../pairing/index.ts';
import {
  EXTENSION,
  fallsShort,
  fingerprint,
  isHeavy,
  formatOf,
  keepsPixels,
  madeSize,
  MIDDLE,
  suggestedFocus,
  inFormat,
  isRotated,
  recipeFor,
  rotatedPoint,
  rotatedSize,
  Rotation,
  type Focus,
  type PhotoFacts,
  type Recipe,
  type Size,
  SizeRecipe,
  UNROTATED,
} from '../photo/index.ts';
import {
  bytesOf,
  extensionOf,
  folderOf,
  stemOf,
  type FileContent,
  type MadeRecord,
  type SiteFiles,
  type SiteNotes,
} from '../site/index.ts';

/** A file to be made of a picture. */
export interface PictureTask {
  /** The picture's file as the site has it. */
  from: string;
  to: string;
  size: SizeRecipe;
  /** `thumbnail`, `full-size`, or the title of a further size. */
  as: string;
  /** 2 for dense screens. */
  times: number;
  /** As its picture is rotated from now on; else as it is. */
  rotation?: Rotation | undefined;
}

export const THUMBNAIL = 'thumbnail';
export const FULL_SIZE = 'full-size';

/** What a site must tell for its tasks. */
interface MakingContext {
  files: SiteFiles;
  pairing: Pairing;
  factsOf: (path: string) => PhotoFacts | undefined;
  recipe: Recipe;
  notes: { known: SiteNotes };
  /** What {@link madeRecords} gives. */
  made: ReadonlyMap<string, MadeRecord>;
}

const hashOf = (content: FileContent | undefined): string | null => (content?.kind === 'binary' ? content.hash : null);

/** Notes of what was made, as far as they still hold: the file is there and is what came out. */
export function madeRecords(files: SiteFiles, made: readonly MadeRecord[]): Map<string, MadeRecord> {
  return new Map(
    made.flatMap((record) => (hashOf(files.get(record.path)) === record.is ? [[record.path, record] as const] : [])),
  );
}

/**
 * Files that are no pictures of their own: originals from which a full-size file elsewhere was made, further sizes,
 * and copies for dense screens.
 */
export function derivedFiles(files: SiteFiles, made: ReadonlyMap<string, MadeRecord>): Set<string> {
  const derived = new Set<string>();
  for (const { path, from, of, as } of made.values()) {
    if (as === FULL_SIZE && from !== path && hashOf(files.get(from)) === of) derived.add(from);
    if (as !== FULL_SIZE && as !== THUMBNAIL) derived.add(path);
  }
  for (const path of files.keys()) {
    const once = /^(.+)[-@]2x(\.[a-z0-9]+)$/i.exec(path);
    if (once && files.has(`${once[1]}${once[2]}`)) derived.add(path);
  }
  return derived;
}

/** Thumbnails and full-size files that were made of one picture. */
export function madeTogether(made: ReadonlyMap<string, MadeRecord>): { thumbnail: string; full: string }[] {
  const fullOf = new Map([...made.values()].filter(({ as }) => as === FULL_SIZE).map(({ of, path }) => [of, path]));
  return [...made.values()].flatMap(({ as, of, path, from }) =>
    as === THUMBNAIL ? [{ thumbnail: path, full: fullOf.get(of) ?? from }] : [],
  );
}

/** How all that is made of this content is rotated. */
export function rotationOf(hash: string, { rotations }: SiteNotes): Rotation {
  return Rotation.safeParse(rotations[hash]).data ?? UNROTATED;
}

const suggestions = new WeakMap<PhotoFacts, Focus>();

/** The point about which this content is cut as it is shown: what was decided, else what its detail suggests. */
export function focusOf(hash: string, facts: PhotoFacts | undefined, notes: SiteNotes): Focus {
  const decided = notes.focus[hash];
  if (decided) return decided;
  if (!facts || facts.unreadable) return MIDDLE;
  const known = suggestions.get(facts) ?? suggestedFocus(facts.luma);
  suggestions.set(facts, known);
  return known;
}

/**
 * The point about which what is made of a source is cut, once that is rotated. A choice was made on the picture as it
 * is rotated now; detail is known of the file that stands there, which may be rotated already.
 */
export function focusFor(
  site: Pick<MakingContext, 'files' | 'factsOf' | 'notes'>,
  from: string,
  source: string,
  rotation: Rotation,
): Focus {
  const { known } = site.notes;
  const point = focusOf(source, site.factsOf(from), known);
  const seen = known.focus[source] === undefined ? rotatedAlready(site, from, source) : rotationOf(source, known);
  return rotatedPoint(point, rotation.quarters - seen.quarters);
}

/** How the file of a source is rotated as it stands there: what was made in its own place is, a source is not. */
export function rotatedAlready(
  { files, notes }: Pick<MakingContext, 'files' | 'notes'>,
  from: string,
  source: string,
): Rotation {
  return hashOf(files.get(from)) === source ? UNROTATED : rotationOf(source, notes.known);
}

/** The bare name of a picture: a full-size file's without the word for its size. */
export const bareName = (path: string): string => {
  const { form } = readName(path);
  const [before = '', after = ''] = form.slice(folderOf(path).length).split('{name}');
  const stem = stemOf(path);
  const tail = after.slice(0, after.length - extensionOf(path).length - 1);
  return stem.slice(before.length, stem.length - tail.length) || stem;
};

/**
 * The path that a folder and a name pattern give, called after another file if need be; null where the recipe leaves
 * both to the neighbours.
 */
function pathBy({ folder, name, format }: SizeRecipe, full: string, called = full): string | null {
  if (folder === null && name === null) return null;
  const where = folder === null ? folderOf(full) : folder.replace(/\/?$/, '/').replace(/^\/$/, '');
  return `${where}${(name ?? '{name}').replace('{name}', () => bareName(called))}.${EXTENSION[format]}`;
}

export function thumbnailPath(site: MakingContext, pair: Pick<Pair, 'full' | 'thumbnail'>): string {
  const { thumbnail } = recipeFor(site.recipe, site.factsOf(pair.full) ?? {});
  const named = pathBy(thumbnail, pair.full, calledAfter(site, pair.full));
  if (named !== null) return named;
  if (pair.thumbnail !== null && formatOf(pair.thumbnail) === thumbnail.format) return pair.thumbnail;
  return thumbnailPathFor(pair.full, site.pairing.pairs, EXTENSION[thumbnail.format]);
}

/** A file that was made is called after what it was made from, or its pattern would be applied to its own outcome. */
const calledAfter = ({ made }: MakingContext, full: string): string => madeFullSize(made, full)?.from ?? full;

/** What a full-size file was made of; undefined where it was not made here. */
export function madeFullSize(made: MakingContext['made'], path: string): MadeRecord | undefined {
  const record = made.get(path);
  return record?.as === FULL_SIZE ? record : undefined;
}

function fullSizePath(site: MakingContext, full: string): string {
  const { fullSize } = site.recipe;
  return pathBy(fullSize, full, calledAfter(site, full)) ?? inFormat(full, fullSize.format);
}

export const densePath = (path: string): string => path.replace(/(\.[a-z0-9]+)$/i, '-2x$1');

/** Whether a recipe would change a full-size file: it is larger than the box, of another format, or elsewhere. */
function asksFor(site: MakingContext, full: string, facts: Size): boolean {
  const size = site.recipe.fullSize;
  if (isRotated(rotationOf(hashOf(site.files.get(full)) ?? '', site.notes.known))) return true;
  // What leaves the pixels is there to lighten every file once.
  if (fullSizePath(site, full) !== full || (keepsPixels(size) && size.format !== 'png')) return true;
  const made = madeSize(facts, size);
  if (made.width !== facts.width || made.height !== facts.height) return true;
  const content = site.files.get(full);
  return content !== undefined && isHeavy(bytesOf(content), facts, formatOf(full));
}

/** Every file that the recipe asks for of one pair, with what it is made from. */
function tasksOf(all: MakingContext, pair: Pair): PictureTask[] {
  const facts = all.factsOf(pair.full);
  if (!facts || facts.unreadable) return [];
  const recipe = recipeFor(all.recipe, facts);
  const site = { ...all, recipe };
  const record = madeFullSize(site.made, pair.full);
  // From the original, where the full-size file was made of one.
  const from =
    record && record.from !== pair.full && hashOf(site.files.get(record.from)) === record.of ? record.from : pair.full;
  const sourceOf = sourceHash(site, { from });
  const source = sizeOfSource(site, from, site.factsOf(from) ?? facts);
  const tasks: PictureTask[] = [];
  const add = (as: string, to: string, recipeSize: SizeRecipe) => {
    const size = ownSize(site.notes.known, sourceOf, as) ?? recipeSize;
    // Nobody has said yet what its clear parts shall become.
    if (size.format === 'jpeg' && facts.clear && recipe.clear === 'ask') return;
    tasks.push({ from, to, size, as, times: 1 });
    // A picture without the pixels for twice the size would be the same file again.
    if (size.dense && !fallsShort(source, size, 2))
      tasks.push({ from, to: densePath(to), size, as: `${as} 2×`, times: 2 });
  };
  add(THUMBNAIL, thumbnailPath(site, pair), recipe.thumbnail);
  if (record || asksFor(site, pair.full, facts)) add(FULL_SIZE, fullSizePath(site, pair.full), recipe.fullSize);
  for (const { title, size } of recipe.further) {
    const to = pathBy(size, pair.full, calledAfter(site, pair.full));
    if (to !== null && to !== pair.full) add(title, to, size);
  }
  return tasks;
}

/** How large a source is once it is rotated; what was made of it in its own place is so already. */
function sizeOfSource(site: MakingContext, from: string, facts: Size): Size {
  const source = hashOf(site.files.get(from));
  return source === null ? facts : rotatedSize(facts, rotationOf(source, site.notes.known));
}

/** Full-size files whose clear parts JPEG would fill, while nobody has said what shall become of them. */
export function clearToDecide(site: MakingContext): string[] {
  const { thumbnail, fullSize, clear } = site.recipe;
  if (clear !== 'ask' || (thumbnail.format !== 'jpeg' && fullSize.format !== 'jpeg')) return [];
  const wouldBe = { ...site, recipe: { ...site.recipe, clear: 'white' as const } };
  const asked = site.pairing.pairs.filter(({ full }) => site.factsOf(full)?.clear);
  return asked
    .filter((pair) => dueOf(wouldBe, pair).some(({ size }) => size.format === 'jpeg'))
    .map(({ full }) => full);
}

/** What one picture is made to instead of the recipe's size. */
function ownSize(notes: SiteNotes, source: string, as: string): SizeRecipe | null {
  const own = notes.sizes[source]?.[as];
  const read = own === undefined ? null : SizeRecipe.safeParse(own);
  return read?.success ? read.data : null;
}

/** The recipe's size of that kind. */
export function recipeSize({ thumbnail, fullSize, further }: Recipe, as: string): SizeRecipe | null {
  if (as === THUMBNAIL) return thumbnail;
  if (as === FULL_SIZE) return fullSize;
  return further.find(({ title }) => title === as)?.size ?? null;
}

/**
 * Whether a file that the recipe asks for is not there, or was made of another source or by another recipe. What
 * somebody else made is not.
 */
function isDue(site: MakingContext, task: PictureTask): boolean {
  if (!site.files.has(task.to)) return true;
  const record = site.made.get(task.to);
  if (!record) return task.to === task.from;
  const source = sourceHash(site, task);
  const rotation = rotationOf(source, site.notes.known);
  const suggested = site.notes.known.focus[source] === undefined ? record.about : undefined;
  const focus = suggested ?? focusFor(site, task.from, source, rotation);
  return (
    record.of !== source ||
    lacksRights(site, record, task.from, source) ||
    record.by !== fingerprint(task.size, site.recipe, focus, rotation)
  );
}

const fullSizes = new WeakMap<MakingContext['made'], Map<string, string>>();

/** The content under which words of a picture are noted: of what was made of it, where a full-size file was. */
export function notedAs({ made }: Pick<MakingContext, 'made'>, source: string): string {
  const known =
    fullSizes.get(made) ??
    new Map([...made.values()].flatMap(({ as, of, is }) => (as === FULL_SIZE ? [[of, is] as const] : [])));
  fullSizes.set(made, known);
  return known.get(source) ?? source;
}

type Rights = NonNullable<MadeRecord['rights']>;

/** Whose a picture is: as somebody noted of it, else as its file says, else as it is for all of the site. */
export function rightsOf(
  site: Pick<MakingContext, 'factsOf' | 'made' | 'notes'>,
  from: string,
  source: string,
): Rights {
  const { rights, words } = site.notes.known;
  const written = site.made.get(from);
  const file = site.factsOf(from)?.words ?? {};
  const own = words[notedAs(site, source)] ?? {};
  const say = (name: keyof Rights): string => {
    // What was written into a file that was made says nothing of its source.
    const said = file[name] === written?.rights?.[name] ? undefined : file[name];
    return own[name] ?? said ?? rights[name];
  };
  return { copyright: say('copyright'), credit: say('credit') };
}

/** Whether a file was made before its copyright or credit was said as it is now. */
function lacksRights(site: MakingContext, record: MadeRecord, from: string, source: string): boolean {
  if (site.recipe.words === 'none') return false;
  const now = rightsOf(site, from, source);
  const { copyright = '', credit = '' } = record.rights ?? site.factsOf(from)?.words ?? {};
  return now.copyright !== copyright || now.credit !== credit;
}

/** The content that a task is made from: of a file that was made in its own place, what stood there before. */
export function sourceHash(
  { files, made }: Pick<MakingContext, 'files' | 'made'>,
  { from }: Pick<PictureTask, 'from'>,
): string {
  const record = madeFullSize(made, from);
  return record?.from === from ? record.of : (hashOf(files.get(from)) ?? '');
}

/** What the recipe asks for and is not there, or is no longer what it would make. Files made by hand are left alone. */
export const dueTasks = (site: MakingContext): PictureTask[] => site.pairing.pairs.flatMap((pair) => dueOf(site, pair));

function dueOf(site: MakingContext, pair: Pair): PictureTask[] {
  const thumbnailByHand = pair.thumbnail !== null && !site.made.has(pair.thumbnail);
  // Of a thumbnail that somebody cut by hand nobody can make the same at another size or in another place.
  const isTheirs = ({ as, to }: PictureTask) =>
    thumbnailByHand && (as === THUMBNAIL ? pair.thumbnail !== to : as === `${THUMBNAIL} 2×`);
  return tasksOf(site, pair).filter((task) => !isTheirs(task) && isDue(site, task));
}

/** The thumbnail of a picture made once more, whoever made the one that is there. */
export const thumbnailTasks = (site: MakingContext, pair: Pair): PictureTask[] =>
  tasksOf(site, pair).filter(({ as }) => as === THUMBNAIL || as === `${THUMBNAIL} 2×`);

/** All that is made of a picture, made once more as somebody rotates it; also thumbnails that were made by hand. */
export function rotationTasks(site: MakingContext, pair: Pair, rotation: Rotation): PictureTask[] {
  const { known } = site.notes;
  const source = sourceHash(site, { from: madeFullSize(site.made, pair.full)?.from ?? pair.full });
  const rotations = { ...known.rotations, [source]: rotation };
  const tasks = tasksOf({ ...site, notes: { known: { ...known, rotations } } }, pair);
  return tasks.map((task) => ({ ...task, rotation }));
}

/** Whether a full-size file only gets another format, in its own place and under its own name. */
export const changesFormat = ({ from, to, as }: Pick<PictureTask, 'from' | 'to' | 'as'>): boolean =>
  as === FULL_SIZE && from !== to && inFormat(from, formatOf(to) ?? 'jpeg') === to;
