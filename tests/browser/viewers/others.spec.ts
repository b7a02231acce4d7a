/**
 * Every option of the opening slideshow, zoom, sections, filter, feed, tooltips and share, on exported pages opened
 * from disk.
 */
import type { Locator, Page } from '@playwright/test';
import { exported, item, items, SHOTS, watchShifts } from '../../viewerPages';
import { violations } from '../axe';
import { expect, test, framesOn } from '../fixtures';

const boxOf = async (locator: Locator) => (await locator.boundingBox())!;

/** Opens a page with one viewer; every page is watched for layout shifts. */
async function opened(
  page: Page,
  kit: string,
  body: string,
  more: Record<string, string | Buffer> = {},
  head = '',
): Promise<{ address: string; shifts: () => Promise<number> }> {
  const shifts = await watchShifts(page);
  const { address } = await exported([kit], body, more, head);
  await page.goto(address);
  return { address, shifts };
}

/** The same page with scripts off. */
async function without(page: Page, address: string): Promise<{ still: Page; close: () => Promise<void> }> {
  const context = await page.context().browser()!.newContext({ javaScriptEnabled: false });
  const still = await context.newPage();
  await still.goto(address);
  return { still, close: () => context.close() };
}

const images = (count = 3) =>
  SHOTS.slice(0, count)
    .map(
      ([name, width, height]) =>
        `<img src="large/${name}.jpg" width="${width}" height="${height}" alt="Kites at the ${name}">`,
    )
    .join('\n');

test.describe('the opening slideshow', () => {
  for (const height of [50, 75, 100, 62]) {
    test(`is as wide as the window and ${height} % as tall`, async ({ page }) => {
      const { shifts } = await opened(
        page,
        'opening',
        `<div data-opening data-opening-height="${height}">${images()}</div><p>After</p>`,
        {},
        `<style>main { max-width: 600px; margin: auto } ${height === 62 ? '[data-opening] { --opening-height: 62vh }' : ''}</style>`,
      );
      await expect(page.getByRole('button', { name: 'Pause' })).toBeVisible();
      const box = await boxOf(page.locator('.opening'));
      expect([box.x, box.width, Math.round(box.height)]).toEqual([0, 1280, Math.round(8 * height)]);
      expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBe(1280);
      expect(await shifts()).toBe(0);
      expect(await violations(page)).toEqual([]);
    });
  }

  test('goes on by itself, is paused and stepped, and pictures give way by fading', async ({ page }) => {
    await page.clock.install();
    await opened(
      page,
      'opening',
      `<div data-opening data-opening-interval="0.5" data-opening-label="Kites of May">${images()}</div>`,
      {},
      '<style>:root { --opening-time: 0.1s }</style>',
    );
    const now = page.locator('.opening-now');
    await expect(page.getByRole('group', { name: 'Kites of May' })).toBeVisible();
    await expect(now).not.toHaveAttribute('alt', 'Kites at the meadow');
    await page.getByRole('button', { name: 'Pause' }).click();
    const alt = await now.getAttribute('alt');
    await page.clock.runFor(5000);
    await expect(now).toHaveAttribute('alt', alt ?? '');
    await page.getByRole('button', { name: 'Next picture' }).click();
    await expect(now).not.toHaveAttribute('alt', alt ?? '');
    await page.getByRole('button', { name: 'Previous picture' }).click();
    await expect(now).toHaveAttribute('alt', alt ?? '');
    expect(await now.evaluate((one) => getComputedStyle(one).transitionProperty)).toContain('opacity');
  });

  test('options of a start call: no arrows, not by itself, under the header', async ({ page }) => {
    const { address } = await exported(
      ['opening'],
      `<div class="welcome">${images()}</div><script src="start.js" defer></script>`,
      { 'start.js': "startOpening('.welcome', { arrows: false, play: false, under: 'h1', height: 100 });" },
      '<style>h1 { height: 80px; margin: 0 } body { margin: 0 }</style>',
    );
    await page.goto(address);
    await expect(page.getByRole('button', { name: 'Play' })).toBeVisible();
    await expect(page.getByRole('button', { name: 'Next picture' })).toHaveCount(0);
    expect((await boxOf(page.locator('.opening'))).y).toBe(0);
    expect((await boxOf(page.locator('.opening'))).height).toBe(800);
    expect(
      await page.evaluate(() => document.elementFromPoint(100, 40)?.tagName),
      'the header lies over the pictures',
    ).toBe('H1');
  });

  test('stands still for visitors who ask for less motion, and without script', async ({ page }) => {
    await page.emulateMedia({ reducedMotion: 'reduce' });
    await page.clock.install();
    const { address } = await opened(
      page,
      'opening',
      `<div data-opening data-opening-interval="0.2">${images()}</div>`,
    );
    await page.clock.runFor(3000);
    await expect(page.locator('.opening-now')).toHaveAttribute('alt', 'Kites at the meadow');
    expect(await page.locator('.opening-now').evaluate((one) => getComputedStyle(one).transitionDuration)).toBe('0s');
    const { still, close } = await without(page, address);
    await expect(still.getByRole('img', { name: 'Kites at the meadow' })).toBeVisible();
    expect(
      await still.getByRole('img', { name: 'Kites at the meadow' }).evaluate((one) => getComputedStyle(one).opacity),
    ).toBe('1');
    await close();
  });
});

