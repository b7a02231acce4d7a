/**
 * A working day: pictures added in the page's own hand, captions set, wiring undone and redone.
 */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect, goTo, openFiles, openKites, photograph, test, unpacked } from './fixtures';
import type { Page } from '@playwright/test';
import { PAGES } from '../site/make';

async function choosePage(page: Page, path: string): Promise<void> {
  await page.getByRole('combobox', { name: 'Page' }).click();
  await page.getByRole('option', { name: path, exact: true }).click();
}

test('pairs are added in the page’s own pattern, with the pictures’ own words', async ({ page }) => {
  await openKites(page, 'markup');
  await choosePage(page, 'workshop.html');
  await page.getByRole('button', { name: 'Add 4 pairs' }).click();
  const dialog = page.getByRole('dialog', { name: 'Add to workshop.html' });
  const row = dialog.getByRole('listitem').filter({ has: page.getByRole('checkbox', { name: 'Add sewing-seams' }) });
  // IPTC words where the file has them; its name gives a caption where it has none, and never an alt text.
  await expect(row.getByRole('textbox', { name: 'Alt text' })).toHaveValue('The seams of a parafoil');
  const first = dialog.getByRole('listitem').first();
  await expect(first.getByRole('textbox', { name: 'Caption' })).toHaveValue('Glue pot');
  await expect(first.getByRole('textbox', { name: 'Alt text' })).toHaveValue('');
  // The pattern has a place for each: the link's title, the caption below.
  for (const name of ['Title', 'Caption']) await row.getByRole('textbox', { name }).fill('Seams & "stitches"');
  await dialog.getByRole('checkbox', { name: 'Add tail-bows' }).click();
  await dialog.getByRole('button', { name: 'Add 3 items' }).click();
  await expect(page.getByText('11 items in 1 gallery')).toBeVisible();
  await expect(page.frameLocator('iframe[title="Live page workshop.html"]').locator('.shot em')).toHaveText([
    'Reel box',
    'Tail makers',
    'Winding line',
    'Spar splice',
    'Bridle knots',
    'Bamboo, split',
    'Paper cut',
    'First flight',
    'Glue pot',
    'Seams & "stitches"',
    'Spare spars leaning on the bench',
  ]);
  const text = readFileSync(join(await unpacked(page), 'workshop.html'), 'utf8');
  const before = readFileSync(join(PAGES, 'workshop.html'), 'utf8');
  const at = before.lastIndexOf('</p>\n</div>') + 4;
  expect(text.startsWith(before.slice(0, at))).toBe(true);
  expect(text.endsWith(before.slice(at))).toBe(true);
  expect(text).toContain(
    '  <p class="shot"><a href="photos/large/sewing-seams.jpg" data-enlarge data-enlarge-group="workshop" title="Seams &amp; &quot;stitches&quot;">\n    <img src="photos/small/sewing-seams.jpg" width="150" height="100" alt="The seams of a parafoil"></a>\n    <em>Seams &amp; "stitches"</em></p>',
  );
});

test('a caption is set from the rail, typed text is undone by the one history, and wiring takes only what is missing', async ({
  page,
}) => {
  const html =
    '<!DOCTYPE html>\r\n<html lang="en">\r\n<head><meta charset="utf-8"><title>t</title></head>\r\n<body>\r\n<h1>Walk</h1>\r\n<figure><a href="a.jpg"><img src="thumbs/a.jpg" alt="A"></a><figcaption>old</figcaption></figure>\r\n<figure><a href="b.jpg"><img src="thumbs/b.jpg" alt="B"></a><figcaption>two</figcaption></figure>\r\n</body>\r\n</html>\r\n';
  const small = (n: number) => photograph(n, 600, 400);
  await openFiles(page, {
    'index.html': html,
    'a.jpg': await photograph(1),
    'b.jpg': await photograph(2),
    'thumbs/a.jpg': await small(1),
    'thumbs/b.jpg': await small(2),
  });
  await goTo(page, 'markup');
  await expect(page.getByText('2 items in 1 gallery')).toBeVisible();
  await page.keyboard.press('j');
  await page.getByRole('list', { name: 'Items' }).getByRole('button').first().click();
  const caption = page.getByRole('textbox', { name: 'Caption' });
  await caption.fill('New & old');
  await page.keyboard.press('Enter');
  // Whoever types on before the change is written loses nothing by its coming.
  await caption.fill('New & older');
  await expect(page.locator('.cm-line', { hasText: 'New &amp; old<' })).toHaveCount(1);
  await expect(page.getByRole('button', { name: /^Undo: / })).toBeEnabled();
  await expect(caption).toHaveValue('New & older');
  await caption.fill('New & old');
  await page.locator('.cm-line', { hasText: '<h1>Walk' }).click();
  await page.keyboard.press('End');
  await page.keyboard.press('Enter');
  await page.keyboard.type('<p>typed</p>');
  await expect(page.getByRole('button', { name: 'Undo: Type in index.html' })).toBeVisible();
  await goTo(page, 'wiring');
  await page.getByRole('button', { name: 'Add a viewer' }).click();
  await expect(page.getByRole('region', { name: 'Difference' }).last()).toContainText('viewer/lightbox.js · new file');
  await page.getByRole('button', { name: 'Apply' }).click();
  await expect(page.getByText('2 of 2 links handled')).toBeVisible();
  await page.getByRole('button', { name: 'Add a viewer' }).click();
  await expect(page.getByText('Every link that can be wired is wired already')).toBeVisible();
  await page.getByRole('button', { name: 'Close' }).last().click();
  const text = readFileSync(join(await unpacked(page), 'index.html'), 'utf8');
  // Not one line break of another kind has come in.
  expect(text.replaceAll('\r\n', '')).not.toMatch(/[\r\n]/);
  expect(text).toContain('<h1>Walk</h1>\r\n<p>typed</p>\r\n<figure>');
  // Typing with a pause in it is more than one entry, so the number is not known beforehand.
  const nothing = page.getByRole('button', { name: 'Nothing to undo' });
  for (let n = 0; n < 15 && (await nothing.count()) === 0; n++) {
    await page
      .getByRole('button', { name: /^Undo: / })
      .click({ timeout: 3000 })
      .catch(() => undefined);
    await expect(page.getByRole('button', { name: /^Redo: / })).toBeEnabled();
  }
  await expect(nothing).toBeVisible();
  expect(readFileSync(join(await unpacked(page), 'index.html'), 'utf8')).toBe(html);
});
