/** Groups of pictures on a page, as the interface shows them. */
import type { PageReading, SiteReading } from '../model/index.ts';
import { fullsOf } from '../plans/index.ts';
import { groupsOf, rangeOf, type Shown } from '../story/index.ts';

export interface GroupView {
  /** Of the page's source, in characters. */
  start: number;
  end: number;
  /** From 1. */
  lines: { first: number; last: number };
  /** Null where its class says nothing: it is shown as its author has it. */
  shown: Shown | null;
  /** Full-size files, in the order of the group; empty for what leads out of the site. */
  fulls: string[];
}

export const groupsView = (site: SiteReading, page: PageReading): GroupView[] =>
  groupsOf(page).map((group) => {
    const { start, end } = rangeOf(group);
    const { lines } = page.document;
    return {
      start,
      end,
      lines: { first: lines.lineAt(start), last: lines.lineAt(Math.max(start, end - 1)) },
      shown: group.shown,
      fulls: fullsOf(site, page, group),
    };
  });
