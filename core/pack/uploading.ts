/** In which order a host is brought to hold what a site holds. */
import { inSavingOrder } from '../folder/index.ts';
import { folderOf } from '../site/index.ts';

/** What the host holds: the hash of each file, null where it does not tell; folders end with a slash. */
export interface HostListing {
  files: ReadonlyMap<string, string | null>;
  folders: ReadonlySet<string>;
}

export type UploadStep =
  | { do: 'make folder'; path: string }
  | { do: 'send'; path: string; bytes: number }
  | { do: 'delete'; path: string }
  | { do: 'delete folder'; path: string };

/**
 * Folders first, then what pages show, then pages, so that nobody sees a page without its pictures; what is there no
 * more goes last. What the host holds already is not sent again: `site` gives the hash and the bytes of each file.
 */
export function uploadSteps(
  site: ReadonlyMap<string, { hash: string; bytes: number }>,
  host: HostListing,
): UploadStep[] {
  const wanted = foldersOf(site.keys());
  const made = [...wanted].filter((folder) => !host.folders.has(folder)).sort();
  const sent = [...site].filter(([path, { hash }]) => host.files.get(path) !== hash);
  const gone = [...host.files.keys()].filter((path) => !site.has(path));
  // Where a folder goes, all in it goes at once.
  const goneFolders = [...host.folders].filter(
    (folder) => folder !== '' && !wanted.has(folder) && (parent(folder) === '' || wanted.has(parent(folder))),
  );
  const left = gone.filter((path) => !goneFolders.some((folder) => path.startsWith(folder)));
  const files = inSavingOrder([
    ...sent.map(([path, { bytes }]) => ({ path, bytes, here: true })),
    ...left.map((path) => ({ path, bytes: 0, here: null })),
  ]);
  return [
    ...made.map((path): UploadStep => ({ do: 'make folder', path })),
    ...files.map(({ path, bytes, here }): UploadStep =>
      here === null ? { do: 'delete', path } : { do: 'send', path, bytes },
    ),
    ...goneFolders.map((path): UploadStep => ({ do: 'delete folder', path })),
  ];
}

const parent = (folder: string): string => folderOf(folder.slice(0, -1));

/** All folders in which these files stand, and those around them; each with a slash behind it. */
function foldersOf(paths: Iterable<string>): Set<string> {
  const folders = new Set<string>();
  for (const path of paths)
    for (let folder = folderOf(path); folder !== '' && !folders.has(folder); folder = parent(folder))
      folders.add(folder);
  return folders;
}
