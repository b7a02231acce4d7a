/** Every option of the slideshow, on exported pages opened from disk, and the ARIA carousel pattern. */
import type { Locator, Page } from '@playwright/test';
import { exported, item, items, SHOTS, video, watchShifts } from '../../viewerPages';
import { violations } from '../axe';
import { expect, test, framesOn } from '../fixtures';

const list = (attributes = '', inside = items({ large: true })) => `<ul data-slides${attributes}>\n${inside}\n</ul>`;
const slides = (page: Page) => page.locator('.slides-set > *');
const now = (page: Page) => page.locator('.slides-set > :not([data-slides-away])');
const next = (page: Page) => page.getByRole('button', { name: 'Next picture' });
const boxOf = async (locator: Locator) => (await locator.boundingBox())!;

async function opened(page: Page, body: string, more: Record<string, string | Buffer> = {}, head = ''): Promise<void> {
  const { address } = await exported(['slideshow'], body, more, head);
  await page.goto(address);
}

/** After the transition. */
async function settled(page: Page): Promise<void> {
  await expect(now(page)).toHaveCount(1);
}

test('shows one picture at a time, steps both ways, and goes round', async ({ page }) => {
  await opened(page, list());
  await settled(page);
  for (let n = 0; n < SHOTS.length; n++) {
    await expect(slides(page).nth(n)).toBeVisible();
    await expect(page.locator('.slides-caption')).toHaveText(`The ${SHOTS[n]![0]}`);
    await next(page).click();
    await settled(page);
  }
  await expect(slides(page).first()).toBeVisible();
  await page.getByRole('button', { name: 'Previous picture' }).click();
  await expect(slides(page).last()).toBeVisible();
});

for (const [how, attributes, call] of [
  [
    'in the markup',
    ' data-slides-arrows="off" data-slides-picker="none" data-slides-caption="off" data-slides-counter data-slides-loop="off" data-slides-label="Kites of May"',
    '',
  ],
  [
    'in a start call',
    '',
    "startSlides('ul', { arrows: false, picker: 'none', caption: false, counter: true, loop: false, label: 'Kites of May' });",
  ],
] as const) {
  test(`arrows, picker, caption, counter, loop and label are set ${how}`, async ({ page }) => {
    await opened(
      page,
      `${call ? list().replace(' data-slides', '') : list(attributes)}${call ? '<script src="start.js" defer></script>' : ''}`,
      { 'start.js': call },
    );
    await settled(page);
    await expect(page.getByRole('region', { name: 'Kites of May' })).toBeVisible();
    await expect(next(page)).toHaveCount(0);
    await expect(page.locator('.slides-picker')).toHaveCount(0);
    await expect(page.locator('.slides-caption')).toHaveCount(0);
    await expect(page.locator('.slides-counter')).toHaveText('1 of 5');
    await slides(page).first().getByRole('link').focus();
    await page.keyboard.press('ArrowLeft');
    await expect(page.locator('.slides-counter')).toHaveText('1 of 5');
    await page.keyboard.press('ArrowRight');
    await expect(page.locator('.slides-counter')).toHaveText('2 of 5');
  });
}

for (const picker of ['dots', 'thumbnails']) {
  test(`${picker} choose a picture`, async ({ page }) => {
    await opened(page, list(` data-slides-picker="${picker}"`));
    const picks = page.locator('.slides-picker button');
    await expect(picks).toHaveCount(5);
    await expect(picks.locator('img')).toHaveCount(picker === 'dots' ? 0 : 5);
    await picks.nth(3).click();
    await settled(page);
    await expect(slides(page).nth(3)).toBeVisible();
    await expect(picks.nth(3)).toHaveAttribute('aria-current', 'true');
    await expect(picks.first()).toHaveAttribute('aria-current', 'false');
    expect(await violations(page)).toEqual([]);
  });
}

