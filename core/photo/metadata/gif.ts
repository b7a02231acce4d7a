/** GIF89a (§15 to §26); XMP in an application extension of its own (XMP Specification Part 3 §1.1.2). */
import { startsWith, type Block, type Container } from './container.ts';

const EXTENSION = 0x21;
const APPLICATION = 0xff;
const PICTURE = 0x2c;
const XMP = 'XMP DataXMP';
/** The packet stands there as it is; these bytes follow it, so that readers of blocks find their way out. */
const TRAILER = '\x01\xff\xfe\xfd';

/** Bytes of a table of colours, as its flags tell. */
const table = (flags: number): number => (flags & 0x80 ? 3 * 2 ** ((flags & 7) + 1) : 0);

/** Behind the blocks of data that begin here. */
function behindBlocks(bytes: Uint8Array, from: number): number {
  let at = from;
  while (at < bytes.length && bytes[at] !== 0) at += 1 + (bytes[at] ?? 0);
  return at + 1;
}

export const gif: Container = {
  type: 'image/gif',
  is: (bytes) => startsWith(bytes, 'GIF87a') || startsWith(bytes, 'GIF89a'),
  blocks(bytes) {
    const blocks: Block[] = [];
    for (let at = 13 + table(bytes[10] ?? 0); at < bytes.length;) {
      if (bytes[at] === EXTENSION) {
        if (bytes[at + 1] === APPLICATION && startsWith(bytes, XMP, at + 3)) {
          const start = at + 3 + XMP.length;
          const end = packetEnd(bytes, start);
          if (end > start) blocks.push({ kind: 'xmp', start, end });
        }
        at = behindBlocks(bytes, at + 2);
      } else if (bytes[at] === PICTURE) at = behindBlocks(bytes, at + 10 + table(bytes[at + 9] ?? 0) + 1);
      else break;
    }
    return blocks;
  },
  // A GIF made here is none: nothing is written into one.
  insert: (bytes) => bytes,
};

function packetEnd(bytes: Uint8Array, start: number): number {
  for (let at = bytes.indexOf(1, start); at >= 0; at = bytes.indexOf(1, at + 1))
    if (startsWith(bytes, TRAILER, at)) return at;
  return -1;
}
