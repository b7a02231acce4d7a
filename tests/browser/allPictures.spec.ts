/** All pictures in one list: found, put on any page in its own pattern, tagged; tags stand where visitors choose by them. */
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import { htmlErrors } from '../checkers';
import { violations } from './axe';
import { cursorAfter } from './editorSteps';
import { fileOf, OLD, pick, reels } from './reels.fixture';
import {
  expect,
  folderWith,
  goTo,
  importFolder,
  openDemo,
  openFiles,
  openPage,
  replaceText,
  show,
  test,
  unpacked,
} from './fixtures';

const rows = (page: Page) =>
  page
    .getByRole('table', { name: 'All pictures' })
    .getByRole('row')
    .filter({ has: page.getByRole('checkbox') });

test('pictures on no page are found, and put on one in an order, as its author writes items', async ({ page }) => {
  await openDemo(page, 'pairs');
  await expect(page.getByText(/still being read/)).toHaveCount(0);
  await page.getByRole('button', { name: /^Create \d missing thumbnails$/ }).click();
  await expect(page.getByRole('button', { name: /^Undo: Create/ })).toBeVisible({ timeout: 60_000 });
  const before = await fileOf(page, 'workshop.html');
  await show(page, 'All pictures');
  await expect(page.getByText('30 pictures', { exact: true })).toBeVisible();
  await pick(page, 'Page', 'on no page');
  await page.getByRole('searchbox', { name: 'Name or text' }).fill('tkc_04');
  await expect(page.getByText(/^\d of 30 pictures$/)).toBeVisible();
  expect(await violations(page)).toEqual([]);
  await page.getByRole('checkbox', { name: /^Select all/ }).check();
  await pick(page, 'Gallery', 'workshop.html');
  await pick(page, 'Order', 'newest first');
  const put = page.getByRole('button', { name: /^Put \d pictures on workshop\.html$/ });
  await expect(put).toBeEnabled();
  await put.click();
  await expect(page.getByRole('button', { name: /^Undo: Add \d pictures to workshop\.html$/ })).toBeVisible();
  const after = await fileOf(page, 'workshop.html');
  const added = [...after.matchAll(/href="camera\/(TKC_\d+)\.jpg"/gi)].map(([, name]) => name);
  expect(added.length).toBeGreaterThan(1);
  // Nothing that stood there is another: every line of before is there, in its order.
  const lines = after.split('\n');
  let at = 0;
  for (const line of before.split('\n')) {
    at = lines.indexOf(line, at);
    expect(at, line).toBeGreaterThanOrEqual(0);
    at++;
  }
  await page.getByRole('button', { name: /^Undo: Add/ }).click();
  await expect.poll(() => fileOf(page, 'workshop.html')).toBe(before);
});

test('on an old page a section gets pictures of other pages, and no more trouble than it had', async ({ page }) => {
  const files = await reels();
  await openFiles(page, files);
  await expect(page.getByText(/still being read/)).toHaveCount(0);
  await show(page, 'All pictures');
  await rows(page).filter({ hasText: 'c.jpg' }).getByRole('checkbox').check();
  await rows(page).filter({ hasText: 'a.jpg' }).getByRole('checkbox').check();
  await pick(page, 'Gallery', 'old.html');
  await page.getByRole('textbox', { name: 'Heading of a new section' }).fill('Brass');
  const put = page.getByRole('button', { name: 'Put 2 pictures on old.html' });
  await expect(put).toBeEnabled();
  await put.click();
  await expect(page.getByRole('button', { name: 'Undo: Write a section “Brass” on old.html' })).toBeVisible();
  const after = await fileOf(page, 'old.html');
  expect(after.startsWith(OLD(['a', 'b']).slice(0, OLD(['a', 'b']).indexOf('</UL>')))).toBe(true);
  expect(after.slice(after.indexOf('Brass'))).toMatch(/HREF="?large\/a\.jpg[\s\S]*HREF="?large\/c\.jpg/);
  expect(after.replaceAll('\r\n', '')).not.toContain('\n');
  const folder = folderWith({ 'before.html': OLD(['a', 'b']), 'after.html': after });
  const trouble = async (name: string) =>
    (await htmlErrors([join(folder, name)])).map((one) => one.replaceAll(name, '').replace(/\d+/g, 'n'));
  const known = new Set(await trouble('before.html'));
  expect((await trouble('after.html')).filter((one) => !known.has(one))).toEqual([]);
});

