/** Words and places in picture files: written into what is made, struck out of what leaves. */
import type { PhotoWords } from '../facts.ts';
import { containerOf } from './containers.ts';
import { tiffOf } from './tiff.ts';
import { packetOf } from './xmp.ts';

export { withoutPlace } from './strike.ts';

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
    // EXIF has no day without its time (CIPA DC-008 §4.6.4).
    taken?.includes('T') ? taken : undefined,
  );
  const xmp = packetOf({ ...words, ...(taken === undefined ? {} : { takenAt: taken }) });
  return exif || xmp ? (containerOf(bytes)?.insert(bytes, { exif, xmp }) ?? bytes) : bytes;
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
