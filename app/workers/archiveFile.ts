/**
 * Where an archive is written: a file of the browser's own file system, so that it never is in memory as a whole. Where
 * there is no such system, in pieces that the browser keeps.
 */

export interface ArchiveFile {
  stream: WritableStream<Uint8Array>;
  /** What was written, once the stream is closed. */
  blob: () => Promise<Blob>;
  /** Takes away what is half written. */
  drop: () => Promise<void>;
}

const FOLDER = 'archives';
/** ms that a finished archive is kept for the browser to copy it to where it was saved. */
const KEPT = 3_600_000;

export async function newArchiveFile(): Promise<ArchiveFile> {
  const folder = await archiveFolder();
  return folder ? onDisk(folder) : inPieces();
}

async function archiveFolder(): Promise<FileSystemDirectoryHandle | null> {
  try {
    const root = await navigator.storage.getDirectory();
    return await root.getDirectoryHandle(FOLDER, { create: true });
  } catch {
    return null;
  }
}

async function onDisk(folder: FileSystemDirectoryHandle): Promise<ArchiveFile> {
  await sweep(folder);
  const name = `${Date.now()}-${crypto.randomUUID()}`;
  const handle = await folder.getFileHandle(name, { create: true });
  const access = await handle.createSyncAccessHandle();
  let at = 0;
  const stream = new WritableStream<Uint8Array>({
    write: (piece) => {
      at += access.write(new Uint8Array(piece), { at });
    },
    close: () => access.close(),
    abort: () => access.close(),
  });
  return {
    stream,
    blob: async () => {
      const file = await handle.getFile();
      return file.slice(0, file.size, 'application/zip');
    },
    drop: async () => {
      access.close();
      await folder.removeEntry(name).catch(() => undefined);
    },
  };
}

/** Archives of earlier that nobody copies any more. */
async function sweep(folder: FileSystemDirectoryHandle): Promise<void> {
  const old: string[] = [];
  for await (const name of folder.keys()) if (Number.parseInt(name) < Date.now() - KEPT) old.push(name);
  // One that is still being written cannot be removed, and is left alone.
  await Promise.all(old.map((name) => folder.removeEntry(name).catch(() => undefined)));
}

function inPieces(): ArchiveFile {
  const pieces: Blob[] = [];
  const stream = new WritableStream<Uint8Array>({
    write: (piece) => void pieces.push(new Blob([new Uint8Array(piece)])),
  });
  const blob = () => Promise.resolve(new Blob(pieces, { type: 'application/zip' }));
  return { stream, blob, drop: () => Promise.resolve() };
}
