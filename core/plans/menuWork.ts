/**
 * The menu that pages share: a page entered in all of them, dummies made real, menus that drifted apart brought
 * together.
 */
import {
  attributeOf,
  encodeMarkup,
  insertEntry,
  markEdits,
  type MenuEntry,
  type PageDocument,
  replaceValue,
  verified,
  writeEntry,
  type Menu,
} from '../markup/index.ts';
import { sharedMenu, type Drift, type SharedMenu, type SiteReading } from '../model/index.ts';
import {
  type Edit,
  type Edited,
  type FileChange,
  type Planned,
  refuse,
  relativeReference,
  type Result,
} from '../site/index.ts';

const NO_MENU = 'No two pages here share a menu.';

/** A page entered in every menu, behind the last entry. `files` holds pages that are only now being written. */
export function enterInMenus(shared: SharedMenu, target: string, label: string): Result<{ files: FileChange[] }> {
  const files: FileChange[] = [];
  for (const { page, menu } of shared.pages) {
    if (menu.entries.some((entry) => entry.target === target)) continue;
    // A dummy with this label has waited for the page.
    const dummy = menu.entries.find((entry) => entry.dummy && entry.label.toLowerCase() === label.toLowerCase());
    const href = relativeReference(page.base, target);
    const edits = dummy?.link
      ? madeReal(dummy.link, href)
      : insertEntry(
          page.document,
          withMark(menu, shared),
          { href, label, current: page.path === target },
          menu.entries.length - 1,
        );
    if (edits === null)
      return {
        ok: false,
        reason: `${page.path}: no entry of its menu is a plain link to write another one by; write it in the source.`,
      };
    const checked = sameLinks(page, menu, edits, dummy ? 0 : 1);
    if (!checked.ok) return refuse(`${page.path}: ${checked.reason}`);
    files.push({ kind: 'edit', path: page.path, edits });
  }
  return { ok: true, files };
}

/** A page that does not mark its own entry yet does it as the others do. */
const withMark = (menu: Menu, { mark }: SharedMenu): Menu => ({ ...menu, mark: menu.mark ?? mark });

function madeReal(link: NonNullable<Menu['entries'][number]['link']>, href: string): Edit[] {
  const attribute = attributeOf(link, 'href');
  return attribute ? [replaceValue(attribute, href)] : [];
}

/** Nothing but the links that are added may appear. */
const sameLinks = (page: SharedMenu['pages'][number]['page'], menu: Menu, edits: Edit[], added: number): Edited =>
  verified(page.document, edits, (after) => {
    const count = (elements: readonly { tag: string }[]) => elements.filter(({ tag }) => tag === 'a').length;
    return count(after.elements) === count(page.document.elements) + added
      ? null
      : `the menu in line ${page.document.lines.lineAt(menu.container.range?.start ?? 0)} would be read otherwise than meant`;
  });

export function addMenuEntry(site: SiteReading, { target, label }: { target: string; label: string }): Planned {
  const shared = sharedMenu(site.pages);
  if (!shared) return refuse(NO_MENU);
  const entered = enterInMenus(shared, target, label);
  if (!entered.ok) return refuse(entered.reason);
  if (entered.files.length === 0) return refuse(`Every menu has ${target} already.`);
  return {
    ok: true,
    change: {
      label: `Add ${target} to ${entered.files.length === 1 ? 'one menu' : `${entered.files.length} menus`}`,
      files: entered.files,
    },
  };
}

/**
 * Every menu says what most of them say: what is missing is added in its place, dummies lead to their page, labels
 * are as most write them.
 */
export function alignMenus(site: SiteReading): Planned {
  const shared = sharedMenu(site.pages);
  if (!shared) return refuse(NO_MENU);
  const files: FileChange[] = [];
  for (const { page, menu, drift } of shared.pages) {
    const edits: Edit[] = [];
    let added = 0;
    for (const one of drift) {
      const made = editsFor(shared, page, page.document, menu, one);
      if (made === null)
        return refuse(
          `${page.path}: no entry of its menu is a plain link to write “${one.label}” by; write it in the source.`,
        );
      edits.push(...made);
      if (one.kind === 'missing') added++;
    }
    if (edits.length === 0) continue;
    edits.sort((a, b) => a.start - b.start);
    const checked = sameLinks(page, menu, edits, added);
    if (!checked.ok) return refuse(`${page.path}: ${checked.reason}`);
    files.push({ kind: 'edit', path: page.path, edits });
  }
  if (files.length === 0) return refuse('All menus match already.');
  return {
    ok: true,
    change: {
      label: `Make the menus of ${files.length === 1 ? 'one page' : `${files.length} pages`} match`,
      files,
    },
  };
}

function editsFor(
  shared: SharedMenu,
  { path, base }: SharedMenu['pages'][number]['page'],
  document: SharedMenu['pages'][number]['page']['document'],
  ownMenu: Menu,
  drift: Drift,
): Edit[] | null {
  const menu = withMark(ownMenu, shared);
  const { target, label } = drift;
  const href = relativeReference(base, target);
  if (drift.kind === 'mark') return markEdits(document, menu, drift.mark, drift.entry);
  if (drift.kind === 'dummy') return drift.entry.link ? madeReal(drift.entry.link, href) : null;
  if (drift.kind === 'label') return labelEdits(document, drift.entry, label);
  if (writeEntry(document, menu, { href, label, current: path === target }) === null) return null;
  const before = shared.entries
    .slice(
      0,
      shared.entries.findIndex((one) => one.target === target),
    )
    .map((one) => one.target)
    .reverse();
  const neighbour = before.map((one) => menu.entries.findIndex((entry) => entry.target === one)).find((at) => at >= 0);
  return insertEntry(document, menu, { href, label, current: path === target }, neighbour ?? -1);
}

/** Another label, where the words stand in one piece. */
function labelEdits(
  document: PageDocument,
  { unit, link, label: said, current }: MenuEntry,
  label: string,
): Edit[] | null {
  const [text, ...more] = [unit, ...(link && link !== unit ? [link] : [])].flatMap(({ texts }) =>
    texts.filter(({ value }) => value.trim() === said),
  );
  if (!text || more.length > 0) return current ? [] : null;
  const written = document.text.slice(text.range.start, text.range.end);
  const start = text.range.start + (/^\s*/.exec(written)?.[0] ?? '').length;
  const end = text.range.end - (/\s*$/.exec(written)?.[0] ?? '').length;
  return [{ start, end, text: encodeMarkup(label) }];
}
