/** What the files of a folder hold. What was read before, and is as old and as large, is not read again. */
import { decodeText, isTextPath, type FileContent } from '~core/site/index.ts';
import { contentHash } from '../hash';
import type { DiskFile } from './disk';

export interface SeenFile extends Pick<DiskFile, 'raw' | 'size' | 'modified'> {
  content: FileContent;
}

type Known = Pick<SeenFile, 'content' | 'size'> & { modified: number | null };

const TOGETHER = 8;

export async function readThere(
  files: ReadonlyMap<string, DiskFile>,
  known: (path: string) => readonly (Known | undefined)[],
  signal: AbortSignal,
): Promise<Map<string, SeenFile>> {
  const seen = new Map<string, SeenFile>();
  const unread: DiskFile[] = [];
  for (const file of files.values()) {
    const { path, raw, size, modified } = file;
    const same = known(path).find((one) => one?.size === size && one.modified === modified);
    if (same) seen.set(path, { raw, size, modified, content: same.content });
    else unread.push(file);
  }
  for (let at = 0; at < unread.length; at += TOGETHER) {
    signal.throwIfAborted();
    const some = unread.slice(at, at + TOGETHER);
    const read = await Promise.all(some.map(async ({ path, handle }) => readFile(path, await handle.getFile())));
    for (const [n, { path, raw }] of some.entries()) {
      const one = read[n];
      if (one) seen.set(path, { raw, ...one });
    }
  }
  return seen;
}

/** Together with the date and the size of what was read: the file may have changed since it was listed. */
export async function readFile(path: string, file: File): Promise<Omit<SeenFile, 'raw'>> {
  const bytes = new Uint8Array(await file.arrayBuffer());
  const decoded = isTextPath(path) ? decodeText(bytes) : null;
  const content: FileContent = decoded?.ok
    ? { kind: 'text', text: decoded.text }
    : { kind: 'binary', hash: await contentHash(bytes), bytes: bytes.length };
  return { content, size: file.size, modified: file.lastModified };
}
