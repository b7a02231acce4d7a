/** Pictures made by a recipe: where they go, what is enlarged, and what is left as it is. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type {} from '@playwright/test';
import sharp from 'sharp';
import { expect, openFiles, photograph, test, unpacked } from './fixtures';
import { openRecipe, recipe } from './pictureSteps';

test('originals in one folder, full-size files and thumbnails in others; pages follow; a picture is enlarged only where asked, and it is said', async ({
  page,
}) => {
  await openFiles(page, {
    'index.html':
      '<!DOCTYPE html>\n<html lang="en"><head><meta charset="utf-8"><title>t</title></head>\n<body>\n<p><a href="camera/one.jpg"><img src="small/one.jpg" alt="1"></a></p>\n</body></html>\n',
    'camera/one.jpg': await photograph(1, 2400, 1600),
    'camera/two.jpg': await photograph(2, 500, 400),
  });
  await openRecipe(page);
  const full = recipe(page).getByRole('region', { name: 'Full-size' });
  await full.getByRole('spinbutton', { name: 'Maximum width' }).fill('800');
  await full.getByRole('spinbutton', { name: 'Maximum height' }).fill('800');
  await full.getByText('Folder, name and more').click();
  await full.getByRole('textbox', { name: 'Folder' }).fill('large');
  await full.getByRole('textbox', { name: 'Name' }).fill('{name}-web');
  await full.getByRole('checkbox', { name: 'Enlarge pictures smaller than the box' }).check();
  const thumbnail = recipe(page).getByRole('region', { name: 'Thumbnail' });
  await thumbnail.getByText('Folder, name and more').click();
  await thumbnail.getByRole('textbox', { name: 'Folder' }).fill('small');
  await recipe(page).getByRole('button', { name: 'Save sizes' }).click();
  await page.getByRole('button', { name: 'Create all sizes (4 files)' }).click();
  await expect(page.getByText(/enlarged, because the pictures are smaller than their box: two-web\.jpg/)).toBeVisible();
  await expect(page.getByText('2 pictures, 2 matched')).toBeVisible();
  const out = await unpacked(page);
  expect(readFileSync(join(out, 'index.html'), 'utf8')).toContain(
    '<a href="large/one-web.jpg"><img src="small/one.jpg" alt="1"></a>',
  );
  expect((await sharp(join(out, 'large/one-web.jpg')).metadata()).width).toBe(800);
  expect((await sharp(join(out, 'large/two-web.jpg')).metadata()).width).toBe(800);
});

test('the pixels are left and every file is lightened once; what is light already is left', async ({ page }) => {
  const heavy = await sharp(await photograph(1, 900, 600))
    .jpeg({ quality: 100, chromaSubsampling: '4:4:4' })
    .toBuffer();
  const light = await sharp(await photograph(2, 900, 600))
    .jpeg({ quality: 20, mozjpeg: true })
    .toBuffer();
  await openFiles(page, { 'heavy.jpg': heavy, 'light.jpg': light });
  await openRecipe(page);
  await recipe(page).getByRole('button', { name: 'light' }).click();
  await expect(recipe(page).getByText('all pixels, JPEG with a similarity of 0.99')).toBeVisible();
  await recipe(page).getByRole('checkbox', { name: 'Full-quality decoding (slower)' }).check();
  await recipe(page).getByRole('button', { name: 'Save sizes' }).click();
  await page.getByRole('button', { name: 'Create all sizes (4 files)' }).click();
  await expect(page.getByText(/that small already, left unchanged: light\.jpg/)).toBeVisible();
  await expect(page.getByRole('button', { name: /^Create all sizes/ })).toHaveCount(0);
  const out = await unpacked(page);
  expect(readFileSync(join(out, 'light.jpg')).equals(light)).toBe(true);
  const made = readFileSync(join(out, 'heavy.jpg'));
  expect((await sharp(made).metadata()).width).toBe(900);
  expect(made.length).toBeLessThan(heavy.length * 0.8);
});
