/** Labelled sets of thumbnails and full-size pictures for judging the pairing: drawn kites, every difficulty known. */
import sharp from 'sharp';
import { drawing, seeded, seedOf } from '../../demo/draw.ts';
import type { DemoPicture, KiteKind } from '../../demo/pictures.ts';
import {
  fitInside,
  lumaOf,
  meanColour,
  onGround,
  perceptualHash,
  resample,
  type PhotoFacts,
  type Pixels,
} from '../../core/photo/index.ts';

export const DIFFICULTIES = ['plain', 'shrunk', 'recompressed', 'recoloured', 'cropped', 'stranger'] as const;
export type Difficulty = (typeof DIFFICULTIES)[number];

export interface Labelled {
  thumbnail: Buffer;
  /** Number of the full-size picture that it shows; null for a stranger. */
  full: number | null;
  difficulty: Difficulty;
}

const KINDS: readonly KiteKind[] = ['delta', 'diamond', 'box', 'parafoil', 'rokkaku', 'eye', 'star', 'sled', 'reel'];
const COLOURS = ['#b3402a', '#e0a021', '#2f7273', '#6b3a86', '#d4697c', '#20467a', '#f3ead2', '#3f8050'];
const SHAPES: readonly [number, number][] = [
  [600, 400],
  [400, 600],
  [600, 450],
  [500, 500],
  [640, 360],
];

/** The n-th drawn picture, as a JPEG of some 600 px; the same number always gives the same picture. */
export async function drawn(n: number): Promise<Buffer> {
  const next = seeded(seedOf(`drawn ${n}`));
  const pick = <T>(all: readonly T[]): T => all[Math.floor(next() * all.length)]!;
  const [width, height] = pick(SHAPES);
  const picture: DemoPicture = {
    path: `drawn-${n}.jpg`,
    kind: pick(KINDS),
    width,
    height,
    sky: Math.floor(next() * 7),
    at: [0.25 + next() * 0.5, 0.25 + next() * 0.4, 0.25 + next() * 0.35],
    turn: next() * 60 - 30,
    colours: [pick(COLOURS), pick(COLOURS), pick(COLOURS)],
    title: '',
    caption: '',
    grain: 0,
    quality: 85,
  };
  return sharp(Buffer.from(drawing(picture)))
    .flatten()
    .jpeg({ quality: 88 })
    .toBuffer();
}

/** A thumbnail of a picture as people make them, at most 150 px wide but where the difficulty says otherwise. */
export async function thumbnailOf(full: Buffer, difficulty: Difficulty, seed: number): Promise<Buffer> {
  const next = seeded(seed);
  const image = sharp(full);
  const { width = 0, height = 0 } = await image.metadata();
  switch (difficulty) {
    case 'shrunk':
      return image.resize({ width: 100, height: 100, fit: 'inside' }).jpeg({ quality: 70 }).toBuffer();
    case 'recompressed':
      return image.resize({ width: 150 }).jpeg({ quality: 35 }).toBuffer();
    case 'recoloured':
      return image
        .resize({ width: 150 })
        .modulate({ brightness: 0.9 + next() * 0.25, saturation: 0.6 + next() * 0.6, hue: Math.round(next() * 16 - 8) })
        .linear(0.9 + next() * 0.2, next() * 16 - 8)
        .jpeg({ quality: 75 })
        .toBuffer();
    case 'cropped': {
      // A square, or a shape of the page's own, from somewhere in the picture.
      const shape = next() < 0.5 ? 1 : 1.12;
      const share = 0.55 + next() * 0.45;
      const side = Math.min(width / shape, height) * share;
      const box = { width: Math.floor(side * shape), height: Math.floor(side) };
      return image
        .extract({
          ...box,
          left: Math.floor((width - box.width) * next()),
          top: Math.floor((height - box.height) * next()),
        })
        .resize({ width: 150 })
        .jpeg({ quality: 75 })
        .toBuffer();
    }
    default:
      return image.resize({ width: 150 }).jpeg({ quality: 80 }).toBuffer();
  }
}

/** `count` pictures with a thumbnail each; a twelfth of the thumbnails are of pictures that are not there. */
export async function labelledSet(count: number): Promise<{ fulls: Buffer[]; thumbnails: Labelled[] }> {
  const fulls: Buffer[] = [];
  const thumbnails: Labelled[] = [];
  for (let n = 0; n < count; n++) {
    const full = await drawn(n);
    fulls.push(full);
    const difficulty = n % 12 === 11 ? 'stranger' : DIFFICULTIES[n % 5]!;
    thumbnails.push({
      thumbnail: await thumbnailOf(difficulty === 'stranger' ? await drawn(n + 1_000_000) : full, difficulty, n + 1),
      full: difficulty === 'stranger' ? null : n,
      difficulty,
    });
  }
  return { fulls, thumbnails };
}

async function pixelsOf(file: Buffer): Promise<Pixels> {
  const { data, info } = await sharp(file).rotate().ensureAlpha().raw().toBuffer({ resolveWithObject: true });
  return {
    width: info.width,
    height: info.height,
    data: new Uint8ClampedArray(data.buffer, data.byteOffset, data.length),
  };
}

/** What the program would know of a picture, by the core's own code. */
export async function factsOf(file: Buffer): Promise<PhotoFacts> {
  const pixels = await pixelsOf(file);
  const small = onGround(resample(pixels, fitInside(pixels, { width: 96, height: 96 })), [255, 255, 255]);
  return {
    width: pixels.width,
    height: pixels.height,
    orientation: 1,
    likeness: perceptualHash(small),
    mean: meanColour(small),
    luma: lumaOf(small),
    words: {},
  };
}
