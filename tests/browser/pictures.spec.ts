/** Thumbnails as the browser makes them, against sharp on the same pixels, with orientation and colour right. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import sharp, { type Sharp } from 'sharp';
import { peakSignalToNoise, structuralSimilarity } from '../likeness';
import { setOut, withoutDemo } from '../setOut';
import { SITE } from '../site/make';
import { importFolder, expect, folderWith, test, unpacked, LONG } from './fixtures';

const decoded = async (image: Sharp) => {
  const { data, info } = await image.ensureAlpha().raw().toBuffer({ resolveWithObject: true });
  return { width: info.width, height: info.height, data: new Uint8ClampedArray(data) };
};

test('thumbnails equal those of sharp, upright, in every shape', { tag: LONG }, async ({ page }) => {
  await withoutDemo(page);
  await page.goto('/');
  const names = [
    'camera/TKC_0412.jpg',
    'camera/TKC_0415.jpg',
    'photos/large/diamond-classic.jpg',
    'photos/large/long-panorama.jpg',
    'photos/large/square-star.jpg',
  ];
  const files = Object.fromEntries(names.map((name) => [name.replace(/^.*\//, ''), readFileSync(join(SITE, name))]));
  // The eight orientations of one picture, and a picture with clear parts.
  const plain = sharp(files['square-star.jpg']).resize(900, 600, { fit: 'fill' });
  for (let n = 1; n <= 8; n++)
    files[`turned-${n}.jpg`] = await plain.clone().jpeg({ quality: 92 }).withMetadata({ orientation: n }).toBuffer();
  files['cut-out.png'] = await sharp(
    Buffer.from(
      '<svg xmlns="http://www.w3.org/2000/svg" width="900" height="700"><circle cx="450" cy="350" r="300" fill="#b3402a"/></svg>',
    ),
  )
    .png()
    .toBuffer();
  await importFolder(page, folderWith(files));
  await page.getByRole('button', { name: 'Create 14 missing thumbnails' }).click();
  await expect(page.getByText('14 pictures, 14 matched')).toBeVisible({ timeout: 90_000 });
  const out = await unpacked(page);
  for (const name of Object.keys(files)) {
    const made = await decoded(sharp(readFileSync(join(out, 'thumbs', name.replace(/\.png$/, '.jpg')))));
    const full = await decoded(sharp(files[name]).rotate());
    const size = { width: 150, height: Math.round((full.height * 150) / full.width) };
    expect({ name, width: made.width, height: made.height }).toEqual({ name, ...size });
    // The same pixels, resampled by libvips and compressed at the same quality.
    const source = sharp(files[name]).rotate().flatten({ background: '#fff' });
    const theirs = await decoded(
      sharp(
        await sharp(await source.png().toBuffer())
          .resize({ ...size, fit: 'fill', kernel: 'lanczos3' })
          .jpeg({ quality: 80 })
          .toBuffer(),
      ),
    );
    const psnr = peakSignalToNoise(made, theirs);
    const ssim = structuralSimilarity(made, theirs);
    console.log(`${name} to ${size.width}×${size.height}: PSNR ${psnr.toFixed(1)} dB, SSIM ${ssim.toFixed(4)}`);
    expect(psnr).toBeGreaterThan(33);
    expect(ssim).toBeGreaterThan(0.97);
  }
});

test('what cannot be decoded is named, and stops nothing', async ({ page }) => {
  await withoutDemo(page);
  await page.goto('/');
  const good = await sharp({ create: { width: 800, height: 600, channels: 3, background: '#b3402a' } })
    .jpeg()
    .toBuffer();
  await importFolder(
    page,
    folderWith({
      'good.jpg': good,
      'empty.jpg': Buffer.alloc(0),
      'text.jpg': 'no picture',
      'named-wrong.jpg': await sharp({ create: { width: 800, height: 600, channels: 3, background: '#3f8050' } })
        .png()
        .toBuffer(),
    }),
  );
  await expect(page.getByText('unreadable')).toHaveCount(2);
  await page.getByRole('button', { name: 'Create 2 missing thumbnails' }).click();
  await expect(page.getByText('4 pictures, 2 matched, 2 to check')).toBeVisible();
});

test('a bad archive is refused with what, where and what to do; a removed site can be put back', async ({ page }) => {
  await setOut(page, 'kites');
  await page.goto('/');
  await page.locator('[data-pick="archive"]').setInputFiles({
    name: 'site.zip',
    mimeType: 'application/zip',
    buffer: Buffer.from('PK\u0003\u0004 and no more'),
  });
  await expect(page.getByRole('alert')).toContainText('cut short');
  await page.getByRole('button', { name: 'Remove site' }).click();
  await expect(page.getByText('was removed')).toBeVisible();
  await page.reload();
  await page.getByRole('button', { name: /^Restore / }).click();
  await expect(page.getByRole('link', { name: 'site' })).toBeVisible();
});
