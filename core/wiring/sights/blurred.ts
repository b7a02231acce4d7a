import { nameOf } from '../../site/index.ts';
import { picturesIn, sized, warning, type SightRule } from './sight.ts';

/** Fewer image px for each CSS px are seen as blur (common practice, no source). */
const SHARP = 0.9;

export const blurred: SightRule = {
  id: 'rehearsal-blurred',
  title: 'A file has pixels enough for the size at which it is shown',
  see: (scene) =>
    picturesIn(scene).flatMap(({ file, natural, size, sharpness, where }) => {
      if (sharpness === null || sharpness >= SHARP || !natural || !size) return [];
      const place = where === 'page' ? 'on the page' : 'in the viewer';
      return [
        warning(
          `A file of ${natural.width} px fills ${Math.round(natural.width / sharpness)} px ${place}: ${nameOf(file ?? '')}`,
          `${sharpness} image px for each CSS px, in a box of ${sized(size)} CSS px: it is drawn larger than it is, and looks blurred.`,
          where,
        ),
      ];
    }),
};
