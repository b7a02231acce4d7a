import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { expect, it } from 'vitest';
import { resample } from '../resample.ts';
import type { Pixels } from '../pixels.ts';
import { simdResampler } from './resampler.ts';

const COMPILED = fileURLToPath(new URL('./lanczos.wasm', import.meta.url));

function noise(width: number, height: number, alpha = 255): Pixels {
  let state = width * 31 + height;
  const data = new Uint8ClampedArray(width * height * 4).map((_, at) =>
    at % 4 === 3 ? alpha : (state = (state * 48271) % 2147483647) % 256,
  );
  return { width, height, data };
}

it.each([
  [300, 200, 100, 67],
  [301, 199, 97, 64],
  [64, 64, 63, 63],
  [40, 30, 80, 61],
  [1000, 7, 11, 1],
  [5, 900, 1, 90],
  [3, 3, 2, 2],
  [1, 1, 4, 4],
])('%d × %d to %d × %d px as the reference does it, to one level', async (width, height, w, h) => {
  const fast = await simdResampler(readFileSync(COMPILED));
  const source = noise(width, height);
  const [a, b] = [fast(source, { width: w, height: h }), resample(source, { width: w, height: h })];
  expect([a.width, a.height]).toEqual([w, h]);
  expect(Math.max(...a.data.map((value, at) => Math.abs(value - b.data[at]!)))).toBeLessThanOrEqual(1);
});

it('takes the reference way where a picture has clear parts', async () => {
  const fast = await simdResampler(readFileSync(COMPILED));
  const source = noise(40, 40, 128);
  expect(fast(source, { width: 10, height: 10 }).data).toEqual(resample(source, { width: 10, height: 10 }).data);
});

it('is what its source compiles to', () => {
  const out = join(mkdtempSync(join(tmpdir(), 'heathmoor-')), 'lanczos.wasm');
  execFileSync('node', [fileURLToPath(new URL('../../../scripts/wasm.mjs', import.meta.url)), out]);
  expect(readFileSync(out).equals(readFileSync(COMPILED))).toBe(true);
});
