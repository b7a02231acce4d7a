/** Starts workers when they are first needed, one of each. */
import * as Comlink from 'comlink';
import type { ZipReading } from '~core/pack/index.ts';
import type { Analysis } from './analysis';
import type { Packing } from './packing';
import type { Pictures } from './pictures';

function once<T>(start: () => Worker): () => Comlink.Remote<T> {
  let remote: Comlink.Remote<T> | null = null;
  return () => (remote ??= Comlink.wrap<T>(start()));
}

export const analysis = once<Analysis>(
  () => new Worker(new URL('./analysis.ts', import.meta.url), { type: 'module', name: 'analysis' }),
);
const startPictures = (name: string) =>
  once<Pictures>(() => new Worker(new URL('./pictures.ts', import.meta.url), { type: 'module', name }));
export const pictures = startPictures('pictures');
const secondPictures = startPictures('pictures, second');
/** Two at most, for their memory does not shrink; the second only where there are two cores. */
export const pictureWorkers = (): (() => Comlink.Remote<Pictures>)[] =>
  navigator.hardwareConcurrency > 1 ? [pictures, secondPictures] : [pictures];
const startPacking = () => new Worker(new URL('./packing.ts', import.meta.url), { type: 'module', name: 'packing' });
export const packing = once<Packing>(startPacking);

/**
 * Runs work in a worker that tells how far it is. The telling travels on a channel of its own and may come
 * after the result; what comes late is dropped, or a finished screen would show work in hand again.
 */
export async function withProgress<P, R>(
  onProgress: (progress: P) => void,
  work: (tell: (progress: P) => void) => Promise<R>,
): Promise<R> {
  let running = true;
  try {
    return await work(Comlink.proxy((progress: P) => running && onProgress(progress)));
  } finally {
    running = false;
  }
}

/**
 * Reads an archive in a worker of its own, which is ended where it shall stop: unpacking a file cannot be asked to.
 * Null where it was stopped.
 */
export async function readArchive(
  archive: Blob,
  onProgress: (share: number) => void,
  signal: AbortSignal,
): Promise<ZipReading | null> {
  const worker = startPacking();
  const stopped = new Promise<null>((resolve) => signal.addEventListener('abort', () => resolve(null), { once: true }));
  try {
    if (signal.aborted) return null;
    return await withProgress(onProgress, (tell) =>
      Promise.race([Comlink.wrap<Packing>(worker).read(archive, tell), stopped]),
    );
  } finally {
    worker.terminate();
  }
}
