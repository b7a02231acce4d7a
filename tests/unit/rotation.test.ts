/** Rotated pictures: by quarters against libvips on the same pixels, by degrees against what is known between them. */
import sharp from 'sharp';
import { describe, expect, it } from 'vitest';
import { type Pixels, rotated, rotatedPoint, rotatedSize, shareLeft } from '../../core/photo/index.ts';
import { PICTURES } from '../../demo/pictures.ts';
import { drawing } from '../../demo/draw.ts';
import { peakSignalToNoise } from '../likeness.ts';

async function drawn(width: number, height: number): Promise<Pixels> {
  const { data } = await sharp(Buffer.from(drawing(PICTURES[3]!)), { unlimited: true })
    .resize(width, height, { fit: 'fill' })
    .flatten()
    .ensureAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true });
  return { width, height, data: new Uint8ClampedArray(data) };
}

const raw = ({ data, width, height }: Pixels) => sharp(Buffer.from(data), { raw: { width, height, channels: 4 } });

describe('a picture rotated by quarters', () => {
  it.each([1, 2, 3])('is what libvips makes of it: %s', async (quarters) => {
    const source = await drawn(90, 60);
    const mine = rotated(source, { quarters, degrees: 0 });
    const theirs = await raw(source)
      .rotate(quarters * 90)
      .raw()
      .toBuffer({ resolveWithObject: true });
    expect({ width: mine.width, height: mine.height }).toEqual({
      width: theirs.info.width,
      height: theirs.info.height,
    });
    expect(Buffer.from(mine.data).equals(theirs.data)).toBe(true);
  });

  it('has its points where they came to lie', () => {
    const marked: Pixels = { width: 8, height: 4, data: new Uint8ClampedArray(8 * 4 * 4) };
    marked.data[(1 * 8 + 6) * 4] = 255;
    for (const quarters of [0, 1, 2, 3]) {
      const { data, width, height } = rotated(marked, { quarters, degrees: 0 });
      const n = data.findIndex((value) => value === 255) / 4;
      const found = { x: ((n % width) + 0.5) / width, y: (Math.floor(n / width) + 0.5) / height };
      expect(rotatedPoint({ x: 6.5 / 8, y: 1.5 / 4 }, quarters)).toEqual(found);
      expect(rotatedPoint(found, -quarters)).toEqual({ x: 6.5 / 8, y: 1.5 / 4 });
    }
  });
});

describe('a picture brought level', () => {
  /** A picture that is known everywhere, between its pixels too; `x` and `y` from its middle, in px. */
  const wave = (x: number, y: number, c: number) =>
    128 + 60 * Math.sin(x / (5 + c) + y / 11) + 40 * Math.cos(y / (6 - c) - x / 23);
  const waves = (width: number, height: number, degrees: number): Pixels => {
    const angle = (degrees * Math.PI) / 180;
    const data = new Uint8ClampedArray(width * height * 4).fill(255);
    for (let n = 0; n < width * height; n++) {
      const [x, y] = [(n % width) + 0.5 - width / 2, Math.floor(n / width) + 0.5 - height / 2];
      // Rotated clockwise, with rows from the top: what was at (1, 0) comes to (cos, sin).
      const from = [x * Math.cos(angle) + y * Math.sin(angle), y * Math.cos(angle) - x * Math.sin(angle)] as const;
      for (let c = 0; c < 3; c++) data[n * 4 + c] = wave(...from, c);
    }
    return { width, height, data };
  };

  it.each([-15, -3.2, -0.4, 0.4, 7, 15])('is what is known of it at every place: %s°', (degrees) => {
    for (const [width, height] of [
      [301, 200],
      [160, 244],
    ] as const) {
      const made = rotated(waves(width, height, 0), { quarters: 0, degrees });
      expect(peakSignalToNoise(made, waves(made.width, made.height, degrees))).toBeGreaterThan(46);
    }
  });

  it.each([
    [1500, 1000, 5],
    [1000, 1500, 12],
    [800, 800, 15],
    [3000, 500, 1],
  ])('keeps its shape and has no empty corner: %s × %s by %s°', (width, height, degrees) => {
    const share = shareLeft({ width, height }, degrees);
    expect(share).toBeLessThan(1);
    const white: Pixels = { width, height, data: new Uint8ClampedArray(width * height * 4).fill(255) };
    const made = rotated(white, { quarters: 0, degrees });
    expect(made.width / made.height).toBeCloseTo(width / height, 1);
    expect(made.data.every((value) => value === 255)).toBe(true);
    // Each corner lies inside of the rotated picture, and one of them at its edge.
    const angle = (degrees * Math.PI) / 180;
    const reach = [
      ((width * Math.cos(angle) + height * Math.sin(angle)) * share) / width,
      ((width * Math.sin(angle) + height * Math.cos(angle)) * share) / height,
    ];
    expect(Math.max(...reach)).toBeCloseTo(1, 9);
    expect(rotatedSize({ width, height }, { quarters: 1, degrees })).toEqual({
      width: Math.floor(height * shareLeft({ width: height, height: width }, degrees)),
      height: Math.floor(width * shareLeft({ width: height, height: width }, degrees)),
    });
  });

  it('lets no colour of clear pixels shine through', () => {
    const half: Pixels = { width: 40, height: 40, data: new Uint8ClampedArray(40 * 40 * 4) };
    for (let n = 0; n < 1600; n++) half.data.set(n % 40 < 20 ? [200, 100, 50, 255] : [0, 255, 0, 0], n * 4);
    const { data } = rotated(half, { quarters: 0, degrees: 10 });
    for (let at = 0; at < data.length; at += 4) {
      if (data[at + 3]! < 8) continue;
      expect([data[at]!, data[at + 1]!, data[at + 2]!].map((value) => Math.round(value / 25))).toEqual([8, 4, 2]);
    }
  });
});
