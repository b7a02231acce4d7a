/**
 * Scripts as people download them, in each way of starting: script made small, manual beside it, in a folder or a ZIP;
 * read, wired, rehearsed, saved and opened from disk.
 */
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import type { Page } from '@playwright/test';
import { strToU8, zipSync } from 'fflate';
import { download, halfWired, linesOf, OLD_PAGE } from '../wiring/downloads.fixture';
import { wiredPage } from '../wiring/faults.fixture';
import { cursorAfter } from './editorSteps';
import { expect, folderWith, goTo, LONG, openFiles, openPage, photograph, test, unpacked } from './fixtures';
import { violations } from './axe';
import { kitButton, pictures, rehearse } from './wiringSteps';

interface Download {
  kit: string;
  name: string;
  /** What the form calls the way of starting, and what is called; null where it starts by itself. */
  started: { by: string; called: string } | null;
  zip: boolean;
  /** Behind which words of the page an option is typed, and what. */
  option: { after: string; typed: string } | null;
}

const DOWNLOADS: readonly Download[] = [
  {
    kit: 'glow',
    name: 'sheen',
    started: { by: 'Plug-in', called: 'sheen' },
    zip: true,
    option: { after: "$('.sheen').sheen(", typed: '{ counter: false }' },
  },
  {
    kit: 'peephole',
    name: 'squint',
    started: { by: 'Function', called: 'squint' },
    zip: false,
    option: { after: "squint('.peep'", typed: ', { counter: false }' },
  },
  {
    kit: 'beam',
    name: 'torch',
    started: { by: 'Method', called: 'bind' },
    zip: false,
    option: { after: "Torch.bind('[data-torch]'", typed: ', { counter: false }' },
  },
  {
    kit: 'gleam',
    name: 'ember',
    started: { by: 'Constructor', called: 'Ember' },
    zip: true,
    option: { after: "items: 'a'", typed: ', counter: false' },
  },
  { kit: 'flare', name: 'spark', started: null, zip: false, option: null },
  {
    kit: 'dazzle',
    name: 'spangle',
    started: { by: 'Function', called: 'spangle' },
    zip: true,
    option: { after: "spangle('[data-spangle]'", typed: ', { counter: false }' },
  },
  {
    kit: 'gloam',
    name: 'murk',
    started: null,
    zip: false,
    option: { after: '<murk-pictures', typed: ' counter="off"' },
  },
  { kit: 'parade', name: 'march', started: null, zip: true, option: null },
  { kit: 'gloss', name: 'varnish', started: null, zip: true, option: null },
];

/** Browsers load no module from disk: such pages are looked at from a host. */
async function openSaved(page: Page, folder: string, path: string, isModule: boolean): Promise<void> {
  if (!isModule) {
    await page.goto(pathToFileURL(join(folder, path)).href);
    return;
  }
  const host = 'http://kites.example';
  await page.route(`${host}/**`, (route) =>
    route.fulfill({ path: join(folder, decodeURIComponent(new URL(route.request().url()).pathname)) }),
  );
  await page.goto(`${host}/${path}`);
}

async function bringScript(page: Page, { kit, name, zip, started }: Download): Promise<void> {
  await page.getByRole('button', { name: 'Add a viewer' }).click();
  await page.getByRole('button', { name: 'Import a script of your own' }).click();
  const files: Record<string, string> = download(kit, name);
  // What the style names lies beside it, and more that nobody needs.
  files[`${name}.css`] += '\n.arrow { background: url("images/arrow.png"); }\n';
  const arrow = await photograph(1, 320, 320);
  const packed = [
    ...Object.entries(files).map(([file, text]) => [`${name}/${file}`, strToU8(text)] as const),
    [`${name}/images/arrow.png`, new Uint8Array(arrow)] as const,
    [`${name}/docs/screen.jpg`, new Uint8Array(arrow)] as const,
  ];
  const folder = folderWith(zip ? { [`${name}.zip`]: Buffer.from(zipSync(Object.fromEntries(packed))) } : files);
  const names = zip ? [`${name}.zip`] : Object.keys(files);
  await page.locator('[data-pick="script"]').setInputFiles(names.map((file) => join(folder, file)));
  const dialog = page.getByRole('dialog', { name: 'A script of your own' });
  if (started) await expect(dialog.getByRole('textbox', { name: started.by, exact: true })).toHaveValue(started.called);
  // Its lines tell all the rest; single files have no common name.
  await expect(dialog.getByRole('checkbox', { name: 'It shows a counter' })).toBeChecked();
  if (zip) await expect(dialog.getByText('come along: images/arrow.png')).toBeVisible();
  await dialog.getByRole('textbox', { name: 'Name' }).fill(name);
  await dialog.getByRole('button', { name: 'Save as a viewer' }).click();
}

/** Changes the viewer of the page in hand, in the dialog that is open or opens. */
async function changeTo(page: Page, title: string): Promise<void> {
  const wire = page.getByRole('button', { name: 'Add a viewer' });
  if ((await page.getByRole('dialog').count()) === 0) await wire.click();
  await kitButton(page, title).click();
  await page.getByRole('button', { name: 'Apply' }).click();
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await expect(page.getByText(`wired with the ${title.toLowerCase()}, 4 of 4 links handled`)).toBeVisible();
}