test('only the strip: all small pictures in one row that scrolls', async ({ page }) => {
  await opened(page, list(' data-slides-picker="strip"'));
  await expect(now(page)).toHaveCount(5);
  await expect(page.getByRole('button')).toHaveCount(0);
  const tops = await slides(page).evaluateAll((all) => all.map((one) => Math.round(one.getBoundingClientRect().top)));
  expect(new Set(tops).size).toBe(1);
  expect((await boxOf(page.locator('.slides-frame'))).height).toBeLessThan(110);
  expect(await violations(page)).toEqual([]);
});

test('plays, pauses by its button, and waits while the pointer or the keyboard is on it', async ({ page }) => {
  await page.clock.install();
  await opened(page, list(' data-slides-play data-slides-interval="0.4" data-slides-effect="cut" data-slides-counter'));
  const counter = page.locator('.slides-counter');
  await expect(counter).not.toHaveText('1 of 5');
  await expect(page.locator('.slides-stage')).toHaveAttribute('aria-live', 'off');
  const stays = async () => {
    const before = await counter.textContent();
    await page.clock.runFor(5000);
    await expect(counter).toHaveText(before ?? '');
  };
  await page.locator('.slides-frame').hover();
  await stays();
  await page.mouse.move(5, 5);
  const was = await counter.textContent();
  await expect(counter).not.toHaveText(was ?? '');
  await page.keyboard.press('Tab');
  expect(
    await page.evaluate(() => document.activeElement?.getAttribute('aria-label')),
    'the rotation control is the first stop',
  ).toBe('Pause');
  await stays();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: 'Play' })).toBeFocused();
  await expect(page.locator('.slides-stage')).toHaveAttribute('aria-live', 'polite');
  await page.getByRole('heading', { level: 1 }).click();
  await stays();
});

test('stands still for visitors who ask for less motion, until they start it', async ({ page }) => {
  await page.emulateMedia({ reducedMotion: 'reduce' });
  await page.clock.install();
  await opened(page, list(' data-slides-play data-slides-interval="0.3" data-slides-counter'));
  await page.clock.runFor(5000);
  await expect(page.locator('.slides-counter')).toHaveText('1 of 5');
  await next(page).click();
  expect(await page.evaluate(() => document.getAnimations().length)).toBe(0);
  await page.getByRole('button', { name: 'Play' }).click();
  await page.mouse.move(5, 5);
  await page.evaluate(() => (document.activeElement as HTMLElement).blur());
  await expect(page.locator('.slides-counter')).not.toHaveText('2 of 5');
});

