/** Files that are not what one hopes for: each has an outcome that is said, and none stops the others. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import sharp from 'sharp';
import { expect, goTo, openFiles, photograph, rowOf, test, unpacked } from './fixtures';

/** Another picture for each number, or they would be told to be there twice. */
const drawing = (n: number) =>
  Buffer.from(
    `<svg xmlns="http://www.w3.org/2000/svg" width="640" height="480"><rect width="100%" height="100%" fill="hsl(${n * 40} 55% 45%)"/><rect x="${n * 9}%" y="${(n * 31) % 70}%" width="${18 + n * 3}%" height="26%" fill="#f3ead2"/><circle cx="${90 - n * 8}%" cy="${(n * 47) % 90}%" r="${40 + n * 9}" fill="#20467a"/></svg>`,
  );
const meanOf = async (file: Buffer) => (await sharp(file).removeAlpha().stats()).channels.map(({ mean }) => mean);

/** Mean red, green and blue of a picture as the browser draws it. */
const shownMean = (page: Page, file: Buffer): Promise<number[]> =>
  page.evaluate(async (base64) => {
    const bitmap = await createImageBitmap(
      new Blob([Uint8Array.from(atob(base64), (letter) => letter.charCodeAt(0))], { type: 'image/jpeg' }),
    );
    const context = new OffscreenCanvas(bitmap.width, bitmap.height).getContext('2d')!;
    context.drawImage(bitmap, 0, 0);
    const { data } = context.getImageData(0, 0, bitmap.width, bitmap.height);
    return [0, 1, 2].map(
      (channel) => data.reduce((sum, value, at) => (at % 4 === channel ? sum + value : sum), 0) / (data.length / 4),
    );
  }, file.toString('base64'));

/** What cannot be read is named with the reason; all else is made, and comes out looking as it should. */
const FILES: Readonly<Record<string, { make: () => Promise<Buffer>; says?: string; inks?: true }>> = {
  'corrupt.jpg': {
    make: async () => Buffer.concat([(await photograph(1)).subarray(0, 20), Buffer.alloc(4000, 7)]),
    says: 'may be damaged or cut short',
  },
  'no-picture.png': { make: () => Promise.resolve(Buffer.from('no picture')), says: 'may be damaged or cut short' },
  'zero-bytes.jpg': { make: () => Promise.resolve(Buffer.alloc(0)), says: 'The file is empty.' },
  'a-png-called.jpg': { make: () => sharp(drawing(1)).png().toBuffer() },
  'a-jpeg-called.png': { make: () => sharp(drawing(2)).jpeg().toBuffer() },
  'four-inks.jpg': { make: () => sharp(drawing(9)).toColourspace('cmyk').jpeg({ quality: 95 }).toBuffer(), inks: true },
  'sixteen-bit.png': { make: () => sharp(drawing(3)).toColourspace('rgb16').png().toBuffer() },
  'grey.png': { make: () => sharp(drawing(4)).greyscale().png().toBuffer() },
  'palette.png': { make: () => sharp(drawing(5)).png({ palette: true, colours: 4 }).toBuffer() },
  'wide-gamut.jpg': { make: () => sharp(drawing(6)).flatten().withIccProfile('p3').jpeg({ quality: 95 }).toBuffer() },
  // Reduced to an eighth while it is read, where no side is a multiple of eight.
  'odd-sides.jpg': {
    make: () => sharp(drawing(7)).resize(2405, 1603, { fit: 'fill' }).flatten().jpeg({ quality: 95 }).toBuffer(),
  },
  'one-pixel.png': {
    make: () =>
      sharp({ create: { width: 1, height: 1, channels: 3, background: '#3f8050' } })
        .png()
        .toBuffer(),
  },
  'one-row.png': {
    make: () =>
      sharp({ create: { width: 900, height: 1, channels: 3, background: '#3f8050' } })
        .png()
        .toBuffer(),
  },
  'hundred-megapixels.jpg': {
    make: () =>
      sharp({ create: { width: 12_000, height: 8500, channels: 3, background: '#2f7273' }, limitInputPixels: false })
        .jpeg({ quality: 60 })
        .toBuffer(),
  },
};

/** A picture of one colour as a bitmap of 24 bits, bottom row first (BITMAPFILEHEADER, BITMAPINFOHEADER). */
function bitmap(width: number, height: number): Buffer {
  const row = Math.ceil((width * 3) / 4) * 4;
  const bytes = Buffer.alloc(54 + row * height, 0x80);
  bytes.write('BM');
  bytes.writeUInt32LE(bytes.length, 2);
  bytes.writeUInt32LE(54, 10);
  bytes.writeUInt32LE(40, 14);
  bytes.writeInt32LE(width, 18);
  bytes.writeInt32LE(height, 22);
  bytes.writeUInt16LE(1, 26);
  bytes.writeUInt16LE(24, 28);
  bytes.writeUInt32LE(0, 30);
  return bytes;
}

