/** What checkers say is mended where a browser builds the same page; text over pictures is judged by its pixels; WebP. */
import { join } from 'node:path';
import type { FrameLocator, Page } from '@playwright/test';
import sharp from 'sharp';
import { htmlErrors } from '../checkers';
import { violations } from './axe';
import { expect, folderWith, goTo, keptFiles, openDemo, openFiles, openPage, photograph, test } from './fixtures';

const page = (body: string, head = '', html = '<html lang="en">') =>
  `<!DOCTYPE html>\r\n${html}<head><meta charset="utf-8"><title>Reels</title>${head}</head>\r\n<body>\r\n${body}\r\n</body></html>\r\n`;

const accessibility = (of: Page) => of.getByRole('region', { name: 'Accessibility', exact: true });
const siteIdOf = (of: Page) => /\/site\/([^/]+)/.exec(of.url())?.[1] ?? '';

/** Left half dark, right half light. */
const halves = () =>
  sharp({ create: { width: 300, height: 300, channels: 3, background: '#101418' } })
    .composite([
      {
        input: { create: { width: 150, height: 300, channels: 3, background: '#f4f2ee' } },
        left: 150,
        top: 0,
      },
    ])
    .png()
    .toBuffer();

const CAPTIONS = `figure { position: relative; margin: 20px; width: 300px; height: 200px; font: 16px/1.4 sans-serif }
figure img { width: 300px; height: 200px; object-fit: cover; display: block }
figcaption { position: absolute; left: 10px; right: 10px; bottom: 10px; color: #fff; pointer-events: none }
.veil figcaption { background: rgba(0, 0, 0, 0.7) } .dark figcaption { right: 160px } .large figcaption { font-size: 26px }
.shadow figcaption { text-shadow: 0 0 4px #000 } .below { margin-top: 1800px }`;

const figure = (name: string, text = 'A long line of kites over Tarrowby') =>
  `<figure class="${name}"><img src="halves.png" alt="A field"><figcaption id="${name}">${text}</figcaption></figure>`;

/** WCAG 2.2, “relative luminance” and “contrast ratio”. */
function contrast(a: readonly number[], b: readonly number[]): number {
  const of = (colour: readonly number[]) => {
    const [red = 0, green = 0, blue = 0] = colour.map((part) =>
      part / 255 <= 0.04045 ? part / 255 / 12.92 : ((part / 255 + 0.055) / 1.055) ** 2.4,
    );
    return 0.2126 * red + 0.7152 * green + 0.0722 * blue;
  };
  const [one, other] = [of(a), of(b)];
  return (Math.max(one, other) + 0.05) / (Math.min(one, other) + 0.05);
}

/** Percent of a caption's own lines behind which white has too little contrast, as the browser paints what is behind. */
async function lackingOutside(outside: Page, id: string, needed: number): Promise<number> {
  const caption = outside.locator(`#${id}`);
  await caption.scrollIntoViewIfNeeded();
  await caption.evaluate((one: HTMLElement) => {
    one.style.color = 'transparent';
    one.style.textShadow = 'none';
  });
  const lines = await caption.evaluate((one) => {
    const range = document.createRange();
    range.selectNodeContents(one);
    return [...range.getClientRects()].map(({ x, y, width, height }) => ({ x, y, width, height }));
  });
  let points = 0;
  let low = 0;
  for (const clip of lines) {
    const { data, info } = await sharp(await outside.screenshot({ clip }))
      .removeAlpha()
      .raw()
      .toBuffer({ resolveWithObject: true });
    for (let at = 0; at < data.length; at += info.channels) {
      points++;
      if (contrast([255, 255, 255], [...data.subarray(at, at + 3)]) < needed) low++;
    }
  }
  return (low / points) * 100;
}

