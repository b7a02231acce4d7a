/** Contents of files that are taken over from a folder: kept before a change names them. */
import type { Taken } from '~core/folder/index.ts';
import { mediaTypeOf, sameContent } from '~core/site/index.ts';
import type { Store } from '../store/store';
import { readFile } from './readThere';
import type { FolderSource } from './source';

/** Gives the path of a file that is no longer as it was compared; null where all are kept. */
export async function keepContents(
  store: Store,
  source: FolderSource,
  taken: readonly Taken[],
  rawOf: (path: string) => string,
): Promise<string | null> {
  for (const { path, after } of taken) {
    if (after?.kind !== 'binary') continue;
    const file = await source.fileAt(rawOf(path));
    if (!file || !sameContent((await readFile(path, file)).content, after)) return path;
    const blob = new Blob([await file.arrayBuffer()], { type: mediaTypeOf(path) });
    await store.saveBlobs(new Map([[after.hash, blob]]));
  }
  return null;
}
