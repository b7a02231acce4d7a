import { describe, expect, it } from 'vitest';
import { searchQuality, suggestedPoint, type Encoded } from './aim.ts';
import { MIDDLE, partAround, suggestedFocus } from './focus.ts';
import { sniffedType, storedSize } from './header.ts';
import { lumaOf } from './luma.ts';
import {
  allPixels,
  DEFAULT_RECIPE,
  fallsShort,
  fingerprint,
  FurtherSize,
  keepsPixels,
  madeSize,
  Recipe,
  sayRecipe,
  SizeRecipe,
} from './recipe.ts';
import { sharpened } from './sharpen.ts';

/** An encoder as it should be: bytes and likeness grow with quality. */
const encoder =
  (calls: number[] = []) =>
  (quality: number): Promise<Encoded> => {
    calls.push(quality);
    return Promise.resolve({ quality, bytes: quality * 1000, similarity: 0.9 + quality / 1000 });
  };

describe('the search for a quality', () => {
  it.each([
    [64_500, 64],
    [95_000, 95],
    [200_000, 95],
    [20_000, 20],
    [33_000, 33],
  ])('keeps to %d bytes with quality %d', async (bytes, quality) => {
    const calls: number[] = [];
    const { made, met, trials } = await searchQuality({ by: 'bytes', bytes }, encoder(calls));
    expect([made.quality, met]).toEqual([quality, true]);
    expect(trials).toBe(calls.length);
    expect(trials).toBeLessThanOrEqual(7);
  });

  it.each([
    [0.95, 50],
    [0.921, 21],
    [0.9201, 21],
    [0.9, 20],
    [0.9949, 95],
  ])('reaches a likeness of %d with quality %d', async (similarity, quality) => {
    const { made, met } = await searchQuality({ by: 'similarity', similarity }, encoder());
    expect([made.quality, met]).toEqual([quality, true]);
  });

  it('gives the nearest, and says so, where no quality will do', async () => {
    expect(await searchQuality({ by: 'bytes', bytes: 900 }, encoder())).toMatchObject({
      made: { quality: 20 },
      met: false,
    });
    expect(await searchQuality({ by: 'similarity', similarity: 0.999 }, encoder())).toMatchObject({
      made: { quality: 95 },
      met: false,
    });
  });

  it('suggests the lightest that is good enough, and never a quality that shows bands', () => {
    const point = (quality: number, bytes: number, similarity: number): Encoded => ({ quality, bytes, similarity });
    expect(suggestedPoint([point(90, 90, 0.99), point(75, 60, 0.975), point(60, 40, 0.95)])?.quality).toBe(75);
    expect(suggestedPoint([point(30, 10, 0.98), point(80, 50, 0.99)])?.quality).toBe(80);
    expect(suggestedPoint([point(90, 90, 0.91), point(75, 60, 0.9)])?.quality).toBe(90);
    expect(suggestedPoint([])).toBeNull();
  });
});

describe('where a picture is cut', () => {
  const spot = (x: number, y: number) => {
    const [width, height] = [90, 60];
    const data = new Uint8ClampedArray(width * height * 4).map((_, at) => {
      if (at % 4 === 3) return 255;
      const far = Math.hypot(((at >> 2) % width) - x * width, Math.floor((at >> 2) / width) - y * height);
      return far < 8 ? 220 : 90;
    });
    return lumaOf({ width, height, data });
  };

  it.each([
    [0.3, 0.4],
    [0.7, 0.6],
    [0.5, 0.3],
  ])('is suggested about what stands out at %d, %d', (x, y) => {
    const found = suggestedFocus(spot(x, y));
    expect(Math.hypot(found.x - x, found.y - y)).toBeLessThan(0.1);
  });

  it('is the middle where nothing stands out', () => {
    expect(suggestedFocus({ width: 60, height: 40, data: new Uint8Array(2400).fill(128) })).toEqual(MIDDLE);
    expect(suggestedFocus({ width: 1, height: 1, data: new Uint8Array([9]) })).toEqual(MIDDLE);
  });

  it.each([
    [
      { x: 0.5, y: 0.5 },
      { left: 100, top: 0, width: 400, height: 400 },
    ],
    [
      { x: 0, y: 0 },
      { left: 0, top: 0, width: 400, height: 400 },
    ],
    [
      { x: 1, y: 0.2 },
      { left: 200, top: 0, width: 400, height: 400 },
    ],
    [
      { x: 0.4, y: 0.5 },
      { left: 40, top: 0, width: 400, height: 400 },
    ],
  ])('stays inside of the picture about %j', (focus, part) =>
    expect(partAround({ width: 600, height: 400 }, { width: 150, height: 150 }, focus)).toEqual(part),
  );
});

