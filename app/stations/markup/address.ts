/** What of the Markup station stands in the address: its sheets, and the layout in place of the source. */
import { z } from 'zod';
import type { Place, Target } from '../../ui/site/address';

const Offset = z.coerce.number().int().min(0);
const Range = z.tuple([Offset, Offset]).transform(([start, end]) => ({ start, end }));

const SheetName = z.discriminatedUnion('name', [
  z.object({ name: z.enum(['menus', 'add', 'new-page', 'pictures', 'group']) }),
  z.object({ name: z.literal('add-slide') }),
  /** In place of the source. */
  z.object({ name: z.enum(['page', 'pattern']) }),
  /** With these strands chosen at first. */
  z.object({ name: z.literal('items'), chosen: z.array(z.string()) }),
  z.object({ name: z.literal('link'), at: Range }),
  /** At an offset of the page's source. */
  z.object({ name: z.literal('units'), at: Offset }),
]);
export type SheetName = z.infer<typeof SheetName>;

/** Null where none is open, or where the address names none that there is. */
export function sheetIn({ sheet, of }: Place): SheetName | null {
  const about = of ?? '';
  const read = SheetName.safeParse({
    name: sheet,
    chosen: listIn(about),
    at: sheet === 'link' ? about.split('-') : about,
  });
  return read.data ?? null;
}

function listIn(text: string): unknown {
  try {
    return JSON.parse(text || '[]');
  } catch {
    return null;
  }
}

export function toSheet(sheet: SheetName): Target {
  return { sheet: { name: sheet.name, of: aboutOf(sheet) } };
}

function aboutOf(sheet: SheetName): string | null {
  switch (sheet.name) {
    case 'items':
      return JSON.stringify(sheet.chosen);
    case 'link':
      return `${sheet.at.start}-${sheet.at.end}`;
    case 'units':
      return String(sheet.at);
    default:
      return null;
  }
}

/** The windows that the layout is set for: up to a width in CSS px, or null for every one. */
export interface LayoutPlace {
  at: number | null;
}

/** Null where the source is shown. */
export function layoutIn({ tab }: Place): LayoutPlace | null {
  const found = /^layout(?:-(\d{1,5}))?$/.exec(tab ?? '');
  return found && { at: found[1] === undefined ? null : Number(found[1]) };
}

export function toLayout(layout: LayoutPlace | null): Target {
  if (layout === null) return { tab: null };
  return { tab: layout.at === null ? 'layout' : `layout-${layout.at}` };
}
