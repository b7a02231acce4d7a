/**
 * All pictures on a site that nobody here wrote: the manual of a drawing program, HTML 3.2 in ISO 8859-1 without end
 * tags of paragraphs (package `xfig-doc`, which `npm test` installs where it may). Nothing of it is in the repository.
 */
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import { cursorAfter } from './editorSteps';
import { expect, folderWith, goTo, importFolder, replaceText, show, test, unpacked } from './fixtures';
import { comesFromDisk, INTRODUCTION, MANUAL, newTrouble, PAGES, someOf } from './manual.fixture';
import { fileOf, pick, siteIdOf } from './reels.fixture';
import { kitButton } from './wiringSteps';

/** What its gallery shows, in its order. */
const DRAWINGS = ['watch', 'power-supply', '3dhouse', 'greenpig', 'transit'];
const drawingsIn = (text: string) =>
  [...text.matchAll(/<a\b[^>]* ?href="images\/([\w-]+)\.png"[^>]*> ?<img/gi)].map(([, name]) => name);

// Without root and without the package there is nothing to import; `npm test` says that this was left out.
test.skip(!existsSync(MANUAL), 'the package xfig-doc is not installed');

const written = readFileSync(join(MANUAL, INTRODUCTION), 'latin1');

const rows = (page: Page) =>
  page
    .getByRole('table', { name: 'All pictures' })
    .getByRole('row')
    .filter({ has: page.getByRole('checkbox') });

async function allPictures(page: Page): Promise<void> {
  await page.goto('/');
  await importFolder(page, folderWith(someOf()));
  await expect(page.getByText(/still being read/)).toHaveCount(0, { timeout: 60_000 });
  await show(page, 'All pictures');
}

/** Shows one picture alone and chooses it, beside those that are chosen. */
async function choose(page: Page, name: string): Promise<void> {
  await page.getByRole('searchbox', { name: 'Name or text' }).fill(name);
  await rows(page).filter({ hasText: name }).getByRole('checkbox').first().check();
}

/** What has come at one place; nothing else is another. */
function comeIn(before: string, after: string): string {
  let start = 0;
  while (start < before.length && before[start] === after[start]) start++;
  const rest = before.length - start;
  expect(after.slice(after.length - rest)).toBe(before.slice(start));
  return after.slice(start, after.length - rest);
}

test('every picture says on which pages it stands, also where it stands between words', async ({ page }) => {
  await allPictures(page);
  await page.getByRole('searchbox', { name: 'Name or text' }).fill('depth-panel');
  await expect(rows(page)).toHaveCount(1);
  await expect(rows(page)).toContainText('layers.html');
  await page.getByRole('searchbox', { name: 'Name or text' }).fill('greenpig');
  await expect(rows(page)).toContainText('introduction.html');
  await expect(rows(page)).toContainText('japanese/introduction.html');
});

test('pictures are put in an order into a gallery, into a section, and described by a rule', async ({ page }) => {
  await allPictures(page);
  const chooseTwo = async () => {
    for (const name of ['watch.png', 'transit.png']) await choose(page, name);
  };
  await chooseTwo();
  await pick(page, 'Gallery', 'introduction.html, “Introduction”');
  await pick(page, 'Order', 'by name');
  await page.getByRole('button', { name: 'Put 2 pictures on introduction.html' }).click();
  await expect(page.getByRole('button', { name: 'Undo: Add 2 pictures to introduction.html' })).toBeVisible();
  const after = await fileOf(page, INTRODUCTION);
  expect(drawingsIn(comeIn(written, after))).toHaveLength(2);
  expect(drawingsIn(after)).toEqual([...DRAWINGS, 'transit', 'watch']);
  expect(await newTrouble(written, after)).toEqual([]);
  await page.getByRole('button', { name: /^Undo: Add 2 pictures/ }).click();
  await expect.poll(() => fileOf(page, INTRODUCTION)).toBe(written);

  await chooseTwo();
  await pick(page, 'Gallery', 'introduction.html, “Introduction”');
  await page.getByRole('textbox', { name: 'Heading of a new section' }).fill('Smaller ones');
  await page.getByRole('button', { name: 'Put 2 pictures on introduction.html' }).click();
  await expect(page.getByRole('button', { name: /^Undo: Write a section “Smaller ones”/ })).toBeVisible();
  const sections = await fileOf(page, INTRODUCTION);
  expect(comeIn(written, sections)).toContain('Smaller ones');
  expect(drawingsIn(sections.slice(sections.indexOf('Smaller ones')))).toEqual(['transit', 'watch']);
  expect(await newTrouble(written, sections)).toEqual([]);
  await page.getByRole('button', { name: /^Undo: Write a section/ }).click();
  await expect.poll(() => fileOf(page, INTRODUCTION)).toBe(written);

  await chooseTwo();
  await page.getByRole('button', { name: 'Write texts of 2 pictures…' }).click();
  const form = page.getByRole('form', { name: 'Texts by a rule' });
  await pick(page, 'What is written', 'alt texts');
  await form.getByRole('checkbox', { name: 'Only where nothing is said yet' }).uncheck();
  await form.getByRole('textbox', { name: 'Pattern' }).fill('Drawing {number}');
  await form.getByRole('button', { name: 'Write the texts' }).click();
  const described = written
    .replace('ALT="[transit.png]"', 'ALT="Drawing 1"')
    .replace('ALT="[Watch]"', 'ALT="Drawing 2"');
  await expect.poll(() => fileOf(page, INTRODUCTION)).toBe(described);
});

