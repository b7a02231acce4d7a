/**
 * Reduction with the Lanczos-3 kernel, separable, in floating point, on premultiplied alpha.
 * Kernel: L(x) = sinc(x)·sinc(x/3) for |x| < 3 (Duchon 1979), widened by the scale when reducing.
 */
import type { Pixels } from './pixels.ts';
import type { Size } from './size.ts';

const LOBES = 3;

function lanczos(x: number): number {
  if (x === 0) return 1;
  if (Math.abs(x) >= LOBES) return 0;
  const a = Math.PI * x;
  return (LOBES * Math.sin(a) * Math.sin(a / LOBES)) / (a * a);
}

export interface Taps {
  first: Int32Array;
  count: number;
  /** `count` weights for each output place, summing to one. */
  weights: Float32Array;
}

/** Which inputs make each output place along one axis, and how much of each. */
export function tapsFor(from: number, to: number): Taps {
  const scale = Math.max(1, from / to);
  const reach = LOBES * scale;
  const count = Math.min(from, Math.ceil(reach * 2));
  const first = new Int32Array(to);
  const weights = new Float32Array(to * count);
  for (let out = 0; out < to; out++) {
    const centre = ((out + 0.5) * from) / to;
    const start = Math.min(Math.max(0, Math.ceil(centre - reach - 0.5)), from - count);
    first[out] = start;
    let sum = 0;
    for (let tap = 0; tap < count; tap++) {
      const weight = lanczos((start + tap + 0.5 - centre) / scale);
      weights[out * count + tap] = weight;
      sum += weight;
    }
    for (let tap = 0; tap < count; tap++) weights[out * count + tap] = (weights[out * count + tap] ?? 0) / sum;
  }
  return { first, count, weights };
}

/** Gives a picture at another size. Both sides must be at least 1 px. */
export type Resample = (source: Pixels, size: Size) => Pixels;

/** The reference way, also where there is no WebAssembly; {@link Resample}. */
export function resample(source: Pixels, size: Size): Pixels {
  if (size.width < 1 || size.height < 1) throw new RangeError('A picture needs at least one pixel on each side.');
  if (size.width === source.width && size.height === source.height) return source;
  const across = tapsFor(source.width, size.width);
  const down = tapsFor(source.height, size.height);
  const rows = new Float32Array(size.width * source.height * 4);
  const line = new Float32Array(source.width * 4);

  for (let y = 0; y < source.height; y++) {
    premultipliedLine(source, y, line);
    for (let x = 0; x < size.width; x++) {
      const at = (across.first[x] ?? 0) * 4;
      rows.set(weighed(line, at, 4, across, x), (y * size.width + x) * 4);
    }
  }
  const data = new Uint8ClampedArray(size.width * size.height * 4);
  const stride = size.width * 4;
  for (let y = 0; y < size.height; y++) {
    for (let x = 0; x < size.width; x++) {
      const at = (down.first[y] ?? 0) * stride + x * 4;
      putStraight(weighed(rows, at, stride, down, y), data, y * stride + x * 4);
    }
  }
  return { ...size, data };
}

/** Red, green, blue and alpha of one place; handed out again with the next place. */
const sum = new Float64Array(4);

/** The sum of `taps.count` premultiplied pixels from `at` on, `step` numbers apart, by the weights of a place. */
function weighed(values: Float32Array, at: number, step: number, taps: Taps, place: number): Float64Array {
  sum.fill(0);
  for (let tap = 0; tap < taps.count; tap++) {
    const weight = taps.weights[place * taps.count + tap] ?? 0;
    for (let c = 0; c < 4; c++) sum[c] = (sum[c] ?? 0) + (values[at + tap * step + c] ?? 0) * weight;
  }
  return sum;
}

/** Writes a premultiplied pixel as a straight one. */
function putStraight([r = 0, g = 0, b = 0, a = 0]: Float64Array, data: Uint8ClampedArray, at: number): void {
  const share = a > 0 ? 255 / a : 0;
  data[at] = r * share;
  data[at + 1] = g * share;
  data[at + 2] = b * share;
  data[at + 3] = a;
}

function premultipliedLine({ data, width }: Pixels, y: number, line: Float32Array): void {
  const from = y * width * 4;
  for (let at = 0; at < width * 4; at += 4) {
    const alpha = data[from + at + 3] ?? 0;
    const share = alpha / 255;
    line[at] = (data[from + at] ?? 0) * share;
    line[at + 1] = (data[from + at + 1] ?? 0) * share;
    line[at + 2] = (data[from + at + 2] ?? 0) * share;
    line[at + 3] = alpha;
  }
}
