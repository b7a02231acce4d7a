/** A folder as the program reads it, without the pages that are not asked about. */
import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, statSync } from 'node:fs';
import { join, posix } from 'node:path';
import { readSite, type SiteReading } from '../../core/model/index.ts';
import { decodeText, isPagePath, isTextPath, type FileContent } from '../../core/site/index.ts';

/** `page` is the one of interest; those that it shows in frames come along. */
export function siteOnDisk(folder: string, page: string): SiteReading {
  const pages = withFrames(folder, page);
  const files = new Map<string, FileContent>();
  for (const path of filesIn(folder, '')) {
    if (isPagePath(path) && !pages.has(path)) continue;
    const stat = statSync(join(folder, path), { throwIfNoEntry: false });
    if (stat?.isFile()) files.set(path.normalize('NFC'), contentOf(join(folder, path), stat.size));
  }
  return readSite(files, new Map(), []);
}

/** Links to folders are passed by: some lead back to where they stand. */
function filesIn(folder: string, below: string): string[] {
  return readdirSync(join(folder, below), { withFileTypes: true }).flatMap((entry) => {
    const path = posix.join(below, entry.name);
    if (entry.isDirectory()) return filesIn(folder, path);
    const isFolder = entry.isSymbolicLink() && statSync(join(folder, path), { throwIfNoEntry: false })?.isDirectory();
    return isFolder ? [] : [path];
  });
}

function withFrames(folder: string, page: string, known = new Set<string>()): Set<string> {
  if (known.has(page) || !existsSync(join(folder, page))) return known;
  known.add(page);
  const text = readFileSync(join(folder, page), 'latin1');
  for (const [, address = ''] of text.matchAll(/<i?frame\b[^>]*\bsrc\s*=\s*["']?([^"'\s>#?]+)/gi))
    withFrames(folder, posix.join(posix.dirname(page), address), known);
  return known;
}

function contentOf(file: string, size: number): FileContent {
  const text = isTextPath(file) ? decodeText(new Uint8Array(readFileSync(file))) : null;
  if (text?.ok) return { kind: 'text', text: text.text };
  return { kind: 'binary', hash: createHash('sha256').update(file).digest('hex'), bytes: size };
}
