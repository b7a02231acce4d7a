/** By what work on pages that nobody here wrote is judged: what is in them before and after, told by parse5 alone. */
import type { PageReading, SiteReading } from '../../core/model/index.ts';
import type { Intent } from '../../core/plans/index.ts';
import { bagOfPage, together, without, type Bag, type Texts } from './outside.ts';

/** Null where nothing is wrong, else what is. Texts of the pages before and after. */
export type Judge = (before: Texts, after: Texts) => string | null;

export interface Trial {
  intent: Intent;
  judge: Judge;
}

/** Where work is done; `pick` gives a number from 0 to below `end`. */
export interface Place {
  site: SiteReading;
  page: PageReading;
  pick: (end: number) => number;
}

export const bagOfPages = (texts: Texts): Bag => together([...texts.values()].map(bagOfPage));

/** What all pages together lost and won. */
export function difference(before: Texts, after: Texts): { gone: Bag; fresh: Bag } {
  // Pages that did not change say nothing.
  const changed = (one: Texts, other: Texts): Texts =>
    new Map([...one].filter(([path, text]) => other.get(path) !== text));
  const [was, is] = [bagOfPages(changed(before, after)), bagOfPages(changed(after, before))];
  return { gone: without(was, is), fresh: without(is, was) };
}

export const first = (bag: Bag, but: (token: string) => boolean = () => false): string | null =>
  [...bag.keys()].find((token) => !but(token)) ?? null;

export const lost = (token: string | null): string | null => token && `lost: ${token.slice(0, 200)}`;
export const strange = (token: string | null): string | null => token && `not asked for: ${token.slice(0, 200)}`;

/** Nothing goes and nothing comes but what is allowed. */
export const only =
  (goes: (token: string) => boolean, comes: (token: string) => boolean): Judge =>
  (before, after) => {
    const { gone, fresh } = difference(before, after);
    return lost(first(gone, goes)) ?? strange(first(fresh, comes));
  };

export const never = (): boolean => false;

/** What no page has yet. */
const FRESH = { thumbnail: 'new-kites/t/zq-reel-box.jpg', full: 'new-kites/zq-reel-box.jpg' };
export const NEW_PICTURE = { ...FRESH, title: '', alt: 'Zqalt words', caption: 'Zqcaption words' };
