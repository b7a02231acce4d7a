/** Galleries that follow a list, as the interface shows them. */
import { followings, type SiteReading } from '../model/index.ts';
import type { ListSource } from '../site/index.ts';

export interface FollowView {
  page: string;
  /** Null where the page has none of its pictures any more. */
  gallery: number | null;
  source: ListSource;
  /** How much the list says anew; what was changed by hand is not counted. */
  news: number;
  byHand: number;
  /** Why the list cannot be read. */
  reason: string | null;
}

export const followsOf = (site: SiteReading): FollowView[] =>
  followings(site).map(({ followed: { source }, page, gallery, compared: { differences, reason } }) => {
    const byHand = differences.filter((one) => one.byHand).length;
    return { page: page.path, gallery, source, news: differences.length - byHand, byHand, reason };
  });
