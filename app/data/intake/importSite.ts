/** Bringing in: what was judged is read, kept all at once or not at all, and is a site of the shelf. Runs in a worker. */
import {
  bytesOf,
  decodeText,
  emptyNotes,
  isTextPath,
  NOTES_FILE,
  readNotes,
  writeNotes,
  type FileContent,
  type Result,
  type SiteNotes,
} from '~core/site/index.ts';
import { contentHash } from '../hash';
import { storageReason } from '../storageReason';
import type { SiteRecord } from '../store/records';
import type { Store } from '../store/store';
import { decisionsFor } from './decisions';
import type { IncomingFile, IncomingSite } from './incoming';
import { INTAKE_LOCK } from './lock';
import { newSite } from './newSite';

export interface IntakeProgress {
  says: string;
  /** 0 to 1; null while nobody can say. */
  share: number | null;
}

/** `notes` tell, in sentences, what did not come in as it was. */
export type IntakeResult = Result<
  { site: SiteRecord; notes: string[] },
  { refused: { path: string; reason: string }[] }
>;

interface Options {
  name: string;
  onProgress: (progress: IntakeProgress) => void;
  signal: AbortSignal;
}

export const STOPPED: IntakeResult = { ok: false, reason: 'Stopped. Nothing was imported.', refused: [] };

/** Files are read, and contents written, in groups of at most so many bytes: memory stays bounded. */
const GROUP_BYTES = 32 * 2 ** 20;
const GROUP_FILES = 500;

/** What has been read so far. */
interface Imported {
  contents: Map<string, FileContent>;
  name: string;
  known: SiteNotes;
  notes: string[];
}

export function importSite(store: Store, incoming: IncomingSite, options: Options): Promise<IntakeResult> {
  const { signal, onProgress } = options;
  return navigator.locks.request(INTAKE_LOCK, async (): Promise<IntakeResult> => {
    try {
      const imported = await importAll(store, incoming, options);
      const { contents, notes } = imported;
      if (contents.size === 0)
        return { ok: false, reason: ['Nothing in it could be read.', ...notes].join(' '), refused: [] };
      onProgress({ says: 'Writing it down', share: 1 });
      const known = { ...imported.known, decisions: await decisionsFor(store, contents, imported.known.decisions) };
      if (JSON.stringify(known) !== JSON.stringify(emptyNotes()))
        contents.set(NOTES_FILE, { kind: 'text', text: writeNotes(known) });
      const site = newSite(imported.name, contents, known.exercise);
      signal.throwIfAborted();
      await store.addSite(site, contents);
      // From then on what is brought in again is compared with how it came.
      await store.saveAgreed(site.id, agreedOn(contents));
      return { ok: true, site, notes };
    } catch (error) {
      // What was written belongs to nobody, and would take up the room that the next attempt needs.
      await store.sweepBlobs().catch(() => 0);
      return signal.aborted ? STOPPED : { ok: false, reason: storageReason(error), refused: [] };
    }
  });
}

const agreedOn = (contents: ReadonlyMap<string, FileContent>) =>
  new Map([...contents].map(([path, content]) => [path, { content, modified: null, size: bytesOf(content) }]));

async function importAll(
  store: Store,
  incoming: IncomingSite,
  { name, signal, onProgress }: Options,
): Promise<Imported> {
  const imported: Imported = { contents: new Map(), name, known: emptyNotes(), notes: [...incoming.notes] };
  const total = incoming.files.reduce((sum, { bytes }) => sum + bytes + 1, 0);
  let read = 0;
  let writing: Promise<void> = Promise.resolve();
  for (const group of groupsOf(incoming.files)) {
    const blobs = new Map<string, Blob>();
    for (let at = 0; at < group.length; at += incoming.together) {
      signal.throwIfAborted();
      const some = group.slice(at, at + incoming.together);
      await Promise.all(some.map((file) => importFile(file, imported, blobs, signal)));
      read += some.reduce((sum, { bytes }) => sum + bytes + 1, 0);
      onProgress({ says: `Reading ${some[0]?.path}`, share: read / total });
    }
    // The next group is read while this one is written, and no more than that.
    await writing;
    writing = store.saveBlobs(blobs);
    // Waited for below; a failure before that must not count as one that nobody hears of.
    writing.catch(() => undefined);
  }
  await writing;
  return imported;
}

function groupsOf(files: readonly IncomingFile[]): IncomingFile[][] {
  const groups: IncomingFile[][] = [];
  let bytes = Infinity;
  for (const file of files) {
    const last = groups.at(-1);
    bytes += file.bytes;
    if (last && bytes <= GROUP_BYTES && last.length < GROUP_FILES) last.push(file);
    else {
      groups.push([file]);
      bytes = file.bytes;
    }
  }
  return groups;
}

async function importFile(
  file: IncomingFile,
  imported: Imported,
  blobs: Map<string, Blob>,
  signal: AbortSignal,
): Promise<void> {
  const { path } = file;
  const read = await file.read(signal);
  if (!read.ok) {
    imported.notes.push(`“${path}” ${read.reason}. It was left out.`);
    return;
  }
  const { bytes, blob } = read;
  if (path === NOTES_FILE) {
    importNotes(bytes, imported);
    return;
  }
  const decoded = isTextPath(path) ? decodeText(bytes) : null;
  if (decoded?.ok) {
    imported.contents.set(path, { kind: 'text', text: decoded.text });
    return;
  }
  if (decoded) imported.notes.push(`“${path}”: ${decoded.reason}.`);
  const hash = await contentHash(bytes);
  imported.contents.set(path, { kind: 'binary', hash, bytes: bytes.length });
  blobs.set(hash, blob);
}

function importNotes(bytes: Uint8Array, imported: Imported): void {
  const read = readNotes(new TextDecoder().decode(bytes));
  if (!read.ok) {
    imported.notes.push(`${read.reason}; the site was imported without it.`);
    return;
  }
  // Name and date are those of the archive; here they stand with the site.
  const { name, created: _created, ...known } = read.notes;
  imported.name = name ?? imported.name;
  imported.known = known;
}
