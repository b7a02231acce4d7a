/** Pictures that come into a site that is there: where they go and what they are called. */
import type { SiteReading } from '../model/index.ts';
import { cleanPath, type FileChange, folderOf, isPicturePath, nameOf, type Planned } from '../site/index.ts';

export interface IncomingPicture {
  /** As it is called where it comes from; folders are left off. */
  name: string;
  hash: string;
  bytes: number;
}

/**
 * `paths` are where the pictures stand afterwards, in the order in which they came; what is there already stays where
 * it is.
 */
type TakenIn = { planned: Planned; paths: string[] };

/** `page` and `gallery` say which pictures they shall stand beside. */
export function importPictures(
  site: SiteReading,
  incoming: readonly IncomingPicture[],
  beside: { page: string; gallery: number | null } | null,
): TakenIn {
  const folder = folderFor(site, beside);
  const byHash = new Map(
    [...site.files].flatMap(([path, content]) =>
      content.kind === 'binary' && isPicturePath(path) ? [[content.hash, path] as const] : [],
    ),
  );
  const taken = new Set([...site.files.keys()].map((path) => path.toLowerCase()));
  const files: FileChange[] = [];
  const paths: string[] = [];
  for (const { name, hash, bytes } of incoming) {
    const clean = cleanPath(name);
    if (!clean.ok || !isPicturePath(clean.path))
      return {
        planned: {
          ok: false,
          reason: `${name} cannot be imported: ${clean.ok ? 'it is no picture that a page can show' : clean.reason}. Nothing was imported.`,
        },
        paths: [],
      };
    const there = byHash.get(hash);
    if (there !== undefined) {
      paths.push(there);
      continue;
    }
    const path = freePath(folder, nameOf(clean.path), taken);
    taken.add(path.toLowerCase());
    byHash.set(hash, path);
    paths.push(path);
    files.push({ kind: 'put', path, before: null, after: { kind: 'binary', hash, bytes } });
  }
  return { planned: { ok: true, change: { label: labelOf(files), files } }, paths };
}

function labelOf(files: readonly FileChange[]): string {
  const [only] = files;
  if (!only) return 'These pictures are in the site already';
  return files.length === 1 ? `Import ${nameOf(only.path)}` : `Import ${files.length} pictures`;
}

/** Where most of the gallery's full-size pictures are; of a page without any, where most of the site's are. */
function folderFor(site: SiteReading, beside: { page: string; gallery: number | null } | null): string {
  const page = site.pages.find(({ path }) => path === beside?.page);
  const strands = (beside?.gallery === null ? [] : (page?.strands[beside?.gallery ?? -1] ?? [])).flatMap(
    ({ full, thumbnail }) => full ?? thumbnail ?? [],
  );
  const candidates = strands.length > 0 ? strands : site.pairing.pairs.map(({ full }) => full);
  const counts = new Map<string, number>();
  for (const path of candidates) counts.set(folderOf(path), (counts.get(folderOf(path)) ?? 0) + 1);
  return [...counts].sort((a, b) => b[1] - a[1])[0]?.[0] ?? 'pictures/';
}

/**
 * `moor.jpg`, and where that is taken `moor-2.jpg`. Servers tell capitals apart, disks often do not; so no two names
 * differ by them alone.
 */
export function freePath(folder: string, name: string, taken: ReadonlySet<string>): string {
  const dot = name.lastIndexOf('.');
  for (let n = 1; ; n++) {
    const path = `${folder}${n === 1 ? name : `${name.slice(0, dot)}-${n}${name.slice(dot)}`}`;
    if (!taken.has(path.toLowerCase())) return path;
  }
}
