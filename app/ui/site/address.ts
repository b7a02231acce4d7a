/**
 * What of an open site stands in its address, so that Back, Forward, a reload and a copied address show the same again:
 * `/site/<id>/<station>?page=…&strand=…&tab=…&sheet=…&of=…&spot=…`.
 */
import { z } from 'zod';
import type { Station } from '~core/checks/index.ts';
import { STATIONS } from '../../stations';

/** Offsets are those of the file's text. */
const Span = z
  .string()
  .regex(/^\d+-\d+$/)
  .transform((text) => {
    const [start = 0, end = 0] = text.split('-').map(Number);
    return { start, end };
  })
  .refine(({ start, end }) => start <= end);
type Span = z.infer<typeof Span>;

/** Whatever somebody has typed into the address bar: what is not understood is as good as not there. */
const Search = z.object({
  page: z.string().nullable(),
  strand: z.string().nullable(),
  tab: z.string().nullable(),
  sheet: z.string().nullable(),
  of: z.string().nullable(),
  spot: Span.nullable().catch(null),
});

/** `of` is what the sheet is about, in words of the station; `spot` is a place in the page or file in hand. */
export type Place = z.infer<typeof Search>;

export interface Target {
  station?: Station;
  page?: string | null;
  strand?: string | null;
  tab?: string | null;
  sheet?: SheetTarget | null;
  spot?: Span | null;
}

interface SheetTarget {
  name: string;
  of?: string | null;
  /** It runs as it opens: to come back to it would run it again, so it is no step. */
  runs?: true;
}

export const placeIn = (search: URLSearchParams): Place =>
  Search.parse(Object.fromEntries(Object.keys(Search.shape).map((name) => [name, search.get(name)])));

/** With its question mark; empty for a place that says nothing. */
export function searchOf({ spot, ...place }: Place): string {
  const said = Object.entries({ ...place, spot: spot && `${spot.start}-${spot.end}` });
  const search = new URLSearchParams(said.filter((pair): pair is [string, string] => pair[1] !== null));
  return search.size === 0 ? '' : `?${search}`;
}

/** The station in a path; null in the list of sites, or where there is none of that name. */
export const stationIn = (pathname: string): Station | null =>
  STATIONS.find(({ id }) => pathname.endsWith(`/${id}`))?.id ?? null;

/** One wish after another. Whoever chooses another page or strand lets go of the place that was gone to before. */
export function withWish(before: Target, wish: Target): Target {
  const letsGo = wish.spot === undefined && (wish.page !== undefined || wish.strand !== undefined);
  return { ...before, ...wish, ...(letsGo ? { spot: null } : {}) };
}

/** What is not said stays as it is; but a tab, a sheet and a spot are left behind with their station. */
export function placeAfter(before: Place, target: Target, elsewhere: boolean): Place {
  const base = elsewhere ? { ...before, tab: null, sheet: null, of: null, spot: null } : before;
  const { page = base.page, strand = base.strand, tab = base.tab, spot = base.spot } = target;
  const sheet =
    target.sheet === undefined
      ? { sheet: base.sheet, of: base.of }
      : { sheet: target.sheet?.name ?? null, of: target.sheet?.of ?? null };
  return { page, strand, tab, spot, ...sheet };
}

/** What somebody would go back from: another station, page or tab, or a sheet that was opened. */
export const isStep = ({ station, page, tab, sheet }: Target): boolean =>
  station !== undefined || page !== undefined || tab !== undefined || (sheet ? sheet.runs !== true : false);

/** Of what was written one after another, what comes after the one that has arrived; any other arrival ends them all. */
export function stillToCome(written: readonly number[], arrived: number | null): readonly number[] {
  const at = arrived === null ? -1 : written.indexOf(arrived);
  return at < 0 ? [] : written.slice(at + 1);
}
