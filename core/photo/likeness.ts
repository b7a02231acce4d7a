/**
 * A perceptual hash by discrete cosine transform: Zauner, "Implementation and Benchmarking of Perceptual
 * Image Hash Functions" (2010), section 3.2.1: 32×32 luma, the 8×8 lowest frequencies without the first
 * row and column, one bit each for above the median.
 */
import type { Pixels } from './pixels.ts';
import { resample } from './resample.ts';

const SIDE = 32;
const KEPT = 8;

const COSINES = Array.from({ length: KEPT }, (_, u) =>
  Array.from({ length: SIDE }, (_, x) => Math.cos(((2 * x + 1) * (u + 1) * Math.PI) / (2 * SIDE))),
);

/** Luma with the weights of ITU-R BT.601. */
const luma = (data: Uint8ClampedArray, at: number) =>
  0.299 * (data[at] ?? 0) + 0.587 * (data[at + 1] ?? 0) + 0.114 * (data[at + 2] ?? 0);

/** 64 bits as 16 hexadecimal digits. */
export function perceptualHash(pixels: Pixels): string {
  const small = resample(pixels, { width: SIDE, height: SIDE });
  const rows = Array.from({ length: SIDE }, (_, y) =>
    COSINES.map((wave) => wave.reduce((sum, cosine, x) => sum + cosine * luma(small.data, (y * SIDE + x) * 4), 0)),
  );
  const values = COSINES.flatMap((wave) =>
    Array.from({ length: KEPT }, (_, u) => wave.reduce((sum, cosine, y) => sum + cosine * (rows[y]?.[u] ?? 0), 0)),
  );
  const sorted = [...values].sort((a, b) => a - b);
  const median = ((sorted[31] ?? 0) + (sorted[32] ?? 0)) / 2;
  let hex = '';
  for (let at = 0; at < 64; at += 4)
    hex += values
      .slice(at, at + 4)
      .reduce((digit, value) => digit * 2 + (value > median ? 1 : 0), 0)
      .toString(16);
  return hex;
}

/** In how many of the 64 bits two hashes differ (Hamming distance). */
export function hashDistance(a: string, b: string): number {
  let bits = 0;
  for (let at = 0; at < 16; at++) {
    for (let left = parseInt(a[at] ?? '0', 16) ^ parseInt(b[at] ?? '0', 16); left; left &= left - 1) bits++;
  }
  return bits;
}

/** Mean red, green and blue, 0 to 255. */
export function meanColour({ data }: Pixels): [number, number, number] {
  const sums = [0, 0, 0];
  for (let at = 0; at < data.length; at += 4)
    for (let c = 0; c < 3; c++) sums[c] = (sums[c] ?? 0) + (data[at + c] ?? 0);
  const count = data.length / 4;
  return [(sums[0] ?? 0) / count, (sums[1] ?? 0) / count, (sums[2] ?? 0) / count];
}

export const colourDistance = (a: readonly number[], b: readonly number[]): number =>
  Math.hypot(...a.map((value, n) => value - (b[n] ?? 0)));
