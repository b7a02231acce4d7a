/**
 * Decoding in the browser. `ImageDecoder` reads a JPEG at a fraction of its size and gives its pixels as stored;
 * where it is missing, `createImageBitmap` gives them already turned upright. Nothing is turned twice.
 */
import { decodeSize, shownSize, upright, type Pixels, type Size } from '~core/photo/index.ts';

/** The picture upright and at least 1.8 times as large as wanted, if it has that many pixels. */
export async function decodePixels(blob: Blob, type: string, orientation: number, wanted: (full: Size) => Size): Promise<{ pixels: Pixels; full: Size }> {
  return 'ImageDecoder' in globalThis && (await ImageDecoder.isTypeSupported(type)) ? decodeScaled(blob, type, orientation, wanted) : decodeWhole(blob);
}

async function decodeScaled(blob: Blob, type: string, orientation: number, wanted: (full: Size) => Size): Promise<{ pixels: Pixels; full: Size }> {
  const data = await blob.arrayBuffer();
  const stored = await sizeOf(data.slice(0), type);
  const full = shownSize(stored, orientation);
  const aim = shownSize(wanted(full), orientation);
  const size = type === 'image/jpeg' ? decodeSize(stored, aim) : stored;
  const decoder = new ImageDecoder({ data, type, colorSpaceConversion: 'default', ...(size === stored ? {} : { desiredWidth: size.width, desiredHeight: size.height }) });
  try {
    const { image } = await decoder.decode();
    const width = image.visibleRect?.width ?? image.codedWidth;
    const height = image.visibleRect?.height ?? image.codedHeight;
    const rgba = new Uint8ClampedArray(width * height * 4);
    await image.copyTo(rgba, { format: 'RGBA', colorSpace: 'srgb' } as VideoFrameCopyToOptions);
    image.close();
    return { pixels: upright({ width, height, data: rgba }, orientation), full };
  } finally {
    decoder.close();
  }
}

/** The stored size from the header alone; the first frame is not decoded at full size for it. */
async function sizeOf(data: ArrayBuffer, type: string): Promise<Size> {
  if (type === 'image/jpeg') {
    const size = jpegSize(new DataView(data));
    if (size) return size;
  }
  const bitmap = await createImageBitmap(new Blob([data], { type }), { imageOrientation: 'none' });
  const size = { width: bitmap.width, height: bitmap.height };
  bitmap.close();
  return size;
}

/** ITU-T T.81 §B.2.2: the frame header (SOF) holds lines and samples per line. */
function jpegSize(view: DataView): Size | null {
  let at = 2;
  while (at + 9 < view.byteLength) {
    if (view.getUint8(at) !== 0xff) return null;
    const marker = view.getUint8(at + 1);
    if (marker >= 0xc0 && marker <= 0xcf && ![0xc4, 0xc8, 0xcc].includes(marker)) return { height: view.getUint16(at + 5), width: view.getUint16(at + 7) };
    at += marker === 0xff ? 1 : 2 + view.getUint16(at + 2);
  }
  return null;
}

async function decodeWhole(blob: Blob): Promise<{ pixels: Pixels; full: Size }> {
  const bitmap = await createImageBitmap(blob, { imageOrientation: 'from-image' });
  const { width, height } = bitmap;
  const context = new OffscreenCanvas(width, height).getContext('2d', { willReadFrequently: true });
  if (!context) throw new Error('The browser gives no canvas to read pixels with.');
  context.drawImage(bitmap, 0, 0);
  bitmap.close();
  const { data } = context.getImageData(0, 0, width, height);
  return { pixels: { width, height, data }, full: { width, height } };
}
