/**
 * A folder of 20,000 small files, brought in by the built application, beside bare writes of the same files to
 * IndexedDB by a page that does nothing else, in the same browser. `npm run bench:files`.
 */
import { expect, type Page } from '@playwright/test';
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sharp from 'sharp';
import { launch } from '../browser.ts';
import { serve } from '../robust/ownBrowser.ts';
import { withoutDemo } from '../setOut.ts';

const PORT = Number(process.env.BENCH_PORT ?? 4974);
const COUNT = Number(process.env.FILES ?? 20_000);
/** The rest are pictures. */
const PAGES = COUNT / 20;

async function folderOf(): Promise<string> {
  const folder = join(mkdtempSync(join(tmpdir(), 'heathmoor-files-')), 'moor');
  mkdirSync(join(folder, 'pages'), { recursive: true });
  mkdirSync(join(folder, 'large'), { recursive: true });
  const picture = await sharp({ create: { width: 24, height: 16, channels: 3, background: '#486' } })
    .jpeg()
    .toBuffer();
  for (let n = 0; n < COUNT; n++)
    if (n < PAGES)
      writeFileSync(
        join(folder, 'pages', `p${n}.html`),
        `<!DOCTYPE html><title>${n}</title><p>Page ${n}</p>\n`.repeat(10),
      );
    // No two alike: what stands behind the picture is left alone.
    else writeFileSync(join(folder, 'large', `k${n}.jpg`), Buffer.concat([picture, Buffer.from(`kite ${n}`)]));
  return folder;
}

/** Reads each file and writes it as a record of its own, in one transaction for every 500. */
async function bareWrites(page: Page, folder: string): Promise<number> {
  await page.setContent('<input type="file" webkitdirectory>');
  await page.locator('input').setInputFiles(folder);
  return page.evaluate(async () => {
    const files = [...(document.querySelector('input')?.files ?? [])];
    const began = performance.now();
    const opening = indexedDB.open('bare', 1);
    opening.onupgradeneeded = () => opening.result.createObjectStore('files');
    const database = await new Promise<IDBDatabase>((resolve) => (opening.onsuccess = () => resolve(opening.result)));
    for (let at = 0; at < files.length; at += 500) {
      const some = files.slice(at, at + 500);
      const contents = await Promise.all(some.map(async (file) => new Blob([await file.arrayBuffer()])));
      const tx = database.transaction('files', 'readwrite');
      for (const [n, content] of contents.entries()) tx.objectStore('files').put(content, some[n]?.webkitRelativePath);
      await new Promise((resolve) => (tx.oncomplete = resolve));
    }
    database.close();
    return performance.now() - began;
  });
}

const folder = await folderOf();
const server = await serve(PORT);
const browser = await launch();
try {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  // What runs in the page was compiled by something that names functions by a helper of its own.
  await context.addInitScript('window.__name = (one) => one');
  const bare = await context.newPage();
  // A page of that origin on which nothing of the application runs.
  await withoutDemo(bare, server.address);
  const plain = await bareWrites(bare, folder);
  await bare.close();

  const page = await context.newPage();
  await withoutDemo(page, server.address);
  await page.goto(server.address);
  await expect(page.getByText(/MB stored in this browser/)).toBeVisible({ timeout: 60_000 });
  // From when the browser has the list of files, as a person's choice gives it.
  await page.evaluate(() => {
    const input = document.querySelector('[data-pick="folder"]');
    input?.addEventListener('change', () => Object.assign(window, { began: performance.now() }), { capture: true });
  });
  await page.locator('[data-pick="folder"]').setInputFiles(folder, { timeout: 300_000 });
  await page.waitForURL(/\/pairs(\?|$)/, { timeout: 600_000 });
  const inStore = await page.evaluate(() => performance.now() - (window as unknown as { began: number }).began);
  const rows = page.getByRole('list', { name: 'Pairs' }).getByRole('listitem');
  await rows.first().waitFor({ timeout: 600_000 });
  const seen = await page.evaluate(() => performance.now() - (window as unknown as { began: number }).began);
  const seconds = (ms: number) => (ms / 1000).toFixed(1);
  console.log(`${COUNT} files, ${PAGES} of them pages`);
  console.log(`| | seconds | of bare writes |\n|---|---|---|`);
  console.log(`| bare writes | ${seconds(plain)} | 1 |`);
  console.log(`| brought in | ${seconds(inStore)} | ${(inStore / plain).toFixed(2)}, goal: at most 3 |`);
  console.log(`| first rows | ${seconds(seen)} | ${(seen / plain).toFixed(2)} |`);
} finally {
  await browser.close();
  server.stop();
  rmSync(join(folder, '..'), { recursive: true, force: true });
}
