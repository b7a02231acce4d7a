/** Reads and writes archives away from the main thread. */
import * as Comlink from 'comlink';
import { readZip, writeZip, type ZipReading } from '~core/pack/index.ts';
import { withoutPlace } from '~core/photo/index.ts';
import { encodeText } from '~core/site/index.ts';

export interface PackSource {
  path: string;
  content: string | Blob;
  modified: number;
  /** Where it was taken is struck out. */
  withoutPlace?: true;
}

let stopped = new AbortController();

const packing = {
  async read(archive: Blob, onProgress: (share: number) => void): Promise<ZipReading> {
    return readZip(new Uint8Array(await archive.arrayBuffer()), (bytes) => onProgress(bytes / archive.size));
  },

  /** One ZIP of all sources; null where it was stopped. */
  async write(sources: PackSource[], onProgress: (done: number) => void): Promise<Blob | null> {
    stopped = new AbortController();
    const pieces: Blob[] = [];
    const { signal } = stopped;
    try {
      await writeZip(
        sources.map((source) => ({
          path: source.path,
          modified: new Date(source.modified),
          read: () => bytesOf(source),
        })),
        // As blobs the pieces need not stay in memory.
        (piece) => pieces.push(new Blob([new Uint8Array(piece)])),
        onProgress,
        signal,
      );
    } catch (error) {
      if (signal.aborted) return null;
      throw error;
    }
    return new Blob(pieces, { type: 'application/zip' });
  },

  stop(): void {
    stopped.abort();
  },
};

async function bytesOf({ content, withoutPlace: strike }: PackSource): Promise<Uint8Array> {
  if (typeof content === 'string') return encodeText(content);
  const bytes = new Uint8Array(await content.arrayBuffer());
  return strike ? (withoutPlace(bytes) ?? bytes) : bytes;
}

export type Packing = typeof packing;
Comlink.expose(packing);
