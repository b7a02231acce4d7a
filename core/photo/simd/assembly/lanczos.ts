/**
 * Weighted sums of rows and columns with 128-bit SIMD, compiled by AssemblyScript to `../lanczos.wasm` (`npm run wasm`).
 * The weights are those of `../../resample.ts`. Pixels are opaque RGBA, 8 bits each, rows without padding; every
 * buffer has 64 bytes to spare behind it, for blocks of 16 bytes are read and written whole.
 */

/** Weights of rows are whole numbers of 1/16384, so that two of them and two bytes are summed in one step. */
const UNIT: f32 = 1.0 / 16384.0;

/**
 * One line of the outcome: `count` (even) rows from `source` on, `stride` bytes apart, each times its weight;
 * then every `to` place of the line from `taps` places.
 */
export function line(source: usize, stride: i32, count: i32, rowWeights: usize, row: usize, to: i32, first: usize, taps: i32, weights: usize, out: usize): void {
  rowsInto(source, stride, count, rowWeights, row);
  columnsInto(row, to, first, taps, weights, out);
}

// @ts-ignore: decorator
@inline
function rowsInto(source: usize, stride: i32, count: i32, rowWeights: usize, row: usize): void {
  const unit = f32x4.splat(UNIT);
  for (let at = 0; at < stride; at += 16) {
    let a = i32x4.splat(0);
    let b = i32x4.splat(0);
    let c = i32x4.splat(0);
    let d = i32x4.splat(0);
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
    const to = row + ((<usize>at) << 2);
    v128.store(to, f32x4.mul(f32x4.convert_i32x4_s(a), unit));
    v128.store(to, f32x4.mul(f32x4.convert_i32x4_s(b), unit), 16);
    v128.store(to, f32x4.mul(f32x4.convert_i32x4_s(c), unit), 32);
    v128.store(to, f32x4.mul(f32x4.convert_i32x4_s(d), unit), 48);
  }
}

// @ts-ignore: decorator
@inline
function columnsInto(row: usize, to: i32, first: usize, taps: i32, weights: usize, out: usize): void {
  const half = f32x4.splat(0.5);
  const least = f32x4.splat(0);
  const most = f32x4.splat(255);
  for (let x = 0; x < to; x++) {
    let from = row + ((<usize>load<i32>(first + ((<usize>x) << 2))) << 4);
    let weight = weights + ((<usize>(x * taps)) << 2);
    let even = f32x4.splat(0);
    let odd = f32x4.splat(0);
    let n = 0;
    for (; n + 1 < taps; n += 2) {
      even = f32x4.add(even, f32x4.mul(v128.load(from), v128.load32_splat(weight)));
      odd = f32x4.add(odd, f32x4.mul(v128.load(from, 16), v128.load32_splat(weight, 4)));
      from += 32;
      weight += 8;
    }
    if (n < taps) even = f32x4.add(even, f32x4.mul(v128.load(from), v128.load32_splat(weight)));
    const sum = f32x4.min(f32x4.max(f32x4.add(even, odd), least), most);
    const whole = i32x4.trunc_sat_f32x4_u(f32x4.add(sum, half));
    const words = i16x8.narrow_i32x4_u(whole, whole);
    v128.store32_lane(out + ((<usize>x) << 2), i8x16.narrow_i16x8_u(words, words), 0);
  }
}