test('text over pictures is judged by the pixels that a browser paints behind it', async ({ page: app, browser }) => {
  const files = {
    'index.html': page(
      ['plain', 'veil', 'dark', 'large', 'shadow', 'below'].map((name) => figure(name)).join('\r\n'),
      `<style>${CAPTIONS}</style>`,
    ),
    'halves.png': await halves(),
  };
  const folder = folderWith(files);
  const outside = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
  await outside.goto(`file://${join(folder, 'index.html')}`);
  const wanted: Record<string, number> = {};
  for (const [id, needed] of [
    ['plain', 4.5],
    ['veil', 4.5],
    ['dark', 4.5],
    ['large', 3],
    ['below', 4.5],
  ] as const)
    wanted[id] = await lackingOutside(outside, id, needed);
  expect(wanted['veil']).toBe(0);
  expect(wanted['dark']).toBe(0);
  await outside.context().close();

  await openFiles(app, files);
  await goTo(app, 'proof');
  const row = accessibility(app).getByRole('listitem').filter({ hasText: 'text-over-picture' });
  await expect(row).toBeVisible({ timeout: 60_000 });
  const text = await row.innerText();
  const said = [...text.matchAll(/figcaption id="(\w+)"[\s\S]*?([\d.]+):1 is needed; (\d+) % of the text has less/g)];
  // A veil helps, and so does a dark part; of a shadow nobody can say it by numbers.
  expect(said.map(([, id, needed]) => [id, needed])).toEqual([
    ['plain', '4.5'],
    ['large', '3'],
    ['below', '4.5'],
  ]);
  for (const [, id = '', , percent] of said)
    expect(Math.abs(Number(percent) - (wanted[id] ?? 0)), `${id}: ${percent} and ${wanted[id]}`).toBeLessThanOrEqual(4);
  expect(await violations(app)).toEqual([]);
});

test('all pages are checked for accessibility, and a language that the others say is added', async ({ page: app }) => {
  await openFiles(app, {
    'a.html': page('<h1>A</h1><p>One</p>'),
    'b.html': page(
      '<h1>B</h1><p>Two</p>',
      '<meta name="viewport" content="width=device-width, user-scalable=no">',
      '<html>',
    ),
    'c.html': page('<h1>C</h1><img src="reel.jpg">'),
    'reel.jpg': await photograph(1, 360, 320),
  });
  await goTo(app, 'proof');
  await openPage(app, 'a.html');
  const panel = accessibility(app);
  await panel.getByRole('button', { name: 'Check all 3 pages' }).click();
  await expect(panel.getByText(/^All 3 pages checked: \d+ messages$/)).toBeVisible({ timeout: 90_000 });
  const b = panel.getByRole('list', { name: 'Accessibility messages: b.html' });
  await expect(panel.getByRole('list', { name: 'Accessibility messages: c.html' })).toContainText('image-alt');
  expect(await violations(app)).toEqual([]);
  await b.getByRole('button', { name: 'Add lang="en"' }).click();
  await expect(app.getByRole('button', { name: 'Undo: Fix 1 message of the checkers' })).toBeVisible();
  // The site is another one now: what was found before is not shown any more.
  await expect(b).toHaveCount(0);
  const kept = await keptFiles(app, siteIdOf(app));
  expect(kept['b.html']).toContain('<html lang="en"><head>');
});

test('messages about HTML are mended together, and the page stays as a browser builds it', async ({ page: app }) => {
  const old = page(
    '<P>One < two\r\n<P>Three<br>\r\n<ul><li>a</li></ul>\r\n<p class="a" class="b">x</p></div>\r\n<img src="reel.jpg" alt="A reel"></img>',
  );
  await openFiles(app, { 'old.html': old, 'reel.jpg': await photograph(1, 360, 320) });
  await goTo(app, 'proof');
  const html = app.getByRole('region', { name: 'HTML', exact: true });
  const fix = html.getByRole('button', { name: /^Fix \d+ messages$/ });
  await fix.click();
  const dialog = app.getByRole('dialog', { name: /^Fix \d+ messages of the checkers\?$/ });
  await expect(dialog).toContainText('&lt;');
  expect(await violations(app)).toEqual([]);
  await dialog.getByRole('button', { name: 'Apply this change' }).click();
  await expect(app.getByRole('button', { name: /^Undo: Fix \d+ messages of the checkers$/ })).toBeVisible();
  const kept = (await keptFiles(app, siteIdOf(app)))['old.html'] ?? '';
  expect(kept).toBe(
    old
      .replace('One <', 'One &lt;')
      .replace(' class="b"', '')
      .replace('</div>', '')
      .replace('</img>', '')
      .replace('two\r\n<P>', 'two</P>\r\n<P>'),
  );
  await app.getByRole('button', { name: /^Undo: Fix/ }).click();
  await expect.poll(async () => (await keptFiles(app, siteIdOf(app)))['old.html']).toBe(old);
});

