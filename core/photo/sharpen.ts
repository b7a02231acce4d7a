/**
 * Sharpening after reduction: an unsharp mask on luma (common practice, no source), so that colours stay as they are.
 * The blur is a binomial 3×3 (1 2 1), near to a Gaussian of σ = 0.8 px: what a reduction softens is that small.
 */
import { lumaAt } from './luma.ts';
import type { Pixels } from './pixels.ts';

export const SHARPENINGS = { none: 0, light: 0.35, strong: 0.8 } as const;

/** Differences of fewer shades than this are taken for noise and left. */
const NOISE = 2;

/** Each number with its neighbours to the left and right, 1 2 1; at an edge it is its own neighbour. */
function blurredAcross(luma: Float32Array, width: number): Float64Array {
  const across = new Float64Array(luma.length);
  for (let row = 0; row < luma.length; row += width) {
    const last = row + width - 1;
    for (let at = row; at <= last; at++)
      across[at] = (luma[Math.max(row, at - 1)] ?? 0) + 2 * (luma[at] ?? 0) + (luma[Math.min(last, at + 1)] ?? 0);
  }
  return across;
}

/** A new picture; `amount` is the share of the difference from the blur that is added. */
export function sharpened(pixels: Pixels, amount: number): Pixels {
  if (amount === 0) return pixels;
  const { width, height, data } = pixels;
  const luma = new Float32Array(width * height);
  for (let n = 0; n < luma.length; n++) luma[n] = lumaAt(data, n * 4);
  const across = blurredAcross(luma, width);
  const made = new Uint8ClampedArray(data);
  for (let here = 0; here < luma.length; here++) {
    const above = here < width ? here : here - width;
    const below = here + width < luma.length ? here + width : here;
    const blur = ((across[above] ?? 0) + 2 * (across[here] ?? 0) + (across[below] ?? 0)) / 16;
    const difference = (luma[here] ?? 0) - blur;
    if (Math.abs(difference) < NOISE) continue;
    for (let at = here * 4; at < here * 4 + 3; at++) made[at] = (data[at] ?? 0) + difference * amount;
  }
  return { width, height, data: made };
}
