/**
 * The editor and what hangs on it: completion, findings, ways to files, ties to the live page, links by choosing,
 * what an item is.
 */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import { violations } from './axe';
import { cursorAfter, line } from './editorSteps';
import {
  clickInside,
  expect,
  goTo,
  openKites,
  openFiles,
  openPage,
  photograph,
  placeInside,
  test,
  unpacked,
  LONG,
} from './fixtures';
import { PAGES } from '../site/make';

const live = (page: Page, path: string) => page.frameLocator(`iframe[title="Live page ${path}"]`);
const frames = (page: Page, path: string) => live(page, path).locator('html > span');

/**
 * Takes what is offered first. A list that has just come up takes no key, lest somebody who types on takes it unseen.
 */
async function accept(page: Page): Promise<void> {
  // In the page's own time, behind whatever it is busy with.
  await page.evaluate(() => new Promise((resolve) => setTimeout(resolve, 200)));
  await page.keyboard.press('Enter');
}

test(
  'paths are completed with their picture, places, ids and classes by their names',
  { tag: LONG },
  async ({ page }) => {
    await openKites(page, 'markup');
    await openPage(page, 'workshop.html');
    await cursorAfter(page, 'Three days in March');
    await page.keyboard.type('<a href="photos/large/reel');
    const offers = page.getByRole('listbox', { name: 'Completions' });
    await expect(offers.getByRole('option', { name: 'photos/large/reel-box.jpg' })).toBeVisible();
    await expect(page.locator('.cm-completionInfo img')).toBeVisible();
    expect(
      await page.locator('.cm-completionInfo img').evaluate((image: HTMLImageElement) => image.naturalWidth),
    ).toBeGreaterThan(0);
    await accept(page);
    await page.keyboard.type('" class="sh');
    await expect(offers.getByRole('option', { name: 'shot' })).toBeVisible();
    await accept(page);
    await page.keyboard.type('"></a>');
    await expect(line(page, '<a href="photos/large/reel-box.jpg" class="shot"></a>')).toBeVisible();
    // Of a stylesheet: addresses count from its own folder, and the classes of the pages are known.
    await openPage(page, 'css/kites.css');
    await cursorAfter(page, 'clear: both; }');
    await page.keyboard.press('Enter');
    await page.keyboard.type('.ben');
    await expect(offers.getByRole('option', { name: 'bench' })).toBeVisible();
    await accept(page);
    await page.keyboard.type(' { background: url(../photos/small/paper');
    await expect(offers.getByRole('option', { name: '../photos/small/paper-cut.jpg' })).toBeVisible();
    await accept(page);
    await page.keyboard.type('); }');
    await expect(line(page, '.bench { background: url(../photos/small/paper-cut.jpg); }')).toBeVisible();
    const css = readFileSync(join(await unpacked(page), 'css/kites.css'), 'utf8');
    // What was typed, and not one byte more.
    expect(css.replace('\n.bench { background: url(../photos/small/paper-cut.jpg); }', '')).toBe(
      readFileSync(join(PAGES, 'css/kites.css'), 'utf8'),
    );
  },
);

test('findings stand at their places with their fixes, and the keyboard goes from one to the next', async ({
  page,
}) => {
  await openKites(page, 'markup');
  await openPage(page, 'workshop.html');
  await expect(page.locator('.cm-lintRange').first()).toBeAttached();
  await line(page, '<h1>').click();
  await page.keyboard.press('F8');
  const told = page.locator('.cm-tooltip .cm-diagnostic').first();
  await expect(told).toBeVisible();
  expect(await violations(page)).toEqual([]);
  // On to the misspelt marker, wherever it stands among them; what is told goes when the findings come in anew.
  const fix = told.getByRole('button', { name: 'Correct to data-enlarge' });
  await expect(async () => {
    for (let n = 0; n < 8 && !(await fix.isVisible()); n++) await page.keyboard.press('F8');
    await fix.click({ timeout: 3000 });
  }).toPass();
  await expect(page.locator('.cm-content')).not.toContainText('data-enlagre');
  await page.keyboard.press('Control+z');
  await expect(page.locator('.cm-content')).toContainText('data-enlagre');
});

