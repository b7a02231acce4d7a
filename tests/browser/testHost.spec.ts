/** The upload to the test host: file by file, over a connection that is lost, and the walk through what is there. */
import type { Page } from '@playwright/test';
import { isPagePath } from '../../core/site/index';
import type { HostState } from '../../protocol/testHost';
import { violations } from './axe';
import { expect, goTo, openDemo, openFiles, openPage, photograph, replaceText, test } from './fixtures';

const panel = (page: Page) => page.getByRole('region', { name: 'Test host' });

/** Paths in the order in which they were asked to be put on the host. */
function puts(page: Page): string[] {
  const paths: string[] = [];
  page.context().on('request', (request) => {
    if (request.method() === 'PUT' && !request.url().includes('/.test-host/'))
      paths.push(decodeURIComponent(new URL(request.url()).pathname.slice(1)));
  });
  return paths;
}

async function rootOf(page: Page): Promise<string> {
  return (await panel(page).getByRole('link', { name: 'Open in a tab' }).getAttribute('href'))!;
}

async function hostState(page: Page): Promise<HostState> {
  const root = await rootOf(page);
  return page.evaluate(
    async (address) => (await (await fetch(address)).json()) as HostState,
    `${root}.test-host/state`,
  );
}

async function losingConnections(page: Page): Promise<void> {
  await panel(page).locator('summary').click();
  await panel(page).getByRole('switch', { name: 'Loses connections' }).click();
  await expect(panel(page).locator('summary')).toContainText('loses connections');
}

async function uploaded(page: Page, button: RegExp, says: RegExp): Promise<void> {
  await panel(page).getByRole('button', { name: button }).click();
  await expect(panel(page).getByText(says)).toBeVisible({ timeout: 240_000 });
}

/** Every file of the site as a visitor gets it from the host, by its hash. */
const wholeThere = (page: Page, root: string, paths: readonly string[]) =>
  page.evaluate(
    async ({ root, paths }) => {
      const bad: string[] = [];
      for (const path of paths) {
        const answer = await fetch(root + path.split('/').map(encodeURIComponent).join('/'));
        const digest = new Uint8Array(await crypto.subtle.digest('SHA-256', await answer.arrayBuffer()));
        const hash = [...digest].map((byte) => byte.toString(16).padStart(2, '0')).join('');
        if (!answer.ok || answer.headers.get('etag') !== `"${hash}"`) bad.push(path);
      }
      return bad;
    },
    { root, paths },
  );

test('the demo is uploaded, walked as a visitor, and only what changed is sent again', async ({ page }) => {
  await openDemo(page, 'wiring');
  await openPage(page, 'workshop.html');
  await page.getByRole('button', { name: 'Rehearse' }).click();
  const rehearsal = page.getByRole('dialog', { name: 'Rehearsal of workshop.html' });
  await expect(rehearsal.getByRole('button', { name: 'Close' })).toBeVisible({ timeout: 240_000 });
  await rehearsal.getByRole('button', { name: 'Close' }).click();
  await goTo(page, 'pack');
  const sent = puts(page);
  await expect(panel(page)).toContainText('It is empty.');
  await uploaded(page, /^Upload \d+ files to the test host/, /^Uploaded \d+ files/);
  const pictures = sent.filter((path) => !isPagePath(path));
  expect(sent.slice(0, pictures.length)).toEqual(pictures);
  expect(new Set(sent).size).toBe(sent.length);
  expect(await wholeThere(page, await rootOf(page), sent)).toEqual([]);
  expect(await violations(page)).toEqual([]);

  await panel(page).getByRole('button', { name: 'Walk as a visitor' }).click();
  const dialog = page.getByRole('dialog', { name: 'Walk as a visitor' });
  await expect(dialog.getByText('Every page, picture and link has been tried.')).toBeVisible({ timeout: 240_000 });
  // What the demo has wrong is what a visitor misses, and nothing else.
  const different = dialog.getByRole('list', { name: 'What was different' }).getByRole('listitem');
  await expect(different).toHaveText([
    'festival.html photos/small/rokkaku-dawn.jpg gave status 404.',
    'photos/large/parafoil-pair.jpg A link leads to it; it gave status 404.',
  ]);
  await expect(dialog.getByText('5 pages, 44 pictures, 28 links')).toBeVisible();
  await expect(dialog.getByText(/^(\d+) of \1 pictures opened as rehearsed here$/)).toBeVisible();
  await dialog.getByRole('button', { name: 'Close' }).click();

  await uploaded(page, /^Upload what changed/, /^Up to date/);
  expect((await hostState(page)).written).toBe(sent.length);
  await replaceText(page, '<h1>Tarrowby Kite Circle</h1>', '<h1>The Tarrowby Kite Circle</h1>');
  const before = sent.length;
  await uploaded(page, /^Upload what changed/, /^Uploaded \d file/);
  expect(sent.slice(before).every(isPagePath)).toBe(true);
});

