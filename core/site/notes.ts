/**
 * `heathmoor.json`: what the program remembers of a site beyond its files. It stands among the site's files, so that
 * what was decided is undone and kept like any other change; it goes into archives and never into a parcel.
 */
import { z } from 'zod';
import type { SiteFiles } from './files.ts';

export const NOTES_FILE = 'heathmoor.json';

/** Whether two pictures are thumbnail and full-size picture of one another, decided by hand; by the hashes of their contents, so that it outlasts their names. */
const PairDecision = z.object({ small: z.string().max(128), large: z.string().max(128), belong: z.boolean() });
export type PairDecision = z.infer<typeof PairDecision>;

export const SiteNotes = z.object({
  format: z.literal(1),
  name: z.string().min(1).max(200).optional(),
  created: z.iso.datetime().optional(),
  /** Sizes that are made of pictures; checked where it is read, for its rules are those of pictures. */
  recipe: z.unknown().optional(),
  decisions: z.array(PairDecision).max(100_000).default([]),
});
export type SiteNotes = z.infer<typeof SiteNotes>;

export const writeNotes = (notes: z.input<typeof SiteNotes>): string => `${JSON.stringify(notes, null, 2)}\n`;

/** Reads the notes of an archive; wrong ones are told and the site comes in without them. */
export function readNotes(text: string): { ok: true; notes: SiteNotes } | { ok: false; reason: string } {
  try {
    const result = SiteNotes.safeParse(JSON.parse(text));
    if (result.success) return { ok: true, notes: result.data };
    const issue = result.error.issues[0];
    return { ok: false, reason: `${NOTES_FILE}, ${issue?.path.join('.') || 'top level'}: ${issue?.message}` };
  } catch {
    return { ok: false, reason: `${NOTES_FILE} is not JSON` };
  }
}

/** The notes among a site's files; empty ones where there are none or they cannot be read. */
export function notesIn(files: SiteFiles): SiteNotes {
  const content = files.get(NOTES_FILE);
  const read = content?.kind === 'text' ? readNotes(content.text) : null;
  return read?.ok ? read.notes : { format: 1, decisions: [] };
}