test('an address in the source leads to what it names', { tag: LONG }, async ({ page }) => {
  await openKites(page, 'markup');
  await openPage(page, 'workshop.html');
  await cursorAfter(page, 'href="css/kit');
  await page.keyboard.press('Control+Enter');
  await expect(line(page, 'Tarrowby Kite Circle, one sheet for all pages')).toBeVisible();
  await openPage(page, 'workshop.html');
  await cursorAfter(page, 'href="festi');
  await page.keyboard.press('Control+Enter');
  await expect(page.getByRole('combobox', { name: 'Page', exact: true })).toHaveText('festival.html');
  await openPage(page, 'workshop.html');
  await cursorAfter(page, 'href="photos/large/tail');
  await page.keyboard.press('Control+Enter');
  await page.waitForURL(/\/pairs(\?|$)/);
  await expect(
    page.getByRole('complementary', { name: 'Strand' }).getByRole('heading', { name: 'tail-makers' }),
  ).toBeVisible();
});

test('source and live page light each other up, and the rail follows the cursor', async ({ page }) => {
  await openKites(page, 'markup');
  await openPage(page, 'workshop.html');
  await expect(frames(page, 'workshop.html').first()).toBeAttached();
  // The cursor in an item: its strand.
  await cursorAfter(page, 'title="Winding line');
  await expect(
    page.getByRole('complementary', { name: 'Strand' }).getByRole('heading', { name: 'winding-line' }),
  ).toBeVisible();
  // The cursor in what is no item: it is framed on the live page, and the bar says where that is.
  await cursorAfter(page, 'Three days');
  await expect(page.getByRole('group', { name: 'At the cursor' })).toContainText('p');
  const paragraph = live(page, 'workshop.html').locator('h1 + p');
  const box = async (of: ReturnType<typeof frames>) =>
    of.evaluate((one) => [Math.round(one.getBoundingClientRect().left), Math.round(one.getBoundingClientRect().top)]);
  const wanted = await paragraph.evaluate((one) => [
    Math.round(one.getBoundingClientRect().left - 4),
    Math.round(one.getBoundingClientRect().top - 4),
  ]);
  await expect.poll(() => box(frames(page, 'workshop.html').first())).toEqual(wanted);
  // Pointing at a line frames its element; pointing at the live page marks the lines.
  await line(page, '<h1>').hover();
  await expect(frames(page, 'workshop.html')).toHaveCount(2);
  const title = 'Live page workshop.html';
  const over = await placeInside(page, title, (frame) => frame.locator('h1'));
  await page.mouse.move(over.x, over.y);
  await expect(page.locator('.hm-hint')).toContainText('Workshop days');
  await page.mouse.click(over.x, over.y);
  await expect(page.locator('.hm-lit')).toContainText('<h1>Workshop days</h1>');
  await clickInside(page, title, (frame) => frame.getByRole('img', { name: 'A splice in a spar of ash' }));
  await expect(
    page.getByRole('complementary', { name: 'Strand' }).getByRole('heading', { name: 'spar-splice' }),
  ).toBeVisible();
});

test(
  'where a link leads is chosen and never typed; words become a link; mail and telephone are checked',
  { tag: LONG },
  async ({ page }) => {
    await openKites(page, 'markup');
    await openPage(page, 'index.html');
    await cursorAfter(page, 'href="#">Festival pic');
    await page.getByRole('button', { name: 'Link…' }).click();
    const dialog = page.getByRole('dialog', { name: 'Where the link leads' });
    await dialog.getByRole('combobox', { name: 'Page' }).fill('festi');
    await page.getByRole('option', { name: 'festival.html' }).click();
    await expect(dialog.getByRole('region', { name: 'Difference' })).toContainText(
      '<a href="festival.html">Festival pictures</a>',
    );
    expect(await violations(page)).toEqual([]);
    await dialog.getByRole('button', { name: 'Link', exact: true }).click();
    await expect(line(page, '<a href="festival.html">Festival pictures</a>')).toBeVisible();

    await openPage(page, 'workshop.html');
    await cursorAfter(page, 'in the old ');
    await page.keyboard.press('Shift+Control+ArrowRight');
    await page.keyboard.press('Shift+Control+ArrowRight');
    await page.keyboard.press('Alt+l');
    const choose = async (kind: string) => {
      await dialog.getByRole('combobox', { name: 'To' }).click();
      await page.getByRole('option', { name: kind }).click();
    };
    await choose('a mail address');
    await dialog.getByRole('textbox', { name: 'Mail address' }).fill('sail loft');
    await expect(dialog.getByText('“sail loft” is no mail address.')).toBeVisible();
    await expect(dialog.getByRole('button', { name: 'Link', exact: true })).toBeDisabled();
    await dialog.getByRole('textbox', { name: 'Mail address' }).fill('loft@kites.example');
    await dialog.getByRole('button', { name: 'Link', exact: true }).click();
    await expect(line(page, 'in the old <a href="mailto:loft@kites.example">sail loft</a>.')).toBeVisible();
    await cursorAfter(page, 'mailto:loft@kites.example">sail');
    await page.getByRole('button', { name: 'Link…' }).click();
    await choose('a telephone number');
    await dialog.getByRole('textbox', { name: 'Telephone number' }).fill('+44 1632 960123');
    await dialog.getByRole('button', { name: 'Link', exact: true }).click();
    await expect(line(page, '<a href="tel:+441632960123">sail loft</a>')).toBeVisible();
    await page.getByRole('button', { name: /^Undo: Link to/ }).click();
    await page.getByRole('button', { name: /^Undo: Link to/ }).click();
    await expect(line(page, 'in the old sail loft.')).toBeVisible();
  },
);

