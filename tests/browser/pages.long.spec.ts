/** A long gallery put on several pages, and on one again. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { violations } from './axe';
import { expect, goTo, openKites, test, unpacked } from './fixtures';
import { PAGES } from '../site/make';

test('a gallery is split into pages of five, each a real page with the way to the next, and put on one again', async ({
  page,
}) => {
  await openKites(page, 'markup');
  await page.getByRole('button', { name: 'Items…' }).click();
  const dialog = page.getByRole('dialog', { name: /items on festival\.html/ });
  await dialog.getByRole('spinbutton', { name: 'On a page' }).fill('5');
  await dialog.getByRole('button', { name: 'Split into pages' }).click();
  await expect(dialog.getByText('On 3 pages of 5', { exact: true })).toBeVisible();
  await dialog.getByRole('checkbox', { name: 'Choose delta-over-mere' }).check();
  await dialog.getByRole('button', { name: 'Remove 1 item' }).click();
  await expect(dialog.getByText('On 3 pages of 5, to be updated')).toBeVisible();
  expect(await violations(page)).toEqual([]);
  await dialog.getByRole('button', { name: 'Update the split pages' }).click();
  await expect(dialog.getByText('On 3 pages of 5', { exact: true })).toBeVisible();
  await dialog.getByRole('button', { name: 'Close' }).click();
  const out = await unpacked(page);
  const pictures = (path: string) => readFileSync(join(out, path), 'utf8').match(/<img /g)?.length;
  expect(['festival.html', 'festival-2.html', 'festival-3.html'].map(pictures)).toEqual([5, 5, 1]);
  expect(readFileSync(join(out, 'festival-2.html'), 'utf8')).toContain(
    '<title>Festival pictures, page 2 – Tarrowby Kite Circle</title>',
  );

  // In a browser, from disk: forth to the last page and back by the links alone.
  const visitor = await page.context().newPage();
  await visitor.goto(`file://${join(out, 'festival.html')}`);
  for (const [link, shown] of [
    ['Next', 5],
    ['Next', 1],
    ['Previous', 5],
    ['1', 5],
  ] as const) {
    await visitor
      .getByRole('navigation', { name: 'Pages of this gallery' })
      .getByRole('link', { name: link, exact: true })
      .click();
    await expect(visitor.locator('.meadow img')).toHaveCount(shown);
  }
  await expect(visitor).toHaveURL(/festival\.html$/);
  await visitor.close();

  await goTo(page, 'markup');
  for (const label of [
    'Split the gallery of festival.html into 3 pages',
    'Remove 1 item',
    'Split the gallery of festival.html into 3 pages',
  ])
    await page.getByRole('button', { name: new RegExp(`^Undo: ${label}`) }).click();
  await expect(page.getByRole('button', { name: /^Undo:/ })).toHaveCount(0);
  expect(readFileSync(join(await unpacked(page), 'festival.html'), 'utf8')).toBe(
    readFileSync(join(PAGES, 'festival.html'), 'utf8'),
  );
});
