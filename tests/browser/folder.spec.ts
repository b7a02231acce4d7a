/**
 * A folder on disk that a site is kept in step with. The origin's private file system stands in for the disk: its
 * handles are the same interface (File System Standard).
 */
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import { SITE } from '../site/make';
import { expect, openKites, replaceText, settled, test } from './fixtures';
import { withoutDemo } from '../setOut';
import { violations } from './axe';

/** What the disk was asked to write since it was last looked at. */
declare global {
  var written: string[];
  var failAt: string | null;
}

const FOLDER = 'kite-circle';

const PAGE = (title: string) =>
  `<!doctype html>\r\n<html lang="en">\r\n<head><title>${title}</title></head>\r\n<body>\r\n<h1>${title}</h1>\r\n<p>One</p>\r\n<p>Two</p>\r\n<p>Three</p>\r\n</body>\r\n</html>\r\n`;

const START: Record<string, string> = {
  'index.html': PAGE('Kites'),
  'workshop.html': PAGE('Workshop'),
  'css/kites.css': 'h1 { color: navy }\n',
  '.git/config': 'not of the site',
};

/** The chooser gives the folder; what is written to it is counted, and one file can be made to stop half-way. */
async function disk(page: Page, files: Record<string, string> = START): Promise<void> {
  await withoutDemo(page);
  await page.addInitScript(
    ({ folder }) => {
      const root = async () => (await navigator.storage.getDirectory()).getDirectoryHandle(folder, { create: true });
      Object.assign(globalThis, { showDirectoryPicker: root, written: [], failAt: null });
      const { prototype } = FileSystemFileHandle;
      const asked: (this: FileSystemFileHandle) => Promise<FileSystemWritableFileStream> = Reflect.get(
        prototype,
        'createWritable',
      );
      prototype.createWritable = async function () {
        const stream = await asked.call(this);
        globalThis.written.push(this.name);
        // As a program that is ended while it writes: the swap file is there and never closed.
        if (globalThis.failAt === this.name) stream.close = () => new Promise(() => undefined);
        return stream;
      };
    },
    { folder: FOLDER },
  );
  await page.goto('/');
  await put(page, files);
}

/** Another program writes; null deletes. */
async function put(page: Page, files: Record<string, string | null>): Promise<void> {
  await page.evaluate(
    async ({ folder, files }) => {
      const root = await (await navigator.storage.getDirectory()).getDirectoryHandle(folder, { create: true });
      for (const [path, text] of Object.entries(files)) {
        const parts = path.split('/');
        const name = parts.pop()!;
        let at = root;
        for (const part of parts) at = await at.getDirectoryHandle(part, { create: true });
        if (text === null) {
          await at.removeEntry(name);
          continue;
        }
        const stream = await (await at.getFileHandle(name, { create: true })).createWritable();
        await stream.write(text);
        await stream.close();
      }
      globalThis.written = [];
    },
    { folder: FOLDER, files },
  );
}

const onDisk = (page: Page): Promise<Record<string, string>> =>
  page.evaluate(async (folder) => {
    const found: Record<string, string> = {};
    const walk = async (at: FileSystemDirectoryHandle, prefix: string): Promise<void> => {
      for await (const [name, handle] of at.entries()) {
        if (handle.kind === 'directory') await walk(handle, `${prefix}${name}/`);
        // What is just being written may go while it is read.
        else
          found[prefix + name] = await handle
            .getFile()
            .then((file) => file.text())
            .catch(() => '');
      }
    };
    await walk(await (await navigator.storage.getDirectory()).getDirectoryHandle(folder), '');
    return found;
  }, FOLDER);

const written = (page: Page): Promise<string[]> => page.evaluate(() => globalThis.written.splice(0));

async function linked(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Link a folder…' }).click();
  await page.waitForURL(/\/pairs/);
  await settled(page);
  await station(page, 'Pack');
  await expect(panel(page)).toContainText('up to date');
}

