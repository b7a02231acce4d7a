/** `heathmoor.json`: what the program remembers of a site beyond its files, for an archive that moves to another browser. */
import { z } from 'zod';
import { NOTES_FILE } from './parcel.ts';

export const SiteNotes = z.object({
  format: z.literal(1),
  name: z.string().min(1).max(200),
  created: z.iso.datetime(),
});
export type SiteNotes = z.infer<typeof SiteNotes>;

export const writeNotes = (notes: SiteNotes): string => `${JSON.stringify(notes, null, 2)}\n`;

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
