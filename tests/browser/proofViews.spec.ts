/** Views of a page are what a browser does there; findings are fixed together, put in groups and set aside. */
import { pathToFileURL } from 'node:url';
import { join } from 'node:path';
import type { Browser, Page } from '@playwright/test';
import { violations } from './axe';
import { expect, folderWith, goTo, importFolder, openDemo, photograph, test } from './fixtures';
import { withoutDemo } from '../setOut';

const MARKS = `
<p id="plain">no</p><p id="module">no</p><p id="fetched">no</p><p id="asked">no</p><p id="sent">no</p>
<noscript><p id="without">without scripts</p></noscript>`;

const SCRIPT = `
const say = (id, what) => { document.getElementById(id).textContent = what; };
say('plain', 'ran');
fetch('data.json').then((r) => say('fetched', r.ok ? 'came' : 'refused'), () => say('fetched', 'refused'));
const old = new XMLHttpRequest();
old.onload = () => say('asked', 'came');
old.onerror = () => say('asked', 'refused');
try { old.open('GET', 'data.json'); old.send(); } catch { say('asked', 'refused'); }
`;

const PAGE = `<!DOCTYPE html>
<html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width"><title>Reels</title>
<link rel="stylesheet" href="a.css"><link rel="stylesheet" media="print" href="print.css">
<script src="plain.js" defer></script><script type="module" src="module.js"></script></head>
<body><main><h1>Reels</h1>${MARKS}
<img id="own" src="reel.jpg" alt="A reel" width="120" height="80"><img id="root" src="/reel.jpg" alt="From the root">
</main></body></html>
`;

const CSS = `h1 { color: rgb(1, 2, 3) } main { padding-left: 20px }
@media print { h1 { color: rgb(4, 5, 6) } @media (min-width: 100px) { main { padding-left: 7px } } }
@media screen and (min-width: 100px) { p { color: rgb(7, 8, 9) } }
@media not print { p { letter-spacing: 3px } }
@media only screen { #plain { text-indent: 9px } }
`;

async function folder(): Promise<string> {
  return folderWith({
    'index.html': PAGE,
    'a.css': CSS,
    'print.css': 'p { font-size: 9px }',
    'plain.js': SCRIPT,
    'module.js': "document.getElementById('module').textContent = 'ran';",
    'data.json': '{}',
    'reel.jpg': await photograph(1, 360, 320),
  });
}

async function openViews(page: Page, from: string): Promise<void> {
  await withoutDemo(page);
  await page.goto('/');
  await importFolder(page, from);
  await goTo(page, 'proof');
  await page.getByRole('tab', { name: 'Views' }).click();
}

const shown = (page: Page, view: string) => page.frameLocator(`iframe[title="index.html: ${view}"]`);

async function choose(page: Page, view: string) {
  await page.getByRole('button', { name: view, exact: true }).click();
  const frame = shown(page, view);
  await expect(frame.getByRole('heading', { name: 'Reels' })).toBeVisible();
  return frame;
}

/** What of the page came and ran; asked for until it stands still. */
const told = async (where: Pick<Page, 'locator'>): Promise<Record<string, string | null>> => {
  const ids = ['plain', 'module', 'fetched', 'asked'];
  const texts = await Promise.all(ids.map((id) => where.locator(`#${id}`).textContent()));
  return Object.fromEntries(ids.map((id, n) => [id, texts[n] ?? null]));
};

const isThere = (where: Pick<Page, 'locator'>, id: string) =>
  where.locator(`#${id}`).evaluate((image: HTMLImageElement) => image.complete && image.naturalWidth > 0);

async function plainPage(browser: Browser, address: string): Promise<Page> {
  const page = await (await browser.newContext()).newPage();
  await page.goto(address, { waitUntil: 'load' });
  return page;
}

test('from disk, without scripts and with pictures off a page does what it does there', async ({ page, browser }) => {
  const from = await folder();
  await openViews(page, from);

  const outside = await plainPage(browser, pathToFileURL(join(from, 'index.html')).href);
  await expect.poll(() => told(outside)).toMatchObject({ fetched: 'refused', asked: 'refused' });
  const disk = await choose(page, 'From disk');
  await expect.poll(() => told(disk)).toEqual(await told(outside));
  expect(await told(outside)).toEqual({ plain: 'ran', module: 'no', fetched: 'refused', asked: 'refused' });
  expect(await isThere(disk, 'own')).toBe(await isThere(outside, 'own'));
  expect(await isThere(disk, 'root')).toBe(await isThere(outside, 'root'));
  await outside.context().close();

  const phone = await choose(page, 'Phone');
  await expect.poll(() => told(phone)).toEqual({ plain: 'ran', module: 'ran', fetched: 'came', asked: 'came' });
  expect(await phone.locator('html').evaluate(() => innerWidth)).toBe(390);

  const without = await choose(page, 'Without scripts');
  await expect(without.locator('#without')).toBeVisible();
  expect((await told(without))['plain']).toBe('no');

  const off = await choose(page, 'Pictures off');
  await expect.poll(() => off.locator('#own').evaluate((image: HTMLImageElement) => image.complete)).toBe(true);
  expect(await isThere(off, 'own')).toBe(false);

  const turned = await choose(page, 'Right to left');
  await expect(turned.locator('html')).toHaveAttribute('dir', 'rtl');
  expect(await violations(page)).toEqual([]);
});

