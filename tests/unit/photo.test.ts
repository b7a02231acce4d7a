import sharp, { type Sharp } from 'sharp';
import { describe, expect, it } from 'vitest';
import {
  hashDistance,
  perceptualHash,
  shownSize,
  upright,
  type Pixels,
  resample,
  decodeSize,
  fitInside,
} from '../../core/photo/index.ts';
import { peakSignalToNoise, structuralSimilarity } from '../likeness.ts';
import { drawing } from '../../demo/draw.ts';
import { PICTURES } from '../../demo/pictures.ts';

async function pixelsOf(image: Sharp): Promise<Pixels> {
  const { data, info } = await image.ensureAlpha().raw().toBuffer({ resolveWithObject: true });
  return { width: info.width, height: info.height, data: new Uint8ClampedArray(data) };
}

const raw = ({ data, width, height }: Pixels) => sharp(Buffer.from(data), { raw: { width, height, channels: 4 } });
const svg = (n: number) => sharp(Buffer.from(drawing(PICTURES[n]!)), { unlimited: true }).flatten();

/** Concentric rings up to the highest frequency that the pixels hold: what a poor resampler turns into other rings. */
function zonePlate(side: number): Pixels {
  const data = new Uint8ClampedArray(side * side * 4);
  for (let y = 0; y < side; y++) {
    for (let x = 0; x < side; x++) {
      const radius = (x - side / 2) ** 2 + (y - side / 2) ** 2;
      data.fill(127.5 + 127.5 * Math.cos((Math.PI * radius) / side), (y * side + x) * 4, (y * side + x) * 4 + 3);
      data[(y * side + x) * 4 + 3] = 255;
    }
  }
  return { width: side, height: side, data };
}

/**
 * How much is left, as a root mean square around grey, where the plate's rings are finer than the new pixels by half
 * again.
 */
function residue({ width, height, data }: Pixels): number {
  const finest = width / 8;
  let sum = 0;
  let count = 0;
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      if (Math.hypot(x - width / 2, y - height / 2) < finest * 1.5) continue;
      sum += (data[(y * width + x) * 4]! - 127.5) ** 2;
      count++;
    }
  }
  return Math.sqrt(sum / count);
}

describe('resample against sharp (libvips, Lanczos 3) on the same pixels', () => {
  it.each([
    [0, 150],
    [3, 400],
    [9, 150],
  ])('demo picture %i to %i px', async (n, width) => {
    const source = await pixelsOf(svg(n));
    const size = fitInside(source, { width });
    const ours = resample(source, size);
    const theirs = await pixelsOf(
      raw(source).resize({ ...size, fit: 'fill', kernel: 'lanczos3', fastShrinkOnLoad: false }),
    );
    const psnr = peakSignalToNoise(ours, theirs);
    const ssim = structuralSimilarity(ours, theirs);
    console.log(
      `${PICTURES[n]?.path} to ${size.width}×${size.height}: PSNR ${psnr.toFixed(1)} dB, SSIM ${ssim.toFixed(5)}`,
    );
    expect(psnr).toBeGreaterThan(47);
    expect(ssim).toBeGreaterThan(0.998);
  });

  it('a zone plate shows no rings that were not there', async () => {
    const source = zonePlate(512);
    const ours = resample(source, { width: 128, height: 128 });
    const theirs = await pixelsOf(raw(source).resize({ width: 128, height: 128, fit: 'fill', kernel: 'lanczos3' }));
    // libvips halves by averaging before its Lanczos pass, so the two differ pixel by pixel; ours must leave no more
    // than it does.
    const [left, theirsLeft] = [residue(ours), residue(theirs)];
    console.log(
      `zone plate, rings left beyond the new limit: ${left.toFixed(2)} levels, sharp ${theirsLeft.toFixed(2)}`,
    );
    expect(left).toBeLessThanOrEqual(theirsLeft);
    expect(left).toBeLessThan(4);
  });

  it('lets no colour of clear pixels bleed in', () => {
    const data = new Uint8ClampedArray(4 * 4 * 4);
    for (let at = 0; at < data.length; at += 4) data.set((at / 4) % 4 < 2 ? [255, 0, 0, 255] : [0, 255, 0, 0], at);
    const small = resample({ width: 4, height: 4, data }, { width: 2, height: 2 });
    expect(small.data[0]).toBeGreaterThan(250);
    expect(small.data[1]).toBe(0);
  });

  it('refuses a picture without pixels', () =>
    expect(() => resample(zonePlate(4), { width: 0, height: 1 })).toThrow(RangeError));
});

describe('orientation against sharp (CIPA DC-008, values 1 to 8)', () => {
  it.each([1, 2, 3, 4, 5, 6, 7, 8])('value %i', async (orientation) => {
    const stored = await pixelsOf(svg(0).resize(60, 40, { fit: 'fill' }));
    const tagged = await raw(stored).png().withMetadata({ orientation }).toBuffer();
    const theirs = await pixelsOf(sharp(tagged).rotate());
    const ours = upright(stored, orientation);
    expect(shownSize(stored, orientation)).toEqual({ width: theirs.width, height: theirs.height });
    expect(Buffer.from(ours.data).equals(Buffer.from(theirs.data))).toBe(true);
  });
});

describe('sizes', () => {
  it.each([
    [
      { width: 6000, height: 4000 },
      { width: 150, height: 100 },
    ],
    [
      { width: 4000, height: 6000 },
      { width: 150, height: 225 },
    ],
    [
      { width: 100, height: 80 },
      { width: 100, height: 80 },
    ],
    [
      { width: 9000, height: 3 },
      { width: 150, height: 1 },
    ],
  ])('%j in a thumbnail’s box is %j', (full, size) => expect(fitInside(full, { width: 150 })).toEqual(size));

  it('asks a decoder for an exact eighth that leaves enough', () => {
    expect(decodeSize({ width: 6000, height: 4000 }, { width: 150, height: 100 })).toEqual({ width: 750, height: 500 });
    expect(decodeSize({ width: 6000, height: 4000 }, { width: 1600, height: 1067 })).toEqual({
      width: 3000,
      height: 2000,
    });
    // Odd sides: a pixel short, and Chromium decodes an eighth less, or nothing.
    expect(decodeSize({ width: 1205, height: 851 }, { width: 80, height: 56 })).toEqual({ width: 151, height: 107 });
    expect(decodeSize({ width: 1600, height: 1067 }, { width: 1600, height: 1067 })).toEqual({
      width: 1600,
      height: 1067,
    });
  });
});

describe('perceptual hash (Zauner 2010)', () => {
  it('stays near under reduction and recompression and far from other pictures', async () => {
    const hashes = await Promise.all(
      PICTURES.slice(0, 14).map(async (_, n) => {
        const full = await svg(n).resize(600).jpeg().toBuffer();
        const small = await sharp(full).resize(150).jpeg({ quality: 40 }).toBuffer();
        return [perceptualHash(await pixelsOf(sharp(full))), perceptualHash(await pixelsOf(sharp(small)))] as const;
      }),
    );
    let farthestSame = 0;
    let nearestOther = 64;
    hashes.forEach(([full, small], n) => {
      farthestSame = Math.max(farthestSame, hashDistance(full, small));
      hashes.forEach(([other], m) => n !== m && (nearestOther = Math.min(nearestOther, hashDistance(small, other))));
    });
    console.log(`same picture at most ${farthestSame} bits apart, others at least ${nearestOther}`);
    expect(farthestSame).toBeLessThan(nearestOther);
    expect(farthestSame).toBeLessThanOrEqual(8);
  });
});
