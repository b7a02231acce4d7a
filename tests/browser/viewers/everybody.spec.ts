/** Each viewer for everybody: narrow windows, forced colours, right to left, paper, a script that never comes. */
import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { exported, item, items, SHOTS, watchShifts } from '../../viewerPages';
import { violations } from '../axe';
import { expect, test, LONG } from '../fixtures';

interface Case {
  body: string;
  /** Opens what has to be opened before it can be looked at. */
  open?: (page: Page) => Promise<void>;
  /** The viewer's own buttons. */
  buttons: string;
}

const sections = ['Meadow', 'Loft', 'Mere']
  .map((name, n) => `<section><h2>${name}</h2><ul>${item(n)}${item(n + 2)}</ul></section>`)
  .join('\n');

const CASES: Record<string, Case> = {
  lightbox: {
    body: `<ul>${items({ attributes: ' data-enlarge data-enlarge-group="g" data-enlarge-strip data-enlarge-play data-enlarge-full data-enlarge-info="Camera: Box"' })}</ul>`,
    open: async (page) => {
      await page.locator('main a').first().click();
      await expect(page.locator('.enlarge-stage[data-state="shown"]')).toBeVisible();
    },
    buttons: '.enlarge button',
  },
  slideshow: {
    body: `<ul data-slides data-slides-picker="thumbnails" data-slides-counter data-slides-play data-slides-full>${items()}</ul>`,
    buttons: '.slides-frame button',
  },
  opening: { body: `<ul data-opening>${items()}</ul>`, buttons: '.opening button' },
  zoom: {
    body: `<ul data-closer>${items()}</ul>`,
    open: async (page) => {
      await page.locator('.closer-stage').focus();
      await page.keyboard.press('Enter');
    },
    buttons: '.closer-row a',
  },
  sections: { body: `<div data-sections>${sections}</div>`, buttons: '.sections-tab' },
  filter: {
    body: `<ul data-sieve data-sieve-many>${SHOTS.map((_, n) => item(n, { own: ` data-sieve-tags="kites, ${n % 2 ? 'loft' : 'meadow'}"` })).join('')}</ul>`,
    open: (page) => page.getByRole('button', { name: 'loft' }).click(),
    buttons: '.sieve-tag',
  },
  feed: {
    body: `<div data-more data-more-step="3" data-more-by="button">${items({ tag: 'article' })}</div>`,
    buttons: '.more-button',
  },
  share: { body: `<ul data-pass-on>${items()}</ul>`, buttons: '.pass-on-button' },
  tooltips: {
    body: `<ul data-hints>${items()}</ul>`,
    open: async (page) => {
      await page.keyboard.press('Tab');
      await expect(page.locator('.hints-tip')).toBeVisible();
    },
    buttons: 'main a',
  },
};

/** Those that show most; the others are for the long run. */
const MAIN = new Set(['lightbox', 'slideshow', 'feed']);

const pictures = (page: Page) => page.locator('main img:visible').count();

