/** Files given other names, and copies given up; every address that leads to them is written anew, as one change. */
import type { Address } from '../addresses/index.ts';
import { encodeAttribute } from '../markup/index.ts';
import { type Change, type Edit, type FileChange, folderOf, relativeReference } from '../site/index.ts';
import { baseAttribute, leadOf, writtenAs } from './leads.ts';
import type { SiteReading } from './reading.ts';
import { ledBy } from './siteAddresses.ts';

/** References that already read as the new name are left as they are. */
export function renameFile(site: SiteReading, from: string, to: string): Change {
  return { label: `Rename ${from} to ${to}`, files: renames(site, new Map([[from, to]])) };
}

/**
 * Where a path comes to stand that is no file, for a site that moves as a whole: what was written then stays as it was
 * written, also where its capitals differ or where it leads nowhere.
 */
type Along = (path: string) => string;

/** Many at once; names may change places among one another. */
export function renames(site: SiteReading, moves: ReadonlyMap<string, string>, along?: Along): FileChange[] {
  const taken = new Set(moves.keys());
  // A name that another file still has is reached by way of one that nobody has.
  const detours = [...moves]
    .filter(([from, to]) => to !== from && taken.has(to))
    .map(([from, to], n) => ({ from, by: `${to}.${n}.moving`, to }));
  const viaDetour = new Set(detours.map(({ from }) => from));
  return [
    // While they still have their old names, which is how the reading knows them.
    ...redirect(site, moves, moves, along),
    ...detours.map(({ from, by }): FileChange => ({ kind: 'rename', path: from, to: by })),
    ...[...moves]
      .filter(([from]) => !viaDetour.has(from))
      .map(([path, to]): FileChange => ({ kind: 'rename', path, to })),
    ...detours.map(({ by, to }): FileChange => ({ kind: 'rename', path: by, to })),
  ];
}

/** Files taken away, with every reference to them leading to other ones instead. */
export function mergeFiles(site: SiteReading, moves: ReadonlyMap<string, string>): FileChange[] {
  return [
    ...[...moves.keys()].map((path): FileChange => ({
      kind: 'put',
      path,
      before: site.files.get(path) ?? null,
      after: null,
    })),
    ...redirect(site, moves),
  ];
}

const STAYING: ReadonlyMap<string, string> = new Map();

/**
 * Edits by which every address of a file leads to another, in every text of the site. `homes` are files that move
 * themselves: what they lead to is reached from their new places.
 */
export function redirect(
  site: SiteReading,
  moves: ReadonlyMap<string, string>,
  homes = STAYING,
  along?: Along,
): FileChange[] {
  const files: FileChange[] = [];
  for (const [path, addresses] of site.addresses) {
    // What goes without moving is not written any more.
    if (moves.has(path) && !homes.has(path)) continue;
    const edits = [
      ...addresses.flatMap((address) => movedAddress(site, path, address, { moves, homes, along }) ?? []),
      ...movedBase(site, path, homes),
    ];
    if (edits.length > 0) files.push({ kind: 'edit', path, edits: apart(edits) });
  }
  return files;
}

/** A text may be an address as a whole and in its parts: the first that begins counts. */
function apart(edits: readonly Edit[]): Edit[] {
  let end = -1;
  return [...edits]
    .sort((a, b) => a.start - b.start || b.end - a.end)
    .filter((edit) => {
      if (edit.start < end) return false;
      end = edit.end;
      return true;
    });
}

interface Moving {
  moves: ReadonlyMap<string, string>;
  homes: ReadonlyMap<string, string>;
  along: Along | undefined;
}

function movedAddress(site: SiteReading, path: string, address: Address, { moves, homes, along }: Moving): Edit | null {
  const led = address.unplaced ? null : ledBy(address, path, site);
  if (!led) return null;
  const { lead, base, real } = led;
  const home = homeOf(site, path, base, address, homes);
  const moved = real === null ? undefined : moves.get(real);
  // A place on the page itself goes where the page goes, and what leads nowhere keeps leading to the same place.
  if (moved === undefined && (home === base || lead.form !== 'relative')) return null;
  const alongWithAll = along?.(lead.path) ?? lead.path;
  const to = moved ?? alongWithAll;
  const asWritten = leadOf(address.value, home, site.own)?.path;
  if (/^\s*(?:#|$)/.test(address.value) || asWritten === to) return null;
  if (asWritten === alongWithAll && movesAlike(real, moved, along)) return null;
  const written = writtenAs(lead, address.value, home, to, site.own);
  return { ...address.range, text: address.write(written) };
}

/** Whether a file goes where all goes: then what was written leads to the same as before. */
const movesAlike = (real: string | null, moved: string | undefined, along: Along | undefined): boolean =>
  along !== undefined && real !== null && moved === along(real);

/** What an address counts from when the files that move have moved. */
function homeOf(
  { bases, scriptPages }: SiteReading,
  path: string,
  base: string,
  { from }: Address,
  homes: ReadonlyMap<string, string>,
): string {
  const runBy = from === 'runner' && !bases.has(path) ? scriptPages.get(path) : undefined;
  // Run by several pages, it cannot follow one of them.
  if (runBy) return runBy.length === 1 ? (homes.get(base) ?? base) : base;
  // A page with a `base` counts from there wherever it stands.
  return base === path ? (homes.get(path) ?? path) : base;
}

/** The `base` of a page that moves leads to the same folder from its new place. */
function movedBase({ pages, bases }: SiteReading, path: string, homes: ReadonlyMap<string, string>): Edit[] {
  const home = homes.get(path);
  const page = home === undefined ? undefined : pages.find((one) => one.path === path);
  const attribute = page && baseAttribute(page.document);
  const base = bases.get(path) ?? path;
  if (home === undefined || !attribute || base === path || leadOf(attribute.value, path, null)?.form !== 'relative')
    return [];
  const folder = relativeReference(home, `${folderOf(base)}x`).replace(/x$/, '') || './';
  return [{ ...attribute.valueRange, text: encodeAttribute(folder, '"').replaceAll("'", '&#39;') }];
}
