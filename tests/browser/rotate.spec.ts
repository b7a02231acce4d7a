/** A picture that lies on its side is set upright and brought level, in all its files and on the page; and back again. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Locator, Page } from '@playwright/test';
import sharp from 'sharp';
import { shareLeft } from '../../core/photo/index';
import { peakSignalToNoise } from '../likeness';
import { violations } from './axe';
import { expect, openFiles, photograph, rowOf, test, unpacked } from './fixtures';
import { lookAt } from './pictureSteps';

const IMAGE = '<img src="small/a.jpg" alt="A" width="150" height="100">';
const PAGE = `<!DOCTYPE html>\n<html lang="en">\n<head><title>K</title></head>\n<body>\n<p><a href="a.jpg">${IMAGE}</a></p>\n</body>\n</html>\n`;

async function rotateTab(page: Page, full: string): Promise<Locator> {
  const dialog = await lookAt(page, full);
  await dialog.getByRole('button', { name: 'Rotate', exact: true }).click();
  await expect(dialog.locator('img')).toBeVisible();
  return dialog;
}

async function pixelsOf(file: Buffer | string, width: number, height: number) {
  const { data } = await sharp(file).resize(width, height).ensureAlpha().raw().toBuffer({ resolveWithObject: true });
  return { width, height, data: new Uint8ClampedArray(data) };
}

test('a picture on its side is rotated in all its files, and comes back', async ({ page }) => {
  const upright = await photograph(7, 1200, 800);
  // As a camera stores it that was held on its side: what is shown is upright, and is what is rotated.
  const stored = await sharp(upright).rotate(270).withMetadata({ orientation: 6 }).jpeg({ quality: 95 }).toBuffer();
  const small = await sharp(upright).resize(150, 100).jpeg().toBuffer();
  await openFiles(page, { 'a.jpg': stored, 'small/a.jpg': small, 'index.html': PAGE });
  const dialog = await rotateTab(page, 'a.jpg');
  const apply = dialog.getByRole('button', { name: 'Apply to the files of a' });
  await expect(apply).toBeDisabled();
  await dialog.getByRole('button', { name: 'Rotate left' }).click();
  const shown = (await dialog.locator('img').boundingBox())!;
  expect(shown.height / shown.width).toBeCloseTo(1.5, 1);
  expect(await violations(page)).toEqual([]);
  await apply.click();
  await expect(dialog.getByRole('status')).toContainText('Rotate a.jpg');
  await expect(apply).toBeDisabled();
  await dialog.getByRole('button', { name: 'Close' }).click();

  const out = await unpacked(page);
  for (const [path, width, height] of [
    ['a.jpg', 800, 1200],
    ['small/a.jpg', 150, 225],
  ] as const) {
    const file = readFileSync(join(out, path));
    const { width: w, height: h, orientation } = await sharp(file).metadata();
    expect([w, h, orientation ?? 1], path).toEqual([width, height, 1]);
    const theirs = await pixelsOf(await sharp(upright).rotate(270).toBuffer(), width, height);
    expect(peakSignalToNoise(await pixelsOf(file, width, height), theirs), path).toBeGreaterThan(30);
  }
  expect(readFileSync(join(out, 'index.html'), 'utf8')).toBe(PAGE.replace('height="100"', 'height="225"'));

  await page.getByRole('link', { name: /^Pairs/ }).click();
  const again = await rotateTab(page, 'a.jpg');
  await again.getByRole('button', { name: 'Back to the original' }).click();
  await again.getByRole('button', { name: 'Apply to the files of a' }).click();
  await expect(again.getByRole('button', { name: 'Back to the original' })).toHaveCount(0);
  await expect(again.getByRole('status')).toContainText('Rotate a.jpg');
  await again.getByRole('button', { name: 'Close' }).click();
  expect(readFileSync(join(await unpacked(page), 'index.html'), 'utf8')).toBe(PAGE);
});

test('a horizon is brought level with the keyboard alone, and what a reload undoes comes back', async ({ page }) => {
  await openFiles(page, { 'a.jpg': await photograph(8, 1200, 800), 'index.html': PAGE.replace('small/', '') });
  const dialog = await rotateTab(page, 'a.jpg');
  const slider = dialog.getByRole('slider', { name: /^Straighten/ });
  await slider.focus();
  for (let n = 0; n < 23; n++) await page.keyboard.press('ArrowRight');
  await expect(dialog.getByText('Straighten: 2.3°')).toBeVisible();
  await dialog.getByRole('button', { name: /^Apply to/ }).press('Enter');
  await expect(dialog.getByRole('status')).toContainText('Rotate a.jpg');
  await dialog.getByRole('button', { name: 'Close' }).press('Enter');
  const share = shareLeft({ width: 1200, height: 800 }, 2.3);
  const size = [Math.floor(1200 * share), Math.floor(800 * share)];
  const { width, height } = await sharp(join(await unpacked(page), 'a.jpg')).metadata();
  expect([width, height]).toEqual(size);
  await page.reload();
  await page.getByRole('button', { name: /^Undo/ }).click();
  await page.getByRole('link', { name: /^Pairs/ }).click();
  await expect(rowOf(page, 'a.jpg')).toContainText('1200 × 800');
});
