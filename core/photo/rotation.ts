/**
 * A picture rotated as somebody wants it, beyond what its camera noted: by quarters, and by a few degrees to bring its
 * horizon level. What a slant leaves empty at the corners is cut off; the picture keeps its shape.
 */
import { z } from 'zod';
import type { Focus } from './focus.ts';
import { upright } from './orientation.ts';
import type { Pixels } from './pixels.ts';
import type { Size } from './size.ts';

/** Further askew than this nobody holds a camera by accident (our own value, no source). Degrees. */
export const MOST_DEGREES = 15;

export const Rotation = z.object({
  /** Quarters of a turn, clockwise. */
  quarters: z.number().int().min(0).max(3),
  /** After the quarters; clockwise. */
  degrees: z.number().min(-MOST_DEGREES).max(MOST_DEGREES),
});
export type Rotation = z.infer<typeof Rotation>;

export const UNROTATED: Rotation = { quarters: 0, degrees: 0 };

/** What is left to do of a rotation where another was done already. */
export const rotationBetween = (done: Rotation, wanted: Rotation): Rotation => ({
  quarters: (wanted.quarters - done.quarters + 4) % 4,
  degrees: wanted.degrees - done.degrees,
});

export const isRotated = ({ quarters, degrees }: Rotation): boolean => quarters !== 0 || degrees !== 0;

const radians = (degrees: number): number => (degrees * Math.PI) / 180;

/**
 * How much of each side is left inside of a rectangle that was rotated about its middle; 0 to 1. A rectangle of sides
 * s·w and s·h, rotated, is s·(w·cos + h·sin) wide and s·(w·sin + h·cos) high, and has to fit into w and h.
 */
export function shareLeft({ width, height }: Size, degrees: number): number {
  const angle = Math.abs(radians(degrees));
  const [sin, cos] = [Math.sin(angle), Math.cos(angle)];
  return Math.min(width / (width * cos + height * sin), height / (width * sin + height * cos));
}

/** The size of a picture once it is rotated; whole image px. */
export function rotatedSize({ width, height }: Size, { quarters, degrees }: Rotation): Size {
  const size = quarters % 2 === 0 ? { width, height } : { width: height, height: width };
  const share = shareLeft(size, degrees);
  return { width: Math.max(1, Math.floor(size.width * share)), height: Math.max(1, Math.floor(size.height * share)) };
}

/** EXIF orientations that mean the same as quarters clockwise (CIPA DC-008, tag 0x0112). */
const AS_ORIENTATION = [1, 6, 3, 8] as const;

export function rotated(pixels: Pixels, rotation: Rotation): Pixels {
  const turned = upright(pixels, AS_ORIENTATION[rotation.quarters] ?? 1);
  return rotation.degrees === 0 ? turned : straightened(turned, rotation.degrees);
}

/** A point in shares of width and height where it comes to lie after some quarters clockwise. */
export function rotatedPoint({ x, y }: Focus, quarters: number): Focus {
  const places: readonly Focus[] = [
    { x, y },
    { x: 1 - y, y: x },
    { x: 1 - x, y: 1 - y },
    { x: y, y: 1 - x },
  ];
  return places[((quarters % 4) + 4) % 4] ?? { x, y };
}

/** Rotated about its middle by interpolation over four by four pixels, on premultiplied alpha. */
function straightened(source: Pixels, degrees: number): Pixels {
  const { width, height } = rotatedSize(source, { quarters: 0, degrees });
  const [sin, cos] = [Math.sin(radians(degrees)), Math.cos(radians(degrees))];
  const data = new Uint8ClampedArray(width * height * 4);
  const out = new Float32Array(4);
  for (let y = 0; y < height; y++) {
    const down = y + 0.5 - height / 2;
    for (let x = 0; x < width; x++) {
      const across = x + 0.5 - width / 2;
      const fromX = across * cos + down * sin + source.width / 2 - 0.5;
      const fromY = down * cos - across * sin + source.height / 2 - 0.5;
      interpolated(source, fromX, fromY, out);
      const at = (y * width + x) * 4;
      const alpha = out[3] ?? 0;
      const share = alpha > 0 ? 255 / alpha : 0;
      for (let c = 0; c < 3; c++) data[at + c] = (out[c] ?? 0) * share;
      data[at + 3] = alpha;
    }
  }
  return { width, height, data };
}

const weightsAcross = new Float32Array(4);
const weightsDown = new Float32Array(4);

/** Cubic convolution with a = −1/2 (Keys 1981, “Cubic convolution interpolation”, eq. 4); `t` from 0 to 1. */
function cubicWeights(t: number, weights: Float32Array): void {
  const [near, far] = [t, 1 - t];
  weights[0] = -0.5 * near * far * far;
  weights[1] = 1 + near * near * (1.5 * near - 2.5);
  weights[2] = 1 + far * far * (1.5 * far - 2.5);
  weights[3] = -0.5 * far * near * near;
}

/** Red, green, blue and alpha at a place between pixels, colours premultiplied; beyond an edge the edge goes on. */
function interpolated({ width, height, data }: Pixels, x: number, y: number, out: Float32Array): void {
  const [left, top] = [Math.floor(x), Math.floor(y)];
  cubicWeights(x - left, weightsAcross);
  cubicWeights(y - top, weightsDown);
  out.fill(0);
  for (let j = 0; j < 4; j++) {
    const row = Math.min(height - 1, Math.max(0, top + j - 1)) * width;
    for (let i = 0; i < 4; i++) {
      const at = (row + Math.min(width - 1, Math.max(0, left + i - 1))) * 4;
      const alpha = data[at + 3] ?? 0;
      const weight = (weightsDown[j] ?? 0) * (weightsAcross[i] ?? 0);
      const share = (weight * alpha) / 255;
      out[0] = (out[0] ?? 0) + (data[at] ?? 0) * share;
      out[1] = (out[1] ?? 0) + (data[at + 1] ?? 0) * share;
      out[2] = (out[2] ?? 0) + (data[at + 2] ?? 0) * share;
      out[3] = (out[3] ?? 0) + alpha * weight;
    }
  }
}
