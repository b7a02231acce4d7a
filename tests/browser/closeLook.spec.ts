/** The close look: both files at one scale, a size before and after compression with its curve, and where it is cut. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type {} from '@playwright/test';
import sharp from 'sharp';
import { violations } from './axe';
import { expect, openKites, openFiles, photograph, rowOf, test, unpacked, LONG } from './fixtures';
import { lookAt } from './pictureSteps';

const FULL = 'photos/large/delta-over-mere.jpg';

test('small beside large at one scale, by mouse and by key', async ({ page }) => {
  await openKites(page);
  const dialog = await lookAt(page, FULL);
  const widthOf = async (name: RegExp) => (await dialog.getByRole('img', { name }).boundingBox())!.width;
  await expect(dialog.getByRole('img', { name: /^Full-size/ })).toBeVisible();
  // 150 of 1600 px: one scale for both.
  expect((await widthOf(/^Full-size/)) / (await widthOf(/^Thumbnail/))).toBeCloseTo(1600 / 150, 1);
  await dialog.getByRole('button', { name: 'actual pixels' }).click();
  expect(await widthOf(/^Full-size/)).toBeCloseTo(1600, 0);
  await expect(dialog.getByText('One to 10.7.')).toBeVisible();
  expect(await violations(page)).toEqual([]);
  await page.keyboard.press('Escape');
  await expect(dialog).toHaveCount(0);
  await rowOf(page, FULL).getByRole('button').first().focus();
  await page.keyboard.press('l');
  await expect(dialog).toBeVisible();
});

test(
  'quality against weight: the edge moves, the curve is drawn, a choice is made for one picture and for all',
  { tag: LONG },
  async ({ page }) => {
    await openKites(page);
    const dialog = await lookAt(page, FULL);
    await dialog.getByRole('button', { name: 'Quality and file size' }).click();
    const edge = dialog.getByRole('slider', { name: 'Edge between both pictures' });
    await expect(edge).toHaveAttribute('aria-valuenow', '50');
    await edge.focus();
    await page.keyboard.press('ArrowRight');
    await page.keyboard.press('PageUp');
    await expect(edge).toHaveAttribute('aria-valuenow', '62');
    const box = (await edge.boundingBox())!;
    await page.mouse.move(box.x + box.width / 2, box.y + 100);
    await page.mouse.down();
    await page.mouse.move(box.x - 150, box.y + 100, { steps: 5 });
    await page.mouse.up();
    expect(Number(await edge.getAttribute('aria-valuenow'))).toBeLessThan(50);
    const curve = dialog.getByRole('group', { name: 'Similarity by file size; JPEG and WebP' });
    await expect(curve.locator('circle')).toHaveCount(17, { timeout: 60_000 }); // eight of each, and the recipe's own quality
    await expect(dialog.getByText(/^Suggested: JPEG \d+, [\d.]+ kB, likeness 0\.9\d\d$/)).toBeVisible();
    expect(await violations(page)).toEqual([]);

    await dialog.getByRole('slider', { name: /^Quality/ }).focus();
    for (let n = 0; n < 12; n++) await page.keyboard.press('ArrowLeft');
    await expect(dialog.getByText('Quality 70', { exact: true })).toBeVisible();
    const weight = await dialog.getByText(/^[\d.]+ kB; now/).textContent();
    await dialog.getByRole('button', { name: 'Apply to this picture' }).click();
    await expect(dialog.getByRole('status').getByText('Create delta-over-mere.jpg')).toBeVisible();
    await page.keyboard.press('Escape');
    // What was shown is what was written, and it is this picture's own: the recipe does not ask for it again.
    const kilobytes = (text: string | null | undefined) => Number(/([\d.]+) kB/.exec(text ?? '')?.[1]);
    // Who made it and its copyright are written into the file as well: some hundred bytes.
    await expect
      .poll(async () =>
        Math.abs(kilobytes(await rowOf(page, FULL).locator('.state').textContent()) - kilobytes(weight)),
      )
      .toBeLessThan(2);
    await expect(page.getByRole('button', { name: 'Create all sizes (15 files)' })).toBeVisible();

    const again = await lookAt(page, FULL);
    await again.getByRole('button', { name: 'Quality and file size' }).click();
    await again.getByRole('combobox', { name: 'Size' }).click();
    await page.getByRole('option', { name: 'thumbnail' }).click();
    await again.getByRole('group', { name: 'Format' }).getByRole('button', { name: 'WebP' }).click();
    await again.getByRole('button', { name: 'Apply to all' }).click();
    // While its work is done the button is idle, and the focus is nowhere until the dialog takes it again.
    await expect(again.getByRole('status')).not.toBeEmpty();
    await expect.poll(() => page.evaluate(() => document.activeElement === document.body)).toBe(false);
    await page.keyboard.press('Escape');
    await expect(page.getByRole('region', { name: 'File names and image sizes' })).toContainText(
      'at most 150 px wide, WebP 80',
    );
  },
);

test('a crop is cut about the point that was moved, as sharp would cut it there', { tag: LONG }, async ({ page }) => {
  const full = await photograph(5, 1600, 800);
  await openFiles(page, { 'moor.jpg': full });
  await page.getByRole('button', { name: 'Change image sizes' }).click();
  const thumbnail = page.getByRole('dialog', { name: 'Image sizes' }).getByRole('region', { name: 'Thumbnail' });
  await thumbnail.getByRole('spinbutton', { name: 'Maximum width' }).fill('200');
  await thumbnail.getByRole('spinbutton', { name: 'Maximum height' }).fill('200');
  await thumbnail.getByRole('combobox', { name: 'Resize' }).click();
  await page.getByRole('option', { name: 'crop to fill' }).click();
  await page.getByRole('button', { name: 'Save sizes' }).click();
  const dialog = await lookAt(page, 'moor.jpg');
  await dialog.getByRole('button', { name: 'Crop' }).click();
  await expect(dialog.getByText('The point is suggested')).toBeVisible();
  await expect(dialog.getByText('thumbnail: cropped to 200 × 200 px')).toBeVisible();
  const point = dialog.getByRole('slider', { name: /^Crop point/ });
  const picture = (await dialog.locator('img').first().boundingBox())!;
  await page.mouse.click(picture.x + picture.width * 0.8, picture.y + picture.height / 2);
  await expect(point).toHaveAttribute('aria-valuetext', /^80 % from the left, 50 % from the top$/);
  await point.focus();
  await page.keyboard.press('Shift+ArrowLeft');
  await expect(point).toHaveAttribute('aria-valuetext', /^75 % from the left/);
  expect(await violations(page)).toEqual([]);
  await dialog.getByRole('button', { name: 'Crop around this point' }).click();
  await expect(dialog.getByText('The point was chosen by hand.')).toBeVisible();
  await dialog.press('Escape');
  await page.getByRole('button', { name: 'Create 1 missing thumbnail' }).click();
  await expect(rowOf(page, 'moor.jpg')).toContainText('thumbs/moor.jpg');
  const made = await sharp(readFileSync(join(await unpacked(page), 'thumbs/moor.jpg')))
    .removeAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true });
  const theirs = await sharp(full)
    .extract({ left: 800, top: 0, width: 800, height: 800 })
    .resize(200, 200, { kernel: 'lanczos3' })
    .removeAlpha()
    .raw()
    .toBuffer();
  expect([made.info.width, made.info.height]).toEqual([200, 200]);
  const error = theirs.reduce((sum, value, n) => sum + (value - made.data[n]!) ** 2, 0) / theirs.length;
  expect(10 * Math.log10(255 ** 2 / error)).toBeGreaterThan(35);
});
