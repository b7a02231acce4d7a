/** The page is killed in the middle of an import and of an edit; all of it is there afterwards, or none of it. */
import type { Page } from '@playwright/test';
import { withoutDemo } from '../demoStore';
import { bringIn, expect, folderWith, goTo, openDemo, photograph, test } from './fixtures';

const PAGE = `<!DOCTYPE html>\n<html lang="en"><head><meta charset="utf-8"><title>t</title></head>\n<body>\n<p><a href="a.jpg"><img src="thumbs/a.jpg" alt="a"></a></p>\n<p><a href="b.jpg"><img src="thumbs/b.jpg" alt="b"></a></p>\n</body></html>\n`;

/** Ends the renderer at once, as a crash would. */
async function kill(page: Page): Promise<void> {
  const session = await page.context().newCDPSession(page);
  void session.send('Page.crash').catch(() => undefined);
  await page.waitForEvent('crash', { timeout: 5000 });
}

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

test('an import that is killed leaves no half of a site', async ({ context, baseURL }) => {
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
    await expect(page.getByText(/MB kept here/)).toBeVisible();
    const before = await counts(page);
    await page.locator('[data-pick="folder"]').setInputFiles(folder);
    await page.waitForTimeout(delay);
    await kill(page);
    await page.close();
    const next = await context.newPage();
    await next.goto(baseURL ?? '');
    await expect(next.getByText(/MB kept here/)).toBeVisible();
    const after = await counts(next);
    expect(after.orphans).toBe(0);
    expect([before.files, before.files + PICTURES]).toContain(after.files);
    expect(after.sites - before.sites).toBe((after.files - before.files) / PICTURES);
    await next.close();
  }
});

test('an edit that is killed is there with its journal entry, or not at all', async ({ context, baseURL }) => {
  test.setTimeout(120_000);
  const first = await context.newPage();
  await withoutDemo(first);
  await first.goto(baseURL ?? '');
  await bringIn(
    first,
    folderWith({
      'index.html': PAGE,
      'a.jpg': await photograph(1),
      'b.jpg': await photograph(2),
      'thumbs/a.jpg': await photograph(1, 400, 400),
      'thumbs/b.jpg': await photograph(2, 400, 400),
    }),
  );
  const address = first.url().replace(/pairs$/, 'markup');
  await first.close();
  let written = 0;
  // The first is killed before it is asked for, the last when it is seen to be written; those between land where they may.
  for (const delay of [null, 0, 4, 10, 20, 40, 'written'] as const) {
    const page = await context.newPage();
    await page.goto(address);
    await expect(page.getByText('2 items in 1 gallery')).toBeVisible();
    await page.keyboard.press('j');
    const field = page.getByRole('textbox', { name: 'Alt text' });
    const before = await field.inputValue();
    await field.fill(`words after ${delay}`);
    if (delay !== null) await field.press('Enter');
    if (delay === 'written') await expect(page.getByRole('button', { name: /^Undo: / })).toBeVisible();
    else if (delay !== null) await page.waitForTimeout(delay);
    await kill(page);
    await page.close();
    const next = await context.newPage();
    await next.goto(address);
    await expect(next.getByText('2 items in 1 gallery')).toBeVisible();
    await next.keyboard.press('j');
    const now = await next.getByRole('textbox', { name: 'Alt text' }).inputValue();
    expect([before, `words after ${delay}`]).toContain(now);
    if (delay === null) expect(now).toBe(before);
    if (delay === 'written') expect(now).not.toBe(before);
    if (now !== before) {
      // What was written can be undone, so its entry was written with it.
      written++;
      await next.getByRole('button', { name: /^Undo: / }).click();
      await expect(next.getByRole('textbox', { name: 'Alt text' })).toHaveValue(before);
    }
    await next.close();
  }
  console.log(`of 7 edits killed on their way, ${written} had been written`);
});

test('a second tab shows the site read-only and takes over when the first is closed', async ({ context }) => {
  const first = await context.newPage();
  await openDemo(first);
  const second = await context.newPage();
  await second.goto(first.url());
  await expect(second.getByText('open in another tab')).toBeVisible();
  await goTo(second, 'markup');
  await expect(second.getByRole('textbox', { name: 'Alt text' })).toBeDisabled();
  await first.close();
  await expect(second.getByText('open in another tab')).toBeHidden();
  await expect(second.getByRole('textbox', { name: 'Alt text' })).toBeEnabled();
});
