/** PNG: chunks eXIf and iTXt (Portable Network Graphics, Third Edition, W3C 2025, §5.3, §11.3.3.4, §11.3.4.4). */
import { joined } from '../../site/index.ts';
import { ascii, startsWith, viewOf, type Block, type Container } from './container.ts';

interface Chunk {
  name: string;
  start: number;
  end: number;
}

const SIGNATURE = '\x89PNG\r\n\x1a\n';
/** Keyword, no compression, no language, no translated keyword (XMP Specification Part 3 §1.1.5). */
const XMP = 'XML:com.adobe.xmp\0\0\0\0\0';

function chunksOf(bytes: Uint8Array): Chunk[] {
  const view = viewOf(bytes);
  const chunks: Chunk[] = [];
  for (let at = SIGNATURE.length; at + 12 <= bytes.length;) {
    const end = at + 8 + view.getUint32(at);
    if (end + 4 > bytes.length) break;
    chunks.push({ name: String.fromCharCode(...bytes.subarray(at + 4, at + 8)), start: at + 8, end });
    at = end + 4;
  }
  return chunks;
}

/** Annex D: CRC-32 as in ISO 3309, over the chunk's name and content. */
const TABLE = Uint32Array.from({ length: 256 }, (_, n) => {
  let c = n;
  for (let k = 0; k < 8; k++) c = c & 1 ? 0xedb88320 ^ (c >>> 1) : c >>> 1;
  return c >>> 0;
});

function crc(bytes: Uint8Array): number {
  let c = 0xffffffff;
  for (const byte of bytes) c = (TABLE[(c ^ byte) & 0xff] ?? 0) ^ (c >>> 8);
  return (c ^ 0xffffffff) >>> 0;
}

function chunk(name: string, content: Uint8Array | null): Uint8Array {
  if (!content) return new Uint8Array();
  const whole = joined([new Uint8Array(4), ascii(name), content, new Uint8Array(4)]);
  viewOf(whole).setUint32(0, content.length);
  viewOf(whole).setUint32(8 + content.length, crc(whole.subarray(4, 8 + content.length)));
  return whole;
}

export const png: Container = {
  type: 'image/png',
  is: (bytes) => startsWith(bytes, SIGNATURE),
  blocks: (bytes) =>
    chunksOf(bytes).flatMap(({ name, start, end }): Block[] => {
      if (name === 'eXIf') return [{ kind: 'exif', start, end }];
      return name === 'iTXt' && startsWith(bytes, XMP, start) ? [{ kind: 'xmp', start: start + XMP.length, end }] : [];
    }),
  insert(bytes, { exif, xmp }) {
    const header = chunksOf(bytes)[0];
    if (!header) return bytes;
    const after = header.end + 4;
    return joined([
      bytes.subarray(0, after),
      chunk('eXIf', exif),
      chunk('iTXt', xmp && joined([ascii(XMP), xmp])),
      bytes.subarray(after),
    ]);
  },
  sealed(bytes) {
    for (const { start, end } of chunksOf(bytes)) viewOf(bytes).setUint32(end, crc(bytes.subarray(start - 4, end)));
  },
};
