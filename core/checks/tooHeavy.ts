import { FULL_SIZE, isTooLarge } from '../model/index.ts';
import { formatOf } from '../photo/index.ts';
import { bytesOf, inBytes, nameOf } from '../site/index.ts';
import { itemsOf, placeIn, type Observation, type Rule } from './finding.ts';

/**
 * A photograph of good quality takes a quarter of a byte for each pixel; twice that is what cameras and drawing programs
 * write (common practice, no source).
 */
const BYTES_PER_PIXEL = 0.5;
/** Less is there at once, whatever its pixels (our own value, no source). Bytes. */
const NOT_WORTH_IT = 300_000;

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
      // Without loss, nothing can be pressed out of the same pixels; what is too large is told by another rule.
      if (format === null || format === 'png' || isTooLarge(bytes, facts)) return [];
      if (bytes < NOT_WORTH_IT || bytes < facts.width * facts.height * BYTES_PER_PIXEL) return [];
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
