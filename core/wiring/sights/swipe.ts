import { unconfirmed, type SightRule } from './sight.ts';

export const swipe: SightRule = {
  id: 'rehearsal-swipe',
  title: 'A finger to the side leads to the next picture',
  see: ({ seen, window }) => {
    if (window !== 'phone' || seen.swipe === null) return [];
    if (seen.swipe === 'nothing')
      return [
        unconfirmed(
          'A swipe does nothing here',
          'The page’s scripts did not answer a swipe made by a script. Try it with a finger on a phone.',
          'swipe, which does nothing',
        ),
      ];
    if (seen.panned)
      return [
        unconfirmed(
          'A swipe steps, and the browser may leave the page with it',
          'No touch-action keeps the browser’s own swipe out. Try it with a finger on a phone.',
          'swipe, which may leave the page',
        ),
      ];
    return [
      unconfirmed(
        'A swipe steps here',
        'It was made by a script; only a finger can prove it on a real screen.',
        'swipe',
      ),
    ];
  },
};
