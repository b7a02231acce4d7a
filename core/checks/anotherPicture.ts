import { THUMBNAIL } from '../model/index.ts';
import { nameOf, stemOf } from '../site/index.ts';
import { shownInstead } from '../pairing/index.ts';
import { itemsOf, placeIn, type Finding, type Rule } from './finding.ts';

export const anotherPicture: Rule = {
  id: 'another-picture',
  station: 'pairs',
  title: 'Every thumbnail shows the picture that it opens',
  find: (site) =>
    [...itemsOf(site)].flatMap(({ page, strand, item }): Finding[] => {
      const { thumbnail, full } = strand;
      const shows = thumbnail === null ? null : shownInstead(site.pairing, thumbnail, full);
      if (!shows || thumbnail === null || full === null) return [];
      return [
        {
          id: `another-picture:${page.path}:${thumbnail}`,
          rule: 'another-picture',
          station: 'pairs',
          severity: 'broken',
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
