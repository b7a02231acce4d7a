/** Includes of a kit written into a page in the kit's order, and taken out again. */
import {
  cutLine,
  insertAtEnd,
  insertBeside,
  insertScript,
  insertStylesheet,
  scriptTag,
  stylesheetTag,
  type PageElement,
} from '../../markup/index.ts';
import { type Edit, nameOf, refuse, relativeReference, type Result } from '../../site/index.ts';
import { kitPath } from './kitFiles.ts';
import type { Kit, KitFile } from '../kit/manifest.ts';
import { includedName } from '../read/includes.ts';
import type { WiringPage, WiringSite } from './site.ts';

interface Written {
  /** Each is one more element. */
  edits: Edit[];
  /** The kit's last script where it stands already: what calls it has to follow. */
  target: PageElement | null;
}

export function includeEdits({ index }: WiringSite, { path, document, wiring }: WiringPage, kit: Kit): Result<Written> {
  const { manifest } = kit;
  const edits: Edit[] = [];
  const present = (file: KitFile) =>
    wiring.includes.find(
      (include) =>
        includedName(include) === file.name.toLowerCase() &&
        (include.lookup.found === 'exact' || (include.path !== null && include.path === kitPath(kit, file.name))),
    );
  const starts = wiring.uses.find((use) => use.kit.manifest.name === manifest.name)?.starts ?? [];
  // Scripts of one's own that start the kit have to come after it.
  const starter =
    starts.find(({ call, include }) => call.immediate && include.written !== null)?.include.element ?? null;
  const loaded = manifest.files.filter(({ role }) => role !== 'other');
  for (const file of loaded) {
    if (present(file)) continue;
    const target = kitPath(kit, file.name);
    const real = index.lookup(target);
    const reference = relativeReference(path, real.found === 'nothing' ? target : real.path);
    const kin = loaded.filter(({ role }) => role === file.role);
    const place = kin.indexOf(file);
    const after = kin
      .slice(0, place)
      .reverse()
      .flatMap((one) => present(one) ?? [])[0];
    const before = kin.slice(place + 1).flatMap((one) => present(one) ?? [])[0];
    let edit: Edit | null;
    if (file.role === 'style')
      edit = before
        ? insertBeside(document, before.element, stylesheetTag(reference), 'before')
        : insertStylesheet(document, reference);
    else if (before) edit = insertBeside(document, before.element, likeNeighbour(before.element, reference), 'before');
    else if (after) edit = insertBeside(document, after.element, likeNeighbour(after.element, reference), 'after');
    else if (manifest.place === 'end') edit = insertAtEnd(document, scriptTag(reference));
    else edit = insertScript(document, reference, starter);
    if (!edit) return refuse('The page has no <head> in its source to write the includes into. Write one first.');
    edits.push(edit);
  }
  const last = loaded.filter(({ role }) => role === 'script').at(-1);
  return { ok: true, edits, target: (last && present(last)?.element) ?? null };
}

/** Scripts of one kit wait alike, or their order would not hold. */
function likeNeighbour(neighbour: PageElement, src: string): string {
  const names = neighbour.attributes
    .filter(({ name }) => name === 'defer' || name === 'async')
    .map(({ name }) => ` ${name}`);
  return scriptTag(src, names.join(''));
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
    kept.has(file.name.toLowerCase()) ? [] : includes.map(({ element }) => element),
  );
  return {
    edits: elements.flatMap((element) => (element.range ? [cutLine(document, element.range)] : [])),
    removed: elements.length,
  };
}