const PAGES = ['index.html', 'old.html', 'half.html'] as const;

for (const one of DOWNLOADS) {
  const { kit, name, started, option } = one;
  const how = started === null ? 'that starts by itself' : `started by its ${started.by.toLowerCase()}`;
  test(
    `a download ${how}, as ${kit}, is read and works on three kinds of pages`,
    { tag: LONG },
    async ({ page, expected }) => {
      test.slow();
      expected.console.push(/file:|kites\.example/);
      await openFiles(page, {
        'index.html': wiredPage('none'),
        'old.html': OLD_PAGE,
        'half.html': halfWired(kit, name),
        ...(await pictures()),
      });
      await goTo(page, 'wiring');
      await bringScript(page, one);
      for (const path of PAGES) {
        if (path !== 'index.html') await openPage(page, path);
        await changeTo(page, name);
        await rehearse(page);
        await expect(page.getByText(/^Rehearsed: 4 strands as expected/)).toBeVisible();
      }

      // To another viewer and back.
      await openPage(page, 'index.html');
      const before = readFileSync(join(await unpacked(page), 'index.html'), 'utf8');
      await goTo(page, 'wiring');
      await changeTo(page, 'Lightbox');
      const between = await unpacked(page);
      expect(readFileSync(join(between, 'index.html'), 'utf8')).not.toMatch(new RegExp(name, 'i'));
      await goTo(page, 'wiring');
      await changeTo(page, name);
      const back = await unpacked(page);
      expect(lines(readFileSync(join(back, 'index.html'), 'utf8'))).toEqual(lines(before));
      expect(existsSync(join(back, 'viewer'))).toBe(false);

      if (option) {
        await goTo(page, 'markup');
        await openPage(page, 'index.html');
        await cursorAfter(page, option.after);
        await page.keyboard.type(option.typed);
        await goTo(page, 'wiring');
        await rehearse(page);
        await expect(page.getByText(/^Rehearsed: 4 strands as expected/)).toBeVisible();
      }

      const saved = await unpacked(page);
      expect(existsSync(join(saved, name, 'images/arrow.png'))).toBe(one.zip);
      expect(existsSync(join(saved, name, 'docs'))).toBe(false);
      for (const path of PAGES) {
        await openSaved(page, saved, path, kit === 'dazzle');
        await page.getByRole('link').nth(1).click();
        const box = page.getByRole('dialog');
        await expect(box).toBeVisible();
        const counts = option && path === 'index.html' ? 0 : 1;
        await expect(box.getByText('2 of 4')).toHaveCount(counts);
        await page.keyboard.press('ArrowRight');
        await expect(box.getByText('3 of 4')).toHaveCount(counts);
      }
    },
  );
}

/** Tags and words of a page line by line, in whatever order the head has them. */
const lines = (text: string): string[] =>
  text
    .split('\n')
    .map((line) => line.trim())
    .filter(Boolean)
    .sort();

const PASTED = [
  { kit: 'glow', name: 'sheen', tag: [] },
  { kit: 'peephole', name: 'squint', tag: [LONG] },
  { kit: 'beam', name: 'torch', tag: [LONG] },
  { kit: 'gleam', name: 'ember', tag: [LONG] },
  { kit: 'flare', name: 'spark', tag: [LONG] },
  { kit: 'dazzle', name: 'spangle', tag: [LONG] },
  { kit: 'gloam', name: 'murk', tag: [LONG] },
  { kit: 'gloss', name: 'varnish', tag: [LONG] },
  { kit: 'parade', name: 'march', tag: [LONG] },
] as const;

for (const { kit, name, tag } of PASTED) {
  test(`the lines of ${name}’s manual alone make the page work`, { tag: [...tag] }, async ({ page, expected }) => {
    expected.console.push(/file:/);
    const { 'README.md': manual = '', ...files } = download(kit, name);
    const placed = Object.entries(files).map(([file, text]) => [`assets/${file}`, text] as const);
    await openFiles(page, { 'index.html': wiredPage('none'), ...Object.fromEntries(placed), ...(await pictures()) });
    await goTo(page, 'wiring');
    await page.getByRole('button', { name: 'Add a viewer' }).click();
    await page.getByRole('button', { name: 'Paste lines from a manual' }).click();
    const dialog = page.getByRole('dialog', { name: 'Paste lines from a manual' });
    await dialog.getByRole('textbox', { name: 'Lines' }).fill(linesOf({ 'README.md': manual }));
    const told = dialog.getByRole('region', { name: 'What the lines are' });
    if (kit !== 'dazzle') await expect(told.getByText(`included as assets/${name}.js`)).toBeVisible();
    await expect(dialog.getByText(/places? would change:$/)).toBeVisible();
    expect(await violations(page)).toEqual([]);
    await dialog.getByRole('button', { name: 'Apply' }).click();
    await expect(page.getByText(`wired with the ${name}, 4 of 4 links handled`)).toBeVisible();
    await rehearse(page);
    await expect(page.getByText(/^Rehearsed: 4 strands as expected/)).toBeVisible();

    await openSaved(page, await unpacked(page), 'index.html', kit === 'dazzle');
    await page.getByRole('link').nth(1).click();
    await expect(page.getByRole('dialog').getByText('2 of 4')).toBeVisible();
  });
}
