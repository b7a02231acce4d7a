/**
 * What still names a file that has gone elsewhere: a plain search for its name in every text, behind all that is known
 * of where addresses stand. So nothing is missed without a word.
 */
import {
  decodedPath,
  type FileChange,
  folderOf,
  LineIndex,
  type Named,
  nameOf,
  relativeReference,
  resolveInSite,
} from '../site/index.ts';
import type { SiteReading } from './reading.ts';
import { ledBy } from './siteAddresses.ts';

/** What may be a path or the name of a file. */
const TOKEN = /[^\s"'`<>()=,;|[\]{}\\]+\.[a-z][a-z0-9]{1,4}(?![\w-])/gi;
const REGEXP = /[.*+?^${}()|[\]\\]/g;

/** `files` are the edits by which addresses were written anew; what they have written is not looked at. */
export function stillNamed(
  site: SiteReading,
  moves: ReadonlyMap<string, string>,
  files: readonly FileChange[],
): Named[] {
  const byName = new Map<string, string[]>();
  for (const from of moves.keys()) byName.set(nameOf(from), [...(byName.get(nameOf(from)) ?? []), from]);
  if (byName.size === 0) return [];
  const named: Named[] = [];
  for (const [path, content] of site.files) {
    if (content.kind !== 'text' || (moves.has(path) && !files.some((one) => one.path === path))) continue;
    const known = [...editsOf(files, path), ...othersIn(site, path, moves)];
    const places = [...tokensIn(content.text), ...oddNamesIn(content.text, byName)];
    const lines = new LineIndex(content.text);
    const seen = new Set<number>();
    for (const { at, name } of places.sort((a, b) => a.at - b.at)) {
      const line = lines.lineAt(at);
      const within = known.some(({ start, end }) => at < end && at + name.length > start);
      if (within || seen.has(line) || !isMeant(name, path, byName, site, moves)) continue;
      seen.add(line);
      named.push({ path, start: at, line, name });
    }
  }
  return named;
}

const editsOf = (files: readonly FileChange[], path: string) =>
  files.flatMap((file) => (file.kind === 'edit' && file.path === path ? file.edits : []));

/** Addresses that lead to files which stay where they are, though they may have the same name. */
const othersIn = (site: SiteReading, path: string, moves: ReadonlyMap<string, string>) =>
  (site.addresses.get(path) ?? []).flatMap((address) => {
    const real = ledBy(address, path, site)?.real;
    return real && !moves.has(real) ? [address.range] : [];
  });

const tokensIn = (text: string): { at: number; name: string }[] =>
  [...text.matchAll(TOKEN)].map((match) => ({ at: match.index, name: match[0] }));

/** Names with spaces and the like, which stand in no token. */
function oddNamesIn(text: string, byName: ReadonlyMap<string, readonly string[]>): { at: number; name: string }[] {
  return [...byName.keys()]
    .filter((name) => /[\s"'`<>()=,;|[\]{}\\]/.test(name))
    .flatMap((name) => {
      const written = [name, relativeReference('', name)].map((one) => one.replace(REGEXP, '\\$&'));
      return [...text.matchAll(new RegExp(written.join('|'), 'gi'))].map(({ index, 0: found }) => ({
        at: index,
        name: found,
      }));
    });
}

function isMeant(
  written: string,
  path: string,
  byName: ReadonlyMap<string, readonly string[]>,
  site: SiteReading,
  moves: ReadonlyMap<string, string>,
): boolean {
  const said = decodedPath(written.replace(/[?#].*$/s, ''));
  const froms = byName.get(nameOf(said)) ?? [];
  const target = resolveInSite(written, path);
  const other = target.kind === 'file' ? site.index.lookup(target.path) : null;
  // The name of another file, which stays.
  if (other && other.found === 'exact' && !moves.has(other.path)) return false;
  return froms.some((from) => {
    const to = moves.get(from);
    if (to === undefined) return false;
    // Only its folder is another: a name alone is as right as before, but where it leads there by itself.
    return nameOf(to) !== nameOf(from) || folderOf(said) !== '' || leadsThere(written, path, from);
  });
}

/** From the text itself, or from the site’s own folder, where most pages stand that read it. */
const leadsThere = (written: string, path: string, from: string): boolean =>
  [path, ''].some((base) => {
    const target = resolveInSite(written, base);
    return target.kind === 'file' && target.path === from;
  });
