/** Files given other names, and copies given up; every reference to them is written anew, as one change. */
import { encodeAttribute } from '../markup/index.ts';
import {
  isStylePath,
  relativeReference,
  resolveInSite,
  type Change,
  type Edit,
  type FileChange,
} from '../site/index.ts';
import type { SiteReading } from './reading.ts';
import { styleReferences, type Reference } from './references.ts';
import { inlineScriptReferences, scriptReferences, targetInScript } from './scripts.ts';

/** References that already read as the new name are left as they are. */
export function renameFile(site: SiteReading, from: string, to: string): Change {
  return { label: `Rename ${from} to ${to}`, files: renames(site, new Map([[from, to]])) };
}

/** Many at once; names may change places among one another. */
export function renames(site: SiteReading, moves: ReadonlyMap<string, string>): FileChange[] {
  const taken = new Set(moves.keys());
  // A name that another file still has is reached by way of one that nobody has.
  const detours = [...moves]
    .filter(([from, to]) => to !== from && taken.has(to))
    .map(([from, to], n) => ({ from, by: `${to}.${n}.moving`, to }));
  const viaDetour = new Set(detours.map(({ from }) => from));
  return [
    // While they still have their old names, which is how the reading knows them.
    ...redirect(site, moves, moves),
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
 * Edits by which every reference to a file leads to another: in pages, `srcset`, stylesheets, and texts of scripts
 * that are surely paths. `homes` are files that move themselves: what they refer to is reached from their new places.
 */
export function redirect(site: SiteReading, moves: ReadonlyMap<string, string>, homes = STAYING): FileChange[] {
  const files: FileChange[] = [];
  // What goes without moving is not written any more.
  const add = (path: string, edits: Edit[]) =>
    edits.length > 0 && (homes.has(path) || !moves.has(path)) && files.push({ kind: 'edit', path, edits });
  const realPath = (path: string): string | null => {
    const found = site.index.lookup(path);
    return found.found === 'nothing' ? null : found.path;
  };
  for (const page of site.pages) {
    const from: Base = { path: page.path, home: homes.get(page.path) ?? page.path, targetAt: fileAt };
    add(page.path, editsFor([...page.references, ...inlineScriptReferences(page.document)], from, realPath, moves));
  }
  for (const [path, content] of site.files) {
    if (content.kind !== 'text') continue;
    if (isStylePath(path))
      add(
        path,
        editsFor(
          styleReferences(content.text),
          { path, home: homes.get(path) ?? path, targetAt: fileAt },
          realPath,
          moves,
        ),
      );
    const runBy = site.scriptPages.get(path);
    if (!runBy) continue;
    const [page = path] = runBy;
    // Run by several pages, it cannot follow one of them.
    const home = runBy.length === 1 ? (homes.get(page) ?? page) : page;
    add(
      path,
      editsFor(
        scriptReferences(content.text),
        { path: page, home, targetAt: (value, at) => (at === page ? targetInScript(value, runBy) : fileAt(value, at)) },
        realPath,
        moves,
      ),
    );
  }
  return files;
}

function fileAt(value: string, from: string): string | null {
  const target = resolveInSite(value, from);
  return target.kind === 'file' ? target.path : null;
}

/** What would end an address before its time, by where it stands. */
const ENDS: Readonly<Record<string, RegExp>> = { 'url()': /[()'"]/g, script: /['"\\`]/g };

/** From which file's place references are read, and from which they are written. */
interface Base {
  path: string;
  home: string;
  targetAt: (value: string, from: string) => string | null;
}

function editsFor(
  references: readonly Reference[],
  { path: base, home, targetAt }: Base,
  realPath: (path: string) => string | null,
  moves: ReadonlyMap<string, string>,
): Edit[] {
  const edits: Edit[] = [];
  for (const { value, range, by, raw, unplaced } of references) {
    const target = targetAt(value, base);
    if (target === null || unplaced) continue;
    const real = realPath(target);
    const moved = real === null ? undefined : moves.get(real);
    // A place on the page itself goes where the page goes, and what leads nowhere keeps leading to the same place.
    if (moved === undefined && home === base) continue;
    const to = moved ?? target;
    if (/^(?:#|$|\/)/.test(value) || targetAt(value, home) === to) continue;
    const tail = /[?#].*$/s.exec(value)?.[0] ?? '';
    const written = relativeReference(home, to) + tail;
    // Quotes and brackets would end an address in a style or a script; there they stand as in any address.
    const ends = ENDS[by];
    const address = ends ? written.replace(ends, (letter) => `%${letter.charCodeAt(0).toString(16)}`) : written;
    // The quotes of the attribute are the author's: neither kind may end it.
    edits.push({ ...range, text: raw ? address : encodeAttribute(address, '"').replaceAll("'", '&#39;') });
  }
  return edits;
}
