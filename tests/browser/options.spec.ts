/** A viewer's options and look set by eye beside the live page: written small, seen at once, taken back. */
import type { FrameLocator, Page } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
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
  await options(page)
    .getByRole('button', { name: /^With thumbnails/ })
    .click();
  await expect(live.locator('.enlarge-strip button')).toHaveCount(4, { timeout: 30_000 });
  await expect(options(page).getByRole('button', { name: /^With thumbnails/ })).toHaveAttribute('aria-pressed', 'true');
  await options(page).getByRole('switch', { name: 'Counter' }).click();
  await expect(live.locator('.enlarge-counter')).toHaveText('', { timeout: 30_000 });
  await options(page).getByRole('switch', { name: 'Play button' }).click();
  await expect(live.getByRole('button', { name: 'Play' })).toBeVisible({ timeout: 30_000 });
  const interval = options(page).getByRole('textbox', { name: 'Time for each picture' });
  await interval.fill('0.2');
  await interval.press('Enter');
  await expect(page.getByText('interval is a number from 1 to 60 s.')).toBeVisible();
  await interval.fill('8');
  await interval.press('Enter');
  await options(page).getByRole('button', { name: 'alt', exact: true }).click();
  const ground = options(page).getByRole('textbox', { name: 'Ground', exact: true });
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
  await expect(options(page).getByText(/--enlarge-padding: 3rem/)).toBeVisible();
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
