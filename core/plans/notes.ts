/** Changes of the program's notes of a site, so that what is decided is undone and kept like any other change. */
import type { Planned } from '../checks/index.ts';
import type { SiteReading } from '../model/index.ts';
import { NOTES_FILE, writeNotes, type SiteNotes } from '../site/index.ts';

export function changeNotes({ notes }: SiteReading, label: string, part: Partial<SiteNotes>): Planned {
  return { ok: true, change: { label, files: [{ kind: 'put', path: NOTES_FILE, before: notes.file, after: { kind: 'text', text: writeNotes({ ...notes.known, ...part }) } }] } };
}
