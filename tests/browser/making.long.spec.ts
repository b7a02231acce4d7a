/** Pictures made by the dozen: every kind of size, and a queue that is stopped and goes on. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import ExifReader from 'exifreader';
import type { Page } from '@playwright/test';
import sharp from 'sharp';
import { violations } from './axe';
import { expect, openKites, openFiles, photograph, rowOf, test, unpacked } from './fixtures';
import { openRecipe, recipe } from './pictureSteps';

const choose = async (page: Page, form: ReturnType<Page['getByRole']>, label: string, option: string) => {
  await form.getByRole('combobox', { name: label }).click();
  await page.getByRole('option', { name: option, exact: true }).click();
};

const many = async (count: number): Promise<Record<string, Buffer>> =>
  Object.fromEntries(
    await Promise.all(
      Array.from(
        { length: count },
        async (_, n) => [`large/p${String(n).padStart(2, '0')}.jpg`, await photograph(n, 1200, 800)] as const,
      ),
    ),
  );

test('every kind of size on a site of three pages: folders, weight, likeness, 2×, sharpening, words; undone in one step', async ({
  page,
}) => {
  await openKites(page);
  await openRecipe(page);
  const thumbnail = recipe(page).getByRole('region', { name: 'Thumbnail' });
  await thumbnail.getByText('Folder, name and more').click();
  await thumbnail.getByRole('checkbox', { name: 'Also at 2×' }).check();
  await choose(page, thumbnail, 'Sharpening', 'light');
  const full = recipe(page).getByRole('region', { name: 'Full-size' });
  await choose(page, full, 'Compress to', 'a file size');
  await full.getByRole('spinbutton', { name: 'Maximum file size, kB' }).fill('60');
  await recipe(page).getByRole('button', { name: 'Add a size' }).click();
  const medium = recipe(page).getByRole('region', { name: 'medium' });
  await choose(page, medium, 'Format', 'WebP');
  await choose(page, medium, 'Compress to', 'a similarity');
  await medium.getByRole('textbox', { name: 'Folder' }).fill('../out');
  await expect(medium.getByText('A folder is written like “photos/small”')).toBeVisible();
  await expect(recipe(page).getByRole('button', { name: 'Save sizes' })).toBeDisabled();
  await medium.getByRole('textbox', { name: 'Folder' }).fill('photos/medium');
  await choose(page, recipe(page), 'Metadata to keep', 'title, caption, date, creator, copyright');
  expect(await violations(page)).toEqual([]);
  await recipe(page).getByRole('button', { name: 'Save sizes' }).click();
  await expect(page.getByRole('region', { name: 'File names and image sizes' })).toContainText(
    'medium at most 600 px on its longer side, WebP with a similarity of 0.97',
  );

  const make = page.getByRole('button', { name: /^Create all sizes/ });
  const count = Number(/\d+/.exec((await make.textContent()) ?? '')?.[0]);
  await make.click();
  await expect(page.getByText(new RegExp(`^Create ${count} pictures`))).toBeVisible({ timeout: 120_000 });
  // Nothing is asked for twice.
  await expect(make).toHaveCount(0);
  // Thumbnails made by hand are left alone; the one that was missing has a copy of twice its size.
  const offer = page.getByRole('region', { name: 'For high-density screens' });
  await expect(offer).toContainText(
    '1 thumbnail of festival.html has a copy of twice the size that the page does not offer.',
  );
  await offer.getByRole('button', { name: 'Add srcset' }).first().click();
  await expect(
    page.getByRole('status').getByText(/^Offer 1 thumbnail of festival.html at twice the size/),
  ).toBeVisible();
  await expect(offer).toHaveCount(0);
  const out = await unpacked(page);
  const small = await sharp(join(out, 'camera/thumbs/TKC_0412.jpg')).metadata();
  const dense = await sharp(join(out, 'camera/thumbs/TKC_0412-2x.jpg')).metadata();
  expect([small.width, dense.width]).toEqual([150, 300]);
  const html = readFileSync(join(out, 'festival.html'), 'utf8');
  expect(html).toMatch(
    /<img src="photos\/small\/rokkaku-dawn\.jpg"[^>]* srcset="photos\/small\/rokkaku-dawn\.jpg 1x, photos\/small\/rokkaku-dawn-2x\.jpg 2x"/,
  );
  const large = readFileSync(join(out, 'camera/TKC_0412.jpg'));
  expect((await sharp(large).metadata()).width).toBe(1600);
  expect(large.length).toBeLessThanOrEqual(61_500); // with the words
  expect(await sharp(join(out, 'photos/medium/reel-box.webp')).metadata()).toMatchObject({
    format: 'webp',
    width: 600,
  });
  // Read back by a second library: the words are there, the place is not.
  const tags = ExifReader.load(readFileSync(join(out, 'photos/medium/reel-box.webp')), { expanded: true });
  expect(tags.xmp?.title?.description).toBe('Reel box');
  expect(tags.xmp?.rights?.description).toBe('© 2026 Tarrowby Kite Circle');
  expect(ExifReader.load(large, { expanded: true }).gps).toBeUndefined();

  await page.getByRole('link', { name: /^Pairs/ }).click();
  await page.getByRole('button', { name: /^Undo: Offer 1 thumbnail/ }).click();
  await page.getByRole('button', { name: new RegExp(`^Undo: Create ${count} pictures`) }).click();
  await expect(page.getByRole('button', { name: `Create all sizes (${count} files)` })).toBeVisible();
  await expect(rowOf(page, 'camera/TKC_0412.jpg')).toContainText('2464 × 1632');
});

test('a queue is stopped without a trace, and goes on after a reload where it was', async ({ page }) => {
  await openFiles(page, await many(12));
  await openRecipe(page);
  const full = recipe(page).getByRole('region', { name: 'Full-size' });
  await choose(page, full, 'Format', 'WebP');
  await choose(page, full, 'Compress to', 'a file size');
  await recipe(page).getByRole('button', { name: 'Save sizes' }).click();
  const make = page.getByRole('button', { name: 'Create all sizes (24 files)' });
  await make.click();
  await expect(page.getByText(/^Making p\d\d\.(jpg|webp), \d+ of 24/)).toBeVisible();
  await page.getByRole('button', { name: 'Stop' }).click();
  await expect(page.getByText('Stopped. No picture was written.')).toBeVisible({ timeout: 60_000 });
  await page.reload();
  await expect(make).toBeEnabled();

  await make.click();
  await expect(page.getByText(/, about \d+ (s|min) left$/)).toBeVisible({ timeout: 60_000 });
  await expect(page.getByText(/, ([3-9]|1\d) of 24/)).toBeVisible({ timeout: 60_000 });
  await page.reload();
  // It begins where it was, not anew.
  await expect(page.getByText(/^Making p\d\d\.(jpg|webp), ([3-9]|[12]\d) of 24/)).toBeVisible({ timeout: 60_000 });
  await expect(page.getByText(/^Create 24 pictures/)).toBeVisible({ timeout: 120_000 });
  await expect(page.getByText('12 pictures, 12 matched')).toBeVisible();
  // One picture changes: only its files are due.
  await page.getByRole('button', { name: 'Undo: Create 24 pictures' }).click();
  await expect(make).toBeVisible();
  await page.getByRole('button', { name: 'Redo: Create 24 pictures' }).click();
  await expect(page.getByRole('button', { name: /^Create all sizes/ })).toHaveCount(0);
});
