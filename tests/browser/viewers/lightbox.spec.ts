/** Every option of the lightbox, on exported pages opened from disk. */
import type { Page } from '@playwright/test';
import { exported, item, items, SHOTS, video, watchShifts } from '../../viewerPages';
import { violations } from '../axe';
import { expect, test } from '../fixtures';

const MARK = ' data-enlarge data-enlarge-group="kites"';
const dialog = (page: Page) => page.getByRole('dialog');
const shown = (page: Page) => page.locator('.enlarge-stage[data-state="shown"]');
const first = (page: Page) => page.locator('main a').first();

async function opened(page: Page, body: string, more: Record<string, string | Buffer> = {}, head = ''): Promise<void> {
  const { address } = await exported(['lightbox'], body, more, head);
  await page.goto(address);
}

test('groups are apart, and a link without one opens alone', async ({ page }) => {
  await opened(
    page,
    `<ul>${item(0, { attributes: MARK })}${item(1, { attributes: ' data-enlarge data-enlarge-group="loft"' })}${item(2, { attributes: MARK })}${item(3, { attributes: ' data-enlarge' })}</ul>`,
  );
  await first(page).click();
  await expect(page.locator('.enlarge-counter')).toHaveText('1 of 2');
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('img', { name: 'Kites at the reel' }).last()).toBeVisible();
  await page.keyboard.press('Escape');
  await page.locator('main a').nth(3).click();
  await expect(page.locator('.enlarge-counter')).toHaveText('');
  await expect(page.getByRole('button', { name: 'Next picture' })).toBeHidden();
});

for (const [how, attribute, call] of [
  ['in the markup', '="off"', ''],
  ['in a start call', '', 'startLightbox({ counter: false, arrows: false, caption: "" });'],
] as const) {
  test(`counter, arrows and caption are taken away ${how}`, async ({ page }) => {
    const off = attribute ? ['counter', 'arrows', 'caption'].map((name) => ` data-enlarge-${name}="off"`).join('') : '';
    await opened(
      page,
      `<ul>${items({ attributes: MARK + off })}</ul>${call ? '<script src="start.js" defer></script>' : ''}`,
      { 'start.js': call },
    );
    await first(page).click();
    await expect(shown(page)).toBeVisible();
    await expect(page.locator('.enlarge-counter')).toHaveText('');
    await expect(page.getByRole('button', { name: 'Next picture' })).toBeHidden();
    await expect(page.locator('.enlarge-caption')).toHaveText('');
    await page.keyboard.press('ArrowRight');
    await expect(page.locator('.enlarge-picture')).toHaveAttribute('alt', 'Kites at the loft');
  });
}

test('a start call finds links by its selector, and its options are those of the page', async ({ page }) => {
  await opened(
    page,
    `<ul class="wall">${items({ attributes: ' data-enlarge-group="kites"' })}</ul><script src="start.js" defer></script>`,
    { 'start.js': "startLightbox('.wall a', { loop: true, captionFrom: 'alt' });" },
  );
  await first(page).click();
  await expect(page.locator('.enlarge-caption')).toHaveText('Kites at the meadow');
  await page.keyboard.press('ArrowLeft');
  await expect(page.locator('.enlarge-counter')).toHaveText('5 of 5');
});

test('a selector with a mistake is told at the call', async ({ page, expected }) => {
  expected.console.push(/./);
  const errors: string[] = [];
  page.on('pageerror', (error) => errors.push(error.message));
  await opened(page, `<ul>${items()}</ul><script src="start.js" defer></script>`, {
    'start.js': "startLightbox('..wall');",
  });
  expect(errors.join()).toContain("'..wall' is not a valid selector");
});

test('captions come from title, alt, figure caption or an attribute of its own, with a second line', async ({
  page,
}) => {
  const figure = (attributes: string) =>
    `<figure><a href="large/meadow.jpg" data-enlarge${attributes} title="From the title"><img src="small/meadow.jpg" width="90" height="60" alt="From the alt text"></a><figcaption>From the figure</figcaption></figure>`;
  await opened(
    page,
    [
      figure(''),
      figure(' data-enlarge-caption-from="title"'),
      figure(' data-enlarge-caption-from="alt"'),
      figure(' data-enlarge-caption="Its own" data-enlarge-description="And a second line"'),
    ].join('\n'),
  );
  for (const [n, words] of ['From the figure', 'From the title', 'From the alt text', 'Its own'].entries()) {
    await page.locator('main a').nth(n).click();
    await expect(page.locator('.enlarge-caption')).toContainText(words);
    await expect(page.locator('.enlarge-description')).toHaveText(n === 3 ? 'And a second line' : []);
    await page.keyboard.press('Escape');
  }
});

