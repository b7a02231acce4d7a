/** Slides that are no pictures, written through the interface: a video with a poster from a frame, words, any link. */
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import type { Page } from '@playwright/test';
import sharp from 'sharp';
import { kitFiles, NAMES } from '../wiring/faults.fixture';
import { violations } from './axe';
import { expect, goTo, openFiles, test, unpacked } from './fixtures';
import { pictures, rehearse } from './wiringSteps';

/** A second of a film in one colour, 64 × 48 px, as the browser itself records it. */
async function film(page: Page): Promise<Buffer> {
  await page.goto('about:blank');
  const bytes = await page.evaluate(async () => {
    const canvas = document.createElement('canvas');
    Object.assign(canvas, { width: 64, height: 48 });
    const draw = canvas.getContext('2d')!;
    const recorder = new MediaRecorder(canvas.captureStream(20), { mimeType: 'video/webm' });
    const pieces: Blob[] = [];
    recorder.ondataavailable = ({ data }) => pieces.push(data);
    const ended = new Promise((resolve) => (recorder.onstop = resolve));
    recorder.start();
    for (let n = 0; n < 20; n++) {
      draw.fillStyle = n % 2 ? '#c03030' : '#c83030';
      draw.fillRect(0, 0, 64, 48);
      await new Promise((next) => setTimeout(next, 50));
    }
    recorder.stop();
    await ended;
    return [...new Uint8Array(await new Blob(pieces).arrayBuffer())];
  });
  return Buffer.from(bytes);
}

/** An old page's own list, with a viewer on it. */
const pageWith = (viewer: string, mark: string, linkMark: string): string =>
  [
    '<!DOCTYPE html>',
    '<html lang="en">',
    `<head><title>Kites</title><link rel="stylesheet" href="viewer/${viewer}.css"><script src="viewer/${viewer}.js" defer></script></head>`,
    '<body>',
    '<h1>Kites &amp; friends</h1>',
    `<ul${mark}>`,
    ...NAMES.map(
      (name) =>
        `  <li class="kite"><a href="large/${name}.jpg"${linkMark}><img src="small/${name}.jpg" alt="Kites at the ${name}"></a></li>`,
    ),
    '</ul>',
    '</body>',
    '</html>',
    '',
  ].join('\r\n');

const dialog = (page: Page) => page.getByRole('dialog', { name: 'Add a video or text to index.html' });

async function open(page: Page, viewer: string, mark: string, linkMark = ''): Promise<void> {
  await openFiles(page, {
    'index.html': pageWith(viewer, mark, linkMark),
    'about.html': '<!DOCTYPE html><title>About</title><p>About</p>',
    'films/loop.webm': await film(page),
    ...(await pictures()),
    ...kitFiles(viewer),
  });
  await goTo(page, 'markup');
}

async function chooseFilm(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Add video or text' }).click();
  await dialog(page).getByRole('combobox', { name: 'Video', exact: true }).fill('loop');
  await page.getByRole('option', { name: 'films/loop.webm' }).click();
  await dialog(page).getByRole('button', { name: 'Use this frame as the poster' }).click();
  await expect(dialog(page).getByText('A new file, ')).toContainText('px: small/loop.jpg');
  await dialog(page).getByRole('textbox', { name: 'Title' }).fill('A loop & a landing');
  await expect(dialog(page).getByRole('region', { name: 'Difference' })).toContainText('films/loop.webm');
}

/** The colour of the film, as JPEG and its recording leave it. */
async function isOfTheFilm(file: string, size: readonly number[]): Promise<void> {
  const { width, height } = await sharp(file).metadata();
  expect([width, height]).toEqual(size);
  const { dominant } = await sharp(file).stats();
  expect(dominant.r - Math.max(dominant.g, dominant.b)).toBeGreaterThan(100);
}

const onDisk = async (page: Page, folder: string): Promise<Page> => {
  const disk = await page.context().newPage();
  await disk.goto(pathToFileURL(join(folder, 'index.html')).href);
  return disk;
};

