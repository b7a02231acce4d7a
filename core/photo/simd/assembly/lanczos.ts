/**
 * Weighted sums of rows and columns with 128-bit SIMD, compiled by AssemblyScript to `../lanczos.wasm` (`npm run
 * wasm`). The weights are those of `../../resample.ts`, in whole numbers of 1/16384, so that two of them and two
 * values are summed in one step. Pixels are opaque RGBA, 8 bits each, rows without padding; every buffer has 64 bytes
 * to spare behind it, for blocks of 16 bytes are read and written whole.
 */

/**
 * Between rows and columns values are kept in 64ths of a level: weights may overshoot by a quarter and still fit 16
 * bits.
 */
const KEPT_BITS: i32 = 6;
const WEIGHT_BITS: i32 = 14;

/**
 * One line of the outcome: `count` (even) rows from `source` on, `stride` bytes apart, each times its weight;
 * then every `to` place of the line from `taps` (even) places.
 */
export function line(source: usize, stride: i32, count: i32, rowWeights: usize, row: usize, to: i32, first: usize, taps: i32, weights: usize, out: usize): void {
  rowsInto(source, stride, count, rowWeights, row);
  columnsInto(row, to, first, taps, weights, out);
}

/** Whether all pixels of `bytes` (a multiple of 4) are opaque. */
export function opaque(at: usize, bytes: i32): bool {
  const end = at + bytes;
  let all = i32x4.splat(-1);
  for (; at + 16 <= end; at += 16) all = v128.and(all, v128.load(at));
  for (; at < end; at += 4) all = v128.and(all, v128.load32_splat(at));
  return i32x4.all_true(i32x4.eq(v128.and(all, i32x4.splat(0xff000000)), i32x4.splat(0xff000000)));
}

// @ts-ignore: decorator
@inline
function rowsInto(source: usize, stride: i32, count: i32, rowWeights: usize, row: usize): void {
  const shift = WEIGHT_BITS - KEPT_BITS;
  const half = i32x4.splat(1 << (shift - 1));
  for (let at = 0; at < stride; at += 16) {
    let a = half;
    let b = half;
    let c = half;
    let d = half;
    let from = source + at;
    for (let n = 0; n < count; n += 2) {
      const pair = v128.load32_splat(rowWeights + ((<usize>n) << 1));
      const upper = v128.load(from);
      const lower = v128.load(from + stride);
      // Bytes of both rows take turns, so that each pair of 16-bit numbers is one byte of each row.
      const low = v128.shuffle<u8>(upper, lower, 0, 16, 1, 17, 2, 18, 3, 19, 4, 20, 5, 21, 6, 22, 7, 23);
      const high = v128.shuffle<u8>(upper, lower, 8, 24, 9, 25, 10, 26, 11, 27, 12, 28, 13, 29, 14, 30, 15, 31);
      a = i32x4.add(a, i32x4.dot_i16x8_s(i16x8.extend_low_i8x16_u(low), pair));
      b = i32x4.add(b, i32x4.dot_i16x8_s(i16x8.extend_high_i8x16_u(low), pair));
      c = i32x4.add(c, i32x4.dot_i16x8_s(i16x8.extend_low_i8x16_u(high), pair));
      d = i32x4.add(d, i32x4.dot_i16x8_s(i16x8.extend_high_i8x16_u(high), pair));
      from += stride << 1;
    }
    const to = row + ((<usize>at) << 1);
    v128.store(to, i16x8.narrow_i32x4_s(i32x4.shr_s(a, shift), i32x4.shr_s(b, shift)));
    v128.store(to, i16x8.narrow_i32x4_s(i32x4.shr_s(c, shift), i32x4.shr_s(d, shift)), 16);
  }
}

// @ts-ignore: decorator
@inline
function columnsInto(row: usize, to: i32, first: usize, taps: i32, weights: usize, out: usize): void {
  const shift = WEIGHT_BITS + KEPT_BITS;
  const half = i32x4.splat(1 << (shift - 1));
  const zero = i32x4.splat(0);
  for (let x = 0; x < to; x++) {
    let from = row + ((<usize>load<i32>(first + ((<usize>x) << 2))) << 3);
    let weight = weights + ((<usize>(x * taps)) << 1);
    const end = weight + ((<usize>taps) << 1);
    let even = half;
    let odd = zero;
    for (; weight + 8 <= end; weight += 8) {
      even = i32x4.add(even, i32x4.dot_i16x8_s(turned(v128.load(from)), v128.load32_splat(weight)));
      odd = i32x4.add(odd, i32x4.dot_i16x8_s(turned(v128.load(from, 16)), v128.load32_splat(weight, 4)));
      from += 32;
    }
    if (weight < end) even = i32x4.add(even, i32x4.dot_i16x8_s(turned(v128.load(from)), v128.load32_splat(weight)));
    const whole = i32x4.shr_s(i32x4.add(even, odd), shift);
    const words = i16x8.narrow_i32x4_s(whole, whole);
    v128.store32_lane(out + ((<usize>x) << 2), i8x16.narrow_i16x8_u(words, words), 0);
  }
}

/** Two pixels' channels side by side: r0 r1 g0 g1 b0 b1 a0 a1. */
// @ts-ignore: decorator
@inline
function turned(pixels: v128): v128 {
  return v128.shuffle<u16>(pixels, pixels, 0, 4, 1, 5, 2, 6, 3, 7);
}
