/**
 * Drawn pictures with the grain of a photograph, so that decoding and compressing them costs what it does in life. The
 * grain hangs together over two or three pixels, as a sensor's does once its colours are put together.
 */
import sharp from 'sharp';
import { drawing, seeded, seedOf } from '../../demo/draw.ts';
import { PICTURES } from '../../demo/pictures.ts';

/** The n-th picture of the demo at any size, as a JPEG of camera quality. */
export async function photographOf(n: number, width: number, height: number): Promise<Buffer> {
  const next = seeded(seedOf(`grain ${n}`));
  const picture = { ...PICTURES[n % PICTURES.length]!, width, height };
  const side = 512;
  const grain = Buffer.from(Array.from({ length: side * side }, () => 128 + (next() + next() - 1) * 34));
  const tile = await sharp(grain, { raw: { width: side, height: side, channels: 1 } })
    .resize(side * 2, side * 2, { kernel: 'cubic' })
    .png()
    .toBuffer();
  return sharp(Buffer.from(drawing(picture)), { limitInputPixels: false })
    .resize(width, height, { fit: 'fill' })
    .composite([{ input: tile, tile: true, blend: 'soft-light' }])
    .flatten()
    .jpeg({ quality: 92 })
    .toBuffer();
}