test('printed a page has the rules that Chromium prints it by', async ({ page, browser }) => {
  const from = await folder();
  await openViews(page, from);
  const printed = await choose(page, 'Printed');
  const outside = await plainPage(browser, pathToFileURL(join(from, 'index.html')).href);
  await outside.emulateMedia({ media: 'print' });
  const looks = (where: Pick<Page, 'locator'>) =>
    where.locator('html').evaluate(() => {
      const of = (selector: string) => getComputedStyle(document.querySelector(selector)!);
      const [title, main, plain] = [of('h1'), of('main'), of('#plain')];
      return [title.color, main.paddingLeft, plain.color, plain.letterSpacing, plain.textIndent, plain.fontSize];
    });
  const wanted = await looks(outside);
  expect(wanted).toEqual(['rgb(4, 5, 6)', '7px', 'rgb(0, 0, 0)', 'normal', '0px', '9px']);
  await expect.poll(() => looks(printed)).toEqual(wanted);
  await outside.context().close();
});

test('certain findings are fixed as one change that is shown before', async ({ page }) => {
  await openDemo(page, 'proof');
  const fix = page.getByRole('button', { name: /^Fix \d certain findings$/ });
  await fix.click();
  const dialog = page.getByRole('dialog', { name: /^Fix \d findings\?$/ });
  await expect(dialog).toContainText('data-enlarge');
  expect(await violations(page)).toEqual([]);
  await dialog.getByRole('button', { name: 'Cancel' }).click();
  await expect(fix).toBeVisible();
  await fix.click();
  await dialog.getByRole('button', { name: 'Apply this change' }).click();
  await expect(fix).toHaveCount(0);
  const undo = page.getByRole('button', { name: /^Undo: Fix \d findings$/ });
  await undo.click();
  await expect(fix).toBeVisible();
});

test('findings are put in groups, and set aside with a reason that is kept', async ({ page }) => {
  await openDemo(page, 'proof');
  const findings = page.getByRole('list', { name: 'Findings', exact: true }).getByRole('listitem');
  const before = await findings.count();
  await page.getByRole('combobox', { name: 'Group the findings' }).click();
  await page.getByRole('option', { name: 'By page' }).click();
  await expect(page.getByRole('heading', { name: /^festival\.html, \d$/ })).toBeVisible();
  await page.getByRole('button', { name: 'Set aside: paper-cut has no alt text.' }).click();
  const dialog = page.getByRole('dialog', { name: 'Set this finding aside?' });
  await dialog.getByRole('textbox', { name: 'Why it stays as it is' }).fill('The club wants it so');
  await dialog.getByRole('button', { name: 'Set it aside' }).click();
  await expect(page.getByRole('button', { name: 'Undo: Set a finding aside' })).toBeVisible();
  await page.reload();
  await expect(findings).toHaveCount(before - 1);
  await page.getByText('1 finding set aside').click();
  const aside = page.getByRole('list', { name: 'Findings that are set aside' });
  await expect(aside).toContainText('The club wants it so');
  expect(await violations(page)).toEqual([]);
  await aside.getByRole('button', { name: /^Bring back/ }).click();
  await expect(findings).toHaveCount(before);
});

test('a report says what was found and shows the page at three widths, by itself', async ({ page, browser }) => {
  await openDemo(page, 'proof');
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save a report' }).click();
  const file = await download;
  expect(file.suggestedFilename()).toBe('report-festival.html');
  const report = join(folderWith({ 'x.txt': '' }), 'report.html');
  await file.saveAs(report);
  const alone = await (await browser.newContext({ viewport: { width: 900, height: 1200 } })).newPage();
  const asked: string[] = [];
  alone.on('request', (request) => {
    if (/^https?:/.test(request.url())) asked.push(request.url());
  });
  await alone.goto(pathToFileURL(report).href);
  await expect(alone.getByRole('heading', { level: 1, name: 'festival.html' })).toBeVisible();
  await expect(alone.getByText('There is no photos/small/rokkaku-dawn.jpg.')).toBeVisible();
  for (const width of [390, 768, 1280]) {
    const frame = alone.frameLocator(`iframe[title="festival.html at ${width} px"]`);
    await expect(frame.getByRole('heading', { name: 'Festival pictures' })).toBeVisible();
    expect(await frame.locator('html').evaluate(() => innerWidth)).toBe(width);
    const picture = frame.getByRole('img', { name: 'The Lark, a red box kite, on a long line' });
    expect(await picture.evaluate((image: HTMLImageElement) => image.naturalWidth)).toBeGreaterThan(0);
  }
  // Nothing of it is asked of anybody.
  expect(asked).toEqual([]);
  await alone.context().close();
});
