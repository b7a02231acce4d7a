/** A gallery beside a list, for the screen: what differs, and which rows stand for no picture. */
import { type Difference, mappingFor } from '~core/lists/index.ts';
import { compareWithList, type SiteReading, tableOf } from '~core/model/index.ts';
import type { ListMapping, ListSource } from '~core/site/index.ts';

export interface CompareAsked {
  page: string;
  /** Null where the page has no gallery yet. */
  gallery: number | null;
  /** Of a list without columns those that are proposed are taken. */
  source: ListSource | { kind: 'list'; path: string; mapping: null };
  /** What a list says that is no text of the site. */
  text: string | null;
  /** Also what was left before. */
  whole: boolean;
}

export interface ComparedView {
  /** With the columns that were taken. */
  source: ListSource | null;
  columns: string[];
  /** How many pictures the list has. */
  pictures: number;
  differences: Difference[];
  troubles: { row: number; says: string }[];
  /** Whether the gallery follows it already. */
  follows: boolean;
  /** Why it cannot be read; the rest is empty then. */
  reason: string | null;
}

const NOTHING = { columns: [], pictures: 0, differences: [], troubles: [], follows: false };

export function compareList(site: SiteReading, asked: CompareAsked): ComparedView {
  const { page: path, gallery, text, whole } = asked;
  const page = site.pages.find((one) => one.path === path);
  if (!page) return { ...NOTHING, source: null, reason: `There is no page ${path} any more.` };
  const read = sourceOf(site, asked);
  if (typeof read === 'string') return { ...NOTHING, source: null, reason: read };
  const { source, columns } = read;
  const known = site.notes.known.follows.find(
    (one) => one.page === path && one.source.kind === source.kind && one.source.path === source.path,
  );
  const compared = compareWithList(site, { page, gallery, source, text }, whole ? [] : (known?.rows ?? []));
  return {
    source,
    columns,
    pictures: compared.listed.pictures.length,
    differences: compared.differences,
    troubles: compared.listed.troubles.map(({ row, says }) => ({ row, says })),
    follows: known !== undefined,
    reason: compared.reason,
  };
}

function sourceOf(
  site: SiteReading,
  { source, text }: CompareAsked,
): { source: ListSource; columns: string[] } | string {
  if (source.kind === 'folder') return { source, columns: [] };
  const table = tableOf(site, source.path, text);
  if (!table.ok) return table.reason;
  const { columns } = table.table;
  const known: ListMapping[] = [
    ...site.notes.known.follows.flatMap((one) => (one.source.kind === 'list' ? [one.source.mapping] : [])),
    ...site.notes.known.lists,
  ];
  return { source: { ...source, mapping: source.mapping ?? mappingFor(table.table, known) }, columns };
}
