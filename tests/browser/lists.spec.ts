/** Galleries that follow a list or a folder, and galleries written out as lists. */
import { join } from 'node:path';
import type { Locator, Page } from '@playwright/test';
import { htmlErrors } from '../checkers';
import { violations } from './axe';
import { expect, folderWith, goTo, openDemo, openFiles, replaceText, show, test, unpacked } from './fixtures';
import { fileOf, OLD, pick, reels, siteIdOf } from './reels.fixture';

const NAMES = ['a', 'b', 'c', 'd'];

const LIST = 'file;alt;tags\r\nlarge/c.jpg;"Reel c; of ash";\r\nlarge/a.jpg;Reel a;wood\r\nlarge/d.jpg;Reel d;\r\n';

const panel = (page: Page) => page.getByRole('region', { name: 'Lists', exact: true });
const dialog = (page: Page) => page.getByRole('dialog', { name: 'Pictures from a list' });
const differences = (page: Page) => dialog(page).getByRole('list', { name: 'Differences' }).getByRole('listitem');

async function listDialog(page: Page): Promise<Locator> {
  await expect(page.getByText(/still being read/)).toHaveCount(0);
  await show(page, 'All pictures');
  await panel(page).getByRole('button', { name: 'Follow a list…' }).click();
  return dialog(page);
}

/** As the page's author writes items, from `alt` texts by name. */
const page = (items: readonly (readonly [string, string])[], tags: Record<string, string> = {}) =>
  OLD(NAMES).replace(
    /( {2}<LI>[\s\S]*<\/LI>\r\n)/,
    items
      .map(
        ([name, alt]) =>
          `  <LI${tags[name] ? ` data-sieve-tags="${tags[name]}"` : ''}><A HREF=large/${name}.jpg><IMG SRC=small/${name}.jpg ALT="${alt}"></A></LI>\r\n`,
      )
      .join(''),
  );

const of = (...names: readonly string[]) => names.map((name) => [name, `Reel ${name}`] as const);

test('a gallery takes over what its list says, one by one, and follows it', async ({ page: app }) => {
  const files = await reels();
  const before = page(of('a', 'b', 'c'));
  await openFiles(app, {
    ...files,
    'old.html': before,
    'more.html': page(of('b')),
    'data/reels.csv': LIST.replaceAll('large/', '../large/'),
  });
  const shown = await listDialog(app);
  await shown.getByRole('button', { name: 'data/reels.csv' }).click();
  await pick(app, 'Gallery', 'old.html');
  await expect(differences(app)).toHaveText([
    /^New: d\.jpg/,
    /^Alt text of c\.jpg“Reel c” becomes “Reel c; of ash”$/,
    /^Tags of a\.jpgwood$/,
    /^Order/,
  ]);
  expect(await violations(app)).toEqual([]);
  await shown.getByRole('checkbox', { name: 'Take over: Order' }).uncheck();
  await shown.getByRole('checkbox', { name: /^Follow this list/ }).check();
  await shown.getByRole('button', { name: 'Take over 3 differences' }).click();
  await expect(shown).toHaveCount(0);
  const taken = page([...of('a'), ['d', 'Reel d'], ...of('b'), ['c', 'Reel c; of ash']], { a: 'wood' });
  await expect.poll(() => fileOf(app, 'old.html')).toBe(taken);
  const follows = panel(app).getByRole('list', { name: 'Galleries that follow a list' });
  await expect(follows).toContainText('old.html follows data/reels.csv up to date');

  // The list comes anew: a picture is gone, another text is there.
  await follows.getByRole('button', { name: 'Open data/reels.csv' }).click();
  await app.locator('[data-pick="list"]').setInputFiles({
    name: 'reels.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('file,alt\nlarge/c.jpg,"Reel c, of oak"\nlarge/d.jpg,Reel d\n'),
  });
  await expect(dialog(app).getByRole('status')).toContainText('2 pictures in the list');
  await app.keyboard.press('Escape');
  expect(await fileOf(app, 'old.html')).toBe(taken);

  await app.getByRole('button', { name: /^Undo: Take 3 differences from reels\.csv to old\.html$/ }).click();
  await expect.poll(() => fileOf(app, 'old.html')).toBe(before);
  await expect(follows).toHaveCount(0);
});

