/** From pictures that were made to the change that puts them in place. */
import {
  changesFormat,
  notesChange,
  focusFor,
  FULL_SIZE,
  madeFullSize,
  notedAs,
  recipeSize,
  rightsOf,
  rotatedAlready,
  rotationOf,
  redirect,
  sourceHash,
  THUMBNAIL,
  type PictureTask,
  type SiteReading,
  stillNamed,
} from '../model/index.ts';
import { inherited, recordedIn, type Heir } from './inherit.ts';
import { sizesSaid } from './sizesSaid.ts';
import type { Pair } from '../pairing/index.ts';
import { fingerprint, isRotated, type Rotation, rotatedPoint, type SizeRecipe } from '../photo/index.ts';
import {
  type FileChange,
  type FileContent,
  type MadeRecord,
  nameOf,
  type Planned,
  refuse,
  type SiteNotes,
} from '../site/index.ts';

/** What came out of a task. */
export interface MadeFile {
  task: PictureTask;
  /** The content that it was made from. */
  source: string;
  hash: string;
  bytes: number;
  /** Image px; not known of what an older version noted before a reload. */
  width?: number | undefined;
  height?: number | undefined;
}

/**
 * One change: the files, the notes of what they were made from, and references to an original that now has a
 * full-size file of its own.
 */
export function placeMade(site: SiteReading, made: readonly MadeFile[]): Planned {
  if (made.length === 0) return refuse('No picture was made.');
  const files: FileChange[] = [];
  const moves = new Map<string, string>();
  const heirs: Heir[] = [];
  const sizes = { ...site.notes.known.sizes };
  const records = new Map(site.notes.known.made.map((record) => [record.path, record]));
  const pairOf = pairsBySource(site);
  for (const one of made) {
    const { task, source, hash, bytes } = one;
    const { from, to, as, size } = task;
    const before = site.files.get(to) ?? null;
    if (!isContent(before, hash)) files.push({ kind: 'put', path: to, before, after: { kind: 'binary', hash, bytes } });
    const replaced = replacedBy(site, task, pairOf.get(from));
    if (replaced !== null) {
      files.push({ kind: 'put', path: replaced, before: site.files.get(replaced) ?? null, after: null });
      moves.set(replaced, to);
      records.delete(replaced);
    }
    records.set(to, recordOf(site, one, replaced));
    // Of what the recipe does not ask for nobody has chosen a size.
    if (task.times === 1 && recipeSize(site.recipe, as) !== null)
      sizes[source] = withOwn(sizes[source] ?? {}, as, size, recipeSize(site.recipe, as));
    if (as === FULL_SIZE && to !== from && replaced !== from) moves.set(from, to);
    heirs.push(...heirsOf(site, one, before));
  }
  const rotated = withRotations(site, made);
  const notes = {
    ...rotated,
    ...inherited({ ...site.notes.known, ...rotated }, heirs),
    made: [...records.values()],
    sizes: Object.fromEntries(Object.entries(sizes).filter(([, own]) => Object.keys(own).length > 0)),
  };
  const redirected = redirect(site, moves);
  const label = labelFor(site, made);
  // What is made beside its original leaves the original in place, and whatever names it.
  const gone = new Map([...moves].filter(([from]) => files.some(({ path, ...file }) => path === from && isGone(file))));
  return {
    ok: true,
    change: { label, files: [...files, ...together(redirected, reshapedBy(site, made)), ...notesChange(site, notes)] },
    named: stillNamed(site, gone, redirected),
  };
}

/** What pages say of the sizes of files that are no longer as they were. */
function reshapedBy(site: SiteReading, made: readonly MadeFile[]): FileChange[] {
  const pairOf = pairsBySource(site);
  return sizesSaid(
    site,
    made.flatMap(({ task, width, height }) => {
      const path = replacedBy(site, task, pairOf.get(task.from)) ?? task.to;
      const was = site.factsOf(path);
      if (!was || was.unreadable || width === undefined || height === undefined) return [];
      return [{ path, was, is: { width, height } }];
    }),
  );
}

/** Two sets of edits of the same texts, at different places, as one. */
function together(some: readonly FileChange[], others: readonly FileChange[]): FileChange[] {
  const more = new Map(others.flatMap((one) => (one.kind === 'edit' ? [[one.path, one.edits] as const] : [])));
  const both = some.map((one): FileChange => {
    const edits = one.kind === 'edit' ? more.get(one.path) : undefined;
    if (one.kind !== 'edit' || !edits) return one;
    more.delete(one.path);
    return { ...one, edits: [...one.edits, ...edits].sort((a, b) => a.start - b.start) };
  });
  return [...both, ...[...more].map(([path, edits]): FileChange => ({ kind: 'edit', path, edits }))];
}

const isGone = (file: object): boolean => 'after' in file && file.after === null;

const isContent = (content: FileContent | null, hash: string): boolean =>
  content?.kind === 'binary' && content.hash === hash;

function recordOf(site: SiteReading, { task, source, hash }: MadeFile, replaced: string | null): MadeRecord {
  const { from, to, as, size } = task;
  const rotation = task.rotation ?? rotationOf(source, site.notes.known);
  const focus = focusFor(site, from, source, rotation);
  const by = fingerprint(size, site.recipe, focus, rotation);
  const isSuggested = size.shape === 'crop' && site.notes.known.focus[source] === undefined;
  // The original of a file that is replaced is known by its content alone.
  const rights = rightsOf(site, from, source);
  const record = { path: to, as, from: replaced === from ? to : from, of: source, by, is: hash, rights };
  return isSuggested ? { ...record, about: focus } : record;
}