test('a video and words stand among the slides of a slideshow, and are shown', async ({ page }) => {
  await open(page, 'slideshow', ' data-slides data-slides-counter');
  await chooseFilm(page);
  expect(await violations(page)).toEqual([]);
  await dialog(page).getByRole('button', { name: 'Add the video' }).click();
  await expect(page.getByRole('status').getByText(/^Add loop\.webm to index\.html/)).toBeVisible();
  await page.getByRole('button', { name: 'Add video or text' }).click();
  await dialog(page).getByRole('combobox', { name: 'Content' }).click();
  await page.getByRole('option', { name: 'Text' }).click();
  await dialog(page).getByRole('combobox', { name: 'Place' }).click();
  await page.getByRole('option', { name: 'before the first item' }).click();
  await dialog(page).getByRole('textbox', { name: 'Heading' }).fill('Kites <here>');
  await dialog(page).getByRole('textbox', { name: 'Text' }).fill('One paragraph.\n\nAnother.');
  await dialog(page).getByRole('button', { name: 'Add the text' }).click();
  await expect(page.getByRole('status').getByText(/^Add text to index\.html/)).toBeVisible();

  const folder = await unpacked(page);
  const before = pageWith('slideshow', ' data-slides data-slides-counter', '');
  const lines = readFileSync(join(folder, 'index.html'), 'utf8').split('\r\n');
  const added = lines.filter((line) => !before.includes(line));
  expect(added).toEqual([
    '  <li class="kite"><h2>Kites &lt;here&gt;</h2><p>One paragraph.</p><p>Another.</p></li>',
    '  <li class="kite"><video src="films/loop.webm" poster="small/loop.jpg" width="64" height="48" aria-label="A loop &amp; a landing" controls preload="none"></video></li>',
  ]);
  expect(lines.filter((line) => !added.includes(line)).join('\r\n')).toBe(before);
  await isOfTheFilm(join(folder, 'small/loop.jpg'), [64, 48]);
  const disk = await onDisk(page, folder);
  await expect(disk.locator('.slides-counter')).toHaveText(`1 of ${NAMES.length + 2}`);
  await expect(disk.getByRole('heading', { name: 'Kites <here>' })).toBeVisible();
  await disk.getByRole('button', { name: 'Previous picture' }).click();
  const video = disk.locator('video');
  await expect(video).toBeVisible();
  await expect(disk.locator('.slides-caption')).toHaveText('A loop & a landing');
  await video.evaluate((one: HTMLVideoElement) => one.play());
  await expect.poll(() => video.evaluate((one: HTMLVideoElement) => one.currentTime)).toBeGreaterThan(0);
  await disk.close();

  await goTo(page, 'markup');
  for (const what of ['Add text', 'Add loop.webm'])
    await page.getByRole('button', { name: new RegExp(`^Undo: ${what}`) }).click();
  const undone = await unpacked(page);
  expect(readFileSync(join(undone, 'index.html'), 'utf8')).toBe(before);
  expect(existsSync(join(undone, 'small/loop.jpg'))).toBe(false);
});

test('a video in a gallery of links is opened by its poster, and nothing is found wrong with it', async ({ page }) => {
  await open(page, 'lightbox', '', ' data-enlarge data-enlarge-group="kites"');
  await chooseFilm(page);
  await dialog(page).getByRole('button', { name: 'Add the video' }).click();
  await expect(page.getByRole('status').getByText(/^Add loop\.webm to index\.html/)).toBeVisible();
  const folder = await unpacked(page);
  expect(readFileSync(join(folder, 'index.html'), 'utf8')).toContain(
    '  <li class="kite"><a href="films/loop.webm" data-enlarge data-enlarge-group="kites"><img src="small/loop.jpg" alt="A loop &amp; a landing"></a></li>\r\n',
  );
  // As wide as the thumbnails beside it.
  await isOfTheFilm(join(folder, 'small/loop.jpg'), [60, 45]);
  const disk = await onDisk(page, folder);
  await disk.getByRole('link', { name: 'A loop & a landing' }).click();
  await expect(disk.locator('.enlarge-stage[data-state="shown"] video')).toBeVisible();
  await disk.close();
  await goTo(page, 'wiring');
  await expect(page.getByText(`loop.webm in the lightbox, ${NAMES.length + 1} of ${NAMES.length + 1}`)).toBeVisible();
  await rehearse(page, 120_000);
  await expect(page.getByText(`Rehearsed: ${NAMES.length + 1} strands as expected`)).toBeVisible();
  await goTo(page, 'proof');
  await expect(page.getByText('index.html has no description.')).toBeVisible();
  await expect(page.getByText(/loop\.(?:webm|jpg)/)).toHaveCount(0);
});

test('the link of any slide leads to a page, a mail address or a file by choosing', async ({ page }) => {
  await open(page, 'slideshow', ' data-slides');
  await page.getByRole('button', { name: 'Items…' }).click();
  const items = page.getByRole('dialog', { name: /items on/ });
  await items.getByRole('checkbox', { name: `Choose ${NAMES[1]}` }).check();
  await items.getByRole('button', { name: 'Link to a page, mail address or file' }).click();
  const link = page.getByRole('dialog', { name: 'Where the link leads' });
  await link.getByRole('combobox', { name: 'Page', exact: true }).fill('about');
  await page.getByRole('option', { name: 'about.html' }).click();
  await link.getByRole('button', { name: 'Link', exact: true }).click();
  await expect(page.getByRole('status').getByText(/^Link to about\.html/)).toBeVisible();
  const html = readFileSync(join(await unpacked(page), 'index.html'), 'utf8');
  expect(html).toBe(
    pageWith('slideshow', ' data-slides', '').replace(`href="large/${NAMES[1]}.jpg"`, 'href="about.html"'),
  );
});
