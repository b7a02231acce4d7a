/** Changes of the program's notes of a site, so that what is decided is undone and kept like any other change. */
import type { SiteReading } from './reading.ts';
import { type FileChange, NOTES_FILE, type Planned, type SiteNotes, smallestEdit, writeNotes } from '../site/index.ts';

export function changeNotes(site: SiteReading, label: string, part: Partial<SiteNotes>): Planned {
  return { ok: true, change: { label, files: notesChange(site, part) } };
}

/**
 * As an edit of what differs: the notes of thousands of pictures would otherwise stand twice in the journal for every
 * word.
 */
export function notesChange({ notes }: SiteReading, part: Partial<SiteNotes>): FileChange[] {
  const text = writeNotes({ ...notes.known, ...part });
  const { file } = notes;
  if (file?.kind !== 'text') return [{ kind: 'put', path: NOTES_FILE, before: file, after: { kind: 'text', text } }];
  const edits = smallestEdit(file.text, text);
  return edits.length === 0 ? [] : [{ kind: 'edit', path: NOTES_FILE, edits }];
}
