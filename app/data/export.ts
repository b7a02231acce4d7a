/** What leaves: a parcel of the site's own files, or an archive with the program's notes. */
import { notesIn, NOTES_FILE, writeNotes } from '~core/site/index.ts';
import type { PackSource } from '../workers/packing';
import { packing, withProgress } from '../workers/start';
import type { SiteSession } from './session/siteSession';

interface Packed {
  name: string;
  blob: Blob;
}

const fileName = (name: string) =>
  name
    .toLowerCase()
    .replace(/[^\p{L}\d]+/gu, '-')
    .replace(/^-|-$/g, '') || 'site';

/**
 * Null where it was stopped. Fails with a reason that names the file.
 * A parcel does not say where pictures were taken, but where that was kept on purpose; an archive is for oneself and
 * holds all.
 */
export async function pack(
  session: SiteSession,
  kind: 'parcel' | 'archive',
  leaveOut: ReadonlySet<string>,
  placeRemoved: ReadonlySet<string>,
  onProgress: (done: number, of: number) => void,
): Promise<Packed | null> {
  const modified = session.site.changed;
  const sources: PackSource[] = [];
  for (const [path, content] of session.files) {
    if (leaveOut.has(path) || path === NOTES_FILE) continue;
    if (content.kind === 'text') {
      sources.push({ path, modified, content: content.text });
      continue;
    }
    const blob = await session.pictures.blob(path);
    if (!blob) throw new Error(`${path} is missing from the browser’s storage; bring it in again.`);
    sources.push({
      path,
      modified,
      content: blob,
      ...(kind === 'parcel' && placeRemoved.has(path) ? { withoutPlace: true } : {}),
    });
  }
  const name = fileName(session.site.name);
  if (kind === 'archive')
    sources.push({
      path: NOTES_FILE,
      modified,
      content: writeNotes({
        ...notesIn(session.files),
        name: session.site.name,
        created: new Date(session.site.created).toISOString(),
      }),
    });
  const blob = await withProgress(
    (done: number) => onProgress(done, sources.length),
    (tell) => packing().write(sources, tell),
  );
  return blob && { name: kind === 'parcel' ? `${name}.zip` : `${name}-archive.zip`, blob };
}

export const stopPacking = (): Promise<void> => packing().stop();

/** Hands a file to the browser's own download. */
export function save({ name, blob }: Packed): void {
  const url = URL.createObjectURL(blob);
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(url), 60_000);
}
