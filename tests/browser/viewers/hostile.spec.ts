/**
 * The page's own stylesheet cannot reach what a viewer lays out: each viewer on a plain page and on pages with styles as
 * people have them, after the viewer's own, looks the same.
 */
import type { Page } from '@playwright/test';
import { VIEWERS } from '../../kits';
import { exported, item, SHOTS } from '../../viewerPages';
import { expect, test, LONG } from '../fixtures';

const STYLES: Record<string, string> = {
  'a classic reset':
    'html, body, div, span, p, a, img, ul, ol, li, dl, dt, dd, figure, figcaption, section, button { margin: 0; padding: 0; border: 0; font: inherit; vertical-align: baseline } ul, ol { list-style: none } button { background: none }',
  'narrow pictures': 'img { width: 150px; height: auto; border: 5px solid red; max-width: 100% } img { float: left }',
  'narrow figures': 'figure { width: 170px; float: left; margin: 10px } figcaption { font-size: 9px }',
  'wide buttons':
    'button { width: 100%; display: block; background: red; border-radius: 30px; text-transform: uppercase }',
  'floating items': 'li { float: left; width: 25%; margin: 1em; padding: 1em; border: 1px solid } p { margin: 3em }',
  'a dialog of the page': 'dialog { position: static; width: 300px; height: 200px; padding: 2em; border: 3px solid }',
  'pictures by the id of the content':
    '#content img { width: 150px; padding: 4px; position: relative } #content p { color: red }',
  'links by two ids':
    '#main #content a { display: inline; float: left; width: 80px; padding: 20px; border: 1px solid } #main figure a { display: inline }',
  'a grid skeleton':
    '#content ul, #content ol { display: grid; grid-template-columns: repeat(6, 1fr); gap: 40px; columns: 3 } #content > * > * { width: 12rem; margin: 2rem }',
  'buttons by the id of the content': '#content button { width: 50%; height: 10px; font-size: 3rem; position: static }',
  'lines and columns':
    'body { line-height: 3; columns: 1 } div { position: static; overflow: visible } svg { width: 200px }',
};

const MARKS: Record<string, [list: string, link: string]> = {
  lightbox: [
    '',
    ' data-enlarge data-enlarge-group="g" data-enlarge-strip data-enlarge-info="Camera: Box" data-enlarge-full',
  ],
  slideshow: [
    ' data-slides data-slides-picker="thumbnails" data-slides-counter data-slides-play="off" data-slides-effect="cut"',
    '',
  ],
  opening: [' data-opening data-opening-play="off" data-opening-height="50"', ''],
  zoom: [' data-closer', ''],
  filter: [' data-sieve', ''],
  feed: [' data-more data-more-step="3" data-more-by="button"', ''],
  share: [' data-pass-on', ''],
  tooltips: [' data-hints data-hints-delay="0"', ''],
};
/** What a viewer makes, and what it takes over, by the beginnings of their classes. */
const OWN: Record<string, string> = {
  lightbox: '.enlarge, .enlarge *',
  slideshow: '.slides-frame, .slides-frame *',
  opening: '.opening, .opening *',
  zoom: '.closer-frame, .closer-frame *',
  filter: '.sieve-bar, .sieve-bar *',
  feed: '.more-foot, .more-foot *',
  share: '.pass-on-bar, .pass-on-bar *',
  tooltips: '.hints-tip',
};

async function openedOn(page: Page, name: string, style: string, own = ''): Promise<void> {
  const [list, link] = MARKS[name] ?? ['', ''];
  const tags = name === 'filter' ? ' data-sieve-tags="kites"' : '';
  const all = SHOTS.map((_, n) => item(n, { attributes: link, own: tags })).join('\n');
  const { address } = await exported(
    [name],
    `<div id="main"><div id="content" style="width: 900px"><ul${list}${own}>${all}</ul></div></div>`,
    {},
    style === '' ? '' : `<style>${style}</style>`,
  );
  await page.goto(address);
  if (name === 'lightbox') {
    await page
      .locator('main a')
      .first()
      .evaluate((one: HTMLElement) => one.click());
    await expect(page.locator('.enlarge-stage[data-state="shown"]')).toBeVisible();
  }
  if (name === 'tooltips') {
    await page.locator('main a').first().focus();
    await page.keyboard.press('Shift+Tab');
    await page.keyboard.press('Tab');
    await expect(page.locator('.hints-tip')).toBeVisible();
  }
  if (name === 'slideshow')
    await expect
      .poll(() =>
        page
          .locator('.slides-set img')
          .first()
          .evaluate((one: HTMLImageElement) => one.naturalWidth),
      )
      .toBe(SHOTS[0][1]);
  await page.evaluate(() => Promise.all([...document.images].map((one) => one.decode().catch(() => {}))));
}

