/** Arithmetic of sizes. All sizes are image px. */

export interface Size {
  width: number;
  height: number;
}

/** A box that a picture must fit into; a side left out does not limit. */
interface Box {
  width?: number;
  height?: number;
}

/** The size of the whole picture inside the box, in its own proportion, never larger than it is. */
export function fitInside(size: Size, box: Box): Size {
  return scaledBy(size, Math.min(1, scaleInto(size, box)));
}

/** The same, but as large as the box allows, even if that is larger than the picture. */
export function scaledTo(size: Size, box: Box): Size {
  return scaledBy(size, scaleInto(size, box));
}

export const scaledBy = ({ width, height }: Size, by: number): Size => ({
  width: Math.max(1, Math.round(width * by)),
  height: Math.max(1, Math.round(height * by)),
});

const scaleInto = ({ width, height }: Size, box: Box): number =>
  Math.min((box.width ?? Infinity) / width, (box.height ?? Infinity) / height);

/**
 * The size to ask a JPEG decoder for: the smallest eighth of the picture that still leaves 1.8 times the wanted size.
 * Decoders scale by eighths while they read (ITU-T T.81 block of 8×8). Sides are rounded up as libjpeg does
 * (jdmaster.c, `jdiv_round_up`); Chromium takes the eighth below where a side is asked for a pixel short, and below the
 * first there is none.
 */
export function decodeSize(full: Size, wanted: Size): Size {
  for (let k = 1; k < 8; k++) {
    if ((full.width * k) / 8 >= wanted.width * 1.8 && (full.height * k) / 8 >= wanted.height * 1.8) {
      return { width: Math.ceil((full.width * k) / 8), height: Math.ceil((full.height * k) / 8) };
    }
  }
  return full;
}
