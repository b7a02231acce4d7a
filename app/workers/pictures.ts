/**
 * Reads and makes pictures away from the main thread. At most two of these workers run: their memory does not shrink.
 */
import * as Comlink from 'comlink';
import {
  aimOf,
  cutOut,
  fallsShort,
  fitInside,
  hasClearParts,
  formatOf,
  kept,
  lumaOf,
  madeSize,
  meanColour,
  onGround,
  isRotated,
  perceptualHash,
  resample,
  rotated,
  rotatedSize,
  type Rotation,
  scaledBy,
  sharpened,
  SHARPENINGS,
  simdResampler,
  sniffedType,
  usedPart,
  withWords,
  type Focus,
  type Format,
  type PhotoFacts,
  type Pixels,
  type Recipe,
  type Resample,
  type Size,
  type SizeRecipe,
  type WordsToKeep,
} from '~core/photo/index.ts';
import { mediaTypeOf, unshownFormat } from '~core/site/index.ts';
import lanczos from '../../core/photo/simd/lanczos.wasm?url';
import { type Decoded, decodePixels, TooManyPixels } from './decode';
import { encode, encodeAndCompare, encodeTo, type EncodedBlob } from './encode';
import { readWords } from './photoWords';

/** Quality of the small copies for lists. */
const GLANCE_QUALITY = 80;
/** Side of the small copy that lists show, twice as large as they show it for dense screens; image px. */
const GLANCE = { width: 224, height: 224 };
/** Side of the copy that facts are computed from; image px. */
const LIKENESS = { width: 96, height: 96 };
/** A picture this small is its own small copy; bytes. */
const SMALL_BYTES = 24_000;
/** A size is made from a larger one that was made before, if that is at least so many times as large. */
const CASCADE = 2;

/** What shows through clear pixels where a format has none. */
const PAPER = [255, 255, 255] as const;

export interface PictureAnalysis {
  facts: PhotoFacts;
  /** A small copy for lists; null where the picture itself is small enough, or cannot be read. */
  glance: Blob | null;
}

/** One file to be made of a picture. */
export interface Wanted {
  to: string;
  size: SizeRecipe;
  /** 2 for dense screens. */
  times: number;
}

export interface MakeOptions {
  focus: Focus | undefined;
  rotation: Rotation;
  words: Recipe['words'];
  /** What is said of the picture beyond its own file. */
  said: WordsToKeep['words'];
  exact?: boolean;
}

export interface MadePicture {
  to: string;
  blob: Blob;
  width: number;
  height: number;
  /** The picture had fewer pixels than the box: it is smaller than wanted, or was enlarged. */
  short: boolean;
  /** False where no quality met the aim. */
  met: boolean;
  /** It has all the pixels of the picture: only compressed anew. */
  whole: boolean;
}

let fast: Promise<Resample> | null = null;

/** WebAssembly where there is any. */
const resampler = (): Promise<Resample> =>
  (fast ??= fetch(lanczos)
    .then((answer) => answer.arrayBuffer())
    .then(simdResampler)
    .catch(() => resample));

/** The type by content, for files whose extension says otherwise. */
const typeOf = (bytes: Uint8Array, path: string): string => sniffedType(bytes) ?? mediaTypeOf(path);

const bytesOf = async (blob: Blob): Promise<Uint8Array<ArrayBuffer>> => new Uint8Array(await blob.arrayBuffer());

/** What was decoded for the close look, so that each trial need only encode. */
let closely: { key: string; pixels: Pixels } | null = null;

const pictures = {
  /** What is to be known of a picture; one that cannot be decoded is named with the reason. */
  async look(blob: Blob, path: string): Promise<PictureAnalysis> {
    const bytes = await bytesOf(blob);
    const said = await readWords(bytes);
    if (blob.size === 0) return unreadable(said, 'The file is empty.');
    try {
      const decoded = await decodePixels(bytes, typeOf(bytes, path), {
        orientation: said.orientation,
        wanted: (size) => fitInside(size, GLANCE),
      });
      return await looked(decoded, said, blob.size > SMALL_BYTES).finally(decoded.release);
    } catch (error) {
      return unreadable(said, whyNot(error, path));
    }
  },

  /**
   * All wanted files of one picture: decoded once, the largest first, upright; each in the format that its name ends
   * in.
   */
  async make(blob: Blob, from: string, wanted: readonly Wanted[], options: MakeOptions): Promise<MadePicture[]> {
    const bytes = await bytesOf(blob);
    const said = await readWords(bytes);
    const { rotation, focus } = options;
    const decoded = await decodePixels(bytes, typeOf(bytes, from), {
      orientation: said.orientation,
      wanted: (size) =>
        scaledBy(size, Math.max(...wanted.map((one) => scaleOf(rotatedSize(size, rotation), one, focus)))),
      exact: options.exact === true,
    }).catch((error: unknown) => {
      throw new Error(whyNot(error, from));
    });
    const words = kept(
      { words: { ...said.words, ...options.said }, ...(said.takenAt === undefined ? {} : { takenAt: said.takenAt }) },
      options.words,
    );
    return sizesOf(decoded, wanted, options, words).finally(decoded.release);
  },

  /** Makes a size ready for trials and gives it uncompressed. */
  async prepare(
    key: string,
    blob: Blob,
    path: string,
    size: SizeRecipe,
    { focus, rotation }: Pick<MakeOptions, 'focus' | 'rotation'>,
  ): Promise<{ reference: Blob; width: number; height: number }> {
    const bytes = await bytesOf(blob);
    const said = await readWords(bytes);
    const reduce = await resampler();
    const decoded = await decodePixels(bytes, typeOf(bytes, path), {
      orientation: said.orientation,
      wanted: (stored) => scaledBy(stored, scaleOf(rotatedSize(stored, rotation), { size, times: 1 }, focus)),
    });
    const pixels = rotated(decoded.pixels, rotation);
    const full = rotatedSize(decoded.full, rotation);
    const part = usedPart(pixels, size, focus);
    // A copy, in memory of its own: it is kept for all trials.
    const reduced = sharpened(reduce(cutOut(pixels, part), madeSize(full, size)), SHARPENINGS[size.sharpen]);
    decoded.release();
    const ready = onGround(reduced, PAPER);
    closely = { key, pixels: ready };
    return { reference: await encode(ready, 'png', 100), width: ready.width, height: ready.height };
  },

  /** One encoding of what was prepared under this key; null where something else was prepared meanwhile. */
  async trial(key: string, format: Format, quality: number): Promise<EncodedBlob | null> {
    return closely?.key === key ? encodeAndCompare(closely.pixels, format, quality) : null;
  },
};

