/** Work on whole pages: deleted with all that led to them, stylesheets put on and taken off. */
import {
  cutLine,
  descendants,
  insertStylesheet,
  menusOf,
  removeEntry,
  unlinked,
  valueOf,
  verified,
  verifiedSameShape,
  type PageElement,
} from '../markup/index.ts';
import { notesChange, resolved, type PageReading, type SiteReading } from '../model/index.ts';
import {
  type Edit,
  editsOverlap,
  type FileChange,
  isStylePath,
  nameOf,
  type Planned,
  refuse,
  relativeReference,
  firstOf,
} from '../site/index.ts';
import { styleLink } from '../style/index.ts';

const leadsTo = (site: SiteReading, from: string, value: string | undefined, path: string): boolean =>
  resolved(value, from, site.index)?.real === path;

/**
 * A page goes with its entries in the menus; of other links to it the words stay. Links of gallery items are left,
 * for what they shall open only their author knows.
 */
export function deletePage(site: SiteReading, { path }: { path: string }): Planned {
  const gone = site.pages.find((one) => one.path === path);
  const content = site.files.get(path);
  if (!gone || !content) return refuse(`There is no page ${path} any more.`);
  const files: FileChange[] = [{ kind: 'put', path, before: content, after: null }];
  let left = 0;
  for (const page of site.pages) {
    if (page.path === path) continue;
    const edits = partingEdits(site, page, path);
    if (edits.script !== null)
      return refuse(
        `${page.path}, line ${page.document.lines.lineAt(edits.script)}: the entry of its menu holds a script. Remove that in the source first.`,
      );
    left += edits.left;
    if (edits.edits.length === 0) continue;
    const checked = verified(page.document, edits.edits, (after) =>
      after.elements.filter(({ tag }) => tag === 'img').length ===
      page.document.elements.filter(({ tag }) => tag === 'img').length
        ? null
        : 'pictures would vanish',
    );
    if (!checked.ok) return refuse(`${page.path}: ${checked.reason}`);
    files.push({ kind: 'edit', path: page.path, edits: edits.edits });
  }
  const { collections, follows, links, spreads, texts, units } = site.notes.known;
  const notes =
    spreads.some(({ pages }) => pages.includes(path)) ||
    [...collections, ...follows, ...links, ...texts, ...units].some(({ page }) => page === path)
      ? notesChange(site, {
          spreads: spreads
            .map((one) => ({ ...one, pages: one.pages.filter((other) => other !== path) }))
            .filter(({ pages }) => pages.length > 0),
          collections: collections.filter(({ page }) => page !== path),
          follows: follows.filter(({ page }) => page !== path),
          texts: texts.filter(({ page }) => page !== path),
          units: units.filter(({ page }) => page !== path),
          links: links.filter(({ page }) => page !== path),
        })
      : [];
  return {
    ok: true,
    change: {
      label: `Delete ${path}${left > 0 ? `; ${left} ${left === 1 ? 'item of a gallery still leads' : 'items of galleries still lead'} to it` : ''}`,
      files: [...files, ...notes],
    },
  };
}

/** Entries of menus that lead to a page, taken out; `script` is where one stands in them. */
function entriesOut(
  { document, path: own, base }: PageReading,
  path: string,
): { edits: Edit[]; taken: Set<PageElement>; script: number | null } {
  const edits: Edit[] = [];
  let script: number | null = null;
  const taken = new Set<PageElement>();
  for (const menu of menusOf(document, own, base)) {
    const at = menu.entries.findIndex(({ link, target }) => target === path && link !== null && !taken.has(link));
    const entry = menu.entries[at];
    const edit = entry && removeEntry(document, menu, at);
    if (!entry?.link || !edit || editsOverlap(edits, edit)) continue;
    taken.add(entry.link);
    script ??= [...descendants(entry.unit)].find(({ tag }) => tag === 'script')?.open?.start ?? null;
    edits.push(edit);
  }
  return { edits, taken, script };
}

/** `left` counts links of items, which stay. */
function partingEdits(
  site: SiteReading,
  page: PageReading,
  path: string,
): { edits: Edit[]; left: number; script: number | null } {
  const { document } = page;
  const inItems = new Set(page.galleries.flatMap(({ items }) => items.flatMap(({ link }) => (link ? [link] : []))));
  const { edits, taken, script } = entriesOut(page, path);
  let left = 0;
  for (const element of document.elements) {
    if (taken.has(element) || !leadsTo(site, page.base, valueOf(element, 'href'), path)) continue;
    if (inItems.has(element)) left++;
    else if (element.tag === 'link' && element.range) edits.push(cutLine(document, element.range));
    else edits.push(...(unlinked(element) ?? []));
  }
  return { edits: edits.sort((a, b) => a.start - b.start), left, script };
}

/** A stylesheet linked from pages by the path that is right from each, or taken off. */
export function setStylesheet(
  site: SiteReading,
  { pages: paths, stylesheet, on }: { pages: readonly string[]; stylesheet: string; on: boolean },
): Planned {
  if (!site.files.has(stylesheet) || !isStylePath(stylesheet))
    return refuse(`There is no stylesheet ${stylesheet} any more.`);
  const files: FileChange[] = [];
  for (const path of paths) {
    const page = site.pages.find((one) => one.path === path);
    if (!page) return refuse(`There is no page ${path} any more.`);
    const links = page.document.elements.filter((element) =>
      leadsTo(site, page.base, styleLink(element) ?? undefined, stylesheet),
    );
    if (on === links.length > 0) continue;
    const edits = on
      ? [insertStylesheet(page.document, relativeReference(page.base, stylesheet))]
      : links.map(({ range }) => range && cutLine(page.document, range));
    const sure = edits.filter((edit): edit is Edit => edit !== null);
    if (sure.length === 0)
      return refuse(`${path} has no head to link a stylesheet from; write one in the source first.`);
    const checked = verifiedSameShape(page.document, sure, on ? 1 : -sure.length);
    if (!checked.ok) return refuse(`${path}: ${checked.reason}`);
    files.push({ kind: 'edit', path, edits: sure });
  }
  if (files.length === 0)
    return refuse(
      on
        ? `Every one of these pages has ${nameOf(stylesheet)} already.`
        : `None of these pages has ${nameOf(stylesheet)}.`,
    );
  const pages = files.length === 1 ? firstOf(files).path : `${files.length} pages`;
  return {
    ok: true,
    change: {
      label: on ? `Attach ${nameOf(stylesheet)} to ${pages}` : `Remove ${nameOf(stylesheet)} from ${pages}`,
      files,
    },
  };
}
