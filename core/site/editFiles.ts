/** Edits of several files at once. */
import { applyEdits, type Edit } from './edit.ts';
import type { FileContent, SiteFiles } from './files.ts';
import { grouped } from './grouped.ts';
import { refuse, type Result } from './result.ts';

/**
 * A copy of the files with all edits done. Offsets are those of the text as it is given, however often a file is
 * named: a page that gets a class and a rule in its own `style` is one text. Fails where a file is no text.
 */
export function editFiles(
  files: SiteFiles,
  all: Iterable<{ path: string; edits: readonly Edit[] }>,
): Result<{ files: Map<string, FileContent>; changed: Map<string, string> }> {
  const next = new Map(files);
  const changed = new Map<string, string>();
  for (const [path, some] of grouped(all, (one) => one.path)) {
    const content = files.get(path);
    const edits = some.flatMap((one) => one.edits);
    if (edits.length === 0) continue;
    if (content?.kind !== 'text') return refuse(`${path} is no text file any more.`);
    const done = applyEdits(content.text, edits);
    if (!done.ok) return done;
    next.set(path, { kind: 'text', text: done.text });
    changed.set(path, done.text);
  }
  return { ok: true, files: next, changed };
}
