/** Every screen, by day and by night, before axe-core; and the stations by keyboard alone. */
import type { Page } from '@playwright/test';
import { framesOn, expect, goTo, openKites, settled, test } from './fixtures';
import { violations, violationsByDayAndNight } from './axe';

async function seen(page: Page, screen: string): Promise<void> {
  expect(await violationsByDayAndNight(page), screen).toEqual([]);
}

test('no violation on any screen, by day and by night', async ({ page }) => {
  test.setTimeout(120_000);
  await openKites(page);
  await page.goto('/');
  await expect(page.getByRole('list', { name: 'Sites' }).getByRole('listitem')).toHaveCount(1);
  await seen(page, 'shelf');
  await openKites(page);
  for (const station of ['pairs', 'markup', 'wiring', 'proof', 'pack']) {
    await goTo(page, station);
    await settled(page);
    await seen(page, station);
  }
  await goTo(page, 'markup');
  await page.getByRole('button', { name: 'Add 4 pairs' }).click();
  await expect(page.getByRole('dialog')).toBeVisible();
  await seen(page, 'add pictures');
  await page.keyboard.press('Escape');
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
  await seen(page, 'keys');
});

test('stations, strands and joints are reached by keyboard', async ({ page }) => {
  await openKites(page);
  for (const [n, station] of ['pairs', 'markup', 'wiring', 'proof', 'pack'].entries()) {
    await page.keyboard.press(`Alt+Digit${n + 1}`);
    await page.waitForURL(new RegExp(`/${station}(\\?|$)`));
  }
  const rail = page.getByRole('complementary', { name: 'Strand' });
  await expect(rail).toHaveCount(0); // what is packed has no strand
  await page.keyboard.press('Alt+Digit4');
  await page.keyboard.press('j');
  const first = await rail.getByRole('heading').textContent();
  await page.keyboard.press('j');
  await expect(rail.getByRole('heading')).not.toHaveText(first ?? '');
  await page.keyboard.press('k');
  await expect(rail.getByRole('heading')).toHaveText(first ?? '');
  await page.keyboard.press(']');
  await page.keyboard.press(']');
  await expect(rail.getByRole('button', { name: /^Image tag/ })).toBeFocused();
  await page.keyboard.press('Enter');
  await page.waitForURL(/\/markup(\?|$)/);
  await page.keyboard.press('Control+k');
  await expect(page.getByRole('listbox')).toBeVisible();
  expect(await violations(page), 'find').toEqual([]);
  await page.keyboard.type('workshop.html');
  await page.keyboard.press('Enter');
  await expect(page.getByText('8 items in 1 gallery')).toBeVisible();
});

test('by keyboard: past the bar at once, a fix leads on to the next finding, and what has happened is said', async ({
  page,
}) => {
  await openKites(page);
  await goTo(page, 'proof');
  await settled(page);
  await page.reload();
  await settled(page);
  await page.keyboard.press('Tab');
  const skip = page.getByRole('link', { name: 'Skip to the station' });
  await expect(skip).toBeFocused();
  await expect(skip).toBeInViewport({ ratio: 1 });
  await page.keyboard.press('Enter');
  await expect(page.getByRole('main')).toBeFocused();

  const findings = page.getByRole('list', { name: 'Findings' });
  const count = await findings.getByRole('listitem').count();
  const link = { name: 'Link to festival.html' };
  const fix = findings.getByRole('button', link);
  const row = findings.getByRole('listitem').filter({ has: page.getByRole('button', link) });
  const at = await row.evaluate((one) => [...one.parentElement!.children].indexOf(one));
  await fix.focus();
  await page.keyboard.press('Enter');
  await expect(findings.getByRole('listitem')).toHaveCount(count - 1);
  await expect(findings.getByRole('listitem').nth(at).getByRole('button').last()).toBeFocused();
  await expect(page.getByRole('status').getByText(/^Link “Festival pictures” to/)).toBeAttached();

  await page.keyboard.press('j');
  await expect(page.getByRole('status').getByText(/: (whole|broken|to check), \S+\.html$/)).toBeAttached();
  // Each finding counts at one station.
  const stations = page.getByRole('navigation', { name: 'Stations' }).getByRole('link');
  await expect(stations.filter({ hasText: 'Pairs' })).toHaveAccessibleName(/^Pairs ?, \d+ open$/);
  const open = (await stations.allTextContents()).map((text) => Number(/\d+/.exec(text)?.[0] ?? 0));
  expect(open.reduce((a, b) => a + b)).toBe(count - 1);
});

test('Proof by keyboard: the findings come first, and each preview is one stop that can be entered', async ({
  page,
}) => {
  await openKites(page, 'proof');
  await page.getByRole('main').focus();
  const focused = page.locator(':focus');
  const stops: string[] = [];
  const next = async () => {
    await page.keyboard.press('Tab');
    stops.push(await focused.evaluate((one) => one.textContent?.trim() ?? ''));
  };
  while (!/^Rename the file/.test(stops.at(-1) ?? '') && stops.length < 12) await next();
  // The page, what it may ask for, the report, all fixes at once, the tabs, the groups; then the finding itself.
  expect(stops.length, `to the first fix: ${stops.join(', ')}`).toBeLessThanOrEqual(9);
  while (!/^Enter the preview/.test(stops.at(-1) ?? '') && stops.length < 60) await next();
  await next();
  await next();
  expect(stops.slice(-3)).toEqual(
    [390, 768, 1280].map((width) => expect.stringMatching(`^Enter the preview: .* at ${width} px$`)),
  );
  await expect(focused).toBeInViewport({ ratio: 1 });
  await page.keyboard.press('Enter');
  await expect(page.getByTitle(/at 1280 px$/)).toBeFocused();
  await page.keyboard.press('Tab');
  const inside = page.frameLocator('iframe[title$="at 1280 px"]');
  await expect(inside.getByRole('link').first()).toBeFocused();
  // What is open in the page is closed first; then the key leads out.
  await inside.getByRole('link', { name: 'A purple delta kite' }).press('Enter');
  await expect(inside.getByRole('dialog')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(inside.getByRole('dialog')).toHaveCount(0);
  await expect(page.getByTitle(/at 1280 px$/)).toBeFocused();
  await page.keyboard.press('Escape');
  await expect(focused).toHaveText(/^Enter the preview: .* at 1280 px$/);
});

test('Escape stops a rehearsal also while its page has the focus, and closes Find at once', async ({ page }) => {
  await openKites(page, 'wiring');
  await page.getByRole('button', { name: 'Rehearse' }).click();
  const rehearsal = page.getByRole('dialog', { name: /^Rehearsal/ });
  await expect(rehearsal.getByRole('status')).toHaveText(/^Clicking /);
  // Before the page is there, the key belongs to the sheet.
  await page.getByTitle(/while it is rehearsed/).focus();
  // A page of another origin learns of the focus a moment later.
  await framesOn(page);
  await page.keyboard.press('Escape');
  await expect(rehearsal).toHaveCount(0);
  await page.getByRole('button', { name: 'Rehearse' }).click();
  await expect(rehearsal.getByRole('status')).toHaveText(/^Clicking .* 3 of/);
  await page.getByTitle(/while it is rehearsed/).focus();
  // A page of another origin learns of the focus a moment later.
  await framesOn(page);
  await page.keyboard.press('Escape');
  await expect(rehearsal).toHaveCount(0);
  await expect(page.getByRole('button', { name: 'Rehearse' })).toBeFocused();

  await page.keyboard.press('Control+k');
  await expect(page.getByRole('listbox')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toHaveCount(0);
});
