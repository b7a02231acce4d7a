/**
 * Pictures made by a recipe of many sizes: in a queue that can be stopped and outlives a reload, only what changed,
 * as one change.
 */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import ExifReader from 'exifreader';
import type { Page } from '@playwright/test';
import sharp from 'sharp';
import { violations } from './axe';
import { expect, openKites, openFiles, photograph, rowOf, test, unpacked } from './fixtures';

const recipe = (page: Page) => page.getByRole('dialog', { name: 'Recipe' });

async function openRecipe(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Change the recipe' }).click();
  await expect(recipe(page)).toBeVisible();
}

const choose = async (page: Page, form: ReturnType<Page['getByRole']>, label: string, option: string) => {
  await form.getByRole('combobox', { name: label }).click();
  await page.getByRole('option', { name: option, exact: true }).click();
};

test('every kind of size on a site of three pages: folders, weight, likeness, 2×, sharpening, words; undone in one step', async ({
  page,
}) => {
  await openKites(page);
  await openRecipe(page);
  const thumbnail = recipe(page).getByRole('region', { name: 'Thumbnail' });
  await thumbnail.getByText('Where it goes, and more').click();
  await thumbnail.getByRole('checkbox', { name: 'Also at 2×' }).check();
  await choose(page, thumbnail, 'Sharpening', 'light');
  const full = recipe(page).getByRole('region', { name: 'Full-size' });
  await choose(page, full, 'Compressed', 'to a weight');
  await full.getByRole('spinbutton', { name: 'At most, kB' }).fill('60');
  await recipe(page).getByRole('button', { name: 'A further size' }).click();
  const medium = recipe(page).getByRole('region', { name: 'medium' });
  await choose(page, medium, 'Format', 'WebP');
  await choose(page, medium, 'Compressed', 'to a likeness');
  await medium.getByRole('textbox', { name: 'Folder' }).fill('../out');
  await expect(medium.getByText('A folder is written like “photos/small”')).toBeVisible();
  await expect(recipe(page).getByRole('button', { name: 'Use this recipe' })).toBeDisabled();
  await medium.getByRole('textbox', { name: 'Folder' }).fill('photos/medium');
  await choose(page, recipe(page), 'Words that stay in the files', 'title, caption, date, who made it, copyright');
  expect(await violations(page)).toEqual([]);
  await recipe(page).getByRole('button', { name: 'Use this recipe' }).click();
  await expect(page.getByRole('region', { name: 'Naming and recipe' })).toContainText(
    'medium at most 600 px on its longer side, WebP alike to 0.97',
  );

  const make = page.getByRole('button', { name: /^Make all by the recipe/ });
  const count = Number(/\d+/.exec((await make.textContent()) ?? '')?.[0]);
  await make.click();
  await expect(page.getByText(new RegExp(`^Make ${count} pictures`))).toBeVisible({ timeout: 120_000 });
  // Nothing is asked for twice.
  await expect(make).toHaveCount(0);
  // Thumbnails made by hand are left alone; the one that was missing has a copy of twice its size.
  const offer = page.getByRole('region', { name: 'For dense screens' });
  await expect(offer).toContainText(
    '1 thumbnail of festival.html has a copy of twice the size that the page does not offer.',
  );
  await offer.getByRole('button', { name: 'Write srcset' }).first().click();
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
  await page.getByRole('button', { name: new RegExp(`^Undo: Make ${count} pictures`) }).click();
  await expect(page.getByRole('button', { name: `Make all by the recipe, ${count}` })).toBeVisible();
  await expect(rowOf(page, 'camera/TKC_0412.jpg')).toContainText('2464 × 1632');
});

const many = async (count: number): Promise<Record<string, Buffer>> =>
  Object.fromEntries(
    await Promise.all(
      Array.from(
        { length: count },
        async (_, n) => [`large/p${String(n).padStart(2, '0')}.jpg`, await photograph(n, 1800, 1200)] as const,
      ),
    ),
  );

test('a queue is stopped without a trace, and goes on after a reload where it was', async ({ page }) => {
  await openFiles(page, await many(12));
  await openRecipe(page);
  const full = recipe(page).getByRole('region', { name: 'Full-size' });
  await choose(page, full, 'Format', 'WebP');
  await choose(page, full, 'Compressed', 'to a weight');
  await recipe(page).getByRole('button', { name: 'Use this recipe' }).click();
  const make = page.getByRole('button', { name: 'Make all by the recipe, 24' });
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
  await expect(page.getByText(/^Make 24 pictures/)).toBeVisible({ timeout: 120_000 });
  await expect(page.getByText('12 pictures, 12 sure')).toBeVisible();
  // One picture changes: only its files are due.
  await page.getByRole('button', { name: 'Undo: Make 24 pictures' }).click();
  await expect(make).toBeVisible();
  await page.getByRole('button', { name: 'Redo: Make 24 pictures' }).click();
  await expect(page.getByRole('button', { name: /^Make all by the recipe/ })).toHaveCount(0);
});

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
  await full.getByRole('spinbutton', { name: 'At most wide' }).fill('800');
  await full.getByRole('spinbutton', { name: 'At most high' }).fill('800');
  await full.getByText('Where it goes, and more').click();
  await full.getByRole('textbox', { name: 'Folder' }).fill('large');
  await full.getByRole('textbox', { name: 'Name' }).fill('{name}-web');
  await full.getByRole('checkbox', { name: 'Enlarge pictures smaller than the box' }).check();
  const thumbnail = recipe(page).getByRole('region', { name: 'Thumbnail' });
  await thumbnail.getByText('Where it goes, and more').click();
  await thumbnail.getByRole('textbox', { name: 'Folder' }).fill('small');
  await recipe(page).getByRole('button', { name: 'Use this recipe' }).click();
  await page.getByRole('button', { name: 'Make all by the recipe, 4' }).click();
  await expect(page.getByText(/enlarged, for the pictures are smaller than their box: two-web\.jpg/)).toBeVisible();
  await expect(page.getByText('2 pictures, 2 sure')).toBeVisible();
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
  await recipe(page).getByRole('button', { name: 'barely' }).click();
  await expect(recipe(page).getByText('all its pixels, JPEG alike to 0.99')).toBeVisible();
  await recipe(page).getByRole('checkbox', { name: 'Decode every pixel, slower' }).check();
  await recipe(page).getByRole('button', { name: 'Use this recipe' }).click();
  await page.getByRole('button', { name: 'Make all by the recipe, 4' }).click();
  await expect(page.getByText(/as light as that already, and left: light\.jpg/)).toBeVisible();
  await expect(page.getByRole('button', { name: /^Make all by the recipe/ })).toHaveCount(0);
  const out = await unpacked(page);
  expect(readFileSync(join(out, 'light.jpg')).equals(light)).toBe(true);
  const made = readFileSync(join(out, 'heavy.jpg'));
  expect((await sharp(made).metadata()).width).toBe(900);
  expect(made.length).toBeLessThan(heavy.length * 0.8);
});