for (const [name, { body, open, buttons }] of Object.entries(CASES))
  test.describe(`the ${name}`, { tag: MAIN.has(name) ? [] : [LONG] }, () => {
    test.beforeEach(({ page }) => page.emulateMedia({ reducedMotion: 'reduce' }));

    test('at 320 px, with room between letters (WCAG 2.2, 1.4.10 and 1.4.12): nothing to scroll sideways', async ({
      page,
    }) => {
      await page.setViewportSize({ width: 320, height: 600 });
      const space =
        '<style>* { line-height: 1.5; letter-spacing: 0.12em; word-spacing: 0.16em } p { margin-bottom: 2em }</style>';
      const { address } = await exported([name], body, {}, space);
      await page.goto(address);
      await open?.(page);
      expect(await page.evaluate(() => document.scrollingElement!.scrollWidth)).toBeLessThanOrEqual(320);
      expect(await violations(page)).toEqual([]);
      const sizes = await page.locator(`${buttons}:visible`).evaluateAll((all) =>
        all.map((one) => {
          // A link in a line is as large as what it holds.
          const range = document.createRange();
          range.selectNodeContents(one);
          const boxes = [one.getBoundingClientRect(), range.getBoundingClientRect()];
          return Math.min(...(['width', 'height'] as const).map((side) => Math.max(...boxes.map((box) => box[side]))));
        }),
      );
      expect(Math.min(...sizes), 'WCAG 2.2, 2.5.8: 24 px').toBeGreaterThanOrEqual(24);
    });

    test('in forced colours its states are told apart', async ({ page }) => {
      await page.emulateMedia({ forcedColors: 'active', reducedMotion: 'reduce' });
      const { address } = await exported([name], body);
      await page.goto(address);
      await open?.(page);
      expect(await violations(page)).toEqual([]);
      const states = await page.locator(`${buttons}:visible`).evaluateAll((all) =>
        all.map((one) => {
          const own = getComputedStyle(one);
          const mark = getComputedStyle(one, '::before');
          const isOn = ['aria-current', 'aria-pressed', 'aria-selected'].some(
            (state) => one.getAttribute(state) === 'true',
          );
          const says = one.matches('[aria-current], [aria-pressed], [aria-selected]');
          return {
            isOn,
            says,
            look: [own.backgroundColor, own.borderBottomColor, own.color, mark.borderTopColor].join(),
          };
        }),
      );
      const on = new Set(states.filter((one) => one.says && one.isOn).map((one) => one.look));
      const off = new Set(states.filter((one) => one.says && !one.isOn).map((one) => one.look));
      for (const look of on) expect(off).not.toContain(look);
    });

    test('on paper all pictures are there, and no buttons', async ({ page }) => {
      const { address } = await exported([name], body);
      await page.goto(address);
      await page.emulateMedia({ media: 'print' });
      const links = await page.locator('main a[href*="large/"]').count();
      expect(await pictures(page)).toBe(links);
      if (buttons !== 'main a' && name !== 'zoom') await expect(page.locator(`${buttons}:visible`)).toHaveCount(0);
      if (!open) return;
      await page.emulateMedia({ media: 'screen' });
      await open(page);
      await page.emulateMedia({ media: 'print' });
      expect(await pictures(page)).toBe(links);
    });

    test('a script that never comes leaves all of it, and one that is there twice acts once', async ({
      page,
      expected,
    }) => {
      expected.console.push(/./);
      const { address } = await exported([name], body, { 'viewer/none.js': '' });
      await page.route(new RegExp(`${name}\\.js`), (route) => route.abort());
      await page.goto(address);
      const all = await page.locator('main img').count();
      // The opening slideshow shows its first picture without script, as it says.
      await expect.poll(() => pictures(page), { timeout: 8000 }).toBe(name === 'opening' ? 1 : all);
      await page.unroute(new RegExp(`${name}\\.js`));
      await page.goto(address);
      await open?.(page);
      const once = await page.locator(`${buttons}`).count();
      const path = `viewer/${name}.js`;
      const html = readFileSync(new URL(address), 'utf8').replace(
        '</head>',
        `<script src="${path}" defer></script></head>`,
      );
      const { address: twice } = await exported([name], body, { 'twice.html': html });
      await page.goto(twice.replace('index', 'twice'));
      await open?.(page);
      expect(await page.locator(`${buttons}`).count()).toBe(once);
      await expect(page.locator('dialog[open]')).toHaveCount(name === 'lightbox' ? 1 : 0);
    });

    test('under a policy that allows the site’s own files alone it works, and nothing moves when it comes', async ({
      page,
    }) => {
      const policy = `<meta http-equiv="Content-Security-Policy" content="default-src 'self' file:">`;
      const shifts = await watchShifts(page);
      const blocked: string[] = [];
      page.on('console', (message) => {
        if (/Content Security Policy/.test(message.text())) blocked.push(message.text());
      });
      const { address } = await exported([name], `${body}\n<p>After</p>`, {}, policy);
      await page.goto(address);
      await page.waitForTimeout(300); // for what may still move
      expect(await shifts()).toBeLessThan(0.001);
      await open?.(page);
      expect(blocked).toEqual([]);
      expect(await page.locator(`${buttons}:visible`).count()).toBeGreaterThan(0);
    });
  });

/** Forward is to the left: the arrow’s shape points there, its key is the left one, a finger pulls to the right. */
for (const name of ['lightbox', 'slideshow', 'opening'])
  test(`from right to left the ${name} goes the other way`, async ({ page }) => {
    await page.emulateMedia({ reducedMotion: 'reduce' });
    const { body, open } = CASES[name]!;
    const { address } = await exported([name], `<div id="all">${body}</div><style>html { direction: rtl }</style>`);
    await page.goto(address);
    await open?.(page);
    const next = page.getByRole('button', { name: 'Next picture' });
    const previous = page.getByRole('button', { name: 'Previous picture' });
    expect((await next.boundingBox())!.x).toBeLessThan((await previous.boundingBox())!.x);
    const turned = await next.locator('svg').evaluate((one) => getComputedStyle(one).transform);
    expect(turned).toBe('matrix(-1, 0, 0, 1, 0, 0)');
    const now = () =>
      page.evaluate(() =>
        [...document.querySelectorAll('.enlarge-counter, .slides-counter, .opening-now img')]
          .map((one) => one.textContent || (one as HTMLImageElement).alt)
          .join(),
      );
    const before = await now();
    await next.focus();
    await page.keyboard.press('ArrowLeft');
    expect(await now()).not.toBe(before);
    await page.keyboard.press('ArrowRight');
    expect(await now()).toBe(before);
  });
