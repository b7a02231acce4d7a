/** Reads and makes pictures away from the main thread. */
import * as Comlink from 'comlink';
import { cutOut, fitInside, lumaOf, madeSize, meanColour, onGround, perceptualHash, resample, usedPart, type PhotoFacts, type Pixels, type Size, type SizeRecipe } from '~core/photo/index.ts';
import { mediaTypeOf } from '~core/site/index.ts';
import { decodePixels } from './decode';
import { readWords } from './words';

/** Quality of the small copies for lists, 0 to 1. */
const GLANCE_QUALITY = 0.8;
/** Side of the small copy that lists show, twice as large as they show it for dense screens; image px. */
const GLANCE = { width: 224, height: 224 };
/** Side of the copy that facts are computed from; image px. */
const LIKENESS = { width: 96, height: 96 };
/** A picture this small is its own small copy; bytes. */
const SMALL_BYTES = 24_000;

/** What shows through clear pixels where a format has none. */
const PAPER = [255, 255, 255] as const;

export interface MadePicture {
  blob: Blob;
  width: number;
  height: number;
}

export interface PictureLook {
  facts: PhotoFacts;
  /** A small copy for lists; null where the picture itself is small enough, or cannot be read. */
  glance: Blob | null;
}

/** The type by content, for files whose extension says otherwise. */
async function typeOf(blob: Blob, path: string): Promise<string> {
  const head = new Uint8Array(await blob.slice(0, 12).arrayBuffer());
  const ascii = String.fromCharCode(...head);
  if (head[0] === 0xff && head[1] === 0xd8) return 'image/jpeg';
  if (ascii.startsWith('\x89PNG')) return 'image/png';
  if (ascii.startsWith('GIF8')) return 'image/gif';
  if (ascii.startsWith('RIFF') && ascii.slice(8) === 'WEBP') return 'image/webp';
  if (ascii.slice(4, 8) === 'ftyp') return 'image/avif';
  return mediaTypeOf(path);
}

async function encode({ width, height, data }: Pixels, type: string, quality: number): Promise<Blob> {
  const context = new OffscreenCanvas(width, height).getContext('2d');
  if (!context) throw new Error('The browser gives no canvas to write pictures with.');
  context.putImageData(new ImageData(new Uint8ClampedArray(data), width, height), 0, 0);
  const blob = await context.canvas.convertToBlob({ type, quality });
  // A canvas that cannot write a format gives PNG without a word.
  if (blob.type !== type) throw new Error(`This browser cannot write ${type}.`);
  return blob;
}

const pictures = {
  /** What is to be known of a picture; one that cannot be decoded is named with the reason. */
  async look(blob: Blob, path: string): Promise<PictureLook> {
    const told = await readWords(blob);
    if (blob.size === 0) return unreadable(told, 'The file is empty.');
    try {
      const { pixels, full } = await decodePixels(blob, await typeOf(blob, path), told.orientation, (size) => fitInside(size, GLANCE));
      const glance = onGround(resample(pixels, fitInside(pixels, GLANCE)), PAPER);
      const small = resample(glance, fitInside(glance, LIKENESS));
      const facts = { ...told, ...full, likeness: perceptualHash(small), mean: meanColour(small), luma: lumaOf(small) };
      return { facts, glance: blob.size <= SMALL_BYTES ? null : await encode(glance, 'image/jpeg', GLANCE_QUALITY) };
    } catch {
      return unreadable(told, 'The browser cannot decode this picture; it may be damaged or cut short.');
    }
  },

  /** A picture made by a recipe's size, upright, never enlarged; written in the format that `path` ends in. */
  async make(blob: Blob, from: string, path: string, size: SizeRecipe): Promise<MadePicture> {
    const told = await readWords(blob);
    const wanted = mediaTypeOf(path);
    const type = ['image/jpeg', 'image/webp', 'image/png'].includes(wanted) ? wanted : 'image/jpeg';
    // Of a crop, the whole has to be decoded so large that its part still has the pixels.
    const wholeFor = (full: Size) => scaled(full, madeSize(full, size).width / usedPart(full, size).width);
    const { pixels, full } = await decodePixels(blob, await typeOf(blob, from), told.orientation, wholeFor);
    const part = usedPart(pixels, size);
    const reduced = resample(part.width === pixels.width && part.height === pixels.height ? pixels : cutOut(pixels, part), madeSize(full, size));
    // JPEG knows no clear pixels; without a ground they would come out black.
    const made = type === 'image/jpeg' ? onGround(reduced, PAPER) : reduced;
    return { blob: await encode(made, type, size.quality / 100), width: made.width, height: made.height };
  },
};

const scaled = ({ width, height }: Size, by: number): Size => ({ width: Math.max(1, Math.round(width * by)), height: Math.max(1, Math.round(height * by)) });

function unreadable(told: Awaited<ReturnType<typeof readWords>>, reason: string): PictureLook {
  return { facts: { ...told, width: 0, height: 0, likeness: '0'.repeat(16), mean: [0, 0, 0], luma: { width: 0, height: 0, data: new Uint8Array() }, unreadable: reason }, glance: null };
}

export type Pictures = typeof pictures;
Comlink.expose(pictures);
