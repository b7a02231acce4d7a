/**
 * Reads ZIP archives entry by entry (PKWARE APPNOTE 6.3). Everything that an archive says of itself is checked: the
 * table of contents against each entry, each content against its checksum and size. What cannot be read is named and
 * left out; the rest comes in.
 */
import { configure, Uint8ArrayWriter, ZipReader, type FileEntry } from '@zip.js/zip.js/lib/zip-core-native.js';
import {
  INTAKE_LIMITS,
  judgeIntake,
  mediaTypeOf,
  refuse,
  type Intake,
  type IntakeLimits,
  type Refusal,
  type Result,
} from '../site/index.ts';
import { WindowReader } from './windowReader.ts';
import { isOdd, saysOfArchive, saysOfEntry, unreadable } from './zipTrouble.ts';

// Whoever reads an archive is in a worker already.
configure({ useWebWorkers: false });

/** `blob` is a part of the archive itself where the content is stored in it as it is. */
type ZipContent = Result<{ bytes: Uint8Array<ArrayBuffer>; blob: Blob }>;

interface ZipFile {
  path: string;
  /** What it unpacks to, in bytes. */
  bytes: number;
  /** Unpacked and checked; a refusal says what is wrong with it. Rejects where it is aborted. */
  read: (signal?: AbortSignal) => Promise<ZipContent>;
}

type OpenedZip = Result<
  {
    files: ZipFile[];
    folder: string;
    skipped: Extract<Intake, { ok: true }>['skipped'];
    /** What stands in the archive and cannot be read, as its table of contents tells. */
    aside: Refusal[];
    /** What is odd about the archive as a whole. */
    notes: string[];
  },
  { refused: Refusal[] }
>;

/** The table of contents, judged; nothing is unpacked before it is asked for. */
export async function openZip(archive: Blob, limits: IntakeLimits = INTAKE_LIMITS): Promise<OpenedZip> {
  if (!(await beginsLikeZip(archive)))
    return { ok: false, reason: 'This is not a ZIP archive (it does not begin with “PK”).', refused: [] };
  const listed = await tableOf(archive, limits);
  if (!listed.ok) return { ...listed, refused: [] };

  const aside: Refusal[] = [];
  const readable = new Map<string, FileEntry>();
  for (const entry of listed.entries) {
    const reason = unreadable(entry);
    if (reason === null) readable.set(entry.filename, entry);
    else aside.push({ path: entry.filename, reason });
  }
  if (readable.size === 0 && aside.length > 0)
    return { ok: false, reason: 'Nothing in this archive can be read.', refused: aside };

  const judged = judgeIntake(
    [...readable.values()].map((entry) => ({ path: entry.filename, bytes: entry.uncompressedSize })),
    limits,
  );
  if (!judged.ok) return judged;
  const files = judged.accepted.flatMap(({ raw, path }) => {
    const entry = readable.get(raw);
    return entry ? [zipFile(archive, entry, path)] : [];
  });
  return { ok: true, files, folder: judged.folder, skipped: judged.skipped, aside, notes: listed.notes };
}

async function beginsLikeZip(archive: Blob): Promise<boolean> {
  const [first, second] = new Uint8Array(await archive.slice(0, 2).arrayBuffer());
  return first === 0x50 && second === 0x4b;
}

/** The entries that are files. */
async function tableOf(
  archive: Blob,
  limits: IntakeLimits,
): Promise<Result<{ entries: FileEntry[]; notes: string[] }>> {
  const reader = new ZipReader(new WindowReader(archive), {
    checkLocalFilename: true,
    checkCrc32: true,
    checkOverlappingEntry: true,
    maxAppendedDataSize: Infinity,
    // Paths are judged with all others that come in.
    filenameValidation: 'tolerant',
  });
  const entries = new Map<string, FileEntry>();
  try {
    for await (const entry of reader.getEntriesGenerator()) {
      if (entry.directory) continue;
      if (entries.size === limits.files)
        return refuse(
          `The archive holds more than the ${limits.files} files that a site may have. Choose that of the site itself.`,
        );
      if (entries.has(entry.filename))
        return refuse(`The archive cannot be read: “${entry.filename}” stands in it twice.`);
      entries.set(entry.filename, entry);
    }
  } catch (error) {
    return refuse(`The archive cannot be read: ${saysOfArchive(error)}.`);
  }
  const warnings = (reader.warnings ?? []).map(({ reason }) => reason);
  const wrong = warnings.find((reason) => !isOdd(reason));
  if (wrong !== undefined)
    return refuse('The archive cannot be read: its table of contents is damaged, and some of it may be missing.');
  return { ok: true, entries: [...entries.values()], notes: warnings.flatMap((reason) => isOdd(reason) ?? []) };
}

function zipFile(archive: Blob, entry: FileEntry, path: string): ZipFile {
  const read = async (signal?: AbortSignal): Promise<ZipContent> => {
    signal?.throwIfAborted();
    try {
      const bytes = await entry.getData(new Uint8ArrayWriter(), signal ? { signal } : {});
      const exact = new Uint8Array(bytes.buffer, bytes.byteOffset, bytes.byteLength);
      return { ok: true, bytes: exact, blob: blobOf(archive, entry, path, exact) };
    } catch (error) {
      signal?.throwIfAborted();
      return refuse(saysOfEntry(error));
    }
  };
  return { path, bytes: entry.uncompressedSize, read };
}

/** A part of the archive need not stay in memory. */
function blobOf(archive: Blob, entry: FileEntry, path: string, bytes: Uint8Array<ArrayBuffer>): Blob {
  const type = mediaTypeOf(path);
  const at = entry.compressionMethod === 0 ? entry.localDirectory?.dataOffset : undefined;
  return at === undefined ? new Blob([bytes], { type }) : archive.slice(at, at + entry.compressedSize, type);
}
