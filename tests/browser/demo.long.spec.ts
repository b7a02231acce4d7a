/**
 * The demo site: every planted fault is found where it was planted, nothing else is, and what has a fix is mended by
 * it.
 */
import type { Browser } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { FAULTS } from '../../demo/faults';
import { SITE } from '../../demo/make';
import { htmlErrors } from '../checkers';
import { expect, goTo, keptFiles, openDemo, settled, test, unpacked } from './fixtures';

const source = (page: string) => readFileSync(new URL(`../../demo/site/${page}`, import.meta.url), 'utf8').split('\n');

test('every planted fault is a finding at its place, and no other is', async ({ page }) => {
  await openDemo(page, 'proof');
  const rows = page.getByRole('list', { name: 'Findings' }).getByRole('listitem');
  await expect(rows).toHaveCount(FAULTS.length);
  for (const fault of FAULTS) {
    const row = page.locator(`[data-rule="${fault.rule}"]`);
    await expect(row).toHaveCount(1);
    const line = source(fault.page).findIndex((text) => text.includes(fault.line)) + 1;
    expect(line, `${fault.rule} is planted`).toBeGreaterThan(0);
    await expect(row.getByRole('button', { name: `${fault.page}:${line}` })).toBeVisible();
  }
});

test('what has a fix is mended, what remains is the author’s; the site leaves valid; all can be undone across a reload', async ({
  page,
  browser,
}) => {
  test.setTimeout(120_000);
  await openDemo(page, 'proof');
  const rows = page.getByRole('list', { name: 'Findings' }).getByRole('listitem');
  await expect(rows).toHaveCount(FAULTS.length);
  let left = FAULTS.length;
  const mended = FAULTS.filter((fault) => fault.fix !== null);
  for (const fault of mended) {
    await page
      .locator(`[data-rule="${fault.rule}"]`)
      .getByRole('button', { name: fault.fix ?? '' })
      .click();
    left--;
    await expect(rows).toHaveCount(left, { timeout: 90_000 });
  }
  await expect(page.locator('[data-rule]')).toHaveAttribute('data-rule', 'alt-missing');

  // The words are the author's: the button leads to the field, and writing there settles it.
  await page.locator('[data-rule="alt-missing"]').getByRole('button', { name: 'Write alt text' }).click();
  const field = page.getByRole('textbox', { name: 'Alt text' });
  await expect(field).toBeFocused();
  await field.fill('Coloured paper, cut & ready');
  await field.press('Enter');
  await expect(page.getByText('40 strands, no findings')).toBeVisible();

  const folder = await unpacked(page);
  expect(
    await htmlErrors(['index', 'festival', 'pictures', 'workshop'].map((name) => join(folder, `${name}.html`))),
  ).toEqual([]);
  await opensEveryPicture(browser, folder);

  await goTo(page, 'proof');
  await page.reload();
  await settled(page);
  await expect(page.getByText('40 strands, no findings')).toBeVisible();
  for (let n = 0; n <= mended.length; n++) {
    await page.getByRole('button', { name: /^Undo: / }).click();
    await expect(rows).toHaveCount(n + 1, { timeout: 90_000 });
  }
  await expect(page.getByRole('button', { name: 'Nothing to undo' })).toBeDisabled();
  await goTo(page, 'markup');
  await expect(page.locator('.cm-content')).not.toContainText('data-enlagre');
  // Undone entirely, every text file is again what its author wrote.
  const kept = await keptFiles(page, /site\/([^/]+)/.exec(page.url())?.[1] ?? '');
  for (const name of ['index.html', 'festival.html', 'workshop.html', 'css/kites.css', 'js/kites.js'])
    expect(kept[name], name).toBe(source(name).join('\n'));
  expect(kept['pictures.html']).toBe(readFileSync(join(SITE, 'pictures.html'), 'utf8'));
});

/** Steps through the viewer of each page as a visitor who opens the folder from disk. */
async function opensEveryPicture(browser: Browser, folder: string): Promise<void> {
  const visitor = await browser.newPage();
  for (const [name, count] of [
    ['festival', 12],
    ['workshop', 8],
    ['pictures', 20],
  ] as const) {
    await visitor.goto(`file://${join(folder, `${name}.html`)}`);
    await visitor.locator('a[data-enlarge]').first().click();
    for (let n = 1; n <= count; n++) {
      await expect(visitor.locator('.enlarge-counter')).toHaveText(`${n} of ${count}`);
      await expect(visitor.locator('.enlarge-stage')).toHaveAttribute('data-state', 'shown');
      await visitor.keyboard.press('ArrowRight');
    }
  }
  await visitor.close();
}
