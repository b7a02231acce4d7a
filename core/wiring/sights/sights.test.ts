import { describe, expect, it } from 'vitest';
import type { Prediction } from '../read/prediction.ts';
import type { Seen } from '../read/rehearsal.ts';
import { PREDICTED, SEEN } from '../read/seen.fixture.ts';
import { SIGHT_RULES, sightsOf } from './rules.ts';
import type { WindowName } from './sight.ts';

const ON_PAGE = {
  file: 'small/a.jpg',
  natural: { width: 150, height: 100 },
  size: { width: 150, height: 100 },
  whole: true,
  sharpness: 1,
  cropped: 0,
  covered: null,
};

const WELL: Seen = {
  ...SEEN,
  onPage: ON_PAGE,
  natural: { width: 1200, height: 800 },
  size: { width: 900, height: 600 },
  sharpness: 1.33,
  history: 'returned',
};

const told = (seen: Partial<Seen>, window: WindowName = 'desktop', prediction: Partial<Prediction> = {}) =>
  sightsOf({ window, prediction: { ...PREDICTED, ...prediction }, seen: { ...WELL, ...seen } }).map(
    ({ severity, says }) => `${severity}: ${says}`,
  );

/** What is written here was reckoned by hand from the numbers beside it. */
describe('what is to be said of what was seen', () => {
  it.each<[string, Partial<Seen>, string[]]>([
    ['nothing, where all is well', {}, []],
    [
      'another file than the page says',
      { shows: 'large/b.jpg' },
      ['error: In the browser the file is different: large/b.jpg; expected: large/a.jpg'],
    ],
    [
      'a thumbnail that fills the page',
      { onPage: { ...ON_PAGE, size: { width: 1120, height: 747 }, sharpness: 0.134 } },
      ['warning: A file of 150 px fills 1119 px on the page: a.jpg'],
    ],
    [
      'a small file in the viewer',
      { natural: { width: 300, height: 200 }, sharpness: 0.33 },
      ['warning: A file of 300 px fills 909 px in the viewer: a.jpg'],
    ],
    ['a drawing, which has no pixels', { sharpness: null }, []],
    ['nearly one image px for each CSS px', { sharpness: 0.9 }, []],
    [
      'a picture larger than the window',
      { whole: false, size: { width: 1400, height: 933 } },
      ['warning: a.jpg reaches out of the window: 1400 × 933 in 1280 × 800 CSS px'],
    ],
    ['a part that the box cuts off', { cropped: 0.25 }, ['warning: 25 % of a.jpg is cut off']],
    ['a hair that the box cuts off', { cropped: 0.02 }, []],
    [
      'a sliver',
      { size: { width: 173, height: 372 }, sharpness: 2.15 },
      ['warning: a.jpg is shown at 173 × 372 in a window of 1280 × 800 CSS px'],
    ],
    ['a small picture of a small file', { size: { width: 173, height: 372 }, sharpness: 1.4 }, []],
    [
      'something over the picture',
      { covered: { by: '<div.banner>', share: 0.4 } },
      ['warning: <div.banner> covers 40 % of a.jpg in the viewer'],
    ],
    ['a caption at its edge', { covered: { by: '<figcaption>', share: 0.2 } }, []],
    [
      'a menu under something',
      { hidden: ['<nav.menu>'] },
      ['warning: Something lies over <nav.menu> when the page opens'],
    ],
    ['words cut off', { clipped: ['A kite over'] }, ['warning: A part of “A kite over” is cut off']],
    [
      'no buttons',
      { controls: { next: false, back: false, close: false } },
      ['warning: No button in sight says next, close'],
    ],
    ['focus that is lost', { focus: 'lost' }, ['warning: After closing, the keyboard focus is lost']],
    [
      'a step that stays',
      { history: 'left behind' },
      ['warning: After closing, a step is left behind for the Back button'],
    ],
  ])('%s', (_what, seen, lines) => expect(told(seen)).toEqual(lines));

  it('what only a finger or a page of its own can show is never called certain', () => {
    expect(told({}, 'phone')).toEqual(['unconfirmed: A swipe steps here']);
    expect(told({ swipe: 'nothing' }, 'phone')).toEqual(['unconfirmed: A swipe does nothing here']);
    expect(told({ panned: true }, 'phone')).toEqual([
      'unconfirmed: A swipe steps, and the browser may leave the page with it',
    ]);
    expect(told({ swipe: null, history: 'untouched' }, 'phone')).toEqual([
      'unconfirmed: Whether Back closes the viewer is not confirmed',
    ]);
    expect(told({ swipe: 'nothing', history: 'untouched' }, 'desktop')).toEqual([]);
  });

  it('of a page that is left nothing is said of a viewer', () => {
    const left = { opened: 'address', loaded: false, size: null, controls: null, swipe: null } as const;
    expect(told({ ...left, covered: { by: '<p>', share: 1 } }, 'phone', { opens: 'address' })).toEqual([]);
  });

  it('each rule has a name of its own', () => {
    expect(new Set(SIGHT_RULES.map(({ id }) => id)).size).toBe(SIGHT_RULES.length);
  });
});
