import { FULL_SIZE, isTooLarge } from '../model/index.ts';
import { formatOf, isHeavy } from '../photo/index.ts';
import { bytesOf, inBytes, nameOf } from '../site/index.ts';
import { itemsOf, placeIn, type Observation, type Rule } from './finding.ts';

export const tooHeavy: Rule = {
  id: 'too-heavy',
  station: 'pairs',
  title: 'No full-size picture is heavier than its pixels warrant',
  find: (site) => {
    const seen = new Set<string>();
    return [...itemsOf(site)].flatMap(({ page, strand, item }): Observation[] => {
      const { full } = strand;
      const content = full === null ? undefined : site.files.get(full);
      const facts = full === null ? undefined : site.factsOf(full);
      if (full === null || !content || !facts || facts.unreadable || seen.has(full)) return [];
      seen.add(full);
      const bytes = bytesOf(content);
      const format = formatOf(full);
      // What is too large is told by another rule.
      if (format === null || isTooLarge(bytes, facts) || !isHeavy(bytes, facts, format)) return [];
      const { width, height } = facts;
      const size = { ...site.recipe.fullSize, width, height, shape: 'fit' as const, format, dense: false };
      return [
        {
          matter: full,
          severity: 'warning',
          says: `${nameOf(full)} is ${inBytes(bytes)}, which is much for ${width} × ${height} px.`,
          why: `Compressed as usual it looks the same and takes a half of that or less; now it takes ${Math.ceil((bytes * 8) / 1.6e6)} s on a line of 1.6 Mbit/s.`,
          place: placeIn(page, item.link?.open),
          strand: strand.id,
          joint: 'full-size',
          fixes: [
            {
              kind: 'picture',
              label: 'Compress the picture',
              tasks: [{ from: full, to: full, size, as: FULL_SIZE, times: 1 }],
            },
          ],
        },
      ];
    });
  },
};
