/**
 * Sharpening after reduction: an unsharp mask on luma (common practice, no source), so that colours stay as they are.
 * The blur is a binomial 3×3 (1 2 1), near to a Gaussian of σ = 0.8 px: what a reduction softens is that small.
 */
import { lumaAt } from './luma.ts';
import type { Pixels } from './pixels.ts';

export const SHARPENINGS = { none: 0, light: 0.35, strong: 0.8 } as const;

/** Differences of fewer shades than this are taken for noise and left. */
const NOISE = 2;

const oneTwoOne = (luma: Float32Array, left: number, middle: number, right: number): number =>
  (luma[left] ?? 0) + 2 * (luma[middle] ?? 0) + (luma[right] ?? 0);

/** A new picture; `amount` is the share of the difference from the blur that is added. */
export function sharpened(pixels: Pixels, amount: number): Pixels {
  if (amount === 0) return pixels;
  const { width, height, data } = pixels;
  const luma = new Float32Array(width * height);
  for (let n = 0; n < luma.length; n++) luma[n] = lumaAt(data, n * 4);
  const made = new Uint8ClampedArray(data);
  for (let y = 0; y < height; y++) {
    const here = y * width;
    const above = Math.max(0, y - 1) * width;
    const below = Math.min(height - 1, y + 1) * width;
    for (let x = 0; x < width; x++) {
      const left = Math.max(0, x - 1);
      const right = Math.min(width - 1, x + 1);
      const across = (row: number) => oneTwoOne(luma, row + left, row + x, row + right);
      const blur = (across(above) + 2 * across(here) + across(below)) / 16;
      const difference = (luma[here + x] ?? 0) - blur;
      if (Math.abs(difference) < NOISE) continue;
      const at = (here + x) * 4;
      for (let c = 0; c < 3; c++) made[at + c] = (data[at + c] ?? 0) + difference * amount;
    }
  }
  return { width, height, data: made };
}
