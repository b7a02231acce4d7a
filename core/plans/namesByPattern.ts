/** New names for pictures by a pattern: thumbnails, further sizes and copies for dense screens keep in step. */
import { bareName, type SiteReading } from '../model/index.ts';
import { extensionOf, folderOf, nameByPattern, nameOf, type Result, stemOf, tidyName } from '../site/index.ts';
import type { Renaming } from './rename.ts';

interface NamingWish {
  pattern: string;
  /** Lower case, no accents, hyphens for spaces; extensions in lower case too. */
  tidy: boolean;
}

/** What is known of a picture that gets another name. */
interface NamedPicture {
  full: string;
  thumbnail: string | null;
  takenAt: string | null;
}

type RenamingPlan = Result<{ renames: Renaming[] }, { full: string }>;

/** A file under another bare name: what its name has besides, and its extension, stay. */
function renamed(path: string, bare: string, to: string, tidy: boolean): string {
  const stem = stemOf(path);
  // Capitals may differ between a thumbnail and its picture.
  const at = stem.toLowerCase().indexOf(bare.toLowerCase());
  const made = at < 0 ? to : stem.slice(0, at) + to + stem.slice(at + bare.length);
  const ending = nameOf(path).slice(stem.length);
  return `${folderOf(path)}${made}${tidy ? ending.toLowerCase() : ending}`;
}

/**
 * Names for these pictures, in this order. `companions` are other files that were made of a picture, by its full-size
 * file.
 */
export function renamesBy(
  { pattern, tidy }: NamingWish,
  pictures: readonly NamedPicture[],
  companions: ReadonlyMap<string, readonly string[]> = new Map(),
): RenamingPlan {
  const renames: Renaming[] = [];
  for (const [n, { full, thumbnail, takenAt }] of pictures.entries()) {
    const bare = bareName(full);
    const named = nameByPattern(pattern, { name: bare, number: n + 1, takenAt });
    if (!named.ok) return { ok: false, full, reason: named.reason };
    const to = tidy ? tidyName(named.name) : named.name;
    if (to === '')
      return {
        ok: false,
        full,
        reason: `Nothing of “${named.name}” is left when it is put into lower case without accents and spaces.`,
      };
    for (const path of new Set([full, ...(thumbnail === null ? [] : [thumbnail]), ...(companions.get(full) ?? [])])) {
      const next = renamed(path, bare, to, tidy);
      if (next !== path) renames.push({ from: path, to: next });
    }
  }
  return { ok: true, renames };
}

/** Further sizes, dense copies and originals of each picture. */
export function companionsOf(site: Pick<SiteReading, 'made' | 'files'>): Map<string, string[]> {
  const companions = new Map<string, string[]>();
  const add = (full: string, path: string) => companions.set(full, [...(companions.get(full) ?? []), path]);
  const fullOf = new Map(
    [...site.made.values()].filter(({ as }) => as === 'full-size').map(({ path, from }) => [from, path]),
  );
  for (const { path, from, as } of site.made.values())
    if (as !== 'thumbnail' && as !== 'full-size') add(fullOf.get(from) ?? from, path);
  for (const [from, path] of fullOf) if (from !== path && extensionOf(from) !== '') add(path, from);
  return companions;
}
