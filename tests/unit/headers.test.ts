/** Sizes and types read from the head of a file, against sharp's. */
import sharp from 'sharp';
import { expect, it } from 'vitest';
import { sniffedType, storedSize } from '../../core/photo/index.ts';

const plain = (channels: 3 | 4 = 3) =>
  sharp({ create: { width: 317, height: 211, channels, background: { r: 90, g: 40, b: 20, alpha: 0.5 } } });

it.each([
  ['image/jpeg', () => plain().jpeg()],
  ['image/jpeg', () => plain().jpeg({ progressive: true, mozjpeg: true })],
  [
    'image/jpeg',
    () =>
      plain()
        .withExif({ IFD0: { Copyright: 'x' } })
        .jpeg(),
  ],
  ['image/png', () => plain(4).png()],
  ['image/gif', () => plain().gif()],
  ['image/webp', () => plain().webp()],
  ['image/webp', () => plain(4).webp({ lossless: true })],
  ['image/webp', () => plain(4).webp()],
])('%s', async (type, make) => {
  const file = await make().toBuffer();
  const { width, height } = await sharp(file).metadata();
  expect(sniffedType(file)).toBe(type);
  expect(storedSize(file, type)).toEqual({ width, height });
});
