/** Every screen, by day and by night, before axe-core; and the stations by keyboard alone. */
import { expect, goTo, openDemo, test } from './fixtures';
import { violations } from './axe';

for (const colorScheme of ['light', 'dark'] as const) {
  test(`no violation on any screen (${colorScheme})`, async ({ page }) => {
    test.setTimeout(120_000);
    await page.emulateMedia({ colorScheme });
    await page.goto('/');
    await expect(page.getByText('Tarrowby Kite Circle')).toBeVisible({ timeout: 90_000 });
    expect(await violations(page), 'shelf').toEqual([]);
    await openDemo(page);
    for (const station of ['pairs', 'markup', 'wiring', 'proof', 'pack']) {
      await goTo(page, station);
      await page.waitForTimeout(300);
      expect(await violations(page), station).toEqual([]);
    }
    await goTo(page, 'markup');
    await page.getByRole('button', { name: 'Add 4 pairs' }).click();
    expect(await violations(page), 'add pictures').toEqual([]);
    await page.keyboard.press('Escape');
    await page.keyboard.press('?');
    await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
    expect(await violations(page), 'keys').toEqual([]);
  });
}

test('stations, strands and joints are reached by keyboard', async ({ page }) => {
  await openDemo(page);
  for (const [n, station] of ['pairs', 'markup', 'wiring', 'proof', 'pack'].entries()) {
    await page.keyboard.press(`Alt+Digit${n + 1}`);
    await page.waitForURL(new RegExp(`/${station}(\\?|$)`));
  }
  const rail = page.getByRole('complementary', { name: 'Strand' });
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
