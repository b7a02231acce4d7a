import { nameOf } from '../../site/index.ts';
import { isShown, sized, warning, type SightRule } from './sight.ts';

/** Of the window’s width and height; less of both is no enlargement (common practice, no source). */
const ENOUGH = 0.5;
/** A file with fewer image px for each CSS px could not be shown much larger. */
const SPARE = 1.5;

export const small: SightRule = {
  id: 'rehearsal-small',
  title: 'A picture is shown as large as the window and its file allow',
  see: ({ seen }) => {
    const { size, window, sharpness, natural, shows } = seen;
    if (!isShown(seen) || !size || !natural || sharpness === null || sharpness < SPARE) return [];
    if (size.width >= window.width * ENOUGH || size.height >= window.height * ENOUGH) return [];
    return [
      warning(
        `${nameOf(shows ?? '')} is shown at ${sized(size)} in a window of ${sized(window)} CSS px`,
        `The file has ${sized(natural)} image px; something keeps the picture small.`,
      ),
    ];
  },
};
