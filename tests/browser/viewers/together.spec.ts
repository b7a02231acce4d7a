/**
 * Viewers on one page know of one another: the lightbox goes through what is shown, a filter hears of what a feed
 * brings, a slideshow under an open lightbox rests. And each two that may stand together do not get in each other's way.
 */
import type { Page } from '@playwright/test';
import { exported, item, items, SHOTS } from '../../viewerPages';
import { middleOf, swipe, tap } from '../../touch';
import { violations } from '../axe';
import { VIEWERS } from '../../kits';
import { expect, test, LONG } from '../fixtures';

const MARK = ' data-enlarge data-enlarge-group="g"';
const counter = (page: Page) => page.locator('.enlarge-counter');

test.beforeEach(({ page }) => page.emulateMedia({ reducedMotion: 'reduce' }));

const tagged = (attributes: string) =>
  SHOTS.map((_, n) => item(n, { attributes, own: ` data-sieve-tags="${n % 2 === 0 ? 'meadow' : 'loft'}"` })).join('\n');

test('the lightbox steps only through what a filter shows', async ({ page }) => {
  const { address } = await exported(['filter', 'lightbox'], `<ul data-sieve>${tagged(MARK)}</ul>`);
  await page.goto(address);
  await page.getByRole('button', { name: 'loft' }).click();
  await page.locator('main a:visible').first().click();
  await expect(counter(page)).toHaveText('1 of 2');
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('dialog')).toHaveAccessibleName('The mere, 2 of 2');
});

test('links that their author has hidden are still stepped through', async ({ page }) => {
  const { address } = await exported(
    ['lightbox'],
    `<ul>${item(0, { attributes: MARK })}<li hidden>${item(1, { attributes: MARK, tag: 'span' })}</li></ul>`,
  );
  await page.goto(address);
  await page.locator('main a').first().click();
  await expect(counter(page)).toHaveText('1 of 2');
});

test('what a feed brings is filtered, and its new tags have buttons', async ({ page }) => {
  const body = `<div data-more data-more-step="2" data-more-by="button" data-sieve>${SHOTS.map((_, n) => item(n, { tag: 'article', own: ` data-sieve-tags="${n < 3 ? 'meadow' : 'late'}"` })).join('\n')}</div>`;
  const { address } = await exported(['filter', 'feed'], body);
  await page.goto(address);
  const seen = page.locator('article:visible');
  await expect(seen).toHaveCount(2);
  await page.getByRole('button', { name: 'late' }).click();
  await expect(seen).toHaveCount(0);
  await page.getByRole('button', { name: 'More pictures' }).click();
  await expect(seen).toHaveCount(1);
  await page.getByRole('button', { name: 'All' }).click();
  await expect(seen).toHaveCount(4);
});

test('the lightbox goes through the open section alone', async ({ page }) => {
  const part = (name: string, from: number) =>
    `<section id="${name}"><h2>${name}</h2><ul>${item(from, { attributes: MARK })}${item(from + 1, { attributes: MARK })}</ul></section>`;
  const { address } = await exported(
    ['sections', 'lightbox'],
    `<div data-sections>${part('meadow', 0)}${part('loft', 2)}</div>`,
  );
  await page.goto(address);
  await page.getByRole('tab', { name: 'loft' }).click();
  await page.locator('main a:visible').first().click();
  await expect(counter(page)).toHaveText('1 of 2');
});

test('a slideshow under an open lightbox rests, and the lightbox goes through all of its slides', async ({ page }) => {
  await page.emulateMedia({ reducedMotion: 'no-preference' });
  await page.clock.install();
  const { address } = await exported(
    ['slideshow', 'lightbox'],
    `<ul data-slides data-slides-play data-slides-interval="1" data-slides-effect="cut" data-slides-counter>${items({ attributes: MARK })}</ul>`,
  );
  await page.goto(address);
  await page.locator('.slides-set a:visible').click();
  await expect(counter(page)).toHaveText(/ of 5$/);
  await page.mouse.move(2, 2);
  const before = await page.locator('.slides-counter').textContent();
  await page.clock.runFor(6000);
  await expect(page.locator('.slides-counter')).toHaveText(before ?? '');
  await page.keyboard.press('Escape');
  await expect(page.locator('html')).not.toHaveAttribute('data-gallery-over');
  await page.evaluate(() => (document.activeElement as HTMLElement).blur());
  await page.clock.runFor(1500);
  await expect(page.locator('.slides-counter')).not.toHaveText(before ?? '');
});

