/** Contents of pictures that come into a site that is there; they are part of no site until a change says so. */
import { INTAKE_LIMITS, mediaTypeOf, nameOf } from '~core/site/index.ts';
import { contentHash } from '../hash';
import type { Store } from '../store/store';
import type { IntakeFile } from './incoming';

/** Null where it was stopped. */
export async function savePictures(
  store: Store,
  files: readonly IntakeFile[],
  onProgress: (done: number) => void,
  signal: AbortSignal,
): Promise<{ name: string; hash: string; bytes: number }[] | null> {
  const kept: { name: string; hash: string; bytes: number }[] = [];
  for (const [n, { path, blob }] of files.entries()) {
    if (signal.aborted) return null;
    onProgress(n);
    if (blob.size > INTAKE_LIMITS.fileBytes) throw new Error(`${path} is larger than a file may be`);
    const bytes = await blob.arrayBuffer();
    const hash = await contentHash(bytes);
    await store.saveBlobs(new Map([[hash, new Blob([bytes], { type: mediaTypeOf(path) })]]));
    kept.push({ name: nameOf(path), hash, bytes: blob.size });
  }
  return kept;
}
