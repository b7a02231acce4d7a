/**
 * `npm run bench:photos`: JPEGs made to 1600 and 400 px by the application's own worker in headless Chromium, side by
 * side with sharp (libvips) in one run: drawn ones of 24 megapixels, and photographs out of Debian packages at their own
 * size from 8 megapixels up. Ratios and medians only; needs a build (`npm run build`).
 */
import { readFileSync } from 'node:fs';
import sharp from 'sharp';
import { gaussianSimilarity, resample, type Pixels } from '../../core/photo/index.ts';
import { peakSignalToNoise } from '../likeness.ts';
import { photographs } from '../photographs.ts';
import { photographOf } from './photograph.ts';
import { stagesOf } from './photoStages.ts';
import { openWorkers, type Workers } from './workers.ts';

/** One part alone, of `stages`, `times` and `likeness`; all where none is named. */
const PARTS = ['stages', 'times', 'likeness'].filter((one) => process.argv.includes(one));
const does = (part: string): boolean => PARTS.length === 0 || PARTS.includes(part);
const ROUNDS = Number(process.argv.slice(2).find((one) => /^\d+$/.test(one)) ?? 5);
const FILES = 4;
/** Smaller ones say little of what a camera gives today; pixels. */
const LEAST = 8e6;
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

interface Found {
  fraction: Likeness[];
  exact: Likeness[];
  exactToSum: Likeness[];
  fractionToSum: Likeness[];
  vipsToSum: Likeness[];
  /** Made of the very pixels that libvips decoded: what resampling alone does. */
  samePixelsToSum: Likeness[];
}

/** Times of one worker and throughput of two, in those of sharp on as many threads. */
async function timesOf(
  workers: Workers,
  files: readonly Buffer[],
): Promise<{ times: number[]; throughputs: number[] }> {
  const times: number[] = [];
  const throughputs: number[] = [];
  for (let round = 0; round < ROUNDS; round++) {
    for (const [n, file] of files.entries()) {
      const theirs = await timed(() => bySharpAlone(file));
      times.push((await workers.make(0, n)) / theirs);
    }
    // Each thread takes the next file that waits, as the workers do.
    const theirs = await timed(() => {
      const waiting = files.values();
      const thread = async () => {
        for (const file of waiting) await bySharpAlone(file);
      };
      return Promise.all([thread(), thread()]);
    });
    throughputs.push(theirs / (await workers.makeAll()));
  }
  return { times, throughputs };
}

async function likenessOf(workers: Workers, files: readonly Buffer[]): Promise<Found> {
  const found: Found = {
    fraction: [],
    exact: [],
    exactToSum: [],
    fractionToSum: [],
    vipsToSum: [],
    samePixelsToSum: [],
  };
  // Each takes half a minute; every third of many says as much.
  const some = [...files.entries()].filter(([n]) => files.length <= FILES || n % 3 === 0);
  const sums: Pixels[] = [];
  for (const [n, file] of some) {
    const fraction = await decoded((await workers.pixels(n, false))[0]!);
    const exact = await decoded((await workers.pixels(n, true))[0]!);
    const size = { width: fraction.width, height: fraction.height };
    const vips = await reference(file, size.width, size.height);
    // The sum itself in floating point, on libvips' pixels: how far the reference is from what it stands for.
    const sum = resample(await decoded(file), size);
    found.fraction.push(likeness(fraction, vips));
    found.exact.push(likeness(exact, vips));
    found.exactToSum.push(likeness(exact, sum));
    found.fractionToSum.push(likeness(fraction, sum));
    found.vipsToSum.push(likeness(vips, sum));
    sums.push(sum);
  }
  const lossless = await Promise.all(some.map(([, file]) => sharp(file).png({ compressionLevel: 1 }).toBuffer()));
  const same = await openWorkers(lossless);
  try {
    for (const [n, sum] of sums.entries())
      found.samePixelsToSum.push(likeness(await decoded((await same.pixels(n, true))[0]!), sum));
  } finally {
    await same.close();
  }
  return found;
}

