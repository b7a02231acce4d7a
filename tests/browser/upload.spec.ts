/** What is uploaded: all of a site, or what changed since it left before, and what is written beside its pages. */
import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import { htmlErrors } from '../checkers';
import { violations } from './axe';
import { expect, goTo, openFiles, openKites, openPage, replaceText, test } from './fixtures';

const PAGE = (title: string) =>
  `<!doctype html>\r\n<html lang="en">\r\n<head><title>${title}</title></head>\r\n<body>\r\n<h1>${title}</h1>\r\n</body>\r\n</html>\r\n`;

const FILES = {
  'index.html': PAGE('Kites'),
  'day 2.html': PAGE('Second day'),
  'css/kites.css': 'h1 { color: navy }\n',
};

/** Presses a button that hands over a ZIP; gives the folder that Info-ZIP's `unzip` makes of it. */
async function unzipped(page: Page, button: string | RegExp): Promise<string> {
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: button }).click();
  const folder = mkdtempSync(join(tmpdir(), 'heathmoor-'));
  const zip = join(folder, 'it.zip');
  await (await download).saveAs(zip);
  execFileSync('unzip', ['-q', zip, '-d', join(folder, 'it')]);
  return join(folder, 'it');
}

const filesIn = (folder: string) =>
  execFileSync('find', ['-type', 'f', '-printf', '%P\\n'], { cwd: folder, encoding: 'utf8' }).trim().split('\n').sort();

const changes = (page: Page) => page.getByRole('list', { name: 'Changed files' }).getByRole('listitem');

test('what changed since the last ZIP is listed, and saved alone', async ({ page }) => {
  await openFiles(page, FILES);
  await goTo(page, 'pack');
  expect(filesIn(await unzipped(page, 'Save as ZIP'))).toEqual(Object.keys(FILES).sort());
  await page.getByRole('button', { name: 'Changed: 0' }).click();
  await expect(page.getByText('Nothing has changed since.')).toBeVisible();
  await expect(page.getByRole('button', { name: /changed files? as ZIP/ })).toHaveCount(0);

  await replaceText(page, 'Second day', 'Second day of two');
  await expect(changes(page)).toHaveText([/changed.*day 2\.html.*Differences/]);
  await page.getByRole('button', { name: 'Differences of day 2.html' }).click();
  await expect(changes(page).getByRole('region', { name: 'Difference' })).toContainText('Second day of two');
  expect(await violations(page)).toEqual([]);
  // It is known after a reload, too.
  await page.reload();
  const folder = await unzipped(page, 'Save 1 changed file as ZIP');
  expect(filesIn(folder)).toEqual(['day 2.html']);
  expect(readFileSync(join(folder, 'day 2.html'), 'utf8')).toBe(PAGE('Second day of two'));
  await expect(page.getByRole('button', { name: 'Changed: 0' })).toBeVisible();

  // Who never uploaded the second ZIP compares with the first.
  await page.getByRole('combobox', { name: 'Compared with the upload of' }).click();
  await expect(page.getByRole('option')).toHaveCount(2);
  await page.getByRole('option').last().click();
  await expect(page.getByRole('button', { name: 'Changed: 1' })).toBeVisible();
});

test('a page that was renamed is new and deleted at once, and a ZIP deletes nothing', async ({ page, context }) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write']);
  await openFiles(page, FILES);
  await goTo(page, 'pack');
  await unzipped(page, 'Save as ZIP');
  await goTo(page, 'markup');
  await openPage(page, 'day 2.html');
  await page.getByRole('button', { name: 'This page' }).click();
  await page.getByRole('textbox', { name: 'Path in the site' }).fill('second-day.html');
  await page.getByRole('button', { name: 'Rename', exact: true }).click();
  await goTo(page, 'pack');
  await page.getByRole('button', { name: 'Changed: 2' }).click();
  await expect(changes(page)).toHaveText([
    /deleted.*day 2\.html.*renamed to second-day\.html/,
    /new.*second-day\.html.*renamed from day 2\.html/,
  ]);
  await page.getByRole('button', { name: 'Copy the list of deleted files' }).click();
  await expect(page.getByText('copied', { exact: true })).toBeVisible();
  expect(await page.evaluate(() => navigator.clipboard.readText())).toBe('day 2.html');
  expect(filesIn(await unzipped(page, 'Save 1 changed file as ZIP'))).toEqual(['second-day.html']);
});

