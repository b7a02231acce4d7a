/** The pictures of a list or a folder, as a gallery that follows it should show them. */
import { type Listed, type ListedPicture, picturesOf, readTable, type Table } from '../../lists/index.ts';
import { byNaturalName, folderOf, type ListSource, nameOf, refuse, type Result } from '../../site/index.ts';
import { takenAtOf, wordsOf } from '../pictureWords.ts';
import type { SiteReading } from '../reading.ts';

/** `text` stands in for a list that is not among the files yet, or is another there. */
export function listedBy(site: SiteReading, source: ListSource, text: string | null = null): Result<Listed> {
  const whole = wholeList(site, source, text);
  if (!whole.ok || !source.part) return whole;
  const { from, to } = source.part;
  const isIn = ({ row }: { row: number }) => row > from && row <= (to ?? Infinity);
  return { ok: true, pictures: whole.pictures.filter(isIn), troubles: whole.troubles.filter(isIn) };
}

function wholeList(site: SiteReading, source: ListSource, text: string | null): Result<Listed> {
  const thumbnails = new Map(site.pairing.pairs.map(({ full, thumbnail }) => [full, thumbnail]));
  if (source.kind === 'folder') return folderRows(site, source, thumbnails);
  const table = tableOf(site, source.path, text);
  if (!table.ok) return table;
  const missing = Object.entries(source.mapping).find(
    ([field, column]) => field !== 'columns' && typeof column === 'string' && !table.table.columns.includes(column),
  );
  if (missing)
    return refuse(`${source.path} has no column “${String(missing[1])}” any more. Choose its columns again.`);
  const listed = picturesOf(
    table.table,
    source.mapping,
    source.path,
    site.index,
    (full) => thumbnails.get(full) ?? null,
  );
  return { ok: true, ...listed };
}

/** Tables of texts that were read, for every reading of a site asks. */
const tables = new WeakMap<object, ReturnType<typeof readTable>>();

export function tableOf({ files }: SiteReading, path: string, text: string | null = null): Result<{ table: Table }> {
  if (text !== null) return named(path, readTable(path, text));
  const content = files.get(path);
  if (!content) return refuse(`There is no ${path} any more.`);
  if (content.kind !== 'text') return refuse(`${path} is no UTF-8 text. Save the list as UTF-8 and import it again.`);
  const known = tables.get(content) ?? readTable(path, content.text);
  tables.set(content, known);
  return named(path, known);
}

const named = (path: string, read: ReturnType<typeof readTable>): ReturnType<typeof readTable> =>
  read.ok ? read : refuse(`${path}: ${read.reason}`);

function folderRows(
  site: SiteReading,
  { path, order }: Extract<ListSource, { kind: 'folder' }>,
  thumbnails: ReadonlyMap<string, string | null>,
): Result<Listed> {
  const { known } = site.notes;
  const dateOf = (full: string) => {
    const content = site.files.get(full);
    return takenAtOf(known, content?.kind === 'binary' ? content.hash : '', site.factsOf(full), full);
  };
  const fulls = [...thumbnails.keys()].filter((full) => folderOf(full) === path).sort(byNaturalName);
  if (fulls.length === 0) return refuse(`There are no full-size pictures in ${path || 'the folder of the site'}.`);
  if (order !== 'name') {
    const dates = new Map(fulls.map((full) => [full, dateOf(full)]));
    const sign = order === 'newest' ? -1 : 1;
    fulls.sort((a, b) => {
      const [one, other] = [dates.get(a) ?? null, dates.get(b) ?? null];
      if (one === null || other === null) return Number(one === null) - Number(other === null);
      return sign * one.localeCompare(other);
    });
  }
  const listed: Listed = { pictures: [], troubles: [] };
  for (const [n, full] of fulls.entries()) {
    const thumbnail = thumbnails.get(full) ?? null;
    if (thumbnail === null)
      listed.troubles.push({ row: n + 1, says: `${nameOf(full)} has no thumbnail yet; make it first`, full });
    else listed.pictures.push(pictureOf(site, n + 1, full, thumbnail));
  }
  return { ok: true, ...listed };
}

/** A folder says nothing itself; new items have what is said of their pictures. */
function pictureOf(site: SiteReading, row: number, full: string, thumbnail: string): ListedPicture {
  const { title, caption, alt } = wordsOf(site, full);
  return { row, full, thumbnail, title, caption, alt, tags: [], outside: false, said: {} };
}
