import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { cutOut } from './pixels.ts';
import {
  DEFAULT_RECIPE,
  madeSize,
  Recipe,
  roomIn,
  sayRecipe,
  SizeRecipe,
  STARTING_POINTS,
  usedPart,
  WINDOWS,
} from './recipe.ts';

const BEGIN = DEFAULT_RECIPE.thumbnail;
const size = (part: Partial<SizeRecipe>): SizeRecipe => ({ ...BEGIN, ...part });

describe('a recipe', () => {
  it.each([
    ['at most wide', { width: 6000, height: 4000 }, size({}), { width: 150, height: 100 }],
    ['at most high', { width: 4000, height: 6000 }, size({ width: null, height: 300 }), { width: 200, height: 300 }],
    ['the longer side', { width: 4000, height: 6000 }, size({ width: 800, height: 800 }), { width: 533, height: 800 }],
    ['never enlarged', { width: 100, height: 80 }, size({}), { width: 100, height: 80 }],
    [
      'cut to a square',
      { width: 6000, height: 4000 },
      size({ height: 150, shape: 'crop' }),
      { width: 150, height: 150 },
    ],
    [
      'cut, never enlarged',
      { width: 120, height: 90 },
      size({ height: 150, shape: 'crop' }),
      { width: 90, height: 90 },
    ],
    ['a sliver keeps a px', { width: 9000, height: 3 }, size({}), { width: 150, height: 1 }],
  ])('%s', (_name, full, recipe, made) => expect(madeSize(full, recipe)).toEqual(made));

  it('uses the middle of a picture for a crop, and all of it for a fit', () => {
    expect(usedPart({ width: 600, height: 400 }, size({ height: 150, shape: 'crop' }))).toEqual({
      left: 100,
      top: 0,
      width: 400,
      height: 400,
    });
    expect(usedPart({ width: 600, height: 400 }, size({}))).toEqual({ left: 0, top: 0, width: 600, height: 400 });
  });

  it('stays inside of the picture and of its box, whatever both are', () => {
    const side = fc.integer({ min: 1, max: 9000 });
    const boxed = fc.integer({ min: 16, max: 4000 });
    fc.assert(
      fc.property(
        side,
        side,
        boxed,
        boxed,
        fc.constantFrom('fit' as const, 'crop' as const),
        (width, height, w, h, shape) => {
          const recipe = size({ width: w, height: h, shape });
          const part = usedPart({ width, height }, recipe);
          expect(
            part.left >= 0 && part.top >= 0 && part.left + part.width <= width && part.top + part.height <= height,
          ).toBe(true);
          const made = madeSize({ width, height }, recipe);
          expect(
            made.width >= 1 &&
              made.height >= 1 &&
              made.width <= Math.min(w, part.width) &&
              made.height <= Math.min(h, part.height),
          ).toBe(true);
        },
      ),
      { numRuns: 300 },
    );
  });

  it('shows a whole picture in the window that it was made for', () => {
    for (const window of WINDOWS) {
      const room = roomIn(window);
      const made = madeSize({ width: 6000, height: 4000 }, size({ ...room }));
      expect(made.width).toBeLessThan(window.width);
      expect(made.height).toBeLessThan(window.height);
    }
  });

  it('says what is wrong with it, and where', () => {
    const issue = (recipe: SizeRecipe) => SizeRecipe.safeParse(recipe).error?.issues[0];
    expect(issue(size({ width: null }))).toMatchObject({
      path: ['width'],
      message: 'Give a width, a height, or both.',
    });
    expect(issue(size({ shape: 'crop' }))).toMatchObject({ path: ['height'] });
    expect(issue(size({ quality: 0 }))).toMatchObject({ path: ['quality'] });
    expect(issue(size({ width: 3 }))).toMatchObject({ path: ['width'] });
    for (const { recipe } of STARTING_POINTS) expect(Recipe.safeParse(recipe).success).toBe(true);
  });

  it('reads as one line', () => {
    expect(sayRecipe(DEFAULT_RECIPE.thumbnail)).toBe('at most 150 px wide, JPEG 80');
    expect(sayRecipe(DEFAULT_RECIPE.fullSize)).toBe('at most 1600 px on its longer side, JPEG 82');
    expect(sayRecipe(size({ height: 150, shape: 'crop', format: 'png' }))).toBe('cropped to 150 × 150 px, PNG');
  });
});

describe('cutting out', () => {
  it('takes the px of the part, row by row', () => {
    const data = new Uint8ClampedArray(4 * 3 * 4).map((_, at) => Math.floor(at / 4));
    expect(
      [...cutOut({ width: 4, height: 3, data }, { left: 1, top: 1, width: 2, height: 2 }).data].filter(
        (_, at) => at % 4 === 0,
      ),
    ).toEqual([5, 6, 9, 10]);
  });
});