test('picture information stands behind a button', async ({ page }) => {
  await opened(
    page,
    `<ul>${item(0, { attributes: ' data-enlarge data-enlarge-info="Camera: Box camera; Copyright: © 2026 Tarrowby Kite Circle"' })}</ul>`,
  );
  await first(page).click();
  const button = page.getByRole('button', { name: 'About this picture' });
  await expect(page.locator('.enlarge-about')).toBeHidden();
  await expect(button).toHaveAttribute('aria-expanded', 'false');
  await button.click();
  await expect(page.getByRole('term')).toHaveText(['Camera', 'Copyright']);
  await expect(page.getByRole('definition')).toHaveText(['Box camera', '© 2026 Tarrowby Kite Circle']);
  expect(await violations(page)).toEqual([]);
});

test('a video, a part of the page and words are shown as pictures are', async ({ page }) => {
  const film = await video(page);
  await opened(
    page,
    `<p><a href="film.webm" data-enlarge data-enlarge-caption="A film">Film</a> <a href="#fly" data-enlarge>Part</a> <a href="#fly" data-enlarge data-enlarge-text="Let the line out slowly.">Words</a></p>\n<div id="fly" hidden><p>Back to the wind.</p></div>`,
    { 'film.webm': film },
  );
  await page.getByRole('link', { name: 'Film' }).click();
  await expect(shown(page)).toBeVisible();
  expect(
    await page.locator('video.enlarge-picture').evaluate((one: HTMLVideoElement) => [one.videoWidth, one.controls]),
  ).toEqual([64, true]);
  await page.keyboard.press('Escape');
  await page.getByRole('link', { name: 'Part' }).click();
  await expect(dialog(page).getByText('Back to the wind.')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.locator('main #fly')).toBeHidden();
  await expect(page.locator('main #fly')).toHaveText('Back to the wind.');
  await page.getByRole('link', { name: 'Words' }).click();
  await expect(dialog(page).getByText('Let the line out slowly.')).toBeVisible();
  expect(await violations(page)).toEqual([]);
});

test('a link elsewhere opens a picture by its address, on this page and from another', async ({ page }) => {
  const body = `<ul>${item(0, { attributes: MARK })}${item(1, { attributes: `${MARK} id="loft"` })}</ul><p><a href="#loft">The loft</a></p>`;
  const { address } = await exported(['lightbox'], body);
  await page.goto(address);
  await page.getByRole('link', { name: 'The loft', exact: true }).last().click();
  await expect(page.locator('.enlarge-counter')).toHaveText('2 of 2');
  await page.keyboard.press('Escape');
  // A name that cannot be read is none.
  await page.evaluate(() => (location.hash = '#%'));
  await expect(dialog(page)).toBeHidden();
  await page.goto('about:blank');
  await page.goto(`${address}#loft`);
  await expect(page.locator('.enlarge-picture')).toHaveAttribute('alt', 'Kites at the loft');
});

test('one opens by itself when the page has loaded', async ({ page }) => {
  await opened(
    page,
    `<ul>${item(0, { attributes: MARK })}${item(2, { attributes: `${MARK} data-enlarge-open="load"` })}</ul>`,
  );
  await expect(page.locator('.enlarge-picture')).toHaveAttribute('alt', 'Kites at the reel');
  await page.keyboard.press('Escape');
  await expect(dialog(page)).toBeHidden();
});

test('small ones stand side by side at set places, and each closes by itself', async ({ page }) => {
  const places = ['bottom left', 'bottom centre', 'top right'];
  await opened(
    page,
    `<ul style="margin-top: 20rem; display: flex">${places.map((place, n) => item(n, { attributes: ` data-enlarge data-enlarge-place="${place}"` })).join('')}</ul>`,
  );
  for (const n of [0, 1, 2])
    await page
      .locator('main a')
      .nth(n)
      .evaluate((link: HTMLElement) => link.click());
  await expect(page.locator('dialog[open]')).toHaveCount(3);
  const boxes = await page
    .locator('dialog[open]')
    .evaluateAll((all) => all.map((one) => one.getBoundingClientRect().toJSON() as DOMRect));
  expect(boxes[0]!.left).toBeLessThan(20);
  expect(boxes[0]!.bottom).toBeGreaterThan(780);
  expect(Math.abs((boxes[1]!.left + boxes[1]!.right) / 2 - 640)).toBeLessThan(2);
  expect(boxes[2]!.right).toBeGreaterThan(1260);
  expect(boxes[2]!.top).toBeLessThan(20);
  await page
    .locator('main a')
    .first()
    .evaluate((link: HTMLElement) => link.click());
  await expect(page.locator('dialog[open]')).toHaveCount(3);
  await page.locator('dialog[open]').nth(1).getByRole('button', { name: 'Close' }).click();
  await expect(page.locator('dialog[open]')).toHaveCount(2);
  await page.locator('dialog[open]').first().getByRole('button', { name: 'Close' }).focus();
  await page.keyboard.press('Escape');
  await expect(page.locator('dialog[open]')).toHaveCount(1);
  expect(await violations(page)).toEqual([]);
});

