/** The lightbox as it ships, on a festival page served from disk files, without the application around it. */
import { createReadStream, existsSync, readFileSync } from 'node:fs';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import { readSite } from '../../core/model/index.ts';
import { mediaTypeOf, type FileContent } from '../../core/site/index.ts';
import { matches } from '../../core/markup/index.ts';
import { groupAttribute, markerSelector } from '../../core/wiring/index.ts';
import { kitNamed } from '../kits';
import { expect, test } from './fixtures';
import { violations } from './axe';
import { SITE } from '../site/make';

let server: Server;
let address = '';

const STAND_INS: Readonly<Record<string, string>> = {
  'photos/large/parafoil-pair.jpg': 'photos/large/Parafoil-Pair.JPG',
  'photos/small/rokkaku-dawn.jpg': 'photos/small/star-field.jpg',
};

/** The site with the one fault mended that would leave a link out of its group, and the missing pictures in place. */
function served(path: string): string | Buffer | null {
  const file = join(SITE, STAND_INS[path] ?? path);
  if (!existsSync(file)) return null;
  return path === 'festival.html'
    ? readFileSync(file, 'utf8').replace(
        'eye-of-the-wind.jpg" data-enlarge ',
        'eye-of-the-wind.jpg" data-enlarge data-enlarge-group="festival" ',
      )
    : null;
}

test.beforeAll(async () => {
  server = createServer((request, response) => {
    const path = decodeURIComponent(new URL(request.url ?? '/', 'http://host.invalid').pathname).slice(1);
    const text = served(path);
    const file = join(
      SITE,
      path.replace('large/parafoil-pair.jpg', 'large/Parafoil-Pair.JPG').replace('rokkaku-dawn.jpg', 'star-field.jpg'),
    );
    if (text === null && !existsSync(file)) return response.writeHead(404).end();
    response.writeHead(200, { 'Content-Type': mediaTypeOf(path) });
    return text === null ? createReadStream(file).pipe(response) : response.end(text);
  });
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  address = `http://127.0.0.1:${(server.address() as AddressInfo).port}/`;
});
test.afterAll(() => server.close());

const dialogOf = (page: Page) => page.getByRole('dialog');
const focused = (page: Page) =>
  page.evaluate(
    () => document.activeElement?.getAttribute('aria-label') ?? document.activeElement?.getAttribute('href'),
  );

test.describe('ARIA Authoring Practices Guide, dialog (modal) pattern', () => {
  test.beforeEach(async ({ page }) => {
    await page.goto(`${address}festival.html`);
    await page.getByRole('link', { name: 'A green sled kite' }).focus();
    await page.keyboard.press('Enter');
    await expect(dialogOf(page)).toBeVisible();
    // Some buttons are there only once the file is.
    await expect(page.locator('.enlarge-stage[data-state="shown"]')).toBeVisible();
  });

  test('when it opens, the focus moves inside', async ({ page }) => {
    expect(await focused(page)).toBe('Close');
    expect(await dialogOf(page).evaluate((dialog) => dialog.matches(':modal'))).toBe(true);
  });

  test('Tab goes through all that is inside, and to nothing of the page below', async ({ page }) => {
    const seen = new Set<string | null | undefined>();
    for (let n = 0; n < 8; n++) {
      await page.keyboard.press('Tab');
      seen.add(await focused(page));
    }
    // Between the last and the first there is the browser itself, as with every modal dialog.
    seen.delete(null);
    expect([...seen].sort()).toEqual(['Actual pixels', 'Close', 'Next picture', 'Previous picture']);
  });

  test('Shift+Tab goes to the one before', async ({ page }) => {
    // It comes a moment after the picture.
    await expect(page.getByRole('button', { name: 'Actual pixels' })).toBeVisible();
    for (const name of ['Actual pixels', 'Next picture', 'Previous picture']) {
      await page.keyboard.press('Shift+Tab');
      expect(await focused(page)).toBe(name);
    }
  });

  test('Escape closes, and the focus returns to the link', async ({ page }) => {
    await page.keyboard.press('Escape');
    await expect(dialogOf(page)).toBeHidden();
    expect(await focused(page)).toBe('photos/large/sled-morning.jpg');
  });

  test('it has a name, and nothing for axe-core to find', async ({ page }) => {
    await expect(page.locator('.enlarge-stage[data-state="shown"]')).toBeVisible();
    expect(await violations(page)).toEqual([]);
  });
});

