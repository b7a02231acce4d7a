/**
 * Thousands of pictures: rows appear while pictures are still being looked at, scrolling stays smooth, memory
 * bounded.
 */
import { mkdirSync, mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sharp from 'sharp';
import { LONG_TASK, tracing } from '../longTasks';
import type { Page } from '@playwright/test';
import { expect, show, test } from './fixtures';

const COUNT = Number(process.env.PICTURES ?? 5000);
/** Small pictures, each another: noise on a slope. */
async function folderOf(count: number): Promise<string> {
  const folder = join(mkdtempSync(join(tmpdir(), 'heathmoor-')), 'moor');
  mkdirSync(join(folder, 'large'), { recursive: true });
  mkdirSync(join(folder, 'small'), { recursive: true });
  const side = 12;
  for (let n = 0; n < count / 2; n++) {
    let state = n + 1;
    const pixels = Buffer.from(
      Array.from({ length: side * side * 3 }, () => (state = (state * 48271) % 2147483647) % 256),
    );
    const large = await sharp(pixels, { raw: { width: side, height: side, channels: 3 } })
      .resize(240, 240, { kernel: 'cubic' })
      .jpeg({ quality: 70 })
      .toBuffer();
    writeFileSync(join(folder, 'large', `p${n}.jpg`), large);
    writeFileSync(join(folder, 'small', `p${n}.jpg`), await sharp(large).resize(100).jpeg({ quality: 70 }).toBuffer());
  }
  return folder;
}

/** Scrolls what the station shows, mostly a little at a time; nothing may hold up the thread. */
async function scrolls(page: Page, what: string): Promise<void> {
  const { made, tasks } = await tracing(page, () =>
    page.evaluate(async () => {
      const tasks: number[] = [];
      const observer = new PerformanceObserver((list) =>
        tasks.push(...list.getEntries().map((entry) => entry.duration)),
      );
      observer.observe({ type: 'longtask' });
      const main = document.querySelector('main')!;
      const frames: number[] = [];
      let last = performance.now();
      for (let step = 0; step < 400; step++) {
        main.scrollTop += step % 100 < 90 ? 140 : 4000;
        await new Promise(requestAnimationFrame);
        frames.push(performance.now() - last);
        last = performance.now();
      }
      await new Promise((done) => setTimeout(done, 300));
      observer.disconnect();
      frames.sort((a, b) => a - b);
      return { tasks, scrolled: main.scrollTop, median: frames[200]!, slow: frames[396]! };
    }),
  );
  expect(made.scrolled).toBeGreaterThan(20_000);
  console.log(
    `${what}: frames ${made.median.toFixed(0)} ms in the middle, ${made.slow.toFixed(0)} ms of the slowest hundredth; tasks above ${LONG_TASK} ms: ${made.tasks.map((ms) => ms.toFixed(0)).join(', ') || 'none'}`,
  );
  console.log(
    `of those the thread itself computed: ${tasks.map(({ wall, cpu }) => `${cpu.toFixed(0)} of ${wall.toFixed(0)}`).join(', ') || 'none'} ms`,
  );
  // Where others take the processor away, a task is long without doing anything; what it computes is ours.
  expect(tasks.filter(({ cpu }) => cpu > LONG_TASK)).toEqual([]);
}

test(`${COUNT} pictures`, async ({ page }) => {
  test.setTimeout(1_200_000);
  const folder = await folderOf(COUNT);
  await page.goto('/');
  await expect(page.getByText('Tarrowby Kite Circle')).toBeVisible();
  let at = Date.now();
  const since = () => {
    const seconds = ((Date.now() - at) / 1000).toFixed(1);
    at = Date.now();
    return `${seconds} s`;
  };
  await page.locator('[data-pick="folder"]').setInputFiles(folder);
  await page.waitForURL(/\/pairs(\?|$)/, { timeout: 600_000 });
  console.log(`brought in: ${since()}`);
  const rows = page.getByRole('list', { name: 'Pairs' }).getByRole('listitem');
  await expect(rows.first()).toBeVisible();
  // Rows are there while pictures are still being looked at.
  await expect(page.getByText(/still being read/)).toBeVisible();
  console.log(`first rows: ${since()}`);
  await expect(page.getByText(/still being read/)).toHaveCount(0, { timeout: 900_000 });
  await expect(page.getByText(`${COUNT / 2} pictures, ${COUNT / 2} matched, 0 to check`)).toBeVisible();
  console.log(`all looked at: ${since()}`);
  expect(await rows.count()).toBeLessThan(40);

  const session = await page.context().newCDPSession(page);
  await session.send('Performance.enable');
  const heap = async () => {
    await session.send('HeapProfiler.collectGarbage');
    const { metrics } = await session.send('Performance.getMetrics');
    return (metrics.find(({ name }) => name === 'JSHeapUsedSize')?.value ?? 0) / 1e6;
  };
  const before = await heap();
  await scrolls(page, 'pairs');
  await show(page, /^Words/);
  await expect(page.getByRole('table', { name: 'Text and credits' }).getByRole('row').nth(5)).toBeVisible();
  await scrolls(page, 'words');
  const after = await heap();
  console.log(`heap of the main thread: ${before.toFixed(0)} MB before scrolling, ${after.toFixed(0)} MB after`);
  expect(after).toBeLessThan(before * 1.3 + 10);
  expect(after).toBeLessThan(200);
});
