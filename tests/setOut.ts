/**
 * The browser's store as it is once a site was brought in and its pictures were read. The program itself makes it,
 * once for a build and a site; tests that begin with the site have it set out instead of bringing it in each time.
 */
import { expect, type Browser, type Page } from '@playwright/test';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { MADE } from '../demo/make';
import { SITE } from './site/make';

const ROOT = join(dirname(fileURLToPath(import.meta.url)), '..');

/** The folders of the sites that are set out. */
const FOLDERS = { demo: join(MADE, 'site'), kites: SITE };
export type SetOut = keyof typeof FOLDERS;

interface KeptStore {
  stamp: string;
  siteId: string;
  /** For each object store its records with their keys; blobs and byte arrays as Base64. */
  stores: Record<string, { key: unknown; value: unknown }[]>;
}

const keptAt = (name: SetOut) => join(ROOT, `tests/.out/${name}-store.json`);

/** What the outcome depends on: the site, and the program that reads it. */
function stamp(name: SetOut): string {
  const hash = createHash('sha256');
  const folder = FOLDERS[name];
  for (const path of readdirSync(folder, { recursive: true, encoding: 'utf8' }).sort())
    if (statSync(join(folder, path)).isFile()) hash.update(path).update(readFileSync(join(folder, path)));
  // The names of built files hold hashes of what is in them.
  hash.update(readdirSync(join(ROOT, 'build/client/assets')).sort().join('\n'));
  return hash.digest('hex');
}

/** Brings a site in, unless that was done for this build already. */
export async function makeStore(name: SetOut, browser: Browser, baseURL: string): Promise<void> {
  const wanted = stamp(name);
  if (existsSync(keptAt(name)) && (JSON.parse(readFileSync(keptAt(name), 'utf8')) as KeptStore).stamp === wanted)
    return;
  const context = await browser.newContext({ baseURL });
  // What runs in the page may have been compiled by something that names functions by a helper of its own.
  await context.addInitScript('window.__name = (one) => one');
  const page = await context.newPage();
  if (name === 'demo') {
    await page.goto('/');
    await page.getByRole('link', { name: 'Tarrowby Kite Circle' }).click({ timeout: 120_000 });
  } else {
    await withoutDemo(page);
    await page.goto('/');
    await page.locator('[data-pick="folder"]').setInputFiles(FOLDERS[name], { timeout: 120_000 });
  }
  await page.waitForURL(/\/pairs(\?|$)/, { timeout: 120_000 });
  await page.getByRole('heading', { level: 1 }).waitFor({ timeout: 120_000 });
  await expect.poll(() => page.evaluate(unreadPictures), { timeout: 120_000 }).toBe(0);
  await page.getByRole('progressbar').waitFor({ state: 'detached', timeout: 120_000 });
  const siteId = /\/site\/([^/]+)\//.exec(page.url())?.[1] ?? '';
  const stores = await wholeStoreOf(page);
  mkdirSync(dirname(keptAt(name)), { recursive: true });
  writeFileSync(keptAt(name), JSON.stringify({ stamp: wanted, siteId, stores } satisfies KeptStore));
  await context.close();
}

/** What a record holds may be given up by a later one while it is read; then all is read again. */
async function wholeStoreOf(page: Page, tries = 4): Promise<KeptStore['stores']> {
  try {
    return await page.evaluate(readWholeStore);
  } catch (error) {
    if (tries <= 1) throw error;
    await page.waitForTimeout(1000);
    return wholeStoreOf(page, tries - 1);
  }
}

const read = new Map<SetOut, { body: string; siteId: string }>();

/**
 * Fills the store of a page's browser with a site; gives the site's identifier. `address` is the application's, where
 * the browser does not know it.
 */
export async function setOut(page: Page, name: SetOut, address?: string): Promise<string> {
  let kept = read.get(name);
  if (!kept) {
    const { siteId, stores } = JSON.parse(readFileSync(keptAt(name), 'utf8')) as KeptStore;
    kept = { siteId, body: JSON.stringify(stores) };
    read.set(name, kept);
  }
  const { body, siteId } = kept;
  await page.route('**/set-out.json', (route) => route.fulfill({ body, contentType: 'application/json' }));
  await openBlank(page, address);
  await page.evaluate(writeWholeStore);
  await page.unroute('**/set-out.json');
  return siteId;
}

/** Whoever opens the list of sites now does not get the demo by itself. */
export async function withoutDemo(page: Page, address?: string): Promise<void> {
  await openBlank(page, address);
  await page.evaluate(() => localStorage.setItem('demo-brought-in', 'yes'));
}

/** An address of the application's origin that runs nothing of it. */
async function openBlank(page: Page, address = ''): Promise<void> {
  const body = '<!DOCTYPE html><title>Blank</title><link rel="icon" href="data:,">';
  await page.route('**/blank.html', (route) => route.fulfill({ body, contentType: 'text/html' }));
  await page.goto(`${address}/blank.html`);
  await page.unroute('**/blank.html');
}

