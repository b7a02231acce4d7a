/**
 * AVIF and HEIC: items of an ISO base media file (ISO/IEC 14496-12 §8.11, ISO/IEC 23008-12 Annex A). Items are found by
 * the tables in the `meta` box, and changed in place only.
 */
import { startsWith, viewOf, type Block, type Container } from './container.ts';

interface Box {
  name: string;
  /** Of its content. */
  start: number;
  end: number;
}

function boxesIn(bytes: Uint8Array, from: number, to: number): Box[] {
  const view = viewOf(bytes);
  const boxes: Box[] = [];
  for (let at = from; at + 8 <= to;) {
    const short = view.getUint32(at);
    const name = String.fromCharCode(...bytes.subarray(at + 4, at + 8));
    const header = short === 1 ? 16 : 8;
    if (at + header > to) break;
    const size = short === 1 ? Number(view.getBigUint64(at + 8)) : short;
    const end = size === 0 ? to : at + size;
    if (end > to || end < at + header) break;
    boxes.push({ name, start: at + header, end });
    at = end;
  }
  return boxes;
}

/** Numbers one behind another, of sizes that the box itself tells. */
class Cursor {
  readonly #view: DataView;
  readonly #end: number;
  at: number;

  constructor(bytes: Uint8Array, { start, end }: Box) {
    this.#view = viewOf(bytes);
    this.at = start;
    this.#end = end;
  }

  /** Bytes 0, 1, 2, 4 or 8; what stands behind the end is a fault of the file. */
  number(bytes: number): number {
    let value = 0;
    if (this.at + bytes > this.#end) throw new RangeError('a box is cut short');
    for (let n = 0; n < bytes; n++) value = value * 256 + this.#view.getUint8(this.at + n);
    this.at += bytes;
    return value;
  }

  text(): string {
    let text = '';
    for (let code = this.number(1); code !== 0; code = this.number(1)) text += String.fromCharCode(code);
    return text;
  }
}

/** `Exif`, or the media type of an item of the type `mime`; by the numbers of items. */
function typesOf(bytes: Uint8Array, info: Box): Map<number, string> {
  const types = new Map<number, string>();
  const head = new Cursor(bytes, info);
  const version = head.number(4) >>> 24;
  head.number(version === 0 ? 2 : 4);
  for (const box of boxesIn(bytes, head.at, info.end)) {
    const entry = new Cursor(bytes, box);
    const form = entry.number(4) >>> 24;
    if (box.name !== 'infe' || form < 2) continue;
    const id = entry.number(form === 2 ? 2 : 4);
    entry.number(2);
    const type = String.fromCharCode(...[1, 2, 3, 4].map(() => entry.number(1)));
    if (type === 'Exif') types.set(id, type);
    if (type !== 'mime') continue;
    entry.text();
    types.set(id, entry.text());
  }
  return types;
}

/** Where items lie in the file; `data` is where the box is that some of them lie in. */
function placesOf(
  bytes: Uint8Array,
  locations: Box,
  data: Box | undefined,
): Map<number, { start: number; end: number }[]> {
  const places = new Map<number, { start: number; end: number }[]>();
  const cursor = new Cursor(bytes, locations);
  const version = cursor.number(4) >>> 24;
  const sizes = cursor.number(2);
  const [offsetSize, lengthSize, baseSize] = [sizes >> 12, (sizes >> 8) & 15, (sizes >> 4) & 15];
  const indexSize = version === 0 ? 0 : sizes & 15;
  const items = cursor.number(version < 2 ? 2 : 4);
  for (let n = 0; n < items; n++) {
    const id = cursor.number(version < 2 ? 2 : 4);
    const inData = version > 0 && (cursor.number(2) & 15) === 1;
    cursor.number(2);
    const base = cursor.number(baseSize) + (inData ? (data?.start ?? 0) : 0);
    const extents = cursor.number(2);
    const ranges: { start: number; end: number }[] = [];
    for (let m = 0; m < extents; m++) {
      cursor.number(indexSize);
      const start = base + cursor.number(offsetSize);
      const length = cursor.number(lengthSize);
      ranges.push({ start, end: length === 0 ? bytes.length : start + length });
    }
    places.set(
      id,
      ranges.filter(({ start, end }) => start <= end && end <= bytes.length),
    );
  }
  return places;
}

/** The item holds an offset, up to which there may be JPEG's header, and then the structure (§A.2.1). */
const exifBegins = (bytes: Uint8Array, start: number): number => start + 4 + viewOf(bytes).getUint32(start);

export const isoMedia: Container = {
  type: 'image/avif',
  is: (bytes) => startsWith(bytes, 'ftyp', 4),
  blocks(bytes) {
    try {
      return blocksOf(bytes);
    } catch {
      // A damaged table: what it says of nobody knows.
      return [];
    }
  },
  // Items cannot be added without moving the picture; an AVIF made here carries no words.
  insert: (bytes) => bytes,
};

function blocksOf(bytes: Uint8Array): Block[] {
  const meta = boxesIn(bytes, 0, bytes.length).find(({ name }) => name === 'meta');
  const inside = meta ? boxesIn(bytes, meta.start + 4, meta.end) : [];
  const [info, locations, data] = ['iinf', 'iloc', 'idat'].map((wanted) => inside.find(({ name }) => name === wanted));
  if (!info || !locations) return [];
  const places = placesOf(bytes, locations, data);
  return [...typesOf(bytes, info)].flatMap(([id, type]): Block[] => {
    const [first, ...more] = places.get(id) ?? [];
    if (!first) return [];
    const rest = more.length > 0 ? { more } : {};
    if (type !== 'Exif') return /xml/i.test(type) ? [{ kind: 'xmp', ...first, ...rest }] : [];
    const start = exifBegins(bytes, first.start);
    return start < first.end ? [{ kind: 'exif', start, end: first.end, ...rest }] : [];
  });
}
