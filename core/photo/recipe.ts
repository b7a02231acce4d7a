/** The recipe of a site: which sizes are made of a picture, and how. All sizes are image px. */
import { z } from 'zod';
import { fitInside, type Size } from './size.ts';
import type { Frame } from './luma.ts';

const side = z.number().int().min(16, 'A side has at least 16 px.').max(10_000, 'A side has at most 10,000 px.').nullable();

export const SizeRecipe = z
  .strictObject({
    /** Sides of the box; null does not limit. */
    width: side,
    height: side,
    /** `fit` shows the whole picture inside the box; `crop` fills the box and cuts what stands out. */
    shape: z.enum(['fit', 'crop']),
    format: z.enum(['jpeg', 'webp', 'png']),
    /** 1 to 100, as encoders count; PNG has none and ignores it. */
    quality: z.number().int().min(1, 'Quality is 1 to 100.').max(100, 'Quality is 1 to 100.'),
  })
  .refine(({ width, height }) => width !== null || height !== null, { message: 'Give a width, a height, or both.', path: ['width'] })
  .refine(({ shape, width, height }) => shape === 'fit' || (width !== null && height !== null), { message: 'A crop needs both sides of its box.', path: ['height'] });
export type SizeRecipe = z.infer<typeof SizeRecipe>;

export const Recipe = z.strictObject({ thumbnail: SizeRecipe, fullSize: SizeRecipe });
export type Recipe = z.infer<typeof Recipe>;

const fit = (width: number | null, height: number | null, quality: number, format: SizeRecipe['format'] = 'jpeg'): SizeRecipe => ({ width, height, shape: 'fit', format, quality });

/** Where people begin (common practice, no source). */
export const STARTING_POINTS: readonly { name: string; recipe: Recipe }[] = [
  { name: 'a small hand-coded page', recipe: { thumbnail: fit(150, null, 80), fullSize: fit(800, 800, 82) } },
  { name: 'large windows', recipe: { thumbnail: fit(150, null, 80), fullSize: fit(1600, 1600, 82) } },
  { name: 'dense screens', recipe: { thumbnail: fit(400, null, 78, 'webp'), fullSize: fit(1600, 1600, 80, 'webp') } },
];

/** Of a site that has said nothing. */
export const DEFAULT_RECIPE: Recipe = STARTING_POINTS[1]!.recipe;

/** Inner sizes of windows that visitors have, without the browser's own bars (common practice, no source); CSS px. */
export const WINDOWS: readonly { name: string; width: number; height: number }[] = [
  { name: 'small laptop, 1366 × 768', width: 1366, height: 625 },
  { name: 'laptop, 1440 × 900', width: 1440, height: 757 },
  { name: 'desktop, 1920 × 1080', width: 1920, height: 937 },
  { name: 'large desktop, 2560 × 1440', width: 2560, height: 1297 },
];

/** What an overlay leaves of a window for the picture: room for buttons at the sides and a caption below; CSS px. */
const OVERLAY = { across: 96, down: 104 };

/** The box in which a whole picture shows without scrolling in such a window. */
export const roomIn = ({ width, height }: { width: number; height: number }): Size => ({ width: width - OVERLAY.across, height: height - OVERLAY.down });

export const EXTENSION: Record<SizeRecipe['format'], string> = { jpeg: 'jpg', webp: 'webp', png: 'png' };

/** The part of a picture that is used: all of it, or the largest of the box's shape around the middle. */
export function usedPart(full: Size, { width, height, shape }: SizeRecipe): Frame {
  if (shape === 'fit' || width === null || height === null) return { left: 0, top: 0, ...full };
  const scale = Math.min(full.width / width, full.height / height);
  const part = { width: Math.max(1, Math.round(width * scale)), height: Math.max(1, Math.round(height * scale)) };
  return { left: Math.floor((full.width - part.width) / 2), top: Math.floor((full.height - part.height) / 2), ...part };
}

/** The size that is made of a picture; never larger than what there is of it. */
export function madeSize(full: Size, size: SizeRecipe): Size {
  const { width, height } = usedPart(full, size);
  return fitInside({ width, height }, { ...(size.width === null ? {} : { width: size.width }), ...(size.height === null ? {} : { height: size.height }) });
}

/** In one line: “at most 150 px wide, JPEG 80”. */
export function sayRecipe({ width, height, shape, format, quality }: SizeRecipe): string {
  const kind = format === 'png' ? 'PNG' : `${format === 'jpeg' ? 'JPEG' : 'WebP'} ${quality}`;
  if (shape === 'crop') return `cut to ${width} × ${height} px, ${kind}`;
  if (width !== null && height !== null) return width === height ? `at most ${width} px on its longer side, ${kind}` : `whole in ${width} × ${height} px, ${kind}`;
  return width !== null ? `at most ${width} px wide, ${kind}` : `at most ${height} px high, ${kind}`;
}
