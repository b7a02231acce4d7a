/**
 * Encoding in the browser: the canvas writes JPEG, WebP and PNG; AVIF comes from a codec that is loaded when it is
 * asked for.
 */
import {
  searchQuality,
  similarity,
  typeOfFormat,
  type Aim,
  type Encoded,
  type Format,
  type Pixels,
} from '~core/photo/index.ts';
import { pixelsOf } from './decode';

/** The least effort at which AVIF is still smaller than WebP here. */
const AVIF_SPEED = 8;

export interface EncodedBlob extends Encoded {
  blob: Blob;
}

/** A canvas takes no memory that threads share; none of ours is. */
function imageData({ width, height, data }: Pixels): ImageData {
  const { buffer, byteOffset, length } = data;
  const own = buffer instanceof ArrayBuffer ? new Uint8ClampedArray(buffer, byteOffset, length) : data.slice();
  return new ImageData(own, width, height);
}

/** What the codec's own types say of it, as far as it is used here; they need types of its compiler that are not shipped. */
interface AvifEncoder {
  encode: (data: Uint8Array, width: number, height: number, options: object) => Uint8Array | null;
}

let avif: Promise<AvifEncoder> | null = null;

/** Only the encoder with one thread ships: several need an isolation of the page that the preview cannot have. */
async function encodeAvif({ width, height, data }: Pixels, quality: number, type: string): Promise<Blob> {
  avif ??= import('@jsquash/avif/codec/enc/avif_enc.js').then(({ default: open }) =>
    // Without its compiler's types the module has none.
    (open as unknown as (options: object) => Promise<AvifEncoder>)({ noInitialRun: true }),
  );
  const { defaultOptions } = await import('@jsquash/avif/meta.js');
  const made = (await avif).encode(new Uint8Array(data), width, height, {
    ...defaultOptions,
    quality,
    speed: AVIF_SPEED,
  });
  if (!made) throw new Error('The picture could not be written as AVIF.');
  return new Blob([new Uint8Array(made)], { type });
}

/** `quality` is 1 to 100; PNG has none and ignores it. */
export async function encode(pixels: Pixels, format: Format, quality: number): Promise<Blob> {
  const type = typeOfFormat(format);
  if (format === 'avif') {
    return encodeAvif(pixels, quality, type);
  }
  const canvas = new OffscreenCanvas(pixels.width, pixels.height);
  const context = canvas.getContext('2d');
  if (!context) throw new Error('The browser gives no canvas to write pictures with.');
  context.putImageData(imageData(pixels), 0, 0);
  const blob = await canvas.convertToBlob({ type, quality: quality / 100 });
  // A canvas that cannot write a format gives PNG without a word.
  if (blob.type !== type) throw new Error(`This browser cannot write ${type}.`);
  return blob;
}

/** Encodes and says how alike the outcome is to what went in. */
export async function encodeAndCompare(pixels: Pixels, format: Format, quality: number): Promise<EncodedBlob> {
  const blob = await encode(pixels, format, quality);
  const bitmap = await createImageBitmap(blob);
  const alike = similarity(pixels, pixelsOf(bitmap));
  bitmap.close();
  return { blob, quality, bytes: blob.size, similarity: alike };
}

/** Encodes to an aim; `met` is false where no quality reaches it. */
export async function encodeTo(pixels: Pixels, format: Format, aim: Aim): Promise<{ made: EncodedBlob; met: boolean }> {
  const plain = async (quality: number): Promise<EncodedBlob> => {
    const blob = await encode(pixels, format, quality);
    return { blob, quality, bytes: blob.size, similarity: null };
  };
  if (format === 'png') return { made: await plain(100), met: true };
  return searchQuality(aim, aim.by === 'similarity' ? (quality) => encodeAndCompare(pixels, format, quality) : plain);
}
