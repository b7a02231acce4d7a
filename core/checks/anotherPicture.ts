import { THUMBNAIL, type PageReading, type SiteReading } from '../model/index.ts';
import { setSlot, type GalleryItem } from '../markup/index.ts';
import { nameOf, planEdits, relativeReference, stemOf } from '../site/index.ts';
import { shownInstead } from '../pairing/index.ts';
import { itemsOf, placeIn, type Fix, type Observation, type Rule } from './finding.ts';

export const anotherPicture: Rule = {
  id: 'another-picture',
  station: 'pairs',
  title: 'Every thumbnail shows the picture that it opens',
  find: (site) =>
    [...itemsOf(site)].flatMap(({ page, strand, item }): Observation[] => {
      const { thumbnail, full } = strand;
      const shows = thumbnail === null ? null : shownInstead(site.pairing, thumbnail, full);
      if (!shows || thumbnail === null || full === null) return [];
      return [
        {
          matter: `${page.path}:${thumbnail}`,
          severity: 'error',
          says: `${nameOf(thumbnail)} shows ${shows.path ? stemOf(shows.path) : 'another picture'}, not ${stemOf(full)}.`,
          why: 'A visitor chooses one picture and gets another.',
          place: placeIn(page, item.source?.attribute.range),
          strand: strand.id,
          joint: 'thumbnail',
          fixes: [
            ...rightThumbnail(site, page, item, full, thumbnail),
            ...otherLink(page, item, shows.path),
            {
              kind: 'picture',
              label: `Create the thumbnail again from ${nameOf(full)}`,
              tasks: [{ from: full, to: thumbnail, size: site.recipe.thumbnail, as: THUMBNAIL, times: 1 }],
            },
          ],
        },
      ];
    }),
};

/** A thumbnail of the right picture may be there, under another name. */
function rightThumbnail(site: SiteReading, page: PageReading, item: GalleryItem, full: string, shown: string): Fix[] {
  const pair = site.pairing.pairs.find((one) => one.full === full && one.thumbnail !== null && one.thumbnail !== shown);
  return pair?.thumbnail
    ? [pointed(page, item, 'thumbnail', pair.thumbnail, `Show ${nameOf(pair.thumbnail)} here`)]
    : [];
}

/** Either end may be the wrong one: the picture that is shown is opened. */
const otherLink = (page: PageReading, item: GalleryItem, shown: string | null): Fix[] =>
  shown === null || !item.target ? [] : [pointed(page, item, 'full', shown, `Open ${nameOf(shown)} instead`)];

const pointed = (
  page: PageReading,
  item: GalleryItem,
  slot: 'thumbnail' | 'full',
  path: string,
  label: string,
): Fix => ({
  kind: 'change',
  label,
  plan: () =>
    planEdits(
      `${label}, in ${page.path}`,
      page.path,
      setSlot(page.document, item, slot, relativeReference(page.base, path)),
    ),
});
