/** The file of a new page: proposed after its title, and what is wrong with one that was written. */
import { cleanPath, extensionOf, folderOf, isPagePath, tidyName } from '~core/site/index.ts';

const sameName = (a: string, b: string): boolean => a.toLowerCase() === b.toLowerCase();

const isFree = (files: readonly string[], path: string): boolean => !files.some((file) => sameName(file, path));

/** Free, in the folder and with the extension of the page that it is made from; a first page is the index. */
export function freePagePath(files: readonly string[], title: string, from: string): string {
  const folder = folderOf(from);
  const extension = from === '' ? 'html' : extensionOf(from);
  if (from === '' && !files.some(isPagePath)) return 'index.html';
  const name = tidyName(title) || 'page';
  for (let n = 1; ; n++) {
    const path = `${folder}${n === 1 ? name : `${name}-${n}`}.${extension}`;
    if (isFree(files, path)) return path;
  }
}

/** Null where a page can be called so. */
export function pagePathTrouble(files: readonly string[], path: string): string | null {
  if (path.trim() === '') return 'Write a file name.';
  const clean = cleanPath(path.trim());
  if (!clean.ok) return `This cannot be a file name: ${clean.reason}.`;
  if (!isPagePath(clean.path)) return 'The name of a page ends in .html.';
  return isFree(files, clean.path) ? null : `There is a file ${clean.path} already.`;
}
