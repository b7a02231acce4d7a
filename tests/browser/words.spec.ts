/** Words and rights: the fast list, lists that go out and come in, and where pictures were taken. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import ExifReader from 'exifreader';
import Papa from 'papaparse';
import type { Page } from '@playwright/test';
import { violations } from './axe';
import { expect, goTo, openKites, scrollTo, show, test, unpacked } from './fixtures';

const row = (page: Page, file: string) =>
  page
    .getByRole('table', { name: 'Text and credits' })
    .getByRole('row')
    .filter({ has: page.getByText(file, { exact: true }) });

test('alt texts and captions are written in a fast list by keyboard alone, the picture large beside it', async ({
  page,
}) => {
  await openKites(page);
  await show(page, 'Text and credits, 1');
  expect(await violations(page)).toEqual([]);
  await page.getByRole('checkbox', { name: 'only the 1 without alt text' }).check();
  const list = page.getByRole('table', { name: 'Text and credits' });
  // Its headings, and one picture.
  await expect(list.getByRole('row')).toHaveCount(2);
  await expect(list.getByText('no alt text')).toBeVisible();
  const beside = page.getByRole('region', { name: 'Selected picture' });
  // A file's name is no alt text; what somebody says of the picture is offered.
  await expect(beside.getByRole('button', { name: /^Alt text/ })).toHaveCount(0);
  await beside.getByRole('textbox', { name: 'Title' }).fill('Paper, cut');
  await beside.getByRole('button', { name: 'Save text' }).click();
  await expect(beside.getByRole('button', { name: 'Alt text: “Paper, cut”' })).toBeVisible();
  await list.getByRole('textbox', { name: 'Alt text of paper-cut.jpg' }).fill('Paper being cut for a sail');
  await page.keyboard.press('Enter');
  await expect(page.getByText('Every picture has an alt text.')).toBeVisible();
  await page.getByRole('checkbox', { name: /without alt text/ }).uncheck();

  // The heading puts the rows in the order of names, back, and as they stand on their pages.
  const heading = list.getByRole('columnheader', { name: 'Name' });
  const firstName = () => list.getByRole('row').nth(1).getByRole('textbox').first().getAttribute('aria-label');
  const asOnPages = await firstName();
  await heading.getByRole('button').click();
  await expect(heading).toHaveAttribute('aria-sort', 'ascending');
  await expect.poll(firstName).toBe('Alt text of bamboo-split.jpg');
  await heading.getByRole('button').click();
  await expect(heading).toHaveAttribute('aria-sort', 'descending');
  await heading.getByRole('button').click();
  await expect(heading).not.toHaveAttribute('aria-sort');
  await expect.poll(firstName).toBe(asOnPages);

  const first = row(page, 'delta-over-mere.jpg').first();
  await first.getByRole('textbox', { name: 'Caption of delta-over-mere.jpg' }).focus();
  await page.keyboard.press('Control+A');
  await page.keyboard.type('Delta, rising');
  await page.keyboard.press('Enter');
  // Enter goes on to the same field of the next row.
  await expect(page.getByRole('textbox', { name: 'Caption of box-kite-lark.jpg' })).toBeFocused();
  await page.keyboard.type(' and more');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('textbox', { name: 'Caption of box-kite-lark.jpg' })).toHaveValue('Lark box kite');
  await expect(beside.getByRole('img')).toBeVisible();

  const out = await unpacked(page);
  expect(readFileSync(join(out, 'festival.html'), 'utf8')).toContain('Delta, rising');
  expect(readFileSync(join(out, 'workshop.html'), 'utf8')).toContain('alt="Paper being cut for a sail"');
});

test('the strand beside the list is that of the row in hand, and there is none for a picture on no page', async ({
  page,
}) => {
  await openKites(page);
  await show(page, 'Text and credits, 1');
  const strand = page.getByRole('complementary', { name: 'Strand' });
  const inHand = page.getByRole('table').locator('[role="row"][aria-current]');
  const isTheSame = async () => {
    const name = await strand.getByRole('heading', { level: 2 }).textContent();
    await expect(inHand.getByRole('textbox').first()).toHaveAccessibleName(new RegExp(`of ${name}\\.`, 'i'));
  };
  await isTheSame();
  await page.keyboard.press('j');
  await isTheSame();
  const onNoPage = await scrollTo(page, row(page, 'glue-pot.jpg').first());
  await onNoPage.getByRole('textbox').first().focus();
  await expect(strand).toContainText('This picture is on no page yet, so it has none.');
  await expect(page.getByRole('region', { name: 'Selected picture' }).getByRole('img')).toBeVisible();
  await page.getByRole('checkbox', { name: /without alt text/ }).check();
  await isTheSame();
});

test('words go out as CSV and come in again: only what is other is changed, in one step, and what has no place is said', async ({
  page,
}) => {
  await openKites(page);
  await show(page, 'Text and credits, 1');
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save as CSV' }).click();
  const text = readFileSync(await (await download).path(), 'utf8');
  const { data } = Papa.parse<Record<string, string>>(text.replace(/^\ufeff/, ''), {
    header: true,
    skipEmptyLines: true,
  });
  expect(data.length).toBeGreaterThan(20);
  expect(data.find(({ file }) => file === 'photos/large/paper-cut.jpg')?.alt).toBe('(missing)');
  const read = async (rows: Record<string, string>[]) =>
    page
      .locator('[data-pick="words"]')
      .setInputFiles({ name: 'words.csv', mimeType: 'text/csv', buffer: Buffer.from(Papa.unparse(rows)) });

  await read(data);
  await expect(page.getByText('words.csv: 0 rows with changed texts, nothing to change.')).toBeVisible();
  const others: Readonly<Record<string, object>> = {
    'photos/large/reel-box.jpg': { alt: 'A reel, "wound" & ready', caption: 'The reel' },
    'photos/large/paper-cut.jpg': { alt: 'Paper cut', copyright: '© Somebody' },
  };
  const changed = data.map((one) => ({ ...one, ...others[one.file ?? ''] }));
  await read([...changed, { page: 'gone.html', file: 'x.jpg', alt: 'x' }]);
  await expect(page.getByText('words.csv: 2 rows with changed texts.')).toBeVisible();
  await expect(page.getByText(`Row ${data.length + 1}: x.jpg is not on gone.html.`)).toBeVisible();
  const alt = page.getByRole('textbox', { name: 'Alt text of reel-box.jpg' });
  await expect(await scrollTo(page, alt)).toHaveValue('A reel, "wound" & ready');
  await page.getByRole('button', { name: 'Undo: Import 2 rows of texts from words.csv' }).click();
  await expect(await scrollTo(page, alt)).not.toHaveValue('A reel, "wound" & ready');
  await page
    .locator('[data-pick="words"]')
    .setInputFiles({ name: 'bad.csv', mimeType: 'text/csv', buffer: Buffer.from('a,b\n"1,2\n') });
  await expect(page.getByText(/^bad\.csv: Line \d/)).toBeVisible();
});

test('where pictures were taken is said, and removed when the site leaves, but for what is kept on purpose', async ({
  page,
}) => {
  await openKites(page);
  await show(page, 'Text and credits, 1');
  const copyright = page.getByRole('textbox', { name: 'Default copyright' });
  await copyright.fill('© 2026 The Circle');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByRole('status').getByText('Set copyright and credit')).toBeVisible();

  await (await scrollTo(page, page.getByRole('table', { name: 'Text and credits' }).getByText('TKC_0415.jpg'))).click();
  const beside = page.getByRole('region', { name: 'Selected picture' });
  await expect(beside.getByText('The file contains a location.')).toBeVisible();
  await expect(beside.getByText('It is removed on export.')).toBeVisible();
  await beside.getByRole('button', { name: 'Keep the location' }).click();
  await expect(beside.getByText('It is kept on export.')).toBeVisible();
  await goTo(page, 'pack');
  await expect(page.getByText('removed from 1 picture')).toBeVisible();
  await expect(page.getByText('kept on purpose in 1 picture')).toBeVisible();
  const out = await unpacked(page);
  const gps = (file: string) => ExifReader.load(readFileSync(join(out, file)), { expanded: true }).gps;
  expect(gps('camera/TKC_0412.jpg')).toBeUndefined();
  expect(gps('camera/TKC_0415.jpg')?.Latitude).toBeDefined();
});
