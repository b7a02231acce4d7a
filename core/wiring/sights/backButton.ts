import { isShown, unconfirmed, warning, type SightRule } from './sight.ts';

export const backButton: SightRule = {
  id: 'rehearsal-back',
  title: 'The browser’s Back button closes the viewer and leads on to the page before',
  see: ({ seen, window }) => {
    if (!isShown(seen) || seen.closed === 'no') return [];
    if (seen.history === 'left behind')
      return [
        warning(
          'After closing, a step is left behind for the Back button',
          'A visitor has to press Back once more for each picture.',
        ),
      ];
    if (seen.history !== 'untouched' || window !== 'phone') return [];
    return [
      unconfirmed(
        'Whether Back closes the viewer is not confirmed',
        'The viewer added no step to the history of this frame; in a page of its own it may. Try it on the exported page.',
        'Back button',
      ),
    ];
  },
};
