/** The lightbox as visitors use it: fingers, history, focus, late and broken files, on exported pages from disk. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import { exported, item, items, SHOTS } from '../../viewerPages';
import { fingers, middleOf, swipe, tap } from '../../touch';
import { violations } from '../axe';
import { expect, test } from '../fixtures';

const MARK = ' data-enlarge data-enlarge-group="kites"';
const dialog = (page: Page) => page.getByRole('dialog');
const counter = (page: Page) => page.locator('.enlarge-counter');
const stage = (page: Page) => page.locator('.enlarge-stage');
const picture = (page: Page) => page.locator('img.enlarge-picture');
const shown = (page: Page) => page.locator('.enlarge-stage[data-state="shown"]');
const link = (page: Page, n = 0) => page.locator('main a').nth(n);
const fileShown = (page: Page) =>
  picture(page).evaluate((one: HTMLImageElement) => one.currentSrc.split('/').slice(-2).join('/'));

async function opened(page: Page, body: string, more: Record<string, string | Buffer> = {}, head = '') {
  const { address, folder } = await exported(['lightbox'], body, more, head);
  await page.goto('about:blank');
  await page.goto(address);
  return { address, folder };
}

const scaleOf = (page: Page) =>
  page
    .locator('.enlarge-frame')
    .evaluate(
      (one) => new DOMMatrix(getComputedStyle(one).transform === 'none' ? '' : getComputedStyle(one).transform).a,
    );

test.describe('under fingers', () => {
  test.use({ hasTouch: true, viewport: { width: 390, height: 780 } });

  test.beforeEach(async ({ page }) => {
    await page.emulateMedia({ reducedMotion: 'reduce' });
    await opened(page, `<ul>${items({ attributes: MARK })}</ul>`);
    await link(page).tap();
    await expect(shown(page)).toBeVisible();
  });

  test('a wide picture is as wide as the window', async ({ page }) => {
    const box = await picture(page).boundingBox();
    expect(box?.width).toBe(390);
    expect(box?.x).toBe(0);
  });

  test('a swipe follows the finger and springs back where it is too short', async ({ page }) => {
    await swipe(page, stage(page), { x: -30 }, async () => {
      const moved = () => page.locator('.enlarge-frame').evaluate((one) => one.style.transform);
      await expect.poll(moved).toBe('translateX(-30px)');
    });
    await expect(counter(page)).toHaveText('1 of 5');
    expect(await page.locator('.enlarge-frame').evaluate((one) => one.style.transform)).toBe('');
    await swipe(page, stage(page), { x: -160 });
    await expect(counter(page)).toHaveText('2 of 5');
  });

  test('down closes, up does not', async ({ page }) => {
    await swipe(page, stage(page), { y: -200 });
    await expect(dialog(page)).toBeVisible();
    await swipe(page, stage(page), { y: 200 });
    await expect(dialog(page)).toBeHidden();
    await expect(link(page)).toBeFocused();
  });

  test('two fingers enlarge to the picture’s own pixels and no further, and one moves it', async ({ page }) => {
    const { x, y } = await middleOf(stage(page));
    await fingers(page, [
      [
        { x: x - 20, y },
        { x: x - 150, y },
      ],
      [
        { x: x + 20, y },
        { x: x + 150, y },
      ],
    ]);
    expect(await scaleOf(page)).toBeCloseTo(SHOTS[0][1] / 390, 2);
    const before = await picture(page).boundingBox();
    await swipe(page, stage(page), { x: -60 });
    expect((await picture(page).boundingBox())?.x).toBeCloseTo((before?.x ?? 0) - 60, 0);
    await expect(counter(page)).toHaveText('1 of 5');
    // It never leaves its edge behind.
    for (let n = 0; n < 6; n++) await swipe(page, stage(page), { x: -180 });
    const far = await picture(page).boundingBox();
    expect((far?.x ?? 0) + (far?.width ?? 0)).toBeCloseTo(390, 0);
  });

  test('two taps enlarge at their place, and two more end it', async ({ page }) => {
    const at = await middleOf(stage(page));
    await tap(page, at);
    await tap(page, at);
    expect(await scaleOf(page)).toBeCloseTo(SHOTS[0][1] / 390, 2);
    await page.waitForTimeout(400); // the taps before are forgotten
    await tap(page, at);
    await tap(page, at);
    expect(await scaleOf(page)).toBe(1);
    await expect(dialog(page)).toBeVisible();
  });
});

test('a wheel with Ctrl over the picture enlarges it, elsewhere the page’s zoom stays the browser’s', async ({
  page,
}) => {
  await page.emulateMedia({ reducedMotion: 'reduce' });
  await page.setViewportSize({ width: 600, height: 500 });
  await opened(page, `<ul>${items({ attributes: MARK })}</ul>`);
  await link(page).click();
  await expect(shown(page)).toBeVisible();
  const wheel = (selector: string) =>
    page.locator(selector).evaluate((one) => {
      const event = new WheelEvent('wheel', { deltaY: -60, ctrlKey: true, bubbles: true, cancelable: true });
      one.dispatchEvent(event);
      return event.defaultPrevented;
    });
  expect(await wheel('.enlarge-foot')).toBe(false);
  expect(await scaleOf(page)).toBe(1);
  expect(await wheel('img.enlarge-picture')).toBe(true);
  expect(await scaleOf(page)).toBeGreaterThan(1.3);
});

test('keys enlarge, move and end it; a key with Ctrl, Alt or Meta is the browser’s', async ({ page }) => {
  await page.emulateMedia({ reducedMotion: 'reduce' });
  await page.setViewportSize({ width: 600, height: 500 });
  await opened(page, `<ul>${items({ attributes: MARK })}</ul>`);
  await link(page).click();
  await expect(shown(page)).toBeVisible();
  await page.keyboard.press('+');
  expect(await scaleOf(page)).toBeGreaterThan(1.2);
  const before = await picture(page).boundingBox();
  await page.keyboard.press('ArrowRight');
  expect((await picture(page).boundingBox())?.x).toBeLessThan(before?.x ?? 0);
  await expect(counter(page)).toHaveText('1 of 5');
  await page.keyboard.press('0');
  expect(await scaleOf(page)).toBe(1);
  for (const key of ['Alt+ArrowRight', 'Control+ArrowRight', 'Meta+ArrowRight']) await page.keyboard.press(key);
  await expect(counter(page)).toHaveText('1 of 5');
  await page.keyboard.press('ArrowRight');
  await expect(counter(page)).toHaveText('2 of 5');
});

test.describe('the history', () => {
  const body = `<ul>${items({ attributes: MARK })}</ul>`;

  test('Back closes it and stays on the page; once more leaves', async ({ page }) => {
    const { address } = await opened(page, body);
    await link(page).click();
    await expect(dialog(page)).toBeVisible();
    await page.keyboard.press('ArrowRight');
    await page.goBack();
    await expect(dialog(page)).toBeHidden();
    expect(page.url()).toBe(address);
    await expect(link(page)).toBeFocused();
    await page.goBack();
    expect(page.url()).toBe('about:blank');
  });

  test('closing leaves nothing behind, however often', async ({ page }) => {
    const { address } = await opened(page, body);
    for (let n = 0; n < 4; n++) {
      await link(page, n).click();
      await expect(shown(page)).toBeVisible();
      await page.keyboard.press('Escape');
      await expect(dialog(page)).toBeHidden();
      await expect.poll(() => page.evaluate(() => history.state as unknown)).toBeNull();
    }
    expect(page.url()).toBe(address);
    await page.goBack();
    expect(page.url()).toBe('about:blank');
  });

  test('each picture has an address where the author wants one, which opens it', async ({ page }) => {
    const { address } = await opened(page, `<div data-enlarge-address>${body}</div>`);
    await link(page).click();
    expect(page.url()).toBe(`${address}#meadow.jpg`);
    await page.keyboard.press('ArrowRight');
    expect(page.url()).toBe(`${address}#loft.jpg`);
    await page.goBack();
    expect(page.url()).toBe(address);
    await page.goto('about:blank');
    await page.goto(`${address}#reel.jpg`);
    await expect(counter(page)).toHaveText('3 of 5');
  });

  test('a link to a picture’s name opens it as often as it is clicked', async ({ page }) => {
    await opened(page, `<ul>${item(0, { attributes: `${MARK} id="lark"` })}</ul><p><a href="#lark">Lark</a></p>`);
    for (let n = 0; n < 3; n++) {
      await page.getByRole('link', { name: 'Lark', exact: true }).click();
      await expect(dialog(page)).toBeVisible();
      await page.keyboard.press('Escape');
      await expect(dialog(page)).toBeHidden();
    }
  });

  test('in a frame it leaves the history to the page around it', async ({ page }) => {
    const { folder } = await opened(page, body, {
      'around.html': '<!DOCTYPE html><title>Around</title><iframe src="index.html" title="Inside"></iframe>',
    });
    await page.goto(`file://${folder}/around.html`);
    const before = await page.evaluate(() => history.length);
    await page.frameLocator('iframe').locator('main a').first().click();
    await expect(page.frameLocator('iframe').getByRole('dialog')).toBeVisible();
    expect(await page.evaluate(() => history.length)).toBe(before);
  });
});

test.describe('the focus', () => {
  test('stays inside at the ends, where an arrow rests', async ({ page }) => {
    await opened(page, `<ul>${items({ attributes: MARK })}</ul>`);
    await link(page, 3).click();
    const next = page.getByRole('button', { name: 'Next picture' });
    await next.focus();
    await page.keyboard.press('Enter');
    await expect(counter(page)).toHaveText('5 of 5');
    await expect(next).toBeFocused();
    await expect(next).toHaveAttribute('aria-disabled', 'true');
    await page.keyboard.press('Enter');
    await expect(counter(page)).toHaveText('5 of 5');
  });

  test('goes on where a button goes that has it, and Tab goes by what rests', async ({ page }) => {
    await opened(
      page,
      `<ul>${item(0, { attributes: `${MARK} data-enlarge-tab` })}${item(1, { attributes: MARK })}</ul>`,
    );
    await link(page).click();
    await page.getByRole('link', { name: 'Open in a tab of its own' }).focus();
    await page.keyboard.press('ArrowRight');
    await expect(page.getByRole('button', { name: 'Close' })).toBeFocused();
  });

  test('goes to the picture’s link, or to another, where what opened it has gone', async ({ page }) => {
    await opened(page, `<ul>${items({ attributes: MARK })}</ul>`);
    await link(page).click();
    await expect(dialog(page)).toBeVisible();
    await page.keyboard.press('ArrowRight');
    await page.evaluate(() => document.querySelector('main li')?.remove());
    await page.keyboard.press('Escape');
    await expect(page.getByRole('link', { name: 'Kites at the loft' })).toBeFocused();
  });
});

test('full screen that is closed by the button ends, and the page answers', async ({ page }) => {
  await opened(page, `<ul>${items({ attributes: `${MARK} data-enlarge-full` })}</ul>`);
  await link(page).click();
  await page.getByRole('button', { name: 'Full screen' }).click();
  await expect.poll(() => page.evaluate(() => document.fullscreenElement !== null)).toBe(true);
  await page.getByRole('button', { name: 'Close' }).click();
  await expect.poll(() => page.evaluate(() => document.fullscreenElement)).toBeNull();
  await link(page, 2).click();
  await expect(counter(page)).toHaveText('3 of 5');
});

test('what comes too late touches nothing: neither a file nor its failing', async ({ page, expected }) => {
  expected.console.push(/./);
  const { address } = await exported(['lightbox'], `<ul>${items({ attributes: MARK })}</ul>`);
  const waiting: (() => void)[] = [];
  await page.route(/large\/(meadow|loft)\.jpg/, async (route) => {
    await new Promise<void>((resolve) => waiting.push(resolve));
    await (route.request().url().includes('meadow') ? route.abort() : route.continue());
  });
  await page.goto(address);
  await link(page).click();
  await expect(stage(page)).toHaveAttribute('data-state', 'loading');
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('ArrowRight');
  await expect(shown(page)).toBeVisible();
  waiting.forEach((go) => go());
  await page.waitForTimeout(200); // for what must not happen
  await expect(shown(page)).toBeVisible();
  expect(await fileShown(page)).toBe('large/reel.jpg');
});

test('a missing file says so with its name, over its thumbnail, and the way on is there', async ({
  page,
  expected,
}) => {
  expected.console.push(/./);
  await opened(
    page,
    `<ul>${item(0, { attributes: MARK }).replace('large/meadow', 'large/gone')}${item(1, { attributes: MARK })}</ul>`,
  );
  await link(page).click();
  await expect(page.getByText('This picture could not be loaded. gone.jpg')).toBeVisible();
  await expect(page.locator('.enlarge-placeholder')).toBeVisible();
  await page.getByRole('button', { name: 'Next picture' }).click();
  await expect(shown(page)).toBeVisible();
});

test('captions keep their links, and nothing is there twice by its id', async ({ page }) => {
  await opened(
    page,
    `<figure><a href="large/meadow.jpg" data-enlarge><img src="small/meadow.jpg" alt=""></a><figcaption>By <a id="who" href="makers.html">the <em>makers</em></a></figcaption></figure>`,
    { 'makers.html': '<!DOCTYPE html><title>Makers</title>' },
  );
  await link(page).click();
  await expect(page.locator('.enlarge-caption').getByRole('link', { name: 'the makers' })).toBeVisible();
  expect(await page.locator('#who').count()).toBe(1);
  await page.locator('.enlarge-caption').getByRole('link').click();
  await expect(page).toHaveURL(/makers\.html$/);
});

test('a long caption can be scrolled by keys, and the picture keeps its room', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 700 });
  const long = 'Kites over the long field. '.repeat(60);
  await opened(page, `<ul>${item(0, { attributes: `${MARK} data-enlarge-caption="${long}"` })}</ul>`);
  await link(page).click();
  await expect(shown(page)).toBeVisible();
  const caption = page.getByRole('group', { name: 'Caption' });
  await caption.focus();
  await page.keyboard.press('End');
  await expect.poll(() => caption.evaluate((one) => one.scrollTop)).toBeGreaterThan(0);
  expect((await picture(page).boundingBox())?.height).toBeGreaterThan(150);
  expect(await violations(page)).toEqual([]);
});

test('a strip of thumbnails, play and pause, a caption that hides, a file to save, a link on', async ({ page }) => {
  await page.clock.install();
  const all =
    ' data-enlarge-strip data-enlarge-play data-enlarge-interval="2" data-enlarge-fold data-enlarge-download data-enlarge-link="order.html" data-enlarge-link-says="Order a print"';
  await opened(page, `<ul>${items({ attributes: MARK + all })}</ul>`);
  await link(page).click();
  await expect(shown(page)).toBeVisible();
  const picks = page.locator('.enlarge-strip button');
  await expect(picks).toHaveCount(5);
  await page.getByRole('button', { name: '3 of 5: Kites at the reel' }).click();
  await expect(counter(page)).toHaveText('3 of 5');
  await expect(picks.nth(2)).toHaveAttribute('aria-current', 'true');
  const small = await picks
    .nth(2)
    .locator('img')
    .evaluate((one: HTMLImageElement) => one.src);
  expect(small).toContain('small/reel.jpg');
  await page.getByRole('button', { name: 'Play' }).click();
  await expect(shown(page)).toBeVisible();
  await page.clock.runFor(2500);
  await expect(counter(page)).toHaveText('4 of 5');
  await page.getByRole('button', { name: 'Pause' }).click();
  await page.clock.runFor(9000);
  await expect(counter(page)).toHaveText('4 of 5');
  await page.getByRole('button', { name: 'Hide the caption' }).click();
  await expect(page.locator('.enlarge-line')).toBeHidden();
  await page.getByRole('button', { name: 'Hide the caption' }).click();
  await expect(page.getByRole('link', { name: 'Order a print' })).toHaveAttribute('href', 'order.html');
  await expect(page.getByRole('link', { name: 'Save the file' })).toHaveAttribute('download', 'mere.jpg');
  expect(await violations(page)).toEqual([]);
});

test('a start call makes a group with options of its own', async ({ page }) => {
  await opened(
    page,
    `<ul class="wall">${items()}</ul><ol>${items({ attributes: MARK })}</ol><script src="start.js" defer></script>`,
    { 'start.js': "startLightbox('.wall a', { counter: false, loop: true });" },
  );
  await link(page).click();
  await expect(dialog(page)).toHaveAccessibleName('The meadow, 1 of 5');
  await expect(counter(page)).toHaveText('');
  await page.keyboard.press('ArrowLeft');
  await expect(dialog(page)).toHaveAccessibleName('The tail, 5 of 5');
  await page.keyboard.press('Escape');
  await link(page, 5).click();
  await expect(counter(page)).toHaveText('1 of 5');
  await page.keyboard.press('ArrowLeft');
  await expect(counter(page), 'the other group does not go round').toHaveText('1 of 5');
});

test('a step is told with its caption to who cannot see it', async ({ page }) => {
  await opened(page, `<ul>${items({ attributes: MARK })}</ul>`);
  await link(page).click();
  await expect(dialog(page)).toBeVisible();
  await page.keyboard.press('ArrowRight');
  await expect(page.locator('.enlarge-said')).toHaveText('The loft, 2 of 5');
  await expect(dialog(page)).toHaveAccessibleName('The loft, 2 of 5');
});

test('words come from the script’s tag', async ({ page }) => {
  const site = await exported(['lightbox'], `<ul>${items({ attributes: MARK })}</ul>`, {}, '');
  // As it is written: a live page has the lightbox's own box in it.
  const german = readFileSync(join(site.folder, 'index.html'), 'utf8').replace(
    '<script src="viewer/lightbox.js"',
    '<script data-words="close: Schließen; next: Nächstes Bild; count: {n} von {all}" src="viewer/lightbox.js"',
  );
  const { address } = await exported(['lightbox'], '', { 'de.html': german });
  await page.goto(address.replace('index', 'de'));
  await link(page).click();
  await expect(page.getByRole('button', { name: 'Schließen' })).toBeFocused();
  await expect(page.getByRole('button', { name: 'Nächstes Bild' })).toBeVisible();
  await expect(counter(page)).toHaveText('1 von 5');
});

test('what is made ready while nobody waits is not noticed', async ({ page }) => {
  const asked: string[] = [];
  page.on('request', (request) => asked.push(request.url()));
  const policy = `<meta http-equiv="Content-Security-Policy" content="default-src 'self' file:">`;
  await opened(page, `<ul>${items({ attributes: MARK })}</ul>`, {}, policy);
  const steps = await page.evaluate(() => history.length);
  // That it was made ready: the box is on the page before anybody has clicked.
  await expect(page.locator('dialog.enlarge')).toBeAttached();
  await expect(page.locator('dialog.enlarge')).toBeHidden();
  expect(asked.filter((one) => one.includes('/large/'))).toEqual([]);
  expect(await page.evaluate(() => [document.activeElement?.tagName, history.length])).toEqual(['BODY', steps]);
  expect(await stage(page).getAttribute('aria-busy')).toBe('false');
  expect(await page.locator('.enlarge-frame').evaluate((one) => one.childElementCount)).toBe(0);
  await link(page, 1).click();
  await expect(counter(page)).toHaveText('2 of 5');
  expect(await fileShown(page)).toBe('large/loft.jpg');
});

test('of the files that a thumbnail offers the browser chooses the best for the place', async ({ page }) => {
  const offered = `<a href="large/mere.jpg" data-enlarge><picture><source srcset="small/mere.jpg 90w, large/mere.jpg 1200w" sizes="90px" type="image/jpeg"><img src="small/mere.jpg" alt="The mere"></picture></a>`;
  const other = item(0, { attributes: MARK, tag: 'p' }).replace(
    'src="small/',
    'srcset="small/meadow.jpg 90w" src="small/',
  );
  await opened(page, `${offered}${other}`);
  await link(page).click();
  await expect(shown(page)).toBeVisible();
  expect(await fileShown(page)).toBe('large/mere.jpg');
  await page.keyboard.press('Escape');
  // What is offered without the file that the link leads to is for the thumbnail alone.
  await link(page, 1).click();
  await expect(shown(page)).toBeVisible();
  expect(await fileShown(page)).toBe('large/meadow.jpg');
});
