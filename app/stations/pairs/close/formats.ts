/** Formats as they are called, and the qualities that are tried of each. */
import type { Format } from '~core/photo/index.ts';
import { extensionOf } from '~core/site/index.ts';

export const FORMAT_SAYS: Record<Format, string> = { jpeg: 'JPEG', webp: 'WebP', png: 'PNG', avif: 'AVIF' };

/** Enough points for a curve; the middle first, so that something is there at once. */
export const TRIED: readonly number[] = [80, 60, 92, 70, 40, 86, 50, 30];

const BY_EXTENSION: Readonly<Record<string, Format>> = { jpg: 'jpeg', jpeg: 'jpeg', webp: 'webp', png: 'png', avif: 'avif' };

/** The format that a file's name says; JPEG for those that are not written here. */
export const formatOf = (path: string): Format => BY_EXTENSION[extensionOf(path)] ?? 'jpeg';
