/**
 * Scripts as people download them, in each way of starting: script made small, manual beside it, in a folder or a ZIP;
 * read, wired, rehearsed, saved and opened from disk.
 */
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { strToU8, zipSync } from 'fflate';
import { download, linesOf } from '../wiring/downloads.fixture';
import { wiredPage } from '../wiring/faults.fixture';
import { expect, folderWith, goTo, LONG, openFiles, test, unpacked } from './fixtures';
import { violations } from './axe';
import { kitButton, pictures, rehearse } from './wiringSteps';

const DOWNLOADS = [
  { kit: 'glow', name: 'sheen', started: 'Plug-in', called: 'sheen', zip: true, tag: [] },
  { kit: 'beam', name: 'torch', started: 'Method', called: 'bind', zip: false, tag: [LONG] },
  { kit: 'gleam', name: 'ember', started: 'Constructor', called: 'Ember', zip: true, tag: [LONG] },
  { kit: 'flare', name: 'spark', started: null, called: '', zip: false, tag: [LONG] },
] as const;

for (const { kit, name, started, called, zip, tag } of DOWNLOADS) {
  const how = started === null ? 'that starts by itself' : `started by its ${started.toLowerCase()}`;
  test(`a download ${how} is read, wired and works from disk`, { tag: [...tag] }, async ({ page, expected }) => {
    expected.console.push(/file:/);
    await openFiles(page, { 'index.html': wiredPage('none'), ...(await pictures()) });
    await goTo(page, 'wiring');
    await page.getByRole('button', { name: 'Wire this page' }).click();
    await page.getByRole('button', { name: 'Bring in a script of your own' }).click();
    const files = download(kit, name);
    const packed = Object.entries(files).map(([file, text]) => [`${name}/${file}`, strToU8(text)] as const);
    const folder = folderWith(zip ? { [`${name}.zip`]: Buffer.from(zipSync(Object.fromEntries(packed))) } : files);
    const names = zip ? [`${name}.zip`] : Object.keys(files);
    await page.locator('[data-pick="script"]').setInputFiles(names.map((file) => join(folder, file)));
    const dialog = page.getByRole('dialog', { name: 'A script of your own' });
    if (started !== null) await expect(dialog.getByRole('textbox', { name: started, exact: true })).toHaveValue(called);
    await dialog.getByRole('textbox', { name: 'Name' }).fill(name);
    await dialog.getByRole('checkbox', { name: 'It shows a counter' }).check();
    await dialog.getByRole('button', { name: 'Keep as a kit' }).click();
    await kitButton(page, name).click();
    await page.getByRole('button', { name: 'Write this' }).click();
    await expect(page.getByText(`wired with the ${name}, 4 of 4 links answered`)).toBeVisible();
    await rehearse(page);
    await expect(page.getByText(/^Rehearsed: 4 strands as foretold$/)).toBeVisible();

    const saved = await unpacked(page);
    await page.goto(pathToFileURL(join(saved, 'index.html')).href);
    await page.getByRole('link').nth(1).click();
    await expect(page.getByRole('dialog').getByText('2 of 4')).toBeVisible();
    await page.keyboard.press('ArrowRight');
    await expect(page.getByRole('dialog').getByText('3 of 4')).toBeVisible();
  });
}

const PASTED = [
  { kit: 'glow', name: 'sheen', tag: [] },
  { kit: 'beam', name: 'torch', tag: [LONG] },
  { kit: 'gleam', name: 'ember', tag: [LONG] },
  { kit: 'flare', name: 'spark', tag: [LONG] },
] as const;

for (const { kit, name, tag } of PASTED) {
  test(`the lines of ${name}’s manual alone make the page work`, { tag: [...tag] }, async ({ page, expected }) => {
    expected.console.push(/file:/);
    const { 'README.md': manual = '', ...files } = download(kit, name);
    const placed = Object.entries(files).map(([file, text]) => [`assets/${file}`, text] as const);
    await openFiles(page, { 'index.html': wiredPage('none'), ...Object.fromEntries(placed), ...(await pictures()) });
    await goTo(page, 'wiring');
    await page.getByRole('button', { name: 'Wire this page' }).click();
    await page.getByRole('button', { name: 'Paste lines from a manual' }).click();
    const dialog = page.getByRole('dialog', { name: 'Paste lines from a manual' });
    await dialog.getByRole('textbox', { name: 'Lines' }).fill(linesOf({ 'README.md': manual }));
    const told = dialog.getByRole('region', { name: 'What the lines are' });
    await expect(told.getByText(`included as assets/${name}.js`)).toBeVisible();
    await expect(dialog.getByText(/places? would change:$/)).toBeVisible();
    expect(await violations(page)).toEqual([]);
    await dialog.getByRole('button', { name: 'Apply' }).click();
    await expect(page.getByText(`wired with the ${name}, 4 of 4 links answered`)).toBeVisible();
    await rehearse(page);
    await expect(page.getByText(/^Rehearsed: 4 strands as foretold$/)).toBeVisible();

    const saved = await unpacked(page);
    await page.goto(pathToFileURL(join(saved, 'index.html')).href);
    await page.getByRole('link').nth(1).click();
    await expect(page.getByRole('dialog').getByText('2 of 4')).toBeVisible();
  });
}
