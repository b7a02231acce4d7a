/** Bringing in: by dropping, from a ZIP, with a mistake in it; and what the first visit shows. */
import { zipSync, strToU8 } from 'fflate';
import type { Page } from '@playwright/test';
import { violations } from './axe';
import { expect, goTo, keptFiles, openKites, photograph, settled, test } from './fixtures';

/** Drops files as the operating system would hand them over. */
async function drop(page: Page, files: { name: string; bytes: Uint8Array; type: string }[]): Promise<void> {
  const transfer = await page.evaluateHandle(
    (list) => {
      const data = new DataTransfer();
      for (const { name, bytes, type } of list) data.items.add(new File([new Uint8Array(bytes)], name, { type }));
      return data;
    },
    files.map((file) => ({ ...file, bytes: [...file.bytes] })),
  );
  const place = page.getByRole('group', { name: 'Import by dropping' });
  await place.dispatchEvent('dragenter', { dataTransfer: transfer });
  await place.dispatchEvent('dragover', { dataTransfer: transfer });
  await place.dispatchEvent('drop', { dataTransfer: transfer });
}

test.beforeEach(async ({ page }) => {
  await page.goto('/');
  await expect(page.getByRole('link', { name: 'Tarrowby Kite Circle' })).toBeVisible({ timeout: 90_000 });
});

test('pictures that are dropped become a site', async ({ page }) => {
  await drop(page, [
    { name: 'one.jpg', bytes: await photograph(1), type: 'image/jpeg' },
    { name: 'two.jpg', bytes: await photograph(2), type: 'image/jpeg' },
  ]);
  await page.waitForURL(/\/pairs(\?|$)/);
  await settled(page);
  await expect(page.getByText('2 pictures, 0 matched, 2 to check')).toBeVisible();
});

test('a ZIP that is dropped comes in with its text to the byte', async ({ page }) => {
  const text =
    '\uFEFF<!DOCTYPE html>\r\n<html lang="en"><head><meta charset="utf-8"><title>Über</title></head>\r\n<body><p>ok</p></body></html>\n';
  await drop(page, [
    {
      name: 'moor.zip',
      bytes: zipSync({
        'moor/index.html': strToU8(text),
        'moor/latin.html': new Uint8Array([0x63, 0x61, 0x66, 0xe9]),
        'moor/.DS_Store': strToU8('x'),
      }),
      type: 'application/zip',
    },
  ]);
  await page.waitForURL(/\/pairs(\?|$)/);
  const siteId = /site\/([^/]+)/.exec(page.url())?.[1] ?? '';
  const kept = await keptFiles(page, siteId);
  expect(kept['index.html']).toBe(text);
  expect(kept['latin.html']).toBe('binary 4');
  expect(Object.keys(kept)).not.toContain('.DS_Store');
});

test('an archive with a path that leads out is refused whole, with the path and the reason', async ({ page }) => {
  await drop(page, [
    {
      name: 'bad.zip',
      bytes: zipSync({ 'good.html': strToU8('x'), '../../outside.html': strToU8('y') }),
      type: 'application/zip',
    },
  ]);
  const alert = page.getByRole('alert');
  await expect(alert).toContainText('nothing was');
  await expect(alert).toContainText('../../outside.html: the path leads out of the folder');
  await alert.getByRole('button', { name: 'Close' }).click();
  await expect(page.getByRole('list', { name: 'Sites' }).getByRole('listitem')).toHaveCount(1);
});

test('reading a long import can be stopped, and then nothing is there', async ({ page }) => {
  // A slow disk, so that there is time to press the button.
  await page.route('**/assets/intake-*.js', async (route) => {
    const script = await (await route.fetch()).text();
    const slow = `const read = Blob.prototype.arrayBuffer;
      Blob.prototype.arrayBuffer = async function () {
        await new Promise((done) => setTimeout(done, 400));
        return read.call(this);
      };\n`;
    await route.fulfill({ body: slow + script, contentType: 'text/javascript' });
  });
  await drop(
    page,
    Array.from({ length: 60 }, (_, n) => ({ name: `p${n}.txt`, bytes: strToU8(`text ${n}`), type: 'text/plain' })),
  );
  await expect(page.getByRole('progressbar')).toBeVisible();
  await page.getByRole('button', { name: 'Stop' }).click();
  await expect(page.getByRole('alert')).toContainText('Stopped. Nothing was imported.');
  await expect(page.getByRole('list', { name: 'Sites' }).getByRole('listitem')).toHaveCount(1);
});

