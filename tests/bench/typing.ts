/**
 * Typing and scrolling in a page of 200 KB with 500 items in the built application, beside the bare editor component and
 * a bare text field with the same text in the same browser: how long a key takes to be seen, and what keeps the main
 * thread. `npm run bench:markup`.
 */
import { spawn } from 'node:child_process';
import { existsSync, mkdirSync, mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import type { Page } from '@playwright/test';
import { build } from 'esbuild';
import sharp from 'sharp';
import { launch } from '../browser.ts';
import { LONG_TASK, tracing, type TaskTime } from '../longTasks.ts';
import { pageOfItems } from './pages.ts';

const ROOT = fileURLToPath(new URL('../../', import.meta.url));
const PORT = Number(process.env.BENCH_PORT ?? 4970);
const ITEMS = 500;
const KEYS = 120;

const median = (values: readonly number[]): number =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? 0;
const percentile = (values: readonly number[], share: number): number =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length * share)] ?? 0;

async function bareEditor(): Promise<string> {
  const entryPoints = [join(ROOT, 'tests/bench/bareEditor.ts')];
  const { outputFiles } = await build({ entryPoints, bundle: true, write: false, minify: true });
  return outputFiles[0]?.text ?? '';
}

async function folderOfSite(text: string): Promise<string> {
  const folder = join(mkdtempSync(join(tmpdir(), 'heathmoor-')), 'moor');
  for (const part of ['large', 'small']) mkdirSync(join(folder, part), { recursive: true });
  for (let n = 1; n <= ITEMS; n++) {
    let state = n;
    const pixels = Buffer.from(Array.from({ length: 12 * 12 * 3 }, () => (state = (state * 48271) % 2147483647) % 256));
    const large = await sharp(pixels, { raw: { width: 12, height: 12, channels: 3 } })
      .resize(300, 200, { fit: 'fill', kernel: 'cubic' })
      .jpeg({ quality: 70 })
      .toBuffer();
    writeFileSync(join(folder, 'large', `kite-${n}.jpg`), large);
    writeFileSync(
      join(folder, 'small', `kite-${n}.jpg`),
      await sharp(large).resize(150, 100).jpeg({ quality: 70 }).toBuffer(),
    );
  }
  writeFileSync(join(folder, 'index.html'), text);
  return folder;
}

interface Done {
  /** From the key to the next frame that shows it, or from frame to frame; ms. */
  times: number[];
  tasks: TaskTime[];
}

async function traced(page: Page, work: () => Promise<number[]>): Promise<Done> {
  const { made, tasks } = await tracing(page, work);
  return { times: made, tasks };
}

/** Fewer keys where they are traced: a trace of all of them is larger than a text can be. */
async function typed(page: Page): Promise<Done> {
  const { tasks } = await traced(page, () => type(page, KEYS / 6));
  return { times: await type(page), tasks };
}

/** Words typed as fast as people type, with a rest after each, in which what was typed is written and read anew. */
async function type(page: Page, keys = KEYS): Promise<number[]> {
  const session = await page.context().newCDPSession(page);
  await page.evaluate(() => {
    const seen: number[] = [];
    Object.assign(window, { seen });
    document.addEventListener(
      'keydown',
      (event) =>
        requestAnimationFrame(() => requestAnimationFrame(() => seen.push(performance.now() - event.timeStamp))),
      true,
    );
  });
  const letters = 'over the moor the wind is steady ';
  for (let n = 0; n < keys; n++) {
    const text = letters[n % letters.length]!;
    await session.send('Input.dispatchKeyEvent', { type: 'keyDown', text, key: text, unmodifiedText: text });
    await session.send('Input.dispatchKeyEvent', { type: 'keyUp', key: text });
    await page.waitForTimeout(text === ' ' ? 900 : 90);
  }
  await page.waitForTimeout(3000);
  return page.evaluate(() => (window as unknown as { seen: number[] }).seen);
}

async function scroll(page: Page, selector: string): Promise<number[]> {
  return page.evaluate(async (sought) => {
    const box = document.querySelector(sought)!;
    box.scrollTop = 0;
    const frames: number[] = [];
    let last = performance.now();
    for (let step = 0; step < 300; step++) {
      box.scrollTop += step % 100 < 95 ? 120 : 6000;
      await new Promise(requestAnimationFrame);
      frames.push(performance.now() - last);
      last = performance.now();
    }
    return frames;
  }, selector);
}

