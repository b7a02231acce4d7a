/** The TIFF structure that EXIF is kept in (CIPA DC-008 §4.6; TIFF 6.0 §2): texts written, the place struck out. */
import { joined, keysOf } from '../../site/index.ts';
import { viewOf } from './container.ts';

/** Tags of text in the first directory. */
export const TEXT_TAGS = { description: 0x010e, artist: 0x013b, copyright: 0x8298 } as const;
const EXIF_POINTER = 0x8769;
const GPS_POINTER = 0x8825;
const DATE_TAKEN = 0x9003;
const ASCII = 2;
const LONG = 4;
const ENTRY = 12;

/** Bytes of one value of each field type; TIFF 6.0 §2. */
const SIZES = [0, 1, 1, 2, 4, 8, 1, 1, 2, 4, 8, 4, 8];

interface Entry {
  tag: number;
  type: number;
  count: number;
  /** Up to four bytes stand in the entry; more stand behind the directory. */
  value: Uint8Array | number;
}

/**
 * Text as UTF-8 with the closing zero that ASCII fields have; readers take it so (common practice, the standard knows
 * ASCII only).
 */
const textEntry = (tag: number, text: string): Entry => {
  const bytes = new TextEncoder().encode(`${text}\0`);
  return { tag, type: ASCII, count: bytes.length, value: bytes };
};

function directory(entries: readonly Entry[], at: number): Uint8Array {
  const table = new Uint8Array(2 + entries.length * ENTRY + 4);
  const view = viewOf(table);
  view.setUint16(0, entries.length, true);
  const behind: Uint8Array[] = [];
  let free = at + table.length;
  for (const [n, { tag, type, count, value }] of entries.entries()) {
    const from = 2 + n * ENTRY;
    view.setUint16(from, tag, true);
    view.setUint16(from + 2, type, true);
    view.setUint32(from + 4, count, true);
    if (typeof value === 'number') view.setUint32(from + 8, value, true);
    else if (value.length <= 4) table.set(value, from + 8);
    else {
      view.setUint32(from + 8, free, true);
      behind.push(value, new Uint8Array(value.length % 2));
      free += value.length + (value.length % 2);
    }
  }
  return joined([table, ...behind]);
}

/** A structure with these texts; null where there is nothing to say. `taken` is ISO date and time. */
export function tiffOf(
  texts: Partial<Record<keyof typeof TEXT_TAGS, string>>,
  taken: string | undefined,
): Uint8Array | null {
  const entries = keysOf(TEXT_TAGS).flatMap((name) => (texts[name] ? [textEntry(TEXT_TAGS[name], texts[name])] : []));
  if (entries.length === 0 && taken === undefined) return null;
  const header = Uint8Array.of(0x49, 0x49, 42, 0, 8, 0, 0, 0);
  const sorted = (all: Entry[]) => all.sort((a, b) => a.tag - b.tag);
  if (taken === undefined) return joined([header, directory(sorted(entries), 8)]);
  // The length of the first directory does not depend on what its pointer holds.
  const pointer: Entry = { tag: EXIF_POINTER, type: LONG, count: 1, value: 0 };
  const all = sorted([...entries, pointer]);
  const second = 8 + directory(all, 8).length;
  pointer.value = second;
  const date = textEntry(
    DATE_TAKEN,
    taken
      .replace('T', ' ')
      .replace(/^(\d{4})-(\d\d)-/, '$1:$2:')
      .slice(0, 19),
  );
  return joined([header, directory(all, 8), directory([date], second)]);
}

/** Strikes out the directory of the place in a structure, in place and without moving a byte; whether there was one. */
export function strikePlace(tiff: Uint8Array): boolean {
  const view = viewOf(tiff);
  if (tiff.length < 8) return false;
  const little = view.getUint16(0) === 0x4949;
  let struck = false;
  const within = (at: number, length: number) => at >= 8 && at + length <= tiff.length;
  for (let at = view.getUint32(4, little), seen = 0; within(at, 2) && seen < 8; seen++) {
    const count = view.getUint16(at, little);
    const end = at + 2 + count * ENTRY;
    if (!within(at, end - at + 4)) break;
    for (let from = at + 2; from < end; from += ENTRY) {
      if (view.getUint16(from, little) !== GPS_POINTER) continue;
      struck = strikeDirectory(tiff, view.getUint32(from + 8, little), little) || struck;
    }
    at = view.getUint32(end, little);
    if (at === 0) break;
  }
  return struck;
}

/** Values are set to zero, and the directory is left with no entries. */
function strikeDirectory(tiff: Uint8Array, at: number, little: boolean): boolean {
  const view = viewOf(tiff);
  if (at < 8 || at + 2 > tiff.length) return false;
  const count = view.getUint16(at, little);
  const end = Math.min(tiff.length, at + 2 + count * ENTRY);
  for (let from = at + 2; from + ENTRY <= end; from += ENTRY) {
    const bytes = (SIZES[view.getUint16(from + 2, little)] ?? 0) * view.getUint32(from + 4, little);
    const value = view.getUint32(from + 8, little);
    if (bytes > 4 && value + bytes <= tiff.length) tiff.fill(0, value, value + bytes);
  }
  tiff.fill(0, at, end);
  return count > 0;
}