test.describe('zoom', () => {
  const row = (attributes = '', link = '') =>
    `<div data-closer${attributes}>${SHOTS.slice(0, 3)
      .map((_, n) => item(n, { tag: 'span', attributes: link }))
      .join('')}</div>`;

  test('shows the full-size file’s own pixels of the place under the pointer, beside the picture', async ({ page }) => {
    const { shifts } = await opened(page, 'zoom', row(), {}, '<style>:root { --closer-height: 300px }</style>');
    const image = page.locator('.closer-middle');
    await expect(image).toHaveJSProperty('complete', true);
    const box = await boxOf(image);
    await expect(page.locator('.closer-lens')).toBeHidden();
    await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
    const lens = page.locator('.closer-lens');
    await expect(lens).toBeVisible();
    await expect.poll(() => lens.evaluate((one: HTMLElement) => one.style.backgroundSize)).toBe('900px 600px');
    const room = await boxOf(lens);
    const [x, y] = await lens.evaluate(
      (one: HTMLElement) => one.style.backgroundPosition.split(' ').map(parseFloat) as [number, number],
    );
    // The middle of the picture lies in the middle of the lens.
    expect(x + 450).toBeCloseTo((room.width - 2) / 2, -1);
    expect(y + 300).toBeCloseTo((room.height - 2) / 2, -1);
    await page.mouse.move(box.x + 1, box.y + 1);
    await expect.poll(() => lens.evaluate((one: HTMLElement) => one.style.backgroundPosition)).toBe('0px 0px');
    expect(room.x).toBeGreaterThan(box.x + box.width);
    await page.mouse.move(2, 2);
    await expect(lens).toBeHidden();
    expect(await shifts()).toBe(0);
  });

  test('over the picture, so many times, from a middle-sized file until somebody looks closely', async ({ page }) => {
    const asked: string[] = [];
    page.on('request', (request) => asked.push(request.url().replace(/^.*\/(?=large|small)/, '')));
    await opened(
      page,
      'zoom',
      row(
        ' data-closer-lens="over" data-closer-times="4" data-closer-label="Look"',
        ' data-closer-middle="small/meadow.jpg"',
      ),
    );
    const image = page.locator('.closer-middle');
    await expect(image).toHaveAttribute('src', 'small/meadow.jpg');
    expect(asked.filter((name) => name.startsWith('large'))).toEqual([]);
    const box = await boxOf(image);
    await page.mouse.move(box.x + 20, box.y + 30);
    const lens = await boxOf(page.locator('.closer-lens'));
    expect(lens.x + lens.width / 2).toBeCloseTo(box.x + 20, 0);
    expect(lens.y + lens.height / 2).toBeCloseTo(box.y + 30, 0);
    expect(await page.locator('.closer-lens').evaluate((one: HTMLElement) => one.style.backgroundSize)).toBe(
      `${box.width * 4}px ${box.height * 4}px`,
    );
    expect(asked).toContain('large/meadow.jpg');
  });

  test('keys move the place, a small picture is chosen by click and key', async ({ page }) => {
    await opened(page, 'zoom', row(' data-closer-times="3"'));
    const stage = page.locator('.closer-stage');
    const lens = page.locator('.closer-lens');
    await stage.focus();
    await page.keyboard.press('ArrowRight');
    await expect(lens).toBeVisible();
    const at = () => lens.evaluate((one: HTMLElement) => one.style.backgroundPosition);
    const before = await at();
    await page.keyboard.press('ArrowRight');
    expect(await at()).not.toBe(before);
    await page.keyboard.press('Escape');
    await expect(lens).toBeHidden();
    await page.getByRole('link', { name: 'Kites at the loft' }).focus();
    await page.keyboard.press('Enter');
    await expect(page.locator('.closer-middle')).toHaveAttribute('src', /large\/loft\.jpg$/);
    await expect(page.getByRole('link', { name: 'Kites at the loft' })).toHaveAttribute('aria-current', 'true');
    expect(await violations(page)).toEqual([]);
  });

  test('started by a call; without script every link opens its picture; phone width', async ({ page }) => {
    await page.setViewportSize({ width: 375, height: 700 });
    const { address } = await opened(
      page,
      'zoom',
      `${row().replace(' data-closer', ' class="kites"')}<script src="start.js" defer></script>`,
      { 'start.js': "startCloser('.kites', { lens: 'over', times: 2 });" },
    );
    await expect(page.locator('.closer-frame')).toHaveAttribute('data-lens', 'over');
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBe(375);
    const { still, close } = await without(page, address);
    await still.getByRole('link').nth(2).click();
    await expect(still).toHaveURL(/large\/reel\.jpg$/);
    await close();
  });
});

