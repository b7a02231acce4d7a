/** WebP: chunks of a RIFF file (WebP Container Specification: VP8X, EXIF, "XMP "). */
import { joined } from '../../site/index.ts';
import { ascii, startsWith, viewOf, type Block, type Container } from './container.ts';

interface Chunk {
  name: string;
  start: number;
  end: number;
}

const HEADER = 12;

function chunksOf(bytes: Uint8Array): Chunk[] {
  const view = viewOf(bytes);
  const chunks: Chunk[] = [];
  for (let at = HEADER; at + 8 <= bytes.length;) {
    const length = view.getUint32(at + 4, true);
    const end = at + 8 + length;
    if (end > bytes.length) break;
    chunks.push({ name: String.fromCharCode(...bytes.subarray(at, at + 4)), start: at + 8, end });
    at = end + (length % 2);
  }
  return chunks;
}

function chunk(name: string, content: Uint8Array | null): Uint8Array {
  if (!content) return new Uint8Array();
  const length = new Uint8Array(4);
  viewOf(length).setUint32(0, content.length, true);
  return joined([ascii(name), length, content, new Uint8Array(content.length % 2)]);
}

/** Flags of VP8X: alpha, EXIF and XMP follow. */
const ALPHA = 0x10;
const EXIF = 0x08;
const XMP = 0x04;

/** Width and height of a simple file, from its VP8 key frame (RFC 6386 §9.1) or VP8L header (WebP Lossless §3.4). */
function canvasOf(bytes: Uint8Array, { name, start }: Chunk): { width: number; height: number; alpha: boolean } {
  const view = viewOf(bytes);
  if (name === 'VP8L') {
    const bits = view.getUint32(start + 1, true);
    return { width: (bits & 0x3fff) + 1, height: ((bits >> 14) & 0x3fff) + 1, alpha: ((bits >> 28) & 1) === 1 };
  }
  return {
    width: view.getUint16(start + 6, true) & 0x3fff,
    height: view.getUint16(start + 8, true) & 0x3fff,
    alpha: false,
  };
}

function extended(width: number, height: number, flags: number): Uint8Array {
  const content = new Uint8Array(10);
  const view = viewOf(content);
  content[0] = flags;
  view.setUint16(4, (width - 1) & 0xffff, true);
  content[6] = (width - 1) >> 16;
  view.setUint16(7, (height - 1) & 0xffff, true);
  content[9] = (height - 1) >> 16;
  return chunk('VP8X', content);
}

export const webp: Container = {
  type: 'image/webp',
  is: (bytes) => startsWith(bytes, 'RIFF') && startsWith(bytes, 'WEBP', 8),
  blocks: (bytes) =>
    chunksOf(bytes).flatMap(({ name, start, end }): Block[] => {
      // Some writers put JPEG's header before the TIFF structure.
      if (name === 'EXIF')
        return [{ kind: 'exif', start: startsWith(bytes, 'Exif\0\0', start) ? start + 6 : start, end }];
      return name === 'XMP ' ? [{ kind: 'xmp', start, end }] : [];
    }),
  insert(bytes, { exif, xmp }) {
    const chunks = chunksOf(bytes);
    const flags = (exif ? EXIF : 0) | (xmp ? XMP : 0);
    const first = chunks[0];
    if (!first || flags === 0) return bytes;
    let body: Uint8Array;
    if (first.name === 'VP8X') {
      body = bytes.slice(HEADER);
      body[8] = (body[8] ?? 0) | flags;
    } else {
      const { width, height, alpha } = canvasOf(bytes, first);
      body = joined([extended(width, height, flags | (alpha ? ALPHA : 0)), bytes.subarray(HEADER)]);
    }
    const content = joined([body, new Uint8Array(body.length % 2), chunk('EXIF', exif), chunk('XMP ', xmp)]);
    const whole = joined([ascii('RIFF'), new Uint8Array(4), ascii('WEBP'), content]);
    viewOf(whole).setUint32(4, content.length + 4, true);
    return whole;
  },
};
