/** Viewers under real fingers, and on pages whose own styles reach for what they show. */
import type { Page } from '@playwright/test';
import { exported, items, SHOTS } from '../../viewerPages';
import { swipe } from '../../touch';
import { expect, test } from '../fixtures';

test.use({ hasTouch: true, viewport: { width: 390, height: 780 } });

test.describe('the lightbox under a finger', () => {
  const counter = (page: Page) => page.locator('.enlarge-counter');
  const stage = (page: Page) => page.locator('.enlarge-stage');

  test.beforeEach(async ({ page }) => {
    const { address } = await exported(
      ['lightbox'],
      `<ul>${items({ attributes: ' data-enlarge data-enlarge-group="g"' })}</ul>`,
    );
    await page.goto('about:blank');
    await page.goto(address);
    await page.getByRole('link').first().tap();
    await expect(counter(page)).toHaveText('1 of 5');
  });

  test('a swipe to the left is the next picture, one to the right the one before', async ({ page }) => {
    await swipe(page, stage(page), { x: -180 });
    await expect(counter(page)).toHaveText('2 of 5');
    await swipe(page, stage(page), { x: -180 });
    await expect(counter(page)).toHaveText('3 of 5');
    await swipe(page, stage(page), { x: 180 });
    await expect(counter(page)).toHaveText('2 of 5');
  });

  test('no sideways gesture in it is the browser’s, so that none leaves the page', async ({ page }) => {
    await swipe(page, stage(page), { x: 300 });
    await expect(counter(page)).toHaveText('1 of 5');
    await expect(page.getByRole('dialog')).toBeVisible();
    // What may be done is what all elements from the touched one upwards allow (Pointer Events §10, touch-action).
    const way = (selector: string) => page.locator(selector).evaluate((one) => getComputedStyle(one).touchAction);
    expect(await way('dialog')).toBe('pan-y pinch-zoom');
    expect(await way('.enlarge-stage')).toBe('none');
  });
});

test('the slideshow turns under a finger, and no link is followed', async ({ page }) => {
  const { address } = await exported(['slideshow'], `<ul data-slides data-slides-counter>${items()}</ul>`);
  await page.goto(address);
  await swipe(page, page.locator('.slides-stage'), { x: -180 });
  await expect(page.locator('.slides-counter')).toHaveText('2 of 5');
  await swipe(page, page.locator('.slides-stage'), { x: 180 });
  await expect(page.locator('.slides-counter')).toHaveText('1 of 5');
  expect(page.url()).toBe(address);
});

/** Styles as hand-written pages have them, after the viewer's own. */
const HOSTILE: Record<string, string> = {
  'a grid of thumbnails':
    '.gallery { display: grid; grid-template-columns: repeat(6, 1fr); gap: 12px } .gallery li { width: 173px }',
  'floats in columns': '#kites li { float: left; width: 25%; margin: 10px } #kites img { width: 150px; height: auto }',
  'flex with small pictures':
    'main #kites { display: flex; flex-wrap: wrap } main #kites > li { flex: 0 0 150px } main #kites li a img { max-width: 150px; max-height: 100px }',
};

for (const [viewer, marker] of [
  ['slideshow', 'data-slides'],
  ['opening', 'data-opening'],
] as const) {
  const now = viewer === 'slideshow' ? '.slides-set > :not([data-slides-away]) img' : '.opening-now img';
  const holder = viewer === 'slideshow' ? '.slides-stage' : '.opening';

  test.describe(`the ${viewer} on a page whose links lead to full-size files`, () => {
    test.use({ viewport: { width: 1280, height: 800 } });

    test('shows the full-size file, and asks for no more of them than are near', async ({ page }) => {
      const asked: string[] = [];
      page.on('request', (request) => asked.push(request.url()));
      const { address } = await exported(
        [viewer],
        `<ul class="gallery" id="kites" ${marker} ${marker}-play="off">${items()}</ul>`,
      );
      await page.goto(address);
      const shown = page.locator(now);
      await expect
        .poll(() =>
          shown.evaluate((image: HTMLImageElement) => [
            image.currentSrc.split('/').slice(-2).join('/'),
            image.naturalWidth,
          ]),
        )
        .toEqual([`large/${SHOTS[0][0]}.jpg`, SHOTS[0][1]]);
      const large = asked.filter((one) => one.includes('/large/'));
      expect(large.length).toBeGreaterThanOrEqual(1);
      expect(large.length).toBeLessThanOrEqual(3);
      await page.getByRole('button', { name: 'Next picture' }).click();
      await expect
        .poll(() =>
          page
            .locator(now)
            .last()
            .evaluate((image: HTMLImageElement) => image.currentSrc.split('/').slice(-2).join('/')),
        )
        .toBe(`large/${SHOTS[1][0]}.jpg`);
    });

    for (const [name, style] of Object.entries(HOSTILE)) {
      test(`fills its frame on a page with ${name}`, async ({ page }) => {
        const { address } = await exported(
          [viewer],
          `<ul class="gallery" id="kites" ${marker}>${items()}</ul>`,
          {},
          `<style>${style}</style>`,
        );
        await page.goto(address);
        const frame = await page.locator(holder).boundingBox();
        const picture = await page.locator(now).first().boundingBox();
        expect(picture?.width).toBeCloseTo(frame?.width ?? 0, 0);
        expect(picture?.height).toBeCloseTo(frame?.height ?? 0, 0);
      });
    }
  });
}
