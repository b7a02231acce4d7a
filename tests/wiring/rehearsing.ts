/**
 * Opens a site's page from disk in Chromium and rehearses it with the probe's own code, as the application does on
 * the preview.
 */
import { existsSync, mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';
import { buildSync } from 'esbuild';
import type { Page } from '@playwright/test';
import sharp from 'sharp';
import { pathTo } from '../../core/markup/index.ts';
import { readSite, type SiteReading } from '../../core/model/index.ts';
import type { FileContent } from '../../core/site/index.ts';
import { disagreements, predict, Seen, type Disagreement, type Prediction } from '../../core/wiring/index.ts';
import { KITS } from '../kits.ts';
import { FACTS, NAMES } from './faults.fixture.ts';

const CODE = buildSync({
  entryPoints: [fileURLToPath(new URL('../../preview/rehearsal.ts', import.meta.url))],
  bundle: true,
  write: false,
  format: 'iife',
  globalName: 'rehearsal',
  target: 'es2022',
}).outputFiles[0]!.text;

const drawn = new Map<string, Promise<Buffer>>();

/** Pictures in plain colours, each another. */
function picture(path: string): Promise<Buffer> {
  const n = NAMES.findIndex((name) => path.includes(name));
  const [width, height] = path.includes('large/') ? [900, 600 + n * 40] : [60, 40];
  const made =
    drawn.get(path) ??
    sharp({ create: { width, height, channels: 3, background: { r: 60 + n * 40, g: 120, b: 200 - n * 40 } } })
      .jpeg()
      .toBuffer();
  drawn.set(path, made);
  return made;
}

export const PICTURES: readonly string[] = NAMES.flatMap((name) => [`small/${name}.jpg`, `large/${name}.jpg`]);

export function filesFrom(texts: Record<string, string>): Map<string, FileContent> {
  return new Map<string, FileContent>([
    ...Object.entries(texts).map(([path, text]): [string, FileContent] => [path, { kind: 'text', text }]),
    ...PICTURES.map((path): [string, FileContent] => [path, { kind: 'binary', hash: path, bytes: 1000 }]),
  ]);
}

export const read = (files: ReadonlyMap<string, FileContent>): SiteReading => readSite(files, FACTS, KITS);

export async function onDisk(files: ReadonlyMap<string, FileContent>): Promise<{ folder: string; remove: () => void }> {
  const folder = mkdtempSync(join(tmpdir(), 'heathmoor-'));
  for (const [path, content] of files) {
    mkdirSync(dirname(join(folder, path)), { recursive: true });
    writeFileSync(join(folder, path), content.kind === 'text' ? content.text : await picture(path));
  }
  return { folder, remove: () => rmSync(folder, { recursive: true, force: true }) };
}

interface Noting {
  noted: Map<string, Element>;
  rehearsal: { rehearse: (element: Element) => Promise<unknown> };
}

export interface Rehearsed {
  name: string;
  prediction: Prediction;
  seen: Seen;
  disagreements: Disagreement[];
}

type Files = ReadonlyMap<string, FileContent>;

/** From disk as most hand-written pages are looked at; where modules are loaded, which no disk gives, from a host. */
export const placeOf = (files: Files): 'host' | 'disk' =>
  [...files.values()].some((file) => file.kind === 'text' && /type=["']module["']/.test(file.text)) ? 'host' : 'disk';

const HOST = 'http://kites.example';

/** Where a browser finds the files of a folder. */
async function homeOf(page: Page, folder: string, from: 'host' | 'disk'): Promise<string> {
  if (from === 'disk') return pathToFileURL(folder).href;
  await page.route(`${HOST}/**`, (route) => {
    const path = join(folder, decodeURIComponent(new URL(route.request().url()).pathname));
    return existsSync(path) ? route.fulfill({ path }) : route.fulfill({ status: 404, body: '' });
  });
  return HOST;
}

/** Every strand of a page, each on a page that was loaded anew. */
export async function rehearsePage(
  page: Page,
  files: Files,
  path = 'index.html',
  only?: readonly number[],
  from = placeOf(files),
): Promise<Rehearsed[]> {
  const site = read(files);
  const reading = site.pages.find((one) => one.path === path);
  if (!reading) throw new Error(`There is no page ${path}.`);
  const { folder, remove } = await onDisk(files);
  const outcome: Rehearsed[] = [];
  const home = await homeOf(page, folder, from);
  const rel = (address: string | null) =>
    address?.startsWith(home) ? decodeURIComponent(address.slice(home.length + 1)) : address;
  // As the probe does: places are those of the source, noted before scripts move anything.
  await page.addInitScript(() => {
    const noted = new Map<string, Element>();
    (window as unknown as Noting).noted = noted;
    const note = (element: Element, path: number[]) => {
      noted.set(path.join(), element);
      [...element.children].forEach((child, n) => note(child, [...path, n]));
    };
    document.addEventListener(
      'readystatechange',
      () => document.readyState === 'interactive' && note(document.documentElement, []),
    );
  });
  for (const [n, item] of reading.galleries.flatMap((gallery) => gallery.items).entries()) {
    if (only && !only.includes(n)) continue;
    const anchor = item.image ?? item.link;
    if (!anchor) continue;
    // A viewer that has closed may still be on its way back in the history.
    await page.waitForFunction(() => history.state === null);
    await page.goto(`${home}/${path}`);
    await page.evaluate(
      CODE.replace(/^"use strict";\s*var rehearsal/, 'window.rehearsal').replace(/^var rehearsal/, 'window.rehearsal'),
    );
    const raw = await page.evaluate((place) => {
      const { noted, rehearsal } = window as unknown as Noting;
      return rehearsal.rehearse(noted.get(place)!);
    }, pathTo(anchor).join());
    const told = Seen.parse(raw);
    const seen: Seen = {
      ...told,
      onPage: told.onPage && { ...told.onPage, file: rel(told.onPage.file) },
      shows: rel(told.shows),
      next: rel(told.next),
      back: rel(told.back),
      missing: told.missing.map(rel),
    };
    const prediction = predict({ ...reading, index: site.index, from }, item);
    outcome.push({ name: item.target?.value ?? '', prediction, seen, disagreements: disagreements(prediction, seen) });
  }
  remove();
  return outcome;
}
