/** Wiring a page: the kit's files copied in, the includes written, the links marked and grouped, as minimal edits. */
import { insertScript, insertStylesheet, setAttribute, valueOf, verified, type Gallery, type PageDocument } from '../markup/index.ts';
import { isPicturePath, relativeReference, resolveInSite, stemOf, type Change, type Edit, type FileChange, type PathIndex, type SiteFiles } from '../site/index.ts';
import type { Kit } from './kit.ts';
import { commonGroup, misspeltMarker, type PageWiring } from './viewer.ts';

export type Wired = { ok: true; change: Change } | { ok: false; reason: string };

export function wirePage(page: PageDocument, path: string, galleries: readonly Gallery[], wiring: PageWiring, files: SiteFiles, index: PathIndex, kit: Kit): Wired {
  const { manifest } = kit;
  if (galleries.length === 0) return { ok: false, reason: 'There is no gallery on this page to wire. Add pictures in Markup first.' };
  const copied: FileChange[] = [];
  const edits: Edit[] = [];

  for (const { name, role } of manifest.files) {
    const target = `${manifest.folder}/${name}`;
    const existing = files.get(target) ?? null;
    const text = kit.files[name] ?? '';
    // A file of that name that the author has changed is the author's; it is used as it is.
    if (!existing) copied.push({ kind: 'put', path: target, before: null, after: { kind: 'text', text } });
    const included = wiring.includes.some((include) => include.path !== null && (index.lookup(include.path).found === 'exact' || include.path === target) && include.path.endsWith(name));
    if (included) continue;
    const reference = relativeReference(path, target);
    const first = role === 'script' ? (wiring.starts.find((start) => start.call.immediate)?.include.element ?? null) : null;
    const edit = role === 'style' ? insertStylesheet(page, reference) : insertScript(page, reference, first);
    if (!edit) return { ok: false, reason: 'The page has no <head> in its source to write the includes into. Write one first.' };
    edits.push(edit);
  }

  galleries.forEach((gallery, n) => {
    const group = commonGroup(gallery.items, kit) ?? stemOf(path) + (n > 0 ? `-${n + 1}` : '');
    for (const { link } of gallery.items) {
      if (!link) continue;
      const target = resolveInSite(valueOf(link, 'href') ?? '', path);
      if (target.kind !== 'file' || !isPicturePath(target.path)) continue;
      if (misspeltMarker(link, manifest.marker.attribute)) continue;
      const add = (name: string, value: string) => {
        const edit = valueOf(link, name) === undefined && setAttribute(link, name, value, page.text);
        if (edit) edits.push(edit);
      };
      add(manifest.marker.attribute, '');
      add(manifest.group.attribute, group);
    }
  });
  const merged = mergeInsertions(edits);
  if (merged.length === 0 && copied.length === 0) return { ok: false, reason: 'Everything is wired already; there is nothing to write.' };
  const checked = verified(page, merged, (after) => {
    const added = after.elements.length - page.elements.length;
    return added === edits.filter((edit) => /<(link|script)/.test(edit.text)).length ? null : 'the page would be read otherwise than meant';
  });
  if (!checked.ok) return checked;
  return { ok: true, change: { label: `Wire ${path} with the ${manifest.name}`, files: [...copied, ...(merged.length > 0 ? [{ kind: 'edit' as const, path, edits: merged }] : [])] } };
}

/** Insertions at one place keep the order in which they were asked for. */
function mergeInsertions(edits: readonly Edit[]): Edit[] {
  const merged: Edit[] = [];
  for (const edit of edits) {
    const same = merged.find((one) => one.start === edit.start && one.end === edit.end && one.start === one.end);
    if (same) same.text += edit.text;
    else merged.push({ ...edit });
  }
  return merged;
}