test('a filter lets visitors choose by tags, each tag has its page, and one page shows everything', async ({
  page,
  browser,
}) => {
  await allPictures(page);
  await page.goto(`/site/${siteIdOf(page)}/wiring?page=${INTRODUCTION}`);
  await page.getByRole('button', { name: 'Add a viewer' }).click();
  await kitButton(page, 'Filter').click();
  await page.getByRole('button', { name: 'Apply' }).click();
  await expect
    .poll(() => fileOf(page, INTRODUCTION))
    .toContain('<BLOCKQUOTE data-sieve>\n  <A HREF="images/watch.png">');
  const wired = await fileOf(page, INTRODUCTION);

  await goTo(page, 'pairs');
  await show(page, 'All pictures');
  for (const name of ['watch.png', 'power-supply.png']) await choose(page, name);
  await page.getByRole('textbox', { name: 'New tags' }).fill('electric');
  await page.getByRole('textbox', { name: 'New tags' }).press('Enter');
  const tagged = wired.replace(/<A HREF="images\/(watch|power-supply)\.png"/g, '$& data-sieve-tags="electric"');
  await expect.poll(() => fileOf(page, INTRODUCTION)).toBe(tagged);

  await page.getByRole('button', { name: 'New pages for tags…' }).click();
  const form = page.getByRole('form', { name: 'New pages for tags' });
  await pick(page, 'Written like', 'introduction.html, “Introduction”');
  await form.getByRole('button', { name: 'Create 1 page' }).click();
  await expect(form).toHaveCount(0);
  await expect.poll(async () => drawingsIn(await fileOf(page, 'tag-electric.html'))).toEqual(['watch', 'power-supply']);
  await page.getByRole('button', { name: 'New page of all pictures…' }).click();
  const everything = page.getByRole('form', { name: 'New page of all pictures' });
  await pick(page, 'Written like', 'introduction.html, “Introduction”');
  await everything.getByRole('button', { name: 'Create all-pictures.html' }).click();
  await expect(everything).toHaveCount(0);
  const all = async () => drawingsIn(await fileOf(page, 'all-pictures.html'));
  await expect.poll(async () => (await all()).slice(0, 5)).toEqual(DRAWINGS);
  expect(await fileOf(page, INTRODUCTION)).toBe(tagged);
  const made = await fileOf(page, 'all-pictures.html');
  expect(await newTrouble(tagged, made)).toEqual([]);
  expect(await newTrouble(tagged, await fileOf(page, 'tag-electric.html'))).toEqual([]);

  // Another order here, another tag there: one change each, of all pages that it touches.
  await replaceText(page, '[Watch]', '[A watch]');
  await expect.poll(() => fileOf(page, 'all-pictures.html')).toContain('[A watch]');
  expect(await fileOf(page, 'tag-electric.html')).toContain('[A watch]');
  await page.getByRole('button', { name: /^Undo: Replace/ }).click();
  await expect.poll(() => fileOf(page, 'all-pictures.html')).toBe(made);
  const folder = await unpacked(page);
  expect(readFileSync(join(folder, PAGES[1] ?? '')).equals(readFileSync(join(MANUAL, PAGES[1] ?? '')))).toBe(true);
  for (const [name, count] of [
    ['tag-electric.html', 2],
    ['all-pictures.html', 5],
  ] as const)
    expect(await comesFromDisk(browser, join(folder, name), 'blockquote img')).toBeGreaterThanOrEqual(count);
});

