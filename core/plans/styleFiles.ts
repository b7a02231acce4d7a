/** Files that a download's stylesheets name, so that they come along and stand where the styles look for them. */
import { addressesOfFile } from '../addresses/index.ts';
import { type FileChange, nameOf, resolveInSite, type FileContent, type SiteFiles } from '../site/index.ts';
import { kitPath, type Kit } from '../wiring/index.ts';

export interface StyleFile {
  /** The stylesheet's name, and the address as it stands there. */
  style: string;
  address: string;
  /** The file of the download. */
  path: string;
}

/** What a stylesheet shows; it may name a page or the program’s own notes too, and these are not its to bring. */
const SHOWN = /\.(?:png|jpe?g|gif|webp|avif|svg|ico|cur|bmp|woff2?|ttf|otf|eot)$/i;

/** `styles` are texts by their paths in the download, `paths` all that is in it. */
export function styleFilesIn(styles: Readonly<Record<string, string>>, paths: readonly string[]): StyleFile[] {
  const there = new Set(paths);
  const found = Object.entries(styles).flatMap(([from, text]) =>
    addressesOfFile(from, text).flatMap(({ value }): StyleFile[] => {
      const target = resolveInSite(value, from);
      const isThere = target.kind === 'file' && SHOWN.test(target.path) && there.has(target.path);
      return isThere ? [{ style: nameOf(from), address: value, path: target.path }] : [];
    }),
  );
  return found.filter((one, n) => found.findIndex(({ path }) => path === one.path) === n);
}

/** A file with what it holds, which is kept already. */
export interface BroughtFile extends Omit<StyleFile, 'path'> {
  content: FileContent;
}

/** Each where its stylesheet looks for it; a file that stands there is the author's and stays. */
export function broughtFiles(
  files: SiteFiles,
  kit: Pick<Kit, 'manifest'>,
  brought: readonly BroughtFile[],
): FileChange[] {
  const changes = new Map<string, FileChange>();
  for (const { style, address, content } of brought) {
    const target = resolveInSite(address, kitPath(kit, style));
    if (target.kind === 'file' && SHOWN.test(target.path) && !files.has(target.path))
      changes.set(target.path, { kind: 'put', path: target.path, before: null, after: content });
  }
  return [...changes.values()];
}
