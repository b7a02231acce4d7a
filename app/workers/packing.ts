/** Writes archives away from the main thread, and reads back what was written. */
import * as Comlink from 'comlink';
import { openZip, writeZip } from '~core/pack/index.ts';
import { withoutPlace } from '~core/photo/index.ts';
import { encodeText } from '~core/site/index.ts';
import { newArchiveFile } from './archiveFile';
import { sparingly } from './sparingly';

export interface PackSource {
  path: string;
  /** Null where it is missing. */
  content: string | Blob | null;
  modified: number;
  /** Where it was taken is struck out. */
  withoutPlace?: true;
}

export interface PackProgress {
  doing: 'packing' | 'checking';
  /** Files. */
  done: number;
}

/** Paths of what is not in it because its content is missing, and of pictures out of which a place was struck. */
export interface PackedFile {
  blob: Blob;
  missing: string[];
  struck: string[];
}

let stopped = new AbortController();

const packing = {
  /** One ZIP of all sources; null where it was stopped. */
  async write(sources: PackSource[], onProgress: (progress: PackProgress) => void): Promise<PackedFile | null> {
    stopped = new AbortController();
    const { signal } = stopped;
    const tell = sparingly(onProgress);
    const file = await newArchiveFile();
    const struck: string[] = [];
    try {
      const entries = sources.map((source) => ({
        path: source.path,
        modified: new Date(source.modified),
        read: () => bytesOf(source, struck),
      }));
      const missing = await writeZip(entries, file.stream, (done) => tell({ doing: 'packing', done }), signal);
      const blob = await file.blob();
      const expected = sources.length - missing.length;
      await readBack(blob, expected, (done) => tell({ doing: 'checking', done }), signal);
      return { blob, missing, struck };
    } catch (error) {
      await file.drop();
      if (signal.aborted) return null;
      throw error;
    }
  },

  stop(): void {
    stopped.abort();
  },
};

/** What leaves is opened once more, as whoever gets it will. */
async function readBack(
  blob: Blob,
  expected: number,
  onProgress: (done: number) => void,
  signal: AbortSignal,
): Promise<void> {
  if (expected === 0) return;
  const opened = await openZip(blob);
  if (!opened.ok) throw new Error(`The archive could not be read back. ${opened.reason}`);
  if (opened.files.length !== expected)
    throw new Error(`The archive holds ${opened.files.length} files in place of ${expected}; try again.`);
  for (const [n, { path, read }] of opened.files.entries()) {
    const content = await read(signal);
    if (!content.ok) throw new Error(`The archive could not be read back: “${path}” ${content.reason}. Try again.`);
    onProgress(n + 1);
  }
}

async function bytesOf(
  { path, content, withoutPlace: strike }: PackSource,
  struck: string[],
): Promise<Uint8Array | null> {
  if (content === null) return null;
  if (typeof content === 'string') return encodeText(content);
  // A content can be in the list of what is stored, and be gone from the disk.
  const buffer = await content.arrayBuffer().catch(() => null);
  if (buffer === null) return null;
  const bytes = new Uint8Array(buffer);
  const without = strike ? withoutPlace(bytes) : null;
  if (without) struck.push(path);
  return without ?? bytes;
}

export type Packing = typeof packing;
Comlink.expose(packing);
