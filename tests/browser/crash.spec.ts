/** The page is killed in the middle of an import; all of it is there afterwards, or none of it. */
import type { Page } from '@playwright/test';
import { withoutDemo } from '../setOut';
import { expect, folderWith, goTo, kill, openKites, photograph, test, LONG } from './fixtures';

function counts(page: Page): Promise<{ sites: number; files: number; orphans: number }> {
  return page.evaluate(async () => {
    const db = await new Promise<IDBDatabase>((resolve) => {
      const request = indexedDB.open('heathmoor');
      request.onsuccess = () => resolve(request.result);
    });
    const all = <T>(store: string) =>
      new Promise<T[]>((resolve) => {
        const request = db.transaction(store).objectStore(store).getAll();
        request.onsuccess = () => resolve(request.result as T[]);
      });
    const sites = await all<{ id: string }>('sites');
    const files = await all<{ siteId: string }>('files');
    db.close();
    return {
      sites: sites.length,
      files: files.length,
      orphans: files.filter((file) => !sites.some((site) => site.id === file.siteId)).length,
    };
  });
}

/** Enough that an import takes longer than the longest wait before the kill. */
const PICTURES = 16;

test('an import that is killed leaves no half of a site', { tag: LONG }, async ({ context, baseURL }) => {
  test.setTimeout(120_000);
  const files: Record<string, Buffer> = {};
  for (let n = 0; n < PICTURES; n++) files[`p${n}.jpg`] = await photograph(n, 1600, 1200);
  const folder = folderWith(files);
  const blank = await context.newPage();
  await withoutDemo(blank);
  await blank.close();
  for (const delay of [30, 90, 160, 260]) {
    const page = await context.newPage();
    await page.goto(baseURL ?? '');
    await expect(page.getByText(/MB stored in this browser/)).toBeVisible();
    const before = await counts(page);
    await page.locator('[data-pick="folder"]').setInputFiles(folder);
    await page.waitForTimeout(delay);
    await kill(page);
    await page.close();
    const next = await context.newPage();
    await next.goto(baseURL ?? '');
    await expect(next.getByText(/MB stored in this browser/)).toBeVisible();
    const after = await counts(next);
    expect(after.orphans).toBe(0);
    expect([before.files, before.files + PICTURES]).toContain(after.files);
    expect(after.sites - before.sites).toBe((after.files - before.files) / PICTURES);
    await next.close();
  }
});

test('a second tab shows the site read-only and takes over when the first is closed', async ({ context }) => {
  const first = await context.newPage();
  await openKites(first);
  const second = await context.newPage();
  await second.goto(first.url());
  await expect(second.getByText('open in another tab')).toBeVisible();
  await goTo(second, 'markup');
  await expect(second.getByRole('textbox', { name: 'Alt text' })).toBeDisabled();
  await first.close();
  await expect(second.getByText('open in another tab')).toBeHidden();
  await expect(second.getByRole('textbox', { name: 'Alt text' })).toBeEnabled();
});
