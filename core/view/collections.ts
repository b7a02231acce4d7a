/** Pages of all pictures as the interface shows them. */
import { regionOf, standings, type SiteReading, standsIn } from '../model/index.ts';
import type { Collected } from '../site/index.ts';

export interface CollectionView {
  page: string;
  collected: Collected;
  /** `lost` where the page has lost the comments between which the pictures stand. */
  standing: 'in step' | 'out of date' | 'lost';
  /** Pictures that stand between them. */
  pictures: number;
}

export function collectionViews(site: SiteReading): CollectionView[] {
  const known = new Map(standings(site).map((one) => [one.collection, one]));
  return site.notes.known.collections.map((collection): CollectionView => {
    const { page: path, pages, tag, since, until, order, group, tagLinks } = collection;
    const standing = known.get(collection);
    const page = site.pages.find((one) => one.path === path);
    const region = page && regionOf(page.document);
    const images =
      region && page.document.elements.filter(({ tag: name, open }) => name === 'img' && standsIn(region)({ open }));
    const isKnown = standing?.isInStep ? 'in step' : 'out of date';
    return {
      page: path,
      collected: { pages, tag, since, until, order, group, tagLinks },
      standing: standing ? isKnown : 'lost',
      pictures: images?.length ?? 0,
    };
  });
}