test('opening an archive can be stopped midway', async ({ page }) => {
  // The worker is as slow as a very large archive.
  await page.route('**/assets/intake-*.js', async (route) => {
    await new Promise((done) => setTimeout(done, 8000));
    await route.continue().catch(() => undefined);
  });
  await drop(page, [{ name: 'pictures.zip', bytes: zipSync({ 'a.txt': strToU8('a') }), type: 'application/zip' }]);
  await expect(page.getByText('Opening the archive')).toBeVisible();
  await page.getByRole('button', { name: 'Stop' }).click();
  await expect(page.getByRole('alert')).toContainText('Stopped. Nothing was imported.', { timeout: 3000 });
  await expect(page.getByRole('list', { name: 'Sites' }).getByRole('listitem')).toHaveCount(1);
});

test('day and night are remembered, and the shelf tells what is broken', async ({ page }) => {
  await page.getByRole('button', { name: 'Dark theme' }).click();
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'dark');
  await page.reload();
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'dark');
  await openKites(page);
  await expect(page.getByText('21 matched')).toBeVisible();
  await goTo(page, 'pack');
  await page.getByRole('link', { name: 'Heathmoor' }).click();
  await expect(page.getByText('6 strands broken')).toBeVisible();
});

for (const [what, address, says] of [
  ['a site that is not here', '/site/nothing/pairs', 'This site is not in this browser'],
  ['an address that there is not', '/sites/of/mine', 'There is no page at this address'],
] as const)
  test(`${what} is said to be so, with the way back`, async ({ page, expected }) => {
    expected.console.push(/404/);
    await page.goto(address);
    await expect(page.getByRole('heading', { level: 1, name: says })).toBeVisible();
    await expect(page.getByRole('button', { name: /theme$/ })).toBeVisible();
    expect(await violations(page)).toEqual([]);
    await page.getByRole('link', { name: 'Go to your sites' }).click();
    await expect(page.getByRole('heading', { name: 'Your sites' })).toBeVisible();
  });

test('leaving unused pictures out leaves out just those', async ({ page }) => {
  await openKites(page, 'pack');
  await expect(page.getByText(/^60 files, 2\.\d MB$/)).toBeVisible();
  await page.getByText('photos/small/', { exact: true }).click();
  const inside = page.getByRole('list', { name: 'Files in photos/small/' }).getByRole('listitem');
  await expect(inside).toHaveCount(23);
  await expect(inside.filter({ hasText: 'unused' })).toHaveText([
    /glue-pot/,
    /sewing-seams/,
    /spare-spars/,
    /tail-bows/,
  ]);
  await page.getByRole('switch', { name: 'Leave unused pictures out' }).click();
  await expect(inside.filter({ hasText: 'left out' })).toHaveCount(4);
  await expect(page.getByText(/^45 files, /)).toBeVisible();
  await expect(page.getByText('left out').first()).toBeVisible();
});

test('a first site is begun without files: a name, a page, and then pictures', async ({ page }) => {
  await page.getByRole('button', { name: 'New site' }).click();
  const dialog = page.getByRole('dialog', { name: 'New site' });
  await expect(dialog.getByRole('textbox', { name: 'Name' })).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(dialog).toContainText('Write a name.');
  expect(await violations(page)).toEqual([]);
  await page.keyboard.type('Kites & lines');
  await page.keyboard.press('Enter');
  await settled(page);
  await expect(page.getByRole('heading', { level: 1 })).toContainText('index.html');
  await expect(page.locator('.cm-content')).toContainText('<h1>Kites &amp; lines</h1>');
  await expect(
    page.frameLocator('iframe[title]').first().getByRole('heading', { name: 'Kites & lines' }),
  ).toBeVisible();
  await page.getByRole('link', { name: 'Heathmoor' }).click();
  await expect(page.getByRole('list', { name: 'Sites' }).getByRole('link', { name: 'Kites & lines' })).toBeVisible();
});
