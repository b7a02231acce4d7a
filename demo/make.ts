/**
 * Makes the demo site: draws its pictures, adds its pages and the viewer, and packs all of it.
 * The outcome stands in `demo/.made/` and is made again only when something it depends on has changed.
 */
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { basename, dirname, extname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import sharp from 'sharp';
import { writeZip, type ZipSource } from '../core/pack/index.ts';
import type { PhotoFacts } from '../core/photo/index.ts';
import type { FileContent } from '../core/site/index.ts';
import { kitNamed } from '../tests/kits.ts';
import { drawing, seeded } from './draw.ts';
import { withAllPictures } from './allPictures.ts';
import { tagsOf } from './tags.ts';
import { jpegOf } from './jpeg.ts';
import { PICTURES, THUMBNAILS, type DemoPicture } from './pictures.ts';

const HERE = dirname(fileURLToPath(import.meta.url));
export const MADE = join(HERE, '.made');
export const DEMO_ZIP = join(MADE, 'demo.zip');
export const SITE = join(MADE, 'site');
const CREDIT = 'Tarrowby Kite Circle';
/** In `viewers`. */
const VIEWER_FILES = ['lightbox/lightbox.js', 'lightbox/lightbox.css', 'filter/filter.js', 'filter/filter.css'];
const MADE_ON = new Date('2026-09-30T12:00:00Z');

function filesBelow(folder: string): string[] {
  return readdirSync(folder, { recursive: true, encoding: 'utf8' })
    .filter((name) => statSync(join(folder, name)).isFile())
    .sort();
}

/** Everything that the outcome depends on, as one hash. */
function stamp(): string {
  const hash = createHash('sha256');
  const sources = [
    ...readdirSync(HERE).filter((name) => name.endsWith('.ts')),
    ...filesBelow(join(HERE, 'site')).map((name) => join('site', name)),
    ...VIEWER_FILES.map((name) => join('../viewers', name)),
    // What fills the page of all pictures.
    ...filesBelow(join(HERE, '../core/model/collection')).map((name) => join('../core/model/collection', name)),
  ];
  for (const name of sources) hash.update(name).update(readFileSync(join(HERE, name)));
  return hash.digest('hex');
}

/** A tile of grain, always the same. */
async function grainTile(strength: number): Promise<Buffer> {
  const side = 512;
  const next = seeded(7);
  const data = Buffer.alloc(side * side * 4);
  for (let at = 0; at < data.length; at += 4) {
    data.fill(Math.round(128 + (next() + next() - 1) * 90), at, at + 3);
    data[at + 3] = Math.round(150 * strength);
  }
  return sharp(data, { raw: { width: side, height: side, channels: 4 } })
    .png()
    .toBuffer();
}

async function draw(picture: DemoPicture): Promise<Buffer> {
  const upright = await sharp(Buffer.from(drawing(picture)), { unlimited: true })
    .flatten()
    .composite([{ input: await grainTile(picture.grain), tile: true, blend: 'overlay' }])
    .raw()
    .toBuffer({ resolveWithObject: true });
  const { width, height, channels } = upright.info;
  const pixels = sharp(upright.data, { raw: { width, height, channels } });
  const told = { ...picture, credit: CREDIT, copyright: `© 2026 ${CREDIT}`, keywords: tagsOf(picture.path) };
  return jpegOf(pixels, picture.quality, told);
}

async function thumbnail(
  source: Buffer,
  crop?: { left: number; top: number; width: number; height: number },
): Promise<Buffer> {
  const upright = await sharp(source).rotate().toBuffer({ resolveWithObject: true });
  let image = sharp(upright.data);
  const { width, height } = upright.info;
  if (crop)
    image = image.extract({
      left: Math.round(crop.left * width),
      top: Math.round(crop.top * height),
      width: Math.round(crop.width * width),
      height: Math.round(crop.height * height),
    });
  return image.resize({ width: 150 }).jpeg({ quality: 78 }).toBuffer();
}

function keep(path: string, content: Buffer): void {
  const target = join(SITE, path);
  mkdirSync(dirname(target), { recursive: true });
  writeFileSync(target, content);
}

const TEXTS = new Set(['.md', '.html', '.css', '.js', '.svg']);

/** What the page does not depend on. */
const NOTHING_SEEN: Omit<PhotoFacts, 'width' | 'height'> = {
  orientation: 1,
  likeness: '0'.repeat(16),
  mean: [0, 0, 0],
  luma: { width: 1, height: 1, data: new Uint8Array(1) },
  words: {},
};

/** As the program itself would fill it, with the sizes of the thumbnails. */
async function fillAllPictures(): Promise<void> {
  const files = new Map<string, FileContent>();
  const facts = new Map<string, PhotoFacts>();
  for (const path of filesBelow(SITE)) {
    const content = readFileSync(join(SITE, path));
    if (TEXTS.has(extname(path))) {
      files.set(path, { kind: 'text', text: content.toString('utf8') });
      continue;
    }
    const hash = createHash('sha256').update(content).digest('hex');
    files.set(path, { kind: 'binary', hash, bytes: content.length });
    const { width, height } = await sharp(content).metadata();
    facts.set(hash, { ...NOTHING_SEEN, width, height });
  }
  const kits = [kitNamed('lightbox'), kitNamed('filter')];
  for (const [path, content] of withAllPictures(files, facts, kits))
    if (content.kind === 'text') keep(path, Buffer.from(content.text, 'utf8'));
}

export async function makeDemo(say: (line: string) => void = () => undefined): Promise<void> {
  const wanted = stamp();
  const stampFile = join(MADE, 'stamp');
  if (existsSync(DEMO_ZIP) && existsSync(stampFile) && readFileSync(stampFile, 'utf8') === wanted) return;
  rmSync(MADE, { recursive: true, force: true });
  say(`Drawing the demo site’s ${PICTURES.length} pictures (once)…`);
  const drawn = new Map<string, Buffer>();
  for (const picture of PICTURES) {
    const jpeg = await draw(picture);
    drawn.set(picture.path, jpeg);
    keep(picture.path, jpeg);
  }
  for (const { path, from, crop } of THUMBNAILS) keep(path, await thumbnail(drawn.get(from)!, crop));
  for (const name of filesBelow(join(HERE, 'site'))) keep(name, readFileSync(join(HERE, 'site', name)));
  for (const name of VIEWER_FILES) keep(`viewer/${basename(name)}`, readFileSync(join(HERE, '../viewers', name)));
  await fillAllPictures();

  const sources = filesBelow(SITE).map((path): ZipSource => ({
    path,
    read: () => Promise.resolve(readFileSync(join(SITE, path))),
    modified: MADE_ON,
  }));
  const pieces: Uint8Array[] = [];
  const into = new WritableStream<Uint8Array>({ write: (piece) => void pieces.push(piece) });
  await writeZip(sources, into, () => undefined);
  writeFileSync(DEMO_ZIP, Buffer.concat(pieces));
  writeFileSync(stampFile, wanted);
}

if (process.argv[1] === fileURLToPath(import.meta.url)) await makeDemo((line) => console.log(line));