describe('sharpening', () => {
  const edge = {
    width: 6,
    height: 3,
    data: new Uint8ClampedArray(72).map((_, at) => {
      if (at % 4 === 3) return 255;
      return (at >> 2) % 6 < 3 ? 80 : 160;
    }),
  };
  const row = (amount: number) => Array.from({ length: 6 }, (_, x) => sharpened(edge, amount).data[(6 + x) * 4]);

  it('steepens an edge by the share that is asked for, and leaves what is even', () =>
    expect(row(0.8)).toEqual([80, 80, 64, 176, 160, 160]));
  it('does nothing where none is asked for', () => expect(sharpened(edge, 0)).toBe(edge));
});

describe('sizes of a recipe', () => {
  const size = (part: Partial<SizeRecipe>): SizeRecipe => ({ ...DEFAULT_RECIPE.thumbnail, ...part });

  it('are twice as large for dense screens, and enlarged only where asked', () => {
    expect(madeSize({ width: 1000, height: 500 }, size({ width: 200 }), 2)).toEqual({ width: 400, height: 200 });
    expect(madeSize({ width: 300, height: 150 }, size({ width: 200 }), 2)).toEqual({ width: 300, height: 150 });
    expect(madeSize({ width: 100, height: 50 }, size({ width: 200, enlarge: true }))).toEqual({
      width: 200,
      height: 100,
    });
    expect([
      fallsShort({ width: 300, height: 150 }, size({ width: 200 }), 2),
      fallsShort({ width: 400, height: 150 }, size({ width: 200 }), 2),
    ]).toEqual([true, false]);
  });

  it('leave the pixels of all pictures where only their weight is to change', () => {
    const light = allPixels(size({}), 0.97);
    expect([keepsPixels(light), keepsPixels(size({})), sayRecipe(light)]).toEqual([
      true,
      false,
      'all pixels, JPEG with a similarity of 0.97',
    ]);
    expect(madeSize({ width: 6000, height: 4000 }, light)).toEqual({ width: 6000, height: 4000 });
  });

  it.each([
    [size({ aim: 'bytes', bytes: 60_000, format: 'webp' }), 'at most 150 px wide, WebP up to 60 kB'],
    [size({ aim: 'similarity', similarity: 0.96 }), 'at most 150 px wide, JPEG with a similarity of 0.96'],
    [
      size({ dense: true, sharpen: 'light', enlarge: true }),
      'at most 150 px wide, JPEG 80, also at 2×, sharpened, enlarged where needed',
    ],
  ])('read as one line', (recipe, says) => expect(sayRecipe(recipe)).toBe(says));

  const RIGHTS = { words: 'rights', exact: false } as const;

  it('have a fingerprint that tells what would come out otherwise', () => {
    const one = fingerprint(size({}), RIGHTS, MIDDLE);
    expect(fingerprint(size({ folder: 'x', name: '{name}-s', dense: true }), RIGHTS, { x: 0, y: 0 })).toBe(one);
    for (const other of [
      fingerprint(size({ quality: 81 }), RIGHTS, MIDDLE),
      fingerprint(size({}), { words: 'all', exact: false }, MIDDLE),
      fingerprint(size({ sharpen: 'light' }), RIGHTS, MIDDLE),
    ])
      expect(other).not.toBe(one);
    const crop = size({ width: 100, height: 100, shape: 'crop' });
    expect(fingerprint(crop, RIGHTS, { x: 0.4, y: 0.5 })).not.toBe(fingerprint(crop, RIGHTS, MIDDLE));
  });

  it.each([
    ['../up', 'A folder is written like'],
    ['/root', 'A folder is written like'],
  ])('refuse the folder %s', (folder, says) =>
    expect(SizeRecipe.safeParse(size({ folder })).error?.issues[0]?.message).toContain(says),
  );

  it('refuse a name without {name}, and a further size that would stand in the place of another', () => {
    expect(SizeRecipe.safeParse(size({ name: 'picture' })).error?.issues[0]?.message).toContain('{name}');
    expect(FurtherSize.safeParse({ title: 'medium', size: size({}) }).success).toBe(false);
    expect(FurtherSize.safeParse({ title: 'medium', size: size({ name: '{name}-m' }) }).success).toBe(true);
  });

  it('of an older version are read, with what they did not say as it was', () => {
    const old = { width: 150, height: null, shape: 'fit', format: 'jpeg', quality: 80 };
    expect(Recipe.parse({ thumbnail: old, fullSize: { ...old, width: 1600 } })).toMatchObject({
      thumbnail: { aim: 'quality', folder: null, dense: false },
      further: [],
      words: 'rights',
      exact: false,
    });
  });
});

describe('the head of a file', () => {
  it('of something else is no picture', () => {
    for (const bytes of [new Uint8Array(), new TextEncoder().encode('no picture at all, but some text')])
      expect(sniffedType(bytes)).toBeNull();
    for (const type of ['image/jpeg', 'image/png', 'image/gif', 'image/webp', 'image/avif'])
      expect(storedSize(new Uint8Array([0xff, 0xd8, 0xff]), type)).toBeNull();
  });
});
