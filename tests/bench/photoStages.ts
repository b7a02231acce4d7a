/**
 * `npm run bench:photos stages`: where the time of one picture goes that is made to 1600 and 400 px, stage by stage, in
 * the application's own code: decoding, copying out of the decoder into memory that was used before and, side by side
 * with it, into fresh memory, reducing, laying on a ground, encoding. ms.
 */
import { readFileSync } from 'node:fs';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { fileURLToPath } from 'node:url';
import { build } from 'esbuild';
import { launch } from '../browser.ts';

const ROOT = fileURLToPath(new URL('../../', import.meta.url));

const WORKER = `
import { decodeSize, fitInside, onGround, simdResampler, storedSize } from '~core/photo/index.ts';
import { encode } from './app/workers/encode.ts';
import { readWords } from './app/workers/photoWords.ts';

let reduce;
const used = new Uint8ClampedArray(256e6);
used.fill(1);
self.onmessage = async ({ data: blob }) => {
  reduce ??= await simdResampler(await (await fetch('/lanczos.wasm')).arrayBuffer());
  const took = {};
  let at = performance.now();
  const lap = (stage) => {
    const now = performance.now();
    took[stage] = now - at;
    at = now;
  };
  const bytes = new Uint8Array(await blob.arrayBuffer());
  await readWords(bytes);
  lap('read, with words');
  const stored = storedSize(bytes, 'image/jpeg');
  const wanted = fitInside(stored, { width: 1600 });
  const { width: desiredWidth, height: desiredHeight } = decodeSize(stored, wanted);
  const decoder = new ImageDecoder({ data: bytes, type: 'image/jpeg', desiredWidth, desiredHeight });
  const { image } = await decoder.decode();
  lap('decode at a fraction');
  const [width, height] = [image.codedWidth, image.codedHeight];
  const data = used.subarray(0, width * height * 4);
  await image.copyTo(data, { format: 'RGBA', colorSpace: 'srgb' });
  lap('copy into memory used before');
  await image.copyTo(new Uint8ClampedArray(width * height * 4), { format: 'RGBA', colorSpace: 'srgb' });
  lap('copy into fresh memory (not done by the application)');
  image.close();
  decoder.close();
  const large = reduce({ width, height, data }, wanted);
  const small = reduce(large, fitInside(stored, { width: 400 }));
  lap('reduce, both sizes');
  const grounds = [large, small].map((one) => onGround(one, [255, 255, 255]));
  lap('ground for what is clear');
  for (const one of grounds) await encode(one, 'jpeg', 82);
  lap('encode, both sizes');
  self.postMessage(took);
};`;

type Took = Record<string, number>;

/** One round after the other for each file; what is compiled and loaded once is not counted. */
export async function stagesOf(files: readonly Buffer[], rounds: number): Promise<Took[]> {
  const bundled = await build({
    stdin: { contents: WORKER, resolveDir: ROOT, loader: 'ts' },
    bundle: true,
    write: false,
    format: 'esm',
    alias: { '~core': `${ROOT}core` },
    external: ['@jsquash/*'],
  });
  const [script] = bundled.outputFiles;
  const server = createServer((request, response) => {
    const file = /^\/file\/(\d+)$/.exec(request.url ?? '');
    if (file) response.end(files[Number(file[1])]);
    else if (request.url === '/worker.js') response.setHeader('Content-Type', 'text/javascript').end(script?.text);
    else if (request.url === '/lanczos.wasm')
      response.setHeader('Content-Type', 'application/wasm').end(readFileSync(`${ROOT}core/photo/simd/lanczos.wasm`));
    else response.setHeader('Content-Type', 'text/html').end('<!DOCTYPE html><title>bench</title>');
  });
  await new Promise<void>((done) => server.listen(0, '127.0.0.1', done));
  const browser = await launch();
  try {
    const page = await browser.newPage();
    await page.goto(`http://127.0.0.1:${(server.address() as AddressInfo).port}/`);
    await page.evaluate("globalThis.worker = new Worker('/worker.js', { type: 'module' })");
    const one = (n: number): Promise<Took> =>
      page.evaluate(`(async () => {
        const blob = await (await fetch('/file/${n}')).blob();
        return new Promise((done) => { worker.onmessage = ({ data }) => done(data); worker.postMessage(blob); });
      })()`);
    await one(0);
    const all: Took[] = [];
    for (let round = 0; round < rounds; round++) for (const n of files.keys()) all.push(await one(n));
    return all;
  } finally {
    await browser.close();
    server.close();
  }
}
