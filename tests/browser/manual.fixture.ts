/**
 * A site that nobody here wrote: the manual of a drawing program, HTML 3.2 in ISO 8859-1 without end tags of paragraphs
 * (package `xfig-doc`, which `npm test` installs where it may). Nothing of it is in the repository.
 */
import { readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import type { Browser } from '@playwright/test';
import { htmlErrors } from '../checkers';
import { expect, folderWith } from './fixtures';

export const MANUAL = '/usr/share/doc/xfig/html';
export const INTRODUCTION = 'introduction.html';
export const PAGES = [INTRODUCTION, 'japanese/introduction.html', 'panning.html', 'layers.html'];

/** Some of its pages, to the byte, with the pictures that they name. */
export function someOf(): Record<string, Buffer> {
  const files: Record<string, Buffer> = {};
  for (const path of PAGES) {
    const text = readFileSync(join(MANUAL, path), 'latin1');
    const named = [...text.matchAll(/(?:src|href)="?([^">\s#]+\.(?:png|gif|jpg))/gi)].map(([, name = '']) => name);
    for (const one of [path, ...named.map((name) => join(dirname(path), name))])
      files[one] ??= readFileSync(join(MANUAL, one));
  }
  return files;
}

/** Messages of both checkers that a page has and the author's own has not; names and numbers are no difference. */
/** A paragraph without its end tag is told of every block behind it, whichever that is. */
const kindOf = (name: string) => (message: string) =>
  message
    .replaceAll(name, '')
    .replace(/\d+/g, 'n')
    .replace(/<\w+> element is not permitted as content under <P>/, 'a block under <P>');

export async function newTrouble(before: string, after: string): Promise<string[]> {
  const folder = folderWith({ 'before.html': before, 'after.html': after });
  const trouble = async (name: string) => (await htmlErrors([join(folder, name)])).map(kindOf(name));
  const known = new Set(await trouble('before.html'));
  return (await trouble('after.html')).filter((one) => !known.has(one));
}

/** Opens a page from disk without scripts; every picture of it that matches comes. */
export async function comesFromDisk(browser: Browser, file: string, images: string): Promise<number> {
  const context = await browser.newContext({ javaScriptEnabled: false });
  const visitor = await context.newPage();
  await visitor.goto(`file://${file}`);
  const found = await visitor.locator(images).all();
  for (const image of found)
    expect(await image.evaluate((one: HTMLImageElement) => one.naturalWidth)).toBeGreaterThan(0);
  await context.close();
  return found.length;
}
