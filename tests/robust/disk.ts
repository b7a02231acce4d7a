/**
 * A disk that is full in the middle of bringing a site in, of making pictures and of typing: a profile on a small file
 * system. It is said, nothing is half written, and it goes on when there is room.
 */
import { expect, type Page } from '@playwright/test';
import { spawnSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, rmSync, statfsSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sharp from 'sharp';
import { settled } from '../browser/fixtures.ts';
import { withoutDemo } from '../setOut.ts';
import { openOwn, serve } from './ownBrowser.ts';
import { Count, type Part } from './part.ts';

const PORT = 4698;
const MB = 1_000_000;

/** Photographs of about 1 MB each. */
async function folderOf(parent: string, name: string, count: number): Promise<string> {
  const folder = join(parent, name);
  mkdirSync(folder, { recursive: true });
  for (let n = 0; n < count; n++) {
    let state = n + 1;
    const pixels = Buffer.alloc(900 * 600 * 3);
    for (let at = 0; at < pixels.length; at++) pixels[at] = (state = (state * 48271) % 2147483647) % 256;
    const photograph = sharp(pixels, { raw: { width: 900, height: 600, channels: 3 } });
    writeFileSync(join(folder, `p${n}.jpg`), await photograph.jpeg({ quality: 95 }).toBuffer());
  }
  return folder;
}

const countIn = (page: Page, store: string): Promise<number> =>
  page.evaluate(async (name) => {
    const done = <T>(request: IDBRequest<T>) =>
      new Promise<T>((resolve, reject) => {
        request.onsuccess = () => resolve(request.result);
        request.onerror = () => reject(request.error ?? new Error('The store cannot be read.'));
      });
    const database = await done(indexedDB.open('heathmoor'));
    const count = await done(database.transaction(name).objectStore(name).count());
    database.close();
    return count;
  }, store);

/** Fills what is left of a file system but for some bytes; gives what takes that away again. */
function fill(place: string, but: number): () => void {
  const ballast = join(place, 'ballast');
  const { bavail, bsize } = statfsSync(place);
  writeFileSync(ballast, Buffer.alloc(Math.max(0, bavail * bsize - but)));
  return () => rmSync(ballast, { force: true });
}

const FULL = /storage is full|disk is full|disk may be full/;

export const disk: Part = {
  name: 'disk',
  async run() {
    const count = new Count();
    const what = 'a full disk: not said, half written, or not gone on with';
    const parent = mkdtempSync(join(tmpdir(), 'heathmoor-disk-'));
    const place = join(parent, 'small');
    mkdirSync(place);
    if (spawnSync('mount', ['-t', 'tmpfs', '-o', 'size=150m', 'none', place]).status !== 0)
      return [{ ...count.row(what), wrong: 1, note: 'no small file system can be mounted here: be root' }];
    const server = await serve(PORT);
    const own = await openOwn(join(place, 'profile'));
    const { page } = own;
    const holds = async (name: string, work: () => Promise<unknown>) => {
      const wrong = await work().then(
        () => null,
        async (error: unknown) => {
          const said = String(error).split('\n').slice(0, 12).join(' ');
          return `${name}: ${said}; on the screen: ${(await page.locator('body').innerText()).slice(0, 500)}`;
        },
      );
      if (wrong !== null) console.log(wrong);
      count.one(wrong);
    };
    try {
      const small = await folderOf(parent, 'moor', 6);
      const large = await folderOf(parent, 'heath', 40);
      await withoutDemo(page, server.address);
      await page.goto(server.address);
      await expect(page.getByText(/MB stored in this browser/)).toBeVisible({ timeout: 60_000 });
      const pick = page.locator('[data-pick="folder"]');

      const room = fill(place, 14 * MB);
      await holds('bringing a site in', async () => {
        await pick.setInputFiles(large);
        await expect(page.getByText(FULL)).toBeVisible({ timeout: 30_000 });
        expect([await countIn(page, 'sites'), await countIn(page, 'files')]).toEqual([0, 0]);
      });
      room();
      await holds('the same when there is room', async () => {
        await page.goto(server.address);
        await pick.setInputFiles(small);
        await page.waitForURL(/\/pairs(\?|$)/, { timeout: 30_000 });
        await settled(page);
        expect(await countIn(page, 'files')).toBe(6);
      });

      const make = page.getByRole('button', { name: /^Create \d+ missing/ });
      const again = fill(place, 0);
      await holds('making pictures', async () => {
        await make.click();
        // The browser may close its storage altogether: that is said, and what is shown stays.
        await expect(page.getByText(FULL).first()).toBeVisible({ timeout: 30_000 });
        await expect(page.getByText('p5.jpg', { exact: true }).first()).toBeVisible();
      });
      again();
      await holds('making them when there is room', async () => {
        // What was asked for was noted before the disk was full, and goes on by itself; or nothing was.
        await page.reload();
        await settled(page);
        const [files] = await Promise.all([countIn(page, 'files'), page.waitForTimeout(3000)]);
        if (files === 6 && (await make.count()) > 0) await make.click();
        await expect(make).toHaveCount(0, { timeout: 30_000 });
        // The pictures, their thumbnails, and the notes of what was made.
        expect([await countIn(page, 'files'), await countIn(page, 'journal')]).toEqual([13, 1]);
      });
    } finally {
      await own.kill();
      server.stop();
      spawnSync('umount', ['-l', place]);
      rmSync(parent, { recursive: true, force: true });
    }
    return [count.row(what)];
  },
};
