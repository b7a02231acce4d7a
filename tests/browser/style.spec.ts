/**
 * What the style settings read and write, against Chromium's own boxes and computed styles at three widths.
 * The hands are invented; which column count a browser shows is the browser's.
 */
import { expect, test, type Page } from '@playwright/test';
import { layoutView } from '../../core/view/index.ts';
import { STYLE_SITES, type StyleSite } from '../styleSites.fixture.ts';
import { after, read, siteOf, textAt } from '../unit/sites.ts';
import type { SiteFiles } from '../../core/site/index.ts';

const WIDTHS = [1280, 768, 390];

const siteFor = (hand: StyleSite): SiteFiles => siteOf({ 'index.html': hand.page, 'kites.css': hand.css });

async function show(page: Page, files: SiteFiles, width: number): Promise<void> {
  await page.setViewportSize({ width, height: 900 });
  await page.setContent(
    textAt(files, 'index.html').replace(
      /<link rel="stylesheet"[^>]*>/,
      () => `<style>${textAt(files, 'kites.css')}</style>`,
    ),
  );
}

interface Boxes {
  columns: number;
  across: number;
  down: number;
}

/** Counted from the boxes of the pictures' items: how many stand beside one another, and how far apart; CSS px. */
const boxes = (page: Page): Promise<Boxes> =>
  page.evaluate(() => {
    const images = [...document.querySelectorAll('img:not(.logo)')];
    const rooms = images.map((image) =>
      (image.closest('li, figure, p, .pic, .strip > a') ?? image).getBoundingClientRect(),
    );
    const first = rooms[0]!;
    const row = rooms.filter(({ top }) => Math.abs(top - first.top) < 2);
    const next = row[1];
    const below = rooms.filter(({ left, top }) => Math.abs(left - first.left) < 2 && top > first.top + 2)[0];
    // Newspaper columns are filled as evenly as may be: of six, thirteen items fill five.
    const told = Number(getComputedStyle(document.querySelector('.press') ?? document.body).columnCount);
    return {
      columns: told > 0 ? told : row.length,
      across: next ? next.left - first.right : 0,
      down: below ? below.top - first.bottom : 0,
    };
  });

const setting = (files: SiteFiles, id: string, at: number | null = null) =>
  layoutView(read(files), 'index.html', 0, at)?.settings.find((one) => one.id === id);
const set = (files: SiteFiles, id: string, value: string | null, at: number | null = null): SiteFiles =>
  after(files, { kind: 'set-style', page: 'index.html', gallery: 0, setting: id, value, at });

for (const hand of STYLE_SITES) {
  test(`columns of a gallery: ${hand.name}`, async ({ page }) => {
    const files = siteFor(hand);
    await show(page, files, 1280);
    expect((await boxes(page)).columns, 'as it comes').toBe(hand.columns);
    expect(setting(files, 'columns')?.value ?? null).toBe(hand.reads);
    for (const count of [1, 2, 3, 4, 5, 6]) {
      if (hand.reads === String(count)) continue;
      const changed = set(files, 'columns', String(count));
      await show(page, changed, 1280);
      expect((await boxes(page)).columns, `${count} columns`).toBe(count);
      expect(setting(changed, 'columns')?.value).toBe(String(count));
    }
    // Two on a phone, whatever there was; wider windows stay.
    const four = hand.reads === '4' ? files : set(files, 'columns', '4');
    const narrow =
      setting(four, 'columns', 600)?.value === '2' && setting(four, 'columns', 600)?.fromWide === false
        ? four
        : set(four, 'columns', '2', 600);
    for (const [width, count] of [
      [1280, 4],
      [390, 2],
    ] as const) {
      await show(page, narrow, width);
      const shown = (await boxes(page)).columns;
      // A narrower condition of the author's own is kept.
      expect(shown, `at ${width}`).toBe(width === 390 && hand.name.startsWith('conditions') ? 1 : count);
    }
    await show(page, four, 768);
    const [before] = [await boxes(page)];
    await show(page, narrow, 768);
    expect(await boxes(page)).toEqual(before);
  });
}

test('room between columns and rows, in px as asked for, at three widths', async ({ page }) => {
  for (const hand of STYLE_SITES) {
    if (hand.name.startsWith('one under')) continue;
    let files = siteFor(hand);
    if (hand.reads !== '3') files = set(files, 'columns', '3');
    for (const value of ['24px', '6px']) {
      const changed = set(set(files, 'column-gap', value), 'row-gap', value);
      for (const width of WIDTHS) {
        await show(page, changed, width);
        const { across } = await boxes(page);
        const inText = /inline|line/.test(hand.name) && hand.name !== 'CRLF and tabs';
        // Padding is inside of the boxes; white space between inline ones comes on top.
        const padded = hand.name.includes('padding');
        const shown = await boxes(page);
        if (shown.columns === 1) continue;
        if (padded) expect(setting(changed, 'column-gap')?.value, hand.name).toBe(value);
        else if (inText) expect(across, hand.name).toBeGreaterThanOrEqual(Number.parseInt(value));
        else expect(Math.abs(across - Number.parseInt(value)), `${hand.name} at ${width}: ${across}`).toBeLessThan(1);
        expect(setting(changed, 'row-gap')?.value, hand.name).toBe(value);
      }
    }
  }
});

