/** Words and places in picture files: written into what is made, struck out of what leaves. */
import type { PhotoWords } from '../facts.ts';
import type { Container } from './container.ts';
import { isoMedia } from './isoMedia.ts';
import { jpeg } from './jpeg.ts';
import { png } from './png.ts';
import { strikePlace, tiffOf } from './tiff.ts';
import { webp } from './webp.ts';
import { packetOf, strikePlaceInPacket } from './xmp.ts';

const CONTAINERS: readonly Container[] = [jpeg, png, webp, isoMedia];

const containerOf = (bytes: Uint8Array): Container | undefined => CONTAINERS.find((one) => one.is(bytes));

export interface WordsToKeep {
  words: PhotoWords;
  takenAt?: string;
}

/** What a made picture carries over: only who made it and what may be done with it, or all. */
export function kept({ words, takenAt: taken }: WordsToKeep, policy: 'none' | 'rights' | 'all'): WordsToKeep {
  if (policy === 'none') return { words: {} };
  const { credit, copyright } = words;
  if (policy === 'rights') return { words: { ...(credit ? { credit } : {}), ...(copyright ? { copyright } : {}) } };
  return { words, ...(taken === undefined ? {} : { takenAt: taken }) };
}

/**
 * The same picture with words in it, as EXIF and as XMP. The place is never among them. Formats that cannot carry
 * words come back as they are.
 */
export function withWords(bytes: Uint8Array, { words, takenAt: taken }: WordsToKeep): Uint8Array {
  const { caption, credit, copyright } = words;
  const exif = tiffOf(
    {
      ...(caption ? { description: caption } : {}),
      ...(credit ? { artist: credit } : {}),
      ...(copyright ? { copyright } : {}),
    },
    taken,
  );
  const xmp = packetOf({ ...words, ...(taken === undefined ? {} : { takenAt: taken }) });
  return exif || xmp ? (containerOf(bytes)?.insert(bytes, { exif, xmp }) ?? bytes) : bytes;
}

/** A copy that does not say where it was taken; all else is the same to the byte. Null where it does not say so. */
export function withoutPlace(bytes: Uint8Array): Uint8Array | null {
  const container = containerOf(bytes);
  if (!container) return null;
  // A slice of a Buffer, which is an array of bytes as well, would be no copy.
  const copy = new Uint8Array(bytes);
  let struck = false;
  for (const { kind, start, end } of container.blocks(copy)) {
    const block = copy.subarray(start, end);
    struck = (kind === 'exif' ? strikePlace(block) : strikePlaceInPacket(block)) || struck;
  }
  if (!struck) return null;
  container.sealed?.(copy);
  return copy;
}

/** The EXIF structure and XMP packet of a file, for readers that do not know its format. */
export function metadataIn(bytes: Uint8Array): { exif: Uint8Array | null; xmp: Uint8Array | null } {
  const blocks = containerOf(bytes)?.blocks(bytes) ?? [];
  const of = (kind: 'exif' | 'xmp') => {
    const block = blocks.find((one) => one.kind === kind);
    return block ? bytes.slice(block.start, block.end) : null;
  };
  return { exif: of('exif'), xmp: of('xmp') };
}
