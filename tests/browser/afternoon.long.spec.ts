/**
 * A practitioner's whole afternoon on the demo site through the interface: a page repaired, two more made from it,
 * menus brought together, four columns that are two on a phone, pages of twelve. What leaves is opened from disk in
 * Chromium, and judged by two HTML checkers and against the pages that the author had.
 */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import type { Browser, Page } from '@playwright/test';
import { FAULTS } from '../../demo/faults';
import { htmlErrors } from '../checkers';
import { violations } from './axe';
import { expect, goTo, openDemo, openPage, photograph, test, unpacked } from './fixtures';

const FRESH = [81, 82, 83, 84, 85, 86];
const DEMO = new URL('../../demo/site/', import.meta.url).pathname;
const PAGES = ['index.html', 'festival.html', 'workshop.html', 'workshop-2.html', 'gluing.html', 'flying.html'];

async function repair(page: Page): Promise<void> {
  const rows = page.getByRole('list', { name: 'Findings' }).getByRole('listitem');
  let left = FAULTS.length;
  for (const { rule, fix, page: path } of FAULTS) {
    if (path !== 'workshop.html' || fix === null) continue;
    await page.locator(`[data-rule="${rule}"]`).getByRole('button', { name: fix }).click();
    left--;
    await expect(rows).toHaveCount(left);
  }
  await writeAlt(page, 'Coloured paper, cut & ready');
  await expect(rows).toHaveCount(left - 1);
}

/** Of the first picture that has none; a file's name is none. */
async function writeAlt(page: Page, text: string): Promise<void> {
  await page.locator('[data-rule="alt-missing"]').first().getByRole('button', { name: 'Write alt text' }).click();
  await page.getByRole('textbox', { name: 'Alt text' }).fill(text);
  await page.keyboard.press('Enter');
}

async function makePage(page: Page, title: string, file: string): Promise<void> {
  await page.getByRole('button', { name: 'New page', exact: true }).click();
  const dialog = page.getByRole('dialog', { name: 'New page' });
  await dialog.getByRole('textbox', { name: 'Title' }).fill(title);
  await dialog.getByRole('textbox', { name: 'File' }).fill(file);
  await dialog.getByRole('combobox', { name: 'Start from' }).click();
  await page.getByRole('option', { name: 'workshop.html' }).click();
  for (const n of [0, 1])
    await dialog
      .getByRole('checkbox', { name: /^Select (?!all|none)/ })
      .nth(n)
      .check();
  await dialog.getByRole('checkbox', { name: 'Add to every menu' }).check();
  await dialog.getByRole('button', { name: 'Create page' }).click();
  await expect(page.getByRole('status').getByText(`New page ${file} from workshop.html`)).toBeVisible();
  await expect(page.getByText('2 items in 1 gallery')).toBeVisible();
}

async function bringMenusTogether(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Menus' }).click();
  const menus = page.getByRole('dialog', { name: /^The menu of/ });
  await menus.getByRole('button', { name: 'Make all menus match' }).click();
  await expect(menus.getByText('All menus match.')).toBeVisible();
  await menus.getByRole('button', { name: 'Close' }).click();
}

async function layOut(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Layout' }).click();
  const layout = page.getByRole('region', { name: 'Layout' });
  await layout.getByRole('button', { name: '4 columns' }).click();
  await expect(layout.getByRole('button', { name: '4 columns' })).toHaveAttribute('aria-pressed', 'true');
  await layout.getByRole('button', { name: 'up to 600 px' }).click();
  await expect(layout.getByRole('button', { name: '2 columns' })).toHaveAttribute('aria-pressed', 'true');
  await layout.getByRole('button', { name: 'Back to the source' }).click();
}

async function addFromDisk(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Add pictures' }).click();
  const dialog = page.getByRole('dialog', { name: 'Add to workshop.html' });
  const files = await Promise.all(
    FRESH.map(async (n) => ({ name: `bench-${n}.jpg`, mimeType: 'image/jpeg', buffer: await photograph(n) })),
  );
  await dialog.getByLabel('Pictures from disk').setInputFiles(files);
  await expect(dialog.getByRole('checkbox', { name: /^Add bench/, checked: true })).toHaveCount(FRESH.length);
  for (const [n, field] of (await dialog.getByRole('textbox', { name: 'Alt text' }).all()).entries())
    await field.fill(`The bench, ${n + 1}`);
  await dialog.getByRole('button', { name: `Add ${FRESH.length} items` }).click();
  await expect(page.getByText(`${8 + FRESH.length} items in 1 gallery`)).toBeVisible();
}

async function split(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Items…' }).click();
  const dialog = page.getByRole('dialog', { name: /items on workshop\.html/ });
  await dialog.getByRole('spinbutton', { name: 'On a page' }).fill('12');
  await dialog.getByRole('button', { name: 'Split into pages' }).click();
  await expect(dialog.getByText('On 2 pages of 12', { exact: true })).toBeVisible();
  await dialog.getByRole('button', { name: 'Close' }).click();
}

