/** Work on sites of one's own, with photographs that nobody here took, counted in steps as a user takes them. */
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { htmlErrors } from '../checkers';
import { cameraFolder } from '../photographs';
import { RECORDED, SITE_NAME, weekFolder, wordsOf } from '../weekSite';
import { Steps } from './countedSteps';
import { execFileSync } from 'node:child_process';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { withoutDemo } from '../setOut';
import { expect, LONG, settled, test } from './fixtures';

/** Photographs of 8 megapixels and more are read and made into sizes on a machine that others share. */
const SLOW = 600_000;

test('twenty photographs become a first exported gallery in a few steps', { tag: LONG }, async ({ page }) => {
  test.setTimeout(SLOW);
  const folder = cameraFolder(20);
  const files = readdirSync(folder).map((name) => join(folder, name));
  await withoutDemo(page);
  await page.goto('/');
  const steps = new Steps(page);

  await steps.press(page.getByRole('button', { name: 'New site' }));
  await steps.fill(page.getByRole('textbox', { name: 'Name' }), 'Weekends by the water');
  await steps.press(page.getByRole('button', { name: 'Create the site' }));
  await settled(page);
  await steps.press(page.getByRole('button', { name: 'Add pictures' }));
  const dialog = page.getByRole('dialog', { name: 'Add to index.html' });
  await steps.choose(dialog.getByLabel('Pictures from disk'), files);
  await expect(dialog.getByRole('checkbox', { name: /^Add / })).toHaveCount(20, { timeout: SLOW });
  // What a camera calls its files is offered neither as caption nor as alt text.
  for (const field of ['Caption', 'Alt text'])
    for (const box of await dialog.getByRole('textbox', { name: field }).all()) await expect(box).toHaveValue('');
  await steps.press(dialog.getByRole('button', { name: 'Add 20 items' }));
  await expect(page.getByText('20 items in 1 gallery')).toBeVisible({ timeout: 60_000 });
  await steps.press(page.getByRole('link', { name: 'Pack' }));
  const download = page.waitForEvent('download', { timeout: SLOW });
  await steps.press(page.getByRole('button', { name: 'Save as ZIP' }));
  const out = mkdtempSync(join(tmpdir(), 'week-'));
  execFileSync('unzip', ['-q', await (await download).path(), '-d', out]);

  const written = readFileSync(join(out, 'index.html'), 'utf8');
  expect(written.match(/<img /g)).toHaveLength(20);
  expect(written).not.toMatch(/DSC[ _]\d{4}"(?!\.)[^>]*alt|alt="DSC/);
  const errors = await htmlErrors([join(out, 'index.html')]);
  // Nobody has written an alt text yet, and nothing else is wrong.
  const place = /^Nu: (?:From line|Document checking)/;
  expect(errors.filter((error) => !place.test(error) && !/alt|wcag\/h30/.test(error))).toEqual([]);
  console.log(`${steps.count} steps from an empty start page to an exported gallery; at most 12`);
  expect(steps.count).toBeLessThanOrEqual(12);
});

