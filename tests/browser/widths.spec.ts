/** Every station in windows of five widths, the narrowest being a window of 1280 px at a zoom of 200 %. */
import type { Locator, Page } from '@playwright/test';
import { expect, framesOn, goTo, LONG, openKites, settled, test } from './fixtures';
import { violations, violationsByDayAndNight } from './axe';

const WINDOWS = [
  [1440, 900],
  [1280, 800],
  [1024, 768],
  [720, 900],
  [640, 400],
] as const;

/** Where axe looks too, by day and by night: what it looks at hardly changes between two widths. */
const LOOKED_THROUGH = [1440, 720, 640];

/** The main action of each station; Proof's is the fix of its first finding. */
const MAIN: Record<string, RegExp> = {
  pairs: /^Create \d+ missing/,
  markup: /^Add \d+ pairs/,
  wiring: /^Add a viewer/,
  proof: /^Rename the file to parafoil-pair/,
  pack: /^Save as ZIP/,
};

/** Words in less than this stand letter under letter; CSS px. */
const NARROWEST = 26;

/** Elements with words of their own that reach out of the window, or have no room for a word, by what they say. */
const cutOff = (page: Page): Promise<string[]> =>
  page.evaluate((narrowest) => {
    const scrolls = (one: Element | null): boolean =>
      one !== null && (/auto|scroll/.test(getComputedStyle(one).overflowX) || scrolls(one.parentElement));
    const says = (one: Element) =>
      [...one.childNodes].map((node) => (node.nodeType === 3 ? (node.textContent?.trim() ?? '') : '')).join('');
    return [...document.querySelectorAll('header *, main *, aside *, [role="dialog"] *')]
      .filter((one) => says(one) && one.checkVisibility() && !one.closest('iframe, .cm-editor, [aria-hidden="true"]'))
      .filter((one) => {
        const { left, right, width, height } = one.getBoundingClientRect();
        const isUnseen = width <= 1;
        const isOut = (right > innerWidth + 1 || left < -1) && !scrolls(one.parentElement);
        const isSqueezed = width < narrowest && height > 2 * narrowest && says(one).length > 4;
        return !isUnseen && (isOut || isSqueezed);
      })
      .map((one) => one.textContent?.trim().slice(0, 60) ?? '');
  }, NARROWEST);

/** Lists of a dialog whose rows are wider than they: their ends are out of sight until somebody scrolls sideways. */
const scrolledSideways = (page: Page): Promise<string[]> =>
  page.evaluate(() =>
    [...document.querySelectorAll('[role="dialog"] *')]
      .filter((one) => /auto|scroll/.test(getComputedStyle(one).overflowX) && one.scrollWidth > one.clientWidth + 1)
      .map((one) => one.getAttribute('aria-label') ?? one.textContent?.trim().slice(0, 40) ?? ''),
  );

for (const [width, height] of WINDOWS)
  test(`in a window of ${width} × ${height} px all is in reach`, async ({ page }) => {
    test.setTimeout(90_000);
    await page.setViewportSize({ width, height });
    await openKites(page);
    for (const [station, action] of Object.entries(MAIN)) {
      await goTo(page, station);
      await settled(page);
      const over = await page.evaluate(() => document.documentElement.scrollWidth - innerWidth);
      expect(over, `${station}: the window scrolls sideways`).toBeLessThanOrEqual(0);
      const button = page.getByRole('main').getByRole('button', { name: action }).first();
      // A low window is scrolled, again where what has just come pushed it away; elsewhere the station's head stays.
      await expect(async () => {
        if (height < 560) await button.scrollIntoViewIfNeeded();
        // A scrolled window ends between two device pixels.
        await expect(button, station).toBeInViewport({ ratio: 0.99, timeout: 1000 });
      }).toPass({ timeout: 15_000 });
      expect(await cutOff(page), `${station}: words that are cut off`).toEqual([]);
      if (LOOKED_THROUGH.includes(width)) expect(await violationsByDayAndNight(page), station).toEqual([]);
    }
  });

test('a picture that comes into sight in its page leaves the window around that page where it is', async ({ page }) => {
  await page.setViewportSize({ width: 1024, height: 480 });
  await openKites(page, 'proof');
  await settled(page);
  const isMarked = () => document.documentElement.lastElementChild?.tagName === 'SPAN';
  const marked = async () => Promise.all(page.frames().map((frame) => frame.evaluate(isMarked).catch(() => false)));
  await expect.poll(async () => (await marked()).filter(Boolean).length).toBeGreaterThan(1);
  await framesOn(page);
  expect(await page.getByRole('main').evaluate((one) => one.scrollTop)).toBe(0);
});

