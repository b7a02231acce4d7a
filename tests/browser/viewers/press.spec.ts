/** A link of the lightbox under a pressed pointer: what the click will show is made ready, and nothing more. */
import type { Page } from '@playwright/test';
import { exported, item, items } from '../../viewerPages';
import { swipe } from '../../touch';
import { expect, test } from '../fixtures';

const MARK = ' data-enlarge data-enlarge-group="kites"';

async function opened(page: Page, body: string): Promise<string[]> {
  const { address } = await exported(['lightbox'], body);
  const asked: string[] = [];
  page.on('request', (request) => {
    const [, name] = /\/large\/(\w+)\.jpg$/.exec(request.url()) ?? [];
    if (name) asked.push(name);
  });
  await page.goto(address);
  // Its box is made once nobody waits for the page any more.
  await expect(page.locator('dialog.enlarge')).toHaveCount(1);
  return asked;
}

async function pressed(page: Page, name: string): Promise<void> {
  await page.getByRole('link', { name }).hover();
  await page.mouse.down();
}

test('the file is asked for while the button is down, once, and is there at the click', async ({ page }) => {
  const asked = await opened(page, `<ul>${items({ attributes: MARK })}</ul>`);
  await pressed(page, 'Kites at the reel');
  await expect.poll(() => asked).toEqual(['reel']);
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await page.mouse.up();
  await expect(page.locator('.enlarge-counter')).toHaveText('3 of 5');
  await expect(page.locator('.enlarge-stage')).toHaveAttribute('data-state', 'shown');
  // Its neighbours follow, as they do without a press.
  await expect.poll(() => [...asked].sort()).toEqual(['loft', 'mere', 'reel']);
});

test('let go elsewhere, nothing opens; a key opens another link, and the page as it is by then', async ({ page }) => {
  await opened(page, `<ul>${items({ attributes: MARK })}</ul>`);
  await pressed(page, 'Kites at the reel');
  await page.mouse.move(1200, 780);
  await page.mouse.up();
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await page.getByRole('link', { name: 'Kites at the loft' }).press('Enter');
  await expect(page.locator('.enlarge-counter')).toHaveText('2 of 5');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await pressed(page, 'Kites at the mere');
  await page.mouse.move(1200, 780);
  await page.mouse.up();
  await page
    .locator('main li')
    .last()
    .evaluate((one) => one.remove());
  await page.waitForTimeout(1100); // longer than a press lasts
  await page.getByRole('link', { name: 'Kites at the mere' }).press('Enter');
  await expect(page.locator('.enlarge-counter')).toHaveText('4 of 4');
});

test('another button, or a key held down, makes nothing ready', async ({ page }) => {
  const asked = await opened(page, `<ul>${items({ attributes: MARK })}</ul>`);
  await page.getByRole('link', { name: 'Kites at the reel' }).hover();
  await page.mouse.down({ button: 'right' });
  await page.mouse.up({ button: 'right' });
  await page.keyboard.down('Control');
  await page.mouse.down();
  await page.waitForTimeout(300);
  expect(asked).toEqual([]);
});

test('a part of the page stays where it is until it is opened', async ({ page }) => {
  await opened(page, `<ul>${item(0, { attributes: MARK })}</ul><a href="#why" data-enlarge>Why</a><p id="why">So.</p>`);
  await pressed(page, 'Why');
  await expect(page.locator('main > #why, body > #why')).toBeVisible();
  await page.mouse.up();
  await expect(page.locator('.enlarge-part #why')).toBeVisible();
});

test.describe('under a finger', () => {
  test.use({ hasTouch: true, viewport: { width: 390, height: 780 } });

  test('a scroll that begins on a thumbnail lets the file go again', async ({ page }) => {
    await opened(page, `<ul>${items({ attributes: MARK })}</ul><div style="height: 3000px"></div>`);
    await page.evaluate(() => {
      const seen = { pressed: 0, canceled: 0 };
      Object.assign(window, { seen });
      addEventListener('pointerdown', () => {
        seen.pressed += document.querySelectorAll('.enlarge-picture').length;
      });
      addEventListener('pointercancel', () => seen.canceled++);
    });
    await swipe(page, page.getByRole('link', { name: 'Kites at the reel' }), { y: -200 });
    await expect
      .poll(() => page.evaluate(() => (window as unknown as { seen: unknown }).seen))
      .toEqual({
        pressed: 1,
        canceled: 1,
      });
    await expect(page.locator('.enlarge-picture')).toHaveCount(0);
    await page.getByRole('link', { name: 'Kites at the reel' }).tap();
    await expect(page.locator('.enlarge-counter')).toHaveText('3 of 5');
    await expect(page.locator('.enlarge-stage')).toHaveAttribute('data-state', 'shown');
  });
});