test('every other setting is what getComputedStyle says, and nothing outside of the gallery changes', async ({
  page,
}) => {
  const cases: {
    id: string;
    value: string;
    on: string;
    property: string;
    computed: string | RegExp;
    also?: [string, string][];
  }[] = [
    { id: 'corners', value: '6px', on: '.meadow img', property: 'border-radius', computed: '6px' },
    {
      id: 'border',
      value: '2px solid #74468c',
      on: '.meadow img',
      property: 'border-top-color',
      computed: 'rgb(116, 70, 140)',
    },
    { id: 'caption-lines', value: '2', on: '.meadow .say', property: 'min-height', computed: /^\d/ },
    { id: 'page-ground', value: '#f7f9f6', on: 'body', property: 'background-color', computed: 'rgb(247, 249, 246)' },
    {
      id: 'gallery-ground',
      value: 'rgb(1, 2, 3)',
      on: '.meadow',
      property: 'background-color',
      computed: 'rgb(1, 2, 3)',
    },
    { id: 'content-width', value: '600px', on: 'body', property: 'max-width', computed: '600px' },
    { id: 'across', value: 'center', on: '.meadow', property: 'justify-content', computed: 'center' },
    { id: 'down', value: 'end', on: '.meadow', property: 'align-items', computed: 'end' },
  ];
  const hand = STYLE_SITES.find(({ name }) => name.startsWith('flex with fixed'))!;
  const looks = () =>
    page.evaluate(() =>
      ['color', 'border-top-width', 'border-radius', 'opacity', 'width', 'min-height']
        .map((property) => getComputedStyle(document.querySelector('.logo')!).getPropertyValue(property))
        .join('|'),
    );
  for (const { id, value, on, property, computed } of cases) {
    const files = siteFor(hand);
    await show(page, files, 1280);
    const logo = await looks();
    const changed = set(files, id, value);
    for (const width of WIDTHS) {
      await show(page, changed, width);
      const said = await page.evaluate(
        ([selector, name]) =>
          [...document.querySelectorAll(selector!)].map((one) => getComputedStyle(one).getPropertyValue(name!)),
        [on, property],
      );
      for (const one of said)
        expect(one, `${id} at ${width}`).toMatch(
          computed instanceof RegExp ? computed : new RegExp(`^${computed.replace(/[()]/g, '\\$&')}$`),
        );
    }
    await show(page, changed, 1280);
    if (id !== 'content-width') expect(await looks()).toBe(logo);
    expect(setting(changed, id)?.value).toBe(value === 'end' ? 'end' : value);
  }
  // A shape: each thumbnail fills its column and is as high as wide.
  const square = set(siteFor(hand), 'shape', '1 / 1');
  await show(page, square, 768);
  const sides = await page.evaluate(() =>
    [...document.querySelectorAll('.meadow img')].map((image) => [
      image.getBoundingClientRect().width,
      image.getBoundingClientRect().height,
      getComputedStyle(image).objectFit,
    ]),
  );
  for (const [width, height, fit] of sides) expect([width, fit]).toEqual([height, 'cover']);
});

test('hover, focus and pressed states show what was set', async ({ page }) => {
  const hand = STYLE_SITES.find(({ name }) => name.startsWith('flex with fixed'))!;
  let files = siteFor(hand);
  files = set(files, 'hover-opacity', '0.8');
  files = set(files, 'focus-outline', '3px solid #1d4f7c');
  files = set(files, 'active-opacity', '0.5');
  await show(page, files, 768);
  const image = page.locator('.meadow img').first();
  const says = (property: string) =>
    image.evaluate((one, name) => getComputedStyle(one).getPropertyValue(name), property);
  expect(await says('opacity')).toBe('1');
  await image.hover();
  expect(await says('opacity')).toBe('0.8');
  await page.mouse.down();
  expect(await says('opacity')).toBe('0.5');
  await page.mouse.move(5, 5);
  await page.mouse.up();
  await page.locator('.meadow a').first().focus();
  await page.keyboard.press('Tab');
  await page.keyboard.press('Shift+Tab');
  expect(await says('outline-width')).toBe('3px');
  expect(
    await page
      .locator('.meadow img')
      .nth(1)
      .evaluate((one) => getComputedStyle(one).outlineStyle),
  ).toBe('none');
  expect([
    setting(files, 'hover-opacity')?.value,
    setting(files, 'focus-outline')?.value,
    setting(files, 'active-opacity')?.value,
  ]).toEqual(['0.8', '3px solid #1d4f7c', '0.5']);
});
