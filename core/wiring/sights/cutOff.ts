import { nameOf } from '../../site/index.ts';
import { isShown, percent, sized, warning, type Scene, type SightRule, type Told } from './sight.ts';

/** Less is a hair’s breadth at the edge (common practice, no source). */
const NOTICED = 0.02;

export const cutOff: SightRule = {
  id: 'rehearsal-cut-off',
  title: 'The whole picture is seen in the viewer',
  see: (scene) => (isShown(scene.seen) ? cuts(scene) : []),
};

function cuts({ seen }: Scene): Told[] {
  const { shows, size, whole, cropped, window } = seen;
  const name = nameOf(shows ?? '');
  const out = whole
    ? []
    : [
        warning(
          `${name} reaches out of the window: ${size ? sized(size) : ''} in ${sized(window)} CSS px`,
          'A visitor has to scroll to see all of it, or cannot.',
          'window',
        ),
      ];
  // A viewer that fills the window with a picture may be meant to; it is said all the same.
  const off =
    whole && cropped > NOTICED
      ? [
          warning(
            `${percent(cropped)} of ${name} is cut off`,
            'The box around it shows only a part of the picture.',
            'box',
          ),
        ]
      : [];
  return [...out, ...off];
}
