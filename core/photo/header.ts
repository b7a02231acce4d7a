/** What the first bytes of a picture file tell: its format whatever its name says, and its size without decoding it. */
import { startsWith, viewOf } from './metadata/container.ts';
import type { Size } from './size.ts';

/** The media type by content; null for what is no picture that browsers show. */
export function sniffedType(head: Uint8Array): string | null {
  if (head[0] === 0xff && head[1] === 0xd8) return 'image/jpeg';
  if (startsWith(head, '\x89PNG')) return 'image/png';
  if (startsWith(head, 'GIF8')) return 'image/gif';
  if (startsWith(head, 'RIFF') && startsWith(head, 'WEBP', 8)) return 'image/webp';
  if (startsWith(head, 'BM')) return 'image/bmp';
  if (startsWith(head, 'II*\0') || startsWith(head, 'MM\0*')) return 'image/tiff';
  if (startsWith(head, '\xff\x0a') || startsWith(head, 'JXL ', 4)) return 'image/jxl';
  // ISO/IEC 23008-12 §10: the brand says by what it is compressed.
  if (['heic', 'heix', 'hevc'].some((brand) => startsWith(head, brand, 8))) return 'image/heic';
  return startsWith(head, 'ftyp', 4) ? 'image/avif' : null;
}

type SizeReader = (bytes: Uint8Array) => Size | null;

/** The stored size, before any orientation is applied; image px. */
const READERS: Readonly<Record<string, SizeReader>> = {
  /** ITU-T T.81 §B.2.2: the frame header (SOF) holds lines and samples per line. */
  'image/jpeg'(bytes) {
    const view = viewOf(bytes);
    for (let at = 2; at + 9 < bytes.length;) {
      if (bytes[at] !== 0xff) return null;
      const marker = bytes[at + 1] ?? 0;
      if (marker >= 0xc0 && marker <= 0xcf && ![0xc4, 0xc8, 0xcc].includes(marker))
        return { height: view.getUint16(at + 5), width: view.getUint16(at + 7) };
      at += marker === 0xff ? 1 : 2 + view.getUint16(at + 2);
    }
    return null;
  },
  /** W3C PNG §11.2.2: IHDR is the first chunk. */
  'image/png': (bytes) =>
    bytes.length < 24 ? null : { width: viewOf(bytes).getUint32(16), height: viewOf(bytes).getUint32(20) },
  /** GIF89a §18: the logical screen. */
  'image/gif': (bytes) =>
    bytes.length < 10 ? null : { width: viewOf(bytes).getUint16(6, true), height: viewOf(bytes).getUint16(8, true) },
  /** WebP Container Specification: the canvas of VP8X, else the header of the only frame. */
  'image/webp'(bytes) {
    if (bytes.length < 30) return null;
    const view = viewOf(bytes);
    const three = (at: number) => view.getUint16(at, true) + ((bytes[at + 2] ?? 0) << 16);
    if (startsWith(bytes, 'VP8X', 12)) return { width: three(24) + 1, height: three(27) + 1 };
    if (startsWith(bytes, 'VP8L', 12)) {
      const bits = view.getUint32(21, true);
      return { width: (bits & 0x3fff) + 1, height: ((bits >> 14) & 0x3fff) + 1 };
    }
    return { width: view.getUint16(26, true) & 0x3fff, height: view.getUint16(28, true) & 0x3fff };
  },
};

/** Null where the format is not known here or the header is damaged. */
export function storedSize(bytes: Uint8Array, type: string): Size | null {
  const size = READERS[type]?.(bytes) ?? null;
  return size && size.width > 0 && size.height > 0 ? size : null;
}

/** Pixels that are decoded at once at most: each takes four bytes here and as many in the decoder. */
export const MOST_PIXELS = 130_000_000;
