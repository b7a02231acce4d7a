/**
 * The same reduction as `../resample.ts`, some ten times as fast: see `assembly/lanczos.ts`. Opaque pictures only;
 * others take the reference way.
 */
import { resample, tapsFor, type Resample, type Taps } from '../resample.ts';

interface Exports {
  opaque(at: number, bytes: number): number;
  line(
    source: number,
    stride: number,
    count: number,
    rowWeights: number,
    row: number,
    to: number,
    first: number,
    taps: number,
    weights: number,
    out: number,
  ): void;
}

const PAGE = 65_536;
/** Blocks are read and written whole, so a little behind every buffer is touched. */
const SPARE = 64;
const UNIT = 16_384;

/** `compiled` holds the bytes of `lanczos.wasm`. */
export async function simdResampler(compiled: BufferSource): Promise<Resample> {
  const memory = new WebAssembly.Memory({ initial: 1 });
  const { instance } = await WebAssembly.instantiate(compiled, { env: { memory } });
  // What the file exports is known from its source; a test compiles that and compares.
  const exports = instance.exports as unknown as Exports;
  const line: Exports['line'] = (...given) => exports.line(...given);
  const opaque: Exports['opaque'] = (...given) => exports.opaque(...given);

  return (source, size) => {
    if (size.width === source.width && size.height === source.height) return source;
    if (size.width < 1 || size.height < 1) return resample(source, size);
    const across = inUnits(tapsFor(source.width, size.width));
    const down = inUnits(tapsFor(source.height, size.height));
    const stride = source.width * 4;
    let free = 0;
    const room = (bytes: number): number => {
      const at = free;
      free += Math.ceil((bytes + SPARE) / 16) * 16;
      return at;
    };
    // A last row of zeros stands in where an even number of rows would reach below the picture.
    const pixels = room(stride * (source.height + 1));
    const row = room(stride * 2);
    const first = room(across.first.byteLength);
    const weights = room(across.weights.byteLength);
    const rowWeights = room(down.weights.byteLength);
    const out = room(size.width * 4);
    const missing = Math.ceil((free - memory.buffer.byteLength) / PAGE);
    if (missing > 0) memory.grow(missing);

    // Of one type with the source: the engine then copies memory instead of numbers.
    new Uint8ClampedArray(memory.buffer, pixels).set(source.data);
    if (!opaque(pixels, stride * source.height)) return resample(source, size);
    new Uint8Array(memory.buffer, pixels + stride * source.height, stride).fill(0);
    new Int32Array(memory.buffer, first).set(across.first);
    new Int16Array(memory.buffer, weights).set(across.weights);
    new Int16Array(memory.buffer, rowWeights).set(down.weights);
    const data = new Uint8ClampedArray(size.width * size.height * 4);
    const made = new Uint8ClampedArray(memory.buffer, out, size.width * 4);
    for (let y = 0; y < size.height; y++) {
      line(
        pixels + (down.first[y] ?? 0) * stride,
        stride,
        down.count,
        rowWeights + y * down.count * 2,
        row,
        size.width,
        first,
        across.count,
        weights,
        out,
      );
      data.set(made, y * size.width * 4);
    }
    return { ...size, data };
  };
}

interface WholeTaps {
  first: Int32Array;
  count: number;
  weights: Int16Array;
}

/** Weights in whole units that still sum to one; an even number of them. */
function inUnits({ first, count, weights }: Taps): WholeTaps {
  const even = count + (count % 2);
  const whole = new Int16Array(first.length * even);
  for (let place = 0; place < first.length; place++) {
    let left = UNIT;
    let largest = 0;
    for (let n = 0; n < count; n++) {
      const weight = Math.round((weights[place * count + n] ?? 0) * UNIT);
      whole[place * even + n] = weight;
      left -= weight;
      if (weight > (whole[place * even + largest] ?? 0)) largest = n;
    }
    // What rounding left over goes where it matters least.
    whole[place * even + largest] = (whole[place * even + largest] ?? 0) + left;
  }
  return { first, count: even, weights: whole };
}
