/**
 * What a change of viewers keeps in mind of a page's links: the group that the new viewer has no name for, and words
 * that were lent to one that finds its captions elsewhere. Back with the former, all is as it was.
 */
import { valueOf, type GalleryItem, type PageElement } from '../../markup/index.ts';
import { isPicturePath, resolveInSite, stemOf } from '../../site/index.ts';
import { groupAttribute, type Kit } from '../kit/manifest.ts';
import { groupOf } from '../read/uses.ts';
import type { LinkMemory, WiringPage, WiringSite } from './site.ts';

/** Of each link what is kept in mind of it. */
export type Remembered = ReadonlyMap<PageElement, LinkMemory>;

/** The path of the picture that a link leads to; null where it leads to none of the site. */
export function pictureOf(base: string, { link }: Pick<GalleryItem, 'link'>): string | null {
  const target = link ? resolveInSite(valueOf(link, 'href') ?? '', base) : null;
  return target?.kind === 'file' && isPicturePath(target.path) ? target.path : null;
}

export function rememberedOn({ remembered }: WiringSite, page: WiringPage): Remembered {
  const all = new Map((remembered?.(page.path) ?? []).map((one) => [one.picture, one]));
  const links = page.galleries.flatMap(({ items }) => items);
  return new Map(
    links.flatMap((item): [PageElement, LinkMemory][] => {
      const memory = all.get(pictureOf(page.base, item) ?? '');
      return item.link && memory ? [[item.link, memory]] : [];
    }),
  );
}

/** Title words of a link that the program wrote and that nobody has changed since. */
export function lentTo(link: PageElement, remembered: Remembered): string | null {
  const lent = remembered.get(link)?.lent ?? null;
  return lent !== null && valueOf(link, 'title') === lent ? lent : null;
}

interface Step {
  from: Kit | null;
  to: Kit | null;
  before: Remembered;
  /** What is to be on each link. */
  wishes: ReadonlyMap<PageElement, ReadonlyMap<string, string | null>>;
  /** Words that were written into links. */
  lent: ReadonlyMap<PageElement, string>;
}

/** What has to be kept in mind after a change. */
export function toRemember(page: WiringPage, { from, to, before, wishes, lent: written }: Step): LinkMemory[] {
  const isNamed = to !== null && groupAttribute(to.manifest) !== null;
  return page.galleries.flatMap(({ items }, n) =>
    items.flatMap((item): LinkMemory[] => {
      const { link } = item;
      const picture = pictureOf(page.base, item);
      if (!link || picture === null) return [];
      const known = (from && groupOf(link, from)) ?? before.get(link)?.group ?? null;
      const group = isNamed || known === groupByPage(page.path, n) ? null : known;
      const kept = to ? lentTo(link, before) : null;
      const lent = wishes.get(link)?.get('title') ?? written.get(link) ?? kept;
      return group === null && lent === null ? [] : [{ picture, group, lent }];
    }),
  );
}

/** What the group of a page's nth gallery, counted from 0, is called where nobody has given it a name. */
export const groupByPage = (path: string, n: number): string =>
  (stemOf(path).replace(/[^\w-]+/g, '-') || 'pictures') + (n > 0 ? `-${n + 1}` : '');
