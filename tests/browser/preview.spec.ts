/** The live page: it follows the source, keeps its place, answers as a strict host would, and lights up with it. */
import { withoutDemo } from '../setOut';
import { importFolder, clickInside, expect, folderWith, goTo, openKites, photograph, test, LONG } from './fixtures';

const longPage = (title: string) =>
  `<!DOCTYPE html>\n<html lang="en"><head><meta charset="utf-8"><title>t</title><link rel="stylesheet" href="style.css"></head>\n<body>\n<h1>${title}</h1>\n<p><a href="a.jpg"><img src="thumbs/a.jpg" alt="a"></a></p>\n<p><a href="b.jpg"><img src="thumbs/b.jpg" alt="b"></a></p>\n${'<p>On the moor.</p>\n'.repeat(200)}</body></html>\n`;

async function site() {
  const small = await photograph(1, 400, 400);
  return folderWith({
    'index.html': longPage('First'),
    'style.css': 'h1 { color: rgb(1, 2, 3); }\n',
    'a.jpg': await photograph(1),
    'b.jpg': await photograph(2),
    'thumbs/a.jpg': small,
    'thumbs/b.jpg': await photograph(2, 400, 400),
    'deep/index.html': longPage('Deep'),
  });
}

test('an edit shows in the live page, which keeps its place; a style shows without loading anew', async ({ page }) => {
  await withoutDemo(page);
  await page.goto('/');
  await importFolder(page, await site());
  await goTo(page, 'markup');
  await page.getByRole('combobox', { name: 'Page' }).click();
  await page.getByRole('option', { name: 'index.html', exact: true }).click();
  const frame = page.frameLocator('iframe[title="Live page index.html"]');
  await expect(frame.locator('h1')).toHaveText('First');
  // The chosen item is marked and brought into sight once; after that the place is the visitor's.
  await expect(frame.locator('html > span')).toBeAttached();
  await frame.locator('body').evaluate(() => scrollTo(0, 900));
  await expect.poll(() => frame.locator('body').evaluate(() => scrollY)).toBe(900);

  const line = page.locator('.cm-line', { hasText: '<h1>First' });
  await page.locator('.cm-scroller').evaluate((box) => (box.scrollTop = 0));
  await line.click();
  // What the cursor is put into is brought into sight; then the place is the visitor's again.
  await expect.poll(() => frame.locator('body').evaluate(() => scrollY)).toBeLessThan(100);
  await frame.locator('body').evaluate(() => scrollTo(0, 900));
  await page.keyboard.press('End');
  for (let n = 0; n < 5; n++) await page.keyboard.press('ArrowLeft');
  await page.keyboard.type(' and second');
  await expect(frame.locator('h1')).toHaveText('First and second');
  await expect.poll(() => frame.locator('body').evaluate(() => scrollY)).toBe(900);

  await page.getByRole('combobox', { name: 'Page' }).click();
  await page.getByRole('option', { name: 'style.css' }).click();
  const shown = page.frameLocator('iframe[title^="Live page"]');
  await shown.locator('body').evaluate(() => ((window as unknown as { kept: boolean }).kept = true));
  await page.locator('.cm-line', { hasText: 'h1 {' }).click();
  await page.keyboard.press('Control+a');
  await page.keyboard.type('h1 {{} color: rgb(9, 8, 7); }');
  await expect(shown.locator('h1')).toHaveCSS('color', 'rgb(9, 8, 7)');
  expect(await shown.locator('body').evaluate(() => (window as unknown as { kept?: boolean }).kept)).toBe(true);
});

test('the preview is as strict as a host: capitals, folders, ranges, missing files', async ({ page, expected }) => {
  expected.console.push(/./);
  await openKites(page, 'proof');
  const frame = page.locator('iframe[title$="1280 px"]');
  await expect(frame.contentFrame().locator('h1')).toBeVisible();
  const ask = (path: string, headers: Record<string, string> = {}) =>
    frame
      .contentFrame()
      .locator('body')
      .evaluate(
        async (_body, [target, head]) => {
          const answer = await fetch(target, { headers: head, redirect: 'manual' });
          return {
            status: answer.status,
            kind: answer.type,
            type: answer.headers.get('Content-Type'),
            range: answer.headers.get('Content-Range'),
            length: (await answer.arrayBuffer()).byteLength,
          };
        },
        [path, headers] as const,
      );
  expect(await ask('photos/large/Parafoil-Pair.JPG')).toMatchObject({ status: 200, type: 'image/jpeg' });
  expect(await ask('photos/large/parafoil-pair.jpg')).toMatchObject({ status: 404 });
  expect(await ask('photos')).toMatchObject({ kind: 'opaqueredirect' });
  expect(await ask('nothing.html')).toMatchObject({ status: 404, type: 'text/html; charset=utf-8' });
  expect(await ask('css/kites.css', { Range: 'bytes=0-9' })).toMatchObject({
    status: 206,
    range: expect.stringMatching(/^bytes 0-9\/\d+$/),
    length: 10,
  });
  expect(await ask('css/kites.css', { Range: 'bytes=999999-' })).toMatchObject({ status: 416 });
});

test('source, ladder and live page light each other up', async ({ page }) => {
  await openKites(page, 'markup');
  const rail = page.getByRole('complementary', { name: 'Strand' });
  await clickInside(page, 'Live page festival.html', (frame) => frame.getByRole('img', { name: 'A golden star kite' }));
  await expect(rail.getByRole('heading')).toHaveText('star-field');
  await expect(page.locator('.hm-lit', { hasText: 'star-field.jpg' })).toHaveCount(2);
  await page.keyboard.press('Escape');
  await page.locator('.cm-line', { hasText: 'small/star-field.jpg' }).click();
  for (let n = 0; n < 5; n++) await page.keyboard.press('ArrowDown');
  await expect(rail.getByRole('heading')).toHaveText('diamond-classic');
});

test('items are moved, removed and put back from the rail', { tag: LONG }, async ({ page }) => {
  await openKites(page, 'markup');
  const frame = page.frameLocator('iframe[title="Live page festival.html"]');
  // While the page loads anew there is nothing to read.
  const titles = () =>
    frame
      .locator('.meadow span')
      .allTextContents()
      .catch(() => []);
  await expect(frame.locator('.meadow span')).toHaveCount(12);
  const before = await titles();
  await clickInside(page, 'Live page festival.html', (frame) => frame.getByRole('img', { name: 'A golden star kite' }));
  await page.getByRole('button', { name: 'Move the item up' }).click();
  await expect.poll(titles).toEqual([...before.slice(0, 3), before[4], before[3], ...before.slice(5)]);
  await expect(page.getByText('Move star-field to place 4')).toBeVisible();
  // A double click removes one.
  await page.getByRole('button', { name: 'Remove item' }).dblclick();
  await expect.poll(titles).toEqual([...before.slice(0, 4), ...before.slice(5)]);
  for (let n = 0; n < 2; n++) await page.getByRole('button', { name: /^Undo: / }).click();
  await expect.poll(titles).toEqual(before);
});
