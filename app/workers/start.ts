/** Starts workers when they are first needed, one of each. */
import * as Comlink from 'comlink';
import type { Analysis } from './analysis';
import type { Packing } from './packing';
import type { Pictures } from './pictures';
import type { Uploading } from './uploading';
import type { ValidityWorker } from './validity';

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
export const packing = once<Packing>(
  () => new Worker(new URL('./packing.ts', import.meta.url), { type: 'module', name: 'packing' }),
);

export const validity = once<ValidityWorker>(
  () => new Worker(new URL('./validity.ts', import.meta.url), { type: 'module', name: 'validity' }),
);
export const uploading = once<Uploading>(
  () => new Worker(new URL('./uploading.ts', import.meta.url), { type: 'module', name: 'uploading' }),
);

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