/** Boxes of all pictures of a live page, and the files that they show. */
const pictures = (frame: FrameLocator) =>
  frame.locator('html').evaluate(() =>
    [...document.images].map((image) => {
      const { left, top, width, height } = image.getBoundingClientRect();
      const box = [left + scrollX, top + scrollY, width, height].map(Math.round).join(' ');
      return { box, file: image.currentSrc.split('/').at(-1) ?? '' };
    }),
  );

/** What html-validate and Nu say of pages, without the places. */
async function htmlTrouble(files: Record<string, string>): Promise<string[]> {
  const pages = Object.entries(files).filter(([path]) => path.endsWith('.html'));
  const folder = folderWith(Object.fromEntries(pages));
  const errors = await htmlErrors(pages.map(([path]) => join(folder, path)));
  return errors.map((one) => one.replaceAll(folder, '').replace(/\d+/g, 'n')).sort();
}

test('WebP is made and offered: the page looks as before, loads it, stays valid, and is undone exactly', async ({
  page: app,
}) => {
  await openDemo(app, 'pack');
  const before = await keptFiles(app, siteIdOf(app));
  const troubleBefore = await htmlTrouble(before);
  await goTo(app, 'proof');
  await openPage(app, 'workshop.html');
  const frame = app.frameLocator('iframe[title="workshop.html at 1280 px"]');
  await expect.poll(async () => (await pictures(frame)).filter(({ file }) => file !== '').length).toBe(8);
  const looked = await pictures(frame);
  await goTo(app, 'pack');
  const panel = app.getByRole('region', { name: 'Written for the upload' });
  await panel.getByRole('button', { name: /^Create \d+ WebP files$/ }).click();
  const offer = panel.getByRole('button', { name: /^Offer WebP on \d pages…$/ });
  await expect(offer).toBeVisible({ timeout: 120_000 });
  expect(await violations(app)).toEqual([]);
  await offer.click();
  const dialog = app.getByRole('dialog', { name: /^Offer WebP for \d+ pictures, .* less of .*\?$/ });
  await expect(dialog).toContainText('<picture><source srcset="');
  await dialog.getByRole('button', { name: 'Apply this change' }).click();
  await expect(offer).toHaveCount(0);

  await goTo(app, 'proof');
  await openPage(app, 'workshop.html');
  await expect(app.getByRole('region', { name: 'HTML', exact: true }).getByRole('status')).toHaveText('5 pages, valid');
  await expect.poll(async () => (await pictures(frame)).some(({ file }) => file.endsWith('.webp'))).toBe(true);
  const now = await pictures(frame);
  expect(now.map(({ box }) => box)).toEqual(looked.map(({ box }) => box));
  const kept = await keptFiles(app, siteIdOf(app));
  expect(Object.values(kept).join('')).toContain('<picture><source srcset=');
  expect(await htmlTrouble(kept)).toEqual(troubleBefore);

  await app.getByRole('button', { name: /^Undo: Offer WebP/ }).click();
  await app.getByRole('button', { name: /^Undo: Create \d+ pictures/ }).click();
  const texts = (files: Record<string, string>) =>
    Object.fromEntries(Object.entries(files).filter(([path]) => path !== 'heathmoor.json'));
  await expect.poll(async () => texts(await keptFiles(app, siteIdOf(app)))).toEqual(texts(before));
});

test('what links lead out of the site is listed, and never asked for', async ({ page: app, context }) => {
  const asked: string[] = [];
  context.on('request', (request) => {
    if (request.url().includes('kites.example')) asked.push(request.url());
  });
  await openFiles(app, {
    'a.html': page('<p><a href="b.html">B</a></p>\r\n<p><a href="https://kites.example/">Kites</a></p>'),
    'b.html': page('<p><a href="a.html">A</a> <a href="https://kites.example/">Kites</a></p>'),
  });
  await goTo(app, 'proof');
  const links = app.getByRole('region', { name: 'Links', exact: true });
  await expect(links).toContainText('2 links inside the site, all followed; 1 address on other hosts, not asked for');
  await links.getByRole('button', { name: 'b.html:4' }).click();
  await expect(app).toHaveURL(/markup\?page=b\.html/);
  expect(asked).toEqual([]);
});
