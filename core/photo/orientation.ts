/** EXIF orientation (CIPA DC-008, tag 0x0112): how stored rows and columns lie when the picture is shown. */
import type { Pixels } from './pixels.ts';
import type { Size } from './size.ts';

/** Whether the sides change places, then whether the stored picture is mirrored across and down. */
interface Turn {
  turned: boolean;
  flipX: boolean;
  flipY: boolean;
}

const AS_STORED: Turn = { turned: false, flipX: false, flipY: false };

/** For values 1 to 8. */
const ORIENTATIONS: readonly Turn[] = [
  AS_STORED,
  { turned: false, flipX: true, flipY: false },
  { turned: false, flipX: true, flipY: true },
  { turned: false, flipX: false, flipY: true },
  { turned: true, flipX: false, flipY: false },
  { turned: true, flipX: false, flipY: true },
  { turned: true, flipX: true, flipY: true },
  { turned: true, flipX: true, flipY: false },
];

const rule = (orientation: number) => ORIENTATIONS[orientation - 1] ?? AS_STORED;

export function shownSize({ width, height }: Size, orientation: number): Size {
  return rule(orientation).turned ? { width: height, height: width } : { width, height };
}

/** The pixels as they are meant to be seen. */
export function upright(pixels: Pixels, orientation: number): Pixels {
  const { turned, flipX, flipY } = rule(orientation);
  if (!turned && !flipX && !flipY) return pixels;
  const { width, height } = shownSize(pixels, orientation);
  const source = new Uint32Array(pixels.data.buffer, pixels.data.byteOffset, pixels.width * pixels.height);
  const target = new Uint32Array(width * height);
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const column = turned ? y : x;
      const row = turned ? x : y;
      const sx = flipX ? pixels.width - 1 - column : column;
      const sy = flipY ? pixels.height - 1 - row : row;
      target[y * width + x] = source[sy * pixels.width + sx] ?? 0;
    }
  }
  return { width, height, data: new Uint8ClampedArray(target.buffer) };
}
