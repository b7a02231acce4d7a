/**
 * `npm run bench:photos`: JPEGs of 24 megapixels made to 1600 and 400 px by the application's own worker in headless
 * Chromium, side by side with sharp (libvips) in one run. Ratios and medians only; needs a build (`npm run build`).
 */
import sharp from 'sharp';
import { gaussianSimilarity, resample, type Pixels } from '../../core/photo/index.ts';
import { peakSignalToNoise } from '../likeness.ts';
import { photographOf } from './photograph.ts';
import { openWorkers } from './workers.ts';

const ROUNDS = Number(process.argv[2] ?? 5);
const FILES = 4;
const SIZES = [1600, 400] as const;

sharp.cache(false);
sharp.concurrency(1);

const median = (values: readonly number[]): number => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)]!;

async function timed(work: () => Promise<unknown>): Promise<number> {
  const began = performance.now();
  await work();
  return performance.now() - began;
}

/**
 * As a careful person would call it: each size reads the file at the fraction that suffices; one after the other, so
 * that one thread does it.
 */
async function bySharpAlone(file: Buffer): Promise<void> {
  for (const width of SIZES)
    await sharp(file).rotate().resize({ width, kernel: 'lanczos3' }).jpeg({ quality: 82 }).toBuffer();
}

const decoded = async (file: Buffer): Promise<Pixels> => {
  const { data, info } = await sharp(file).ensureAlpha().raw().toBuffer({ resolveWithObject: true });
  return {
    width: info.width,
    height: info.height,
    data: new Uint8ClampedArray(data.buffer, data.byteOffset, data.length),
  };
};

/**
 * The same pixels fully decoded, then Lanczos 3 by libvips onto the same height: left to itself it keeps one scale
 * for both sides and cuts a part of the last row.
 */
async function reference(file: Buffer, width: number, height: number): Promise<Pixels> {
  const { data, info } = await sharp(file).raw().toBuffer({ resolveWithObject: true });
  return decoded(
    await sharp(data, { raw: { width: info.width, height: info.height, channels: 3 } })
      .resize({ width, height, fit: 'fill', kernel: 'lanczos3' })
      .png()
      .toBuffer(),
  );
}

interface Likeness {
  psnr: number;
  ssim: number;
}

const likeness = (a: Pixels, b: Pixels): Likeness => ({
  psnr: peakSignalToNoise(a, b),
  ssim: gaussianSimilarity(a, b),
});

const files = await Promise.all(Array.from({ length: FILES }, (_, n) => photographOf(n, 6000, 4000)));
console.log(
  `${FILES} drawn photographs of 6000 × 4000 px, ${files.map((file) => `${(file.length / 1e6).toFixed(1)} MB`).join(', ')}; ${ROUNDS} rounds\n`,
);
const workers = await openWorkers(files);

try {
  await workers.make(0, 0); // what is compiled and loaded once is not counted
  await bySharpAlone(files[0]!);
  const ratios: number[] = [];
  const throughputs: number[] = [];
  for (let round = 0; round < ROUNDS; round++) {
    for (let n = 0; n < FILES; n++) {
      const theirs = await timed(() => bySharpAlone(files[n]!));
      ratios.push((await workers.make(0, n)) / theirs);
    }
    const theirs = await timed(() =>
      Promise.all([
        bySharpAlone(files[0]!).then(() => bySharpAlone(files[1]!)),
        bySharpAlone(files[2]!).then(() => bySharpAlone(files[3]!)),
      ]),
    );
    throughputs.push(theirs / (await workers.makeAll()));
  }
  console.log('| what | found | goal |\n|---|---|---|');
  console.log(
    `| time of one picture, one worker, in times of sharp on one thread (median of ${ratios.length}) | ${median(ratios).toFixed(2)} | ≤ 1.25 |`,
  );
  console.log(
    `| throughput of two workers, in shares of sharp’s on two threads (median of ${throughputs.length}) | ${median(throughputs).toFixed(2)} | ≥ 0.7 |`,
  );

  const found = {
    fraction: [] as Likeness[],
    exact: [] as Likeness[],
    exactToSum: [] as Likeness[],
    fractionToSum: [] as Likeness[],
    vipsToSum: [] as Likeness[],
  };
  for (const [n, file] of files.entries()) {
    const [fraction, exact] = await Promise.all(
      [false, true].map(async (whole) => decoded((await workers.pixels(n, whole))[0]!)),
    );
    const size = { width: fraction!.width, height: fraction!.height };
    const vips = await reference(file, size.width, size.height);
    // The sum itself in floating point, on libvips' pixels: how far the reference is from what it stands for.
    const sum = resample(await decoded(file), size);
    found.fraction.push(likeness(fraction!, vips));
    found.exact.push(likeness(exact!, vips));
    found.exactToSum.push(likeness(exact!, sum));
    found.fractionToSum.push(likeness(fraction!, sum));
    found.vipsToSum.push(likeness(vips, sum));
  }
  const row = (what: string, all: readonly Likeness[], goal: string) =>
    console.log(
      `| ${what} | ${median(all.map(({ psnr }) => psnr)).toFixed(1)} dB, SSIM ${median(all.map(({ ssim }) => ssim)).toFixed(4)} | ${goal} |`,
    );
  row(
    '1600 px decoded at a fraction, against a full decode and libvips’ Lanczos 3',
    found.fraction,
    '≥ 47 dB, ≥ 0.998',
  );
  row('1600 px decoded whole (exact), against the same', found.exact, '≥ 54 dB');
  row('1600 px decoded whole, against the sum of Lanczos 3 in floating point', found.exactToSum, '–');
  row('1600 px decoded at a fraction, against the same sum', found.fractionToSum, '–');
  row('libvips’ own, against the sum in floating point', found.vipsToSum, '–');
  const theirPeak = process.resourceUsage().maxRSS / 1024;
  console.log(
    `| peak memory of the process with both workers, beside that of this one with sharp and its references | ${workers.peak()} MB, ${theirPeak.toFixed(0)} MB | – |`,
  );
} finally {
  await workers.close();
}
