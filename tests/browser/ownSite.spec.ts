/** Work on a site of one's own: pages made from others, texts in all files, many rows at once, keys that can be off. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import sharp from 'sharp';
import { violations } from './axe';
import { expect, openFiles, openKites, photograph, settled, show, test, unpacked } from './fixtures';

test('a new page that is refused keeps what was typed, and says beside the field what is wrong', async ({ page }) => {
  await openKites(page, 'markup');
  await page.getByRole('button', { name: 'New page', exact: true }).click();
  const dialog = page.getByRole('dialog', { name: 'New page' });
  const [title, file] = ['Title', 'File'].map((name) => dialog.getByRole('textbox', { name }));
  await dialog.getByRole('button', { name: 'Create page' }).click();
  await expect(title!).toHaveAccessibleDescription('Write a title.');
  await title!.fill('Workshop');
  // Free, and after the title.
  await expect(file!).toHaveValue('workshop-2.html');
  await file!.fill('Workshop.html');
  await expect(file!).toHaveAccessibleDescription('There is a file Workshop.html already.');
  await dialog.getByRole('combobox', { name: 'Start from' }).click();
  await page.getByRole('option', { name: 'festival.html' }).click();
  await dialog.getByRole('checkbox', { name: /^Select all/ }).check();
  await dialog.getByRole('button', { name: 'Create page' }).click();
  expect(await violations(page)).toEqual([]);
  await expect(title!).toHaveValue('Workshop');
  await expect(dialog.getByRole('checkbox', { name: 'Select none' })).toBeChecked();
  await file!.fill('more.html');
  await dialog.getByRole('button', { name: 'Create page' }).click();
  await expect(page.getByRole('status').getByText('New page more.html from festival.html')).toBeVisible();
});

test('a text is replaced in the files that are chosen, seen before it is done, and undone as one change', async ({
  page,
}) => {
  await openKites(page, 'proof');
  await page.keyboard.press('Control+k');
  await page.getByRole('combobox', { name: /^Find a page/ }).fill('search all');
  await page.getByRole('option', { name: /^Find and replace/ }).click();
  const dialog = page.getByRole('dialog', { name: 'Find and replace' });
  await dialog.getByRole('textbox', { name: 'Find' }).fill('Tarrowby Kite Circle');
  await dialog.getByRole('textbox', { name: 'Replace with' }).fill('Kite <b>& line</b>');
  const files = dialog.getByRole('list', { name: 'Files with this text' }).getByRole('listitem');
  await expect(files).toHaveCount(4);
  await files.filter({ hasText: 'workshop.html' }).getByRole('checkbox').uncheck();
  await expect(dialog.getByRole('region', { name: 'Difference' })).toContainText('+ ');
  expect(await violations(page)).toEqual([]);
  await dialog.getByRole('button', { name: /^Replace in \d+ places$/ }).click();
  await expect(dialog.getByRole('status').getByText(/^Replace “Tarrowby Kite Circle”/)).toBeVisible();
  await dialog.getByRole('button', { name: 'Close' }).click();
  await expect(page.getByRole('button', { name: /^Undo: Replace “Tarrowby/ })).toBeEnabled();
  const out = await unpacked(page);
  const text = (name: string) => readFileSync(join(out, name), 'utf8');
  expect(text('index.html')).not.toContain('Tarrowby Kite Circle');
  expect(text('index.html')).toContain('Kite <b>& line</b>');
  expect(text('workshop.html')).toContain('Tarrowby Kite Circle');
});

test('thumbnails made by hand are replaced, a range of them with Shift, by mouse and by keyboard', async ({ page }) => {
  await openKites(page);
  await page.getByRole('button', { name: 'Replace thumbnails' }).click();
  const dialog = page.getByRole('dialog', { name: 'Replace thumbnails' });
  const boxes = dialog.getByRole('list').getByRole('checkbox');
  await expect(boxes).not.toHaveCount(0);
  const count = await boxes.count();
  expect(count).toBeGreaterThan(6);
  await boxes.nth(1).click();
  await boxes.nth(4).click({ modifiers: ['Shift'] });
  await expect(dialog.getByRole('checkbox', { checked: true })).toHaveCount(4);
  await boxes.nth(5).focus();
  await page.keyboard.press('Shift+Space');
  await expect(dialog.getByRole('button', { name: 'Replace 5 thumbnails' })).toBeEnabled();
  expect(await violations(page)).toEqual([]);
  await dialog.getByRole('button', { name: 'Replace 5 thumbnails' }).click();
  await expect(page.getByRole('status').getByText('Create 5 thumbnails').first()).toBeVisible();
  await page.getByRole('button', { name: 'Replace thumbnails' }).click();
  await expect(boxes).toHaveCount(count - 5);
});

test('an edited copy is found as similar, and clear parts of a PNG are asked for before they are filled', async ({
  page,
}) => {
  const kite = await photograph(3);
  await openFiles(page, {
    'kite.jpg': kite,
    'kite (1).jpg': kite,
    'kite-bright.jpg': await sharp(kite).modulate({ brightness: 1.15 }).jpeg().toBuffer(),
    'badge.png': await sharp({ create: { width: 300, height: 200, channels: 4, background: '#b3402a80' } })
      .png()
      .toBuffer(),
  });
  await show(page, /^Duplicates/);
  const groups = page.getByRole('list', { name: 'Groups of duplicates' }).getByRole('listitem');
  await expect(groups.filter({ hasText: 'identical files' })).toContainText('Keep kite.jpg, delete 1 copy');
  await expect(groups.filter({ hasText: 'similar: edited' })).toContainText('kite-bright.jpg');
  await show(page, /^Pairs/);
  const asked = page.getByRole('region', { name: 'Decisions about file formats' });
  await expect(asked).toContainText('badge.png');
  await asked.getByRole('button', { name: 'Keep PNG' }).click();
  await expect(asked).toHaveCount(0);
  await page.getByRole('button', { name: /^Create \d+ missing thumbnails$/ }).click();
  await expect(page.getByText('thumbs/badge.png').first()).toBeVisible({ timeout: 60_000 });
});

test('a site gets another name, which outlasts a reload', async ({ page }) => {
  await openFiles(page, { 'index.html': '<!DOCTYPE html><title>x</title>' });
  await page.goto('/');
  await page.getByRole('button', { name: /^Rename / }).click();
  const dialog = page.getByRole('dialog', { name: 'Rename site' });
  await dialog.getByRole('textbox', { name: 'Name' }).fill('');
  await page.keyboard.press('Enter');
  await expect(dialog).toContainText('Write a name.');
  await dialog.getByRole('textbox', { name: 'Name' }).fill('Lines & knots');
  await page.keyboard.press('Enter');
  await page.reload();
  await page.getByRole('link', { name: 'Lines & knots' }).click();
  await settled(page);
});

test('letters that come after Escape in the editor do nothing, and keys of a letter can be switched off', async ({
  page,
}) => {
  await openKites(page, 'markup');
  await page.locator('.cm-content').click();
  await page.keyboard.press('Escape');
  await page.keyboard.type('fh?');
  await expect(page.getByRole('dialog')).toHaveCount(0);
  // Also while completions are looked for; a list that is seen closes first.
  await page.keyboard.press('Enter');
  await page.keyboard.press('Control+End');
  await page.keyboard.type('<!-- -->\n<p>And a cat.</p>');
  await page.keyboard.press('Escape');
  await expect(page.locator('.cm-content')).not.toBeFocused();
  await page.keyboard.press('Enter');
  await page.keyboard.type('<im');
  await expect(page.locator('.cm-tooltip-autocomplete')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.locator('.cm-tooltip-autocomplete')).toHaveCount(0);
  await expect(page.locator('.cm-content')).toBeFocused();
  await page.keyboard.press('Escape');
  await page.keyboard.type('fh?');
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await expect(page.locator('.cm-content')).not.toContainText('fh?');
  // Back goes past the editor, where Shift+Tab would take indentation away; Enter returns to it.
  await page.keyboard.press('Shift+Tab');
  await expect(page.locator('.cm-content')).not.toBeFocused();
  await expect(page.locator('body')).not.toBeFocused();
  await page.locator('.cm-content').focus();
  await page.keyboard.press('Escape');
  await page.keyboard.press('Enter');
  await expect(page.locator('.cm-content')).toBeFocused();
  await page.keyboard.press('Escape');
  // Tab goes on, out of the editor; there the keys work again.
  await page.keyboard.press('Tab');
  await expect(page.locator('.cm-content')).not.toBeFocused();
  await page.keyboard.press('?');
  const keys = page.getByRole('dialog', { name: 'Keys' });
  await keys.getByRole('checkbox', { name: 'Keys of a single letter' }).uncheck();
  await keys.getByRole('button', { name: 'Close' }).click();
  await page.reload();
  await settled(page);
  await page.locator('#main').focus();
  await page.keyboard.type('fh?');
  await expect(page.getByRole('dialog')).toHaveCount(0);
  // What takes a modifier works all the same.
  await page.keyboard.press('Control+k');
  await expect(page.getByRole('dialog', { name: 'Find' })).toBeVisible();
});
