/** The menu that pages share, and how each page stands with it. */
import { sharedMenu, type SiteReading } from '../model/index.ts';

export interface MenuView {
  entries: { target: string; label: string }[];
  /** For each page how it stands with each entry, in the order of the entries. */
  pages: { path: string; stands: EntryState[] }[];
  without: string[];
}

/**
 * `own` is the entry of the page itself; a dummy leads nowhere yet; a label is another than on most pages;
 * `mark` is the entry of the page itself where the mark of the current page is missing or elsewhere.
 */
export type EntryState = 'whole' | 'own' | 'missing' | 'dummy' | 'label' | 'mark';

export function menuView({ pages }: SiteReading): MenuView | null {
  const shared = sharedMenu(pages);
  if (!shared) return null;
  const { entries, without } = shared;
  return {
    entries,
    pages: shared.pages.map(({ page, menu, drift }) => ({
      path: page.path,
      stands: entries.map(
        ({ target }) =>
          drift.find((one) => one.target === target)?.kind ??
          (menu.entries.some((entry) => entry.target === target && entry.current) ? 'own' : 'whole'),
      ),
    })),
    without: without.map(({ path }) => path),
  };
}
