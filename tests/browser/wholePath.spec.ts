/** From twelve plain photographs to an uploaded gallery, as a person would go, counting the clicks. */
import { execFileSync } from 'node:child_process';
import { createReadStream, existsSync, mkdtempSync, readdirSync } from 'node:fs';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import { isPagePath, mediaTypeOf } from '../../core/site/index.ts';
import { withoutDemo } from '../setOut';
import { expect, folderWith, photograph, settled, test } from './fixtures';
import { htmlErrors } from '../checkers';
import { violations } from './axe';

const NAMES = Array.from({ length: 12 }, (_, n) => `walk-${String(n + 1).padStart(2, '0')}`);

/** A host as strict as most: it tells capitals apart and lists no folders. */
async function host(folder: string, below: string): Promise<{ server: Server; address: string }> {
  const server = createServer((request, response) => {
    const path = decodeURIComponent(new URL(request.url ?? '/', 'http://host.invalid').pathname);
    const file = path.startsWith(below) ? join(folder, path.slice(below.length) || 'index.html') : '';
    if (file === '' || !existsSync(file)) response.writeHead(404).end();
    else createReadStream(file).pipe(response.writeHead(200, { 'Content-Type': mediaTypeOf(file) }));
  });
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  return { server, address: `http://127.0.0.1:${(server.address() as AddressInfo).port}${below}` };
}

async function stepThrough(page: Page, address: string): Promise<void> {
  await page.goto(address);
  await page.locator('figure a').first().click();
  const dialog = page.getByRole('dialog');
  for (const [n, name] of NAMES.entries()) {
    await expect(dialog.locator('.enlarge-counter')).toHaveText(`${n + 1} of 12`);
    await expect(dialog.locator('.enlarge-caption')).toHaveText(`Walk ${name.slice(-2)}`);
    await expect(dialog.locator('.enlarge-picture')).toHaveAttribute('src', new RegExp(`${name}\\.jpg$`));
    await expect
      .poll(() => dialog.locator('.enlarge-picture').evaluate((image: HTMLImageElement) => image.naturalWidth))
      .toBe(1200);
    if (n < 11) await page.keyboard.press('ArrowRight');
  }
  expect(await violations(page), 'the exported page with the lightbox open').toEqual([]);
  await page.keyboard.press('Escape');
  await expect(dialog).toBeHidden();
  expect(await violations(page), 'the exported page').toEqual([]);
}

test('twelve photographs become a gallery that opens every picture, in at most fifteen clicks', async ({
  page,
  browser,
}) => {
  test.setTimeout(120_000);
  const files: Record<string, Buffer> = {};
  for (const [n, name] of NAMES.entries()) files[`${name}.jpg`] = await photograph(n);
  const folder = folderWith(files);
  let clicks = 0;
  const click = async (name: string | RegExp, role: 'button' | 'link' = 'button') => {
    clicks++;
    await page.getByRole(role, { name }).click();
  };

  await withoutDemo(page);
  await page.goto('/');
  const chooser = page.waitForEvent('filechooser');
  await click('Import a folder');
  await (await chooser).setFiles(folder);
  await page.waitForURL(/\/pairs(\?|$)/, { timeout: 90_000 });
  await settled(page);
  await click('Create 12 missing thumbnails');
  await expect(page.getByText('12 pictures, 12 matched')).toBeVisible({ timeout: 90_000 });
  await click(/^Markup/, 'link');
  await click('New page');
  await click('Create page');
  await click('Add 12 pairs');
  // A file's name is no alt text: what the pictures show is typed.
  const alts = page.getByRole('dialog').getByRole('textbox', { name: 'Alt text' });
  await expect(alts).toHaveCount(12);
  for (let n = 0; n < 12; n++) await alts.nth(n).fill(`A field of colours, the ${n + 1}. of twelve`);
  await click('Add 12 items');
  await expect(page.getByText('12 items in 1 gallery')).toBeVisible();
  await click(/^Wiring/, 'link');
  await click('Add a viewer');
  await click('Apply');
  await expect(page.getByText('12 of 12 links handled')).toBeVisible();
  await click(/^Proof/, 'link');
  // What only its author can say of the site.
  await expect(page.getByText(/^0 errors, 2 warnings/)).toBeVisible();
  for (const width of [390, 768, 1280])
    await expect(page.frameLocator(`iframe[title="index.html at ${width} px"]`).locator('figure img')).toHaveCount(12);
  await click(/^Pack/, 'link');
  const download = page.waitForEvent('download');
  await click('Save as ZIP');
  const target = mkdtempSync(join(tmpdir(), 'heathmoor-out-'));
  const zip = join(target, 'site.zip');
  await (await download).saveAs(zip);
  console.log(`From the shelf to the saved ZIP: ${clicks} clicks`);
  expect(clicks).toBeLessThanOrEqual(15);

  // Two programs that know nothing of ours read the archive (PKWARE APPNOTE).
  expect(execFileSync('unzip', ['-t', zip], { encoding: 'utf8' })).toContain('No errors detected');
  const listed = execFileSync(
    'python3',
    [
      '-c',
      'import sys,zipfile; z=zipfile.ZipFile(sys.argv[1]); assert z.testzip() is None; print("\\n".join(z.namelist()))',
      zip,
    ],
    { encoding: 'utf8' },
  )
    .trim()
    .split('\n');
  const unpacked = join(target, 'unpacked');
  execFileSync('unzip', ['-q', zip, '-d', unpacked]);
  const onDisk = readdirSync(unpacked, { recursive: true, withFileTypes: true }).filter((entry) =>
    entry.isFile(),
  ).length;
  expect(listed).toHaveLength(onDisk);
  expect(listed).not.toContain('heathmoor.json');
  expect(listed.sort()).toEqual(
    [
      ...NAMES.map((name) => `${name}.jpg`),
      ...NAMES.map((name) => `thumbs/${name}.jpg`),
      'index.html',
      'style.css',
      'viewer/lightbox.css',
      'viewer/lightbox.js',
    ].sort(),
  );
  expect(await htmlErrors(listed.filter(isPagePath).map((path) => join(unpacked, path)))).toEqual([]);

  const { server, address } = await host(unpacked, '/some/where/');
  const visitor = await browser.newPage();
  await stepThrough(visitor, address);
  await stepThrough(visitor, `file://${join(unpacked, 'index.html')}`);
  await visitor.close();

  // With scripts off each link still opens its picture.
  const plain = await (await browser.newContext({ javaScriptEnabled: false })).newPage();
  for (let n = 0; n < 12; n++) {
    await plain.goto(address);
    const [answer] = await Promise.all([
      plain.waitForResponse(
        (response) => response.url().endsWith(`/${NAMES[n]}.jpg`) && response.request().isNavigationRequest(),
      ),
      plain.locator('figure a').nth(n).click(),
    ]);
    expect(answer.status()).toBe(200);
    expect(answer.headers()['content-type']).toBe('image/jpeg');
  }
  server.close();
});
