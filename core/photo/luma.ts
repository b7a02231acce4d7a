/** Small pictures in shades of grey, for comparing places in pictures. Luma with the weights of ITU-R BT.601. */
import type { Pixels } from './pixels.ts';
import { fitInside } from './size.ts';
import { resample } from './resample.ts';

export interface Luma {
  width: number;
  height: number;
  /** One byte a pixel, row by row. */
  data: Uint8Array;
}

/** Longer side of the luma that is kept of each picture; image px. */
const LUMA_SIDE = 64;

/** 0.299 R + 0.587 G + 0.114 B of the pixel that begins at `at`; 0 to 255. */
export const lumaAt = (data: Uint8ClampedArray, at: number): number =>
  0.299 * (data[at] ?? 0) + 0.587 * (data[at + 1] ?? 0) + 0.114 * (data[at + 2] ?? 0);

export function lumaOf(pixels: Pixels, side = LUMA_SIDE): Luma {
  const { width, height, data } = resample(pixels, fitInside(pixels, { width: side, height: side }));
  return {
    width,
    height,
    data: Uint8Array.from({ length: width * height }, (_, n) => Math.round(lumaAt(data, n * 4))),
  };
}

/**
 * Sums over rectangles in constant time: `sums[(y)·(width+1) + x]` is the sum above and left of (x, y) (Crow 1984,
 * summed-area tables).
 */
export interface SummedArea {
  width: number;
  height: number;
  sums: Float64Array;
}

export function summedArea({ width, height, data }: Luma): SummedArea {
  const stride = width + 1;
  const sums = new Float64Array(stride * (height + 1));
  for (let y = 0; y < height; y++) {
    let row = 0;
    for (let x = 0; x < width; x++) {
      row += data[y * width + x] ?? 0;
      sums[(y + 1) * stride + x + 1] = (sums[y * stride + x + 1] ?? 0) + row;
    }
  }
  return { width, height, sums };
}

/** A rectangle in px of the luma. */
export interface Frame {
  left: number;
  top: number;
  width: number;
  height: number;
}

/**
 * Corners of the cells along one line, and the shares of the px in which they lie; kept, for this runs many thousand
 * times.
 */
const MOST = 128;
const at = new Int32Array(MOST);
const share = new Float64Array(MOST);
const above = new Float64Array(MOST);
const below = new Float64Array(MOST);

/** The table along the line `y`, at each corner, between its points where the line or corner lies within a pixel. */
function sumsAlong({ width, height, sums }: SummedArea, y: number, corners: number, line: Float64Array): void {
  const stride = width + 1;
  const top = Math.min(Math.floor(y), height - 1);
  const fy = y - top;
  for (let n = 0; n < corners; n++) {
    const from = top * stride + (at[n] ?? 0);
    const fx = share[n] ?? 0;
    const upper = (sums[from] ?? 0) + ((sums[from + 1] ?? 0) - (sums[from] ?? 0)) * fx;
    const lower = (sums[from + stride] ?? 0) + ((sums[from + stride + 1] ?? 0) - (sums[from + stride] ?? 0)) * fx;
    line[n] = upper + (lower - upper) * fy;
  }
}

/**
 * Means of a grid of `columns` × `rows` cells (at most 127 across) laid over the frame, written into `into` from
 * `offset` on.
 */
export function cellMeans(
  table: SummedArea,
  frame: Frame,
  columns: number,
  rows: number,
  into: Float32Array,
  offset = 0,
): void {
  const corners = columns + 1;
  for (let n = 0; n < corners; n++) {
    const x = frame.left + (frame.width * n) / columns;
    at[n] = Math.min(Math.floor(x), table.width - 1);
    share[n] = x - (at[n] ?? 0);
  }
  const area = (frame.width / columns) * (frame.height / rows);
  sumsAlong(table, frame.top, corners, above);
  for (let y = 0; y < rows; y++) {
    sumsAlong(table, frame.top + (frame.height * (y + 1)) / rows, corners, below);
    for (let x = 0; x < columns; x++)
      into[offset + y * columns + x] =
        ((below[x + 1] ?? 0) - (below[x] ?? 0) - (above[x + 1] ?? 0) + (above[x] ?? 0)) / area;
    for (let n = 0; n < corners; n++) above[n] = below[n] ?? 0;
  }
}

/**
 * Shifts values to mean 0 and scales them to length 1, so that the product of two is their correlation; all 0 where
 * they hardly differ. Gives their spread: the root of the mean square, in shades.
 */
export function normalise(values: Float32Array, from: number, count: number): number {
  let mean = 0;
  for (let n = from; n < from + count; n++) mean += values[n] ?? 0;
  mean /= count;
  let power = 0;
  for (let n = from; n < from + count; n++) power += ((values[n] ?? 0) - mean) ** 2;
  const length = Math.sqrt(power);
  // Below half a shade of spread there is nothing to compare but noise.
  const flat = length < Math.sqrt(count) / 2;
  for (let n = from; n < from + count; n++) values[n] = flat ? 0 : ((values[n] ?? 0) - mean) / length;
  return length / Math.sqrt(count);
}

/** Shades that hardly differ: a plain colour, of which nothing can be said by comparing. */
export function isPlain({ data }: Luma): boolean {
  let least = 255;
  let most = 0;
  for (const shade of data) {
    if (shade < least) least = shade;
    if (shade > most) most = shade;
  }
  return most - least < 10;
}
