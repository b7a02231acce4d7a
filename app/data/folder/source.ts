/** Where the other side of a site lies: a folder on disk that can be written, or files that were picked to be compared. */
import { judgeIntake, mediaTypeOf } from '~core/site/index.ts';
import type { IntakeFile } from '../intake/incoming';
import { accessTo, watchFolder } from './access';
import { fileAt, listFolder, type DiskFile, type Listed } from './disk';

export interface FolderSource {
  name: string;
  /** Null where nothing can be written to it. */
  root: FileSystemDirectoryHandle | null;
  access: () => Promise<PermissionState>;
  list: (signal: AbortSignal) => Promise<Listed>;
  /** By the name that the disk has for it; null where there is none. */
  fileAt: (raw: string) => Promise<File | null>;
  /** Told when something may have changed; gives what ends it. */
  watch: (changed: () => void) => () => void;
}

export const diskSource = (root: FileSystemDirectoryHandle): FolderSource => ({
  name: `${root.name}/`,
  root,
  access: () => accessTo(root),
  list: (signal) => listFolder(root, signal),
  fileAt: (raw) => fileAt(root, raw),
  watch: (changed) => watchFolder(root, changed),
});

/** A copy as it was when it was picked, out of a folder or of a ZIP. */
export function pickedSource(name: string, picked: readonly IntakeFile[]): FolderSource {
  const files = new Map(picked.map(({ path, blob }) => [path, asFile(path, blob)]));
  return {
    name,
    root: null,
    access: () => Promise.resolve('granted'),
    list: () => Promise.resolve(listed(picked, files)),
    fileAt: (raw) => Promise.resolve(files.get(raw) ?? null),
    watch: () => () => undefined,
  };
}

const asFile = (path: string, blob: Blob): File =>
  blob instanceof File ? blob : new File([blob], path, { type: mediaTypeOf(path) });

function listed(picked: readonly IntakeFile[], files: ReadonlyMap<string, File>): Listed {
  const judged = judgeIntake(picked.map(({ path, blob }) => ({ path, bytes: blob.size })));
  if (!judged.ok) return judged;
  return {
    ok: true,
    files: new Map(
      judged.accepted.flatMap(({ raw, path }): [string, DiskFile][] => {
        const file = files.get(raw);
        const handle = { getFile: () => Promise.resolve(file ?? new File([], raw)) };
        return file ? [[path, { path, raw, handle, size: file.size, modified: file.lastModified }]] : [];
      }),
    ),
  };
}
