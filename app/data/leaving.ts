/** What of the open site leaves to be uploaded: its files, and what is written beside them. */
import type { Leaving, LeavingFile } from '~core/pack/index.ts';
import { isPicturePath, type SiteFiles } from '~core/site/index.ts';
import type { SiteView } from '~core/view/index.ts';
import type { Source } from '../workers/sourceBytes';
import type { SitePictures } from './session/sitePictures';

/** Without the list of hashes, which is known when all others are read. `leftOut` are paths. */
export function leavingOf(
  files: SiteFiles,
  { parcel, upload }: Pick<SiteView, 'parcel' | 'upload'>,
  leftOut: ReadonlySet<string>,
): Leaving {
  const leaving = new Map<string, LeavingFile>();
  for (const { path, place } of parcel) {
    const content = files.get(path);
    if (content && !leftOut.has(path)) leaving.set(path, { content, withPlace: place === 'kept' });
  }
  for (const { path, text } of upload.written)
    if (text !== null) leaving.set(path, { content: { kind: 'text', text }, withPlace: false });
  return leaving;
}

/** With what they hold, as a worker reads it. */
export async function sourcesOf(pictures: SitePictures, leaving: Leaving): Promise<Source[]> {
  const all = [...leaving];
  const hashes = all.flatMap(([, { content }]) => (content.kind === 'binary' ? [content.hash] : []));
  const blobs = await pictures.contents(hashes);
  return all.map(([path, { content, withPlace }]) => ({
    path,
    content: content.kind === 'text' ? content.text : (blobs.get(content.hash) ?? null),
    ...(isPicturePath(path) && !withPlace ? { withoutPlace: true as const } : {}),
  }));
}
