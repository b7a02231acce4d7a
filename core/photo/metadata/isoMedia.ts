/**
 * AVIF and HEIC: items of an ISO base media file (ISO/IEC 23008-12, Annex A). The EXIF item holds the bytes
 * `Exif\0\0` and a TIFF structure; both are found by these bytes, and changed in place only.
 */
import { startsWith, type Block, type Container } from './container.ts';

const find = (bytes: Uint8Array, text: string): number => {
  const first = text.charCodeAt(0);
  for (let at = bytes.indexOf(first); at >= 0; at = bytes.indexOf(first, at + 1))
    if (startsWith(bytes, text, at)) return at;
  return -1;
};

export const isoMedia: Container = {
  type: 'image/avif',
  is: (bytes) => startsWith(bytes, 'ftyp', 4),
  blocks(bytes) {
    const blocks: Block[] = [];
    for (const order of ['II*\0', 'MM\0*']) {
      const at = find(bytes, `Exif\0\0${order}`);
      if (at >= 0) blocks.push({ kind: 'exif', start: at + 6, end: bytes.length });
    }
    const packet = find(bytes, '<x:xmpmeta');
    const end = packet < 0 ? -1 : find(bytes, '</x:xmpmeta>');
    if (end > packet) blocks.push({ kind: 'xmp', start: packet, end: end + 12 });
    return blocks;
  },
  // Items cannot be added without moving the picture; an AVIF made here carries no words.
  insert: (bytes) => bytes,
};
