/** What of the Pairs station stands in the address: its tab and the sheet that lies over it. */
import { z } from 'zod';
import type { Place, Target } from '../../ui/site/address';

const SheetName = z.discriminatedUnion('name', [
  z.object({ name: z.enum(['sizes', 'naming', 'thumbnails', 'from-list']) }),
  /** `of` is the thumbnail that has no pair. */
  z.object({ name: z.literal('by-hand'), of: z.string() }),
  /** `of` is the full-size file. */
  z.object({ name: z.literal('look'), of: z.string() }),
]);
export type SheetName = z.infer<typeof SheetName>;

/** Null where none is open, or where the address names none that there is. */
export const sheetIn = ({ sheet, of }: Place): SheetName | null =>
  SheetName.safeParse({ name: sheet, of: of ?? undefined }).data ?? null;

export const toSheet = (sheet: SheetName): Target => ({ sheet });
