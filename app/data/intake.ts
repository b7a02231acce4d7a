/**
 * Bringing in: a folder, dropped files or a ZIP becomes a site. It is judged before it is read and kept all at once
 * or not at all.
 */
import {
  decodeText,
  emptyNotes,
  type FileContent,
  INTAKE_LIMITS,
  isPagePath,
  isPicturePath,
  isTextPath,
  judgeIntake,
  mediaTypeOf,
  nameOf,
  NOTES_FILE,
  notesIn,
  type PairDecision,
  readNotes,
  type Result,
  type SiteNotes,
  writeNotes,
} from '~core/site/index.ts';
import { readArchive } from '../workers/start';
import { contentHash, newToken } from './hash';
import type { SiteRecord } from './store/records';
import { storageReason } from './storageReason';
import { openStore } from './store/idbStore';
import type { Store } from './store/store';

export interface IntakeFile {
  path: string;
  blob: Blob;
}

export interface IntakeProgress {
  says: string;
  /** 0 to 1; null while nobody can say. */
  share: number | null;
}

export type IntakeResult = Result<
  { site: SiteRecord; notes: string[] },
  { refused: { path: string; reason: string }[] }
>;

interface Options {
  onProgress: (progress: IntakeProgress) => void;
  signal?: AbortSignal;
  name?: string;
}

const STOPPED: IntakeResult = { ok: false, reason: 'Stopped. Nothing was brought in.', refused: [] };

export const INTAKE_LOCK = 'heathmoor-intake';

/** Blobs are written in groups of about this many bytes, so that memory stays bounded. */
const GROUP_BYTES = 32 * 2 ** 20;

export async function bringInZip(archive: Blob, name: string, options: Options): Promise<IntakeResult> {
  options.onProgress({ says: 'Opening the archive', share: null });
  const read = await readArchive(
    archive,
    (share) => options.onProgress({ says: 'Opening the archive', share }),
    options.signal ?? new AbortController().signal,
  );
  if (read === null) return STOPPED;
  if (!read.ok) return read;
  const files = read.files.map(({ path, bytes }) => ({
    path,
    blob: new Blob([new Uint8Array(bytes)], { type: mediaTypeOf(path) }),
  }));
  return bringIn(
    files,
    { ...options, name: options.name ?? (read.folder || name.replace(/\.zip$/i, '')) },
    read.skipped.length,
  );
}

export async function bringInFiles(files: readonly IntakeFile[], options: Options): Promise<IntakeResult> {
  const judged = judgeIntake(files.map(({ path, blob }) => ({ path, bytes: blob.size })));
  if (!judged.ok) return judged;
  const byRaw = new Map(files.map((file) => [file.path, file.blob]));
  const clean = judged.accepted.map(({ raw, path }) => ({ path, blob: byRaw.get(raw) ?? new Blob([]) }));
  return bringIn(
    clean,
    { ...options, name: options.name ?? (judged.folder || 'Untitled site') },
    judged.skipped.length,
  );
}

async function bringIn(
  files: readonly IntakeFile[],
  { onProgress, signal, name = 'Untitled site' }: Options,
  skipped: number,
): Promise<IntakeResult> {
  const store = await openStore();
  const notes = skipped > 0 ? [`${skipped} files left behind by the operating system were not brought in.`] : [];
  return navigator.locks.request(INTAKE_LOCK, async (): Promise<IntakeResult> => {
    const contents = new Map<string, FileContent>();
    let group = new Map<string, Blob>();
    let groupBytes = 0;
    let siteName = name;
    let known: SiteNotes = emptyNotes();
    try {
      for (const [n, { path, blob }] of files.entries()) {
        if (signal?.aborted) return STOPPED;
        onProgress({ says: `Reading ${path}`, share: n / files.length });
        const bytes = await blob.arrayBuffer();
        if (path === NOTES_FILE) {
          const read = readNotes(new TextDecoder().decode(bytes));
          if (read.ok) {
            siteName = read.notes.name ?? siteName;
            // Name and date are those of the archive; here they stand with the site.
            const { name: _name, created: _created, ...kept } = read.notes;
            known = kept;
          } else notes.push(`${read.reason}; the site came in without it.`);
          continue;
        }
        const decoded = isTextPath(path) ? decodeText(new Uint8Array(bytes)) : null;
        if (decoded?.ok) {
          contents.set(path, { kind: 'text', text: decoded.text });
          continue;
        }
        if (decoded) notes.push(`${path}: ${decoded.reason}.`);
        const hash = await contentHash(bytes);
        contents.set(path, { kind: 'binary', hash, bytes: blob.size });
        // A blob of its own: a file that was picked may change or vanish on disk.
        group.set(hash, new Blob([bytes], { type: mediaTypeOf(path) }));
        groupBytes += blob.size;
        if (groupBytes > GROUP_BYTES) {
          await store.saveBlobs(group);
          group = new Map();
          groupBytes = 0;
        }
      }
      await store.saveBlobs(group);
      onProgress({ says: 'Writing it down', share: 1 });
      known = { ...known, decisions: await decisionsFor(store, contents, known.decisions) };
      if (JSON.stringify(known) !== JSON.stringify(emptyNotes()))
        contents.set(NOTES_FILE, { kind: 'text', text: writeNotes(known) });
      const site = newSite(siteName, contents);
      await store.addSite(site, contents);
      return { ok: true, site, notes };
    } catch (error) {
      return { ok: false, reason: storageReason(error), refused: [] };
    }
  });
}

/**
 * Contents of pictures that come into a site that is there; they are part of no site until a change says so. Null
 * where it was stopped.
 */
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

/** What was decided by hand in all sites, the latest changed first. */
async function decisionsOfAll(store: Store): Promise<PairDecision[]> {
  const sites = await store.listSites();
  const notes = await Promise.all(sites.map(({ id }) => store.readFile(id, NOTES_FILE)));
  return notes.flatMap((content) => (content ? notesIn(new Map([[NOTES_FILE, content]])).decisions : []));
}

/**
 * What was decided of these pictures before, here or in another site of the shelf: pictures that come in again stay
 * paired.
 */
async function decisionsFor(
  store: Store,
  contents: ReadonlyMap<string, FileContent>,
  own: readonly PairDecision[],
): Promise<PairDecision[]> {
  const hashes = new Set(
    [...contents.values()].flatMap((content) => (content.kind === 'binary' ? [content.hash] : [])),
  );
  const known = new Map(own.map((one) => [`${one.small} ${one.large}`, one]));
  for (const one of await decisionsOfAll(store)) {
    const key = `${one.small} ${one.large}`;
    if (!known.has(key) && hashes.has(one.small) && hashes.has(one.large)) known.set(key, one);
  }
  return [...known.values()];
}

export function newSite(name: string, contents: ReadonlyMap<string, FileContent>): SiteRecord {
  const now = Date.now();
  return {
    id: crypto.randomUUID(),
    name,
    created: now,
    changed: now,
    token: newToken(),
    head: 0,
    last: 0,
    glance: glanceOf(contents, null),
  };
}

/** What the shelf shows: the smallest pictures are the quickest to show. */
export function glanceOf(contents: ReadonlyMap<string, FileContent>, broken: number | null): SiteRecord['glance'] {
  const pictures = [...contents].flatMap(([path, content]) =>
    content.kind === 'binary' && isPicturePath(path) ? [content] : [],
  );
  const faces = [...pictures]
    .sort((a, b) => a.bytes - b.bytes)
    .slice(0, 6)
    .map((content) => content.hash);
  return { pages: [...contents.keys()].filter(isPagePath).length, pictures: pictures.length, broken, faces };
}