/** How many items stand beside one another, by Chromium's boxes. */
const columnsOf = (page: Page) =>
  page
    .locator('.shot')
    .evaluateAll(
      (items) =>
        items.filter((item) => Math.abs(item.getBoundingClientRect().top - items[0]!.getBoundingClientRect().top) < 2)
          .length,
    );

/** Every item of a page opens its own picture, and the last one is followed by the first. */
async function stepThrough(page: Page, count: number): Promise<void> {
  const links = await page.locator('.shot a').evaluateAll((all) => all.map((one) => (one as HTMLAnchorElement).href));
  expect(links).toHaveLength(count);
  await page.locator('.shot a').first().click();
  const dialog = page.getByRole('dialog');
  for (const [n, href] of links.entries()) {
    await expect(dialog.locator('.enlarge-counter')).toHaveText(`${n + 1} of ${count}`);
    await expect
      .poll(() =>
        dialog.locator('.enlarge-picture').evaluate((image: HTMLImageElement) => [image.src, image.naturalWidth > 0]),
      )
      .toEqual([href, true]);
    await page.keyboard.press('ArrowRight');
  }
  await page.keyboard.press('Escape');
}

const rulesOf = (found: readonly string[]): string[] => [...new Set(found.map((one) => one.split(':')[0]!))];

async function authorsViolations(browser: Browser): Promise<string[]> {
  const page = await browser.newPage();
  await page.goto(pathToFileURL(join(DEMO, 'workshop.html')).href);
  const found = rulesOf(await violations(page));
  await page.close();
  return found;
}

async function fromDisk(
  browser: Browser,
  out: string,
  path: string,
  count: number,
  known: readonly string[],
): Promise<void> {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  const troubles: string[] = [];
  page.on('pageerror', (error) => troubles.push(String(error)));
  page.on('requestfailed', (request) => troubles.push(request.url()));
  await page.goto(pathToFileURL(join(out, path)).href);
  if (count >= 4) expect(await columnsOf(page), `${path} at 1280 px`).toBe(4);
  await stepThrough(page, count);
  expect(troubles, path).toEqual([]);
  // Landmarks are the author's to put there; nothing that the author's page did not lack.
  expect(
    rulesOf(await violations(page)).filter((rule) => !known.includes(rule)),
    path,
  ).toEqual([]);
  await page.setViewportSize({ width: 390, height: 800 });
  expect(await columnsOf(page), `${path} at 390 px`).toBe(2);
  await page.close();
}

/** What a checker says, without where. */
const withoutPlace = (errors: readonly string[]) =>
  new Set(errors.map((error) => error.replace(/^(html-validate|Nu): .*?:[\d.-]+:?\s*/, '$1 ')));

test('a page is repaired, two are made from it, the menus brought together, four columns are two on a phone, and pages of twelve are written', async ({
  page,
  browser,
}) => {
  await openDemo(page, 'proof');
  await repair(page);
  await goTo(page, 'markup');
  await openPage(page, 'workshop.html');
  await makePage(page, 'Gluing', 'gluing.html');
  await makePage(page, 'Flying', 'flying.html');
  await bringMenusTogether(page);
  await openPage(page, 'workshop.html');
  await layOut(page);
  await addFromDisk(page);
  await split(page);
  await goTo(page, 'proof');
  await writeAlt(page, 'A pot of glue & its brush');
  // What is left are the festival page's own faults.
  const left = FAULTS.filter((fault) => fault.page === 'festival.html').length;
  await expect(page.getByRole('list', { name: 'Findings' }).getByRole('listitem')).toHaveCount(left);

  const out = await unpacked(page);
  const text = (path: string) => readFileSync(join(out, path), 'utf8');
  for (const path of PAGES)
    for (const label of ['Home', 'Festival pictures', 'Workshop days', 'Gluing', 'Flying'])
      expect(text(path), path).toMatch(new RegExp(`<li><a [^>]*>${label}</a></li>`));
  const known = await authorsViolations(browser);
  for (const [path, count] of [
    ['workshop.html', 12],
    ['workshop-2.html', 2],
    ['gluing.html', 2],
    ['flying.html', 2],
  ] as const)
    await fromDisk(browser, out, path, count, known);
  expect(text('workshop.html')).toContain('<a href="workshop-2.html" rel="next">Next</a>');
  expect(text('workshop-2.html')).toContain('<a href="workshop.html" rel="prev">Previous</a>');

  const before = withoutPlace(
    await htmlErrors(['index.html', 'festival.html', 'workshop.html'].map((path) => join(DEMO, path))),
  );
  expect(before.size, 'the author’s pages have errors that the checkers see').toBeGreaterThan(0);
  const after = [...withoutPlace(await htmlErrors(PAGES.map((path) => join(out, path))))];
  expect(after.filter((error) => !before.has(error))).toEqual([]);
});
