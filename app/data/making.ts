/**
 * The queue of pictures to be made: in at most two workers, a picture at a time with all of its sizes. What is done is
 * written down as it comes, so that a reload goes on where it was; nothing of the site changes before all is done.
 */
import type { Recipe } from '~core/photo/index.ts';
import type { MadeFile, ReadyTask } from '~core/plans/index.ts';
import { nameOf } from '~core/site/index.ts';
import type { PictureLook } from '../workers/pictures';
import { pictureWorkers } from '../workers/start';
import { contentHash } from './hash';
import type { Job } from './session';
import { keepBlobs, type Store } from './store';

interface Options {
  /** What was made before a reload. */
  before: readonly MadeFile[];
  recipe: Pick<Recipe, 'words' | 'exact'>;
  sourceOf: (task: ReadyTask) => Promise<Blob | null>;
  onJob: (job: Job) => void;
}

export interface MadeBatch {
  files: MadeFile[];
  looks: Map<string, PictureLook>;
  /** What could not be made, with the reason. */
  failed: string[];
  /** What came out otherwise than somebody may expect. */
  told: string[];
}

export const dropQueue = (db: Store, siteId: string): Promise<void> => db.delete('queues', siteId);

/** Time that is left is said only when there is something to judge by; ms. */
const SOONEST = 1500;

/** Null where it was stopped; then nothing is kept. */
export async function makePictures(db: Store, siteId: string, tasks: readonly ReadyTask[], { before, recipe, sourceOf, onJob }: Options): Promise<MadeBatch | null> {
  const stop = new AbortController();
  const batch: MadeBatch = { files: [...before], looks: new Map(), failed: [], told: [] };
  const made = new Set(before.map(({ task }) => task.to));
  const bySource = new Map<string, ReadyTask[]>();
  for (const task of tasks) if (!made.has(task.to)) bySource.set(task.source, [...(bySource.get(task.source) ?? []), task]);
  const plain = tasks.map(({ source: _source, focus: _focus, said: _said, ...task }) => task);
  await db.put('queues', { siteId, tasks: plain, done: batch.files });

  const short: string[] = [];
  const unmet: string[] = [];
  const light: string[] = [];
  const began = performance.now();
  let finished = 0;
  const tell = (at: string) => {
    const spent = performance.now() - began;
    const left = finished > 0 && spent > SOONEST ? (spent / finished) * (bySource.size - finished) : undefined;
    onJob({ says: `Making ${nameOf(at)}`, done: batch.files.length, of: tasks.length, stop: () => stop.abort(), ...(left === undefined ? {} : { left }) });
  };

  const waiting = bySource.values();
  await Promise.all(
    pictureWorkers().map(async (worker) => {
      for (const group of waiting) {
        if (stop.signal.aborted) return;
        const [first] = group;
        if (!first) continue;
        tell(first.to);
        try {
          const source = await sourceOf(first);
          if (!source) throw new Error('its source is no longer there');
          const wanted = group.map(({ to, size, times }) => ({ to, size, times }));
          for (const one of await worker().make(source, first.from, wanted, { focus: first.focus, ...recipe, said: first.said })) {
            const task = group.find(({ to }) => to === one.to) ?? first;
            // Compressing anew what is as light already would only cost quality.
            const blob: Blob = one.whole && task.to === task.from && one.blob.size >= source.size ? source : one.blob;
            if (blob === source) light.push(nameOf(one.to));
            const hash = await contentHash(await blob.arrayBuffer());
            await keepBlobs(db, new Map([[hash, blob]]));
            const look = await worker().look(blob, one.to);
            batch.looks.set(hash, look);
            const { source: of, focus: _focus, said: _said, ...asked } = task;
            batch.files.push({ task: asked, source: of, hash, bytes: blob.size });
            if (one.short && task.size.enlarge) short.push(nameOf(one.to));
            if (!one.met) unmet.push(`${nameOf(one.to)} (${Math.round(one.blob.size / 1000)} KB)`);
          }
          await db.put('queues', { siteId, tasks: plain, done: batch.files });
        } catch (error) {
          batch.failed.push(`${nameOf(first.from)}: ${error instanceof Error ? error.message : String(error)}`);
        }
        finished++;
        tell(first.to);
      }
    }),
  );
  if (stop.signal.aborted) {
    await dropQueue(db, siteId);
    return null;
  }
  if (short.length > 0) batch.told.push(`enlarged, for the pictures are smaller than their box: ${listed(short)}`);
  if (light.length > 0) batch.told.push(`as light as that already, and left: ${listed(light)}`);
  if (unmet.length > 0) batch.told.push(`no quality meets the aim for ${listed(unmet)}; the nearest was taken`);
  return batch;
}

const listed = (names: readonly string[]): string => (names.length > 3 ? `${names.slice(0, 3).join(', ')} and ${names.length - 3} more` : names.join(', '));