/** What moves in each transition, and what it is at its beginning. */
const EFFECTS: readonly [string, RegExp | null, RegExp | null][] = [
  ['cut', null, null],
  ['fade', null, /^0(\.\d+)?$/],
  ['side', /^matrix\(1, 0, 0, 1, [\d.]+, 0\)$/, null],
  ['up', /^matrix\(1, 0, 0, 1, 0, [\d.]+\)$/, null],
  ['grow', /^matrix\(0\.[6-9]/, /^0(\.\d+)?$/],
  ['shrink', /^matrix\(1\.[1-5]/, /^0(\.\d+)?$/],
];

for (const [effect, transform, opacity] of EFFECTS) {
  test(`the effect ${effect}`, async ({ page }) => {
    await opened(page, list(` data-slides-effect="${effect}"`));
    await settled(page);
    const beginning = await page.evaluate(() => {
      document.querySelector<HTMLElement>('.slides-next')!.click();
      document.getAnimations().forEach((animation) => {
        animation.pause();
        animation.currentTime = 60;
      });
      const coming = document.querySelectorAll<HTMLElement>('.slides-set > *')[1]!;
      const { transform, opacity } = getComputedStyle(coming);
      return { transform, opacity, moving: document.getAnimations().length };
    });
    expect(beginning.moving).toBe(effect === 'cut' ? 0 : 2);
    if (transform) expect(beginning.transform).toMatch(transform);
    else expect(beginning.transform).toBe('none');
    if (opacity) expect(beginning.opacity).toMatch(opacity);
    else expect(beginning.opacity).toBe('1');
    await page.evaluate(() => document.getAnimations().forEach((animation) => animation.finish()));
    await settled(page);
    await expect(slides(page).nth(1)).toBeVisible();
  });
}

for (const fit of ['crop', 'whole']) {
  test(`pictures of other shapes do not move the page: ${fit}`, async ({ page }) => {
    await opened(
      page,
      `${list(` data-slides-fit="${fit}" data-slides-effect="cut"`)}\n<p id="after">After</p>`,
      {},
      '<style>:root { --slides-height: 300px }</style>',
    );
    const after = await boxOf(page.locator('#after'));
    for (let n = 0; n < SHOTS.length; n++) {
      const image = now(page).locator('img');
      await expect(image).toHaveJSProperty('complete', true);
      const [, width, height] = SHOTS[n]!;
      const frame = await boxOf(page.locator('.slides-stage'));
      const { fitted, ground } = await image.evaluate((one: HTMLImageElement) => ({
        fitted: getComputedStyle(one).objectFit,
        ground: [one, one.parentElement!, document.querySelector('.slides-frame')!].map(
          (part) => getComputedStyle(part).backgroundColor,
        ),
      }));
      expect(fitted).toBe(fit === 'crop' ? 'cover' : 'contain');
      expect(ground, 'no bars of colour').toEqual(Array(3).fill('rgba(0, 0, 0, 0)'));
      const box = await boxOf(image);
      expect(box.width, `${width} × ${height}`).toBeLessThanOrEqual(frame.width + 1);
      expect(box.height).toBeLessThanOrEqual(frame.height + 1);
      expect(await boxOf(page.locator('#after'))).toEqual(after);
      expect((await boxOf(page.locator('.slides-frame'))).height).toBe(300);
      await next(page).click();
    }
  });
}

test('a frame wider than the page: pictures come in from the edge of the window', async ({ page }) => {
  await opened(
    page,
    list(' data-slides-wide'),
    {},
    '<style>main { max-width: 600px; margin: auto } :root { --slides-column: 600px }</style>',
  );
  await settled(page);
  const frame = await boxOf(page.locator('.slides-frame'));
  expect(frame.x).toBe(0);
  expect(frame.width).toBe(await page.evaluate(() => document.documentElement.clientWidth));
  expect((await boxOf(slides(page).first())).width).toBe(600);
  const begins = await page.evaluate(() => {
    document.querySelector<HTMLElement>('.slides-next')!.click();
    document.getAnimations().forEach((animation) => animation.pause());
    return document.querySelectorAll('.slides-set > *')[1]!.getBoundingClientRect().left;
  });
  expect(begins).toBeGreaterThan(1200);
  expect(
    await page.evaluate(() => document.documentElement.scrollWidth),
    'nothing to scroll sideways',
  ).toBeLessThanOrEqual(1280);
});

test('words, a video and links to anywhere are slides like any other', async ({ page }) => {
  const film = await video(page);
  await opened(
    page,
    `<div data-slides data-slides-caption="off"><p>Back to the wind.</p><video src="film.webm" controls muted></video><a href="about.html"><img src="small/meadow.jpg" width="90" height="60" alt="About us"></a></div>`,
    { 'film.webm': film, 'about.html': '<!DOCTYPE html><title>About</title><h1>About</h1>' },
  );
  await expect(page.getByText('Back to the wind.')).toBeVisible();
  await next(page).click();
  await settled(page);
  await expect(page.locator('video')).toBeVisible();
  await next(page).click();
  await settled(page);
  await page.getByRole('link', { name: 'About us' }).click();
  await expect(page).toHaveURL(/about\.html$/);
});

test('full screen', async ({ page }) => {
  await opened(page, list(' data-slides-full'));
  await page.getByRole('button', { name: 'Full screen' }).click();
  await expect.poll(() => page.evaluate(() => document.fullscreenElement?.className)).toBe('slides-frame');
  await next(page).click();
  await settled(page);
  await expect(slides(page).nth(1)).toBeVisible();
});

test('swipe and drag turn, and no link is followed by it', async ({ page }) => {
  await opened(page, list(' data-slides-counter'));
  const box = await boxOf(page.locator('.slides-stage'));
  const middle = { x: box.x + box.width / 2, y: box.y + box.height / 2 };
  await page.mouse.move(middle.x, middle.y);
  await page.mouse.down();
  await page.mouse.move(middle.x - 200, middle.y, { steps: 5 });
  await page.mouse.up();
  await expect(page.locator('.slides-counter')).toHaveText('2 of 5');
  await settled(page);
  await page.mouse.down();
  await page.mouse.move(middle.x + 100, middle.y, { steps: 5 });
  await page.mouse.up();
  await expect(page.locator('.slides-counter')).toHaveText('1 of 5');
  expect(page.url()).toMatch(/index\.html$/);
});

test('arrows turn round on a right-to-left page', async ({ page }) => {
  await opened(page, `<div dir="rtl">${list(' data-slides-counter')}</div>`);
  await next(page).focus();
  await page.keyboard.press('ArrowLeft');
  await expect(page.locator('.slides-counter')).toHaveText('2 of 5');
});

test.describe('ARIA Authoring Practices Guide, carousel pattern', () => {
  test('roles and names', async ({ page }) => {
    await opened(page, list(' data-slides-play data-slides-interval="30" data-slides-label="Kites"'));
    await expect(page.getByRole('region', { name: 'Kites' })).toHaveAttribute('aria-roledescription', 'carousel');
    await expect(slides(page).first()).toHaveAttribute('aria-roledescription', 'slide');
    await expect(page.getByRole('listitem', { name: '1 of 5' })).toBeVisible();
    expect(await violations(page)).toEqual([]);
  });

  test('Tab and Shift+Tab go through the rotation control, the two arrows, the slide and the picker', async ({
    page,
  }) => {
    await opened(page, list(' data-slides-play data-slides-interval="30"'));
    await settled(page);
    const stops: (string | null | undefined)[] = [];
    for (let n = 0; n < 5; n++) {
      await page.keyboard.press('Tab');
      stops.push(
        await page.evaluate(
          () => document.activeElement?.getAttribute('aria-label') ?? document.activeElement?.getAttribute('href'),
        ),
      );
    }
    expect(stops).toEqual([
      'Pause',
      'Previous picture',
      'Next picture',
      'large/meadow.jpg',
      '1 of 5: Kites at the meadow',
    ]);
    await page.keyboard.press('Shift+Tab');
    expect(await page.evaluate(() => document.activeElement?.getAttribute('href'))).toBe('large/meadow.jpg');
  });

  test('buttons answer Enter and Space', async ({ page }) => {
    await opened(page, list(' data-slides-counter data-slides-effect="cut"'));
    await next(page).focus();
    await page.keyboard.press('Enter');
    await expect(page.locator('.slides-counter')).toHaveText('2 of 5');
    await page.keyboard.press('Space');
    await expect(page.locator('.slides-counter')).toHaveText('3 of 5');
    await expect(next(page)).toBeFocused();
  });
});

test('nothing shifts when the script comes, and without script all pictures stand in a row', async ({
  page,
  browser,
}) => {
  const shifts = await watchShifts(page);
  const { address } = await exported(['slideshow'], `${list()}\n<p>After</p>`);
  await page.goto(address);
  await settled(page);
  await framesOn(page);
  expect(await shifts()).toBe(0);
  const bare = await browser.newContext({ javaScriptEnabled: false });
  const still = await bare.newPage();
  await still.goto(address);
  await expect(still.getByRole('img', { name: 'Kites at the meadow' })).toBeVisible();
  const row = await still.locator('[data-slides]').evaluate((one) => one.scrollWidth / one.clientWidth);
  expect(row).toBeGreaterThan(4.9);
  await still.getByRole('link').first().click();
  await expect(still).toHaveURL(/large\/meadow\.jpg$/);
  await bare.close();
});

test('at phone width and with one picture alone', async ({ page }) => {
  await page.setViewportSize({ width: 375, height: 700 });
  await opened(page, list());
  await settled(page);
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBe(375);
  expect(await violations(page)).toEqual([]);
  await opened(page, list('', item(0, { large: true })));
  await expect(page.locator('.slides-picker')).toHaveCount(0);
});
