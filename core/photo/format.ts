/** The formats that pictures are made in: how files of each end, what servers and people call them. */
import { extensionOf, mediaTypeOf } from '../site/index.ts';

export const FORMATS = ['jpeg', 'webp', 'png', 'avif'] as const;
export type Format = (typeof FORMATS)[number];

export const EXTENSION: Readonly<Record<Format, string>> = { jpeg: 'jpg', webp: 'webp', png: 'png', avif: 'avif' };
export const FORMAT_NAMES: Readonly<Record<Format, string>> = { jpeg: 'JPEG', webp: 'WebP', png: 'PNG', avif: 'AVIF' };

/** The media type, which a canvas is asked for and a server tells. */
export const typeOfFormat = (format: Format): string => mediaTypeOf(`x.${EXTENSION[format]}`);

/** The format that a file's name says; null for one that is not made here. */
export const formatOf = (path: string): Format | null =>
  FORMATS.find((format) => typeOfFormat(format) === mediaTypeOf(path)) ?? null;

/** The same name with the ending of a format; one that fits already is left as it is written. */
export const inFormat = (path: string, format: Format): string =>
  formatOf(path) === format ? path : `${path.slice(0, path.length - extensionOf(path).length)}${EXTENSION[format]}`;