test(
  'a week on a site typed by hand takes few steps, and nothing that was written is lost',
  { tag: LONG },
  async ({ page }) => {
    test.setTimeout(SLOW);
    const folder = await weekFolder();
    await withoutDemo(page);
    await page.goto('/');
    const steps = new Steps(page);
    const tab = (name: RegExp) =>
      steps.press(page.getByRole('tablist', { name: 'Views of the pictures' }).getByRole('tab', { name }));
    const station = (name: string) =>
      steps.press(
        page.getByRole('navigation', { name: 'Stations' }).getByRole('link', { name: new RegExp(`^${name}`) }),
      );
    const button = (name: string | RegExp) => steps.press(page.getByRole('button', { name }));
    const done = (words: string | RegExp) =>
      expect(page.getByRole('status').getByText(words).first()).toBeVisible({ timeout: SLOW });

    // Pictures first.
    await steps.choose(page.locator('[data-pick="folder"]'), folder);
    await page.waitForURL(/\/pairs(\?|$)/, { timeout: 90_000 });
    await settled(page);
    await button('Keep PNG');
    await tab(/^Duplicates, 2$/);
    const copies = page.getByRole('list', { name: 'Groups of duplicates' }).getByRole('listitem');
    await steps.press(copies.first().getByRole('button', { name: /^Keep camera\/DSC_0117\.JPG, delete 1 copy$/ }));
    await expect(copies).toHaveCount(1);
    await tab(/^Text/);
    await steps.fill(page.getByRole('textbox', { name: 'Default copyright' }), '© Five friends');
    await steps.press(
      page.getByRole('region', { name: 'Credits and lists' }).getByRole('button', { name: 'Save', exact: true }),
    );
    await tab(/^Order/);
    await steps.press(page.getByRole('button', { name: 'by date taken' }));
    await tab(/^Pairs/);
    await button(/^Create all sizes/);
    await done(/^Create \d+ pictures/);

    // Then the page: a dummy link of the menu becomes real.
    await station('Markup');
    await button('New page');
    const dialog = page.getByRole('dialog', { name: 'New page' });
    await steps.fill(dialog.getByRole('textbox', { name: 'Title' }), 'Summer');
    await steps.press(dialog.getByRole('combobox', { name: 'Start from' }));
    await steps.press(page.getByRole('option', { name: 'spring.html' }));
    await steps.press(dialog.getByRole('checkbox', { name: /^Select all/ }));
    await steps.press(dialog.getByRole('checkbox', { name: 'Add to every menu' }));
    await steps.press(dialog.getByRole('button', { name: 'Create page' }));
    await done('New page summer.html from spring.html');
    await button('This page');
    await button('Attach to every page: look.css');
    await station('Wiring');
    await button('Add a viewer');
    await steps.press(page.getByRole('dialog').getByRole('button', { name: /^Lightbox/ }));
    await steps.press(page.getByRole('button', { name: 'Apply' }));
    // Every picture is clicked, as a visitor would.
    await button('Rehearse');
    await expect(page.getByRole('dialog').getByRole('status')).toHaveText(/as expected/, { timeout: SLOW });
    await steps.press(page.getByRole('dialog').getByRole('button', { name: 'Close' }));
    // A phrase in every page, found by a word for it.
    await steps.key('Control+k');
    await steps.fill(page.getByRole('combobox', { name: /^Find a page/ }), 'replace text');
    await steps.key('Enter');
    const replacing = page.getByRole('dialog', { name: 'Find and replace' });
    await steps.fill(replacing.getByRole('textbox', { name: 'Find' }), '<em>patience</em>');
    await steps.fill(replacing.getByRole('textbox', { name: 'Replace with' }), '<em>patience</em>, love');
    await steps.press(replacing.getByRole('button', { name: 'Replace in 4 places' }));
    await steps.press(replacing.getByRole('button', { name: 'Close' }));
    await station('Proof');
    await button('Add the viewport tag');
    await done(/viewport/);
    await station('Pack');
    const download = page.waitForEvent('download', { timeout: SLOW });
    await button('Save as ZIP');
    const out = mkdtempSync(join(tmpdir(), 'week-'));
    execFileSync('unzip', ['-q', await (await download).path(), '-d', out]);

    // Every word that somebody typed stands where it stood; what was asked for came on top.
    for (const name of ['index.html', 'spring.html', 'about.html', 'look.css']) {
      const [before, after] = [folder, out].map((root) => readFileSync(join(root, name), 'utf8'));
      const left = wordsOf(after ?? '');
      expect(
        wordsOf(before ?? '').filter((word) => !left.includes(word)),
        name,
      ).toEqual([]);
      expect(after?.startsWith('\ufeff') && !/[^\r]\n/.test(after), name).toBe(name !== 'look.css');
    }
    const summer = readFileSync(join(out, 'summer.html'), 'utf8');
    for (const name of ['index.html', 'spring.html', 'about.html', 'summer.html']) {
      const text = readFileSync(join(out, name), 'utf8');
      expect(text, name).toContain('<em>patience</em>, love &amp; tea.');
      expect(text, name).toMatch(/<meta name=["']viewport["']/);
      expect(text, name).toMatch(/href=["']look\.css["']/);
    }
    expect(summer).toContain(`<title>${SITE_NAME}: Summer</title>`);
    expect(summer).toContain(`<h1>${SITE_NAME}</h1>`);
    expect(summer).toContain('<h2>Summer</h2>');
    expect(summer).toContain(RECORDED.caption);
    expect(summer).not.toMatch(/&laquo; back|alt='[^']*(?:DSC|IMG)|alt=''|>(?:DSC|IMG) /);
    expect(summer.match(/width='150'/g)?.length).toBe(summer.match(/<img /g)?.length);
    expect(summer).toContain("<a href='summer.html' class='now'>Summer</a>");
    for (const name of ['index.html', 'spring.html', 'about.html'])
      expect(readFileSync(join(out, name), 'utf8')).toContain("<a href='summer.html'>Summer</a>");
    console.log(`${steps.count} steps for the week; at most 120`);
    expect(steps.count).toBeLessThanOrEqual(120);
  },
);
