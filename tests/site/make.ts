/**
 * A half-finished site with ten faults, as browser tests read it. Its pages stand in `files/` and change only when a
 * test needs it, whatever becomes of the demo; its pictures are drawn here, once for a run.
 */
import { mkdirSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import sharp from 'sharp';
import { seeded, seedOf } from '../../demo/draw.ts';
import { jpegOf } from '../../demo/jpeg.ts';
import { CUT_BY_HAND, MADE_FROM, PICTURES, WITHOUT_THUMBNAIL, type TestPicture } from './pictures.ts';

const HERE = dirname(fileURLToPath(import.meta.url));
/** The pages as their author wrote them. */
export const PAGES = join(HERE, 'files');
/** The whole site as a folder. */
export const SITE = join(HERE, '../.out/site');
const CREDIT = 'Tarrowby Kite Circle';

/** Large shapes of plain colours, so that no two pictures are alike and all are light. */
function drawing({ path, width, height }: TestPicture): string {
  const next = seeded(seedOf(path));
  const colour = () => `hsl(${Math.floor(next() * 360)} ${30 + next() * 50}% ${25 + next() * 55}%)`;
  const shape = () => {
    const points = [0, 1, 2, 3].map(() => `${next() * width},${next() * height}`).join(' ');
    return `<polygon points="${points}" fill="${colour()}"/>`;
  };
  const shapes = Array.from({ length: 7 }, shape).join('');
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}">
<defs><linearGradient id="g" x2="${next()}" y2="1"><stop stop-color="${colour()}"/><stop offset="1" stop-color="${colour()}"/></linearGradient></defs>
<rect width="100%" height="100%" fill="url(#g)"/>${shapes}</svg>`;
}

/** A tile of grain, always the same. */
async function grain(): Promise<Buffer> {
  const data = Buffer.alloc(512 * 512 * 4);
  const next = seeded(7);
  for (let at = 0; at < data.length; at++) data[at] = at % 4 === 3 ? 90 : Math.floor(next() * 256);
  return sharp(data, { raw: { width: 512, height: 512, channels: 4 } })
    .png()
    .toBuffer();
}

async function draw(picture: TestPicture): Promise<Buffer> {
  const { width, height, heavy } = picture;
  let image = sharp(Buffer.from(drawing(picture))).flatten();
  if (heavy) image = image.composite([{ input: await grain(), tile: true, blend: 'overlay' }]);
  const { data, info } = await image.raw().toBuffer({ resolveWithObject: true });
  const upright = sharp(data, { raw: { width, height, channels: info.channels } });
  return jpegOf(upright, 80, { ...picture, credit: CREDIT, copyright: `© 2026 ${CREDIT}` });
}

async function thumbnail(source: Buffer, cut: readonly [number, number, number, number]): Promise<Buffer> {
  const upright = await sharp(source).rotate().toBuffer({ resolveWithObject: true });
  const { width, height } = upright.info;
  const part = {
    left: Math.round(cut[0] * width),
    top: Math.round(cut[1] * height),
    width: Math.round(cut[2] * width),
    height: Math.round(cut[3] * height),
  };
  return sharp(upright.data).extract(part).resize({ width: 150 }).jpeg({ quality: 78 }).toBuffer();
}

function keep(path: string, content: Buffer): void {
  const target = join(SITE, path);
  mkdirSync(dirname(target), { recursive: true });
  writeFileSync(target, content);
}

const stem = (path: string) =>
  path
    .replace(/^.*\//, '')
    .replace(/\.[^.]+$/, '')
    .toLowerCase();

export async function makeTestSite(): Promise<void> {
  rmSync(SITE, { recursive: true, force: true });
  const drawn = new Map<string, Buffer>();
  for (const picture of PICTURES) drawn.set(picture.path, await draw(picture));
  for (const [path, jpeg] of drawn) {
    keep(path, jpeg);
    const name = stem(path);
    if (!path.startsWith('photos/') || WITHOUT_THUMBNAIL.has(name)) continue;
    const source = drawn.get(MADE_FROM[name] ?? path) ?? jpeg;
    keep(`photos/small/${name}.jpg`, await thumbnail(source, CUT_BY_HAND[name] ?? [0, 0, 1, 1]));
  }
  for (const name of readdirSync(PAGES, { recursive: true, encoding: 'utf8' }))
    if (statSync(join(PAGES, name)).isFile()) keep(name, readFileSync(join(PAGES, name)));
  for (const name of ['lightbox.js', 'lightbox.css'])
    keep(`viewer/${name}`, readFileSync(join(HERE, '../../viewers/lightbox', name)));
}