if (!existsSync(join(ROOT, 'build/server/index.js'))) throw new Error('There is no build: run `npm run build` first.');
const text = pageOfItems(ITEMS, 200_000);
const folder = await folderOfSite(text);
const server = spawn('node', ['build/start.js'], {
  cwd: ROOT,
  env: { ...process.env, PORT: String(PORT) },
  stdio: 'ignore',
  detached: true,
});
const browser = await launch();
try {
  const bare = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await bare.setContent(
    '<!DOCTYPE html><title>bare</title><textarea style="width: 600px; height: 600px; font: 13px/20px monospace"></textarea>',
  );
  await bare.locator('textarea').evaluate((field: HTMLTextAreaElement, value) => {
    field.value = value;
    field.setSelectionRange(2000, 2000);
    field.focus();
  }, text);
  const plain = await typed(bare);
  const plainScroll = await traced(bare, () => scroll(bare, 'textarea'));
  await bare.setContent('<!DOCTYPE html><title>bare</title>');
  await bare.addScriptTag({ content: await bareEditor() });
  await bare.evaluate(([doc, at]) => window.openBare(doc, at), [text, text.indexOf('the wind is steady')] as const);
  const component = await typed(bare);
  await bare.close();

  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  for (let n = 0; n < 100; n++) {
    if (
      await page.goto(`http://localhost:${PORT}/`).then(
        () => true,
        () => false,
      )
    )
      break;
    await page.waitForTimeout(300);
  }
  await page.getByText('Tarrowby Kite Circle').waitFor({ timeout: 120_000 });
  await page.locator('[data-pick="folder"]').setInputFiles(folder);
  await page.waitForURL(/\/pairs(\?|$)/, { timeout: 300_000 });
  await page.getByText(`${ITEMS} pictures, ${ITEMS} matched`).waitFor({ timeout: 300_000 });
  await page.getByRole('link', { name: /^Markup/ }).click();
  await page.getByText(`${ITEMS} items in 1 gallery`).waitFor({ timeout: 60_000 });
  await page.waitForTimeout(6000);
  const scrolled = await traced(page, () => scroll(page, '.cm-scroller'));
  await page.locator('.cm-scroller').evaluate((box) => (box.scrollTop = 0));
  await page.locator('.cm-line', { hasText: 'the wind is steady' }).first().click();
  await page.waitForTimeout(1500);
  const own = await typed(page);

  const told = (tasks: readonly number[]) =>
    tasks.length === 0 ? 'none' : `${tasks.length}, the longest ${Math.max(...tasks).toFixed(0)} ms`;
  const tasksOf = ({ tasks }: Done) =>
    `${told(tasks.map(({ wall }) => wall))} | ${told(tasks.map(({ cpu }) => cpu).filter((ms) => ms > LONG_TASK))}`;
  const row = (what: string, done: Done, tail: number) =>
    `| ${what} | ${median(done.times).toFixed(0)} ms | ${percentile(done.times, tail).toFixed(0)} ms | ${tasksOf(done)} |`;
  const ratio = (what: string, one: Done, other: Done, tail: number) =>
    `| ${what} | ${(median(one.times) / median(other.times)).toFixed(2)} | ${(percentile(one.times, tail) / percentile(other.times, tail)).toFixed(2)} | goal: none | goal: none |`;
  const head = (of: string, slow: string) =>
    `\n| ${of} | median | ${slow} | tasks above ${LONG_TASK} ms | that the thread itself computed |\n|---|---|---|---|---|`;
  console.log(`\n${(text.length / 1000).toFixed(0)} KB, ${ITEMS} items, ${KEYS} keys, 300 frames`);
  console.log(head('a key until it is seen', 'slowest twentieth'));
  console.log(
    [
      row('a bare text field', plain, 0.95),
      row('the bare editor component', component, 0.95),
      row('the editor', own, 0.95),
      ratio('to the component, goal: at most 1.2', own, component, 0.95),
    ].join('\n'),
  );
  console.log(head('a frame while scrolling', 'slowest hundredth'));
  console.log(
    [
      row('a bare text field', plainScroll, 0.99),
      row('the editor with its ladder', scrolled, 0.99),
      ratio('ratio', scrolled, plainScroll, 0.99),
    ].join('\n'),
  );
} finally {
  await browser.close();
  if (server.pid) process.kill(-server.pid);
}