test('a thousand files arrive over a connection that is lost ten times, none twice', async ({ page }) => {
  const picture = await photograph(1, 400, 320);
  const names = Array.from({ length: 95 }, (_, n) => `photos/${n % 2 ? 'a' : 'b'}/${n}.jpg`);
  // Others are not looked at when they come in, which would take longer than the upload.
  const others = Array.from({ length: 900 }, (_, n) => [`data/${n % 7}/${n}.bin`, Buffer.alloc(3000, n)] as const);
  // Each is a picture of its own: bytes behind the end of a JPEG are left alone.
  const pictures = names.map((name, n) => [name, Buffer.concat([picture, Buffer.from(String(n))])] as const);
  const list = names.map((name) => `<li><img src="${name}" alt="Kite"></li>`).join('\n');
  const page5 = (n: number) => `<!doctype html><html lang="en"><title>Page ${n}</title><ul>${list}</ul></html>`;
  const pages = [1, 2, 3, 4, 5].map((n) => [n === 1 ? 'index.html' : `page${n}.html`, page5(n)] as const);
  const all: Record<string, string | Buffer> = Object.fromEntries([...pictures, ...others, ...pages]);
  await openFiles(page, all);
  await goTo(page, 'pack');
  const sent = puts(page);
  await losingConnections(page);
  await uploaded(page, /^Upload 1000 files to the test host/, /^Uploaded 1000 files/);
  const state = await hostState(page);
  expect(state).toMatchObject({ files: 1000, written: 1000 });
  expect(state.lost).toBeGreaterThanOrEqual(10);
  const lastPicture = Math.max(...sent.flatMap((path, n) => (isPagePath(path) ? [] : [n])));
  const firstPage = sent.findIndex(isPagePath);
  expect(firstPage).toBeGreaterThan(lastPicture);
  expect(
    await wholeThere(page, await rootOf(page), [...names, ...others.map(([path]) => path), 'index.html', 'page5.html']),
  ).toEqual([]);
});

test('an upload that is paused goes on where it was, also after a reload', async ({ page }) => {
  const pictures = await Promise.all([1, 2, 3, 4, 5, 6].map((n) => photograph(n, 900, 600)));
  const files = Object.fromEntries(pictures.map((picture, n) => [`photos/${n}.jpg`, picture]));
  await openFiles(page, { ...files, 'index.html': '<!doctype html><title>Kites</title>' });
  await goTo(page, 'pack');
  const sent = puts(page);
  await panel(page).locator('summary').click();
  await panel(page).getByRole('combobox', { name: 'Line' }).click();
  await page.getByRole('option', { name: /^Slow phone/ }).click();
  await panel(page)
    .getByRole('button', { name: /^Upload 7 files/ })
    .click();
  await expect.poll(() => sent.length, { timeout: 60_000 }).toBeGreaterThan(1);
  await panel(page).getByRole('button', { name: 'Pause the upload' }).click();
  await expect(panel(page).getByText('Paused. What is on the host stays.')).toBeVisible();
  expect(await violations(page)).toEqual([]);
  const { written } = await hostState(page);
  expect(written).toBeGreaterThan(0);
  expect(written).toBeLessThan(7);
  await page.reload();
  await panel(page).locator('summary').click();
  await panel(page).getByRole('combobox', { name: 'Line' }).click();
  await page.getByRole('option', { name: /^As fast/ }).click();
  await uploaded(page, /^Upload what changed/, /^Uploaded \d files.*there already/);
  expect(await hostState(page)).toMatchObject({ files: 7, written: 7 });
});

