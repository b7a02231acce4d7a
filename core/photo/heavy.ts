/** Whether a file is heavier than its pixels warrant. */
import type { Format } from './format.ts';
import type { Size } from './size.ts';

/**
 * A photograph of good quality takes a quarter of a byte for each pixel; twice that is what cameras and drawing programs
 * write (common practice, no source).
 */
const BYTES_PER_PIXEL = 0.5;
/** Less is there at once, whatever its pixels (our own value, no source). Bytes. */
const NOT_WORTH_IT = 300_000;

/** Without loss, nothing can be pressed out of the same pixels, so a PNG never is. `bytes` is that of the file. */
export const isHeavy = (bytes: number, { width, height }: Size, format: Format | null): boolean =>
  format !== null && format !== 'png' && bytes >= NOT_WORTH_IT && bytes >= width * height * BYTES_PER_PIXEL;
