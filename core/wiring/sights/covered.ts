import { nameOf } from '../../site/index.ts';
import { percent, picturesIn, warning, type SightRule } from './sight.ts';

/** A caption or a button at the edge is no harm (common practice, no source). */
const ALLOWED = 0.2;

export const covered: SightRule = {
  id: 'rehearsal-covered',
  title: 'Nothing lies over a picture',
  see: (scene) =>
    picturesIn(scene).flatMap(({ file, covered: over, where }) => {
      if (!over || over.share <= ALLOWED) return [];
      const place = where === 'page' ? 'on the page' : 'in the viewer';
      return [
        warning(
          `${over.by} covers ${percent(over.share)} of ${nameOf(file ?? '')} ${place}`,
          'A visitor sees that in the place of the picture.',
          where,
        ),
      ];
    }),
};
