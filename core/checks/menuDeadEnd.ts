import { attributeOf, type Menu, menusOf, removeEntry, replaceValue, verified, STATES } from '../markup/index.ts';
import type { PageReading, SiteReading } from '../model/index.ts';
import { type Edit, type FileChange, type Planned, refuse, relativeReference, stemOf } from '../site/index.ts';
import { placeIn, type Fix, type Observation, type Rule } from './finding.ts';

/** An entry of a menu whose page is not there. */
interface Entry {
  page: PageReading;
  menu: Menu;
  n: number;
}

/** Entries that lead to a page which is not there, by that page; only those that stand on several pages. */
export function deadEnds(site: SiteReading): Map<string, Entry[]> {
  const found = new Map<string, Entry[]>();
  for (const page of site.pages)
    for (const menu of menusOf(page.document, page.path, page.base))
      for (const [n, { target, link }] of menu.entries.entries()) {
        if (target === null || link === null || site.index.lookup(target).found !== 'nothing') continue;
        const known = found.get(target) ?? [];
        if (!known.some((one) => one.page === page)) found.set(target, [...known, { page, menu, n }]);
      }
  for (const [target, entries] of found) if (entries.length < 2) found.delete(target);
  return found;
}

const labelOf = ({ menu, n }: Entry): string => menu.entries[n]?.label ?? '';

export const menuDeadEnd: Rule = {
  id: 'menu-dead-end',
  station: 'markup',
  title: 'No entry of the menu leads to a page that is not there',
  find: (site) =>
    [...deadEnds(site)].flatMap(([target, entries]): Observation[] => {
      const [first] = entries;
      if (!first) return [];
      const link = first.menu.entries[first.n]?.link;
      return [
        {
          matter: target,
          severity: 'error',
          says: `“${labelOf(first)}” in the menu of ${entries.length} pages leads to ${target}, which is not there.`,
          why: 'A click ends on the host’s error page, from every page that has the menu.',
          place: placeIn(first.page, link ? attributeOf(link, 'href')?.range : null),
          strand: null,
          joint: null,
          fixes: [...elsewhere(site, target, entries), createIt(target, first), removeAll(target, entries)],
        },
      ];
    }),
};

/** One change of all the pages; refused where one of them would be read otherwise. */
function onAll(label: string, entries: readonly Entry[], editOf: (entry: Entry) => Edit | null): Planned {
  const files: FileChange[] = [];
  for (const entry of entries) {
    const { path, document } = entry.page;
    const edit = editOf(entry);
    if (!edit) return refuse(`${path}: the entry cannot be changed by itself; do it in the source.`);
    const checked = verified(document, [edit], () => null);
    if (!checked.ok) return refuse(`${path}: ${checked.reason}`);
    files.push({ kind: 'edit', path, edits: [edit] });
  }
  return { ok: true, change: { label, files } };
}

const removeAll = (target: string, entries: readonly Entry[]): Fix => ({
  kind: 'change',
  states: { takes: STATES.markup.takes },
  label: `Remove the entry from ${entries.length} menus`,
  plan: () =>
    onAll(`Remove ${target} from ${entries.length} menus`, entries, ({ page, menu, n }) =>
      removeEntry(page.document, menu, n),
    ),
});

/** A page whose name is like the missing one, or that no menu leads to, may be what was meant; at most two. */
function elsewhere(site: SiteReading, target: string, entries: readonly Entry[]): Fix[] {
  const stem = stemOf(target).toLowerCase();
  const listed = new Set(entries.flatMap(({ menu }) => menu.entries.map((entry) => entry.target)));
  const like = (path: string) => {
    const own = stemOf(path).toLowerCase();
    return own.includes(stem) || stem.includes(own);
  };
  return site.pages
    .filter(({ path }) => !listed.has(path))
    .sort((a, b) => Number(like(b.path)) - Number(like(a.path)))
    .slice(0, 2)
    .map(({ path }) => ({
      kind: 'change',
      label: `Lead it to ${path}`,
      plan: () =>
        onAll(`Lead ${entries.length} menus to ${path}`, entries, ({ page, menu, n }) => {
          const link = menu.entries[n]?.link;
          const href = link && attributeOf(link, 'href');
          return href ? replaceValue(href, relativeReference(page.base, path)) : null;
        }),
    }));
}

/** As the page that the menu was found on, without what stands in it. */
const createIt = (target: string, first: Entry): Fix => ({
  kind: 'page',
  label: `Create ${target}`,
  path: target,
  title: labelOf(first),
  from: first.page.path,
});