test('tags are given by hand and by a rule, and stand on every page that lets visitors choose by them', async ({
  page,
}) => {
  await openFiles(page, await reels());
  await expect(page.getByText(/still being read/)).toHaveCount(0);
  await show(page, 'All pictures');
  await rows(page).filter({ hasText: 'b.jpg' }).getByRole('checkbox').check();
  await page.getByRole('textbox', { name: 'New tags' }).fill('wood, old');
  await page.getByRole('textbox', { name: 'New tags' }).press('Enter');
  await expect(page.getByRole('button', { name: 'Undo: Tag b.jpg “wood”, “old”' })).toBeVisible();
  const tagged = (names: readonly string[], tags: string) =>
    OLD(names).replace('<LI><A HREF=large/b.jpg>', `<LI data-sieve-tags="${tags}"><A HREF=large/b.jpg>`);
  await expect.poll(() => fileOf(page, 'old.html')).toBe(tagged(['a', 'b'], 'wood, old'));
  expect(await fileOf(page, 'more.html')).toBe(tagged(['b', 'c'], 'wood, old'));
  expect(await violations(page)).toEqual([]);

  const theirs = page.getByRole('list', { name: 'Tags of the chosen' });
  await theirs.getByRole('listitem').filter({ hasText: 'old' }).getByRole('button').press('Delete');
  await expect.poll(() => fileOf(page, 'more.html')).toBe(tagged(['b', 'c'], 'wood'));
  await pick(page, 'Tag', 'wood');
  await expect(page.getByText('1 of 4 pictures')).toBeVisible();
  await page.getByRole('button', { name: 'Show all pictures' }).click();

  await page.getByRole('checkbox', { name: 'Select none' }).click();
  await page.getByRole('checkbox', { name: /^Select all/ }).check();
  await pick(page, 'Tag by', 'what its texts say');
  await page.getByRole('textbox', { name: 'If a text says' }).fill('reel c');
  await page.getByRole('textbox', { name: 'it is tagged' }).fill('third');
  await page.getByRole('button', { name: 'Tag 4 pictures by rule' }).click();
  await expect(page.getByRole('button', { name: 'Undo: Tag 1 picture by text' })).toBeVisible();
  expect(await fileOf(page, 'more.html')).toContain('<LI data-sieve-tags="third"><A HREF=large/c.jpg>');
  await page.reload();
  await page.getByRole('button', { name: 'Undo: Tag 1 picture by text' }).click();
  await expect.poll(() => fileOf(page, 'more.html')).toBe(tagged(['b', 'c'], 'wood'));
});

/** Full-size pictures in the order in which a page's text has them. */
const linkedIn = (text: string) =>
  [...text.matchAll(/<a[^>]*\bhref="?([^">\s]+\.(?:jpe?g|png))"?/gi)].map(([, href = '']) => decodeURI(href));

/** What the test itself makes of the other pages: headings and pictures, each page under its own. */
async function expectedByPage(page: Page, pages: readonly string[]): Promise<string[]> {
  const all = [];
  for (const path of pages) {
    const text = await fileOf(page, path);
    const pictures = [...new Set(linkedIn(text))];
    const heading = /<h1[^>]*>(.*?)<\/h1>/is.exec(text)?.[1] ?? '';
    if (pictures.length > 0) all.push(`# ${heading}`, ...pictures);
  }
  return all;
}