test('a sitemap and a list of hashes go along, and both can be checked', async ({ page }) => {
  await openFiles(page, FILES);
  await goTo(page, 'pack');
  await page.getByRole('switch', { name: /sitemap\.xml/ }).click();
  await expect(page.getByText('sitemap.xml needs the public address of the site.')).toBeVisible();
  const address = page.getByRole('textbox', { name: 'Public address' });
  await address.fill('kites.example');
  await address.press('Enter');
  await expect(page.getByText(/public address has to begin with https/)).toBeVisible();
  await address.fill('https://kites.example/2026');
  await address.press('Enter');
  await expect(address).toHaveValue('https://kites.example/2026/');
  await page.getByRole('switch', { name: /sha256sums\.txt/ }).click();
  await expect(page.getByText('written for the upload', { exact: true })).toHaveCount(2);

  const whole = await unzipped(page, 'Save as ZIP');
  expect(filesIn(whole)).toEqual([...Object.keys(FILES), 'sha256sums.txt', 'sitemap.xml'].sort());
  // GNU core utilities know the list, and a parser of XML that is not ours knows the map.
  const checked = execFileSync('sha256sum', ['--check', '--strict', 'sha256sums.txt'], {
    cwd: whole,
    encoding: 'utf8',
  });
  expect(checked.trim().split('\n')).toHaveLength(4);
  const script = `import sys,xml.etree.ElementTree as e; print("\\n".join(l.text for l in e.parse(sys.argv[1]).iter() if (l.text or '').strip()))`;
  const listed = execFileSync('python3', ['-c', script, join(whole, 'sitemap.xml')], { encoding: 'utf8' });
  expect(listed.trim().split('\n')).toEqual(['https://kites.example/2026/', 'https://kites.example/2026/day%202.html']);

  // Laid over what was uploaded before, the list of a ZIP of changes holds for all.
  await replaceText(page, 'Second day', 'Another day');
  const some = await unzipped(page, /changed files? as ZIP/);
  expect(filesIn(some)).toEqual(['day 2.html', 'sha256sums.txt']);
  for (const name of filesIn(some)) writeFileSync(join(whole, name), readFileSync(join(some, name)));
  execFileSync('sha256sum', ['--check', '--strict', '--quiet', 'sha256sums.txt'], { cwd: whole });
});

test('names that fail elsewhere are told before they leave, and renamed at once', async ({ page }) => {
  await openFiles(page, {
    'index.html': '<!doctype html><title>A</title><a href="no%20%231.html">1</a>',
    'no #1.html': PAGE('1'),
  });
  await goTo(page, 'pack');
  await expect(page.getByRole('list', { name: 'File names that fail elsewhere' })).toContainText('no #1.html');
  expect(await violations(page)).toEqual([]);
  await page.getByRole('button', { name: 'Rename 1 file' }).click();
  await expect(page.getByRole('list', { name: 'Files to upload' })).toContainText('no-1.html');
  expect(filesIn(await unzipped(page, 'Save as ZIP'))).toEqual(['index.html', 'no-1.html']);
});

test('pages are described, and a link to them shows a picture', async ({ page }) => {
  await openKites(page, 'pack');
  const address = page.getByRole('textbox', { name: 'Public address' });
  await address.fill('https://kites.example/');
  await address.press('Enter');
  await page.getByRole('button', { name: 'Describe pages…' }).click();
  const dialog = page.getByRole('dialog', { name: 'Describe pages' });
  await dialog.getByRole('textbox', { name: 'festival.html' }).fill('Kites over the moor, in June.');
  await expect(dialog.getByRole('region', { name: 'Difference' })).toContainText('name="description"');
  await dialog.getByRole('switch', { name: /link previews/ }).click();
  await expect(dialog.getByRole('region', { name: 'Difference' })).toContainText('og:image');
  expect(await violations(page)).toEqual([]);
  await dialog.getByRole('button', { name: /^Write to \d pages$/ }).click();
  await expect(page.getByRole('button', { name: /^Undo: Describe \d pages/ })).toBeVisible();
  const folder = await unzipped(page, 'Save as ZIP');
  const text = readFileSync(join(folder, 'festival.html'), 'utf8');
  expect(text).toContain('<meta name="description" content="Kites over the moor, in June.">');
  expect(text).toMatch(/<meta property="og:image" content="https:\/\/kites\.example\/photos\/[^"]+">/);
  expect(await htmlErrors([join(folder, 'festival.html')])).toEqual([]);
});

test('what comes from another host is listed, and a file of one’s own takes its place everywhere', async ({ page }) => {
  const script = '<script src="https://files.example/show.js" integrity="sha256-x" crossorigin></script>';
  const source = PAGE('Kites').replace('</head>', `${script}</head>`);
  await openFiles(page, { 'index.html': source, 'days/two.html': source, 'js/own.js': '// own\n' });
  await goTo(page, 'pack');
  const list = page.getByRole('list', { name: 'Files from other hosts' });
  await expect(list).toContainText('https://files.example/show.js');
  await expect(list).toContainText('and 1 other place');
  expect(await violations(page)).toEqual([]);
  const chooser = page.waitForEvent('filechooser');
  await list.getByRole('button', { name: /^Use a file of your own/ }).click();
  await (await chooser).setFiles({ name: 'show.js', mimeType: 'text/javascript', buffer: Buffer.from('// mine\n') });
  await expect(page.getByRole('button', { name: /^Undo: Use show\.js/ })).toBeVisible();
  await expect(list).toHaveCount(0);
  const folder = await unzipped(page, 'Save as ZIP');
  expect(readFileSync(join(folder, 'js/show.js'), 'utf8')).toBe('// mine\n');
  expect(readFileSync(join(folder, 'index.html'), 'utf8')).toBe(
    source.replace(script, '<script src="js/show.js"></script>'),
  );
  expect(readFileSync(join(folder, 'days/two.html'), 'utf8')).toContain('<script src="../js/show.js"></script>');
});