test('a filter over a slideshow leaves slides out, with their picks', async ({ page }) => {
  const { address } = await exported(
    ['filter', 'slideshow'],
    `<div data-sieve><ul data-slides data-slides-counter data-slides-effect="cut">${tagged('')}</ul></div>`,
  );
  await page.goto(address);
  await page.getByRole('button', { name: 'loft', exact: true }).click();
  await expect(page.locator('.slides-counter')).toHaveText('1 of 2');
  await expect(page.locator('.slides-pick:visible')).toHaveCount(2);
  await page.getByRole('button', { name: 'Next picture' }).click();
  await expect(page.locator('.slides-set img:visible')).toHaveAttribute('alt', 'Kites at the mere');
});

test('a tooltip gives the title back before the lightbox reads it, and goes from under it', async ({ page }) => {
  const { address } = await exported(
    ['tooltips', 'lightbox'],
    `<ul data-hints data-hints-delay="0">${items({ attributes: MARK })}</ul>`,
  );
  await page.goto(address);
  await page.locator('main a').first().hover();
  await expect(page.locator('.hints-tip')).toBeVisible();
  await page.locator('main a').first().click();
  await expect(page.locator('.enlarge-caption')).toHaveText('The meadow');
  await expect(page.locator('.hints-tip')).toBeHidden();
});

test.describe('under a finger', () => {
  test.use({ hasTouch: true, viewport: { width: 390, height: 780 } });

  test('a finger that rests shows a tooltip, one that touches elsewhere ends it', async ({ page }) => {
    const { address } = await exported(
      ['tooltips'],
      `<p data-hints data-hints-delay="100"><a href="#x" title="Over the mere">Mere</a></p><p style="height: 300px">After</p>`,
    );
    await page.goto(address);
    const box = (await page.getByRole('link').boundingBox())!;
    const session = await page.context().newCDPSession(page);
    await session.send('Input.dispatchTouchEvent', {
      type: 'touchStart',
      touchPoints: [{ x: box.x + 5, y: box.y + 5 }],
    });
    await expect(page.locator('.hints-tip')).toHaveText('Over the mere');
    await session.send('Input.dispatchTouchEvent', { type: 'touchCancel', touchPoints: [] });
    await expect(page.locator('.hints-tip')).toBeVisible();
    await tap(page, { x: 200, y: 500 });
    await expect(page.locator('.hints-tip')).toBeHidden();
  });

  test('a tap on what a resting finger had explained opens it with its title', async ({ page }) => {
    const { address } = await exported(
      ['tooltips', 'lightbox'],
      `<ul data-hints data-hints-delay="100">${items({ attributes: MARK })}</ul>`,
    );
    await page.goto(address);
    await expect(page.locator('dialog.enlarge')).toHaveCount(1);
    const at = await middleOf(page.locator('main a').first());
    const session = await page.context().newCDPSession(page);
    await session.send('Input.dispatchTouchEvent', { type: 'touchStart', touchPoints: [at] });
    await expect(page.locator('.hints-tip')).toHaveText('The meadow');
    await session.send('Input.dispatchTouchEvent', { type: 'touchCancel', touchPoints: [] });
    await tap(page, at);
    await expect(page.locator('.enlarge-caption')).toHaveText('The meadow');
  });

  test('the zoom lets the page scroll under a finger, and looks at a tap', async ({ page }) => {
    const { address } = await exported(['zoom'], `<ul data-closer>${items()}</ul><p style="height: 2000px">After</p>`);
    await page.goto(address);
    const box = (await page.locator('.closer-stage').boundingBox())!;
    const at = { x: box.x + box.width / 2, y: box.y + box.height / 2 };
    await swipe(page, page.locator('.closer-stage'), { y: -250 });
    await expect.poll(() => page.evaluate(() => scrollY)).toBeGreaterThan(100);
    await page.waitForTimeout(800); // until it has come to rest: a tap would only stop it
    await page.evaluate(() => scrollTo(0, 0));
    await expect(page.locator('.closer-lens')).toBeHidden();
    await tap(page, at);
    await expect(page.locator('.closer-lens')).toBeVisible();
    await tap(page, at);
    await expect(page.locator('.closer-lens')).toBeHidden();
  });
});

