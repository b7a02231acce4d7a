/**
 * The browser is killed while somebody types, writes in a field, and has pictures made. Afterwards every change is
 * there with its entry in the history, or not at all; going back to the beginning gives the first site to the byte.
 */
import { expect, type Page } from '@playwright/test';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { launch } from '../browser.ts';
import { cursorAfter } from '../browser/editorSteps.ts';
import { openPage, settled } from '../browser/fixtures.ts';
import { makeStore, setOut } from '../setOut.ts';
import { makeTestSite } from '../site/make.ts';
import { applyChange, type Change, type FileContent } from '../../core/site/index.ts';
import { openOwn, serve, type OwnBrowser } from './ownBrowser.ts';
import { Count, randomFrom, type Part } from './part.ts';

const PORT = 4694;
/** In one run; the count goes on from run to run. */
const KILLS = Number(process.env.KILLS ?? 100);
/** What is typed is kept at most so long after its key; ms. */
const KEPT_WITHIN = 500;

type Files = Map<string, FileContent>;

interface Stored {
  head: number;
  files: [string, FileContent][];
  journal: { number: number; change: Change; inverse: Change }[];
  blobs: string[];
  typing: number;
}

const readStore = (page: Page, id: string): Promise<Stored> =>
  page.evaluate(async (siteId) => {
    const done = <T>(request: IDBRequest<T>) =>
      new Promise<T>((resolve, reject) => {
        request.onsuccess = () => resolve(request.result);
        request.onerror = () => reject(request.error ?? new Error('The store cannot be read.'));
      });
    const database = await done(indexedDB.open('heathmoor'));
    const tx = database.transaction(['sites', 'files', 'journal', 'blobs', 'typing']);
    const all = <T>(name: string) => done(tx.objectStore(name).getAll() as IDBRequest<T[]>);
    const site = (await done(tx.objectStore('sites').get(siteId))) as { head: number };
    const files = await all<{ path: string; content: FileContent }>('files');
    const journal = await all<Stored['journal'][number]>('journal');
    const blobs = (await done(tx.objectStore('blobs').getAllKeys())).map(String);
    const typing = (await all('typing')).length;
    database.close();
    return {
      head: site.head,
      files: files.map(({ path, content }): [string, FileContent] => [path, content]),
      journal,
      blobs,
      typing,
    };
  }, id);

const sameFiles = (one: Files, other: Files): boolean =>
  one.size === other.size &&
  [...one].every(([path, content]) => JSON.stringify(content) === JSON.stringify(other.get(path)));

/** What is wrong with a store whose site began as `first`; null where nothing is. */
function troubleIn({ head, files, journal, blobs, typing }: Stored, first: Files): string | null {
  const there = new Set(blobs);
  const now: Files = new Map(files);
  for (const [path, content] of now)
    if (content.kind === 'binary' && !there.has(content.hash)) return `${path} has no content`;
  let back = now;
  for (let number = head; number > 0; number--) {
    const entry = journal.find((one) => one.number === number);
    if (!entry) return `step ${number} of ${head} is missing`;
    const undone = applyChange(back, entry.inverse);
    if (!undone.ok) return `step ${number} cannot be taken back: ${undone.reason}`;
    back = undone.files;
  }
  if (typing > 0) return 'typed text was neither written nor taken away';
  return sameFiles(back, first) ? null : 'going back does not lead to the beginning';
}

interface Scene {
  page: Page;
  siteId: string;
  random: () => number;
}

const wait = (ms: number) => new Promise((done) => setTimeout(done, ms));
const textOf = (stored: Stored, path: string): string => {
  const file = new Map(stored.files).get(path);
  return file?.kind === 'text' ? file.text : '';
};

/** What is wrong with what the browser was killed over; null where nothing is. */
type Judge = (before: Stored, after: Stored) => string | null;

