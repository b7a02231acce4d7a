/** What leaves: a ZIP of the site's own files or of what changed, or an archive with the program's notes. */
import type { Leaving } from '~core/pack/index.ts';
import { notesIn, NOTES_FILE, writeNotes } from '~core/site/index.ts';
import type { PackedFile, PackProgress, PackSource } from '../workers/packing';
import type { Source } from '../workers/sourceBytes';
import { packing, withProgress } from '../workers/start';
import { sourcesOf } from './leaving';
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

export interface PackOrder {
  /** A ZIP of all that leaves, or of what changed alone; an archive holds the whole site and the program's notes. */
  kind: 'zip' | 'changes' | 'archive';
  leaving: Leaving;
  /** Paths that are packed; null for all. */
  only: ReadonlySet<string> | null;
  checksums: boolean;
}

/** What each kind is called behind the name of the site. */
const ENDINGS = { zip: '.zip', changes: '-changes.zip', archive: '-archive.zip' };

/**
 * Null where it was stopped. Fails with a reason that names the file.
 * A ZIP does not say where pictures were taken, but where that was kept on purpose; an archive is for oneself and
 * holds all. What left in a ZIP is noted, so that the next time what changed since can be told.
 */
export async function pack(
  session: SiteSession,
  { kind, leaving, only, checksums }: PackOrder,
  onProgress: (progress: PackProgress, of: number) => void,
): Promise<Packed | null> {
  const modified = session.site.changed;
  const read = kind === 'archive' ? await archived(session) : await sourcesOf(session.pictures, leaving);
  const sources = read.map((source): PackSource => ({
    ...source,
    modified,
    ...(only && !only.has(source.path) ? { onlyHashed: true as const } : {}),
  }));
  const of = sources.filter(({ onlyHashed }) => !onlyHashed).length;
  const packed = await withProgress(
    (progress: PackProgress) => onProgress(progress, of),
    (tell) => packing().write(sources, checksums && kind !== 'archive', tell),
  );
  if (!packed) return null;
  await noteWhatLeft(session, kind, leaving, packed);
  return { name: `${fileName(session.site.name)}${ENDINGS[kind]}`, ...packed };
}

async function noteWhatLeft(
  session: SiteSession,
  kind: PackOrder['kind'],
  leaving: Leaving,
  { missing, struck }: PackedFile,
): Promise<void> {
  const gone = new Set(missing);
  const left = new Map([...leaving].filter(([path]) => !gone.has(path)));
  if (kind !== 'archive') await session.handOvers.note(left);
  // A picture without the place where it was taken is another file than the one here.
  const others = new Set(struck);
  const same = [...left].filter(([path]) => !others.has(path) && session.files.has(path));
  await session.folder.leftAs(new Map(same.map(([path, { content }]) => [path, content])));
}

/** Every file as it is, and the program's notes. */
async function archived(session: SiteSession): Promise<Source[]> {
  const files = [...session.files].filter(([path]) => path !== NOTES_FILE);
  const blobs = await session.pictures.blobs(files.map(([path]) => path));
  const sources = files.map(([path, content], n): Source => {
    return { path, content: content.kind === 'text' ? content.text : (blobs[n] ?? null) };
  });
  return [...sources, { path: NOTES_FILE, content: archiveNotes(session) }];
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