test('each kind of odd file has its outcome', async ({ page }) => {
  test.setTimeout(240_000);
  const files = Object.fromEntries(
    await Promise.all(Object.entries(FILES).map(async ([name, { make }]) => [name, await make()] as const)),
  );
  const truncated = await photograph(3, 2400, 1600);
  const frames = await Promise.all(
    ['#b3402a', '#3f8050', '#20467a'].map((background) =>
      sharp({ create: { width: 640, height: 420, channels: 3, background } })
        .png()
        .toBuffer(),
    ),
  );
  await openFiles(page, {
    ...files,
    'cut-short.jpg': truncated.subarray(0, Math.floor(truncated.length * 0.6)),
    'moves.gif': await sharp(frames, { join: { animated: true } })
      .gif()
      .toBuffer(),
    'good.jpg': await photograph(2),
    'painted.bmp': bitmap(200, 120),
    'scan.tif': await sharp({ create: { width: 40, height: 30, channels: 3, background: '#2f7273' } })
      .tiff()
      .toBuffer(),
  });

  for (const [name, { says }] of Object.entries(FILES)) {
    if (says === undefined) continue;
    await expect(rowOf(page, name)).toContainText('unreadable');
    await expect(rowOf(page, name)).toContainText(says);
  }
  await expect(rowOf(page, 'cut-short.jpg')).toContainText('it may be damaged or cut short.unreadable');
  await expect(rowOf(page, 'moves.gif')).toContainText('animated; a created size is its first frame');
  await expect(rowOf(page, 'painted.bmp')).toContainText('200 × 120');
  await expect(rowOf(page, 'scan.tif')).toContainText('This browser shows no TIFF, and most others do not either.');
  await expect(rowOf(page, 'hundred-megapixels.jpg')).toContainText('12000 × 8500');

  await page.getByRole('button', { name: /^Create \d+ missing/ }).click();
  await expect(page.getByRole('status').getByText(/^Create 14 thumbnails/)).toBeVisible({ timeout: 120_000 });
  const out = await unpacked(page);
  const thumbnail = (name: string) => readFileSync(join(out, 'thumbs', name.replace(/\.\w+$/, '.jpg')));
  for (const [name, { says, inks }] of Object.entries(FILES)) {
    if (says !== undefined) continue;
    const source = files[name]!;
    const made = await sharp(thumbnail(name)).metadata();
    const { width = 0, height = 0 } = await sharp(source, { limitInputPixels: false }).metadata();
    const wanted = Math.min(150, width);
    expect({ name, width: made.width, height: made.height }).toEqual({
      name,
      width: wanted,
      height: Math.max(1, Math.round((height * wanted) / width)),
    });
    // Colours as sharp takes them to sRGB, within what compression leaves; of printing inks as a browser shows the
    // file itself, for no standard says how.
    const theirs = inks
      ? await shownMean(page, source)
      : await meanOf(
          await sharp(source, { limitInputPixels: false }).toColourspace('srgb').resize(wanted).png().toBuffer(),
        );
    const ours = await meanOf(thumbnail(name));
    ours.forEach((value, channel) =>
      expect.soft(Math.abs(value - theirs[channel % theirs.length]!), `${name}, channel ${channel}`).toBeLessThan(4),
    );
  }
  expect((await meanOf(thumbnail('moves.gif')))[0]).toBeGreaterThan(150); // the red one, which is the first
});

test('a picture of too many pixels is refused with the reason, where it would have to be decoded whole', async ({
  page,
}) => {
  test.setTimeout(240_000);
  const huge = await sharp({
    create: { width: 13_000, height: 10_500, channels: 3, background: '#2f7273' },
    limitInputPixels: false,
  })
    .png({ compressionLevel: 3 })
    .toBuffer();
  await openFiles(page, { 'huge.png': huge, 'good.jpg': await photograph(2) });
  await expect(rowOf(page, 'huge.png')).toContainText(
    '13000 × 10500 px are more than the 130 million that can be decoded at once',
  );
  await expect(rowOf(page, 'good.jpg')).toContainText('to create');
});

const item = (name: string) => `<li><a href="${name}.jpg"><img src="${name}.jpg" alt="${name}"/></a></li>`;

for (const [name, page] of [
  [
    'kites.xhtml',
    `<?xml version="1.0" encoding="utf-8"?>\n<html xmlns="http://www.w3.org/1999/xhtml"><head><title>t</title></head>\n<body><h1>Kites</h1>\n<ul>${item('a')}${item('b')}</ul></body></html>\n`,
  ],
  [
    'kites.php',
    `<?php if (2 > 1) $title = "<Kites>"; ?>\n<!DOCTYPE html>\n<html lang="en"><head><title>t</title></head>\n<body><h1>Kites</h1>\n<ul>${item('a')}${item('b')}</ul></body></html>\n`,
  ],
])
  test(`${name} is read, shown beside its source, and written`, async ({ page: screen }) => {
    await openFiles(screen, { [name!]: page!, 'a.jpg': await photograph(1), 'b.jpg': await photograph(2) });
    await goTo(screen, 'markup');
    const live = screen.frameLocator(`iframe[title="Live page ${name}"]`);
    await expect(live.locator('h1')).toHaveText('Kites');
    const alt = screen.getByRole('textbox', { name: /alt text/i }).first();
    await alt.fill('Over the moor');
    await alt.press('Enter');
    await expect(live.locator('img').first()).toHaveAttribute('alt', 'Over the moor');
    const out = readFileSync(join(await unpacked(screen), name!), 'utf8');
    expect(out).toBe(page!.replace('alt="a"', 'alt="Over the moor"'));
  });
