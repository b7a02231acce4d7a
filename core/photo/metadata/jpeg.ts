/** JPEG: segments APP1 and APP13 (ITU-T T.81 §B.1.1.4; Exif 2.32, CIPA DC-008 §4.7.2; XMP Specification Part 3 §1.1.3). */
import { joined } from '../../site/index.ts';
import { ascii, startsWith, viewOf, type Block, type BlockKind, type Container } from './container.ts';

const EXIF = 'Exif\0\0';
const XMP = 'http://ns.adobe.com/xap/1.0/\0';
/** A segment's length counts itself and fits 16 bits. */
const MOST = 65_533;

function segment(header: string, content: Uint8Array | null): Uint8Array {
  if (!content || content.length + header.length > MOST) return new Uint8Array();
  const length = content.length + header.length + 2;
  return joined([Uint8Array.of(0xff, 0xe1, length >> 8, length & 0xff), ascii(header), content]);
}

/** Main packets are joined by others where they do not fit a segment: behind a digest, a length and an offset. */
const EXTENDED_XMP = 'http://ns.adobe.com/xmp/extension/\0';
const DIGEST_AND_PLACE = 40;

/** Segments by their markers and headers; those that are cut in pieces belong together. */
const KINDS: { marker: number; header: string | null; skipped: number; kind: BlockKind; pieces: boolean }[] = [
  { marker: 0xe1, header: EXIF, skipped: 0, kind: 'exif', pieces: false },
  { marker: 0xe1, header: XMP, skipped: 0, kind: 'xmp', pieces: false },
  { marker: 0xe1, header: EXTENDED_XMP, skipped: DIGEST_AND_PLACE, kind: 'xmp', pieces: true },
  // Behind the name of a program, whatever that is.
  { marker: 0xed, header: null, skipped: 0, kind: 'resources', pieces: true },
];

const SCAN = 0xda;
const END = 0xd9;

interface Segment {
  marker: number;
  /** Of its content. */
  start: number;
  end: number;
}

/** Segments up to the end of the picture, and where that is; of a damaged file those before the damage. */
function segmentsOf(bytes: Uint8Array): { segments: Segment[]; behind: number } {
  const view = viewOf(bytes);
  const segments: Segment[] = [];
  let at = 2;
  while (at + 4 <= bytes.length && bytes[at] === 0xff) {
    const marker = bytes[at + 1] ?? 0;
    if (marker === END) return { segments, behind: at + 2 };
    const end = at + 2 + view.getUint16(at + 2);
    if (end > bytes.length) break;
    segments.push({ marker, start: at + 4, end });
    at = marker === SCAN ? behindScan(bytes, end) : end;
  }
  const ended = bytes[at] === 0xff && bytes[at + 1] === END;
  return { segments, behind: ended ? at + 2 : bytes.length };
}

/** Where the next marker stands; in a scan 0xff is followed by zero, or by a mark to begin again at (T.81 §B.1.1.2). */
function behindScan(bytes: Uint8Array, from: number): number {
  for (let at = bytes.indexOf(0xff, from); at >= 0; at = bytes.indexOf(0xff, at + 1)) {
    const next = bytes[at + 1] ?? 0;
    if (next !== 0 && next !== 0xff && !(next >= 0xd0 && next <= 0xd7)) return at;
  }
  return bytes.length;
}

/** Some cameras put others, smaller ones, behind the first (common practice, no source). */
function picturesBehind(bytes: Uint8Array, from: number): Block[] {
  const pictures: Block[] = [];
  for (let at = bytes.indexOf(0xff, from); at >= 0;) {
    const begins = bytes[at + 1] === 0xd8 && bytes[at + 2] === 0xff;
    const end = begins ? at + segmentsOf(bytes.subarray(at)).behind : at + 1;
    if (begins) pictures.push({ kind: 'picture', start: at, end });
    at = bytes.indexOf(0xff, end);
  }
  return pictures;
}

export const jpeg: Container = {
  type: 'image/jpeg',
  is: (bytes) => bytes[0] === 0xff && bytes[1] === 0xd8,
  blocks(bytes) {
    const { segments, behind } = segmentsOf(bytes);
    const blocks: Block[] = [];
    const cut = new Map<BlockKind, Block>();
    for (const { marker, start, end } of segments) {
      const known = KINDS.find(
        (one) => one.marker === marker && (one.header === null || startsWith(bytes, one.header, start)),
      );
      if (!known) continue;
      const head = known.header === null ? bytes.indexOf(0, start) + 1 : start + known.header.length;
      const from = head + known.skipped;
      const first = known.pieces ? cut.get(known.kind) : undefined;
      if (from >= end) continue;
      if (first) (first.more ??= []).push({ start: from, end });
      else {
        const block: Block = { kind: known.kind, start: from, end };
        blocks.push(block);
        if (known.pieces) cut.set(known.kind, block);
      }
    }
    return [...blocks, ...picturesBehind(bytes, behind)];
  },
  insert: (bytes, { exif, xmp }) =>
    joined([bytes.subarray(0, 2), segment(EXIF, exif), segment(XMP, xmp), bytes.subarray(2)]),
};