test('a list that was imported is followed once it has changed: what differs is a finding that mends it', async ({
  page: app,
}) => {
  const files = await reels();
  await openFiles(app, { ...files, 'old.html': OLD(['a', 'b']), 'more.html': OLD(['c']) });
  const shown = await listDialog(app);
  const pickList = (text: string) =>
    app
      .locator('[data-pick="list"]')
      .setInputFiles({ name: 'reels.md', mimeType: 'text/markdown', buffer: Buffer.from(text) });
  await pickList('- ![Reel a](large/a.jpg)\n- ![Reel b](large/b.jpg)\n- [A new reel](large/d.jpg)\n');
  await pick(app, 'Gallery', 'old.html');
  await shown.getByRole('checkbox', { name: /^Follow this list/ }).check();
  await expect(shown.getByText('reels.md becomes a file of the site.')).toBeVisible();
  await shown.getByRole('button', { name: 'Add 1 picture' }).click();
  await expect.poll(() => fileOf(app, 'reels.md')).toContain('- [A new reel](large/d.jpg)');
  const follows = panel(app).getByRole('list', { name: 'Galleries that follow a list' });
  await expect(follows).toContainText('up to date');
  // Another program has written the list: a picture is gone, one has another text.
  await panel(app).getByRole('button', { name: 'Follow a list…' }).click();
  await pickList('- ![Reel a, of ash](large/a.jpg)\n- [A new reel](large/d.jpg)\n');
  await pick(app, 'Gallery', 'old.html');
  await expect(differences(app)).toHaveText([/^Gone from the list: b\.jpg/, /^Alt text of a\.jpg/]);
  await dialog(app).getByRole('checkbox', { name: 'Select none' }).click();
  await dialog(app).getByRole('checkbox', { name: 'Take over: Gone from the list: b.jpg' }).check();
  await dialog(app).getByRole('button', { name: 'Take over 1 difference' }).click();
  await expect.poll(() => fileOf(app, 'old.html')).toBe(OLD(['a', 'd']).replace('Reel d', 'A new reel'));
  // What was left is not asked about again, unless that is wanted.
  await follows.getByRole('button', { name: 'Open reels.md' }).click();
  await expect(dialog(app).getByText('the gallery shows just that')).toBeVisible();
  await dialog(app)
    .getByRole('checkbox', { name: /^Show also what was left/ })
    .check();
  await expect(differences(app)).toHaveText([/^Alt text of a\.jpg/]);
  await app.keyboard.press('Escape');
  await follows.getByRole('button', { name: 'Stop following reels.md' }).click();
  await expect(follows).toHaveCount(0);
});

test('a gallery follows a folder: what is imported there is found', async ({ page: app }) => {
  await openFiles(app, { ...(await reels()), 'old.html': OLD(['a', 'b', 'c']), 'more.html': OLD(['d']) });
  const shown = await listDialog(app);
  await pick(app, 'Or a folder', 'large/');
  await pick(app, 'Gallery', 'old.html');
  await expect(differences(app)).toHaveText([/^New: d\.jpg/]);
  await shown.getByRole('checkbox', { name: /^Follow this list/ }).check();
  await shown.getByRole('button', { name: 'Add 1 picture' }).click();
  await expect.poll(() => fileOf(app, 'old.html')).toContain('HREF=large/d.jpg');
  await expect(panel(app)).toContainText('old.html follows large/ up to date');
});

test('a gallery of the demo is written out as a list in each format, and shows just what that says', async ({
  page: app,
}) => {
  await openDemo(app, 'pairs');
  await expect(app.getByText(/still being read/)).toHaveCount(0);
  await show(app, 'All pictures');
  for (const [format, ending] of [
    ['CSV', 'csv'],
    ['JSON', 'json'],
    ['XML', 'xml'],
    ['Markdown', 'md'],
  ] as const) {
    await panel(app).getByRole('button', { name: 'Save a gallery as a list…' }).click();
    const form = panel(app).getByRole('form', { name: 'Save a gallery as a list' });
    await form.getByRole('combobox', { name: 'Gallery' }).click();
    await app.getByRole('option', { name: 'workshop.html', exact: true }).click();
    await form.getByRole('combobox', { name: 'Format' }).click();
    await app.getByRole('option', { name: format, exact: true }).click();
    await expect(form.getByRole('textbox', { name: 'File name' })).toHaveValue(`workshop.${ending}`);
    await form.getByRole('button', { name: 'Add the list to the site' }).click();
    await expect(form).toHaveCount(0);
    await expect.poll(() => fileOf(app, `workshop.${ending}`)).toContain('photos/large/winding-line.jpg');
    await panel(app).getByRole('button', { name: 'Follow a list…' }).click();
    await dialog(app)
      .getByRole('button', { name: `workshop.${ending}` })
      .click();
    await pick(app, 'Gallery', 'workshop.html');
    await expect(dialog(app).getByRole('status')).toContainText('no difference');
    await app.keyboard.press('Escape');
  }
  const download = app.waitForEvent('download');
  await panel(app).getByRole('button', { name: 'Save a gallery as a list…' }).click();
  await panel(app).getByRole('button', { name: 'Save the list as a file' }).click();
  expect((await download).suggestedFilename()).toBe('festival.csv');
});

