/** PNG: chunks eXIf, iTXt, tEXt and zTXt (Portable Network Graphics, Third Edition, W3C 2025, §5.3, §11.3.3.4, §11.3.4.4). */
import { unzlibSync, zlibSync } from 'fflate';
import { joined } from '../../site/index.ts';
import { ascii, startsWith, viewOf, type Block, type Container, type TextPart } from './container.ts';

interface Chunk {
  name: string;
  start: number;
  end: number;
}

const SIGNATURE = '\x89PNG\r\n\x1a\n';
/** Keyword, no compression, no language, no translated keyword (XMP Specification Part 3 §1.1.5). */
const XMP = 'XML:com.adobe.xmp\0\0\0\0\0';

/** Of a file that is cut short, those before the end; with `cut` also the one that is cut. */
function chunksOf(bytes: Uint8Array, cut?: 'cut'): Chunk[] {
  const view = viewOf(bytes);
  const chunks: Chunk[] = [];
  for (let at = SIGNATURE.length; at + 12 <= bytes.length;) {
    const promised = at + 8 + view.getUint32(at);
    if (promised + 4 > bytes.length && !cut) break;
    const end = Math.min(promised, bytes.length);
    chunks.push({ name: String.fromCharCode(...bytes.subarray(at + 4, at + 8)), start: at + 8, end });
    at = end + 4;
  }
  return chunks;
}

interface Text {
  keyword: string;
  /** Unpacked. */
  content: Uint8Array;
  packed: boolean;
  /** What stands between the keyword and the text. */
  head: Uint8Array;
}

/** What a chunk of text holds (§11.3.3); null for other chunks, and for what is damaged. */
function textIn(bytes: Uint8Array, { name, start, end }: Chunk): Text | null {
  const close = bytes.indexOf(0, start);
  if (close < 0 || close >= end) return null;
  const keyword = String.fromCharCode(...bytes.subarray(start, close));
  const rest = bytes.subarray(close + 1, end);
  const from = textBegins(name, rest);
  if (from < 0 || from > rest.length) return null;
  const packed = name === 'zTXt' || (name === 'iTXt' && rest[0] === 1);
  const text = rest.subarray(from);
  return { keyword, packed, head: rest.subarray(0, from), content: packed ? unpacked(text) : text };
}

/** Behind the keyword: nothing; a method; or whether and how it is packed, a language and a translated keyword. */
function textBegins(name: string, rest: Uint8Array): number {
  if (name === 'tEXt') return 0;
  if (name === 'zTXt') return 1;
  if (name !== 'iTXt') return -1;
  const language = rest.indexOf(0, 2);
  const translated = language < 0 ? -1 : rest.indexOf(0, language + 1);
  return translated < 0 ? -1 : translated + 1;
}

/** What does not unpack is shown as it is: its keyword may tell enough. */
function unpacked(packed: Uint8Array): Uint8Array {
  try {
    return unzlibSync(packed);
  } catch {
    return packed;
  }
}

function textPart(bytes: Uint8Array, one: Chunk): TextPart | null {
  const text = textIn(bytes, one);
  if (!text) return null;
  const { keyword, content, packed, head } = text;
  const rewritten = (other: Uint8Array) =>
    chunk(one.name, joined([ascii(`${keyword}\0`), head, packed ? zlibSync(other) : other]));
  // From its length to its checksum.
  return { keyword, content, rewritten, start: one.start - 8, end: Math.min(one.end + 4, bytes.length) };
}

const XMP_KEYWORD = 'XML:com.adobe.xmp';

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
      const text = name === 'iTXt' ? textIn(bytes, { name, start, end }) : null;
      if (text?.keyword !== XMP_KEYWORD || text.packed) return [];
      return [{ kind: 'xmp', start: end - text.content.length, end }];
    }),
  texts: (bytes) => chunksOf(bytes, 'cut').flatMap((one) => textPart(bytes, one) ?? []),
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
