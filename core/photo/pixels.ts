/** Pixels as plain data: RGBA, 8 bits each, rows from the top, no padding. Alpha is not premultiplied. */
export interface Pixels {
  width: number;
  height: number;
  data: Uint8ClampedArray;
}

/** A part of a picture, in whole px. */
export function cutOut(
  { width, data }: Pixels,
  frame: { left: number; top: number; width: number; height: number },
): Pixels {
  const cut = new Uint8ClampedArray(frame.width * frame.height * 4);
  for (let y = 0; y < frame.height; y++) {
    const from = ((frame.top + y) * width + frame.left) * 4;
    cut.set(data.subarray(from, from + frame.width * 4), y * frame.width * 4);
  }
  return { width: frame.width, height: frame.height, data: cut };
}
