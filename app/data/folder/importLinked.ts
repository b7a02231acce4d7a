/** A site out of a folder on disk that it stays linked to. */
import { importFiles } from '../intake/intake';
import { STOPPED, type IntakeResult } from '../intake/importSite';
import { storageReason } from '../storageReason';
import { openStore } from '../store/idbStore';
import { listFolder } from './disk';
import { linkTo } from './standing';

export async function importLinked(
  handle: FileSystemDirectoryHandle,
  options: Parameters<typeof importFiles>[1],
): Promise<IntakeResult> {
  const signal = options.signal ?? new AbortController().signal;
  try {
    const listed = await listFolder(handle, signal);
    if (!listed.ok) return listed;
    const files = await Promise.all(
      [...listed.files.values()].map(async ({ path, handle: file }) => ({
        // Of the folder itself, so that a folder within it that holds all is not taken for it.
        path: `${handle.name}/${path}`,
        blob: await file.getFile(),
      })),
    );
    const result = await importFiles(files, { ...options, name: handle.name });
    if (result.ok) await (await openStore()).saveFolder(linkTo(result.site.id, handle));
    return result;
  } catch (error) {
    return signal.aborted ? STOPPED : { ok: false, reason: storageReason(error), refused: [] };
  }
}
