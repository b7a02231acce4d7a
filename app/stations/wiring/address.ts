/** What of the Wiring station stands in the address. */
import { z } from 'zod';
import type { Place } from '../../ui/site/address';

const SheetName = z.enum(['viewer', 'options', 'own-script', 'pasted', 'rehearsal']);
export type SheetName = z.infer<typeof SheetName>;

/** Null where none is open, or where the address names none that there is. */
export const sheetIn = ({ sheet }: Place): SheetName | null => SheetName.safeParse(sheet).data ?? null;
