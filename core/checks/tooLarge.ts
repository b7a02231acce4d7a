import { FULL_SIZE, isTooLarge } from '../model/index.ts';
import { madeSize } from '../photo/index.ts';
import { bytesOf, inBytes, nameOf } from '../site/index.ts';
import { itemsOf, placeIn, type Observation, type Rule } from './finding.ts';

export const tooLarge: Rule = {
  id: 'too-large',
  station: 'pairs',
  title: 'No full-size picture is far larger than any window',
  find: (site) => {
    const seen = new Set<string>();
    return [...itemsOf(site)].flatMap(({ page, strand, item }): Observation[] => {
      const content = strand.full === null ? undefined : site.files.get(strand.full);
      if (strand.full === null || !content || seen.has(strand.full)) return [];
      const facts = site.factsOf(strand.full);
      const bytes = bytesOf(content);
      if (!facts || !isTooLarge(bytes, facts)) return [];
      seen.add(strand.full);
      return [
        {
          matter: `${strand.full}`,
          severity: 'warning',
          says: `${nameOf(strand.full)} is ${inBytes(bytes)} at ${facts.width} × ${facts.height} px.`,
          why: `No window shows more than a part of these pixels. On a line of 1.6 Mbit/s it takes ${Math.round((bytes * 8) / 1.6e6)} s to come.`,
          place: placeIn(page, item.link?.open),
          strand: strand.id,
          joint: 'full-size',
          fixes: [
            {
              kind: 'picture',
              label: `Reduce the picture to ${madeSize(facts, site.recipe.fullSize).width} px`,
              tasks: [{ from: strand.full, to: strand.full, size: site.recipe.fullSize, as: FULL_SIZE, times: 1 }],
            },
          ],
        },
      ];
    });
  },
};
