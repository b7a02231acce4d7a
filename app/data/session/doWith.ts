/** An intent that brings files along which are no texts: their contents are kept before it is done. */
import { decodeText, isTextPath, type FileContent } from '~core/site/index.ts';
import type { Intent } from '~core/plans/index.ts';
import type { IntakeFile } from '../intake/incoming';
import { INTAKE_LOCK } from '../intake/lock';
import { savePictures } from '../intake/savePictures';
import type { Commits } from './commits';
import type { Outcome, SharedSite } from './shared';

/** `intentFor` is told of what each file holds, in the order of the files. */
export function doWith(
  site: SharedSite,
  commits: Commits,
  files: readonly IntakeFile[],
  intentFor: (contents: readonly FileContent[]) => Intent,
): Promise<Outcome> {
  return commits.inTurn(() =>
    navigator.locks.request(INTAKE_LOCK, { mode: 'shared' }, async (): Promise<Outcome> => {
      const contents = await Promise.all(files.map((file) => contentOf(site, file)));
      return commits.perform(intentFor(contents));
    }),
  );
}

/** Pictures of a style may be written in letters, as SVG is. */
async function contentOf(site: SharedSite, file: IntakeFile): Promise<FileContent> {
  const decoded = isTextPath(file.path) ? decodeText(new Uint8Array(await file.blob.arrayBuffer())) : null;
  if (decoded?.ok) return { kind: 'text', text: decoded.text };
  const kept = await savePictures(site.store, [file], () => undefined, new AbortController().signal);
  const [{ hash, bytes } = { hash: '', bytes: 0 }] = kept ?? [];
  return { kind: 'binary', hash, bytes };
}
