/** Takes the pictures for `docs/screenshots/` from the demo site: `npm run screenshots` beside a running server. */
import type { Page } from '@playwright/test';
import { mkdirSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { launch } from './browser';

const TARGET = process.argv[2] ?? join(dirname(fileURLToPath(import.meta.url)), '../docs/screenshots');
const ADDRESS = `http://localhost:${process.env.PORT ?? 4780}/`;
mkdirSync(TARGET, { recursive: true });

async function goTo(page: Page, station: string, name: string, prepare?: () => Promise<void>): Promise<void> {
  await page
    .getByRole('navigation', { name: 'Stations' })
    .getByRole('link', { name: new RegExp(`^${station}`) })
    .click();
  await prepare?.();
  await page.waitForTimeout(2000);
  await page.screenshot({ path: join(TARGET, `${name}.png`) });
}

async function choosePage(page: Page, path: string): Promise<void> {
  await page.getByRole('combobox', { name: 'Page' }).click();
  await page.getByRole('option', { name: path }).click();
}

/** The festival's page on a slow line, computed and measured. */
async function weighed(page: Page): Promise<void> {
  await choosePage(page, 'festival.html');
  await page.getByRole('tab', { name: 'Page weight' }).click();
  await page.getByRole('button', { name: 'Load it' }).click({ timeout: 30_000 });
  await page.getByText('measured in this browser.').waitFor({ timeout: 30_000 });
  await page.waitForTimeout(1000);
  await page.screenshot({ path: join(TARGET, 'weight.png') });
  await page.getByRole('tab', { name: 'Findings' }).click();
}

/** The demo's story in Markdown, with the cursor on its first group. */
async function pictureGroup(page: Page): Promise<void> {
  await choosePage(page, 'story.md');
  await page.getByRole('button', { name: 'Picture group', exact: true }).click();
  await page.locator('.cm-line', { hasText: 'pictures of-3' }).first().click();
  await page.getByRole('button', { name: 'Alt text and caption of delta-over-mere' }).click();
  await page.waitForTimeout(2000);
  await page.screenshot({ path: join(TARGET, 'story.png') });
  await page.getByRole('region', { name: 'Picture group' }).getByRole('button', { name: 'Close' }).click();
}

/** Those of one page, two of them chosen. */
async function allPictures(page: Page): Promise<void> {
  await page.getByRole('tablist', { name: 'Views of the pictures' }).getByRole('tab', { name: 'All pictures' }).click();
  await page.getByRole('combobox', { name: 'Page', exact: true }).click();
  await page.getByRole('option', { name: 'festival.html', exact: true }).click();
  const boxes = page.getByRole('table', { name: 'All pictures' }).getByRole('checkbox');
  await boxes.nth(1).check();
  await boxes.nth(2).check();
  await page.waitForTimeout(2000);
  await page.screenshot({ path: join(TARGET, 'all-pictures.png') });
}

/** A folder in the browser's private file system, in step, and then changed here, there, and on both sides. */
async function linkedFolder(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Link a folder…' }).click();
  await page.getByRole('button', { name: /^Save \d+ files to/ }).click({ timeout: 30_000 });
  await page.getByText('up to date', { exact: true }).waitFor({ timeout: 30_000 });
  await page.keyboard.press('Control+k');
  await page.getByRole('combobox', { name: /^Find a page/ }).fill('replace text');
  await page.keyboard.press('Enter');
  const dialog = page.getByRole('dialog', { name: 'Find and replace' });
  await dialog.getByRole('textbox', { name: 'Find' }).fill('Workshop days');
  await dialog.getByRole('textbox', { name: 'Replace with' }).fill('Workshops of 2026');
  await dialog.getByRole('button', { name: /^Replace in/ }).click();
  await dialog.getByRole('button', { name: 'Close' }).click();
  // Another program, in words of the page: nothing of a compiler's may stand in it.
  await page.evaluate(`(async () => {
    const root = await showDirectoryPicker();
    const write = async (name, change) => {
      const handle = await root.getFileHandle(name, { create: true });
      const text = await (await handle.getFile()).text();
      const stream = await handle.createWritable();
      await stream.write(change(text));
      await stream.close();
    };
    await write('workshop.html', (text) => text.replace('<h1>Workshop days', '<h1>Days of kite building'));
    await write('visit.html', () => '<!DOCTYPE html>');
    window.dispatchEvent(new Event('focus'));
  })()`);
  await page.getByText('new on disk').waitFor({ timeout: 30_000 });
  await page.getByRole('button', { name: 'Differences of workshop.html' }).click();
  await page.getByRole('button', { name: 'Close', exact: true }).first().click();
}

const browser = await launch();
const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, colorScheme: 'light' });
const page = await context.newPage();
await page.addInitScript(
  `globalThis.showDirectoryPicker = async () => (await navigator.storage.getDirectory()).getDirectoryHandle('kite-circle', { create: true })`,
);
await page.goto(ADDRESS);
await page.getByRole('link', { name: 'Tarrowby Kite Circle' }).click({ timeout: 30_000 });
await page.getByText('21 matched').waitFor({ timeout: 30_000 });
await goTo(page, 'Pairs', 'pairs', () => page.getByText('photos/large/Parafoil-Pair.JPG').first().click());
await page.getByRole('button', { name: 'Change image sizes' }).click();
await page.waitForTimeout(500);
await page.screenshot({ path: join(TARGET, 'recipe.png') });
await page.keyboard.press('Escape');
await page.getByText('photos/large/tall-tail.jpg').first().click();
await page.getByRole('button', { name: 'Close look' }).click();
await page.getByRole('button', { name: 'Quality and file size' }).click();
await page.getByText('Suggested: JPEG').waitFor({ timeout: 30_000 });
await page.waitForTimeout(9000);
await page.screenshot({ path: join(TARGET, 'close-look.png') });
await page.keyboard.press('Escape');
await allPictures(page);
for (const [name, file] of [
  [/^Text and credits/, 'words'],
  [/^Order/, 'order'],
] as const) {
  await page.getByRole('tablist', { name: 'Views of the pictures' }).getByRole('tab', { name }).click();
  await page.waitForTimeout(1200);
  await page.screenshot({ path: join(TARGET, `${file}.png`) });
}
await goTo(page, 'Wiring', 'wiring', () => choosePage(page, 'workshop.html'));
await page.getByRole('button', { name: 'Add a viewer' }).click();
await page.getByRole('group', { name: 'Viewer' }).getByRole('button', { name: 'Slideshow', exact: true }).click();
await page.waitForTimeout(1200);
await page.screenshot({ path: join(TARGET, 'kits.png') });
await page.keyboard.press('Escape');
await page.waitForTimeout(400);
await page.getByRole('button', { name: 'Options' }).click();
await page.getByRole('button', { name: 'third picture' }).click();
await page.waitForTimeout(4000);
await page.screenshot({ path: join(TARGET, 'options.png') });
await page.getByRole('button', { name: 'Back to the scripts' }).click();
await goTo(page, 'Proof', 'proof');
await weighed(page);
await goTo(page, 'Pack', 'pack', () => linkedFolder(page));
await page.keyboard.press('Control+z');
await goTo(page, 'Markup', 'markup', () => choosePage(page, 'workshop.html'));
for (const [name, file] of [
  ['Edit the pattern', 'pattern'],
  ['Items…', 'items'],
] as const) {
  await page.getByRole('button', { name }).click();
  await page.waitForTimeout(1200);
  await page.screenshot({ path: join(TARGET, `${file}.png`) });
  await page.keyboard.press('Escape');
  await page.waitForTimeout(400);
}
await page.getByRole('button', { name: 'Layout' }).click();
await page.waitForTimeout(1500);
await page.screenshot({ path: join(TARGET, 'layout.png') });
await page.getByRole('button', { name: 'Back to the source' }).click();
await pictureGroup(page);
await page.getByRole('link', { name: 'Heathmoor' }).click();
await page.getByRole('heading', { name: 'Your sites' }).waitFor();
await page.waitForTimeout(700);
await page.screenshot({ path: join(TARGET, 'shelf.png') });
await page.getByRole('link', { name: 'Exercises' }).click();
await page.getByRole('button', { name: 'Start: The arrows are missing' }).click();
await page.getByRole('button', { name: 'Show a hint' }).click({ timeout: 30_000 });
await page.waitForTimeout(4000);
await page.screenshot({ path: join(TARGET, 'exercise.png') });
await context.close();
await browser.close();
