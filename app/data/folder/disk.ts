/**
 * A folder on disk as files with paths. Each write goes to a file of the browser's own beside the old one and takes its
 * place when it is closed: a file is old or new, never half (File System Standard, "createWritable").
 */
import { isSystemLitter, judgeIntake, type Result } from '~core/site/index.ts';

export interface DiskFile {
  path: string;
  /** As the disk has it: accented letters may be composed otherwise. */
  raw: string;
  /** Bytes, and ms since 1970. */
  size: number;
  modified: number;
  handle: Pick<FileSystemFileHandle, 'getFile'>;
}

export type Listed = Result<
  { files: Map<string, DiskFile> },
  {
    /** What stands in the way, by paths. */
    refused: { path: string; reason: string }[];
  }
>;

/** Files are asked for in groups: one by one waits, all at once keeps the disk from everybody else. */
const TOGETHER = 16;

/** All files but the litter of systems and tools; a folder with a name that cannot be used is refused as a whole. */
export async function listFolder(root: FileSystemDirectoryHandle, signal: AbortSignal): Promise<Listed> {
  const found: { path: string; handle: FileSystemFileHandle }[] = [];
  await walk(root, '', found, signal);
  const files: DiskFile[] = [];
  for (let at = 0; at < found.length; at += TOGETHER) {
    signal.throwIfAborted();
    const some = await Promise.all(
      found.slice(at, at + TOGETHER).map(async ({ path, handle }) => {
        const file = isSystemLitter(path) ? null : await fileOf(handle);
        return file ? [{ raw: path, path, handle, size: file.size, modified: file.lastModified }] : [];
      }),
    );
    files.push(...some.flat());
  }
  if (files.length === 0) return { ok: true, files: new Map() };
  // The folder itself stands before each path, so that a folder within it that holds all is not taken for it.
  const judged = judgeIntake(files.map(({ raw, size }) => ({ path: `${ROOT}/${raw}`, bytes: size })));
  if (!judged.ok) return judged;
  const byRaw = new Map(files.map((file) => [`${ROOT}/${file.raw}`, file]));
  return {
    ok: true,
    files: new Map(
      judged.accepted.flatMap(({ raw, path }): [string, DiskFile][] => {
        const file = byRaw.get(raw);
        return file ? [[path, { ...file, path }]] : [];
      }),
    ),
  };
}

const ROOT = 'folder';

async function walk(
  folder: FileSystemDirectoryHandle,
  at: string,
  found: { path: string; handle: FileSystemFileHandle }[],
  signal: AbortSignal,
): Promise<void> {
  for await (const [name, handle] of folder.entries()) {
    signal.throwIfAborted();
    if (handle.kind === 'file') found.push({ path: at + name, handle });
    // Not gone into where all of it is litter: a tool's folder may hold more files than the site.
    else if (!isSystemLitter(`${at}${name}/any`)) await walk(handle, `${at}${name}/`, found, signal);
  }
}

/** Null where it went away meanwhile, as the files do that editors write beside the one that they save. */
async function fileOf(handle: FileSystemFileHandle): Promise<File | null> {
  try {
    return await handle.getFile();
  } catch (error) {
    if (error instanceof DOMException && error.name === 'NotFoundError') return null;
    throw error;
  }
}

/** The file at a path as it is now; null where there is none. */
export async function fileAt(root: FileSystemDirectoryHandle, path: string): Promise<File | null> {
  try {
    const { folder, name } = await folderAt(root, path, false);
    return await (await folder.getFileHandle(name)).getFile();
  } catch (error) {
    if (error instanceof DOMException && ABSENT.has(error.name)) return null;
    throw error;
  }
}

const ABSENT = new Set(['NotFoundError', 'TypeMismatchError']);

/** Gives the file as it stands afterwards. */
export async function writeFile(root: FileSystemDirectoryHandle, path: string, content: Blob): Promise<File> {
  const { folder, name } = await folderAt(root, path, true);
  const handle = await folder.getFileHandle(name, { create: true });
  const stream = await handle.createWritable();
  try {
    await stream.write(content);
    await stream.close();
  } catch (error) {
    await stream.abort().catch(() => undefined);
    throw error;
  }
  return handle.getFile();
}

/** With the folders that it leaves empty. */
export async function removeFile(root: FileSystemDirectoryHandle, path: string): Promise<void> {
  const parts = path.split('/');
  for (let depth = parts.length; depth > 0; depth--) {
    try {
      const { folder, name } = await folderAt(root, parts.slice(0, depth).join('/'), false);
      await folder.removeEntry(name);
    } catch (error) {
      // What is not there needs no removing, and what still holds something stays.
      if (!(error instanceof DOMException)) throw error;
      if (error.name === 'InvalidModificationError') return;
      if (error.name !== 'NotFoundError') throw error;
    }
  }
}

async function folderAt(
  root: FileSystemDirectoryHandle,
  path: string,
  create: boolean,
): Promise<{ folder: FileSystemDirectoryHandle; name: string }> {
  const parts = path.split('/');
  const name = parts.pop() ?? '';
  let folder = root;
  for (const part of parts) folder = await folder.getDirectoryHandle(part, { create });
  return { folder, name };
}