test('in a narrow window the strand folds to its five joints, and opens over the page', async ({ page }) => {
  await page.setViewportSize({ width: 720, height: 900 });
  await openKites(page);
  const strand = page.getByRole('complementary', { name: 'Strand' });
  await expect(strand.getByRole('button', { name: /Go to/ })).toHaveCount(5);
  await expect(strand.getByRole('textbox', { name: 'Alt text' })).toHaveCount(0);
  await strand.getByRole('button', { name: 'Show the strand' }).click();
  await expect(strand.getByRole('textbox', { name: 'Alt text' })).toBeVisible();
  await expect(strand.getByRole('button', { name: /Go to/ })).toHaveCount(5);
  expect(await violations(page)).toEqual([]);
  await page.keyboard.press('Escape');
  await expect(strand.getByRole('textbox', { name: 'Alt text' })).toHaveCount(0);
  await expect(strand.getByRole('button', { name: 'Show the strand' })).toBeFocused();
});

const LARGE = encodeURIComponent('photos/large/tall-tail.jpg');
const SMALL = encodeURIComponent('photos/small/glue-pot.jpg');

/** What lies beyond the first screen of each station, by its address: tabs, sheets and dialogs. */
const BEYOND = [
  'pairs?tab=all',
  'pairs?tab=words',
  'pairs?tab=order',
  'pairs?tab=order&sheet=from-list',
  'pairs?tab=alike',
  'pairs?sheet=sizes',
  'pairs?sheet=naming',
  'pairs?sheet=thumbnails',
  `pairs?sheet=look&of=${LARGE}`,
  `pairs?sheet=by-hand&of=${SMALL}`,
  'markup?page=festival.html&sheet=add',
  'markup?page=festival.html&sheet=new-page',
  'markup?page=festival.html&sheet=pictures',
  'markup?page=festival.html&sheet=group',
  'markup?page=festival.html&sheet=page',
  'markup?page=festival.html&sheet=menus',
  'markup?page=festival.html&sheet=pattern',
  'markup?page=festival.html&sheet=add-slide',
  'markup?page=festival.html&sheet=items',
  'wiring?page=festival.html&sheet=viewer',
  'wiring?page=festival.html&sheet=options',
  'wiring?page=festival.html&sheet=pasted',
  'wiring?page=festival.html&sheet=own-script',
  'proof?tab=weight',
  'proof?tab=views',
  'proof?sheet=find',
  'proof?sheet=files',
  'proof?sheet=history',
  'proof?sheet=replace',
  'proof?sheet=keys',
] as const;

/** A usual window and a narrow one, of which one is gone through with axe-core; the others are what takes long. */
const WAYS = [
  { window: WINDOWS[1], withAxe: false, tag: [] },
  { window: WINDOWS[3], withAxe: true, tag: [] },
  ...[WINDOWS[0], WINDOWS[1], WINDOWS[2], WINDOWS[4]].map((window) => ({ window, withAxe: true, tag: [LONG] })),
];

for (const { window, withAxe, tag } of WAYS) {
  const [width, height] = window;
  const what = `in a window of ${width} × ${height} px so is what lies beyond the stations`;
  test(withAxe ? `${what}, by day and by night` : what, { tag }, async ({ page }) => {
    test.setTimeout(240_000);
    await page.setViewportSize({ width, height });
    const home = await openKites(page);
    const wrong: string[] = [];
    for (const screen of [...BEYOND.map((one) => `${home}/${one}`), '/', '/exercises']) {
      await page.goto(screen);
      const name = screen.replace(home, '');
      const dialog = page.getByRole('dialog');
      if (screen.includes('sheet='))
        await expect(dialog.or(page.getByRole('complementary')).first(), name).toBeVisible();
      await expect(page.locator('h1').first(), name).toBeAttached();
      await expect(page.getByText(/still being read/), name).toHaveCount(0);
      await framesOn(page);
      const over = await page.evaluate(() => document.documentElement.scrollWidth - innerWidth);
      if (over > 0) wrong.push(`${name}: the window scrolls sideways by ${over} px`);
      wrong.push(...(await cutOff(page)).map((words) => `${name}: “${words}” is cut off`));
      wrong.push(...(await scrolledSideways(page)).map((words) => `${name}: “${words}” scrolls sideways`));
      // What a dialog ends with, its actions, is in sight whatever it holds; a low window is scrolled.
      const last = dialog.last().getByRole('button').last();
      if (height < 560 && (await dialog.count()) > 0) await last.scrollIntoViewIfNeeded();
      if ((await dialog.count()) > 0 && !(await isWhole(last))) wrong.push(`${name}: its last button is out of sight`);
      if (withAxe) wrong.push(...(await violationsByDayAndNight(page)).map((one) => `${name}: ${one}`));
    }
    expect(wrong).toEqual([]);
  });
}

const isWhole = (one: Locator): Promise<boolean> =>
  one.evaluate((element) => {
    const { top, bottom, left, right } = element.getBoundingClientRect();
    return top >= -1 && left >= -1 && bottom <= innerHeight + 1 && right <= innerWidth + 1;
  });
