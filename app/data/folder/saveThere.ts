/** What was done here is written into the folder: pages behind what they show, deletions last, one file after the other. */
import type { FolderFile } from '~core/folder/index.ts';
import { inSavingOrder } from '~core/folder/index.ts';
import { sameContent, type FileContent } from '~core/site/index.ts';
import type { Store } from '../store/store';
import { fileAt, removeFile, writeFile } from './disk';
import { readFile, type SeenFile } from './readThere';

/** What a content of a site holds; null where it is missing from the browser's storage. */
export async function blobOf(store: Store, content: FileContent): Promise<Blob | null> {
  if (content.kind === 'text') return new Blob([content.text]);
  return (await store.readBlobs([content.hash]))[0] ?? null;
}

interface Saving {
  root: FileSystemDirectoryHandle;
  files: readonly FolderFile[];
  /** The file on disk as it was compared. */
  seen: (path: string) => SeenFile | undefined;
  /** What a content of the site holds; null where it is missing from the browser's storage. */
  blobOf: (content: FileContent) => Promise<Blob | null>;
  onProgress: (done: number) => void;
  /** What stands there now; null where nothing does. Told of a few files at a time. */
  onSaved: (saved: ReadonlyMap<string, SeenFile | null>) => Promise<void>;
  signal: AbortSignal;
}

export interface Saved {
  saved: number;
  /** Files that were left as they are, and why. */
  left: { path: string; reason: string }[];
  stopped: boolean;
}

/** So many files are written down as saved together. */
const GROUP = 25;

const MEANWHILE = 'it was changed in the folder meanwhile';

/** Rejects where the folder cannot be written; what was written until then is told. */
export async function saveThere({ root, files, seen, blobOf, onProgress, onSaved, signal }: Saving): Promise<Saved> {
  const left: Saved['left'] = [];
  let group = new Map<string, SeenFile | null>();
  let saved = 0;
  const tell = async () => {
    const told = group;
    group = new Map();
    if (told.size > 0) await onSaved(told);
  };
  try {
    for (const [n, file] of inSavingOrder(files).entries()) {
      if (signal.aborted) return { saved, left, stopped: true };
      onProgress(n);
      const reason = await saveOne(root, file, seen(file.path), blobOf, group);
      if (reason === null) saved++;
      else left.push({ path: file.path, reason });
      if (group.size >= GROUP) await tell();
    }
  } finally {
    await tell();
  }
  return { saved, left, stopped: false };
}

/** Gives why it was left as it is; null where it was not. */
async function saveOne(
  root: FileSystemDirectoryHandle,
  { path, here, there }: FolderFile,
  seen: SeenFile | undefined,
  blobOf: Saving['blobOf'],
  group: Map<string, SeenFile | null>,
): Promise<string | null> {
  const raw = seen?.raw ?? path;
  const now = await fileAt(root, raw);
  // What somebody wrote there since it was compared is not written over.
  if ((now === null) !== (there === null)) return MEANWHILE;
  const isAsSeen = now === null || (seen?.size === now.size && seen.modified === now.lastModified);
  if (!isAsSeen && !sameContent((await readFile(path, now)).content, there)) return MEANWHILE;
  if (here === null) {
    await removeFile(root, raw);
    group.set(path, null);
    return null;
  }
  const blob = await blobOf(here);
  if (!blob) return 'its content is missing from the browser’s storage';
  const written = await writeFile(root, raw, blob);
  group.set(path, { raw, content: here, size: written.size, modified: written.lastModified });
  return null;
}
