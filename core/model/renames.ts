/** A file given another name, with every reference to it written anew, as one change. */
import { encodeAttribute } from '../markup/index.ts';
import { isStylePath, relativeReference, resolveInSite, type Change, type Edit, type FileChange } from '../site/index.ts';
import type { SiteReading } from './reading.ts';
import { styleReferences, type Reference } from './references.ts';

/** References that already read as the new name are left as they are. */
export function renameFile(site: SiteReading, from: string, to: string): Change {
  return { label: `Rename ${from} to ${to}`, files: [{ kind: 'rename', path: from, to }, ...referencesTo(site, from, to)] };
}

/** A file taken away, with every reference to it leading to another one instead. */
export function mergeFile(site: SiteReading, from: string, into: string): Change {
  return { label: `Use ${into} instead of ${from}`, files: [{ kind: 'put', path: from, before: site.files.get(from) ?? null, after: null }, ...referencesTo(site, from, into)] };
}

function referencesTo(site: SiteReading, from: string, to: string): FileChange[] {
  const files: FileChange[] = [];
  for (const page of site.pages) addEdits(files, page.path, page.references, site, from, to);
  for (const [path, content] of site.files) {
    if (content.kind === 'text' && isStylePath(path)) addEdits(files, path, styleReferences(content.text), site, from, to);
  }
  return files;
}

function addEdits(files: FileChange[], path: string, references: readonly Reference[], site: SiteReading, from: string, to: string): void {
  const edits: Edit[] = [];
  for (const { value, range, by, within, raw } of references) {
    const target = resolveInSite(value, path);
    if (target.kind !== 'file' || target.path === to) continue;
    const found = site.index.lookup(target.path);
    if (found.found === 'nothing' || found.path !== from) continue;
    const tail = /[?#].*$/s.exec(value)?.[0] ?? '';
    const written = relativeReference(path, to) + tail;
    // Quotes and brackets would end an address in a style; there they stand as in any address.
    const address = by === 'url()' ? written.replace(/[()'"]/g, (letter) => `%${letter.charCodeAt(0).toString(16)}`) : written;
    // The quotes of the attribute are the author's: neither kind may end it.
    edits.push({ ...range, text: raw ? address : encodeAttribute(within?.replace(value, address) ?? address, '"').replaceAll("'", '&#39;') });
  }
  if (edits.length > 0) files.push({ kind: 'edit', path, edits });
}
