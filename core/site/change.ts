/**
 * A change of a site as data: it can be shown, applied, inverted and kept in the journal.
 * Text is changed by edits of ranges, so that what was not asked to change cannot change.
 */
import { applyEdits, invertEdits, type Edit } from './edit.ts';
import type { FileContent, SiteFiles } from './files.ts';
import { refuse, type Result } from './result.ts';

export type FileChange =
  | { kind: 'edit'; path: string; edits: Edit[] }
  /** Content put in place, made new (`before` null) or taken away (`after` null). */
  | { kind: 'put'; path: string; before: FileContent | null; after: FileContent | null }
  | { kind: 'rename'; path: string; to: string };

export interface Change {
  /** What was done, in plain words: “Set the alt text of reel-box”. */
  label: string;
  files: FileChange[];
}

type Applied = Result<{ files: Map<string, FileContent>; inverse: Change; touched: Set<string> }>;

/**
 * Applies a change to a copy; the given files stay. Fails with a reason where the files are not what the change
 * expects.
 */
export function applyChange(files: SiteFiles, change: Change): Applied {
  const next = new Map(files);
  const inverse: FileChange[] = [];
  const touched = new Set<string>();
  const edited = new Set<string>();
  for (const file of change.files) {
    // Offsets count from the text before the change; those of a second edit would count from nothing that there is.
    if (file.kind === 'edit' && edited.has(file.path)) return refuse(`${file.path}: it is edited twice in one change`);
    if (file.kind === 'edit') edited.add(file.path);
    const failed = applyFileChange(next, file, inverse, touched);
    if (failed !== null) return refuse(`${file.path}: ${failed}`);
  }
  return { ok: true, files: next, touched, inverse: { label: change.label, files: inverse.reverse() } };
}

function applyFileChange(
  files: Map<string, FileContent>,
  change: FileChange,
  inverse: FileChange[],
  touched: Set<string>,
): string | null {
  const current = files.get(change.path) ?? null;
  touched.add(change.path);
  switch (change.kind) {
    case 'edit': {
      if (current?.kind !== 'text') return 'there is no such text file any more';
      const applied = applyEdits(current.text, change.edits);
      if (!applied.ok) return applied.reason;
      inverse.push({ kind: 'edit', path: change.path, edits: invertEdits(current.text, change.edits) });
      files.set(change.path, { kind: 'text', text: applied.text });
      return null;
    }
    case 'put':
      if (!sameContent(current, change.before)) return 'it was changed meanwhile; look again before you go on';
      inverse.push({ kind: 'put', path: change.path, before: change.after, after: change.before });
      if (change.after === null) files.delete(change.path);
      else files.set(change.path, change.after);
      return null;
    case 'rename':
      if (current === null) return 'there is no such file any more';
      if (files.has(change.to)) return `the name ${change.to} is taken`;
      inverse.push({ kind: 'rename', path: change.to, to: change.path });
      files.delete(change.path);
      files.set(change.to, current);
      touched.add(change.to);
      return null;
  }
}

export function sameContent(a: FileContent | null, b: FileContent | null): boolean {
  if (a === null || b === null) return a === b;
  if (a.kind === 'text') return b.kind === 'text' && a.text === b.text;
  return b.kind === 'binary' && a.hash === b.hash;
}
