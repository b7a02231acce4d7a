/** The menu that the pages of a site share: every page's own against what most of them say. */
import { firstOf } from '../site/index.ts';
import { type CurrentMark, markEdits, menusOf, type Menu, type MenuEntry } from '../markup/index.ts';
import type { PageReading } from './reading.ts';

export interface SharedMenu {
  /** What the menu leads to, in the order of most pages; the label is what most pages say. */
  entries: { target: string; label: string }[];
  pages: { page: PageReading; menu: Menu; drift: Drift[] }[];
  /** How most pages mark their own entry. */
  mark: CurrentMark;
  /** Pages without it. */
  without: PageReading[];
}

export type Drift =
  | { kind: 'missing'; target: string; label: string }
  | { kind: 'dummy'; entry: MenuEntry; target: string; label: string }
  | { kind: 'label'; entry: MenuEntry; target: string; label: string }
  /** The page's own entry is not the one that wears the mark of the current page. */
  | { kind: 'mark'; entry: MenuEntry; mark: CurrentMark; target: string; label: string };

/** What a run of links is known by across pages: its tag, class and id. */
function keyOf({ container: { tag, attributes } }: Menu): string {
  const named = (name: string) => attributes.find((one) => one.name === name)?.value ?? '';
  return `${tag}.${named('class')}#${named('id')}`;
}

/** Null where no two pages share one. */
export function sharedMenu(pages: readonly PageReading[]): SharedMenu | null {
  const all = pages.map((page) => ({ page, menus: menusOf(page.document, page.path, page.base) }));
  const counts = new Map<string, number>();
  for (const { menus } of all) for (const key of new Set(menus.map(keyOf))) counts.set(key, (counts.get(key) ?? 0) + 1);
  const size = (key: string) =>
    Math.max(
      ...all.flatMap(({ menus }) => menus.filter((menu) => keyOf(menu) === key).map(({ entries }) => entries.length)),
    );
  const [best] = [...counts].filter(([, count]) => count > 1).sort((a, b) => b[1] - a[1] || size(b[0]) - size(a[0]));
  if (!best) return null;
  const found = all.flatMap(({ page, menus }) => {
    const menu = menus.find((one) => keyOf(one) === best[0]);
    return menu ? [{ page, menu }] : [];
  });
  const mark = commonMark(found.map(({ menu }) => menu));
  const known = new Set(pages.map(({ path }) => path));
  const entries = unionOf(found.map(({ menu }) => menu)).filter(({ target }) => known.has(target));
  return {
    entries,
    mark,
    pages: found.map(({ page, menu }) => ({ page, menu, drift: driftOf(page, menu, entries, mark) })),
    without: pages.filter((page) => !found.some((one) => one.page === page)),
  };
}

/** Targets in the order of the longest menu, others after the one that they follow elsewhere; labels as most say. */
function unionOf(menus: readonly Menu[]): SharedMenu['entries'] {
  const order: string[] = [];
  const labels = new Map<string, Map<string, number>>();
  for (const { entries } of [...menus].sort((a, b) => b.entries.length - a.entries.length)) {
    let last = -1;
    for (const { target, label } of entries) {
      if (target === null) continue;
      const said = labels.get(target) ?? new Map<string, number>();
      labels.set(target, said.set(label, (said.get(label) ?? 0) + 1));
      const at = order.indexOf(target);
      if (at >= 0) last = at;
      else order.splice(++last, 0, target);
    }
  }
  return order.map((target) => ({
    target,
    label: firstOf([...(labels.get(target) ?? [])].sort((a, b) => b[1] - a[1]))[0],
  }));
}

/** How most pages mark their own entry; what one page alone does may mean something else. */
function commonMark(menus: readonly Menu[]): CurrentMark {
  const counts = new Map<string, { mark: CurrentMark; count: number }>();
  for (const { mark } of menus) {
    const key = JSON.stringify(mark);
    counts.set(key, { mark, count: (counts.get(key)?.count ?? 0) + 1 });
  }
  const said = [...counts.values()].filter(({ mark, count }) => mark !== null && count > 1);
  return said.sort((a, b) => b.count - a.count)[0]?.mark ?? null;
}

function driftOf(
  { path, document }: PageReading,
  menu: Menu,
  entries: SharedMenu['entries'],
  mark: CurrentMark,
): Drift[] {
  return entries.flatMap(({ target, label }): Drift[] => {
    const own = menu.entries.find((entry) => entry.target === target);
    if (own) {
      const isMarked = target !== path || markEdits(document, menu, mark, own).length === 0;
      return [
        ...(own.label === label ? [] : [{ kind: 'label' as const, entry: own, target, label }]),
        ...(isMarked ? [] : [{ kind: 'mark' as const, entry: own, mark, target, label }]),
      ];
    }
    const dummy = menu.entries.find((entry) => entry.dummy && entry.label.toLowerCase() === label.toLowerCase());
    return [dummy ? { kind: 'dummy', entry: dummy, target, label } : { kind: 'missing', target, label }];
  });
}
