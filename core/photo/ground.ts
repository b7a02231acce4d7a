import type { Pixels } from './pixels.ts';

/** Less than this is seen through (our own value: what rounding leaves is not); 0 to 255. */
const OPAQUE = 250;

export function hasClearParts({ data }: Pixels): boolean {
  for (let at = 3; at < data.length; at += 4) if ((data[at] ?? 255) < OPAQUE) return true;
  return false;
}

/** Most pictures are, wholly. */
function isOpaque(data: Uint8ClampedArray): boolean {
  for (let at = 3; at < data.length; at += 4) if (data[at] !== 255) return false;
  return true;
}

/** Clear and half-clear pixels laid on a ground of one colour; the outcome is opaque. Each channel 0 to 255. */
export function onGround({ width, height, data }: Pixels, ground: readonly [number, number, number]): Pixels {
  if (isOpaque(data)) return { width, height, data };
  const laid = new Uint8ClampedArray(data);
  for (let at = 0; at < laid.length; at += 4) {
    const alpha = (laid[at + 3] ?? 0) / 255;
    if (alpha === 1) continue;
    for (let c = 0; c < 3; c++) laid[at + c] = (laid[at + c] ?? 0) * alpha + (ground[c] ?? 0) * (1 - alpha);
    laid[at + 3] = 255;
  }
  return { width, height, data: laid };
}