const LIKENESSES: readonly { of: keyof Found; what: string; goal: string }[] = [
  {
    of: 'fraction',
    what: '1600 px decoded at a fraction, against a full decode and libvips’ Lanczos 3',
    goal: '≥ 47 dB, ≥ 0.998',
  },
  { of: 'exact', what: '1600 px decoded whole (exact), against the same', goal: '≥ 54 dB' },
  {
    of: 'exactToSum',
    what: '1600 px decoded whole, against the sum of Lanczos 3 in floating point',
    goal: 'nearer than libvips’ own',
  },
  { of: 'fractionToSum', what: '1600 px decoded at a fraction, against the same sum', goal: '–' },
  { of: 'vipsToSum', what: 'libvips’ own, against the sum in floating point', goal: '–' },
  {
    of: 'samePixelsToSum',
    what: '1600 px of the pixels that libvips decoded, against the same sum: resampling alone',
    goal: 'nearer than libvips’ own',
  },
];

async function sayTimes(workers: Workers, files: readonly Buffer[]): Promise<void> {
  await workers.make(0, 0); // what is compiled and loaded once is not counted
  await bySharpAlone(files[0]!);
  const { times, throughputs } = await timesOf(workers, files);
  console.log(
    `| time of one picture, one worker, in times of sharp on one thread (median of ${times.length}) | ${median(times).toFixed(2)} | ≤ 1.1 |`,
  );
  console.log(
    `| throughput of two workers, in shares of sharp’s on two threads (median of ${throughputs.length}) | ${median(throughputs).toFixed(2)} | ≥ 0.9 |`,
  );
}

async function sayLikeness(workers: Workers, files: readonly Buffer[]): Promise<void> {
  const found = await likenessOf(workers, files);
  for (const { of, what, goal } of LIKENESSES) {
    const psnr = median(found[of].map((one) => one.psnr)).toFixed(1);
    const ssim = median(found[of].map((one) => one.ssim)).toFixed(4);
    console.log(`| ${what} | ${psnr} dB, SSIM ${ssim} | ${goal} |`);
  }
}

async function bench(title: string, files: readonly Buffer[]): Promise<void> {
  console.log(`\n${title}; ${ROUNDS} rounds\n`);
  const workers = await openWorkers(files);
  try {
    console.log('| what | found | goal |\n|---|---|---|');
    if (does('times')) await sayTimes(workers, files);
    if (does('likeness')) await sayLikeness(workers, files);
    const theirPeak = process.resourceUsage().maxRSS / 1024;
    console.log(
      `| peak memory of the process with both workers, beside that of this one with sharp and its references | ${workers.peak()} MB, ${theirPeak.toFixed(0)} MB | – |`,
    );
  } finally {
    await workers.close();
  }
}

/** At their own size, as they came: those that are large enough. */
async function realPhotographs(): Promise<Buffer[]> {
  const large: Buffer[] = [];
  for (const path of photographs()) {
    const { width, height } = await sharp(path).metadata();
    if (width * height >= LEAST) large.push(readFileSync(path));
  }
  return large;
}

/** Where the time goes; a share of the whole says more than ms of this machine. */
async function stages(title: string, files: readonly Buffer[]): Promise<void> {
  const all = await stagesOf(files, ROUNDS);
  const names = Object.keys(all[0] ?? {});
  const isOurs = (name: string) => !name.includes('not done');
  const whole = median(all.map((took) => names.filter(isOurs).reduce((sum, name) => sum + (took[name] ?? 0), 0)));
  console.log(`\n${title}, stage by stage; ${ROUNDS} rounds\n\n| stage | share of the whole |\n|---|---|`);
  for (const name of names)
    console.log(`| ${name} | ${((median(all.map((took) => took[name] ?? 0)) / whole) * 100).toFixed(0)} % |`);
}

const drawn = await Promise.all(Array.from({ length: FILES }, (_, n) => photographOf(n, 6000, 4000)));
const real = await realPhotographs();
const DRAWN = `${FILES} drawn photographs of 6000 × 4000 px`;
const REAL = `${real.length} photographs out of Debian packages, of 8 to 24 megapixels`;
if (does('stages')) {
  await stages(REAL, real);
  await stages(DRAWN, drawn);
}
if (does('times') || does('likeness')) {
  await bench(REAL, real);
  await bench(DRAWN, drawn);
}
