/** Writes archives away from the main thread, and reads back what was written. */
import * as Comlink from 'comlink';
import { CHECKSUMS, checksumLine, openZip, writeZip, type ZipSource } from '~core/pack/index.ts';
import { encodeText } from '~core/site/index.ts';
import { contentHash } from '../data/hash';
import { newArchiveFile } from './archiveFile';
import { bytesOf, type Source } from './sourceBytes';
import { sparingly } from './sparingly';

export interface PackSource extends Source {
  modified: number;
  /** It is on the host already: only its hash goes into the list of hashes. */
  onlyHashed?: true;
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
  /** One ZIP of all sources, with the list of their hashes where that is asked for; null where it was stopped. */
  async write(
    sources: PackSource[],
    withChecksums: boolean,
    onProgress: (progress: PackProgress) => void,
  ): Promise<PackedFile | null> {
    stopped = new AbortController();
    const { signal } = stopped;
    const tell = sparingly(onProgress);
    const file = await newArchiveFile();
    const struck: string[] = [];
    try {
      const hashes = withChecksums ? new Map<string, string>() : null;
      const entries = sources.filter(({ onlyHashed }) => !onlyHashed).map((source) => entryOf(source, struck, hashes));
      if (hashes) entries.push(checksumsOf(sources, hashes));
      const missing = await writeZip(entries, file.stream, (done) => tell({ doing: 'packing', done }), signal);
      const blob = await file.blob();
      const expected = entries.length - missing.length;
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

function entryOf(source: PackSource, struck: string[], hashes: Map<string, string> | null): ZipSource {
  return {
    path: source.path,
    modified: new Date(source.modified),
    read: async () => {
      const known = await bytesOf(source);
      if (known === null) return null;
      if (known.struck) struck.push(source.path);
      if (hashes) hashes.set(source.path, await contentHash(known.bytes));
      return known.bytes;
    },
  };
}

/** The last entry: by then all that is packed has been read. What cannot be read stands in no list. */
function checksumsOf(sources: readonly PackSource[], hashes: Map<string, string>): ZipSource {
  return {
    path: CHECKSUMS,
    modified: new Date(Math.max(0, ...sources.map(({ modified }) => modified))),
    read: async () => {
      const lines: string[] = [];
      for (const source of sources) {
        const known = source.onlyHashed ? await bytesOf(source) : null;
        const hash = known ? await contentHash(known.bytes) : hashes.get(source.path);
        if (hash !== undefined) lines.push(checksumLine(source.path, hash));
      }
      return encodeText(lines.join(''));
    },
  };
}

export type Packing = typeof packing;
Comlink.expose(packing);