test('a quota that is too small is told, and nothing is half there', async ({ page }) => {
  await openFiles(page, {
    'a.bin': Buffer.alloc(6_000_000, 1),
    'b.bin': Buffer.alloc(6_000_000, 2),
    'index.html': '<!doctype html><title>Kites</title>',
  });
  await goTo(page, 'pack');
  await panel(page).locator('summary').click();
  await panel(page).getByRole('combobox', { name: 'Quota' }).click();
  await page.getByRole('option', { name: '10 MB' }).click();
  await uploaded(page, /^Upload 3 files/, /The host is full: all files may take 10\.0 MB, and hold 6\.0 MB/);
  expect(await hostState(page)).toMatchObject({ files: 1, bytes: 6_000_000 });
  await expect(panel(page).getByRole('button', { name: 'Resume the upload' })).toBeVisible();
});

test('the walk finds what a visitor would miss', async ({ page }) => {
  const PAGE = `<!doctype html><html lang="en"><head><title>Kites</title><link rel="stylesheet" href="css/none.css"></head>
<body><a href="Large/one.jpg"><img src="one.jpg" alt="One" width="90" height="60"></a>
<a href="two.html#late">Two</a> <a href="two.html#none">None</a> <a href="three.html">Three</a>
<script>if (localStorage.seen) document.body.innerHTML = ''; localStorage.seen = 'yes';</script>
<a href="http://[">No address</a><img src="http://[" alt="None" width="9" height="9">
<a href="https://kites.example/">Elsewhere</a><img src="gone.jpg" alt="Gone" width="9" height="9"></body></html>`;
  await openFiles(page, {
    'index.html': PAGE,
    'two.html': '<!doctype html><html lang="en"><title>Two</title><h2 id="late">Late</h2></html>',
    'one.jpg': await photograph(1, 90, 60),
    'large/one.jpg': await photograph(1, 900, 600),
  });
  await goTo(page, 'pack');
  await uploaded(page, /^Upload 4 files/, /^Uploaded 4 files/);
  await panel(page).getByRole('button', { name: 'Walk as a visitor' }).click();
  const dialog = page.getByRole('dialog', { name: 'Walk as a visitor' });
  await expect(dialog.getByText('Every page, picture and link has been tried.')).toBeVisible({ timeout: 120_000 });
  const different = dialog.getByRole('list', { name: 'What was different' });
  for (const says of [
    'index.html css/none.css gave status 404.',
    'index.html gone.jpg gave status 404.',
    'three.html A link leads to it; it gave status 404.',
    'Large/one.jpg A link leads to it; it gave status 404.',
    'two.html A link leads to #none on it, which is not there.',
  ])
    await expect(different).toContainText(says);
  await expect(different).not.toContainText('#late');
  // The second walk is a first visit, too: what the page keeps of a visitor is gone.
  await dialog.getByRole('button', { name: 'Close' }).click();
  await panel(page).getByRole('button', { name: 'Walk as a visitor' }).click();
  await expect(dialog.getByText('Every page, picture and link has been tried.')).toBeVisible({ timeout: 120_000 });
  await expect(different).toContainText('index.html gone.jpg gave status 404.');
  await expect(dialog.getByText('1 link to other sites, not followed')).toBeVisible();
  expect(await violations(page)).toEqual([]);
});
