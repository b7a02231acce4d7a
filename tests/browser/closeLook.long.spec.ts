/** A file lightened in steps, and AVIF, whose encoder takes its time. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type {} from '@playwright/test';
import sharp from 'sharp';
import { expect, openFiles, photograph, test, unpacked } from './fixtures';
import { lookAt } from './pictureSteps';

test('the pixels are left and the file is lightened, in steps; AVIF on request', async ({ page }) => {
  const noisy = await sharp({
    create: {
      width: 900,
      height: 600,
      channels: 3,
      background: '#808080',
      noise: { type: 'gaussian', mean: 128, sigma: 20 },
    },
  })
    .composite([{ input: await photograph(2, 900, 600), blend: 'soft-light' }])
    .jpeg({ quality: 97 })
    .toBuffer();
  await openFiles(page, { 'moor.jpg': noisy });
  const dialog = await lookAt(page, 'moor.jpg');
  await dialog.getByRole('button', { name: 'Quality and file size' }).click();
  await dialog.getByRole('combobox', { name: 'Size' }).click();
  await page.getByRole('option', { name: 'full-size, all pixels' }).click();
  await expect(dialog.getByText('900 × 600 px')).toBeVisible();
  await expect(dialog.getByRole('group', { name: /^Similarity/ }).locator('circle')).toHaveCount(17, {
    timeout: 60_000,
  });
  await dialog.getByRole('button', { name: 'strong' }).click();
  await expect(dialog.getByText(/^0\.9[4-9]\d$/)).toBeVisible();
  await dialog.getByRole('button', { name: 'try AVIF (slow)' }).click();
  await expect(dialog.getByRole('group', { name: 'Similarity by file size; JPEG and WebP and AVIF' })).toBeVisible({
    timeout: 60_000,
  });
  await dialog.getByRole('button', { name: 'Apply to this picture' }).click();
  await expect(dialog.getByRole('status').getByText('Create moor.jpg')).toBeVisible();
  await page.keyboard.press('Escape');
  const made = readFileSync(join(await unpacked(page), 'moor.jpg'));
  expect((await sharp(made).metadata()).width).toBe(900);
  expect(made.length).toBeLessThan(noisy.length * 0.75);
});
