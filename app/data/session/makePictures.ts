/**
 * The queue of pictures to be made: a picture at a time with all of its sizes, in as many workers as are given. What is
 * done is written down now and then, so that a reload goes on where it was; nothing of the site changes before all is
 * done.
 */
import type { Recipe, Rotation } from '~core/photo/index.ts';
import type { MadeFile, ReadyTask } from '~core/plans/index.ts';
import { inKilobytes, firstOf, known, nameOf } from '~core/site/index.ts';
import type { MadePicture, MakeOptions, PictureAnalysis, Wanted } from '../../workers/pictures';
import { contentHash } from '../hash';
import type { Job } from './jobs';
import type { Store } from '../store/store';

/** What a worker does for the queue. */
export interface Maker {
  make: (blob: Blob, from: string, wanted: readonly Wanted[], options: MakeOptions) => Promise<MadePicture[]>;
  look: (blob: Blob, path: string) => Promise<PictureAnalysis>;
}

/** What a task is made from, and how that is still to be rotated. */
export interface Source {
  blob: Blob;
  rotation: Rotation;
}

interface Options {
  /** What was made before a reload. */
  before: readonly MadeFile[];
  recipe: Pick<Recipe, 'words' | 'exact'>;
  workers: readonly (() => Maker)[];
  sourceOf: (task: ReadyTask) => Promise<Source | null>;
  /** The site is being left: the queue waits for the next time. */
  leaving: AbortSignal;
  onJob: (job: Job) => void;
}

export interface MadeBatch {
  files: MadeFile[];
  analyses: Map<string, PictureAnalysis>;
  /** What could not be made, with the reason. */
  failed: string[];
  /** What came out otherwise than somebody may expect. */
  remarks: string[];
}

/** Time that is left is said only when there is something to judge by; ms. */
const SOONEST = 1500;
/** How often the queue is written down; what came after the last time is made again after a reload; ms. */
const NOTED_EVERY = 1000;

/**
 * Null where it was stopped, and then nothing is kept; or where the site is left, and then it goes on the next time.
 */
export async function makePictures(
  store: Store,
  siteId: string,
  tasks: readonly ReadyTask[],
  { before, recipe, workers, sourceOf, leaving, onJob }: Options,
): Promise<MadeBatch | null> {
  const stop = new AbortController();
  const batch: MadeBatch = { files: [...before], analyses: new Map(), failed: [], remarks: [] };
  const plain = tasks.map(withoutSource);
  let noted = -Infinity;
  const note = async (always = false) => {
    if (!always && performance.now() - noted < NOTED_EVERY) return;
    noted = performance.now();
    await store.saveQueue({ siteId, tasks: plain, done: [...batch.files] });
  };
  const odd: Odd = { enlarged: [], unmet: [], light: [] };
  const one = async (worker: Maker, group: readonly ReadyTask[]) => {
    const first = firstOf(group);
    const source = await sourceOf(first);
    if (!source) throw new Error('its source is no longer there');
    const wanted = group.map(({ to, size, times }) => ({ to, size, times }));
    const { focus, said } = first;
    const options = { focus, said, rotation: source.rotation, ...recipe };
    for (const made of await worker.make(source.blob, first.from, wanted, options)) {
      const task = known(
        group.find(({ to }) => to === made.to),
        `task for ${made.to}`,
      );
      const blob = worthKeeping(made, task, source.blob, odd);
      const hash = await contentHash(await blob.arrayBuffer());
      await store.saveBlobs(new Map([[hash, blob]]));
      const look = await worker.look(blob, made.to);
      batch.analyses.set(hash, look);
      const { width, height } = look.facts;
      batch.files.push({ task: withoutSource(task), source: task.source, hash, bytes: blob.size, width, height });
    }
  };

  const groups = bySource(tasks, new Set(before.map(({ task }) => task.to)));
  const began = performance.now();
  let finished = 0;
  const tell = (at: string) => {
    const spent = performance.now() - began;
    const left = finished > 0 && spent > SOONEST ? (spent / finished) * (groups.length - finished) : undefined;
    onJob({
      says: `Making ${nameOf(at)}`,
      done: batch.files.length,
      of: tasks.length,
      stop: () => stop.abort(),
      ...(left === undefined ? {} : { left }),
    });
  };
  const waiting = groups.values();
  await note(true);
  await Promise.all(
    workers.map(async (worker) => {
      for (const group of waiting) {
        if (stop.signal.aborted || leaving.aborted) return;
        const first = firstOf(group);
        tell(first.to);
        try {
          await one(worker(), group);
          await note();
        } catch (error) {
          batch.failed.push(`${nameOf(first.from)}: ${error instanceof Error ? error.message : String(error)}`);
        }
        finished++;
        tell(first.to);
      }
    }),
  );
  if (stop.signal.aborted) {
    await store.removeQueue(siteId);
    return null;
  }
  await note(true);
  if (leaving.aborted) return null;
  batch.remarks.push(...saidOf(odd));
  return batch;
}

/** Names of files that came out otherwise than somebody might think. */
interface Odd {
  enlarged: string[];
  unmet: string[];
  light: string[];
}

type Made = Awaited<ReturnType<Maker['make']>>[number];

/** What was made, or the source itself: compressing anew what is as light already would only cost quality. */
function worthKeeping(made: Made, task: ReadyTask, source: Blob, odd: Odd): Blob {
  const keep = made.whole && task.to === task.from && made.blob.size >= source.size;
  const blob = keep ? source : made.blob;
  if (keep) odd.light.push(nameOf(made.to));
  if (made.short && task.size.enlarge) odd.enlarged.push(nameOf(made.to));
  if (!made.met) odd.unmet.push(`${nameOf(made.to)} (${inKilobytes(blob.size)})`);
  return blob;
}

function saidOf({ enlarged, light, unmet }: Odd): string[] {
  const said: string[] = [];
  if (enlarged.length > 0) said.push(`enlarged, because the pictures are smaller than their box: ${listed(enlarged)}`);
  if (light.length > 0) said.push(`that small already, left unchanged: ${listed(light)}`);
  if (unmet.length > 0) said.push(`no quality reaches the target for ${listed(unmet)}; the nearest was used`);
  return said;
}

const withoutSource = ({ source: _source, focus: _focus, said: _said, already: _already, ...task }: ReadyTask) => task;

/** Tasks of one picture together, but for what is made already. */
function bySource(tasks: readonly ReadyTask[], made: ReadonlySet<string>): ReadyTask[][] {
  const groups = new Map<string, ReadyTask[]>();
  for (const task of tasks) {
    if (made.has(task.to)) continue;
    const group = groups.get(task.source);
    if (group) group.push(task);
    else groups.set(task.source, [task]);
  }
  return [...groups.values()];
}

const listed = (names: readonly string[]): string =>
  names.length > 3 ? `${names.slice(0, 3).join(', ')} and ${names.length - 3} more` : names.join(', ');
