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
      const out = (y * size.width + x) * 4;
      for (let c = 0; c < 4; c++) rows[out + c] = weighed(line, at + c, 4, across, x);
    }
  }
  const data = new Uint8ClampedArray(size.width * size.height * 4);
  const stride = size.width * 4;
  for (let y = 0; y < size.height; y++) {
    for (let x = 0; x < size.width; x++) {
      const at = (down.first[y] ?? 0) * stride + x * 4;
      const out = y * stride + x * 4;
      const alpha = weighed(rows, at + 3, stride, down, y);
      const share = alpha > 0 ? 255 / alpha : 0;
      for (let c = 0; c < 3; c++) data[out + c] = weighed(rows, at + c, stride, down, y) * share;
      data[out + 3] = alpha;
    }
  }
  return { ...size, data };
}

/** The sum of `taps.count` numbers from `at` on, `step` apart, by the weights of a place. One number: no allocation. */
function weighed(values: Float32Array, at: number, step: number, { weights, count }: Taps, place: number): number {
  const from = place * count;
  let sum = 0;
  for (let tap = 0; tap < count; tap++) sum += (values[at + tap * step] ?? 0) * (weights[from + tap] ?? 0);
  return sum;
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
