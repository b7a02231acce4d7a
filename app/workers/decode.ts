/**
 * Decoding in the browser. `ImageDecoder` reads a JPEG at a fraction of its size and gives its pixels as stored;
 * where it is missing, `createImageBitmap` gives them already turned upright. Nothing is turned twice.
 */
import { decodeSize, MOST_PIXELS, shownSize, storedSize, upright, type Pixels, type Size } from '~core/photo/index.ts';
import { giveBack, takeBuffer } from './buffers';

export interface Decoded {
  /** Upright. */
  pixels: Pixels;
  /** The whole picture's size, upright; image px. */
  full: Size;
  /** More than one frame; `pixels` is the first. */
  animated: boolean;
  /** To be called once, when the pixels, or a view of them, are looked at no more: their memory is used again. */
  release: () => void;
}

export interface DecodeWish {
  orientation: number;
  /** The size that is wanted of the whole; at least 1.8 times as much is given, if there is so much. */
  wanted: (full: Size) => Size;
  /** All pixels are decoded, whatever is wanted of them. */
  exact?: boolean;
}

export class TooManyPixels extends Error {
  constructor({ width, height }: Size) {
    super(
      `${width} × ${height} px are more than the ${MOST_PIXELS / 1e6} million that can be decoded at once; make it smaller in the program that it comes from, or save it as JPEG, which is read at a fraction.`,
    );
  }
}

export async function decodePixels(data: Uint8Array<ArrayBuffer>, type: string, wish: DecodeWish): Promise<Decoded> {
  const stored = storedSize(data, type);
  const size =
    stored && wish.exact !== true && type === 'image/jpeg'
      ? decodeSize(stored, shownSize(wish.wanted(shownSize(stored, wish.orientation)), wish.orientation))
      : stored;
  if (size && size.width * size.height > MOST_PIXELS) throw new TooManyPixels(size);
  return 'ImageDecoder' in globalThis && (await ImageDecoder.isTypeSupported(type))
    ? decodeScaled(data, type, stored, size, wish.orientation)
    : decodeWhole(new Blob([data], { type }));
}

async function decodeScaled(
  data: Uint8Array<ArrayBuffer>,
  type: string,
  stored: Size | null,
  size: Size | null,
  orientation: number,
): Promise<Decoded> {
  const decoder = new ImageDecoder({
    data,
    type,
    colorSpaceConversion: 'default',
    preferAnimation: false,
    ...(size && size !== stored ? { desiredWidth: size.width, desiredHeight: size.height } : {}),
  });
  try {
    const { image } = await decoder.decode();
    await decoder.completed;
    const width = image.visibleRect?.width ?? image.codedWidth;
    const height = image.visibleRect?.height ?? image.codedHeight;
    const memory = takeBuffer(width * height * 4);
    const rgba = new Uint8ClampedArray(memory, 0, width * height * 4);
    await image.copyTo(rgba, { format: 'RGBA', colorSpace: 'srgb' });
    image.close();
    const animated = (decoder.tracks.selectedTrack?.frameCount ?? 1) > 1;
    return {
      pixels: upright({ width, height, data: rgba }, orientation),
      full: shownSize(stored ?? { width, height }, orientation),
      animated,
      release: () => giveBack(memory),
    };
  } finally {
    decoder.close();
  }
}

async function decodeWhole(blob: Blob): Promise<Decoded> {
  const bitmap = await createImageBitmap(blob, { imageOrientation: 'from-image' });
  const { width, height } = bitmap;
  const pixels = pixelsOf(bitmap);
  bitmap.close();
  return { pixels, full: { width, height }, animated: false, release: () => undefined };
}

/** The pixels of something that can be drawn. */
export function pixelsOf(bitmap: ImageBitmap): Pixels {
  const { width, height } = bitmap;
  const context = new OffscreenCanvas(width, height).getContext('2d', { willReadFrequently: true });
  if (!context) throw new Error('The browser gives no canvas to read pixels with.');
  context.drawImage(bitmap, 0, 0);
  return { width, height, data: context.getImageData(0, 0, width, height).data };
}