async function station(page: Page, name: string): Promise<void> {
  await page
    .getByRole('navigation', { name: 'Stations' })
    .getByRole('link', { name: new RegExp(`^${name}`) })
    .click();
  await page.waitForURL(new RegExp(`/${name.toLowerCase()}`));
}

const panel = (page: Page) => page.getByRole('region', { name: `Folder ${FOLDER}/` });
const rows = (page: Page) =>
  panel(page)
    .getByRole('list', { name: `Differences to ${FOLDER}/` })
    .getByRole('listitem');
const said = (page: Page, words: string | RegExp) =>
  expect(page.getByRole('status').getByText(words).first()).toBeVisible();

/** Somebody comes back to the window. */
const comeBack = (page: Page) => page.evaluate(() => window.dispatchEvent(new Event('focus')));

test('what is changed here is saved, and nothing else is written', async ({ page }) => {
  await disk(page);
  await linked(page);
  expect(await written(page)).toEqual([]);
  await replaceText(page, '<h1>Workshop</h1>', '<h1>Workshop days</h1>');
  await expect(rows(page)).toHaveText([/changed.*workshop\.html/]);
  await panel(page).getByRole('button', { name: 'Differences of workshop.html' }).click();
  await expect(panel(page).getByRole('region', { name: 'Difference' })).toContainText('<h1>Workshop days</h1>');
  await page.getByRole('button', { name: `Save 1 file to ${FOLDER}/` }).click();
  await said(page, `1 file saved to ${FOLDER}/`);
  await expect(panel(page)).toContainText('up to date');
  expect(await written(page)).toEqual(['workshop.html']);
  expect(await onDisk(page)).toEqual({
    ...START,
    'workshop.html': START['workshop.html']!.replace('<h1>Workshop<', '<h1>Workshop days<'),
  });
  // Linked again after a reload, without a press.
  await page.reload();
  await settled(page);
  await expect(panel(page)).toContainText('up to date');
});

test('what another program changed is noticed, shown and taken in as one change that can be undone', async ({
  page,
}) => {
  await disk(page);
  await linked(page);
  await put(page, {
    'css/kites.css': 'h1 { color: teal }\n',
    'story.html': PAGE('Story'),
    'workshop.html': null,
    'notes.git.txt': 'a text',
  });
  await comeBack(page);
  await expect(rows(page)).toHaveText([
    /there.*css\/kites\.css.*changed on disk/,
    /there.*notes\.git\.txt/,
    /there.*story\.html.*new on disk/,
    /there.*workshop\.html.*deleted on disk/,
  ]);
  await panel(page).getByRole('button', { name: 'Apply 4 disk changes' }).click();
  await said(page, `Apply disk changes of ${FOLDER}/: 4 files`);
  await expect(panel(page)).toContainText('up to date');
  expect(await written(page)).toEqual([]);
  await page.keyboard.press('Control+z');
  await expect(rows(page)).toHaveText([
    /changed.*css\/kites\.css/,
    /deleted.*notes\.git\.txt/,
    /deleted.*story\.html/,
    /new.*workshop\.html/,
  ]);
});

