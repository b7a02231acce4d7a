/** Where picture formats keep what they say of a picture. A format is one file and one line in `index.ts`. */

/** A TIFF structure, an XMP packet, IPTC-IIM, image resources, or another picture with blocks of its own. */
export type BlockKind = 'exif' | 'xmp' | 'iptc' | 'resources' | 'picture';

interface Range {
  /** Byte offsets. */
  start: number;
  end: number;
}

/** Without the format's own header. */
export interface Block extends Range {
  kind: BlockKind;
  /** Where it is cut in pieces, those behind the first. */
  more?: Range[];
}

/** A text with a keyword that cannot be changed in place. */
export interface TextPart extends Range {
  keyword: string;
  /** Unpacked. */
  content: Uint8Array;
  /** The same part with another content. */
  rewritten: (content: Uint8Array) => Uint8Array;
}

/** Bytes to be put into a file. */
export interface Metadata {
  /** A TIFF structure. */
  exif: Uint8Array | null;
  /** An XMP packet, UTF-8. */
  xmp: Uint8Array | null;
}

export interface Container {
  type: string;
  is: (bytes: Uint8Array) => boolean;
  /** The blocks of a well-formed file; of a damaged one those before the damage. */
  blocks: (bytes: Uint8Array) => Block[];
  /** A new file with the metadata added. The encoders here write none of their own, so none is replaced. */
  insert: (bytes: Uint8Array, metadata: Metadata) => Uint8Array;
  /** Texts that are packed, or that nobody but their keyword tells apart. */
  texts?: (bytes: Uint8Array) => TextPart[];
  /** Called after bytes of a block were changed in place, for formats with checksums. */
  sealed?: (bytes: Uint8Array) => void;
}

export const ascii = (text: string): Uint8Array => Uint8Array.from(text, (letter) => letter.charCodeAt(0));

export const startsWith = (bytes: Uint8Array, text: string, at = 0): boolean =>
  [...text].every((letter, n) => bytes[at + n] === letter.charCodeAt(0));

export const viewOf = (bytes: Uint8Array): DataView => new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
