/**
 * Strikes out of a picture where it was taken, in whatever it is written: structures lie in one another, and each kind
 * has one rule of its own. No byte moves, but where a text in a PNG is packed and has to be packed again.
 */
import { joined } from '../../site/index.ts';
import { containerOf } from './containers.ts';
import { startsWith, type Block, type BlockKind, type TextPart } from './container.ts';
import { strikePlaceInIptc } from './iptc.ts';
import { namesPlace } from './placeNames.ts';
import { blocksInResources } from './resources.ts';
import { blocksInTiff, strikePlace } from './tiff.ts';
import { strikePlaceInBytes, strikePlaceInPacket } from './xmp.ts';

/** How deep structures may lie in one another: far deeper than any camera puts them. */
const DEEPEST = 100;

const RULES: Record<BlockKind, { own?: (bytes: Uint8Array) => boolean; inside?: (bytes: Uint8Array) => Block[] }> = {
  exif: { own: strikePlace, inside: blocksInTiff },
  xmp: { own: strikePlaceInPacket },
  iptc: { own: strikePlaceInIptc },
  resources: { inside: blocksInResources },
  picture: { inside: (bytes) => containerOf(bytes)?.blocks(bytes) ?? [] },
};

/** A copy that does not say where it was taken; all else is the same. Null where it does not say so. */
export function withoutPlace(bytes: Uint8Array): Uint8Array | null {
  const container = containerOf(bytes);
  // A slice of a Buffer, which is an array of bytes as well, would be no copy.
  const copy = new Uint8Array(bytes);
  const inPlaces = strike('picture', copy, 0);
  const struck = strikeLoose(copy) || inPlaces;
  const texts = (container?.texts?.(copy) ?? []).flatMap(struckText);
  if (!struck && texts.length === 0) return null;
  container?.sealed?.(copy);
  return texts.length === 0 ? copy : withTexts(copy, texts);
}

function strike(kind: BlockKind, bytes: Uint8Array, depth: number): boolean {
  if (depth > DEEPEST) return false;
  const { own, inside } = RULES[kind];
  let struck = own?.(bytes) ?? false;
  for (const block of inside?.(bytes) ?? []) struck = strikeBlock(block, bytes, depth + 1) || struck;
  return struck;
}

function strikeBlock({ kind, start, end, more = [] }: Block, bytes: Uint8Array, depth: number): boolean {
  if (more.length === 0) return strike(kind, bytes.subarray(start, end), depth);
  const ranges = [{ start, end }, ...more];
  const whole = joined(ranges.map((range) => bytes.subarray(range.start, range.end)));
  const struck = strike(kind, whole, depth);
  let from = 0;
  for (const range of ranges) {
    const length = range.end - range.start;
    bytes.set(whole.subarray(from, from + length), range.start);
    from += length;
  }
  return struck;
}

/** How a structure of TIFF begins, in both orders of bytes. */
const TIFF_MARKS = ['II*\0', 'MM\0*'];
/** How a resource begins that holds IPTC, and the most that it can take with all others of its segment; bytes. */
const IPTC_MARK = '8BIM\x04\x04';
const LARGEST_RESOURCE = 0xffff;

/**
 * Structures wherever they stand: what leads to them may be damaged, and some readers find them all the same. Where a
 * format's own way has led to them, nothing is left to strike.
 */
function strikeLoose(bytes: Uint8Array): boolean {
  let struck = false;
  for (const text of TIFF_MARKS)
    for (const at of placesOf(bytes, text)) struck = strike('exif', bytes.subarray(at), 0) || struck;
  for (const at of placesOf(bytes, IPTC_MARK)) {
    // That one resource only: what stands behind may be the picture itself.
    const part = bytes.subarray(at, at + LARGEST_RESOURCE);
    const [resource] = blocksInResources(part);
    if (resource) struck = strikeBlock(resource, part, 1) || struck;
  }
  return strikePlaceInBytes(bytes) || struck;
}

function placesOf(bytes: Uint8Array, text: string): number[] {
  const places: number[] = [];
  const first = text.charCodeAt(0);
  for (let at = bytes.indexOf(first); at >= 0; at = bytes.indexOf(first, at + 1))
    if (startsWith(bytes, text, at)) places.push(at);
  return places;
}

/** Keywords under which programs put whole structures into texts, written as hexadecimal digits. */
const PROFILE = /^Raw profile type /i;
/** Their names are not to be trusted: what lies in one is tried as each. */
const IN_PROFILES: readonly BlockKind[] = ['exif', 'xmp', 'resources', 'iptc'];

interface Rewritten {
  start: number;
  end: number;
  /** Nothing where the whole text was about the place. */
  content: Uint8Array;
}

/** What takes the place of a text; nothing where it does not tell where the picture was taken. */
function struckText({ keyword, content, start, end, rewritten }: TextPart): Rewritten[] {
  const gone = [{ start, end, content: new Uint8Array() }];
  if (namesPlace(keyword)) return gone;
  if (!PROFILE.test(keyword)) {
    const struck = struckPacket(content);
    return struck ? [{ start, end, content: rewritten(struck) }] : [];
  }
  const profile = profileIn(content);
  // Where its digits are damaged, readers differ in what they make of it.
  if (profile === null) return gone;
  const struck = struckProfile(profile);
  return struck ? [{ start, end, content: rewritten(struck) }] : [];
}

function struckPacket(content: Uint8Array): Uint8Array | null {
  const packet = new Uint8Array(content);
  return strike('xmp', packet, 0) ? packet : null;
}

interface Profile {
  /** Its name and its length. */
  head: string;
  bytes: Uint8Array;
}

const PROFILE_HEAD = /^\s*\S+\s+(\d+)\s/;
const DIGITS = /^(?:[\da-f]{2})*$/i;

/** Null where it is damaged. */
function profileIn(content: Uint8Array): Profile | null {
  const text = new TextDecoder('latin1').decode(content);
  const [head = '', length] = PROFILE_HEAD.exec(text) ?? [];
  const digits = text.slice(head.length).replace(/\s+/g, '');
  if (!DIGITS.test(digits) || digits.length !== Number(length) * 2) return null;
  return { head, bytes: Uint8Array.from(digits.match(/../g) ?? [], (two) => Number.parseInt(two, 16)) };
}

/** JPEG's header of a segment, where the profile has that before it. */
const SEGMENT_HEAD = /^(?:Exif\0\0|http:\/\/ns\.adobe\.com\/xap\/1\.0\/\0)/;

function struckProfile({ head, bytes }: Profile): Uint8Array | null {
  const begin = SEGMENT_HEAD.exec(new TextDecoder('latin1').decode(bytes.subarray(0, 40)))?.[0].length ?? 0;
  if (!IN_PROFILES.some((kind) => strike(kind, bytes.subarray(begin), 0))) return null;
  const written = [...bytes].map((byte) => byte.toString(16).padStart(2, '0')).join('');
  return new TextEncoder().encode(`${head}${(written.match(/.{1,72}/g) ?? []).join('\n')}\n`);
}

function withTexts(bytes: Uint8Array, texts: readonly Rewritten[]): Uint8Array {
  const parts: Uint8Array[] = [];
  let from = 0;
  for (const { start, end, content } of texts) {
    parts.push(bytes.subarray(from, start), content);
    from = end;
  }
  return joined([...parts, bytes.subarray(from)]);
}