type Said = Awaited<ReturnType<typeof readWords>>;

async function looked({ pixels, full, animated }: Decoded, said: Said, large: boolean): Promise<PictureAnalysis> {
  const reduce = await resampler();
  const reduced = reduce(pixels, fitInside(pixels, GLANCE));
  const glance = onGround(reduced, PAPER);
  const small = resample(glance, fitInside(glance, LIKENESS));
  const facts: PhotoFacts = {
    ...said,
    ...full,
    likeness: perceptualHash(small),
    mean: meanColour(small),
    luma: lumaOf(small),
    ...(animated ? { animated } : {}),
    ...(hasClearParts(reduced) ? { clear: true } : {}),
  };
  return { facts, glance: large ? await encode(glance, 'jpeg', GLANCE_QUALITY) : null };
}

/** Of a crop, the whole has to be decoded so large that its part still has the pixels. */
const scaleOf = (full: Size, { size, times }: Pick<Wanted, 'size' | 'times'>, focus: Focus | undefined): number =>
  madeSize(full, size, times).width / usedPart(full, size, focus).width;

async function sizesOf(
  decoded: Decoded,
  wanted: readonly Wanted[],
  { rotation, focus }: MakeOptions,
  words: WordsToKeep,
): Promise<MadePicture[]> {
  const reduce = await resampler();
  const pixels = rotated(decoded.pixels, rotation);
  const full = rotatedSize(decoded.full, rotation);
  const made: MadePicture[] = [];
  let base = pixels;
  for (const one of [...wanted].sort((a, b) => scaleOf(full, b, focus) - scaleOf(full, a, focus))) {
    const { size, times, to } = one;
    const aim = madeSize(full, size, times);
    const source = base.width >= full.width * scaleOf(full, one, focus) * CASCADE ? base : pixels;
    const part = usedPart(source, size, focus);
    const whole = part.width === source.width && part.height === source.height;
    const reduced = reduce(whole ? source : cutOut(source, part), aim);
    if (whole && size.shape === 'fit') base = reduced;
    const format = formatOf(to) ?? 'jpeg';
    const sharp = sharpened(reduced, SHARPENINGS[size.sharpen]);
    // JPEG knows no clear pixels; without a ground they would come out black.
    const ready = format === 'jpeg' ? onGround(sharp, PAPER) : sharp;
    const { made: encoded, met } = await encodeTo(ready, format, aimOf(size));
    made.push({
      to,
      blob: await spoken(encoded.blob, words),
      ...aim,
      short: fallsShort(full, size, times),
      met,
      whole: aim.width === full.width && aim.height === full.height && !isRotated(rotation),
    });
  }
  return made;
}

async function spoken(blob: Blob, words: WordsToKeep): Promise<Blob> {
  if (Object.keys(words.words).length === 0 && words.takenAt === undefined) return blob;
  return new Blob([new Uint8Array(withWords(await bytesOf(blob), words))], { type: blob.type });
}

function whyNot(error: unknown, path: string): string {
  if (error instanceof TooManyPixels) return error.message;
  const format = unshownFormat(path);
  return format === null
    ? 'The browser cannot decode this picture; it may be damaged or cut short.'
    : `This browser shows no ${format}, and most others do not either. Save it as JPEG, PNG or WebP, and import that.`;
}

function unreadable(said: Said, reason: string): PictureAnalysis {
  return {
    facts: {
      ...said,
      width: 0,
      height: 0,
      likeness: '0'.repeat(16),
      mean: [0, 0, 0],
      luma: { width: 0, height: 0, data: new Uint8Array() },
      unreadable: reason,
    },
    glance: null,
  };
}

export type Pictures = typeof pictures;
Comlink.expose(pictures);
