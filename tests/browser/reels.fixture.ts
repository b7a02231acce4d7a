/** An old site of a few reels, and how its files are looked at. */
import type { Page } from '@playwright/test';
import { keptFiles, photograph } from './fixtures';

export const siteIdOf = (of: Page) => /\/site\/([^/]+)/.exec(of.url())?.[1] ?? '';
export const fileOf = async (page: Page, path: string) => (await keptFiles(page, siteIdOf(page)))[path] ?? '';

export async function pick(page: Page, label: string, option: string): Promise<void> {
  await page.getByRole('combobox', { name: label, exact: true }).click();
  await page.getByRole('option', { name: option, exact: true }).click();
}

/** An old page in capitals and without quotes, with CRLF. */
export const OLD = (names: readonly string[]) =>
  `<!DOCTYPE html>\r\n<HTML LANG=en><HEAD><META CHARSET=utf-8><TITLE>Reels</TITLE></HEAD>\r\n<BODY>\r\n<H1>Reels</H1>\r\n<H2>Wood</H2>\r\n<UL CLASS=row data-sieve>\r\n${names
    .map((name) => `  <LI><A HREF=large/${name}.jpg><IMG SRC=small/${name}.jpg ALT="Reel ${name}"></A></LI>\r\n`)
    .join('')}</UL>\r\n</BODY></HTML>\r\n`;

export async function reels(): Promise<Record<string, string | Buffer>> {
  const files: Record<string, string | Buffer> = { 'old.html': OLD(['a', 'b']), 'more.html': OLD(['b', 'c']) };
  for (const [n, name] of ['a', 'b', 'c', 'd'].entries()) {
    files[`large/${name}.jpg`] = await photograph(n, 900, 600);
    files[`small/${name}.jpg`] = await photograph(n, 310, 310);
  }
  return files;
}