/** Of every element: how large it is, where in the viewer, and how it looks. */
async function looksOf(page: Page, name: string): Promise<string[]> {
  return page.evaluate(
    ({ selector, name: viewer }) => {
      const all = [...document.querySelectorAll<HTMLElement>(selector)].filter((one) => one.checkVisibility());
      const root = all[0]?.getBoundingClientRect();
      const round = Math.round;
      return all.map((one) => {
        const box = one.getBoundingClientRect();
        const style = getComputedStyle(one);
        // Words and lists are as wide and as tall as the page's own letters make them.
        const place = [box.left - (root?.left ?? 0), box.top - (root?.top ?? 0), box.width, box.height].map(round);
        const parts = [
          style.display,
          style.float,
          style.position,
          style.padding,
          style.borderTopWidth,
          style.backgroundColor,
          style.opacity,
          style.columnCount,
          style.objectFit,
        ];
        const sized = viewer === 'share' || viewer === 'tooltips' || viewer === 'filter' || viewer === 'feed';
        return `${one.tagName}.${String(one.getAttribute('class'))} ${sized ? place[3] : place.join(' ')} ${parts.join('; ')}`;
      });
    },
    { selector: OWN[name] ?? '', name },
  );
}

/** Words that the names of a viewer’s parts begin with, as an author may name a part of a page. */
const IDS = ['enlarge', 'slides', 'opening', 'closer', 'sieve', 'more', 'pass-on', 'hints', 'sections'];

/** Those that lay out most of a page; the others are for the long run. */
const MAIN = new Set(['lightbox', 'slideshow', 'opening']);

for (const name of Object.keys(MARKS))
  test(`no style of the page reaches the ${name}`, { tag: MAIN.has(name) ? [] : [LONG] }, async ({ page }) => {
    await page.emulateMedia({ reducedMotion: 'reduce' });
    await openedOn(page, name, '');
    const plain = await looksOf(page, name);
    expect(plain.length).toBeGreaterThan(0);
    for (const [what, style] of Object.entries(STYLES)) {
      await openedOn(page, name, style);
      expect(await looksOf(page, name), what).toEqual(plain);
    }
  });

for (const [what, style] of Object.entries({
  'a dark page': 'body { background: #10181c; color: #e8eef2 }',
  'a dark page by its root': 'html { background: #10181c; color: #e8eef2 }',
  'large letters of the root': 'html { font-size: 28px }',
}))
  for (const name of ['lightbox', 'slideshow', 'opening'])
    test(`the ${name} on ${what} is in sight, in the page’s tone and within the window`, async ({ page }) => {
      await page.emulateMedia({ reducedMotion: 'reduce' });
      await openedOn(page, name, style);
      const buttons = page.locator(`${OWN[name]}`.replace(/, .*/, ' button:visible').replace(' *', ''));
      const count = await buttons.count();
      expect(count).toBeGreaterThan(1);
      for (let n = 0; n < count; n++) {
        const seen = await buttons.nth(n).evaluate((one) => {
          const box = one.getBoundingClientRect();
          return { ink: getComputedStyle(one).color, right: box.right, left: box.left };
        });
        expect(seen.right).toBeLessThanOrEqual(1280);
        if (what.includes('dark')) expect(seen.ink).toMatch(/rgba?\(232, 238, 242|color\(srgb 0\.9/);
      }
    });

test('an element of the page may have any id, also the word that a viewer’s names begin with', async ({ page }) => {
  const kits = VIEWERS.map(({ manifest }) => manifest.name);
  const words = [
    ...new Set(
      VIEWERS.flatMap(
        ({ files }) =>
          Object.values(files)
            .join('')
            .match(/#[a-z-]+(?=#)/g) ?? [],
      ),
    ),
  ];
  const ids = [...new Set([...words.map((word) => word.slice(1)), ...IDS])];
  const body = ids.map((id) => `<section id="${id}"><h2>${id}</h2><p>Words <button>Press</button></p></section>`);
  const looks = async (viewers: readonly string[]) => {
    const { address } = await exported(viewers, body.join('\n'));
    await page.goto(address);
    const seen: unknown[] = [];
    for (const media of ['screen', 'print'] as const) {
      await page.emulateMedia({ media });
      seen.push(
        await page.locator('section, section *').evaluateAll((all) =>
          all.map((one) => {
            const { display, position, padding, margin, width, height, font } = getComputedStyle(one);
            return [one.parentElement?.id ?? '', one.tagName, display, position, padding, margin, width, height, font];
          }),
        ),
      );
    }
    return seen;
  };
  expect(await looks(kits)).toEqual(await looks([]));
});

test('a marked list may have the id that its viewer’s names begin with', async ({ page }) => {
  await page.emulateMedia({ reducedMotion: 'reduce' });
  for (const [name, id] of [
    ['slideshow', 'slides'],
    ['opening', 'opening'],
    ['zoom', 'closer'],
    ['feed', 'more'],
  ] as const) {
    await openedOn(page, name, '');
    const plain = await looksOf(page, name);
    await openedOn(page, name, '', ` id="${id}"`);
    expect(await looksOf(page, name), name).toEqual(plain);
  }
});
