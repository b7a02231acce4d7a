/** What leaves: a parcel of the site's own files, or an archive with the program's notes. */
import { isPicturePath, notesIn, NOTES_FILE, writeNotes } from '~core/site/index.ts';
import type { PackProgress, PackSource } from '../workers/packing';
import { packing, withProgress } from '../workers/start';
import type { SiteSession } from './session/siteSession';

interface Packed {
  name: string;
  blob: Blob;
  /** Paths of files whose content is missing from the browser's storage: the rest left without them. */
  missing: string[];
  /** Paths of pictures that do not say any more where they were taken. */
  struck: string[];
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
  placeKept: ReadonlySet<string>,
  onProgress: (progress: PackProgress, of: number) => void,
): Promise<Packed | null> {
  const modified = session.site.changed;
  const leaving = [...session.files].filter(([path]) => !leaveOut.has(path) && path !== NOTES_FILE);
  const blobs = await session.pictures.blobs(leaving.map(([path]) => path));
  const sources = leaving.map(([path, content], n): PackSource => {
    const text = content.kind === 'text' ? content.text : null;
    const strikes = kind === 'parcel' && isPicturePath(path) && !placeKept.has(path);
    const strike = strikes ? { withoutPlace: true as const } : {};
    return { path, modified, content: text ?? blobs[n] ?? null, ...strike };
  });
  if (kind === 'archive') sources.push({ path: NOTES_FILE, modified, content: archiveNotes(session) });
  const packed = await withProgress(
    (progress: PackProgress) => onProgress(progress, sources.length),
    (tell) => packing().write(sources, tell),
  );
  const name = fileName(session.site.name);
  // A picture without the place where it was taken is another file than the one here.
  const others = new Set([...(packed?.missing ?? []), ...(packed?.struck ?? [])]);
  if (packed) await session.folder.leftAs(new Map(leaving.filter(([path]) => !others.has(path))));
  return packed && { name: kind === 'parcel' ? `${name}.zip` : `${name}-archive.zip`, ...packed };
}

const archiveNotes = (session: SiteSession): string =>
  writeNotes({
    ...notesIn(session.files),
    name: session.site.name,
    created: new Date(session.site.created).toISOString(),
  });

export const stopPacking = (): Promise<void> => packing().stop();

/** Hands a file to the browser's own download. */
export function save({ name, blob }: Pick<Packed, 'name' | 'blob'>): void {
  const url = URL.createObjectURL(blob);
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(url), 60_000);
}
