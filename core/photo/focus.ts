/**
 * The point about which a crop is cut. Where nobody has said, it is the middle of what has detail: the mean place of
 * local contrast, weighed against the edges of the picture, where grass and branches are (common practice, no source).
 */
import type { Frame, Luma } from './luma.ts';
import type { Size } from './size.ts';

/** In shares of width and height, 0 to 1. */
export interface Focus {
  x: number;
  y: number;
}

export const MIDDLE: Focus = { x: 0.5, y: 0.5 };

/** Weight of a place by its distance from the middle, 0 at the edge: what stands there is seldom meant. */
const towardsMiddle = (share: number): number => Math.sin(Math.PI * share);

/** So much of the strongest contrast is taken for surface: sky, grass, cloth. */
const SURFACE = 0.25;

export function suggestedFocus({ width, height, data }: Luma): Focus {
  if (width < 3 || height < 3) return MIDDLE;
  const contrast = new Float32Array(width * height);
  let most = 0;
  for (let y = 1; y < height - 1; y++) {
    for (let x = 1; x < width - 1; x++) {
      const at = y * width + x;
      const value = Math.hypot(
        (data[at + 1] ?? 0) - (data[at - 1] ?? 0),
        (data[at + width] ?? 0) - (data[at - width] ?? 0),
      );
      contrast[at] = value;
      if (value > most) most = value;
    }
  }
  let sum = 0,
    sumX = 0,
    sumY = 0;
  for (let y = 1; y < height - 1; y++) {
    for (let x = 1; x < width - 1; x++) {
      const over = (contrast[y * width + x] ?? 0) - most * SURFACE;
      if (over <= 0) continue;
      const weight = over * towardsMiddle((x + 0.5) / width) * towardsMiddle((y + 0.5) / height);
      sum += weight;
      sumX += weight * (x + 0.5);
      sumY += weight * (y + 0.5);
    }
  }
  return sum === 0 ? MIDDLE : { x: sumX / sum / width, y: sumY / sum / height };
}

/**
 * The largest part of the box's shape whose middle is as near to the focus as the picture's edges allow; whole image
 * px.
 */
export function partAround(full: Size, box: Size, focus: Focus): Frame {
  const scale = Math.min(full.width / box.width, full.height / box.height);
  const width = Math.min(full.width, Math.max(1, Math.round(box.width * scale)));
  const height = Math.min(full.height, Math.max(1, Math.round(box.height * scale)));
  const within = (share: number, whole: number, part: number) =>
    Math.min(whole - part, Math.max(0, Math.round(share * whole - part / 2)));
  return { left: within(focus.x, full.width, width), top: within(focus.y, full.height, height), width, height };
}
