/** Pictures of the site dragged into the source and onto the live page, and put there by keyboard. */
import type { Locator, Page } from '@playwright/test';
import { violations } from './axe';
import { cursorAfter } from './editorSteps';
import { expect, goTo, openDemo, openFiles, openPage, test } from './fixtures';
import { fileOf, OLD, reels } from './reels.fixture';

const tray = (page: Page) => page.getByRole('region', { name: 'All pictures' });
const tile = (page: Page, name: string) =>
  tray(page).getByRole('list', { name: 'Pictures to put' }).getByRole('button', { name, exact: true });

const ITEM = (name: string, alt: string) =>
  `  <LI><A HREF=large/${name}.jpg><IMG SRC=small/${name}.jpg ALT="${alt}"></A></LI>\r\n`;

async function openReels(page: Page): Promise<string> {
  // A page with scripts that would take what is dropped on it.
  const hostile =
    '<script>for (const k of ["dragover", "drop"]) addEventListener(k, (e) => { e.stopImmediatePropagation(); document.title = "taken"; }, true)</script>';
  const before = OLD(['a', 'b'])
    .replace('</HEAD>', `${hostile}</HEAD>`)
    .replace('</UL>', '</UL>\r\n<P>More to come.</P>');
  await openFiles(page, { ...(await reels()), 'old.html': before, 'more.html': OLD(['c', 'd']) });
  await expect(page.getByText(/still being read/)).toHaveCount(0);
  await goTo(page, 'markup');
  await openPage(page, 'old.html');
  await page.getByRole('button', { name: 'All pictures', exact: true }).click();
  await expect(tile(page, 'c')).toBeVisible();
  return before;
}

/** The middle of a tile, and a place in the lower right of an element of the live page, which is shown smaller. */
async function wayOnto(page: Page, from: Locator, to: Locator): Promise<{ x: number; y: number }[]> {
  const frame = await page.locator('iframe[title^="Live page"]').evaluate((element) => {
    const { left, top, width } = element.getBoundingClientRect();
    return { left, top, scale: width / (element as HTMLIFrameElement).offsetWidth };
  });
  const box = await to.evaluate((element) => {
    const { right, bottom } = element.getBoundingClientRect();
    return { right, bottom };
  });
  const start = await from.boundingBox();
  if (!start) throw new Error('nothing to drag');
  const [x, y] = [frame.left + (box.right - 30) * frame.scale, frame.top + (box.bottom - 30) * frame.scale];
  return [0, 0.1, 0.3, 0.6, 0.9, 1].map((share) => ({
    x: start.x + 30 + (x - start.x - 30) * share,
    y: start.y + 30 + (y - start.y - 30) * share,
  }));
}

async function drag(page: Page, way: readonly { x: number; y: number }[], dropped = true): Promise<void> {
  for (const [n, { x, y }] of way.entries()) {
    await page.mouse.move(x, y);
    if (n === 0) await page.mouse.down();
  }
  if (!dropped) await page.keyboard.press('Escape');
  await page.mouse.up();
}

test('a picture that is dragged into the source is written where it is dropped', async ({ page }) => {
  const before = await openReels(page);
  const editor = page.locator('.cm-content');
  await tile(page, 'c').dragTo(editor.getByText('More to come.'), { targetPosition: { x: 2, y: 8 } });
  await expect(page.getByRole('button', { name: 'Undo: Put c.jpg on old.html' })).toBeVisible();
  const after = await fileOf(page, 'old.html');
  expect(
    after.replace(
      /\r\n<a href="large\/c\.jpg"><img src="small\/c\.jpg" width="310" height="310" alt="Reel c"><\/a>/,
      '',
    ),
  ).toBe(before);
  await page.getByRole('button', { name: /^Undo: Put/ }).click();
  await expect.poll(() => fileOf(page, 'old.html')).toBe(before);
  await tile(page, 'd').dragTo(editor.locator('.cm-line', { hasText: 'Reel b' }), { targetPosition: { x: 40, y: 8 } });
  await expect(page.getByRole('button', { name: 'Undo: Put d.jpg into the gallery of old.html' })).toBeVisible();
  expect(await fileOf(page, 'old.html')).toBe(
    before.replace(ITEM('b', 'Reel b'), ITEM('d', 'Reel d') + ITEM('b', 'Reel b')),
  );
});