test('steps through the whole group with counter and captions, and round the ends when asked to', async ({ page }) => {
  await page.goto(`${address}festival.html`);
  const links = page.locator('ul.meadow a');
  await links.first().click();
  for (let n = 0; n < 12; n++) {
    await expect(page.locator('.enlarge-counter')).toHaveText(`${n + 1} of 12`);
    await expect(page.locator('.enlarge-caption')).toHaveText((await links.nth(n).getAttribute('title')) ?? '');
    await page.getByRole('button', { name: 'Next picture' }).click();
  }
  // js/kites.js asks for the loop.
  await expect(page.locator('.enlarge-counter')).toHaveText('1 of 12');
  await page.keyboard.press('ArrowLeft');
  await expect(page.locator('.enlarge-counter')).toHaveText('12 of 12');
  await page.keyboard.press('Home');
  await expect(page.locator('.enlarge-counter')).toHaveText('1 of 12');
});

test('fits each picture into the window, whatever its shape', async ({ page }) => {
  for (const size of [
    { width: 1280, height: 720 },
    { width: 375, height: 700 },
  ]) {
    await page.setViewportSize(size);
    await page.goto(`${address}festival.html`);
    await page.locator('ul.meadow a').first().click();
    for (let n = 0; n < 12; n++) {
      await expect(page.locator('.enlarge-stage[data-state="shown"]')).toBeVisible();
      const { box, shape } = await page.locator('.enlarge-picture').evaluate((image: HTMLImageElement) => ({
        box: image.getBoundingClientRect().toJSON() as DOMRect,
        shape: image.naturalWidth / image.naturalHeight,
      }));
      expect(box.left).toBeGreaterThanOrEqual(0);
      expect(box.top).toBeGreaterThanOrEqual(0);
      expect(box.right).toBeLessThanOrEqual(size.width);
      expect(box.bottom).toBeLessThanOrEqual(size.height);
      expect(box.width / box.height / shape).toBeGreaterThan(0.97);
      expect(box.width / box.height / shape).toBeLessThan(1.03);
      await page.keyboard.press('ArrowRight');
    }
  }
});

test('a click outside of the picture closes, one on it does not, a swipe turns', async ({ page }) => {
  await page.goto(`${address}festival.html`);
  await page.locator('ul.meadow a').first().click();
  const picture = page.locator('.enlarge-picture');
  await expect(page.locator('.enlarge-stage[data-state="shown"]')).toBeVisible();
  await picture.click();
  await expect(dialogOf(page)).toBeVisible();
  const box = await picture.boundingBox();
  const middle = { x: (box?.x ?? 0) + (box?.width ?? 0) / 2, y: (box?.y ?? 0) + (box?.height ?? 0) / 2 };
  await page.mouse.move(middle.x, middle.y);
  await page.mouse.down();
  await page.mouse.move(middle.x - 160, middle.y, { steps: 4 });
  await page.mouse.up();
  await expect(page.locator('.enlarge-counter')).toHaveText('2 of 12');
  await expect(dialogOf(page)).toBeVisible();
  await page.mouse.click(8, middle.y);
  await expect(dialogOf(page)).toBeHidden();
});

