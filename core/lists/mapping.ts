/** Which column of a list holds what, and the pictures that its rows stand for. */
import {
  isPicturePath,
  nameOf,
  resolveInSite,
  type ListMapping,
  type PathIndex,
  firstOf,
  type Result,
} from '../site/index.ts';
import type { Table } from './table.ts';

type Field = Exclude<keyof ListMapping, 'columns'>;

/** Names that people give their columns (common practice, no source); the first that fits is proposed. */
const USUAL: Readonly<Record<Field, RegExp>> = {
  full: /^(full([-_ ]?size)?|large|big|image|picture|photo|file(name)?|src|url|link|href|address)$/i,
  thumbnail: /^(thumb(nail)?|small|preview)([-_ ]?(url|src|file))?$/i,
  title: /^(title|name|heading)$/i,
  caption: /^(caption|description|text|note)$/i,
  alt: /^(alt([-_ ]?text)?)$/i,
  tags: /^(tags?|keywords?|categor(y|ies))$/i,
};

/** A column by its usual name, else by what stands in it. */
export function proposedMapping({ columns, rows }: Table): ListMapping {
  const usual = (field: Field) => columns.find((name) => USUAL[field].test(name.split('.').at(-1) ?? name)) ?? null;
  const holdsPictures = columns.find((name) =>
    rows.slice(0, 20).every((row) => isPicturePath((row[name] ?? '').replace(/[?#].*$/, ''))),
  );
  return {
    columns: [...columns],
    full: usual('full') ?? holdsPictures ?? columns[0] ?? '',
    thumbnail: usual('thumbnail'),
    title: usual('title'),
    caption: usual('caption'),
    alt: usual('alt'),
    tags: usual('tags'),
  };
}

/** The mapping that was chosen for a list with these columns before, else what is proposed. */
export function mappingFor(table: Table, known: readonly ListMapping[]): ListMapping {
  const key = [...table.columns].sort().join('\n');
  return known.find(({ columns }) => [...columns].sort().join('\n') === key) ?? proposedMapping(table);
}

export interface ListedPicture {
  /** Row, from 1 without the heading. */
  row: number;
  /** A file of the site, or an outside address that is kept as it is. */
  full: string;
  thumbnail: string | null;
  title: string;
  caption: string;
  alt: string;
  tags: string[];
  outside: boolean;
  /** What the row itself says, cell by cell; columns that say nothing are not there. */
  said: Partial<Record<SaidField, string>>;
}

const SAID = ['title', 'caption', 'alt'] as const;
export type SaidField = (typeof SAID)[number];

export interface Listed {
  pictures: ListedPicture[];
  /** Rows that stand for no picture, with the reason; the picture that is meant, where that is known. */
  troubles: { row: number; says: string; full: string | null }[];
}

/** A file by its path from `list`, from the site's root, or by its name where only one file has it. */
function fileFor(
  value: string,
  list: string,
  index: PathIndex,
): { path: string } | { outside: string } | { reason: string } {
  const target = resolveInSite(value, list);
  if (target.kind === 'outside') return { outside: target.url };
  if (target.kind !== 'file' && target.kind !== 'root')
    return { reason: `“${value}” is no path and no address of a picture` };
  for (const path of [target.path, value.trim()]) {
    const found = index.lookup(path);
    if (found.found !== 'nothing') return { path: found.path };
  }
  const namesakes = index.namesakes(nameOf(value.trim()));
  if (namesakes.length === 1) return { path: firstOf(namesakes) };
  return {
    reason:
      namesakes.length === 0
        ? `there is no ${value} in this site`
        : `${namesakes.length} files are called ${nameOf(value)}; write the folder too`,
  };
}

export function picturesOf(
  { rows }: Table,
  mapping: ListMapping,
  list: string,
  index: PathIndex,
  thumbnailOf: (full: string) => string | null,
): Listed {
  const listed: Listed = { pictures: [], troubles: [] };
  for (const [n, row] of rows.entries()) {
    const cell = (column: string | null) => (column === null ? '' : (row[column] ?? '').trim());
    const files = filesOf(cell(mapping.full), cell(mapping.thumbnail), mapping, list, index, thumbnailOf);
    if (!files.ok) {
      listed.troubles.push({ row: n + 1, says: files.reason, full: files.full });
      continue;
    }
    const title = cell(mapping.title);
    const caption = cell(mapping.caption) || title;
    listed.pictures.push({
      row: n + 1,
      full: files.full,
      thumbnail: files.thumbnail,
      outside: files.outside,
      title: title || caption,
      caption,
      alt: cell(mapping.alt) || caption,
      tags: cell(mapping.tags)
        .split(/[,;]/)
        .map((tag) => tag.trim())
        .filter(Boolean),
      said: Object.fromEntries(
        SAID.flatMap((field) => (cell(mapping[field]) === '' ? [] : [[field, cell(mapping[field])]])),
      ),
    });
  }
  return listed;
}

/** The two files of a row; an outside picture brings its thumbnail along, others may have theirs already. */
function filesOf(
  value: string,
  small: string,
  mapping: ListMapping,
  list: string,
  index: PathIndex,
  thumbnailOf: (full: string) => string | null,
): Result<{ full: string; thumbnail: string; outside: boolean }, { full: string | null }> {
  const failed = (reason: string, known: string | null = null) => ({ ok: false, reason, full: known }) as const;
  if (value === '') return failed(`nothing stands in “${mapping.full}”`);
  const full = fileFor(value, list, index);
  if ('reason' in full) return failed(full.reason);
  const meant = 'outside' in full ? full.outside : full.path;
  const own = small === '' ? null : fileFor(small, list, index);
  if (own && 'reason' in own) return failed(own.reason, meant);
  const given = own && ('outside' in own ? own.outside : own.path);
  if ('outside' in full)
    return given === null
      ? failed('an outside picture needs a thumbnail beside it; choose the column that names it', meant)
      : { ok: true, full: full.outside, thumbnail: given, outside: true };
  const thumbnail = given ?? thumbnailOf(full.path);
  return thumbnail === null
    ? failed(`${full.path} has no thumbnail yet; make it first`, meant)
    : { ok: true, full: full.path, thumbnail, outside: false };
}
