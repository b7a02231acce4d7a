/**
 * The journal to look at: plain words, differences, the way back to any point and forth again, names that outlast a
 * reload.
 */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { violations } from './axe';
import { expect, goTo, openKites, settled, test, unpacked, LONG } from './fixtures';
import { PAGES } from '../site/make';

test(
  'what was done is listed with its differences; one goes back to a named point, across a reload, and forth again',
  { tag: LONG },
  async ({ page }) => {
    await openKites(page, 'markup');
    for (const [n, caption] of ['First', 'Second', 'Third'].entries()) {
      const field = page.getByRole('textbox', { name: 'Caption' });
      await field.fill(caption);
      await field.press('Enter');
      await expect(page.getByRole('button', { name: /^Undo: Set the caption/ })).toBeVisible();
      await page.locator('body').click({ position: { x: 600, y: 10 } });
      await page.keyboard.press('h');
      const dialog = page.getByRole('dialog', { name: 'History' });
      await expect(dialog.getByRole('listitem')).toHaveCount(n + 2);
      await dialog.getByRole('button', { name: 'Close' }).click();
    }
    await page.getByRole('button', { name: 'History', exact: true }).click();
    const dialog = page.getByRole('dialog', { name: 'History' });
    const entries = dialog.getByRole('list', { name: 'Changes, latest first' }).getByRole('listitem');
    await expect(entries.first()).toContainText('current state');
    await expect(dialog.getByRole('region', { name: 'Difference' })).toContainText('<span>Third</span>');
    expect(await violations(page)).toEqual([]);
    await entries.nth(2).getByRole('button').click();
    await expect(dialog.getByRole('region', { name: 'Difference' })).toContainText('<span>First</span>');
    await dialog.getByRole('textbox', { name: 'Name of this restore point' }).fill('Before the feast');
    await dialog.getByRole('button', { name: 'Save the name' }).click();
    await expect(entries.nth(2)).toContainText('Before the feast');
    await dialog.getByRole('button', { name: 'Undo to here' }).click();
    await expect(entries.nth(2)).toContainText('current state');
    await expect(entries.first()).toContainText('undone');
    await dialog.getByRole('button', { name: 'Close' }).click();
    expect(readFileSync(join(await unpacked(page), 'festival.html'), 'utf8')).toContain('<span>First</span>');

    await page.reload();
    await settled(page);
    await goTo(page, 'markup');
    await page.getByRole('button', { name: 'History', exact: true }).click();
    await expect(entries.nth(2)).toContainText('Before the feast');
    await entries.first().getByRole('button').click();
    await dialog.getByRole('button', { name: 'Redo to here' }).click();
    await expect(entries.first()).toContainText('current state');
    await entries.last().getByRole('button').click();
    await dialog.getByRole('button', { name: 'Undo to here' }).click();
    await expect(entries.last()).toContainText('current state');
    await dialog.getByRole('button', { name: 'Close' }).click();
    expect(readFileSync(join(await unpacked(page), 'festival.html'), 'utf8')).toBe(
      readFileSync(join(PAGES, 'festival.html'), 'utf8'),
    );
  },
);

test(
  'for those who like it, every change is shown before it is made, and may be left',
  { tag: LONG },
  async ({ page }) => {
    await openKites(page, 'markup');
    await page.getByRole('button', { name: 'History' }).click();
    await page.getByRole('checkbox', { name: 'Show each change before it is applied' }).check();
    await page.getByRole('button', { name: 'Close' }).click();
    const remove = page.getByRole('complementary', { name: 'Strand' }).getByRole('button', { name: 'Remove item' });
    const name = await page.getByRole('complementary', { name: 'Strand' }).getByRole('heading').textContent();
    await remove.click();
    const before = page.getByRole('dialog', { name: `Remove ${name} from festival.html?` });
    await expect(before.getByRole('region', { name: 'Difference' })).toContainText('<li>');
    expect(await violations(page)).toEqual([]);
    await before.getByRole('button', { name: 'Cancel' }).click();
    await expect(page.getByText('12 items in 1 gallery')).toBeVisible();
    await expect(page.getByRole('button', { name: 'Nothing to undo' })).toBeDisabled();
    await page.reload();
    await remove.click();
    await before.getByRole('button', { name: 'Apply this change' }).click();
    await expect(page.getByText('11 items in 1 gallery')).toBeVisible();
    // What cannot be done says why, and what was shown already is not shown twice.
    await page.getByRole('button', { name: 'Edit the pattern' }).click();
    const pattern = page.getByRole('region', { name: 'Pattern' });
    const text = pattern.getByRole('textbox', { name: 'One item' });
    await text.fill((await text.inputValue()).replace('<span>{caption}</span>', '<b>{caption}</b>'));
    await pattern.getByRole('button', { name: 'Apply to all items' }).click();
    await expect(page.getByRole('status').getByText(/^Apply another pattern to 11 items/)).toBeVisible();
    await page.getByRole('button', { name: 'History' }).click();
    await page.getByRole('checkbox', { name: 'Show each change before it is applied' }).uncheck();
    await page.getByRole('button', { name: 'Close' }).click();
    await remove.click();
    await expect(page.getByText('10 items in 1 gallery')).toBeVisible();
  },
);