test('what both changed is chosen piece by piece, and what one alone changed stays', async ({ page }) => {
  await disk(page);
  await linked(page);
  await replaceText(page, 'Two', 'Two of mine');
  const theirs = (name: string) => PAGE(name).replace('Two', 'Two of theirs').replace('"en"', '"en-GB"');
  await put(page, { 'index.html': theirs('Kites') });
  await comeBack(page);
  await expect(rows(page)).toHaveText([
    /both.*index\.html.*here: changed · on disk: changed/,
    /changed.*workshop\.html/,
  ]);
  await panel(page).getByRole('button', { name: 'Differences of index.html' }).click();
  await expect(panel(page)).toContainText('1 place to choose.');
  const merge = panel(page).getByRole('button', { name: 'Merge index.html' });
  await expect(merge).toBeDisabled();
  expect(await violations(page)).toEqual([]);
  // In a narrow window too, nothing reaches out of it.
  await page.setViewportSize({ width: 640, height: 400 });
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(640);
  await page.setViewportSize({ width: 1280, height: 800 });
  const piece = panel(page).getByRole('group', { name: /^Line/ });
  await piece.getByRole('button', { name: 'Keep both' }).last().click();
  await merge.click();
  await said(page, `Apply disk changes of ${FOLDER}/: index.html`);
  await expect(rows(page)).toHaveText([/changed.*index\.html/, /changed.*workshop\.html/]);
  await page.getByRole('button', { name: `Save 2 files to ${FOLDER}/` }).click();
  await said(page, `2 files saved to ${FOLDER}/`);
  expect((await onDisk(page))['index.html']).toBe(
    PAGE('Kites').replace('"en"', '"en-GB"').replace('<p>Two</p>', '<p>Two of mine</p>\r\n<p>Two of theirs</p>'),
  );
});

test('what is written on disk while it is saved is not written over', async ({ page }) => {
  await disk(page);
  await linked(page);
  await replaceText(page, 'Two', 'Two of mine');
  await expect(rows(page)).toHaveCount(2);
  await put(page, { 'index.html': PAGE('Kites, at the last moment') });
  await page.getByRole('button', { name: `Save 2 files to ${FOLDER}/` }).click();
  await said(page, `1 file saved to ${FOLDER}/`);
  await expect(rows(page)).toHaveText([/both.*index\.html/]);
  expect((await onDisk(page))['index.html']).toBe(PAGE('Kites, at the last moment'));
});

/** Two files are changed, and the program ends while it writes the second. */
async function interrupted(page: Page): Promise<void> {
  await disk(page);
  await linked(page);
  await replaceText(page, 'Two', 'Two of mine');
  await expect(rows(page)).toHaveCount(2);
  await page.evaluate(() => (globalThis.failAt = 'workshop.html'));
  await page.getByRole('button', { name: `Save 2 files to ${FOLDER}/` }).click();
  await expect.poll(() => page.evaluate(() => globalThis.written)).toEqual(['index.html', 'workshop.html']);
}

test('a saving that ends between two files leaves each old or new, and the next opening says which', async ({
  page,
}) => {
  await interrupted(page);
  await page.reload();
  await settled(page);
  const warning = panel(page).getByRole('alert');
  await expect(warning).toContainText('did not come to its end. Every file is whole.');
  await expect(warning).toContainText('New: index.html');
  await expect(warning).toContainText('As before: workshop.html');
  const now = await onDisk(page);
  expect(now['index.html']).toBe(PAGE('Kites').replace('Two', 'Two of mine'));
  expect(now['workshop.html']).toBe(PAGE('Workshop'));
  await page.getByRole('button', { name: `Save 1 file to ${FOLDER}/` }).click();
  await said(page, `1 file saved to ${FOLDER}/`);
  await expect(warning).toHaveCount(0);
});

test('both ways by themselves, where that is asked for', async ({ page }) => {
  await disk(page);
  await linked(page);
  await panel(page).getByRole('switch', { name: 'Save automatically' }).click();
  await panel(page).getByRole('switch', { name: 'Apply disk changes automatically' }).click();
  await replaceText(page, '<p>One</p>', '<p>1</p>');
  await expect.poll(async () => (await onDisk(page))['index.html']).toContain('<p>1</p>');
  await put(page, { 'story.html': PAGE('Story') });
  // A browser that observes folders needs nobody to come back to the window.
  if (!(await page.evaluate(() => 'FileSystemObserver' in globalThis))) await comeBack(page);
  await expect(page.getByRole('list', { name: 'Files to upload' })).toContainText('story.html');
});