test('the first pictures of a list stay on the page, the rest loads on scroll, also from disk and without scripts', async ({
  page: app,
  context,
}) => {
  const files = await reels();
  const csv = (names: readonly string[]) => ['file,alt', ...names.map((name) => `large/${name}.jpg,Reel ${name}`)];
  await openFiles(app, {
    ...files,
    'old.html': OLD(NAMES).replace(' data-sieve', ''),
    'more.html': OLD(['b']),
    'reels.csv': csv(NAMES).join('\n'),
  });
  const shown = await listDialog(app);
  await shown.getByRole('button', { name: 'reels.csv' }).click();
  await pick(app, 'Gallery', 'old.html');
  await shown.getByRole('checkbox', { name: /^Follow this list/ }).check();
  await shown.getByRole('button', { name: 'Follow this list' }).click();
  await expect(shown).toHaveCount(0);

  await expect(panel(app)).toContainText('old.html follows reels.csv up to date');
  await app.goto(`/site/${siteIdOf(app)}/markup?page=old.html&sheet=items`);
  const items = app.getByRole('dialog', { name: '4 items on old.html' });
  await items.getByRole('spinbutton', { name: 'On this page' }).fill('2');
  await expect(items.getByRole('textbox', { name: 'Page for the rest' })).toHaveValue('old-2.html');
  expect(await violations(app)).toEqual([]);
  await items.getByRole('button', { name: 'Load the rest on scroll' }).click();
  await expect.poll(() => fileOf(app, 'old-2.js')).toContain('moreItems([');
  const here = await fileOf(app, 'old.html');
  expect(here).toContain(
    '<IMG SRC=small/b.jpg ALT="Reel b"></A></LI>\r\n  <li><a data-more-next href="old-2.html" data-more-data="old-2.js">More pictures</a></li>\r\n</UL>',
  );
  await app.keyboard.press('Escape');

  // The list gets another order and a picture less: each page takes over what is its own, the script with it.
  await goTo(app, 'pairs');
  await show(app, 'All pictures');
  await expect(panel(app)).toContainText('old.html follows reels.csv, rows 1 to 2 up to date');
  await expect(panel(app)).toContainText('old-2.html follows reels.csv, from row 3 up to date');
  await replaceText(app, 'large/c.jpg,Reel c\nlarge/d.jpg,Reel d', 'large/d.jpg,Reel d of oak\nlarge/c.jpg,Reel c');
  await panel(app).getByRole('button', { name: 'Show differences from reels.csv' }).click();
  await dialog(app).getByRole('button', { name: 'Take over 2 differences' }).click();
  await expect.poll(() => fileOf(app, 'old-2.js')).toMatch(/Reel d of oak[^]*Reel c/);
  await expect(panel(app)).toContainText('old-2.html follows reels.csv, from row 3 up to date');

  const folder = await unpacked(app);
  const visitor = await context.newPage();
  await visitor.setViewportSize({ width: 900, height: 500 });
  await visitor.goto(`file://${folder}/old.html`);
  await expect(async () => {
    await visitor.mouse.wheel(0, 900);
    await expect(visitor.getByRole('img')).toHaveCount(4, { timeout: 500 });
  }).toPass();
  await expect(visitor.getByRole('img', { name: 'Reel d of oak' })).toHaveJSProperty('complete', true);
  await expect(visitor.getByRole('img').nth(2)).toHaveAccessibleName('Reel d of oak');
  await visitor.close();
  const plain = await context.browser()!.newContext({ javaScriptEnabled: false });
  const still = await plain.newPage();
  await still.goto(`file://${folder}/old.html`);
  await still.getByRole('link', { name: 'More pictures' }).click();
  await expect(still.getByRole('img')).toHaveCount(2);
  await plain.close();
});

test('on the demo the rest of a gallery loads on scroll, and its pages stay valid', async ({ page: app }) => {
  await openDemo(app, 'markup');
  await expect(app.getByText(/still being read/)).toHaveCount(0);
  await app.goto(`/site/${siteIdOf(app)}/markup?page=festival.html&sheet=items`);
  const items = app.getByRole('dialog', { name: /items on festival\.html$/ });
  const before = await fileOf(app, 'festival.html');
  await items.getByRole('spinbutton', { name: 'On this page' }).fill('4');
  await items.getByRole('button', { name: 'Load the rest on scroll' }).click();
  await expect.poll(() => fileOf(app, 'festival-2.js')).toContain('moreItems([');
  await app.keyboard.press('Escape');
  // Another text on the second page is one in the script as well.
  const script = await fileOf(app, 'festival-2.js');
  await replaceText(app, 'A golden star kite', 'A star kite of gold');
  await expect
    .poll(() => fileOf(app, 'festival-2.js'))
    .toBe(script.replace('A golden star kite', 'A star kite of gold'));
  const folder = folderWith({
    'before.html': before,
    'here.html': await fileOf(app, 'festival.html'),
    'there.html': await fileOf(app, 'festival-2.html'),
  });
  const trouble = async (name: string) =>
    (await htmlErrors([join(folder, name)])).map((one) => one.replaceAll(name, '').replace(/\d+/g, 'n'));
  const known = new Set(await trouble('before.html'));
  for (const name of ['here.html', 'there.html'])
    expect((await trouble(name)).filter((one) => !known.has(one))).toEqual([]);
});
