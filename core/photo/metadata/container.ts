/** Where picture formats keep EXIF and XMP. A format is one file and one line in `containers.ts`. */

export interface Block {
  kind: 'exif' | 'xmp';
  /** The TIFF structure or the XMP packet itself, without the format's own header; byte offsets. */
  start: number;
  end: number;
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
  /** Called after bytes of a block were changed in place, for formats with checksums. */
  sealed?: (bytes: Uint8Array) => void;
}

export const ascii = (text: string): Uint8Array => Uint8Array.from(text, (letter) => letter.charCodeAt(0));

export const startsWith = (bytes: Uint8Array, text: string, at = 0): boolean =>
  [...text].every((letter, n) => bytes[at + n] === letter.charCodeAt(0));

export const viewOf = (bytes: Uint8Array): DataView => new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
