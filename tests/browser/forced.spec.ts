/** In the visitor's own few colours, and where motion is not welcome: what is chosen or pressed is still told. */
import type { Locator, Page } from '@playwright/test';
import { expect, goTo, openKites, settled, test } from './fixtures';

const ground = (one: Locator): Promise<string> => one.evaluate((element) => getComputedStyle(element).backgroundColor);

/** Grounds of the page itself: whatever has one of them cannot be told from it. */
async function canvas(page: Page): Promise<RegExp> {
  const color = await page.evaluate(() => {
    const probe = document.createElement('div');
    probe.style.cssText = 'background: Canvas; forced-color-adjust: none';
    document.body.append(probe);
    const found = getComputedStyle(probe).backgroundColor;
    probe.remove();
    return found;
  });
  return new RegExp(`^(${color.replace(/[()]/g, '\\$&')}|rgba\\(0, 0, 0, 0\\)|rgba\\(255, 255, 255, 0\\))$`);
}

test('in forced colours the main action, tabs, modes, the present station and the row in hand are seen', async ({
  page,
}) => {
  await page.emulateMedia({ forcedColors: 'active' });
  await openKites(page);
  const plain = await canvas(page);
  const filled = async (one: Locator) => expect(await ground(one)).not.toMatch(plain);
  const bare = async (one: Locator) => expect(await ground(one)).toMatch(plain);

  await filled(page.getByRole('button', { name: /^Create \d+ missing/ }));
  await bare(page.getByRole('button', { name: 'Image sizes', exact: true }));
  await filled(page.locator('.MuiTabs-indicator'));
  const stations = page.getByRole('navigation', { name: 'Stations' });
  const bead = (name: string) =>
    stations
      .getByRole('link', { name: new RegExp(`^${name}`) })
      .locator('span')
      .first();
  await filled(bead('Pairs'));
  await bare(bead('Markup'));
  const inHand = page.locator('li.chosen');
  expect(await inHand.evaluate((one) => getComputedStyle(one, '::before').borderLeftWidth)).toBe('3px');

  await goTo(page, 'markup');
  await settled(page);
  const widths = page.getByRole('group', { name: 'Width of the live page' });
  await filled(widths.getByRole('button', { name: '768 px' }));
  await bare(widths.getByRole('button', { name: '390 px' }));
  // A thread is drawn in a colour of the visitor's, and its gaps tell what it is.
  const thread = page.locator('svg g[stroke]').first();
  const text = await page.evaluate(() => getComputedStyle(document.body).color);
  expect(await thread.evaluate((one) => getComputedStyle(one).stroke)).toBe(text);
  await expect(page.locator('svg g[stroke-dasharray="2 3"]').first()).toBeAttached();
});

test('where motion is not welcome nothing of the interface moves by itself', async ({ page }) => {
  await page.emulateMedia({ reducedMotion: 'reduce' });
  await openKites(page);
  const moving = () =>
    page.evaluate(() =>
      document
        .getAnimations()
        .map((one) => ({ ms: Number(one.effect?.getComputedTiming().duration), of: one.id }))
        .filter(({ ms }) => ms > 1),
    );
  await page.getByRole('button', { name: /^Create \d+ missing/ }).click();
  expect(await moving()).toEqual([]);
  await goTo(page, 'wiring');
  await page.getByRole('button', { name: 'Add a viewer' }).click();
  expect(await moving()).toEqual([]);
  await expect(page.getByRole('dialog')).toBeVisible();
  expect(await moving()).toEqual([]);
});