test('opened again in the moment in which it closes, it shows what it was opened for', async ({ page }) => {
  await page.goto(`${address}festival.html`);
  await page.locator('ul.meadow a').first().click();
  await expect(page.locator('.enlarge-stage[data-state="shown"]')).toBeVisible();
  // The browser tells of the closing only after this: before the dialog is there again, or later.
  await page.evaluate(() => {
    const dialog = document.querySelector<HTMLDialogElement>('dialog.enlarge');
    dialog?.close();
    document.querySelectorAll<HTMLElement>('ul.meadow a')[1]?.click();
    dialog?.dispatchEvent(new Event('close'));
  });
  await expect(page.locator('.enlarge-counter')).toHaveText('2 of 12');
  await expect(page.locator('.enlarge-stage[data-state="shown"] .enlarge-picture')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(dialogOf(page)).toBeHidden();
  await expect(page.locator('ul.meadow a').nth(1)).toBeFocused();
});

test('asks for a picture’s neighbours beforehand, and says when one cannot be loaded', async ({ page, expected }) => {
  expected.console.push(/./);
  const asked: string[] = [];
  page.on('request', (request) => asked.push(request.url().replace(/^.*\//, '')));
  await page.goto(`${address}festival.html`);
  expect(asked.filter((name) => name === 'box-kite-lark.jpg')).toHaveLength(1);
  await page.locator('ul.meadow a').nth(4).click();
  await expect
    .poll(() => asked.filter((name) => ['rokkaku-dawn.jpg', 'diamond-classic.jpg'].includes(name)).length)
    .toBeGreaterThanOrEqual(4);
  await page.keyboard.press('Escape');
  await page
    .locator('ul.meadow a')
    .first()
    .evaluate((link: HTMLAnchorElement) => (link.href = 'nothing.jpg'));
  await page.locator('ul.meadow a').first().click();
  await expect(page.getByText('This picture could not be loaded.')).toBeVisible();
});

test('a click that asks for a new tab keeps its meaning, and reduced motion is kept', async ({ page, context }) => {
  await page.emulateMedia({ reducedMotion: 'reduce' });
  await page.goto(`${address}festival.html`);
  const [tab] = await Promise.all([
    context.waitForEvent('page'),
    page
      .locator('ul.meadow a')
      .first()
      .click({ modifiers: ['Control'] }),
  ]);
  await tab.close();
  await expect(dialogOf(page)).toBeHidden();
  await page.locator('ul.meadow a').first().click();
  const moving = () => page.locator('.enlarge-frame').evaluate((frame) => frame.getAnimations().length);
  expect(await moving()).toBe(0);
  await page.keyboard.press('Escape');
  await page.emulateMedia({ reducedMotion: 'no-preference' });
  await page.addStyleTag({ content: ':root { --enlarge-time: 60s }' });
  await page.locator('ul.meadow a').first().click();
  expect(await moving()).toBe(1);
});

test('arrows turn round on a right-to-left page', async ({ page }) => {
  await page.goto(`${address}festival.html`);
  await page.evaluate(() => (document.documentElement.dir = 'rtl'));
  await page.locator('ul.meadow a').first().click();
  await expect(dialogOf(page)).toBeVisible();
  await page.keyboard.press('ArrowLeft');
  await expect(page.locator('.enlarge-counter')).toHaveText('2 of 12');
});

test('selectors match in the model what the browser’s querySelectorAll matches', async ({ page }) => {
  const { manifest } = kitNamed('lightbox');
  const selectors = [
    markerSelector(manifest) ?? '',
    `a[${groupAttribute(manifest)}="festival"]`,
    '.meadow > li:first-child a',
    'li:nth-child(2n) > a',
    'a[href$=".jpg" i]:not([title*="kite"])',
    'ul ~ ul img, h1 + p',
    '#nothing',
    'a[href$=".jpg"',
    'li:not(.x a',
    'li:has(> a[data-enlarge]) span',
  ];
  for (const name of ['festival.html', 'workshop.html']) {
    const text = readFileSync(join(SITE, name), 'utf8');
    const files = new Map<string, FileContent>([[name, { kind: 'text', text }]]);
    const [reading] = readSite(files, new Map(), []).pages;
    await page.setContent(text, { waitUntil: 'domcontentloaded' });
    for (const selector of selectors) {
      const model = matches(reading!.document, selector);
      const browser = await page.evaluate(
        (query) =>
          [...document.querySelectorAll(query)].map((element) =>
            element.outerHTML.slice(0, element.outerHTML.indexOf('>') + 1),
          ),
        selector,
      );
      expect(model.ok && model.elements.length, `${selector} on ${name}`).toBe(browser.length);
      if (model.ok)
        expect(model.elements.map((element) => element.tag)).toEqual(browser.map((open) => /^<(\w+)/.exec(open)?.[1]));
    }
  }
});

test('what is no selector to the browser is none to the model', async ({ page }) => {
  const [reading] = readSite(
    new Map<string, FileContent>([['a.html', { kind: 'text', text: '<p class="peep"><a href="x.jpg">x</a></p>' }]]),
    new Map(),
    [],
  ).pages;
  for (const selector of [
    '..peep',
    '.peep..',
    'a[',
    'a[href=',
    'a[href="x',
    'p >',
    '> a',
    '#',
    '.',
    '.1st',
    'a:nope',
    'a:not(',
    'p,',
    ',p',
    '',
    ' ',
    '[data-x=1]',
    '.peep a',
    'a:not([href=""])',
    'a[href="x.jpg" i',
    'p:has(> a)',
    'a!',
    '.a\\.b',
  ]) {
    const browser = await page.evaluate((query) => {
      try {
        document.querySelectorAll(query);
        return true;
      } catch {
        return false;
      }
    }, selector);
    expect(matches(reading!.document, selector).ok, selector).toBe(browser);
  }
});
