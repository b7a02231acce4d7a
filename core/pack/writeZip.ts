/** Writes ZIP archives as PKWARE APPNOTE 6.3 says: names in UTF-8 (flag bit 11), sizes and checksums in each header. */
import { configure, Uint8ArrayReader, ZipWriter } from '@zip.js/zip.js/lib/zip-core-native.js';
import { isPicturePath } from '../site/index.ts';

// Whoever writes an archive is in a worker already.
configure({ useWebWorkers: false });

export interface ZipSource {
  path: string;
  /** Text is deflated; pictures are stored, for they are compressed already. */
  /** Null where the content is not there: then the archive is written without it. */
  read: () => Promise<Uint8Array | null>;
  modified: Date;
}

/**
 * Writes an archive into a stream, so that one file at a time is in memory; gives the paths of what was not there.
 * `onProgress` is told after each file; an aborted signal ends the work with its reason. The stream is closed at the
 * end.
 */
export async function writeZip(
  sources: readonly ZipSource[],
  into: WritableStream<Uint8Array>,
  onProgress: (done: number) => void,
  signal?: AbortSignal,
): Promise<string[]> {
  const missing: string[] = [];
  // Some unpackers cannot read what is stored with its size behind it; so each entry is held until that is known.
  const writer = new ZipWriter(into, { bufferedWrite: true, keepOrder: true, extendedTimestamp: false });
  for (const [n, { path, modified, read }] of sources.entries()) {
    signal?.throwIfAborted();
    const content = await read();
    const level = isPicturePath(path) ? 0 : 6;
    if (content) await writer.add(path, new Uint8ArrayReader(content), { level, lastModDate: modified });
    else missing.push(path);
    onProgress(n + 1);
  }
  await writer.close();
  return missing;
}