test('a gallery follows a list, and the rest of it loads on scroll from disk', async ({ page, browser }) => {
  await allPictures(page);
  const lists = page.getByRole('region', { name: 'Lists', exact: true });
  await lists.getByRole('button', { name: 'Save a gallery as a list…' }).click();
  const save = lists.getByRole('form', { name: 'Save a gallery as a list' });
  await pick(page, 'Gallery', 'introduction.html, “Introduction”');
  await save.getByRole('button', { name: 'Add the list to the site' }).click();
  await expect(save).toHaveCount(0);
  await expect.poll(() => fileOf(page, 'introduction.csv')).toContain('images/greenpig.png');
  await replaceText(page, '[greenpig.png]', 'A green aeroplane');
  await page.getByRole('button', { name: /^Undo: Replace/ }).click();
  await expect.poll(() => fileOf(page, INTRODUCTION)).toBe(written);
  const list = (await fileOf(page, 'introduction.csv')).split(/\r?\n/);
  await lists.getByRole('button', { name: 'Follow a list…' }).click();
  const dialog = page.getByRole('dialog', { name: 'Pictures from a list' });
  // The same list from elsewhere: without its third picture, the last one first, with another text.
  const [head = '', watch = '', power = '', , pig = '', transit = ''] = list;
  await page.locator('[data-pick="list"]').setInputFiles({
    name: 'introduction.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from([head, transit, watch, power, pig.replace('[greenpig.png]', 'A green aeroplane')].join('\r\n')),
  });
  await pick(page, 'Gallery', 'introduction.html, “Introduction”');
  await dialog.getByRole('checkbox', { name: /^Follow this list/ }).check();
  await dialog.getByRole('button', { name: 'Take over 2 differences' }).click();
  await expect(dialog).toHaveCount(0);
  await expect
    .poll(async () => drawingsIn(await fileOf(page, INTRODUCTION)))
    .toEqual(['transit', 'watch', 'power-supply', '3dhouse', 'greenpig']);
  const taken = await fileOf(page, INTRODUCTION);
  expect(taken).toContain('ALT="A green aeroplane"');
  expect(await newTrouble(written, taken)).toEqual([]);

  await page.getByRole('searchbox', { name: 'Name or text' }).fill('greenpig');
  await rows(page).getByRole('button', { name: INTRODUCTION, exact: true }).click();
  await page.getByRole('button', { name: 'Items…' }).click();
  await page
    .getByRole('dialog', { name: '5 items on introduction.html' })
    .getByRole('spinbutton', { name: 'On this page' })
    .fill('3');
  await page.getByRole('button', { name: 'Load the rest on scroll' }).click();
  await expect.poll(() => fileOf(page, 'introduction-2.js')).toContain('moreItems([');
  const first = await fileOf(page, INTRODUCTION);
  expect(await newTrouble(written, first)).toEqual([]);
  await page.keyboard.press('Escape');
  const folder = await unpacked(page);
  const visitor = await browser.newPage();
  await visitor.goto(`file://${folder}/${INTRODUCTION}`);
  await expect(async () => {
    await visitor.mouse.wheel(0, 900);
    await expect(visitor.getByRole('img', { name: 'A green aeroplane' })).toBeVisible({ timeout: 500 });
  }).toPass();
  await expect(visitor.getByRole('img', { name: 'A green aeroplane' })).toHaveJSProperty('complete', true);
  await visitor.close();
  expect(await comesFromDisk(browser, join(folder, 'introduction-2.html'), 'blockquote img')).toBeGreaterThanOrEqual(2);
});

test('a picture is dragged into the source, and described alike on two pages in two languages', async ({ page }) => {
  await allPictures(page);
  const japanese = await fileOf(page, 'japanese/introduction.html');
  await choose(page, 'transit.png');
  const texts = page.getByRole('list', { name: 'Texts of transit' });
  await expect(texts.getByRole('listitem')).toHaveCount(2);

  await page.goto(`/site/${siteIdOf(page)}/markup?page=${INTRODUCTION}&sheet=pictures`);
  const tile = page
    .getByRole('list', { name: 'Pictures to put' })
    .getByRole('button', { name: 'transit', exact: true });
  const line = page.locator('.cm-line', { hasText: 'Click on them to see a larger version.' });
  await cursorAfter(page, 'Click on them to see a larger version.');
  await tile.dragTo(line, { targetPosition: { x: 4, y: 8 } });
  await expect(page.getByRole('button', { name: /^Undo: Put transit\.png/ })).toBeVisible();
  const after = await fileOf(page, INTRODUCTION);
  expect(comeIn(written, after)).toMatch(
    /<a href="images\/transit\.png"><img src="images\/transit_sm\.png"[^>]*><\/a>/,
  );
  expect(await fileOf(page, 'japanese/introduction.html')).toBe(japanese);
  await page.getByRole('button', { name: /^Undo: Put transit/ }).click();
  await expect.poll(() => fileOf(page, INTRODUCTION)).toBe(written);
});

test('words that are typed make a page of all pictures out of date, which is found and mended', async ({ page }) => {
  await allPictures(page);
  await page.getByRole('button', { name: 'New page of all pictures…' }).click();
  await pick(page, 'Written like', 'introduction.html, “Introduction”');
  await page.getByRole('button', { name: 'Create all-pictures.html' }).click();
  await expect(page.getByRole('list', { name: 'Pages of all pictures' })).toContainText('up to date');
  await page.goto(`/site/${siteIdOf(page)}/markup?page=${INTRODUCTION}`);
  await cursorAfter(page, '[3D House');
  await page.keyboard.type(', drawn');
  await expect.poll(() => fileOf(page, INTRODUCTION)).toBe(written.replace('[3D House', '[3D House, drawn'));
  await goTo(page, 'proof');
  await page.getByRole('button', { name: 'Update all-pictures.html' }).click();
  await expect.poll(() => fileOf(page, 'all-pictures.html')).toContain('[3D House, drawn]');
});