test('a folder that was emptied empties the site only when that is asked for', async ({ page }) => {
  await disk(page);
  await linked(page);
  await panel(page).getByRole('switch', { name: 'Apply disk changes automatically' }).click();
  await put(page, { 'index.html': null, 'workshop.html': null, 'css/kites.css': null });
  await comeBack(page);
  await expect(rows(page)).toHaveCount(3);
  // Longer than it waits before it goes on by itself.
  await page.waitForTimeout(2500);
  await expect(rows(page)).toHaveText([/deleted on disk/, /deleted on disk/, /deleted on disk/]);
  await expect(panel(page).getByText(/^Many files would be deleted\. That is not done automatically/)).toBeVisible();
  await expect(panel(page).getByRole('button', { name: 'Apply 3 disk changes' })).toBeEnabled();
});

test('a browser that asks again is answered with a press, and what was interrupted is told then', async ({ page }) => {
  await interrupted(page);
  await page.addInitScript(() => {
    let state: PermissionState = 'prompt';
    Object.assign(FileSystemHandle.prototype, {
      queryPermission: () => Promise.resolve(state),
      requestPermission: () => Promise.resolve((state = 'granted')),
    });
  });
  await page.reload();
  await settled(page);
  await expect(panel(page)).toContainText('The browser asks again before this folder is read and written.');
  await expect(page.getByRole('button', { name: `Nothing to save to ${FOLDER}/` })).toBeDisabled();
  await panel(page)
    .getByRole('button', { name: `Allow access to ${FOLDER}/` })
    .click();
  await expect(panel(page).getByText('did not come to its end')).toBeVisible();
  await expect(rows(page)).toHaveText([/changed.*workshop\.html/]);
});

test('of a folder of 500 files only what was changed is written', async ({ page }) => {
  const many = Object.fromEntries(
    Array.from({ length: 498 }, (_, n) => [`years/${n % 7}/page-${n}.html`, PAGE(`Page ${n}`)]),
  );
  await disk(page, { ...START, ...many, 'years/3/page-3.html': PAGE('Three kites') });
  await linked(page);
  await replaceText(page, 'Three kites', 'Four kites');
  await page.getByRole('button', { name: `Save 1 file to ${FOLDER}/` }).click();
  await said(page, `1 file saved to ${FOLDER}/`);
  expect(await written(page)).toEqual(['page-3.html']);
  await expect(panel(page)).toContainText('up to date');
});

test('a site that is there is linked to an empty folder, and let go again', async ({ page }) => {
  await disk(page, {});
  await page.getByRole('button', { name: 'New site' }).click();
  await page.getByRole('textbox', { name: 'Name' }).fill('Kites');
  await page.getByRole('button', { name: 'Create the site' }).click();
  await settled(page);
  await station(page, 'Pack');
  await page.getByRole('button', { name: 'Link a folder…' }).click();
  await page.getByRole('button', { name: /^Save \d files to/ }).click();
  await said(page, /files saved to/);
  expect(Object.keys(await onDisk(page)).sort()).toEqual(['css/style.css', 'index.html']);
  await panel(page).getByRole('button', { name: 'Unlink' }).click();
  await expect(panel(page)).toHaveCount(0);
  expect(Object.keys(await onDisk(page))).toHaveLength(2);
});

