/** What every browser test begins with: a page on which any console error of the application fails the test. */
import { test as base, expect, type FrameLocator, type Locator, type Page } from '@playwright/test';
import { execFileSync } from 'node:child_process';
import { existsSync, mkdirSync, mkdtempSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import sharp from 'sharp';
import { setOut, withoutDemo, type SetOut } from '../setOut';

/** Of a test that takes long and guards what others guard as well, or what seldom changes: for `npm run test:long`. */
export const LONG = '@long';

/** Addresses of a previewed site, `/s/<token>/…` on the preview origin, and of one on the test host. */
const SITE_ADDRESS = /\/s\/[\w-]{22,}\/|\/\/[\da-f]{32}\.localhost:/;

interface Fixtures {
  /** Messages that a test expects; all others fail it. */
  expected: { console: RegExp[] };
}

export const test = base.extend<Fixtures>({
  expected: async ({ baseURL: _ }, provide) => provide({ console: [] }),
  page: async ({ page, baseURL, expected }, provide) => {
    const errors: string[] = [];
    page.on('console', (message) => {
      const { url } = message.location();
      // A previewed site's own mistakes are what the preview is there to show.
      if (SITE_ADDRESS.test(url) || !url.startsWith(baseURL ?? '')) return;
      if (message.type() === 'error' || /hydrat/i.test(message.text()))
        errors.push(`${message.type()}: ${message.text()}`);
    });
    page.on('pageerror', (error) => {
      if (!SITE_ADDRESS.test(error.stack ?? '')) errors.push(String(error));
    });
    await provide(page);
    expect(errors.filter((error) => !expected.console.some((one) => one.test(error)))).toEqual([]);
  },
});

export { expect };

async function open(page: Page, name: SetOut, station: string): Promise<string> {
  const siteId = await setOut(page, name);
  await page.goto(`/site/${siteId}/${station}`);
  await settled(page);
  return page.url().replace(/\/[a-z]+(\?.*)?$/, '');
}

/** The demo at a station; for what is about the demo itself. */
export const openDemo = (page: Page, station = 'pairs') => open(page, 'demo', station);

/** The site of `tests/site` at a station: three pages, 29 pictures, ten faults. Gives the address of the site. */
export const openKites = (page: Page, station = 'pairs') => open(page, 'kites', station);

/** All pictures are read and no work is in hand. */
export async function settled(page: Page): Promise<void> {
  // The address is there before its screen is; only a site has stations.
  await expect(page.getByRole('navigation', { name: 'Stations' })).toBeVisible({ timeout: 60_000 });
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible({ timeout: 60_000 });
  await expect(page.getByText(/still being read/)).toHaveCount(0, { timeout: 60_000 });
  await expect(page.getByRole('progressbar')).toHaveCount(0, { timeout: 60_000 });
}

export async function goTo(page: Page, station: string): Promise<void> {
  const name = station.charAt(0).toUpperCase() + station.slice(1);
  await page
    .getByRole('navigation', { name: 'Stations' })
    .getByRole('link', { name: new RegExp(`^${name}`) })
    .click();
  await page.waitForURL(new RegExp(`/${station}(\\?|$)`));
}

/** Chooses what the Markup station shows: a page, or another text of the site. */
export async function openPage(page: Page, name: string): Promise<void> {
  await page.getByRole('combobox', { name: 'Page', exact: true }).click();
  await page.getByRole('option', { name, exact: true }).click();
}

/** A folder on disk with the given files. */
export function folderWith(files: Record<string, string | Buffer>): string {
  const folder = join(mkdtempSync(join(tmpdir(), 'heathmoor-')), 'site');
  for (const [path, content] of Object.entries(files)) {
    mkdirSync(dirname(join(folder, path)), { recursive: true });
    writeFileSync(join(folder, path), content);
  }
  return folder;
}

/** Where photographs are kept once they are drawn. */
const DRAWN = fileURLToPath(new URL('../.out/drawn', import.meta.url));

/** A plain photograph as a test needs it: a gradient with a square, different for each number. */
export async function photograph(n: number, width = 1200, height = 800): Promise<Buffer> {
  const kept = join(DRAWN, `${n}-${width}x${height}.jpg`);
  if (existsSync(kept)) return readFileSync(kept);
  const hue = (n * 47) % 360;
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}"><defs><linearGradient id="g" x2="1" y2="1"><stop stop-color="hsl(${hue} 60% 70%)"/><stop offset="1" stop-color="hsl(${(hue + 90) % 360} 50% 35%)"/></linearGradient></defs><rect width="100%" height="100%" fill="url(#g)"/><rect x="${(n * 83) % (width - 300)}" y="${(n * 61) % (height - 300)}" width="280" height="240" fill="hsl(${(hue + 180) % 360} 70% 45%)"/></svg>`;
  const drawn = await sharp(Buffer.from(svg)).jpeg({ quality: 85 }).toBuffer();
  // Whole or not at all: another test may be reading it.
  mkdirSync(DRAWN, { recursive: true });
  const draft = mkdtempSync(join(DRAWN, 'draft-'));
  writeFileSync(join(draft, 'one'), drawn);
  renameSync(join(draft, 'one'), kept);
  return drawn;
}

export async function importFolder(page: Page, folder: string): Promise<void> {
  await page.locator('[data-pick="folder"]').setInputFiles(folder);
  await page.waitForURL(/\/pairs(\?|$)/, { timeout: 90_000 });
  await settled(page);
}

/** Saves the parcel as a person does, and unpacks it with Info-ZIP's `unzip`; gives the folder. */
export async function unpacked(page: Page): Promise<string> {
  await goTo(page, 'pack');
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save as ZIP' }).click();
  const folder = mkdtempSync(join(tmpdir(), 'heathmoor-'));
  await (await download).saveAs(join(folder, 'site.zip'));
  execFileSync('unzip', ['-q', join(folder, 'site.zip'), '-d', join(folder, 'site')]);
  return join(folder, 'site');
}

/** One change in the words of all pages, as a person makes it. */
export async function replaceText(page: Page, find: string, by: string): Promise<void> {
  await page.keyboard.press('Control+k');
  await page.getByRole('combobox', { name: /^Find a page/ }).fill('replace text');
  await page.keyboard.press('Enter');
  const dialog = page.getByRole('dialog', { name: 'Find and replace' });
  await dialog.getByRole('textbox', { name: 'Find' }).fill(find);
  await dialog.getByRole('textbox', { name: 'Replace with' }).fill(by);
  await dialog.getByRole('button', { name: /^Replace in \d+ places?$/ }).click();
  await dialog.getByRole('button', { name: 'Close' }).click();
  // It is done when it can be undone.
  await expect(page.getByRole('button', { name: `Undo: Replace “${find.slice(0, 12)}` })).toBeVisible();
}

/** The row of a full-size picture in the list of pairs. */
export const rowOf = (page: Page, full: string) =>
  page
    .getByRole('list', { name: 'Pairs' })
    .getByRole('listitem')
    .filter({ has: page.getByText(full, { exact: true }) })
    .first();

/** A folder with these files brought in, where no site is yet. */
export async function openFiles(page: Page, files: Record<string, string | Buffer>): Promise<void> {
  await withoutDemo(page);
  await page.goto('/');
  await importFolder(page, folderWith(files));
}

/** One of the other lists of the Pairs station. */
export async function show(page: Page, list: string | RegExp): Promise<void> {
  await page.getByRole('tablist', { name: 'Views of the pictures' }).getByRole('tab', { name: list }).click();
}

/** Until the browser has drawn twice: what follows an event in the frame after it is there then. */
export const framesOn = (page: Page): Promise<void> =>
  page.evaluate(
    () =>
      new Promise<void>((resolve) => {
        requestAnimationFrame(() => requestAnimationFrame(() => resolve()));
      }),
  );

/** Scrolls the station down until something of a long list, of which only rows in sight are made, is there. */
export async function scrollTo(page: Page, wanted: Locator): Promise<Locator> {
  const main = page.locator('main');
  // Rows follow a moment later: those of the place before may still stand there.
  const there = async () => {
    await framesOn(page);
    return (await wanted.count()) > 0;
  };
  // On a busy machine a row may come when it has been scrolled past: from the top again.
  await expect(async () => {
    await main.evaluate((element) => element.scrollTo(0, 0));
    for (let n = 0; n < 60 && !((await there()) && (await there())); n++)
      await main.evaluate((element) => element.scrollBy(0, 300));
    expect(await wanted.count()).toBeGreaterThan(0);
  }).toPass();
  return wanted;
}

/** The middle of an element in a live page that is shown smaller than it is, in CSS px of the window. */
export async function placeInside(
  page: Page,
  title: string,
  of: (frame: FrameLocator) => Locator,
): Promise<{ x: number; y: number }> {
  const element = page.locator(`iframe[title="${title}"]`);
  const target = of(element.contentFrame());
  await expect(target).toBeVisible();
  const box = await element.boundingBox();
  const inside = await target.evaluate((one) => {
    const { left, top, width, height } = one.getBoundingClientRect();
    return { x: (left + width / 2) / innerWidth, y: (top + height / 2) / innerHeight };
  });
  if (!box) throw new Error('The live page is not shown.');
  return { x: box.x + inside.x * box.width, y: box.y + inside.y * box.height };
}

/** Clicks there, as a person would. */
export async function clickInside(page: Page, title: string, of: (frame: FrameLocator) => Locator): Promise<void> {
  const { x, y } = await placeInside(page, title, of);
  await page.mouse.click(x, y);
}

/** The files of a site as the browser's store holds them: texts, and of other files their bytes. */
export const keptFiles = (page: Page, siteId: string): Promise<Record<string, string>> =>
  page.evaluate(async (id) => {
    interface Kept {
      siteId: string;
      path: string;
      content: { kind: 'text'; text: string } | { kind: 'binary'; bytes: number };
    }
    const done = <T>(request: IDBRequest<T>) =>
      new Promise<T>((resolve, reject) => {
        request.onsuccess = () => resolve(request.result);
        request.onerror = () => reject(request.error ?? new Error('The store cannot be read.'));
      });
    const database = await done(indexedDB.open('heathmoor'));
    const files = (await done(database.transaction('files').objectStore('files').getAll())) as Kept[];
    database.close();
    const says = ({ content }: Kept) => (content.kind === 'text' ? content.text : `binary ${content.bytes}`);
    return Object.fromEntries(files.filter((file) => file.siteId === id).map((file) => [file.path, says(file)]));
  }, siteId);

/** Ends the renderer at once, as a crash would. */
export async function kill(page: Page): Promise<void> {
  const session = await page.context().newCDPSession(page);
  void session.send('Page.crash').catch(() => undefined);
  await page.waitForEvent('crash', { timeout: 5000 });
}