/** How sources are rotated from now on; points that were chosen on them go along. */
function withRotations(site: SiteReading, made: readonly MadeFile[]): Pick<SiteNotes, 'rotations' | 'focus'> {
  const { known } = site.notes;
  const { rotations, focus } = { rotations: { ...known.rotations }, focus: { ...known.focus } };
  for (const { task, source } of made) {
    if (!task.rotation) continue;
    const by = task.rotation.quarters - rotationOf(source, known).quarters;
    const there = task.as === FULL_SIZE ? site.files.get(task.to) : undefined;
    for (const hash of new Set([source, there?.kind === 'binary' ? there.hash : source])) {
      const point = known.focus[hash];
      if (point) focus[hash] = rotatedPoint(point, by);
    }
    if (isRotated(task.rotation)) rotations[source] = task.rotation;
    else delete rotations[source];
  }
  return { rotations, focus };
}

/** Whose words and decisions pass on to what was made. */
function heirsOf(site: SiteReading, { task, source, hash }: MadeFile, before: FileContent | null): Heir[] {
  const heirs: Heir[] = [];
  if (task.as === FULL_SIZE) heirs.push({ of: source, is: hash, recorded: recordedIn(site, task.from, source) });
  if (before?.kind === 'binary' && before.hash !== hash) heirs.push({ of: before.hash, is: hash, recorded: {} });
  return heirs;
}

/** Pairs by the file that their sizes are made from: the full-size file, or its original. */
function pairsBySource({ pairing, made }: SiteReading): Map<string, Pair> {
  const pairs = new Map(pairing.pairs.map((pair) => [madeFullSize(made, pair.full)?.from ?? pair.full, pair]));
  for (const pair of pairing.pairs) pairs.set(pair.full, pair);
  return pairs;
}

/**
 * A thumbnail or a made full-size file that has another name or format now gives way to the new one. So does an
 * original that only gets another format, unless its author keeps such; any other original stays.
 */
function replacedBy(site: SiteReading, task: PictureTask, pair: Pair | undefined): string | null {
  if (task.times !== 1 || !pair) return null;
  const there = task.as === THUMBNAIL ? pair.thumbnail : replacedFull(site, task, pair);
  return there !== null && there !== task.to && site.files.has(there) ? there : null;
}

function replacedFull(site: SiteReading, task: PictureTask, { full }: Pair): string | null {
  if (task.as !== FULL_SIZE) return null;
  if (madeFullSize(site.made, full)) return full;
  return site.recipe.originals === 'replace' && changesFormat(task) ? task.from : null;
}

/** A size that is not the recipe's is kept as the picture's own; the recipe's own takes it back. */
function withOwn(
  own: Record<string, unknown>,
  as: string,
  size: SizeRecipe,
  usual: SizeRecipe | null,
): Record<string, unknown> {
  const { [as]: _before, ...others } = own;
  return usual === null || JSON.stringify(size) === JSON.stringify(usual) ? others : { ...others, [as]: size };
}

function labelFor(site: SiteReading, made: readonly MadeFile[]): string {
  const tasks = made.map(({ task }) => task);
  const [only] = tasks;
  const rotated = made.filter(({ task: { rotation }, source }) => rotation && isNew(site, source, rotation));
  if (only && rotated.length === made.length && tasks.every(({ from }) => from === only.from))
    return `Rotate ${nameOf(only.from)}`;
  if (tasks.length === 1 && only) return `Create ${nameOf(only.to)}`;
  return tasks.every(({ as }) => as === THUMBNAIL)
    ? `Create ${tasks.length} thumbnails`
    : `Create ${tasks.length} pictures`;
}

function isNew(site: SiteReading, source: string, { quarters, degrees }: Rotation): boolean {
  const known = rotationOf(source, site.notes.known);
  return known.quarters !== quarters || known.degrees !== degrees;
}

/** A task with all that is needed to do it away from the reading. */
export interface ReadyTask extends PictureTask {
  /** Hash of the content to make it from. */
  source: string;
  focus: { x: number; y: number };
  rotation: Rotation;
  /** How the file itself is rotated, where it has to stand in for a content that is no longer there. */
  already: Rotation;
  /** Words beyond those of the file, for what is written into the picture. */
  said: Record<string, string>;
}

export function readyTasks(site: SiteReading, tasks: readonly PictureTask[]): ReadyTask[] {
  return tasks.map((task) => {
    const source = sourceHash(site, task);
    const own = site.notes.known.words[notedAs(site, source)] ?? {};
    const said = {
      ...rightsOf(site, task.from, source),
      title: own.title,
      caption: own.caption,
    };
    const rotation = task.rotation ?? rotationOf(source, site.notes.known);
    return {
      ...task,
      source,
      rotation,
      already: rotatedAlready(site, task.from, source),
      focus: focusFor(site, task.from, source, rotation),
      said: Object.fromEntries(Object.entries(said).filter((entry): entry is [string, string] => Boolean(entry[1]))),
    };
  });
}