test('without a linked folder, a copy that was edited elsewhere is compared and taken in', async ({ page }) => {
  const folder = mkdtempSync(join(tmpdir(), 'copy-'));
  const write = (name: string, text: string) => writeFileSync(join(folder, name), text);
  write('index.html', PAGE('Kites'));
  write('story.html', PAGE('Story'));
  await withoutDemo(page);
  await page.addInitScript(() => Reflect.deleteProperty(globalThis, 'showDirectoryPicker'));
  await page.goto('/');
  await expect(page.getByRole('button', { name: 'Link a folder…' })).toHaveCount(0);
  await page.locator('[data-pick=folder]').setInputFiles(folder);
  await page.waitForURL(/\/pairs/);
  await settled(page);
  await station(page, 'Pack');
  // At once, while the station is still being drawn: it stays the one that is shown.
  await replaceText(page, '<p>Three</p>', '<p>3</p>');
  write('index.html', PAGE('Kites and lines'));
  rmSync(join(folder, 'story.html'));
  write('new.html', PAGE('New'));
  await page.getByLabel('Folder to compare').setInputFiles(folder);
  const compared = page.getByRole('region', { name: /^Compared with copy-/ });
  const differences = compared.getByRole('list', { name: /^Differences to/ }).getByRole('listitem');
  await expect(differences).toHaveText([/both.*index\.html/, /there.*new\.html/, /both.*story\.html/]);
  await compared.getByRole('button', { name: 'Apply 1 disk change' }).click();
  await expect(differences).toHaveCount(2);
  await compared.getByRole('button', { name: 'Differences of index.html' }).click();
  // Each side changed other lines: nothing is left to choose.
  await compared.getByRole('button', { name: 'Merge index.html' }).click();
  await expect(differences).toHaveText([/changed.*index\.html/, /both.*story\.html/]);
  await compared.getByRole('button', { name: 'Differences of story.html' }).click();
  await compared.getByRole('button', { name: 'Delete it here, too' }).click();
  await expect(differences).toHaveText([/changed.*index\.html/]);
  await expect(compared.getByRole('button', { name: /^Save/ })).toHaveCount(0);
  await compared.getByRole('button', { name: 'Close' }).click();
  await expect(page.getByRole('list', { name: 'Files to upload' })).toHaveText(/index\.html.*new\.html/);
});

test('one page is saved into a larger site, with all that it needs and nothing twice', async ({ page }) => {
  const theirs = { 'index.html': PAGE('The larger site'), 'gallery/festival.html': PAGE('Another festival') };
  await disk(page, theirs);
  await openKites(page, 'pack');
  await page.getByRole('button', { name: 'Save one page…' }).click();
  const dialog = page.getByRole('dialog', { name: 'Save one page into a larger site' });
  await dialog.getByRole('combobox', { name: 'Page' }).click();
  await page.getByRole('option', { name: 'festival.html' }).click();
  await dialog.getByRole('button', { name: 'Choose the larger site…' }).click();
  const files = dialog.getByRole('list', { name: 'Files of the page' }).getByRole('listitem');
  await expect(files.filter({ hasText: 'name taken' })).toHaveText(/gallery\/festival-2\.html/);
  await expect(dialog).toContainText(/^.*Links to .*index\.html.* lead nowhere there until/);
  expect(await violations(page)).toEqual([]);
  await dialog.getByRole('button', { name: 'Replace gallery/festival.html' }).click();
  await expect(files.filter({ hasText: 'replaces' })).toHaveText(/gallery\/festival\.html/);
  await dialog.getByRole('button', { name: 'Keep gallery/festival.html' }).click();
  const places = await files.evaluateAll((rows) => rows.map((row) => row.children[1]?.textContent ?? ''));
  await dialog.getByRole('button', { name: new RegExp(`^Save \\d+ files to ${FOLDER}/`) }).click();
  await said(page, new RegExp(`^\\d+ files saved to ${FOLDER}/`));
  const now = await onDisk(page);
  expect(now).toMatchObject(theirs);
  // Beside it stands all that it needs, so that no reference in it is another but that to itself.
  const source = readFileSync(join(SITE, 'festival.html'), 'utf8');
  expect(now['gallery/festival-2.html']).toBe(source.replace('href="festival.html"', 'href="festival-2.html"'));
  expect(places.length).toBeGreaterThan(20);
  expect(places.filter((one) => !(one in now))).toEqual([]);
  // Chosen again, there is nothing to write.
  await page.getByRole('button', { name: 'Save one page…' }).click();
  await dialog.getByRole('combobox', { name: 'Page' }).click();
  await page.getByRole('option', { name: 'festival.html' }).click();
  await dialog.getByRole('button', { name: 'Choose the larger site…' }).click();
  await expect(files.filter({ hasText: 'there already' })).toHaveCount(await files.count());
  await expect(dialog.getByRole('button', { name: /^Save 0 files/ })).toBeDisabled();
});
