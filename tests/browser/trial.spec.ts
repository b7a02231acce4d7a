/** A setting of the layout is tried on a copy before it is written: what the page does not show is not done. */
import type { Page } from '@playwright/test';
import { expect, goTo, openFiles, photograph, test } from './fixtures';

const names = ['a', 'b', 'c', 'd', 'e', 'f'];
const css =
  '.meadow { display: grid; grid-template-columns: repeat(3, 1fr); gap: 12px; padding: 0; list-style: none }\n.meadow img { width: 100%; height: auto }\n';
const pageWith = (more: string) =>
  `<!DOCTYPE html>\n<html lang="en">\n<head><meta charset="utf-8"><title>Kites</title><link rel="stylesheet" href="kites.css">${more}</head>\n<body>\n<h1>Kites</h1>\n<ul class="meadow">\n${names
    .map(
      (name) =>
        `  <li><a href="${name}.jpg"><img src="${name}.jpg" alt="Kite ${name}" width="1200" height="800"></a></li>`,
    )
    .join('\n')}\n</ul>\n</body>\n</html>\n`;

async function openLayout(page: Page, more = ''): Promise<void> {
  const pictures = await Promise.all(names.map(async (name, n) => [`${name}.jpg`, await photograph(n)] as const));
  await openFiles(page, { 'index.html': pageWith(more), 'kites.css': css, ...Object.fromEntries(pictures) });
  await goTo(page, 'markup');
  await expect(page.frameLocator('iframe[title="Live page index.html"]').locator('h1')).toHaveText('Kites');
  await page.getByRole('button', { name: 'Layout' }).click();
}

const ask = (page: Page, columns: string) =>
  page
    .getByRole('group', { name: 'Columns' })
    .getByRole('button', { name: `${columns} columns` })
    .click();

test('what the page shows is written, and nothing of the trial is left', async ({ page }) => {
  await openLayout(page);
  await ask(page, '2');
  await expect(page.getByRole('status').getByText(/^Columns: 2/)).toBeVisible();
  const shown = page.frameLocator('iframe[title="Live page index.html"]').locator('.meadow');
  await expect.poll(() => shown.evaluate((one) => getComputedStyle(one).gridTemplateColumns.split(' ').length)).toBe(2);
  await expect(page.locator('iframe[title^="Copy of a page"]')).toHaveCount(0);
  await expect(page.getByText(/^Unconfirmed/)).toHaveCount(0);
});

test('what a script of the page undoes is refused with what was seen, and nothing is written', async ({ page }) => {
  const undoing = `<script>addEventListener('DOMContentLoaded', () => document.querySelector('.meadow').style.setProperty('grid-template-columns', 'repeat(3, 1fr)', 'important'))</script>`;
  await openLayout(page, undoing);
  await ask(page, '2');
  await expect(
    page.getByText('Nothing was changed: in a window of 1280 px the page shows 3 columns and not 2.'),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Back to the source' }).click();
  await page.getByRole('combobox', { name: 'Page', exact: true }).click();
  await page.getByRole('option', { name: 'kites.css' }).click();
  await expect(page.locator('.cm-content')).toContainText('repeat(3, 1fr)');
  await expect(page.getByRole('button', { name: 'Nothing to undo' })).toBeDisabled();
});
