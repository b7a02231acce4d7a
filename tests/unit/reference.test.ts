/** Measures of pictures against papers and against other people's libraries. */
import { fileURLToPath } from 'node:url';
import sharp from 'sharp';
import phash from 'sharp-phash';
import { ssim } from 'ssim.js';
import { beforeAll, describe, expect, it } from 'vitest';
import { PICTURES } from '../../demo/pictures.ts';
import {
  gaussianSimilarity,
  hashDistance,
  onGround,
  perceptualHash,
  resample,
  searchQuality,
  similarity,
  type Pixels,
} from '../../core/photo/index.ts';
import { structuralSimilarity } from '../likeness.ts';
import { drawn, thumbnailOf } from '../bench/labelled.ts';

const decoded = async (file: Buffer): Promise<Pixels> => {
  const { data, info } = await sharp(file).ensureAlpha().raw().toBuffer({ resolveWithObject: true });
  return { width: info.width, height: info.height, data: new Uint8ClampedArray(data) };
};

describe('structural similarity (Wang et al., IEEE TIP 2004)', () => {
  const pairs: { quality: number; a: Pixels; b: Pixels }[] = [];
  beforeAll(async () => {
    for (const [n, quality] of [
      [1, 90],
      [2, 60],
      [3, 30],
      [4, 8],
    ] as const) {
      const file = await sharp(await drawn(n))
        .resize(240)
        .png()
        .toBuffer();
      pairs.push({ quality, a: await decoded(file), b: await decoded(await sharp(file).jpeg({ quality }).toBuffer()) });
    }
  });

  it('is what ssim.js computes by the paper’s first script, to two thousandths', () => {
    for (const { a, b } of pairs) {
      // That library takes the luma in whole levels, so the last digits differ.
      const theirs = ssim(a, b, {
        ssim: 'original',
        downsample: false,
        k1: 0.01,
        k2: 0.03,
        windowSize: 11,
        rgb2grayVersion: 'integer',
      }).mssim;
      console.log(`SSIM ${gaussianSimilarity(a, b).toFixed(5)}, ssim.js ${theirs.toFixed(5)}`);
      expect(Math.abs(gaussianSimilarity(a, b) - theirs)).toBeLessThan(0.002);
    }
  });

  it('is what the tests’ own writing of the paper computes, to the last digits', () => {
    for (const { a, b } of pairs) expect(gaussianSimilarity(a, b)).toBeCloseTo(structuralSimilarity(a, b), 5);
  });

  it('ranks pictures alike where windows are plain and apart', () => {
    const ranks = (measure: (a: Pixels, b: Pixels) => number) =>
      [...pairs].sort((p, q) => measure(q.a, q.b) - measure(p.a, p.b)).map(({ quality }) => quality);
    expect(ranks(similarity)).toEqual(ranks(gaussianSimilarity));
    expect(ranks(similarity)).toEqual([90, 60, 30, 8]);
  });

  it('is 1 for the same, and refuses what cannot be compared', () => {
    const { a } = pairs[0]!;
    expect(similarity(a, a)).toBe(1);
    expect(gaussianSimilarity(a, a)).toBeCloseTo(1, 12);
    const other = resample(a, { width: 20, height: 20 });
    expect(() => similarity(a, other)).toThrow('240 × 240 and 20 × 20');
    expect(similarity(resample(a, { width: 3, height: 2 }), resample(a, { width: 3, height: 2 }))).toBe(1);
  });
});

describe('the perceptual hash (Zauner 2010, DCT hash) beside sharp-phash', () => {
  it('tells reductions of a picture from other pictures as that library does: the same ranking of pairs', async () => {
    const fulls = await Promise.all([11, 12, 13, 14, 15, 16].map(drawn));
    const thumbnails = await Promise.all(fulls.map((full, n) => thumbnailOf(full, 'recompressed', n)));
    const ours = async (file: Buffer) => perceptualHash(onGround(await decoded(file), [255, 255, 255]));
    const distance = (a: string, b: string) => [...a].filter((bit, n) => bit !== b[n]).length;
    const hashes = await Promise.all(
      [...fulls, ...thumbnails].map(async (file) => ({ ours: await ours(file), theirs: await phash(file) })),
    );
    for (let n = 0; n < fulls.length; n++) {
      const rank = (to: (m: number) => number) => fulls.map((_, m) => m).sort((a, b) => to(a) - to(b))[0];
      const small = hashes[fulls.length + n]!;
      const byOurs = rank((m) => hashDistance(small.ours, hashes[m]!.ours));
      const byTheirs = rank((m) => distance(small.theirs, hashes[m]!.theirs));
      expect([byOurs, byTheirs]).toEqual([n, n]);
    }
  });
});

describe('WebP beside the older formats', () => {
  // WebP project, "WebP Compression Study" and "Lossless and Alpha", as recalled in the design's notes (from memory):
  // 25 to
  // 34 % smaller than JPEG at equal similarity, about 26 % smaller than PNG without loss. Drawn skies are no
  // photographs.
  it('is smaller on the demo’s pictures; the shares are printed', async () => {
    const lossy: number[] = [];
    const lossless: number[] = [];
    for (const picture of PICTURES.filter(({ path }) => path.includes('large/')).slice(0, 3)) {
      const source = await sharp(fileURLToPath(new URL(`../../demo/.made/site/${picture.path}`, import.meta.url)))
        .resize({ width: 400 })
        .removeAlpha()
        .png()
        .toBuffer();
      const pixels = await decoded(source);
      const alike = async (file: Buffer) => similarity(pixels, await decoded(file));
      const jpeg = await sharp(source).jpeg({ quality: 80 }).toBuffer();
      const wanted = await alike(jpeg);
      const { made } = await searchQuality({ by: 'similarity', similarity: wanted }, async (quality) => {
        const file = await sharp(source).webp({ quality }).toBuffer();
        return { quality, bytes: file.length, similarity: await alike(file) };
      });
      lossy.push(made.bytes / jpeg.length);
      lossless.push(
        (await sharp(source).webp({ lossless: true, effort: 6 }).toBuffer()).length /
          (await sharp(source).png({ compressionLevel: 9, adaptiveFiltering: true }).toBuffer()).length,
      );
    }
    const median = (all: number[]) => [...all].sort((a, b) => a - b)[all.length >> 1]!;
    console.log(
      `WebP at the likeness of JPEG 80: ${Math.round((1 - median(lossy)) * 100)} % smaller (study: 25 to 34 %); without loss against PNG: ${Math.round((1 - median(lossless)) * 100)} % smaller (study: about 26 %)`,
    );
    expect(median(lossless)).toBeLessThan(0.9);
    expect(median(lossy)).toBeLessThan(1);
  }, 120_000);
});
