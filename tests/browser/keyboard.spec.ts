/** One whole job by keyboard alone: how often Tab is pressed, where the focus is after each action, what is said. */
import type { Locator } from '@playwright/test';
import { expect, openKites, settled, test } from './fixtures';

/** Of Tab, for fixing a finding, adding pairs, adding a viewer and saving the site. */
const MOST_TABS = 70;

test('a whole job takes few presses of Tab, and the focus never falls back to the page', async ({ page }) => {
  test.setTimeout(180_000);
  await openKites(page);
  let tabs = 0;
  const trail: string[] = [];
  const focused = page.locator(':focus');
  const hasFocus = (one: Locator) => one.evaluate((element) => element === document.activeElement);
  const tabTo = async (target: Locator) => {
    await expect(target).toBeVisible();
    const before = tabs;
    while (!(await hasFocus(target))) {
      await page.keyboard.press('Tab');
      tabs += 1;
      trail.push(await sayFocus(focused));
      if (tabs - before > 60) throw new Error(`It is not reached: ${trail.slice(-60).join(' · ')}`);
    }
    trail.push(`[${tabs - before}]`);
  };
  const press = async (target: Locator) => {
    await tabTo(target);
    await page.keyboard.press('Enter');
  };
  const main = page.getByRole('main');
  const said = (words: RegExp) => expect(page.getByRole('status').getByText(words).first()).toBeAttached();
  /** Somewhere that one can go on from, and not at the top of everything. */
  const isSomewhere = () => expect(page.locator('body')).not.toBeFocused();

  await page.keyboard.press('Alt+4');
  await press(
    main
      .getByRole('list', { name: 'Findings' })
      .getByRole('button', { name: /^Rename/ })
      .first(),
  );
  await said(/^Rename/);
  await isSomewhere();
  await settled(page);

  await page.keyboard.press('Alt+2');
  await press(main.getByRole('button', { name: /^Add \d+ pairs/ }));
  await isSomewhere();
  const dialog = page.getByRole('dialog');
  await press(dialog.getByRole('button', { name: /^Add/ }));
  await expect(dialog).toHaveCount(0);
  await said(/^Add/);
  await isSomewhere();
  await settled(page);

  await page.keyboard.press('Alt+3');
  await press(main.getByRole('button', { name: /^Add a viewer/ }));
  await press(dialog.getByRole('button', { name: 'Apply' }));
  await expect(dialog).toHaveCount(0);
  await said(/lightbox/i);
  await isSomewhere();
  await settled(page);

  await page.keyboard.press('Alt+5');
  const download = page.waitForEvent('download');
  await press(main.getByRole('button', { name: 'Save as ZIP' }));
  await download;
  await said(/^Saved: /);
  await isSomewhere();

  console.log(`${tabs} presses of Tab; at most ${MOST_TABS}\n${trail.join(' · ')}`);
  expect(tabs).toBeLessThanOrEqual(MOST_TABS);
});

const sayFocus = (focused: Locator): Promise<string> =>
  focused
    .evaluate(
      (one) => `${one.tagName.toLowerCase()} ${one.getAttribute('aria-label') ?? one.textContent?.slice(0, 24)}`,
    )
    .catch(() => 'nothing');
