/** The same reduction as `../resample.ts`, some ten times as fast: see `assembly/lanczos.ts`. Opaque pictures only; others take the reference way. */
import type { Pixels } from '../pixels.ts';
import { resample, tapsFor, type Resample, type Taps } from '../resample.ts';

interface Exports {
  line(source: number, stride: number, count: number, rowWeights: number, row: number, to: number, first: number, taps: number, weights: number, out: number): void;
}

const PAGE = 65_536;
/** Blocks are read and written whole, so a little behind every buffer is touched. */
const SPARE = 64;
const UNIT = 16_384;

/** `compiled` holds the bytes of `lanczos.wasm`. */
export async function simdResampler(compiled: BufferSource): Promise<Resample> {
  const memory = new WebAssembly.Memory({ initial: 1 });
  const { instance } = await WebAssembly.instantiate(compiled, { env: { memory } });
  const { line } = instance.exports as unknown as Exports;

  return (source, size) => {
    if (size.width === source.width && size.height === source.height) return source;
    if (size.width < 1 || size.height < 1 || !isOpaque(source)) return resample(source, size);
    const across = tapsFor(source.width, size.width);
    const down = evenRows(tapsFor(source.height, size.height), source.height);
    const stride = source.width * 4;
    let free = 0;
    const room = (bytes: number): number => {
      const at = free;
      free += Math.ceil((bytes + SPARE) / 16) * 16;
      return at;
    };
    // A last row of zeros stands in where an even number of rows would reach below the picture.
    const pixels = room(stride * (source.height + 1));
    const row = room(stride * 4);
    const first = room(across.first.byteLength);
    const weights = room(across.weights.byteLength);
    const rowWeights = room(down.weights.byteLength);
    const out = room(size.width * 4);
    const missing = Math.ceil((free - memory.buffer.byteLength) / PAGE);
    if (missing > 0) memory.grow(missing);

    new Uint8Array(memory.buffer, pixels).set(source.data);
    new Uint8Array(memory.buffer, pixels + stride * source.height, stride).fill(0);
    new Int32Array(memory.buffer, first).set(across.first);
    new Float32Array(memory.buffer, weights).set(across.weights);
    new Int16Array(memory.buffer, rowWeights).set(down.weights);
    const data = new Uint8ClampedArray(size.width * size.height * 4);
    const made = new Uint8ClampedArray(memory.buffer, out, size.width * 4);
    for (let y = 0; y < size.height; y++) {
      line(pixels + down.first[y]! * stride, stride, down.count, rowWeights + y * down.count * 2, row, size.width, first, across.count, weights, out);
      data.set(made, y * size.width * 4);
    }
    return { ...size, data };
  };
}

interface RowTaps {
  first: Int32Array;
  count: number;
  weights: Int16Array;
}

/** Weights of rows in whole units that still sum to one; an even number of them. */
function evenRows({ first, count, weights }: Taps, rows: number): RowTaps {
  const even = count + (count % 2);
  const whole = new Int16Array(first.length * even);
  for (let y = 0; y < first.length; y++) {
    let left = UNIT;
    let largest = 0;
    for (let n = 0; n < count; n++) {
      const weight = Math.round(weights[y * count + n]! * UNIT);
      whole[y * even + n] = weight;
      left -= weight;
      if (weight > whole[y * even + largest]!) largest = n;
    }
    // What rounding left over goes where it matters least.
    whole[y * even + largest]! += left;
    if (first[y]! + even > rows + 1) throw new RangeError('A row is sought below the picture.');
  }
  return { first, count: even, weights: whole };
}

function isOpaque({ data }: Pixels): boolean {
  const words = new Uint32Array(data.buffer, data.byteOffset, data.length / 4);
  for (let at = 0; at < words.length; at++) if (words[at]! < 0xff000000) return false;
  return true;
}