test('a picture that is dragged onto the live page becomes an item beside the one that it is dropped on', async ({
  page,
}) => {
  const before = await openReels(page);
  const live = page.frameLocator('iframe[title="Live page old.html"]');
  await expect(live.locator('img')).toHaveCount(2);
  await tile(page, 'c').click();
  await expect(tray(page).getByText('1 picture chosen')).toBeVisible();
  expect(await violations(page)).toEqual([]);
  const way = await wayOnto(page, tile(page, 'c'), live.getByAltText('Reel a'));
  await drag(page, way, false);
  await page.waitForTimeout(300);
  expect(await fileOf(page, 'old.html')).toBe(before);
  // It is chosen as before: what was dragged was not pressed.
  await expect(tray(page).getByText('1 picture chosen')).toBeVisible();
  await drag(page, way);
  await expect(page.getByRole('button', { name: 'Undo: Put c.jpg into the gallery of old.html' })).toBeVisible();
  expect(await fileOf(page, 'old.html')).toBe(
    before.replace(ITEM('a', 'Reel a'), ITEM('a', 'Reel a') + ITEM('c', 'Reel c')),
  );
  await expect(live.locator('img')).toHaveCount(3);
});

test('a finger drags as a mouse does', async ({ page }) => {
  const before = await openReels(page);
  const live = page.frameLocator('iframe[title="Live page old.html"]');
  await expect(live.locator('img')).toHaveCount(2);
  const way = await wayOnto(page, tile(page, 'd'), live.getByAltText('Reel b'));
  const client = await page.context().newCDPSession(page);
  const touch = (type: 'touchStart' | 'touchMove' | 'touchEnd', touchPoints: { x: number; y: number }[]) =>
    client.send('Input.dispatchTouchEvent', { type, touchPoints });
  // Downwards first: sideways the row scrolls.
  const [start, ...others] = way;
  if (!start) throw new Error('nothing to drag');
  await touch('touchStart', [start]);
  for (const point of [{ ...start, y: start.y + 25 }, { ...start, y: start.y + 70 }, ...others])
    await touch('touchMove', [point]);
  await touch('touchEnd', []);
  await expect(page.getByRole('button', { name: 'Undo: Put d.jpg into the gallery of old.html' })).toBeVisible();
  expect(await fileOf(page, 'old.html')).toBe(
    before.replace(ITEM('b', 'Reel b'), ITEM('b', 'Reel b') + ITEM('d', 'Reel d')),
  );
});

test('what a page says of a drop counts only while somebody drags', async ({ page }) => {
  const before = await openReels(page);
  const frame = page.frames().find((one) => one.url().includes('old.html'));
  await frame?.evaluate(() => {
    window.parent.postMessage({ from: 'probe', type: 'dropped', element: [1, 0], side: 'after' }, '*');
  });
  await page.waitForTimeout(500);
  expect(await fileOf(page, 'old.html')).toBe(before);
});

test('by keyboard chosen pictures are put at the cursor', async ({ page }) => {
  await openDemo(page, 'markup');
  await expect(page.getByText(/still being read/)).toHaveCount(0);
  await openPage(page, 'workshop.html');
  const before = await fileOf(page, 'workshop.html');
  await page.keyboard.press('Control+k');
  await page.getByRole('combobox', { name: /Find/ }).fill('put pictures');
  await page.keyboard.press('Enter');
  await cursorAfter(page, 'in the old sail loft.');
  await tray(page).getByRole('searchbox', { name: 'Name or text' }).focus();
  await page.keyboard.type('last-light');
  await expect(tray(page).getByRole('list', { name: 'Pictures to put' }).getByRole('button')).toHaveCount(1);
  await tile(page, 'last-light').focus();
  await page.keyboard.press('Space');
  await tray(page)
    .getByRole('button', { name: /^Put at the cursor, line \d+$/ })
    .focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: 'Undo: Put last-light.jpg on workshop.html' })).toBeVisible();
  const after = await fileOf(page, 'workshop.html');
  const written =
    /sail loft\.\n<a href="photos\/large\/last-light\.jpg"><img src="photos\/small\/last-light\.jpg" width="150" height="\d+" alt="A red parafoil in the last light"><\/a>/;
  expect(after).toMatch(written);
  expect(after.replace(written, 'sail loft.')).toBe(before);
});