/** Runs in the page: how many contents in the store nobody has looked at yet. */
async function unreadPictures(): Promise<number> {
  const done = (request: IDBRequest<number>) =>
    new Promise<number>((resolve, reject) => {
      request.onsuccess = () => resolve(request.result);
      request.onerror = () => reject(request.error ?? new Error('The store cannot be read.'));
    });
  const opening = indexedDB.open('heathmoor');
  const database = await new Promise<IDBDatabase>((resolve, reject) => {
    opening.onsuccess = () => resolve(opening.result);
    opening.onerror = () => reject(opening.error ?? new Error('The store cannot be opened.'));
  });
  const counts = await Promise.all(
    ['blobs', 'facts'].map((name) => done(database.transaction(name).objectStore(name).count())),
  );
  database.close();
  // Before anything is there, all is still to come.
  return counts[0] === 0 ? Infinity : (counts[0] ?? 0) - (counts[1] ?? 0);
}

/** Runs in the page. */
async function readWholeStore(): Promise<KeptStore['stores']> {
  const base64 = (bytes: Uint8Array) => {
    let text = '';
    for (let at = 0; at < bytes.length; at += 0x8000) text += String.fromCharCode(...bytes.subarray(at, at + 0x8000));
    return btoa(text);
  };
  const plain = async (value: unknown): Promise<unknown> => {
    if (value instanceof Blob) return { blob: base64(new Uint8Array(await value.arrayBuffer())), type: value.type };
    if (value instanceof Uint8Array) return { bytes: base64(value) };
    if (Array.isArray(value)) return Promise.all(value.map(plain));
    if (typeof value !== 'object' || value === null) return value;
    const entries = Object.entries(value).map(async ([name, one]) => [name, await plain(one)] as const);
    return Object.fromEntries(await Promise.all(entries));
  };
  const done = <T>(request: IDBRequest<T>) =>
    new Promise<T>((resolve, reject) => {
      request.onsuccess = () => resolve(request.result);
      request.onerror = () => reject(request.error ?? new Error('The store cannot be read.'));
    });
  const database = await done(indexedDB.open('heathmoor'));
  const stores: KeptStore['stores'] = {};
  for (const name of database.objectStoreNames) {
    const store = database.transaction(name).objectStore(name);
    const [keys, values] = await Promise.all([done(store.getAllKeys()), done(store.getAll())]);
    const records = values.map(async (value: unknown, n) => ({ key: keys[n], value: await plain(value) }));
    stores[name] = await Promise.all(records);
  }
  database.close();
  return stores;
}

/** Runs in the page. */
async function writeWholeStore(): Promise<void> {
  const stores = (await (await fetch('/set-out.json')).json()) as KeptStore['stores'];
  // The browser's own way is far quicker, where it is new enough to have it.
  const { fromBase64 } = Uint8Array as unknown as { fromBase64?: (text: string) => Uint8Array<ArrayBuffer> };
  const bytesOf = (text: string) =>
    fromBase64?.call(Uint8Array, text) ?? Uint8Array.from(atob(text), (letter) => letter.charCodeAt(0));
  const whole = (value: unknown): unknown => {
    if (Array.isArray(value)) return value.map(whole);
    if (typeof value !== 'object' || value === null) return value;
    if ('blob' in value && 'type' in value)
      return new Blob([bytesOf(String(value.blob))], { type: String(value.type) });
    if ('bytes' in value && typeof value.bytes === 'string') return bytesOf(value.bytes);
    return Object.fromEntries(Object.entries(value).map(([name, one]) => [name, whole(one)]));
  };
  const opening = indexedDB.open('heathmoor', 6);
  opening.onupgradeneeded = () => {
    // As the program makes them: with keys in their records, or beside them.
    const keyPaths: Record<string, string | string[]> = {
      sites: 'id',
      files: ['siteId', 'path'],
      journal: ['siteId', 'number'],
      queues: 'siteId',
      typing: ['siteId', 'path'],
      folders: 'siteId',
      agreed: ['siteId', 'path'],
      savings: 'siteId',
      handOvers: ['siteId', 'at'],
    };
    for (const name of [...Object.keys(keyPaths), 'blobs', 'facts', 'glances'])
      opening.result.createObjectStore(name, name in keyPaths ? { keyPath: keyPaths[name] } : undefined);
    opening.result.createObjectStore('aside', { autoIncrement: true }).createIndex('site', 'siteId');
  };
  const database = await new Promise<IDBDatabase>((resolve, reject) => {
    opening.onsuccess = () => resolve(opening.result);
    opening.onerror = () => reject(opening.error ?? new Error('The store cannot be opened.'));
  });
  const transaction = database.transaction([...database.objectStoreNames], 'readwrite');
  for (const [name, records] of Object.entries(stores)) {
    const store = transaction.objectStore(name);
    for (const { key, value } of records)
      if (store.keyPath === null) store.put(whole(value), key as IDBValidKey);
      else store.put(whole(value));
  }
  await new Promise<void>((resolve, reject) => {
    transaction.oncomplete = () => resolve();
    transaction.onerror = () => reject(transaction.error ?? new Error('The store cannot be written.'));
  });
  database.close();
  localStorage.setItem('demo-brought-in', 'yes');
}