/** Somebody is typing when it happens: what is older than {@link KEPT_WITHIN} is there. */
async function typing({ page, random }: Scene): Promise<Judge> {
  await openPage(page, 'workshop.html');
  await cursorAfter(page, 'Three days in March');
  const letters = Array.from({ length: 5 + Math.floor(random() * 30) }, () =>
    String.fromCharCode(97 + Math.floor(random() * 26)),
  );
  const typed: { letter: string; at: number }[] = [];
  for (const letter of letters) {
    await page.keyboard.press(letter);
    typed.push({ letter, at: Date.now() });
    await wait(20 + random() * 60);
  }
  await wait(random() < 0.5 ? 0 : random() * 900);
  const now = Date.now();
  const old = typed.filter(({ at }) => now - at > KEPT_WITHIN).length;
  const all = letters.join('');
  return (before, after) => {
    const [was, is] = [textOf(before, 'workshop.html'), textOf(after, 'workshop.html')];
    const place = was.indexOf('Three days in March') + 'Three days in March'.length;
    for (let kept = letters.length; kept >= 0; kept--)
      if (is === was.slice(0, place) + all.slice(0, kept) + was.slice(place))
        return kept >= old ? null : `${letters.length} letters typed, ${old} of them long ago: only ${kept} are there`;
    return 'what is there is not what was typed';
  };
}

/** Words in a field are sent off, or were seen to be written, when it happens. */
async function field({ page, random }: Scene): Promise<Judge> {
  const words = `words ${Math.floor(random() * 1e9)}`;
  const alt = page.getByRole('textbox', { name: 'Alt text' });
  await alt.fill(words);
  await alt.press('Enter');
  const seen = random() < 0.3;
  if (seen) await expect(page.locator('.cm-content')).toContainText(words);
  else await wait(random() * 80);
  return (before, after) => {
    if (after.head === before.head) return seen ? 'what was seen to be written is not there' : null;
    return after.files.some(([path]) => textOf(after, path).includes(`alt="${words}"`))
      ? null
      : 'something else is there';
  };
}

/** Pictures are being made: they all come, for the queue goes on, or it had not begun. */
async function making({ page, siteId, random }: Scene): Promise<Judge> {
  const station = page.getByRole('navigation', { name: 'Stations' });
  await station.getByRole('link', { name: /^Pairs/ }).click();
  await expect(page.getByRole('list', { name: 'Pairs' }).getByRole('listitem').first()).toBeVisible();
  const make = page.getByRole('button', { name: /^Create all sizes/ });
  const undo = page.getByRole('button', { name: /^Undo: / });
  // What was made before is taken back, with all that was done since.
  while ((await make.count()) === 0) {
    const { head } = await readStore(page, siteId);
    if (head === 0) break;
    await undo.click();
    await expect.poll(async () => (await readStore(page, siteId)).head).toBe(head - 1);
    await settled(page);
  }
  await make.click();
  await wait(random() * 2500);
  return () => null;
}

const WORK = [typing, typing, field, making];

/** One kill; gives what is wrong afterwards. */
async function killOnce(own: OwnBrowser, profile: string, address: string, random: () => number) {
  const siteId = /\/site\/([^/]+)/.exec(address)?.[1] ?? '';
  const { page } = own;
  const before = await readStore(page, siteId);
  const work = WORK[Math.floor(random() * WORK.length)] ?? typing;
  const judge = await work({ page, siteId, random });
  await own.kill();
  const next = await openOwn(profile);
  await next.page.goto(address);
  await settled(next.page);
  const after = await readStore(next.page, siteId);
  return { next, wrong: judge(before, after), after, what: work.name };
}

export const kills: Part = {
  name: 'kills',
  async run(from) {
    const random = randomFrom(4000 + from);
    const count = new Count();
    const done: Record<string, number> = {};
    const server = await serve(PORT);
    const profile = mkdtempSync(join(tmpdir(), 'heathmoor-kills-'));
    await makeTestSite();
    const maker = await launch();
    await makeStore('kites', maker, server.address);
    await maker.close();
    let own = await openOwn(profile);
    try {
      await own.page.goto(server.address);
      const siteId = await setOut(own.page, 'kites', server.address);
      const address = `${server.address}/site/${siteId}/markup`;
      await own.page.goto(address);
      await settled(own.page);
      const first: Files = new Map((await readStore(own.page, siteId)).files);
      for (let n = 0; n < KILLS; n++) {
        const { next, wrong, after, what } = await killOnce(own, profile, address, random);
        own = next;
        const trouble = wrong ?? troubleIn(after, first);
        count.one(trouble === null ? null : `${what}: ${trouble}`);
        done[what] = (done[what] ?? 0) + 1;
        if (trouble !== null) console.log(`${what}, kill ${n}: ${trouble}`);
      }
    } finally {
      await own.kill();
      server.stop();
      rmSync(profile, { recursive: true, force: true });
    }
    const kinds = Object.entries(done).map(([what, many]) => `${what} ${many}`);
    return [count.row('kills of the browser at work: something lost, or half there', kinds.join(', '))];
  },
};
