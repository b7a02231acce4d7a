/** A viewer's options and look set by eye beside the live page: written small, seen at once, taken back. */
import type { FrameLocator, Page } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import sharp from 'sharp';
import { wiredPage } from '../wiring/faults.fixture';
import { violations } from './axe';
import { expect, goTo, openFiles, test, unpacked } from './fixtures';
import { pictures, wireWith } from './wiringSteps';

/** A page that is wired with it through the interface. */
async function openOptions(page: Page, title: string): Promise<FrameLocator> {
  await openFiles(page, { 'index.html': wiredPage('none'), ...(await pictures()) });
  await goTo(page, 'wiring');
  await wireWith(page, title);
  await page.getByRole('button', { name: 'Options' }).click();
  await expect(page.getByRole('region', { name: 'Options' })).toBeVisible();
  return page.frameLocator('iframe[title^="index.html at"]');
}

const options = (page: Page) => page.getByRole('region', { name: 'Options' });
const source = async (page: Page) => readFileSync(join(await unpacked(page), 'index.html'), 'utf8');

test('the lightbox: a preset, five options and two looks, each seen at once in the state that is held', async ({
  page,
}) => {
  const live = await openOptions(page, 'Lightbox');
  await page.getByRole('button', { name: 'opened' }).click();
  await expect(live.locator('.enlarge[open]')).toBeVisible({ timeout: 30_000 });
  await expect(live.locator('.enlarge-counter')).toHaveText('1 of 4');
  await page.getByRole('button', { name: 'third picture' }).click();
  await expect(live.locator('.enlarge-counter')).toHaveText('3 of 4', { timeout: 30_000 });
  await page.getByRole('button', { name: 'opened' }).click();
  await expect(live.locator('.enlarge-counter')).toHaveText('1 of 4', { timeout: 30_000 });
  await options(page)
    .getByRole('button', { name: /^With thumbnails/ })
    .click();
  await expect(live.locator('.enlarge-strip button')).toHaveCount(4, { timeout: 30_000 });
  await expect(options(page).getByRole('button', { name: /^With thumbnails/ })).toHaveAttribute('aria-pressed', 'true');
  await options(page).getByRole('switch', { name: 'Counter' }).click();
  await expect(live.locator('.enlarge-counter')).toHaveText('', { timeout: 30_000 });
  await options(page).getByRole('switch', { name: 'Play button' }).click();
  await expect(live.getByRole('button', { name: 'Play' })).toBeVisible({ timeout: 30_000 });
  const interval = options(page).getByRole('textbox', { name: 'Time per picture' });
  await interval.fill('0.2');
  await interval.press('Enter');
  await expect(page.getByText('interval is a number from 1 to 60 s.')).toBeVisible();
  await interval.fill('8');
  await interval.press('Enter');
  // The page loads anew and opens its overlay, and the keys still go to the field.
  await expect(live.locator('[data-enlarge-interval="8"]')).not.toHaveCount(0, { timeout: 30_000 });
  await expect(live.locator('.enlarge[open]')).toBeVisible({ timeout: 30_000 });
  await page.keyboard.type('0');
  await expect(interval).toHaveValue(/0/);
  await expect(interval).toBeFocused();
  await page.keyboard.press('Escape');
  await options(page).getByRole('button', { name: 'alt', exact: true }).click();
  const ground = options(page).getByRole('textbox', { name: 'Background', exact: true });
  await ground.fill('#203040');
  await ground.press('Enter');
  const colour = () =>
    live
      .locator('.enlarge')
      .evaluate((one) => getComputedStyle(one).backgroundColor)
      .catch(() => '');
  await expect.poll(colour, { timeout: 30_000 }).toBe('rgb(32, 48, 64)');
  const padding = options(page).getByRole('textbox', { name: 'Margin around the picture' });
  await padding.fill('3rem');
  await padding.press('Enter');
  // Left before its value is written, the field does not ask for it a second time.
  await padding.press('Tab');
  await expect(options(page).getByText(/--enlarge-padding: 3rem/)).toBeVisible();
  await expect(page.getByText('There is nothing to change.')).toHaveCount(0);
  expect(await violations(page)).toEqual([]);
  // “Where is this written?” leads to the line.
  await options(page)
    .getByRole('button', { name: /data-enlarge-play.*show it$/ })
    .click();
  await page.waitForURL(/\/markup/);
  const text = await source(page);
  expect(text).toContain('data-enlarge-strip');
  expect(text).toContain('data-enlarge-interval="8"');
  expect(text).toContain('data-enlarge-counter="off"');
  expect(text).toContain('data-enlarge-caption-from="alt"');
});

test('the slideshow: at another width and on its third picture, and undone to the byte', async ({ page }) => {
  const live = await openOptions(page, 'Slideshow');
  const before = await source(page);
  await goTo(page, 'wiring');
  await page.getByRole('button', { name: 'Options' }).click();
  await page.getByRole('button', { name: '390 px wide' }).click();
  await page.getByRole('button', { name: 'third picture' }).click();
  await options(page)
    .getByRole('button', { name: /^With thumbnails/ })
    .click();
  await expect(live.locator('.slides-counter')).toHaveText('3 of 4', { timeout: 30_000 });
  await expect(live.locator('.slides-picker img')).toHaveCount(4);
  await options(page).getByRole('button', { name: 'none', exact: true }).click();
  await expect(live.locator('.slides-picker')).toHaveCount(0, { timeout: 30_000 });
  await expect(options(page).getByText('Does nothing now: nothing plays.')).toBeVisible();
  for (let n = 0; n < 2; n++) await page.getByRole('button', { name: 'Undo', exact: true }).first().click();
  await expect(options(page).getByText('data-slides-picker not set')).toBeVisible();
  expect(await source(page)).toBe(before);
});

test('what cameras note is read from the files, written at each link, and shown', async ({ page }) => {
  const plain = await pictures();
  const noted = await sharp(plain['large/mere.jpg'])
    .withExif({
      IFD0: { Make: 'Moor', Model: 'Moor 5', Copyright: 'The circle' },
      IFD2: { ExposureTime: '1/250', FNumber: '8/1', ISOSpeedRatings: '100', DateTimeOriginal: '2021:06:05 14:30:00' },
    })
    .jpeg()
    .toBuffer();
  await openFiles(page, { 'index.html': wiredPage('none'), ...plain, 'large/mere.jpg': noted });
  await goTo(page, 'wiring');
  await wireWith(page, 'Lightbox');
  await page.getByRole('button', { name: 'Options' }).click();
  const lens = options(page).getByRole('checkbox', { name: 'Lens (no file says it)' });
  await expect(lens).toBeDisabled();
  await options(page).getByRole('checkbox', { name: 'Date taken' }).uncheck();
  await options(page).getByRole('button', { name: 'Write information' }).click();
  await expect(page.getByRole('button', { name: /^Undo: Write picture information \(1 link/ })).toBeVisible();
  expect(await violations(page)).toEqual([]);
  const folder = await unpacked(page);
  const text = readFileSync(join(folder, 'index.html'), 'utf8');
  expect(text).toContain('data-enlarge-info="Camera: Moor 5; Exposure: 1/250 s, f/8, ISO 100; Copyright: The circle"');
  await page.goto(pathToFileURL(join(folder, 'index.html')).href);
  await page.locator('.kites a').nth(1).click();
  await page.getByRole('button', { name: 'About this picture' }).click();
  await expect(page.getByRole('definition').filter({ hasText: '1/250 s, f/8, ISO 100' })).toBeVisible();
});