test(
  'what an item is can be corrected, is remembered over a reload without a byte in the page, and taken back',
  { tag: LONG },
  async ({ page }) => {
    const box = (one: number, two: number) =>
      `<div class="box">${[one, two].map((n) => `<a href="large/p${n}.jpg"><img src="small/p${n}.jpg" alt="Kite ${n}"></a>`).join('')}</div>`;
    const html = `<!DOCTYPE html>\n<html lang="en">\n<head><meta charset="utf-8"><title>Kites</title></head>\n<body>\n<div class="wall">\n${box(1, 2)}\n${box(3, 4)}\n</div>\n</body>\n</html>\n`;
    const pictures = Object.fromEntries(
      (
        await Promise.all(
          [1, 2, 3, 4].map(
            async (n) =>
              [
                [`large/p${n}.jpg`, await photograph(n)],
                [`small/p${n}.jpg`, await photograph(n, 400, 300)],
              ] as const,
          ),
        )
      ).flat(),
    );
    await openFiles(page, { ...pictures, 'index.html': html });
    await goTo(page, 'markup');
    await expect(page.getByText('4 items in 1 gallery')).toBeVisible();
    await cursorAfter(page, 'src="small/p1');
    await page.getByRole('button', { name: 'Which element is one item?' }).click();
    const dialog = page.getByRole('dialog', { name: 'Which element is one item?' });
    await expect(dialog.getByRole('radio', { name: /^<a> 4 items used now/ })).toBeChecked();
    await dialog.getByRole('radio', { name: /^<div class="box"> 2 items/ }).check();
    await dialog.getByRole('button', { name: 'Use as items' }).click();
    await expect(dialog.getByText('Your choice: each div.box is an item.')).toBeVisible();
    expect(await violations(page)).toEqual([]);
    await dialog.getByRole('button', { name: 'Close' }).click();
    await expect(page.getByText('2 items in 1 gallery')).toBeVisible();
    await page.reload();
    await expect(page.getByText('2 items in 1 gallery')).toBeVisible();
    expect(readFileSync(join(await unpacked(page), 'index.html'), 'utf8')).toBe(html);
    await goTo(page, 'markup');
    await page.getByRole('button', { name: 'Items…' }).click();
    await page.getByRole('button', { name: 'Choose the element' }).click();
    await dialog.getByRole('radio', { name: /^<div class="box">/ }).check();
    await dialog.getByRole('button', { name: 'Remove my choice' }).click();
    await expect(page.getByText('4 items in 1 gallery')).toBeAttached();
  },
);

test('the slots of one item are set by choosing its files and writing its words', { tag: LONG }, async ({ page }) => {
  await openKites(page, 'markup');
  await openPage(page, 'workshop.html');
  await page.getByRole('button', { name: 'Items…' }).click();
  const dialog = page.getByRole('dialog', { name: /items on workshop\.html/ });
  await dialog.getByRole('checkbox', { name: 'Choose spar-splice' }).check();
  await dialog.getByRole('combobox', { name: 'Full-size picture' }).fill('spar-spl');
  await page.getByRole('option', { name: 'photos/large/spar-splice.jpg' }).click();
  await expect(dialog.getByRole('status').getByText('Set what a click opens of spar-splice')).toBeVisible();
  const height = dialog.getByRole('textbox', { name: 'Height' });
  await height.fill('201');
  await height.press('Enter');
  await expect(dialog.getByRole('status').getByText('Set the height of spar-splice')).toBeVisible();
  // Whoever types on while it is written loses neither the place nor a letter.
  await expect(height).toBeFocused();
  await dialog.getByRole('textbox', { name: 'Title' }).fill('A splice in ash');
  await dialog.getByRole('button', { name: 'Set the title' }).click();
  await expect(dialog.getByRole('status').getByText('Set the title of spar-splice')).toBeVisible();
  expect(await violations(page)).toEqual([]);
  await dialog.getByRole('button', { name: 'Close' }).click();
  const html = readFileSync(join(await unpacked(page), 'workshop.html'), 'utf8');
  expect(html).toContain(
    '<a href="photos/large/spar-splice.jpg" data-enlarge data-enlarge-group="workshop" title="A splice in ash">\n    <img src="photos/small/spar-splice.jpg" width="150" height="201"',
  );
});

