/** ZIP archives through fflate: written as PKWARE APPNOTE 6.3 says (names in UTF-8, flag bit 11), read with limits. */
import { Unzip, UnzipInflate, Zip, ZipDeflate, ZipPassThrough } from 'fflate';
import {
  type Intake,
  INTAKE_LIMITS,
  type IntakeLimits,
  isPicturePath,
  joined,
  judgeIntake,
  type Result,
} from '../site/index.ts';

export interface ZipSource {
  path: string;
  /** Text is deflated; pictures are stored, for they are compressed already. */
  read: () => Promise<Uint8Array>;
  modified: Date;
}

/**
 * Writes an archive piece by piece, so that one file at a time is in memory. `onProgress` is told after each file;
 * an aborted signal ends the work with its reason.
 */
export async function writeZip(
  sources: readonly ZipSource[],
  onPiece: (piece: Uint8Array) => void,
  onProgress: (done: number) => void,
  signal?: AbortSignal,
): Promise<void> {
  const state: { failure: Error | null } = { failure: null };
  const zip = new Zip((error, piece) => {
    if (error) state.failure = error;
    else onPiece(piece);
  });
  for (const [n, source] of sources.entries()) {
    signal?.throwIfAborted();
    const entry = isPicturePath(source.path)
      ? new ZipPassThrough(source.path)
      : new ZipDeflate(source.path, { level: 9 });
    entry.mtime = source.modified;
    zip.add(entry);
    entry.push(await source.read(), true);
    if (state.failure) throw state.failure;
    onProgress(n + 1);
  }
  zip.end();
  if (state.failure) throw state.failure;
}

export interface Unzipped {
  path: string;
  bytes: Uint8Array;
}

export type ZipReading = Result<
  { files: Unzipped[]; folder: string; skipped: (Intake & { ok: true })['skipped'] },
  { refused: { path: string; reason: string }[] }
>;

/**
 * Reads an archive. Paths are judged before their content is kept; what grows past the limits stops the work (ZIP
 * bombs).
 */
export function readZip(
  archive: Uint8Array,
  onProgress: (bytesRead: number) => void = () => undefined,
  limits: IntakeLimits = INTAKE_LIMITS,
): ZipReading {
  if (archive.length < 4 || archive[0] !== 0x50 || archive[1] !== 0x4b)
    return { ok: false, reason: 'This is not a ZIP archive (it does not begin with “PK”).', refused: [] };
  const promised = entryCount(archive);
  if (promised === null)
    return {
      ok: false,
      reason: 'The archive is cut short: its table of contents is missing. Fetch or make it again.',
      refused: [],
    };
  const { contents, sizes, seen, stopped } = unpack(archive, onProgress, limits);
  const missing = seen === promised ? null : 'It is damaged: files that its table of contents names are missing.';
  const trouble = stopped ?? missing;
  if (trouble !== null) return { ok: false, reason: `The archive cannot be read: ${trouble}`, refused: [] };
  const judged = judgeIntake(
    [...contents.keys()].map((path) => ({ path, bytes: sizes.get(path) ?? 0 })),
    limits,
  );
  if (!judged.ok) return judged;
  const files = judged.accepted.map(({ raw, path }) => ({ path, bytes: joined(contents.get(raw) ?? []) }));
  return { ok: true, files, folder: judged.folder, skipped: judged.skipped };
}

/** How many entries the end record promises (APPNOTE §4.3.16), or null where there is no such record. */
function entryCount(archive: Uint8Array): number | null {
  const view = new DataView(archive.buffer, archive.byteOffset, archive.byteLength);
  const farthest = Math.max(0, archive.length - 22 - 0xffff);
  for (let at = archive.length - 22; at >= farthest; at--)
    if (view.getUint32(at, true) === 0x06054b50) return view.getUint16(at + 10, true);
  return null;
}

interface Unpacked {
  contents: Map<string, Uint8Array[]>;
  /** In bytes. */
  sizes: Map<string, number>;
  /** Entries that were met, folders too. */
  seen: number;
  /** Why the work was stopped; null where it came to its end. */
  stopped: string | null;
}

function unpack(archive: Uint8Array, onProgress: (bytesRead: number) => void, limits: IntakeLimits): Unpacked {
  const out: Unpacked = { contents: new Map(), sizes: new Map(), seen: 0, stopped: null };
  let total = 0;
  const unzip = new Unzip((file) => {
    if (out.contents.has(file.name)) out.stopped = `“${file.name}” stands in it twice.`;
    out.seen++;
    if (out.stopped !== null || file.name.endsWith('/')) return;
    if (out.contents.size >= limits.files) {
      out.stopped = `It holds more than the ${limits.files} files that a site may have.`;
      return;
    }
    const pieces: Uint8Array[] = [];
    out.contents.set(file.name, pieces);
    file.ondata = (error, piece) => {
      if (error) out.stopped ??= `“${file.name}” in it is damaged.`;
      if (error || out.stopped !== null) return;
      const size = (out.sizes.get(file.name) ?? 0) + piece.length;
      out.sizes.set(file.name, size);
      total += piece.length;
      if (size > limits.fileBytes || total > limits.totalBytes) {
        out.stopped = `“${file.name}” unpacks to more than the limit.`;
        file.terminate();
      } else pieces.push(piece);
    };
    file.start();
  });
  unzip.register(UnzipInflate);
  try {
    const step = 1 << 20;
    for (let at = 0; at < archive.length && out.stopped === null; at += step) {
      unzip.push(archive.subarray(at, at + step), at + step >= archive.length);
      onProgress(Math.min(archive.length, at + step));
    }
  } catch (error) {
    out.stopped ??= `It is damaged or cut short (${error instanceof Error ? error.message : String(error)}).`;
  }
  return out;
}
