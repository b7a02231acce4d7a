/** What is bad in the store spoils only itself; and a store that goes away takes nothing off the screen. */
import type { Page } from '@playwright/test';
import { execFileSync } from 'node:child_process';
import { existsSync, mkdtempSync, readdirSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { violations } from './axe';
import { expect, goTo, openKites, settled, test, unpacked, LONG } from './fixtures';
import { SITE } from '../site/make';

const siteIdOf = (page: Page) => /\/site\/([^/]+)/.exec(page.url())?.[1] ?? '';

/** Puts junk where records of each kind should be, and takes the content of one picture away. */
const spoil = (page: Page, siteId: string, gone: string) =>
  page.evaluate(
    async ([id, picture]) => {
      const done = <T>(request: IDBRequest<T>) =>
        new Promise<T>((resolve, reject) => {
          request.onsuccess = () => resolve(request.result);
          request.onerror = () => reject(request.error ?? new Error('The store cannot be written.'));
        });
      const database = await done(indexedDB.open('heathmoor'));
      const at = (name: string) => database.transaction(name, 'readwrite').objectStore(name);
      await done(at('files').put({ siteId: id, path: 'about.html', content: 'gone wrong' }));
      await done(at('journal').put({ siteId: id, number: 1, change: { label: 3 } }));
      await done(at('queues').put({ siteId: id, tasks: 'none' }));
      await done(at('sites').put({ id, name: 'Kites', token: null }));
      const file = (await done(at('files').get([id!, picture!]))) as { content: { hash: string } };
      await done(at('blobs').delete(file.content.hash));
      database.close();
    },
    [siteId, gone],
  );

test('a site with every kind of bad record opens, says which, and leaves with all the rest', async ({ page }) => {
  await openKites(page);
  const siteId = siteIdOf(page);
  const picture = readdirSync(join(SITE, 'photos/large'))[0]!;
  await page.goto('/');
  await expect(page.getByText(/MB stored in this browser/)).toBeVisible();
  await spoil(page, siteId, `photos/large/${picture}`);
  await page.reload();
  await page.getByRole('link', { name: 'Kites' }).click();
  await settled(page);
  const strip = page.getByRole('status', { name: 'Not all of this site can be read' });
  await expect(strip).toContainText('5 things of this site cannot be read');
  await expect(strip).toContainText('about.html cannot be read');
  await expect(strip).toContainText('Step 1 of the history');
  await expect(strip).toContainText('Pictures that were being created');
  await expect(strip).toContainText('The name and dates of this site');
  await expect(strip).toContainText(`The content of photos/large/${picture} is missing`);
  expect(await violations(page)).toEqual([]);

  const saved = page.waitForEvent('download');
  await strip.getByRole('button', { name: 'Save what was set aside' }).click();
  const records = JSON.parse(readFileSync(await (await saved).path(), 'utf8')) as { kind: string }[];
  expect(records.map(({ kind }) => kind).sort()).toEqual(['file', 'queue', 'site', 'step']);

  const out = await unpacked(page);
  await expect(page.getByText(/Left out: 1 file whose content is missing/)).toBeVisible();
  expect(existsSync(join(out, 'photos/large', picture))).toBe(false);
  const there = (folder: string) => readdirSync(folder, { recursive: true, encoding: 'utf8' }).sort();
  const missing = new Set(['about.html', join('photos/large', picture)]);
  expect(there(out)).toEqual(there(SITE).filter((path) => !missing.has(path)));
  await strip.getByRole('button', { name: 'Close' }).click();
  await expect(strip).toBeHidden();
});

test('a storage that is cleared while the site is open leaves it on the screen, to be saved as an archive', async ({
  page,
  context,
  baseURL,
}) => {
  await openKites(page, 'markup');
  const session = await context.newCDPSession(page);
  await session.send('Storage.clearDataForOrigin', { origin: baseURL!, storageTypes: 'indexeddb' });
  await expect(page.getByText('The browser’s storage was cleared, or the browser closed it')).toBeVisible();
  await expect(page.locator('.cm-content')).toContainText('data-enlarge');
  await page.getByRole('button', { name: 'Save an archive…' }).click();
  const folder = mkdtempSync(join(tmpdir(), 'heathmoor-'));
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save archive' }).click();
  await (await download).saveAs(join(folder, 'site.zip'));
  execFileSync('unzip', ['-q', join(folder, 'site.zip'), '-d', folder]);
  for (const name of readdirSync(SITE).filter((one) => /\.(html|css)$/.test(one)))
    expect(readFileSync(join(folder, name), 'utf8'), name).toBe(readFileSync(join(SITE, name), 'utf8'));
});

test('a store that a newer version takes over, or wrote, is shown and not written', { tag: LONG }, async ({ page }) => {
  await openKites(page, 'markup');
  await page.evaluate(
    () =>
      new Promise<void>((resolve, reject) => {
        const opening = indexedDB.open('heathmoor', 99);
        opening.onsuccess = () => {
          opening.result.close();
          resolve();
        };
        opening.onerror = () => reject(opening.error ?? new Error('It cannot be opened.'));
      }),
  );
  await expect(page.getByText('took the storage over in another tab')).toBeVisible();
  await page.reload();
  await settled(page);
  await expect(page.getByText('A newer version of Heathmoor wrote this site.')).toBeVisible();
  await goTo(page, 'pack');
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save archive' }).click();
  expect((await download).suggestedFilename()).toMatch(/-archive\.zip$/);
});
