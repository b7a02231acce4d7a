/**
 * The viewers and kits against what nobody here wrote: the browser's own selectors, its choice among sources, and
 * HTML checkers.
 */
import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { planFor } from '../../../core/plans/index.ts';
import { matches } from '../../../core/markup/index.ts';
import { applyChange } from '../../../core/site/index.ts';
import { groupAttribute, groupWritten, markerSelector } from '../../../core/wiring/index.ts';
import { htmlErrors } from '../../checkers';
import { KITS, VIEWERS } from '../../kits';
import { exported } from '../../viewerPages';
import { wiredPage } from '../../wiring/faults.fixture';
import { filesFrom, read } from '../../wiring/rehearsing';
import { expect, test } from '../fixtures';

test.beforeEach(({ expected }) => {
  expected.console.push(/./);
});

for (const { manifest } of KITS.filter((kit) => kit.manifest.marker.on !== 'sections')) {
  test(`selectors of ${manifest.title}: what querySelectorAll finds is what the model finds`, async ({ page }) => {
    const files = filesFrom({ 'index.html': wiredPage('none') });
    const planned = planFor(read(files), { kind: 'wire', page: 'index.html', kit: manifest.name });
    if (!planned.ok) throw new Error(planned.reason);
    const wired = applyChange(files, planned.change);
    if (!wired.ok) throw new Error(wired.reason);
    const [reading] = read(wired.files).pages;
    const group = groupAttribute(manifest);
    const selectors = [
      markerSelector(manifest) ?? '',
      ...(group ? [`a[${group}]`, `a[${group}="${groupWritten(manifest, 'index')}"]`] : []),
      ...(reading?.wiring.uses.flatMap(({ starts }) => starts.flatMap(({ call }) => call.text ?? [])) ?? []),
    ];
    await page.setContent(reading!.text, { waitUntil: 'domcontentloaded' });
    for (const selector of selectors) {
      const model = matches(reading!.document, selector);
      const browser = await page.evaluate(
        (query) => [...document.querySelectorAll(query)].map((one) => one.tagName.toLowerCase()),
        selector,
      );
      expect(browser.length, selector).toBeGreaterThan(0);
      expect(model.ok && model.elements.map(({ tag }) => tag), selector).toEqual(browser);
    }
  });
}

/**
 * WHATWG HTML §4.8.4.3.8, “selecting an image source”: of candidates with a density the browser takes one that is no
 * smaller than the screen’s, if there is one. Which it takes is its own choice; Chromium takes the nearest above, or
 * the nearest by the geometric mean of two.
 */
const SOURCES: readonly [srcset: string, sizes: string, width: number, density: number, chosen: string][] = [
  ['small/meadow.jpg 1x, large/meadow.jpg 2x', '', 800, 1, 'small/meadow.jpg'],
  ['small/meadow.jpg 1x, large/meadow.jpg 2x', '', 800, 2, 'large/meadow.jpg'],
  ['small/meadow.jpg 1x, large/meadow.jpg 2x', '', 800, 3, 'large/meadow.jpg'],
  ['small/meadow.jpg 90w, large/meadow.jpg 900w', '90px', 800, 1, 'small/meadow.jpg'],
  ['small/meadow.jpg 90w, large/meadow.jpg 900w', '100vw', 800, 1, 'large/meadow.jpg'],
  ['small/meadow.jpg 90w, large/meadow.jpg 900w', '(max-width: 400px) 90px, 800px', 375, 1, 'small/meadow.jpg'],
  ['small/meadow.jpg 90w, large/meadow.jpg 900w', '(max-width: 400px) 90px, 800px', 800, 1, 'large/meadow.jpg'],
];

test('a viewer leaves the choice among sources to the browser, and thumbnails follow it', async ({ browser }) => {
  for (const [srcset, sizes, width, density, chosen] of SOURCES) {
    const context = await browser.newContext({ viewport: { width, height: 700 }, deviceScaleFactor: density });
    const page = await context.newPage();
    const image = `<img src="small/meadow.jpg" srcset="${srcset}"${sizes ? ` sizes="${sizes}"` : ''} alt="The meadow">`;
    const { address } = await exported(
      ['slideshow'],
      `<div data-slides data-slides-picker="thumbnails"><figure>${image}</figure><figure><img src="small/loft.jpg" alt="The loft"></figure></div>`,
    );
    await page.goto(address);
    const current = page.getByRole('img', { name: 'The meadow' });
    await expect(current).toHaveJSProperty('complete', true);
    expect(
      await current.evaluate((one: HTMLImageElement) => one.currentSrc),
      `${srcset} at ${width} × ${density}`,
    ).toContain(chosen);
    expect(await page.locator('.slides-thumbnail').first().getAttribute('src')).toContain(chosen);
    await context.close();
  }
});

test('the pages that show the viewers are valid HTML', async () => {
  const pages = VIEWERS.map(({ manifest }) =>
    fileURLToPath(new URL(`../../../viewers/${manifest.name}/example.html`, import.meta.url)),
  );
  expect(pages.every((path) => readFileSync(path, 'utf8').includes('<!DOCTYPE html>'))).toBe(true);
  expect(await htmlErrors(pages)).toEqual([]);
});
