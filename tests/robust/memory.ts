/** What a site of 1 GB takes of memory while it comes in as an archive and while it leaves as one. */
import { expect, type Page } from '@playwright/test';
import { BlobReader, Uint8ArrayReader, ZipWriter } from '@zip.js/zip.js';
import { createWriteStream, mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Writable } from 'node:stream';
import sharp from 'sharp';
import { settled } from '../browser/fixtures.ts';
import { withoutDemo } from '../setOut.ts';
import { openOwn, serve } from './ownBrowser.ts';
import type { Part, Row } from './part.ts';

const PORT = 4696;
const MB = 1e6;
const WHOLE = 1000 * MB;
const FILES = 100;
/** How much more it may be than before. */
const MOST = 300 * MB;
/** After so long what was taken is given back; ms. */
const REST = 15_000;

/** Photographs whose files are large: behind each stands what a camera may put there. */
async function archiveOf(folder: string, level: 0 | 1, files = FILES): Promise<string> {
  const path = join(folder, `${files}-${level}.zip`);
  const photograph = await sharp({ create: { width: 600, height: 400, channels: 3, background: '#456' } })
    .jpeg()
    .toBuffer();
  const behind = Buffer.alloc(WHOLE / FILES - photograph.length);
  const writer = new ZipWriter(Writable.toWeb(createWriteStream(path)) as WritableStream, { level });
  for (let n = 0; n < files; n++) {
    // No two files alike, and nothing in them that becomes smaller.
    for (let at = 0, state = n + 1; at + 4 <= behind.length; at += 4) {
      state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
      behind.writeUInt32LE(state, at);
    }
    await writer.add(`large/p${n}.jpg`, new Uint8ArrayReader(Buffer.concat([photograph, behind])));
  }
  await writer.add('index.html', new BlobReader(new Blob(['<!DOCTYPE html><title>Whole</title>'])));
  await writer.close();
  return path;
}

/** Bytes that all processes of a group have for themselves, and their shares of what they share (Linux, PSS). */
function memoryOf(group: number): number {
  let kilobytes = 0;
  for (const pid of readdirSync('/proc').filter((name) => /^\d+$/.test(name)))
    try {
      // The group is the fifth field; the second is a name in brackets.
      const [, , of] = readFileSync(`/proc/${pid}/stat`, 'utf8')
        .replace(/^.*\) /, '')
        .split(' ');
      if (Number(of) !== group) continue;
      kilobytes += Number(/^Pss:\s+(\d+)/m.exec(readFileSync(`/proc/${pid}/smaps_rollup`, 'utf8'))?.[1] ?? 0);
    } catch {
      // A process may end between two looks.
    }
  return kilobytes * 1024;
}

/** The most that work takes above what there was before, and what is left once its screen is left; bytes. */
async function taken(
  group: number,
  work: () => Promise<unknown>,
  leave: () => Promise<unknown>,
): Promise<{ most: number; left: number }> {
  const before = memoryOf(group);
  let most = before;
  const looking = setInterval(() => (most = Math.max(most, memoryOf(group))), 200);
  await work();
  clearInterval(looking);
  await leave();
  await new Promise((done) => setTimeout(done, REST));
  return { most: most - before, left: memoryOf(group) - before };
}

/** A file of any size, as somebody chooses it. */
async function choose(page: Page, selector: string, path: string): Promise<void> {
  const session = await page.context().newCDPSession(page);
  const { result } = await session.send('Runtime.evaluate', {
    expression: `document.querySelector(${JSON.stringify(selector)})`,
  });
  await session.send('DOM.setFileInputFiles', { files: [path], objectId: result.objectId ?? '' });
}

async function comesIn(page: Page, archive: string): Promise<void> {
  await choose(page, '[data-pick="archive"]', archive);
  await page.waitForURL(/\/pairs(\?|$)/, { timeout: 600_000 });
  await settled(page);
}

const row = (what: string, { most, left }: { most: number; left: number }): Row => ({
  what: `MB more than before, at most ${MOST / MB}, while 1 GB ${what}; ${Math.round(left / MB)} MB of it are left on the shelf, ${REST / 1000} s later`,
  tried: Math.round(most / MB),
  wrong: most > MOST || left > MOST / 3 ? 1 : 0,
});

export const memory: Part = {
  name: 'memory',
  async run() {
    const folder = mkdtempSync(join(tmpdir(), 'heathmoor-memory-'));
    const server = await serve(PORT);
    const rows: Row[] = [];
    try {
      for (const level of [0, 1] as const) {
        const archive = await archiveOf(folder, level);
        const own = await openOwn(join(folder, `profile-${level}`));
        const { page } = own;
        await page.goto(server.address);
        await withoutDemo(page, server.address);
        const toShelf = async () => {
          await page.goto(server.address);
          await expect(page.getByText(/MB stored in this browser/)).toBeVisible({ timeout: 60_000 });
        };
        await toShelf();
        // What a first visit takes is taken before.
        await comesIn(page, await archiveOf(folder, level, 2));
        await toShelf();
        let site = '';
        const comes = async () => {
          await comesIn(page, archive);
          site = page.url();
        };
        const cameIn = await taken(own.pid, comes, toShelf);
        rows.push(row(level === 0 ? 'comes in, its files stored' : 'comes in, its files deflated', cameIn));
        await page.goto(site.replace(/pairs.*/, 'pack'));
        const leaves = async () => {
          await page.getByRole('button', { name: 'Save archive' }).click();
          await page.getByText(/^Saved: /).waitFor({ timeout: 600_000 });
        };
        const left = await taken(own.pid, leaves, toShelf);
        rows.push(row('leaves', left));
        await own.kill();
        rmSync(archive);
      }
    } finally {
      server.stop();
      rmSync(folder, { recursive: true, force: true });
    }
    return rows;
  },
};
