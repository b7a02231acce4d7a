/** Includes of a kit written into a page in the kit's order, and taken out again. */
import {
  cutLine,
  encodeAttribute,
  insertAtEnd,
  insertBeside,
  insertInHead,
  insertScript,
  insertStylesheet,
  scriptTag,
  stylesheetTag,
  valueOf,
  type PageElement,
} from '../../markup/index.ts';
import { type Edit, nameOf, refuse, relativeReference, type Result } from '../../site/index.ts';
import { isTagged, kitPath, type Kit, type KitFile } from '../kit/manifest.ts';
import { includedName, type Include } from '../read/includes.ts';
import type { ScriptRun } from '../read/scripts.ts';
import type { PageWiring } from '../read/uses.ts';
import { wordsFor } from '../words/languages.ts';
import type { WiringPage, WiringSite } from './site.ts';

interface Written {
  /** Each is one more element. */
  edits: Edit[];
  /** The kit's last script where it stands already: what calls it has to follow. */
  target: PageElement | null;
}

export function includeEdits({ index }: WiringSite, page: WiringPage, kit: Kit): Result<Written> {
  const { manifest } = kit;
  const loaded = manifest.files.filter((file) => isTagged(manifest, file));
  const edits: Edit[] = [];
  for (const file of loaded) {
    if (presentAs(page, kit, file)) continue;
    const target = kitPath(kit, file.name);
    const real = index.lookup(target);
    const reference = relativeReference(page.base, real.found === 'nothing' ? target : real.path);
    const kin = loaded.filter(({ role }) => role === file.role);
    const edit = includeEdit(page, kit, file, kin, reference);
    if (!edit) return refuse('The page has no <head> in its source to write the includes into. Write one first.');
    edits.push(edit);
  }
  const last = loaded.findLast(({ role }) => role === 'script');
  return { ok: true, edits, target: (last && presentAs(page, kit, last)?.element) ?? null };
}

/** The include by which a page loads a file of a kit already; a base may be there under another name. */
function presentAs({ wiring }: WiringPage, kit: Kit, { name, base, gives }: KitFile): Include | undefined {
  const path = kitPath(kit, name);
  const named = wiring.includes.find(
    (include) =>
      includedName(include) === name.toLowerCase() && (include.lookup.found === 'exact' || include.path === path),
  );
  return named ?? (base ? wiring.scripts.find((run) => run.runs && givesAll(run, gives))?.include : undefined);
}

const givesAll = ({ reading }: ScriptRun, names: readonly string[]): boolean =>
  reading?.ok === true && names.every((name) => reading.gives.some((one) => one.name === name));

/** One more include, beside those of its kind that are there; null where the page has no place for it. */
function includeEdit(
  page: WiringPage,
  kit: Kit,
  file: KitFile,
  kin: readonly KitFile[],
  reference: string,
): Edit | null {
  const { document } = page;
  const place = kin.indexOf(file);
  const [before] = kin.slice(place + 1).flatMap((one) => presentAs(page, kit, one) ?? []);
  if (file.role === 'style')
    return before
      ? insertBeside(document, before.element, stylesheetTag(reference), 'before')
      : insertStylesheet(document, reference);
  if (before) return insertBeside(document, before.element, likeNeighbour(before.element, reference), 'before');
  const after = kin
    .slice(0, place)
    .flatMap((one) => presentAs(page, kit, one) ?? [])
    .at(-1);
  if (after) return insertBeside(document, after.element, likeNeighbour(after.element, reference), 'after');
  const starter = starterOf(page, kit);
  if (file.module) return moduleEdit(page, kit, reference);
  const words = wordsAttribute(page, kit);
  if (kit.manifest.place === 'end' && !starter) return insertAtEnd(document, scriptTag(reference, words));
  return insertScript(document, reference, starter, words);
}

/** The viewer's words in the page's language, for its script's tag; empty where they are its own. */
function wordsAttribute({ document }: WiringPage, { manifest }: Kit): string {
  const root = document.elements.find(({ tag }) => tag === 'html');
  const words = wordsFor(manifest, (root && valueOf(root, 'lang')) ?? '');
  return words === null ? '' : ` data-words="${encodeAttribute(words, '"')}"`;
}

/** A module waits for the page wherever it stands. */
function moduleEdit({ document }: WiringPage, { manifest }: Kit, reference: string): Edit | null {
  const tag = scriptTag(reference, ' type="module"');
  return manifest.place === 'end'
    ? insertAtEnd(document, tag)
    : insertInHead(document, tag, ({ tag: name }) => name === 'script');
}

/** The first script that starts the kit, or stands on its base, has to come after it. */
function starterOf({ wiring }: WiringPage, { manifest }: Kit): PageElement | null {
  const starts = wiring.uses.find((use) => use.kit.manifest.name === manifest.name)?.starts ?? [];
  const first = starts.find(({ call }) => call.immediate || call.way === 'collection');
  return first?.include.element ?? null;
}

/** Scripts of one kit wait alike, or their order would not hold. */
function likeNeighbour(neighbour: PageElement, src: string): string {
  const names = neighbour.attributes
    .filter(({ name }) => name === 'defer' || name === 'async')
    .map(({ name }) => ` ${name}`);
  return scriptTag(src, names.join(''));
}

/** A base that was there under another name, or that another script stands on, is not the kit's to take away. */
function isOthers({ scripts, uses }: PageWiring, kit: Kit, { name, gives }: KitFile, includes: Include[]): boolean {
  if (!includes.every((include) => include.path === kitPath(kit, name))) return true;
  const own = uses.find((use) => use.kit.manifest.name === kit.manifest.name);
  const ownIncludes = new Set([
    ...(own?.files.flatMap((one) => one.includes) ?? []),
    ...(own?.starts.map(({ include }) => include) ?? []),
  ]);
  return scripts.some(
    ({ include, reading }) =>
      !ownIncludes.has(include) && reading?.ok === true && reading.needs.some((need) => gives.includes(need.name)),
  );
}

export function removedIncludes(
  { document, wiring }: WiringPage,
  from: Kit,
  to: Kit | null,
): { edits: Edit[]; removed: number } {
  const kept = new Set(
    (to?.manifest.folder === from.manifest.folder ? to.manifest.files : []).map(({ name }) =>
      nameOf(name).toLowerCase(),
    ),
  );
  const use = wiring.uses.find(({ kit }) => kit.manifest.name === from.manifest.name);
  const elements = (use?.files ?? []).flatMap(({ file, includes }) =>
    kept.has(file.name.toLowerCase()) || (file.base && isOthers(wiring, from, file, includes))
      ? []
      : includes.flatMap(({ element, imported }) => (imported ? [] : [element])),
  );
  return {
    edits: elements.flatMap((element) => (element.range ? [cutLine(document, element.range)] : [])),
    removed: elements.length,
  };
}