test.describe('sections, ARIA Authoring Practices Guide, tabs pattern', () => {
  const parts = (attributes = ' data-sections') =>
    `<div class="days"${attributes}>${['Meadow', 'Loft', 'Mere'].map((name, n) => `<section id="${name.toLowerCase()}"><h2>${name}</h2><p class="lead">In the ${name}</p><ul>${item(n)}</ul></section>`).join('\n')}</div>`;
  const tab = (page: Page, name: string) => page.getByRole('tab', { name });

  test('roles, names and panels', async ({ page }) => {
    const { shifts } = await opened(
      page,
      'sections',
      `${parts(' data-sections data-sections-label="Days"')}<p>After</p>`,
    );
    await expect(page.getByRole('tablist', { name: 'Days' })).toBeVisible();
    await expect(tab(page, 'Meadow')).toHaveAttribute('aria-selected', 'true');
    await expect(page.getByRole('tabpanel', { name: 'Meadow' })).toBeVisible();
    await expect(page.getByRole('tabpanel')).toHaveCount(1);
    await tab(page, 'Loft').click();
    await expect(page.getByRole('tabpanel', { name: 'Loft' })).toBeVisible();
    await expect(page).toHaveURL(/#loft$/);
    expect(await violations(page)).toEqual([]);
    expect(await shifts()).toBe(0);
  });

  for (const [dir, forward, backward] of [
    ['ltr', 'ArrowRight', 'ArrowLeft'],
    ['rtl', 'ArrowLeft', 'ArrowRight'],
  ] as const) {
    test(`the keyboard table, ${dir}`, async ({ page }) => {
      await opened(page, 'sections', `<div dir="${dir}">${parts()}</div>`);
      const on = () => page.evaluate(() => document.activeElement?.textContent);
      await page.keyboard.press('Tab');
      expect(await on(), 'Tab: the focus goes to the active tab').toBe('Meadow');
      const rows: [string, string][] = [
        [forward, 'Loft'],
        [forward, 'Mere'],
        [forward, 'Meadow'],
        [backward, 'Mere'],
        [backward, 'Loft'],
        ['Home', 'Meadow'],
        ['End', 'Mere'],
      ];
      for (const [key, name] of rows) {
        await page.keyboard.press(key);
        expect(await on(), key).toBe(name);
        await expect(tab(page, name), 'the panel follows the focus').toHaveAttribute('aria-selected', 'true');
      }
      await page.keyboard.press('Tab');
      expect(await page.evaluate(() => document.activeElement?.id), 'Tab: on to the panel').toBe('mere');
    });
  }

  test('an address opens its part, options of a start call hold, and without script all stand below one another', async ({
    page,
  }) => {
    const { address } = await opened(page, 'sections', `${parts('')}<script src="start.js" defer></script>`, {
      'start.js': "startSections('.days', { keep: false, heading: '.lead', label: 'Parts' });",
    });
    await expect(page.getByRole('tablist', { name: 'Parts' })).toBeVisible();
    await tab(page, 'In the Mere').click();
    expect(page.url()).not.toContain('#');
    await page.goto('about:blank');
    await page.goto(`${address}#loft`);
    await expect(tab(page, 'In the Loft')).toHaveAttribute('aria-selected', 'true');
    const { still, close } = await without(page, address);
    for (const name of ['Meadow', 'Loft', 'Mere'])
      await expect(still.getByRole('heading', { name, exact: true })).toBeVisible();
    await close();
  });
});

test.describe('the filter', () => {
  const TAGS = ['kites, meadow', 'loft', 'kites', 'loft, meadow', ''];
  const list = (attributes = ' data-sieve') =>
    `<ul class="kites"${attributes}>${SHOTS.map((_, n) => item(n, { own: TAGS[n] ? ` data-sieve-tags="${TAGS[n]}"` : '' })).join('\n')}</ul>`;
  const seen = (page: Page) =>
    page
      .locator('.kites img:visible')
      .evaluateAll((all) => all.map((one) => (one as HTMLImageElement).alt.replace('Kites at the ', '')));

  // Where motion is welcome the items glide, and change a frame later.
  test('by one tag, told to who cannot see it', async ({ page }) => {
    await page.emulateMedia({ reducedMotion: 'reduce' });
    const { shifts } = await opened(
      page,
      'filter',
      `${list(' data-sieve data-sieve-all="Everything" data-sieve-label="Only"')}<p>After</p>`,
    );
    expect(await shifts()).toBe(0);
    await expect(page.getByRole('group', { name: 'Only' }).getByRole('button')).toHaveText([
      'Everything',
      'kites',
      'meadow',
      'loft',
    ]);
    await page.getByRole('button', { name: 'kites' }).click();
    expect(await seen(page)).toEqual(['meadow', 'reel', 'tail']);
    await expect(page.getByRole('status')).toHaveText('2 of 4 shown');
    await page.getByRole('button', { name: 'loft' }).click();
    expect(await seen(page)).toEqual(['loft', 'mere', 'tail']);
    await expect(page.getByRole('button', { name: 'kites' })).toHaveAttribute('aria-pressed', 'false');
    await page.getByRole('button', { name: 'Everything' }).press('Enter');
    expect(await seen(page)).toHaveLength(5);
    expect(await violations(page)).toEqual([]);
  });

  test('by several at once, started by a call; without script all are shown', async ({ page }) => {
    await page.emulateMedia({ reducedMotion: 'reduce' });
    const { address } = await opened(page, 'filter', `${list('')}<script src="start.js" defer></script>`, {
      'start.js': "startSieve('.kites', { many: true });",
    });
    await page.getByRole('button', { name: 'kites' }).click();
    await page.getByRole('button', { name: 'loft' }).click();
    expect(await seen(page)).toEqual(['meadow', 'loft', 'reel', 'mere', 'tail']);
    await page.getByRole('button', { name: 'loft' }).click();
    expect(await seen(page)).toEqual(['meadow', 'reel', 'tail']);
    const { still, close } = await without(page, address);
    expect(await seen(still)).toHaveLength(5);
    await close();
  });
});

test.describe('the feed', () => {
  const articles = (count: number, from = 0) =>
    Array.from(
      { length: count },
      (_, n) =>
        `<article${n === 0 ? ' data-more-source="https://kites.example/a"' : ''} style="height: 300px">${item((n + from) % 5, { tag: 'div' })}</article>`,
    ).join('\n');
  const shown = (page: Page) => page.locator('[role="article"]:visible');

  /** Scrolls on until so many articles are shown. */
  const scrollsTo = (page: Page, count: number) =>
    expect(async () => {
      await page.mouse.wheel(0, 1500);
      await framesOn(page);
      expect(await shown(page).count()).toBe(count);
    }).toPass();

  test('comes as the visitor scrolls, with a sign that it loads and the source of each picture', async ({ page }) => {
    const { shifts } = await opened(
      page,
      'feed',
      `<div data-more data-more-step="4" data-more-label="Kites" data-more-source="Where from">${articles(30)}</div>`,
    );
    await expect(page.getByRole('feed', { name: 'Kites' })).toBeVisible();
    const before = await shown(page).count();
    expect(before).toBeLessThan(30);
    await expect(page.getByRole('link', { name: 'Where from' })).toHaveAttribute('href', 'https://kites.example/a');
    await scrollsTo(page, 30);
    await expect(page.getByRole('status')).toHaveText('No more pictures.');
    await expect(page.locator('[role="article"]').nth(4)).toHaveAttribute('aria-posinset', '5');
    await expect(page.locator('[role="article"]').nth(4)).toHaveAttribute('aria-setsize', '30');
    expect(await shifts()).toBeLessThan(0.001);
    expect(await violations(page)).toEqual([]);
  });

  test('by a button on wish, and the focus goes on to what has come', async ({ page }) => {
    const { address } = await opened(
      page,
      'feed',
      `<div class="kites">${articles(7)}</div><script src="start.js" defer></script>`,
      { 'start.js': "startMore('.kites', { by: 'button', step: 3 });" },
    );
    await expect(shown(page)).toHaveCount(3);
    await page.mouse.wheel(0, 5000);
    await framesOn(page);
    await expect(shown(page)).toHaveCount(3);
    await page.getByRole('button', { name: 'More pictures' }).click();
    await expect(shown(page)).toHaveCount(6);
    expect(await page.evaluate(() => document.activeElement?.getAttribute('aria-posinset'))).toBe('4');
    await page.keyboard.press('PageDown');
    expect(await page.evaluate(() => document.activeElement?.getAttribute('aria-posinset'))).toBe('5');
    await page.keyboard.press('PageUp');
    expect(await page.evaluate(() => document.activeElement?.getAttribute('aria-posinset'))).toBe('4');
    const { still, close } = await without(page, address);
    await expect(still.getByRole('img')).toHaveCount(7);
    await close();
  });

  test('the next page: its pictures on a host, its link from disk and without script', async ({ page, expected }) => {
    expected.console.push(/./);
    const body = `<div data-more data-more-step="3">${articles(3)}<a data-more-next href="kites-2.html">Further kites</a></div>`;
    const second = `<!DOCTYPE html><html lang="en"><head><title>Kites 2</title></head><body><main><h1>Kites 2</h1><div data-more>${articles(2, 3)}</div></main></body></html>`;
    const { address } = await opened(page, 'feed', body, { 'kites-2.html': second });
    await page.mouse.wheel(0, 3000);
    await page.getByRole('link', { name: 'Further kites' }).click();
    await expect(page.getByRole('heading', { name: 'Kites 2' })).toBeVisible();
    const { still, close } = await without(page, address);
    await expect(still.getByRole('link', { name: 'Further kites' })).toBeVisible();
    await close();
    // The same over a host, which the route stands in for.
    const folder = new URL('./', address);
    await page.route('http://kites.example/**', async (route) => {
      const path = new URL(route.request().url()).pathname.slice(1) || 'index.html';
      await route.fulfill({ path: new URL(path, folder).pathname });
    });
    await page.goto('http://kites.example/index.html');
    await scrollsTo(page, 5);
    await expect(page.getByRole('img', { name: 'Kites at the mere' })).toHaveJSProperty('complete', true);
    await expect(page.getByRole('status')).toHaveText('No more pictures.');
  });
});

test.describe('the feed, with a script that hands over further pictures', () => {
  const entry = (n: number) => item(n).replaceAll('\n', '');
  const script = (items: readonly number[], next = '') =>
    `moreItems([${items.map((n) => JSON.stringify(entry(n))).join(', ')}]${next});`;
  const body = (more: string) =>
    `<ul data-more data-more-by="button" data-more-step="2">${entry(0)}${entry(1)}<li><a data-more-next href="kites-2.html"${more}>Further kites</a></li></ul>`;
  const press = (page: Page) => page.getByRole('button', { name: 'Further kites' }).click();
  const shown = (page: Page) => page.locator('[data-more] > li:has(img):visible');

  test('goes on from disk, from one script to the next, in a list as well', async ({ page }) => {
    const { address } = await opened(page, 'feed', body(' data-more-data="kites-2.js"'), {
      'kites-2.js': script([2, 3], ", { href: 'kites-3.html', data: 'kites-3.js' }"),
      'kites-3.js': script([4]),
    });
    expect(address).toMatch(/^file:/);
    await expect(shown(page)).toHaveCount(2);
    await press(page);
    await expect(shown(page)).toHaveCount(4);
    await expect(page.locator('[data-more] > li img').nth(3)).toHaveJSProperty('complete', true);
    await press(page);
    await expect(shown(page)).toHaveCount(5);
    await expect(page.getByRole('status')).toHaveText('No more pictures.');
    await expect(page.locator('[data-more] > li')).toHaveCount(5);
    expect(await violations(page)).toEqual([]);
    const { still, close } = await without(page, address);
    await expect(still.getByRole('link', { name: 'Further kites' })).toHaveAttribute('href', 'kites-2.html');
    await close();
  });

  test('leaves the link where the script does not come, or hands over nothing', async ({ page, expected }) => {
    expected.console.push(/./);
    const files: Record<string, string>[] = [{}, { 'kites-2.js': '// nothing' }, { 'kites-2.js': 'moreItems([' }];
    for (const more of files) {
      await opened(page, 'feed', body(' data-more-data="kites-2.js"'), more);
      await press(page);
      await expect(page.getByRole('link', { name: 'Further kites' })).toBeVisible();
      await expect(shown(page)).toHaveCount(2);
    }
  });
});

test.describe('tooltips', () => {
  const list = (attributes = ' data-hints') =>
    `<div style="height: 120px"></div><ul class="kites"${attributes}>${item(0)}${item(1)}</ul><p data-hints><a href="index.html" data-hints-says="Where it all begins">Home</a></p>`;
  const tip = (page: Page) => page.getByRole('tooltip');

  test('for the pointer, above or below, and it can be gone to, and goes with Escape (WCAG 2.2, 1.4.13)', async ({
    page,
  }) => {
    await page.clock.install();
    const { shifts } = await opened(page, 'tooltips', list(' data-hints data-hints-delay="10"'));
    const link = page.getByRole('link', { name: 'Kites at the meadow' });
    await link.hover();
    await expect(tip(page)).toHaveText('The meadow');
    const [box, over] = [await boxOf(link), await boxOf(tip(page))];
    expect(over.y + over.height).toBeLessThanOrEqual(box.y);
    await expect(link).toHaveAttribute('aria-describedby', 'hints-tip');
    await tip(page).hover();
    await page.clock.runFor(1000);
    await expect(tip(page)).toBeVisible();
    await page.keyboard.press('Escape');
    // Where the pointer has not left the link since, the words stay away.
    await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
    await page.clock.runFor(1000);
    await page.keyboard.press('Escape');
    await page.mouse.move(box.x + box.width / 2 + 3, box.y + box.height / 2);
    await page.clock.runFor(1000);
    await expect(tip(page)).toBeHidden();
    await expect(link).toHaveAttribute('title', 'The meadow');
    expect(await violations(page)).toEqual([]);
    expect(await shifts()).toBe(0);
    await page.mouse.move(5, 5);
    await link.hover();
    await expect(tip(page)).toBeVisible();
  });

  test('for the keyboard, with words of its own, below by a start call, after a while', async ({ page }) => {
    await page.clock.install();
    await opened(page, 'tooltips', `${list('')}<script src="start.js" defer></script>`, {
      'start.js': "startHints('.kites', { side: 'below', delay: 600 });",
    });
    await page.keyboard.press('Tab');
    await expect(tip(page)).toHaveText('The meadow');
    const link = page.getByRole('link', { name: 'Kites at the meadow' });
    expect((await boxOf(tip(page))).y).toBeGreaterThanOrEqual((await boxOf(link)).y + (await boxOf(link)).height);
    await page.keyboard.press('Tab');
    await expect(tip(page)).toHaveText('The loft');
    await page.keyboard.press('Tab');
    await expect(tip(page)).toHaveText('Where it all begins');
    await page.evaluate(() => (document.activeElement as HTMLElement).blur());
    await page.clock.pauseAt(new Date(Date.now() + 600_000));
    await link.hover();
    await page.clock.runFor(590);
    await expect(tip(page)).toBeHidden();
    await page.clock.runFor(20);
    await expect(tip(page)).toBeVisible();
  });
});

test.describe('share', () => {
  test('copies the address of the page and of a picture, by its place or as its file', async ({ page, context }) => {
    await context.grantPermissions(['clipboard-read', 'clipboard-write']);
    const { address, shifts } = await opened(
      page,
      'share',
      `<ul data-pass-on>${item(0)}</ul><ul class="each" data-pass-on data-pass-on-of="picture">${item(1, { attributes: ' id="the-loft"' })}${item(2)}</ul><p>After</p>`,
    );
    const copied = () => page.evaluate(() => navigator.clipboard.readText());
    await page.getByRole('button', { name: 'Copy address', exact: true }).click();
    await expect(page.getByRole('status').first()).toHaveText('The address is copied.');
    expect(await copied()).toBe(address);
    await page.getByRole('button', { name: 'Copy address: Kites at the loft' }).click();
    await expect.poll(copied).toBe(`${address}#the-loft`);
    await page.getByRole('button', { name: 'Copy address: Kites at the reel' }).click();
    await expect.poll(copied).toMatch(/large\/reel\.jpg$/);
    expect(await violations(page)).toEqual([]);
    expect(await shifts()).toBe(0);
  });

  test('the browser’s own sharing, with words of a start call, and a field where copying is refused', async ({
    page,
  }) => {
    await page.addInitScript(() => {
      Object.defineProperty(navigator, 'share', {
        value: (what: object) => Promise.resolve(Object.assign(window, { shared: what })),
      });
      Object.defineProperty(navigator, 'clipboard', { value: { writeText: () => Promise.reject(new Error('no')) } });
    });
    const { address } = await opened(
      page,
      'share',
      `<ul class="kites">${items()}</ul><script src="start.js" defer></script>`,
      { 'start.js': "startPassOn('.kites', { of: 'page', title: 'Kites of May' });" },
    );
    await page.getByRole('button', { name: 'Share: Kites of May' }).click();
    expect(await page.evaluate(() => (window as unknown as { shared: object }).shared)).toEqual({
      url: address,
      title: 'Kites of May',
    });
    await page.getByRole('button', { name: 'Copy address: Kites of May' }).click();
    await expect(page.getByRole('textbox', { name: 'Copy address' })).toHaveValue(address);
    const { still, close } = await without(page, address);
    await expect(still.getByRole('button')).toHaveCount(0);
    await close();
  });
});