/** Each viewer in a part of the page of its own, beside each other one. */
const PARTS: Record<string, string> = {
  lightbox: `<ul>${items({ attributes: MARK })}</ul>`,
  slideshow: `<ul data-slides data-slides-effect="cut">${items()}</ul>`,
  opening: `<ul data-opening data-opening-play="off" data-opening-height="30">${items()}</ul>`,
  zoom: `<ul data-closer>${items()}</ul>`,
  sections: `<div data-sections><section><h2>One</h2><ul>${item(0)}</ul></section><section><h2>Two</h2><ul>${item(1)}</ul></section></div>`,
  filter: `<ul data-sieve>${tagged('')}</ul>`,
  feed: `<div data-more data-more-step="3" data-more-by="button">${items({ tag: 'article' })}</div>`,
  share: `<ul data-pass-on>${items()}</ul>`,
  tooltips: `<ul data-hints data-hints-delay="0">${items()}</ul>`,
};
/** What each is seen to do. */
const WORKS: Record<string, (page: Page) => Promise<void>> = {
  lightbox: async (page) => {
    await page.locator('[data-enlarge]:visible').first().click();
    await expect(counter(page)).toHaveText('1 of 5');
    await page.keyboard.press('Escape');
    await expect(page.getByRole('dialog')).toBeHidden();
  },
  slideshow: async (page) => {
    await page.locator('.slides-next').click();
    await expect(page.locator('.slides-set > :not([data-slides-away]) img')).toHaveAttribute(
      'alt',
      'Kites at the loft',
    );
  },
  opening: async (page) => {
    await page.locator('.opening-next').click();
    await expect(page.locator('.opening-now img')).toHaveAttribute('alt', 'Kites at the loft');
  },
  zoom: async (page) => {
    await page.locator('.closer-row a').nth(1).click();
    await expect(page.locator('.closer-middle')).toHaveAttribute('src', /loft/);
  },
  sections: async (page) => {
    await page.getByRole('tab', { name: 'Two' }).click();
    await expect(page.getByRole('tabpanel', { name: 'Two' })).toBeVisible();
  },
  filter: async (page) => {
    await page.locator('.sieve-bar').getByRole('button', { name: 'loft' }).click();
    await expect(page.locator('[data-sieve-tags]:visible')).toHaveCount(2);
  },
  feed: async (page) => {
    await page.getByRole('button', { name: 'More pictures' }).click();
    await expect(page.locator('article:visible')).toHaveCount(5);
  },
  share: async (page) => {
    await expect(page.getByRole('button', { name: 'Copy address' })).toBeVisible();
  },
  tooltips: async (page) => {
    // Scrolling to it would end it.
    await page.locator('[data-hints] a').first().scrollIntoViewIfNeeded();
    await page.mouse.move(1, 1);
    await page.locator('[data-hints] a').first().hover();
    await expect(page.locator('.hints-tip')).toBeVisible();
    await page.keyboard.press('Escape');
  },
};

const names = VIEWERS.map(({ manifest }) => manifest.name);
for (const [at, one] of names.entries())
  test(`the ${one} beside each other viewer`, { tag: one === 'lightbox' ? [] : [LONG] }, async ({ page }) => {
    for (const other of names.slice(at + 1))
      for (const [first, second] of [
        [one, other],
        [other, one],
      ] as const)
        await test.step(`${first}, then ${second}`, async () => {
          const { address } = await exported([one, other], `${PARTS[one]}\n${PARTS[other]}`);
          await page.goto(address);
          await WORKS[first]!(page);
          await WORKS[second]!(page);
          expect(await violations(page)).toEqual([]);
        });
  });
