import { THUMBNAIL } from '../model/index.ts';
import { nameOf, stemOf } from '../site/index.ts';
import { shownInstead } from '../pairing/index.ts';
import { itemsOf, placeIn, type Observation, type Rule } from './finding.ts';

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
            {
              kind: 'picture',
              label: `Make it anew from ${nameOf(full)}`,
              tasks: [{ from: full, to: thumbnail, size: site.recipe.thumbnail, as: THUMBNAIL, times: 1 }],
            },
          ],
        },
      ];
    }),
};