test('full screen and a tab of its own', async ({ page, context }) => {
  await opened(
    page,
    `<ul>${item(0, { attributes: `${MARK} data-enlarge-full data-enlarge-tab` })}${item(1, { attributes: MARK })}</ul>`,
  );
  await first(page).click();
  await page.getByRole('button', { name: 'Full screen' }).click();
  await expect.poll(() => page.evaluate(() => document.fullscreenElement?.className)).toBe('enlarge-inside');
  await page.evaluate(() => document.exitFullscreen());
  const [tab] = await Promise.all([
    context.waitForEvent('page'),
    page.getByRole('link', { name: 'Open in a tab of its own' }).click(),
  ]);
  expect(tab.url()).toContain('large/meadow.jpg');
  await tab.close();
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('button', { name: 'Full screen' })).toBeHidden();
  await expect(page.getByRole('link', { name: 'Open in a tab of its own' })).toBeHidden();
});

test('the full-size file is asked for only when it is, and its neighbours not where ahead is off', async ({ page }) => {
  const asked: string[] = [];
  page.on('request', (request) => asked.push(request.url().replace(/^.*\/(?=large|small)/, '')));
  await opened(page, `<ul>${items({ attributes: `${MARK} data-enlarge-ahead="off"` })}</ul>`);
  expect(asked.filter((name) => name.startsWith('large/'))).toEqual([]);
  await page.locator('main a').nth(1).click();
  await expect(shown(page)).toBeVisible();
  expect(asked.filter((name) => name.startsWith('large/'))).toEqual(['large/loft.jpg']);
});

test('the look follows its custom properties', async ({ page }) => {
  const look =
    '<style>.enlarge { --enlarge-ground: rgb(10 20 30 / 0.5); --enlarge-backdrop: url("small/mere.jpg"); --enlarge-padding: 40px; --enlarge-corner: 9px; --enlarge-shadow: 0 0 10px rgb(1 2 3); --enlarge-caption-ground: rgb(4 5 6); --enlarge-ink: rgb(250 240 230); }</style>';
  await opened(page, `<ul>${items({ attributes: MARK })}</ul>`, {}, look);
  await first(page).click();
  await expect(shown(page)).toBeVisible();
  const style = (selector: string, name: string) =>
    page.locator(selector).evaluate((element, property) => getComputedStyle(element).getPropertyValue(property), name);
  expect(await style('.enlarge', 'background-color')).toBe('rgba(10, 20, 30, 0.5)');
  expect(await style('.enlarge', 'background-image')).toContain('small/mere.jpg');
  expect(await style('.enlarge-stage', 'margin-top')).toBe('40px');
  expect(await style('.enlarge', 'color')).toBe('rgb(250, 240, 230)');
  expect(await style('.enlarge-picture', 'border-top-left-radius')).toBe('9px');
  expect(await style('.enlarge-picture', 'box-shadow')).toBe('rgb(1, 2, 3) 0px 0px 10px 0px');
  expect(await style('.enlarge-caption', 'background-color')).toBe('rgb(4, 5, 6)');
});

test('nothing shifts, every picture fits at phone width, and without script each link opens its picture', async ({
  page,
  browser,
}) => {
  await page.setViewportSize({ width: 375, height: 700 });
  const shifts = await watchShifts(page);
  const { address } = await exported(['lightbox'], `<ul>${items({ attributes: MARK })}</ul>`);
  await page.goto(address);
  await first(page).click();
  for (let n = 0; n < SHOTS.length; n++) {
    await expect(shown(page)).toBeVisible();
    const box = (await page.locator('.enlarge-picture').boundingBox())!;
    expect(box.x).toBeGreaterThanOrEqual(0);
    expect(box.x + box.width).toBeLessThanOrEqual(375);
    expect(box.y + box.height).toBeLessThanOrEqual(700);
    await page.keyboard.press('ArrowRight');
  }
  expect(await shifts()).toBe(0);
  const bare = await browser.newContext({ javaScriptEnabled: false });
  const still = await bare.newPage();
  await still.goto(address);
  await still.locator('main a').nth(1).click();
  await expect(still).toHaveURL(/large\/loft\.jpg$/);
  await bare.close();
});
