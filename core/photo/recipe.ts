/** The recipe of a site: which sizes are made of a picture, and how. All sizes are image px. */
import { z } from 'zod';
import { inKilobytes } from '../site/index.ts';
import type { Aim } from './aim.ts';
import { MIDDLE, partAround, type Focus } from './focus.ts';
import { isRotated, type Rotation, UNROTATED } from './rotation.ts';
import { FORMATS, FORMAT_NAMES } from './format.ts';
import type { Frame } from './luma.ts';
import { fitInside, scaledTo, type Size } from './size.ts';

const side = z
  .number()
  .int()
  .min(16, 'A side has at least 16 px.')
  .max(10_000, 'A side has at most 10,000 px.')
  .nullable();
const folder = z
  .string()
  .max(300)
  .regex(
    /^(?!\/)(?!.*\.\.)[^\\:*?"<>|]*$/,
    'A folder is written like “photos/small”, without “..” and without a slash in front.',
  )
  .nullable();
const namePattern = z
  .string()
  .max(120)
  .regex(/\{name\}/, 'The name needs “{name}” in it.')
  .regex(/^[^/\\:*?"<>|]*$/, 'A file name cannot hold / \\ : * ? " < > |.')
  .nullable();

export const SizeRecipe = z
  .strictObject({
    /** Sides of the box; null does not limit. */
    width: side,
    height: side,
    /** `fit` shows the whole picture inside the box; `crop` fills the box and cuts what stands out. */
    shape: z.enum(['fit', 'crop']),
    format: z.enum(FORMATS),
    /** 1 to 100, as encoders count; PNG has none and ignores it. */
    quality: z.number().int().min(1, 'Quality is 1 to 100.').max(100, 'Quality is 1 to 100.'),
    /** What decides how strongly it is compressed. */
    aim: z.enum(['quality', 'bytes', 'similarity']).default('quality'),
    /** Most bytes of a file, where they decide. */
    bytes: z.number().int().min(500, 'A picture needs at least 500 bytes.').max(50_000_000).default(100_000),
    /** Least structural similarity to the uncompressed size, where it decides. */
    similarity: z
      .number()
      .min(0.5, 'Similarity is 0.5 to 0.999.')
      .max(0.999, 'Similarity is 0.5 to 0.999.')
      .default(0.97),
    sharpen: z.enum(['none', 'light', 'strong']).default('none'),
    /** A picture that is smaller than the box is made larger. */
    enlarge: z.boolean().default(false),
    /** Also at twice the size, for dense screens: `name-2x.jpg` beside `name.jpg`. */
    dense: z.boolean().default(false),
    /** Folder from the site's root; null is where its neighbours are. */
    folder: folder.default(null),
    /** How it is called, with `{name}` for the bare name; null is as its neighbours are called. */
    name: namePattern.default(null),
  })
  .refine(({ width, height }) => width !== null || height !== null, {
    message: 'Give a width, a height, or both.',
    path: ['width'],
  })
  .refine(({ shape, width, height }) => shape === 'fit' || (width !== null && height !== null), {
    message: 'A crop needs both sides of its box.',
    path: ['height'],
  });
export type SizeRecipe = z.infer<typeof SizeRecipe>;

/** A size beyond the two of every gallery, with a folder and a name of its own. */
export const FurtherSize = z
  .strictObject({ title: z.string().trim().min(1, 'A size needs a name.').max(40), size: SizeRecipe })
  .refine(({ size }) => size.folder !== null || (size.name ?? '{name}') !== '{name}', {
    message: 'Give a folder or a name pattern of its own, or it would overwrite another.',
    path: ['size', 'folder'],
  });
export type FurtherSize = z.infer<typeof FurtherSize>;

/**
 * What stays of the words in a file: nothing, who made it and what may be done with it, or all that can be carried
 * over.
 */
const KEPT_WORDS = ['none', 'rights', 'all'] as const;

export const CLEAR = ['ask', 'webp', 'png', 'white'] as const;

export const Recipe = z.strictObject({
  thumbnail: SizeRecipe,
  fullSize: SizeRecipe,
  further: z.array(FurtherSize).max(6).default([]),
  words: z.enum(KEPT_WORDS).default('rights'),
  /** What pictures with clear parts are made in where JPEG, which has none, is wanted; `ask` makes just a thumbnail. */
  clear: z.enum(CLEAR).default('ask'),
  /** A full-size file in another format takes the place of the old one, or stands beside it. */
  originals: z.enum(['replace', 'keep']).default('replace'),
  /** Every pixel is decoded before it is reduced: slower, and finer by what nobody sees at arm's length. */
  exact: z.boolean().default(false),
});
export type Recipe = z.infer<typeof Recipe>;

const size = (part: Pick<SizeRecipe, 'width' | 'height' | 'quality'> & Partial<SizeRecipe>): SizeRecipe =>
  SizeRecipe.parse({ shape: 'fit', format: 'jpeg', ...part });
const recipe = (thumbnail: SizeRecipe, fullSize: SizeRecipe): Recipe => Recipe.parse({ thumbnail, fullSize });

/**
 * A size that follows from a file or from a page, image px: the limits of {@link SizeRecipe} are for what somebody types,
 * and a picture that is there may lie beyond them.
 */
export const exactSize = (part: Pick<SizeRecipe, 'width' | 'height' | 'quality' | 'format'>): SizeRecipe => ({
  ...size({ width: 150, height: null, quality: part.quality }),
  ...part,
});

/** Of a site that has said nothing. */
export const DEFAULT_RECIPE: Recipe = recipe(
  size({ width: 150, height: null, quality: 80 }),
  size({ width: 1600, height: 1600, quality: 82 }),
);

/** Where people begin (common practice, no source). */
export const STARTING_POINTS: readonly { name: string; recipe: Recipe }[] = [
  {
    name: 'a small hand-coded page',
    recipe: recipe(size({ width: 150, height: null, quality: 80 }), size({ width: 800, height: 800, quality: 82 })),
  },
  { name: 'large windows', recipe: DEFAULT_RECIPE },
  {
    name: 'dense screens',
    recipe: recipe(
      size({ width: 400, height: null, quality: 78, format: 'webp', dense: true }),
      size({ width: 1600, height: 1600, quality: 80, format: 'webp' }),
    ),
  },
];

/** Leaves the pixels and lightens the file: how little compression may show at each step. */
export const LIGHTENINGS: readonly { name: string; similarity: number }[] = [
  { name: 'light', similarity: 0.99 },
  { name: 'medium', similarity: 0.97 },
  { name: 'strong', similarity: 0.94 },
];

/** A box that no picture fills: such a size leaves all pixels as they are and only compresses. */
const BOUNDLESS = 10_000;
export const keepsPixels = ({ width, height, shape }: Pick<SizeRecipe, 'width' | 'height' | 'shape'>): boolean =>
  shape === 'fit' && width === BOUNDLESS && height === BOUNDLESS;

export const allPixels = (before: SizeRecipe, similarity: number): SizeRecipe => ({
  ...before,
  width: BOUNDLESS,
  height: BOUNDLESS,
  shape: 'fit',
  enlarge: false,
  dense: false,
  aim: 'similarity',
  similarity,
});

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
export const roomIn = ({ width, height }: { width: number; height: number }): Size => ({
  width: width - OVERLAY.across,
  height: height - OVERLAY.down,
});

/** The part of a picture that is used: all of it, or the largest of the box's shape about the focus. */
export function usedPart(full: Size, { width, height, shape }: SizeRecipe, focus: Focus = MIDDLE): Frame {
  if (shape === 'fit' || width === null || height === null) return { left: 0, top: 0, ...full };
  return partAround(full, { width, height }, focus);
}

const boxOf = ({ width, height }: SizeRecipe, times = 1) => ({
  ...(width === null ? {} : { width: width * times }),
  ...(height === null ? {} : { height: height * times }),
});

/**
 * The size that is made of a picture, `times` as large for dense screens; never larger than what there is of it, but
 * where that was asked for.
 */
export function madeSize(full: Size, size: SizeRecipe, times = 1): Size {
  const { width, height } = usedPart(full, size);
  return (size.enlarge ? scaledTo : fitInside)({ width, height }, boxOf(size, times));
}

/** Whether a picture has fewer pixels than the box asks for. */
export function fallsShort(full: Size, size: SizeRecipe, times = 1): boolean {
  const part = usedPart(full, size);
  const wanted = scaledTo(part, boxOf(size, times));
  return wanted.width > part.width || wanted.height > part.height;
}

export function aimOf({ aim, quality, bytes, similarity }: SizeRecipe): Aim {
  if (aim === 'bytes') return { by: 'bytes', bytes };
  if (aim === 'similarity') return { by: 'similarity', similarity };
  return { by: 'quality', quality };
}

function sayAim({ format, aim, quality, bytes, similarity }: SizeRecipe): string {
  const name = FORMAT_NAMES[format];
  if (format === 'png') return name;
  if (aim === 'bytes') return `${name} up to ${inKilobytes(bytes)}`;
  return aim === 'similarity' ? `${name} with a similarity of ${similarity}` : `${name} ${quality}`;
}

function sayBox({ width, height, shape }: SizeRecipe): string {
  if (keepsPixels({ width, height, shape })) return 'all pixels';
  if (shape === 'crop') return `cropped to ${width} × ${height} px`;
  if (width !== null && height !== null)
    return width === height ? `at most ${width} px on its longer side` : `fits ${width} × ${height} px`;
  return width !== null ? `at most ${width} px wide` : `at most ${height} px high`;
}

/**
 * The sizes as they are made of one picture: clear parts stay clear where that was decided. Until it is, a thumbnail is
 * a PNG, which loses nothing and which every list can show.
 */
export function recipeFor(recipe: Recipe, { clear }: { clear?: boolean | undefined }): Recipe {
  if (!clear || recipe.clear === 'white') return recipe;
  const format = recipe.clear === 'ask' ? 'png' : recipe.clear;
  const inClear = (size: SizeRecipe): SizeRecipe => (size.format === 'jpeg' ? { ...size, format } : size);
  const thumbnail = inClear(recipe.thumbnail);
  if (recipe.clear === 'ask') return { ...recipe, thumbnail };
  return {
    ...recipe,
    thumbnail,
    fullSize: inClear(recipe.fullSize),
    further: recipe.further.map(({ title, size }) => ({ title, size: inClear(size) })),
  };
}

/** In one line: “at most 150 px wide, JPEG 80”. */
export function sayRecipe(size: SizeRecipe): string {
  return [
    sayBox(size),
    sayAim(size),
    size.dense && 'also at 2×',
    size.sharpen !== 'none' && 'sharpened',
    size.enlarge && 'enlarged where needed',
  ]
    .filter(Boolean)
    .join(', ');
}

/** Names the outcome: two sizes with the same fingerprint make the same of the same picture. FNV-1a, 32 bits. */
export function fingerprint(
  size: SizeRecipe,
  { words, exact }: Pick<Recipe, 'words' | 'exact'>,
  focus: Focus,
  rotation: Rotation = UNROTATED,
): string {
  const { folder: _folder, name: _name, dense: _dense, ...rest } = size;
  const text = JSON.stringify([
    Object.entries(rest).sort(([a], [b]) => a.localeCompare(b)),
    words,
    exact,
    size.shape === 'crop' ? [focus.x.toFixed(3), focus.y.toFixed(3)] : null,
    ...(isRotated(rotation) ? [rotation.quarters, rotation.degrees] : []),
  ]);
  let hash = 0x811c9dc5;
  for (let n = 0; n < text.length; n++) hash = Math.imul(hash ^ text.charCodeAt(n), 0x01000193);
  return (hash >>> 0).toString(16).padStart(8, '0');
}
