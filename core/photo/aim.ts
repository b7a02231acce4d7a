/**
 * The search for the quality at which an encoder meets a target: a number of bytes, or a similarity to the picture it
 * was given.
 */

export interface Encoded {
  quality: number;
  bytes: number;
  /** To the picture before encoding, 0 to 1; null where nobody asked. */
  similarity: number | null;
}

export type Aim =
  { by: 'quality'; quality: number } | { by: 'bytes'; bytes: number } | { by: 'similarity'; similarity: number };

/**
 * Qualities that are worth trying: below, blocks show; above, files grow without a visible gain (common practice, no
 * source).
 */
export const QUALITIES = { least: 20, most: 95 } as const;

/**
 * The best quality that keeps to the bytes, or the least that reaches the similarity. By halving: both grow with
 * quality, so at most seven trials. Where no quality meets the target the nearest is given, with `met: false`.
 */
export async function searchQuality<T extends Encoded>(
  aim: Aim,
  encode: (quality: number) => Promise<T>,
): Promise<{ made: T; met: boolean; trials: number }> {
  if (aim.by === 'quality') return { made: await encode(aim.quality), met: true, trials: 1 };
  const meets = (made: T): boolean =>
    aim.by === 'bytes' ? made.bytes <= aim.bytes : (made.similarity ?? 0) >= aim.similarity;
  // Of bytes the highest quality that keeps to them is sought, of similarity the lowest that reaches it.
  const upwards = aim.by === 'bytes';
  let low: number = QUALITIES.least;
  let high: number = QUALITIES.most;
  let best: T | null = null;
  let last: T | null = null;
  let trials = 0;
  while (low <= high) {
    const quality = Math.floor((low + high) / 2);
    last = await encode(quality);
    trials++;
    const met = meets(last);
    if (met) best = last;
    if (met === upwards) low = quality + 1;
    else high = quality - 1;
  }
  const made = best ?? last ?? (await encode(upwards ? QUALITIES.least : QUALITIES.most));
  return { made, met: best !== null, trials };
}

/** Similarity from which on a picture is as good as its original at arm's length (common practice, no source). */
export const GOOD_ENOUGH = 0.97;

/** Below this quality even skies and walls show bands, which the measure hardly sees (common practice, no source). */
const LEAST_SUGGESTED = 50;

/** The point of a curve to begin with: the lightest that is good enough; else the most alike. */
export function suggestedPoint<T extends Encoded>(points: readonly T[]): T | null {
  const good = points
    .filter(({ similarity, quality }) => (similarity ?? 0) >= GOOD_ENOUGH && quality >= LEAST_SUGGESTED)
    .sort((a, b) => a.bytes - b.bytes);
  return good[0] ?? [...points].sort((a, b) => (b.similarity ?? 0) - (a.similarity ?? 0))[0] ?? null;
}
