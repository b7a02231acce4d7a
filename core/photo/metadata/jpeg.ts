/** JPEG: segments APP1 (ITU-T T.81 §B.1.1.4; Exif 2.32, CIPA DC-008 §4.7.2; XMP Specification Part 3 §1.1.3). */
import { joined } from '../../site/index.ts';
import { ascii, startsWith, viewOf, type Block, type Container } from './container.ts';

const EXIF = 'Exif\0\0';
const XMP = 'http://ns.adobe.com/xap/1.0/\0';
/** A segment's length counts itself and fits 16 bits. */
const MOST = 65_533;

function segment(header: string, content: Uint8Array | null): Uint8Array {
  if (!content || content.length + header.length > MOST) return new Uint8Array();
  const length = content.length + header.length + 2;
  return joined([Uint8Array.of(0xff, 0xe1, length >> 8, length & 0xff), ascii(header), content]);
}

export const jpeg: Container = {
  type: 'image/jpeg',
  is: (bytes) => bytes[0] === 0xff && bytes[1] === 0xd8,
  blocks(bytes) {
    const view = viewOf(bytes);
    const blocks: Block[] = [];
    for (let at = 2; at + 4 <= bytes.length && bytes[at] === 0xff;) {
      const marker = bytes[at + 1] ?? 0;
      // The scan follows: metadata stands before it.
      if (marker === 0xda || marker === 0xd9) break;
      const end = at + 2 + view.getUint16(at + 2);
      if (end > bytes.length) break;
      if (marker === 0xe1 && startsWith(bytes, EXIF, at + 4))
        blocks.push({ kind: 'exif', start: at + 4 + EXIF.length, end });
      if (marker === 0xe1 && startsWith(bytes, XMP, at + 4))
        blocks.push({ kind: 'xmp', start: at + 4 + XMP.length, end });
      at = end;
    }
    return blocks;
  },
  insert: (bytes, { exif, xmp }) =>
    joined([bytes.subarray(0, 2), segment(EXIF, exif), segment(XMP, xmp), bytes.subarray(2)]),
};
