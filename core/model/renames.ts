/** A file given another name, with every reference to it written anew, as one change. */
import { encodeAttribute } from '../markup/index.ts';
import { relativeReference, resolveInSite, type Change, type Edit, type FileChange } from '../site/index.ts';
import type { SiteReading } from './reading.ts';
import { styleReferences, type Reference } from './references.ts';

/** References that already read as the new name are left as they are. */
export function renameFile(site: SiteReading, from: string, to: string): Change {
  const files: FileChange[] = [{ kind: 'rename', path: from, to }];
  for (const page of site.pages) addEdits(files, page.path, page.references, site, from, to);
  for (const [path, content] of site.files) {
    if (content.kind === 'text' && path.endsWith('.css')) addEdits(files, path, styleReferences(content.text), site, from, to);
  }
  return { label: `Rename ${from} to ${to}`, files };
}

function addEdits(files: FileChange[], path: string, references: readonly Reference[], site: SiteReading, from: string, to: string): void {
  const edits: Edit[] = [];
  for (const { value, range } of references) {
    const target = resolveInSite(value, path);
    if (target.kind !== 'file' || target.path === to) continue;
    const found = site.index.lookup(target.path);
    if (found.found === 'nothing' || found.path !== from) continue;
    const tail = /[?#].*$/s.exec(value)?.[0] ?? '';
    edits.push({ ...range, text: encodeAttribute(relativeReference(path, to) + tail, '"') });
  }
  if (edits.length > 0) files.push({ kind: 'edit', path, edits });
}
