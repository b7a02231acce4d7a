/**
 * Structural similarity of two pictures of one size: Wang, Bovik, Sheikh, Simoncelli, "Image Quality Assessment: From
 * Error Visibility to Structural Similarity", IEEE Transactions on Image Processing 13 (2004), equation 13,
 * K1 = 0.01, K2 = 0.03, on luma of ITU-R BT.601. 1 is the same; below about 0.95 most people see a difference.
 */
import { lumaAt } from './luma.ts';
import type { Pixels } from './pixels.ts';

const C1 = (0.01 * 255) ** 2;
const C2 = (0.03 * 255) ** 2;

/** From the sums of a window of `count` weights that sum to `count`. */
function ofWindow(count: number, x: number, y: number, xx: number, yy: number, xy: number): number {
  const mx = x / count;
  const my = y / count;
  const covariance = xy / count - mx * my;
  return (
    ((2 * mx * my + C1) * (2 * covariance + C2)) /
    ((mx * mx + my * my + C1) * (xx / count - mx * mx + yy / count - my * my + C2))
  );
}

function lumas({ width, height, data }: Pixels): Float32Array {
  const luma = new Float32Array(width * height);
  for (let n = 0; n < luma.length; n++) luma[n] = lumaAt(data, n * 4);
  return luma;
}

function demandSameSize(a: Pixels, b: Pixels): void {
  if (a.width !== b.width || a.height !== b.height)
    throw new RangeError(
      `Pictures of ${a.width} × ${a.height} and ${b.width} × ${b.height} px cannot be compared point by point.`,
    );
}

const SIDE = 8;
const STRIDE = 4;

/** Over plain windows of 8×8 px, 4 px apart (the paper's first form): quick enough to be asked for at every quality. */
export function similarity(a: Pixels, b: Pixels): number {
  demandSameSize(a, b);
  const { width, height } = a;
  const [left, right] = [lumas(a), lumas(b)];
  const across = Math.min(SIDE, width);
  const down = Math.min(SIDE, height);
  let sum = 0;
  let count = 0;
  for (let top = 0; top + down <= height; top += STRIDE) {
    for (let start = 0; start + across <= width; start += STRIDE) {
      let x = 0,
        y = 0,
        xx = 0,
        yy = 0,
        xy = 0;
      for (let row = top; row < top + down; row++) {
        for (let at = row * width + start, end = at + across; at < end; at++) {
          const p = left[at] ?? 0;
          const q = right[at] ?? 0;
          x += p;
          y += q;
          xx += p * p;
          yy += q * q;
          xy += p * q;
        }
      }
      sum += ofWindow(across * down, x, y, xx, yy, xy);
      count++;
    }
  }
  return sum / count;
}

const REACH = 5;
const GAUSSIAN = Float64Array.from({ length: 2 * REACH + 1 }, (_, n) => Math.exp(-((n - REACH) ** 2) / (2 * 1.5 ** 2)));
const TOTAL = GAUSSIAN.reduce((sum, weight) => sum + weight, 0);

/**
 * Over Gaussian windows of 11×11 px, σ = 1.5, at every place where one fits: the paper's final form. Both sides must
 * have 11 px.
 */
export function gaussianSimilarity(a: Pixels, b: Pixels): number {
  demandSameSize(a, b);
  const [x, y] = [lumas(a), lumas(b)];
  const product = (p: Float32Array, q: Float32Array) => p.map((value, n) => value * (q[n] ?? 0));
  const means = (plane: Float32Array) => blurred(plane, a.width, a.height);
  const [mx, my] = [means(x), means(y)];
  const [xx, yy, xy] = [means(product(x, x)), means(product(y, y)), means(product(x, y))];
  const sum = mx.reduce((so, mean, n) => so + ofWindow(1, mean, my[n] ?? 0, xx[n] ?? 0, yy[n] ?? 0, xy[n] ?? 0), 0);
  return sum / mx.length;
}

/** Weighted means where the window fits, row by row. */
function blurred(plane: Float32Array, width: number, height: number): Float64Array {
  const inner = width - 2 * REACH;
  const rows = new Float64Array(inner * height);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < inner; x++)
      rows[y * inner + x] =
        GAUSSIAN.reduce((sum, weight, n) => sum + weight * (plane[y * width + x + n] ?? 0), 0) / TOTAL;
  const result = new Float64Array(inner * (height - 2 * REACH));
  for (let y = 0; y < height - 2 * REACH; y++)
    for (let x = 0; x < inner; x++)
      result[y * inner + x] =
        GAUSSIAN.reduce((sum, weight, n) => sum + weight * (rows[(y + n) * inner + x] ?? 0), 0) / TOTAL;
  return result;
}