test(
  'pictures that are dropped, pasted or picked come in with their thumbnails and are written in the page’s pattern',
  { tag: LONG },
  async ({ page }) => {
    await openKites(page, 'markup');
    await openPage(page, 'workshop.html');
    const drop = async (name: string, type: string, bytes: Buffer) => {
      const data = await page.evaluateHandle(
        ([file, kind, encoded]) => {
          const transfer = new DataTransfer();
          transfer.items.add(
            new File([Uint8Array.from(atob(encoded!), (letter) => letter.charCodeAt(0))], file!, { type: kind! }),
          );
          return transfer;
        },
        [name, type, bytes.toString('base64')],
      );
      for (const event of ['dragenter', 'dragover', 'drop'])
        await page.locator('.cm-content').dispatchEvent(event, { dataTransfer: data });
    };
    await drop('notes.txt', 'text/plain', Buffer.from('nothing to see'));
    await expect(page.getByRole('status').getByText(/notes\.txt cannot be imported: it is no picture/)).toBeVisible();
    await drop('dropped.jpg', 'image/jpeg', await photograph(71));
    const dialog = page.getByRole('dialog', { name: 'Add to workshop.html' });
    await expect(dialog).toBeVisible();
    // By now the text of the first file would stand in the source, had the editor taken it.
    await expect(page.locator('.cm-content')).not.toContainText('nothing to see');
    await expect(dialog.getByRole('checkbox', { name: 'Add dropped' })).toBeChecked();
    await expect(dialog.getByRole('checkbox', { checked: true })).toHaveCount(1);
    await dialog
      .getByLabel('Pictures from disk')
      .setInputFiles({ name: 'picked.png', mimeType: 'image/png', buffer: await photograph(72) });
    await expect(dialog.getByRole('checkbox', { name: 'Add picked' })).toBeChecked();
    await expect(dialog.getByRole('checkbox', { name: 'Add dropped' })).toBeChecked();
    expect(await violations(page)).toEqual([]);
    await dialog.getByRole('textbox', { name: 'Alt text' }).first().fill('A kite that came last');
    await dialog.getByRole('combobox', { name: 'Place' }).click();
    await page.getByRole('option', { name: 'before the first item' }).click();
    await dialog.getByRole('button', { name: 'Add 2 items' }).click();
    await expect(page.getByRole('status').getByText('Add 2 pictures to workshop.html')).toBeVisible();

    const reachedOthers = await page.evaluate(async () => {
      const canvas = new OffscreenCanvas(900, 600);
      const ink = canvas.getContext('2d')!;
      ink.fillStyle = 'teal';
      ink.fillRect(100, 100, 500, 300);
      const transfer = new DataTransfer();
      transfer.items.add(
        new File([await canvas.convertToBlob({ type: 'image/png' })], 'image.png', { type: 'image/png' }),
      );
      const editor = document.querySelector('.cm-content')!;
      let reached = 0;
      editor.addEventListener('paste', () => reached++);
      editor.dispatchEvent(new ClipboardEvent('paste', { clipboardData: transfer, bubbles: true, cancelable: true }));
      return reached;
    });
    // Taken twice, pictures would be asked about once more when they have been written.
    expect(reachedOthers).toBe(0);
    await expect(dialog.getByRole('checkbox', { name: 'Add image' })).toBeChecked();
    await dialog.getByRole('button', { name: 'Add 1 item' }).click();
    await expect(page.getByRole('status').getByText('Add 1 picture to workshop.html')).toBeVisible();
    const out = await unpacked(page);
    const html = readFileSync(join(out, 'workshop.html'), 'utf8');
    expect(html).toMatch(
      /<div class="bench">\n {2}<p class="shot"><a href="photos\/large\/(?:dropped|picked)\.\w+" data-enlarge data-enlarge-group="workshop"/,
    );
    expect(html).toMatch(
      /<p class="shot"><a href="photos\/large\/image\.png"[^>]*>\s*<img src="photos\/small\/image\.\w+" width="150" height="100"/,
    );
    expect(html).toContain('alt="A kite that came last"');
  },
);
