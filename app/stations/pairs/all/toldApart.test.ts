import { expect, it } from 'vitest';
import { toldApart } from './toldApart';

it.each([
  [[], false],
  [[{ alt: 'A reel', caption: null }], false],
  [
    [
      { alt: 'A reel', caption: 'Reel' },
      { alt: 'A reel', caption: 'Reel' },
    ],
    false,
  ],
  // One page has no element for a caption.
  [
    [
      { alt: 'A reel', caption: null },
      { alt: 'A reel', caption: 'Reel' },
    ],
    false,
  ],
  [
    [
      { alt: 'A reel', caption: 'Reel' },
      { alt: 'A reel', caption: '' },
    ],
    true,
  ],
  [
    [
      { alt: 'A reel', caption: null },
      { alt: 'The reel', caption: null },
    ],
    true,
  ],
  [
    [
      { alt: null, caption: null },
      { alt: 'The reel', caption: null },
    ],
    true,
  ],
])('%j are told apart: %s', (places, wanted) => expect(toldApart(places)).toBe(wanted));
