/** The application's own picture workers, as they were built, in headless Chromium. */
import { readdirSync, readFileSync } from 'node:fs';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { extname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { launch } from '../browser.ts';

const ROOT = fileURLToPath(new URL('../../', import.meta.url));
const ASSETS = join(ROOT, 'build/client/assets');
/** What the little server answers with. */
const TYPES: Readonly<Record<string, string>> = {
  '.js': 'text/javascript',
  '.mjs': 'text/javascript',
  '.wasm': 'application/wasm',
  '.jpg': 'image/jpeg',
  '.html': 'text/html',
};

export interface Workers {
  /** ms that one worker takes for both sizes of a file. */
  make: (worker: number, file: number) => Promise<number>;
  /** ms that both workers take for all files. */
  makeAll: () => Promise<number>;
  /** Both sizes without loss, as PNG. */
  pixels: (file: number, exact: boolean) => Promise<Buffer[]>;
  /** Most memory that a renderer had so far; MB. */
  peak: () => string;
  close: () => Promise<void>;
}

function serve(files: readonly Buffer[]): Promise<Server> {
  const server = createServer((request, response) => {
    const path = new URL(request.url ?? '/', 'http://bench.invalid').pathname;
    const send = (body: Buffer | string) =>
      response.setHeader('Content-Type', TYPES[extname(path)] ?? 'text/html').end(body);
    const file = /^\/file\/(\d+)\.jpg$/.exec(path);
    if (path === '/') send('<!DOCTYPE html><title>bench</title>');
    else if (path === '/comlink.mjs') send(readFileSync(join(ROOT, 'node_modules/comlink/dist/esm/comlink.mjs')));
    else if (file) send(files[Number(file[1])]!);
    else if (/^\/assets\/[\w.-]+$/.test(path)) send(readFileSync(join(ASSETS, path.slice('/assets/'.length))));
    else response.writeHead(404).end();
  });
  return new Promise((resolve) => server.listen(0, '127.0.0.1', () => resolve(server)));
}

/** VmHWM of the renderer that had most. */
function rendererPeak(): string {
  const peaks = readdirSync('/proc')
    .filter((name) => /^\d+$/.test(name))
    .flatMap((pid) => {
      try {
        if (!readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes('--type=renderer')) return [];
        return [Number(/VmHWM:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1] ?? 0) / 1024];
      } catch {
        return [];
      }
    });
  return peaks.length === 0 ? '–' : Math.max(...peaks).toFixed(0);
}

export async function openWorkers(files: readonly Buffer[]): Promise<Workers> {
  const script = readdirSync(ASSETS).find((name) => /^pictures-.*\.js$/.test(name));
  if (!script) throw new Error('There is no build: run `npm run build` first.');
  const server = await serve(files);
  const browser = await launch();
  const page = await browser.newPage();
  await page.goto(`http://127.0.0.1:${(server.address() as AddressInfo).port}/`);
  await page.evaluate(`(async () => {
    const { wrap } = await import('/comlink.mjs');
    const start = () => wrap(new Worker('/assets/${script}', { type: 'module' }));
    const workers = [start(), start()];
    const files = await Promise.all(Array.from({ length: ${files.length} }, async (_, n) => (await fetch('/file/' + n + '.jpg')).blob()));
    const size = (width, format, quality) => ({ width, height: null, shape: 'fit', format, quality, aim: 'quality', bytes: 100000, similarity: 0.97, sharpen: 'none', enlarge: false, dense: false, folder: null, name: null });
    const extension = { jpeg: 'jpg', png: 'png' };
    const make = (worker, file, format, exact = false) => workers[worker].make(files[file], 'a.jpg', [1600, 400].map((width) => ({ to: width + '.' + extension[format], size: size(width, format, 82), times: 1 })), { focus: undefined, rotation: { quarters: 0, degrees: 0 }, words: "none", said: {}, exact });
    const base64 = async (blob) => { const bytes = new Uint8Array(await blob.arrayBuffer()); let text = ''; for (let at = 0; at < bytes.length; at += 32768) text += String.fromCharCode(...bytes.subarray(at, at + 32768)); return btoa(text); };
    globalThis.bench = {
      async make(worker, file) { const began = performance.now(); await make(worker, file, 'jpeg'); return performance.now() - began; },
      async makeAll() { const began = performance.now(); const waiting = files.keys(); await Promise.all(workers.map(async (_, worker) => { for (const file of waiting) await make(worker, file, 'jpeg'); })); return performance.now() - began; },
      async pixels(file, exact) { return Promise.all((await make(0, file, 'png', exact)).sort((a, b) => b.width - a.width).map((one) => base64(one.blob))); },
    };
  })()`);
  const call = <T>(name: string, ...given: unknown[]): Promise<T> =>
    page.evaluate(`bench.${name}(...${JSON.stringify(given)})`);
  return {
    make: (worker, file) => call('make', worker, file),
    makeAll: () => call('makeAll'),
    pixels: async (file, exact) =>
      (await call<string[]>('pixels', file, exact)).map((text) => Buffer.from(text, 'base64')),
    peak: rendererPeak,
    close: async () => {
      await browser.close();
      server.close();
    },
  };
}
