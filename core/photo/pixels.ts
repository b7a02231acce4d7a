/** Pixels as plain data: RGBA, 8 bits each, rows from the top, no padding. Alpha is not premultiplied. */
export interface Pixels {
  width: number;
  height: number;
  data: Uint8ClampedArray;
}
