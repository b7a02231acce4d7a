/** From pictures that were made to the change that puts them in place. */
import {
  changesFormat,
  notesChange,
  focusOf,
  FULL_SIZE,
  madeFullSize,
  notedAs,
  recipeSize,
  rightsOf,
  redirect,
  sourceHash,
  THUMBNAIL,
  type PictureTask,
  type SiteReading,
  stillNamed,
} from '../model/index.ts';
import { inherited, recordedIn, type Heir } from './inherit.ts';
import type { Pair } from '../pairing/index.ts';
import { fingerprint, type SizeRecipe } from '../photo/index.ts';
import { type FileChange, type FileContent, type MadeRecord, nameOf, type Planned, refuse } from '../site/index.ts';

/** What came out of a task. */
export interface MadeFile {
  task: PictureTask;
  /** The content that it was made from. */
  source: string;
  hash: string;
  bytes: number;
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
    if (task.times === 1) sizes[source] = withOwn(sizes[source] ?? {}, as, size, recipeSize(site.recipe, as));
    if (as === FULL_SIZE && to !== from && replaced !== from) moves.set(from, to);
    heirs.push(...heirsOf(site, one, before));
  }
  const notes = {
    ...inherited(site.notes.known, heirs),
    made: [...records.values()],
    sizes: Object.fromEntries(Object.entries(sizes).filter(([, own]) => Object.keys(own).length > 0)),
  };
  const redirected = redirect(site, moves);
  const label = labelFor(made.map(({ task }) => task));
  // What is made beside its original leaves the original in place, and whatever names it.
  const gone = new Map([...moves].filter(([from]) => files.some(({ path, ...file }) => path === from && isGone(file))));
  return {
    ok: true,
    change: { label, files: [...files, ...redirected, ...notesChange(site, notes)] },
    named: stillNamed(site, gone, redirected),
  };
}

const isGone = (file: object): boolean => 'after' in file && file.after === null;

const isContent = (content: FileContent | null, hash: string): boolean =>
  content?.kind === 'binary' && content.hash === hash;

function recordOf(site: SiteReading, { task, source, hash }: MadeFile, replaced: string | null): MadeRecord {
  const { from, to, as, size } = task;
  const by = fingerprint(size, site.recipe, focusOf(source, site.factsOf(from), site.notes.known));
  // The original of a file that is replaced is known by its content alone.
  const rights = rightsOf(site, from, source);
  return { path: to, as, from: replaced === from ? to : from, of: source, by, is: hash, rights };
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

function labelFor(tasks: readonly PictureTask[]): string {
  const [only] = tasks;
  if (tasks.length === 1 && only) return `Create ${nameOf(only.to)}`;
  return tasks.every(({ as }) => as === THUMBNAIL)
    ? `Create ${tasks.length} thumbnails`
    : `Create ${tasks.length} pictures`;
}

/** A task with all that is needed to do it away from the reading. */
export interface ReadyTask extends PictureTask {
  /** Hash of the content to make it from. */
  source: string;
  focus: { x: number; y: number };
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
    return {
      ...task,
      source,
      focus: focusOf(source, site.factsOf(task.from), site.notes.known),
      said: Object.fromEntries(Object.entries(said).filter((entry): entry is [string, string] => Boolean(entry[1]))),
    };
  });
}