const shownOn = (text: string) =>
  [...text.matchAll(/<h2><a href="[^"]*">(.*?)<\/a><\/h2>|<a[^>]*\bhref="?([^">\s]+\.(?:jpe?g|png))"?/gi)].map(
    ([, heading, href = '']) => (heading === undefined ? decodeURI(href) : `# ${heading}`),
  );

test('a page of all pictures is made in the site’s own manner, and changes when the others change', async ({
  page,
  browser,
}) => {
  const names = ['a', 'b', 'c', 'd'];
  await openFiles(page, await reels());
  await expect(page.getByText(/still being read/)).toHaveCount(0);
  await show(page, 'All pictures');
  await page.getByRole('button', { name: 'New page of all pictures…' }).click();
  const form = page.getByRole('form', { name: 'New page of all pictures' });
  await form.getByRole('textbox', { name: 'Page title' }).fill('Everything');
  await expect(form.getByRole('textbox', { name: 'File name' })).toHaveValue('everything.html');
  const create = form.getByRole('button', { name: 'Create everything.html' });
  await expect(create).toBeEnabled();
  expect(await violations(page)).toEqual([]);
  await create.click();
  const list = page.getByRole('list', { name: 'Pages of all pictures' });
  await expect(list).toContainText('up to date');
  await expect(list).toContainText('4 pictures of all pages');

  const others = ['more.html', 'old.html'];
  const text = await fileOf(page, 'everything.html');
  expect(shownOn(text)).toEqual(await expectedByPage(page, others));
  expect(text).toContain('<H1>Everything</H1>');
  expect(text.replaceAll('\r\n', '')).not.toContain('\n');
  const folder = folderWith({ 'old.html': OLD(['a', 'b']), 'everything.html': text });
  const trouble = async (name: string) =>
    (await htmlErrors([join(folder, name)])).map((one) => one.replaceAll(name, '').replace(/\d+/g, 'n'));
  const known = new Set(await trouble('old.html'));
  expect((await trouble('everything.html')).filter((one) => !known.has(one))).toEqual([]);

  // From disk, without scripts, its pictures come and its links lead to the pages.
  const disk = folderWith({ ...(await reels()), 'everything.html': text });
  const context = await browser.newContext({ javaScriptEnabled: false });
  const outside = await context.newPage();
  await outside.goto(`file://${join(disk, 'everything.html')}`);
  for (const image of await outside.locator('img').all())
    expect(await image.evaluate((one: HTMLImageElement) => one.naturalWidth)).toBeGreaterThan(0);
  await outside.locator('h2 a').first().click();
  await expect(outside).toHaveURL(/more\.html$/);
  await context.close();

  // One change of another page is one change of both, and goes back as one.
  await rows(page).filter({ hasText: 'd.jpg' }).getByRole('checkbox').check();
  await pick(page, 'Gallery', 'more.html');
  const put = page.getByRole('button', { name: 'Put 1 picture on more.html' });
  await expect(put).toBeEnabled();
  await expect(page.getByRole('region', { name: 'Put on a page' })).toContainText('everything.html');
  await put.click();
  await expect(page.getByRole('button', { name: 'Undo: Add 1 picture to more.html' })).toBeVisible();
  await expect(list).toContainText('5 pictures of all pages');
  expect(shownOn(await fileOf(page, 'everything.html'))).toEqual(await expectedByPage(page, others));
  expect(linkedIn(await fileOf(page, 'more.html')).map((href) => href.slice(6, 7))).toEqual(names.slice(1));
  await page.getByRole('button', { name: 'Undo: Add 1 picture to more.html' }).click();
  await expect.poll(() => fileOf(page, 'everything.html')).toBe(text);

  await list.getByRole('button', { name: 'Change what everything.html shows' }).click();
  const change = page.getByRole('form', { name: 'What everything.html shows' });
  await change.getByRole('combobox', { name: 'Groups' }).click();
  await page.getByRole('option', { name: 'without headings' }).click();
  await expect(change.getByRole('button', { name: 'Change everything.html' })).toBeEnabled();
  expect(await violations(page)).toEqual([]);
  await change.getByRole('button', { name: 'Change everything.html' }).click();
  await expect
    .poll(async () => shownOn(await fileOf(page, 'everything.html')))
    .toEqual(['b', 'c', 'a'].map((name) => `large/${name}.jpg`));
  await page.getByRole('button', { name: /^Undo: Change which pictures/ }).click();
  await expect.poll(() => fileOf(page, 'everything.html')).toBe(text);

  // Found and replaced, it is one change of all that say it.
  await replaceText(page, 'Reel a', 'The first reel');
  await expect(list).toContainText('up to date');
  await list.getByRole('button', { name: 'Stop updating everything.html' }).click();
  await expect(page.getByRole('button', { name: 'Undo: Keep everything.html as it is' })).toBeVisible();
  const kept = await fileOf(page, 'everything.html');
  expect(kept).toContain('The first reel');
  expect(kept).not.toContain('all pictures:');
  expect(shownOn(kept)).toEqual(await expectedByPage(page, others));
});

test('typed text makes a page of all pictures out of date, which is found and mended', async ({ page }) => {
  await openFiles(page, await reels());
  await expect(page.getByText(/still being read/)).toHaveCount(0);
  await show(page, 'All pictures');
  await page.getByRole('button', { name: 'New page of all pictures…' }).click();
  await page.getByRole('button', { name: 'Create all-pictures.html' }).click();
  const list = page.getByRole('list', { name: 'Pages of all pictures' });
  await expect(list).toContainText('up to date');

  await goTo(page, 'markup');
  await openPage(page, 'old.html');
  await cursorAfter(page, 'Reel a');
  await page.keyboard.type(' of wood');
  await expect.poll(() => fileOf(page, 'old.html')).toContain('Reel a of wood');
  expect(await fileOf(page, 'all-pictures.html')).toContain('Reel a"');
  await goTo(page, 'proof');
  await page.getByRole('button', { name: 'Update all-pictures.html' }).click();
  await expect.poll(() => fileOf(page, 'all-pictures.html')).toContain('Reel a of wood');
  await page.getByRole('button', { name: 'Undo: Update all-pictures.html' }).click();
  await expect.poll(() => fileOf(page, 'all-pictures.html')).toContain('Reel a"');
});

test('pages that describe one picture in different words are brought together', async ({ page }) => {
  const files = await reels();
  await openFiles(page, { ...files, 'more.html': OLD(['b', 'c']).replace('Reel b', 'The second reel') });
  await expect(page.getByText(/still being read/)).toHaveCount(0);
  await show(page, 'All pictures');
  await rows(page).filter({ hasText: 'b.jpg' }).getByRole('checkbox').check();
  const texts = page.getByRole('list', { name: 'Texts of b' });
  await expect(texts).toContainText('The second reel');
  await expect(page.getByText('b is described in different words.')).toBeVisible();
  expect(await violations(page)).toEqual([]);
  await texts.getByRole('button', { name: 'Use these on all pages: more.html' }).click();
  await expect(page.getByText('b is described in the same words everywhere.')).toBeVisible();
  expect(await fileOf(page, 'old.html')).toBe(OLD(['a', 'b']).replace('Reel b', 'The second reel'));
});

test('a page for each tag works from disk and without script, leads to the others, and follows the tags', async ({
  page,
  browser,
}) => {
  await openDemo(page, 'pairs');
  await expect(page.getByText(/still being read/)).toHaveCount(0);
  await show(page, 'All pictures');
  await page.getByRole('button', { name: 'New pages for tags…' }).click();
  const form = page.getByRole('form', { name: 'New pages for tags' });
  await form.getByRole('checkbox', { name: /^Two lines/ }).uncheck();
  const create = form.getByRole('button', { name: 'Create 3 pages' });
  await expect(create).toBeEnabled();
  expect(await violations(page)).toEqual([]);
  await create.click();
  await expect(form).toHaveCount(0);
  const shownOn = (text: string) => [...text.matchAll(/href="photos\/large\/([\w-]+)\.jpg"/gi)].map(([, name]) => name);
  await expect
    .poll(async () => shownOn(await fileOf(page, 'tag-in-the-loft.html')))
    // The story shows one of them, and stands before the page of the workshop.
    .toEqual(['bridle-knots', 'reel-box', 'tail-makers', 'winding-line', 'bamboo-split', 'paper-cut']);
  const folder = await unpacked(page);
  expect(await htmlErrors(['tag-low-light', 'tag-one-line'].map((name) => join(folder, `${name}.html`)))).toEqual([]);
  const outside = await (await browser.newContext({ javaScriptEnabled: false })).newPage();
  await outside.goto(`file://${join(folder, 'tag-in-the-loft.html')}`);
  await expect(outside.getByRole('heading', { name: 'In the loft' })).toBeVisible();
  await outside.getByRole('link', { name: 'Low light' }).click();
  await expect(outside.getByRole('heading', { name: 'Low light' })).toBeVisible();
  await expect(outside.getByRole('link', { name: 'Low light' })).toHaveAttribute('aria-current', 'page');
  for (const image of await outside.locator('img').all())
    expect(await image.evaluate((one: HTMLImageElement) => one.naturalWidth)).toBeGreaterThan(0);
  await outside.context().close();

  await goTo(page, 'pairs');
  await show(page, 'All pictures');
  await page.getByRole('searchbox', { name: 'Name or text' }).fill('reel-box');
  await rows(page).filter({ hasText: 'reel-box.jpg' }).getByRole('checkbox').check();
  await page.getByRole('textbox', { name: 'New tags' }).fill('Low light');
  await page.getByRole('button', { name: 'Add tags' }).click();
  await expect.poll(async () => shownOn(await fileOf(page, 'tag-low-light.html'))).toContain('reel-box');
  await page.getByRole('button', { name: /^Undo: Tag reel-box/ }).click();
  await expect.poll(async () => shownOn(await fileOf(page, 'tag-low-light.html'))).not.toContain('reel-box');
  await page.getByRole('button', { name: 'Undo: New pages for 3 tags' }).click();
  await expect.poll(() => fileOf(page, 'tag-low-light.html')).toBe('');
});

test('captions are written by a rule, shown before, on the page and with the picture', async ({ page }) => {
  const files = await reels();
  const caption = (text: string) =>
    OLD(['a', 'b']).replace('</A></LI>', `</A> <P>${text}</P></LI>`).replace('</A></LI>', '</A> <P>Mine</P></LI>');
  await openFiles(page, { ...files, 'old.html': caption(''), 'more.html': OLD(['c', 'd']) });
  await expect(page.getByText(/still being read/)).toHaveCount(0);
  await show(page, 'All pictures');
  await rows(page).filter({ hasText: 'a.jpg' }).getByRole('checkbox').check();
  await page.getByRole('button', { name: 'Write texts of 1 picture…' }).click();
  const form = page.getByRole('form', { name: 'Texts by a rule' });
  await form.getByRole('textbox', { name: 'Pattern' }).fill('Reel {number} & more[, {lens}][, {place}]');
  await form.getByRole('textbox', { name: /^Place/ }).fill('the loft');
  await expect(form.getByText('a.jpg: Reel 1 & more, the loft')).toBeVisible();
  await expect(form.getByRole('button', { name: 'Write the texts' })).toBeEnabled();
  expect(await violations(page)).toEqual([]);
  await form.getByRole('button', { name: 'Write the texts' }).click();
  await expect.poll(() => fileOf(page, 'old.html')).toBe(caption('Reel 1 &amp; more, the loft'));
  await page.getByRole('button', { name: /^Undo: Write captions of 1 picture/ }).click();
  await expect.poll(() => fileOf(page, 'old.html')).toBe(caption(''));
});

test('a site without pictures gets those of another site', async ({ page }) => {
  await openDemo(page, 'pairs');
  await expect(page.getByText(/still being read/)).toHaveCount(0);
  await page.goto('/');
  await page.getByRole('button', { name: 'New site' }).click();
  await page.getByRole('dialog').getByRole('textbox').first().fill('Boats');
  await page.keyboard.press('Enter');
  await goTo(page, 'pairs');
  await page.getByRole('button', { name: 'From another site…' }).click();
  const dialog = page.getByRole('dialog', { name: 'Pictures from another site' });
  await dialog.getByRole('searchbox', { name: 'Name or text' }).fill('last-light');
  await dialog.getByRole('checkbox', { name: 'Bring last-light.jpg' }).check();
  await dialog.getByRole('button', { name: 'Bring 1 picture' }).click();
  await expect.poll(() => fileOf(page, 'photos/large/last-light.jpg')).toContain('binary');
  await expect(page.getByRole('tab', { name: 'All pictures' })).toBeVisible();
});

test('pictures of another site come over with their sizes, texts and tags', async ({ page }) => {
  await openDemo(page, 'pairs');
  await expect(page.getByText(/still being read/)).toHaveCount(0);
  await page.goto('/');
  await importFolder(page, folderWith({ ...(await reels()), 'old.html': OLD(['a', 'b']) }));
  await expect(page.getByText(/still being read/)).toHaveCount(0);
  await show(page, 'All pictures');
  await page.getByRole('button', { name: 'From another site…' }).click();
  const dialog = page.getByRole('dialog', { name: 'Pictures from another site' });
  await expect(dialog.getByRole('combobox', { name: 'Site' })).toContainText('Tarrowby Kite Circle');
  await dialog.getByRole('searchbox', { name: 'Name or text' }).fill('low light');
  await dialog.getByRole('checkbox', { name: 'Bring star-field.jpg' }).check();
  await dialog.getByRole('checkbox', { name: 'Bring last-light.jpg' }).check();
  expect(await violations(page)).toEqual([]);
  await dialog.getByRole('button', { name: 'Bring 2 pictures' }).click();
  await expect(dialog).toHaveCount(0);
  const row = rows(page).filter({ hasText: 'last-light.jpg' });
  await expect(row).toContainText('Low light');
  await row.getByRole('checkbox').check();
  await pick(page, 'Gallery', 'old.html');
  await page.getByRole('button', { name: 'Put 1 picture on old.html' }).click();
  await expect
    .poll(() => fileOf(page, 'old.html'))
    .toContain(
      '<LI data-sieve-tags="Two lines, Low light"><A HREF=photos/large/last-light.jpg><IMG SRC=photos/small/last-light.jpg ALT="A red parafoil in the last light"></A>',
    );
});
