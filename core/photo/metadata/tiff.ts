/** The TIFF structure that EXIF is kept in (CIPA DC-008 §4.6; TIFF 6.0 §2): texts written, the place struck out. */
import { joined, keysOf } from '../../site/index.ts';
import { viewOf, type Block, type BlockKind } from './container.ts';

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

const SUB_DIRECTORIES = 0x014a;
const INTEROPERABILITY_POINTER = 0xa005;
const THUMBNAIL = 0x0201;
const THUMBNAIL_LENGTH = 0x0202;
/** Entries whose values are structures of their own; TIFF keeps there what JPEG has in segments. */
const NESTED: Record<number, BlockKind> = { 0x02bc: 'xmp', 0x83bb: 'iptc', 0x8649: 'resources' };

interface FoundEntry {
  tag: number;
  /** Where its value lies, and how many bytes it takes. */
  at: number;
  bytes: number;
  count: number;
}

/** A structure that is read, whatever stands in it. */
class Structure {
  readonly bytes: Uint8Array;
  readonly #view: DataView;
  readonly #little: boolean;

  constructor(bytes: Uint8Array) {
    this.bytes = bytes;
    this.#view = viewOf(bytes);
    this.#little = bytes.length >= 2 && this.#view.getUint16(0) === 0x4949;
  }

  /** 0, which leads nowhere, where it would stand outside. */
  long(at: number): number {
    return at + 4 <= this.bytes.length ? this.#view.getUint32(at, this.#little) : 0;
  }

  within(at: number, length: number): boolean {
    return at >= 8 && at + length <= this.bytes.length;
  }

  /** The entries at a place, as many as there is room for; null where there is no directory. */
  entriesAt(at: number): { entries: FoundEntry[]; end: number; whole: boolean } | null {
    if (!this.within(at, 2)) return null;
    const count = this.#view.getUint16(at, this.#little);
    const end = at + 2 + count * ENTRY;
    const entries: FoundEntry[] = [];
    for (let from = at + 2; from + ENTRY <= Math.min(end, this.bytes.length); from += ENTRY)
      entries.push(this.#entry(from));
    return { entries, end: Math.min(end, this.bytes.length), whole: this.within(at, end - at + 4) };
  }

  #entry(from: number): FoundEntry {
    const count = this.long(from + 4);
    const bytes = (SIZES[this.#view.getUint16(from + 2, this.#little)] ?? 0) * count;
    return {
      tag: this.#view.getUint16(from, this.#little),
      at: bytes > 4 ? this.long(from + 8) : from + 8,
      bytes,
      count,
    };
  }

  /** Every directory that one comes to: along the chain, and by the pointers that lead into others. */
  directories(): FoundEntry[][] {
    const found: FoundEntry[][] = [];
    const places = this.bytes.length < 8 ? [] : [this.long(4)];
    const seen = new Set(places);
    const go = (at: number) => {
      if (!seen.has(at)) places.push(at);
      seen.add(at);
    };
    for (const at of places) {
      const directory = this.entriesAt(at);
      if (!directory) continue;
      found.push(directory.entries);
      for (const { tag, at: value, count } of directory.entries) {
        if (tag === EXIF_POINTER || tag === INTEROPERABILITY_POINTER) go(this.long(value));
        if (tag !== SUB_DIRECTORIES) continue;
        for (let n = 0; n < count && this.within(value + n * 4, 4); n++) go(this.long(value + n * 4));
      }
      if (directory.whole) go(this.long(directory.end));
    }
    return found;
  }
}

/** Strikes out the directories of the place in a structure, in place and without moving a byte; whether there was one. */
export function strikePlace(tiff: Uint8Array): boolean {
  const structure = new Structure(tiff);
  let struck = false;
  for (const entries of structure.directories())
    for (const { tag, at } of entries)
      if (tag === GPS_POINTER) struck = strikeDirectory(structure, structure.long(at)) || struck;
  return struck;
}

/** Values are set to zero, and the directory is left with no entries. */
function strikeDirectory(structure: Structure, at: number): boolean {
  const directory = structure.entriesAt(at);
  if (!directory) return false;
  const { bytes } = structure;
  const some = bytes.subarray(at, directory.end).some((byte) => byte !== 0);
  for (const entry of directory.entries)
    if (entry.bytes > 4 && entry.at + entry.bytes <= bytes.length) bytes.fill(0, entry.at, entry.at + entry.bytes);
  bytes.fill(0, at, directory.end);
  return some;
}

/** Structures of other kinds that stand in this one: packets, datasets, the small picture of a camera. */
export function blocksInTiff(tiff: Uint8Array): Block[] {
  const structure = new Structure(tiff);
  return structure.directories().flatMap((entries) => {
    const nested = entries.flatMap(({ tag, at, bytes }): Block[] => {
      const kind = NESTED[tag];
      return kind && structure.within(at, bytes) ? [{ kind, start: at, end: at + bytes }] : [];
    });
    const [from, length] = [THUMBNAIL, THUMBNAIL_LENGTH].map((wanted) => {
      const entry = entries.find(({ tag }) => tag === wanted);
      return entry && structure.long(entry.at);
    });
    if (from === undefined || length === undefined || !structure.within(from, length)) return nested;
    return [...nested, { kind: 'picture', start: from, end: from + length }];
  });
}
