/** Small exported sites on disk with the viewers as they ship, opened in Chromium without a server. */
import { mkdirSync, mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { pathToFileURL } from 'node:url';
import type { Page } from '@playwright/test';
import sharp from 'sharp';
import { kitNamed } from './kits';

/** Names with their sizes; image px. Shapes of every kind: wide, tall, square, very wide. */
export const SHOTS = [
  ['meadow', 900, 600],
  ['loft', 500, 900],
  ['reel', 700, 700],
  ['mere', 1200, 400],
  ['tail', 800, 600],
] as const;

const pictures = new Map<string, Buffer>();

async function pictureFor(n: number, large: boolean): Promise<Buffer> {
  const [name, width, height] = SHOTS[n]!;
  const key = `${name} ${large}`;
  const known =
    pictures.get(key) ??
    (await sharp({
      create: {
        width: large ? width : 90,
        height: large ? height : 60,
        channels: 3,
        background: { r: 40 + n * 45, g: 150, b: 220 - n * 40 },
      },
    })
      .jpeg()
      .toBuffer());
  pictures.set(key, known);
  return known;
}

export const item = (n: number, { attributes = '', tag = 'li', large = false, own = '' } = {}): string => {
  const [name, width, height] = SHOTS[n]!;
  const size = large ? `width="${width}" height="${height}"` : 'width="90" height="60"';
  return `<${tag}${own}><a href="large/${name}.jpg"${attributes} title="The ${name}"><img src="${large ? 'large' : 'small'}/${name}.jpg" ${size} alt="Kites at the ${name}"></a></${tag}>`;
};

export const items = (options: Parameters<typeof item>[1] = {}): string =>
  SHOTS.map((_, n) => item(n, options)).join('\n');

export interface Exported {
  folder: string;
  address: string;
}

/** A page with the given viewers in its head; further files by their paths. */
export async function exported(
  kits: readonly string[],
  body: string,
  more: Record<string, string | Buffer> = {},
  head = '',
): Promise<Exported> {
  const folder = mkdtempSync(join(tmpdir(), 'heathmoor-'));
  const write = (path: string, content: string | Buffer) => {
    mkdirSync(dirname(join(folder, path)), { recursive: true });
    writeFileSync(join(folder, path), content);
  };
  const includes = kits.flatMap((name) => {
    const { manifest, files } = kitNamed(name);
    return manifest.files.map((file) => {
      write(`${manifest.folder}/${file.name}`, files[file.name]!);
      return file.role === 'style'
        ? `<link rel="stylesheet" href="${manifest.folder}/${file.name}">`
        : `<script src="${manifest.folder}/${file.name}" defer></script>`;
    });
  });
  for (const [n, [name]] of SHOTS.entries()) {
    write(`small/${name}.jpg`, await pictureFor(n, false));
    write(`large/${name}.jpg`, await pictureFor(n, true));
  }
  const page = `<!DOCTYPE html>\n<html lang="en">\n<head>\n<meta charset="utf-8">\n<meta name="viewport" content="width=device-width, initial-scale=1">\n<title>Kites</title>\n${includes.join('\n')}\n${head}\n</head>\n<body>\n<main>\n<h1>Kites</h1>\n${body}\n</main>\n</body>\n</html>\n`;
  write('index.html', page);
  for (const [path, content] of Object.entries(more)) write(path, content);
  return { folder, address: pathToFileURL(join(folder, 'index.html')).href };
}

/** Layout shifts since the page began (Layout Instability: the sum of all shifts that no input caused). */
export async function watchShifts(page: Page): Promise<() => Promise<number>> {
  await page.addInitScript(() => {
    const seen = window as unknown as { shifted: number };
    seen.shifted = 0;
    new PerformanceObserver((list) => {
      for (const entry of list.getEntries() as (PerformanceEntry & { value: number; hadRecentInput: boolean })[])
        if (!entry.hadRecentInput) seen.shifted += entry.value;
    }).observe({ type: 'layout-shift', buffered: true });
  });
  return () => page.evaluate(() => (window as unknown as { shifted: number }).shifted);
}

/** A second of moving colours, recorded by Chromium itself. */
export async function video(page: Page): Promise<Buffer> {
  await page.goto('about:blank');
  const bytes = await page.evaluate(async () => {
    const canvas = Object.assign(document.createElement('canvas'), { width: 64, height: 48 });
    const context = canvas.getContext('2d')!;
    const recorder = new MediaRecorder(canvas.captureStream(20), { mimeType: 'video/webm' });
    const pieces: Blob[] = [];
    recorder.ondataavailable = (event) => pieces.push(event.data);
    recorder.start();
    for (let n = 0; n < 12; n++) {
      context.fillStyle = `hsl(${n * 30} 60% 50%)`;
      context.fillRect(0, 0, 64, 48);
      await new Promise((resolve) => setTimeout(resolve, 50));
    }
    await new Promise((resolve) => {
      recorder.onstop = resolve;
      recorder.stop();
    });
    return [...new Uint8Array(await new Blob(pieces).arrayBuffer())];
  });
  return Buffer.from(bytes);
}
