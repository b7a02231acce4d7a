/** Work on whole pages and sections through the interface, and the layout of a gallery beside its live page. */
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import { violations } from './axe';
import { expect, goTo, openKites, openPage, test, unpacked, LONG } from './fixtures';
import { PAGES } from '../site/make';

const source = (path: string) => readFileSync(join(PAGES, path), 'utf8');
const sheet = (page: Page) => page.getByRole('region', { name: 'This page' });

test('a page is moved to a folder with all references put right, its stylesheet taken off and on, and it is deleted after a look at what would go', async ({
  page,
}) => {
  await openKites(page, 'markup');
  await openPage(page, 'workshop.html');
  await page.getByRole('button', { name: 'This page' }).click();
  const dialog = sheet(page);
  await dialog.getByRole('textbox', { name: 'Path in the site' }).fill('days/workshop.html');
  await expect(dialog.getByText('workshop.html · renamed to days/workshop.html')).toBeVisible();
  expect(await violations(page)).toEqual([]);
  await dialog.getByRole('button', { name: 'Rename' }).click();
  await expect(page.getByRole('status').getByText('Rename workshop.html to days/workshop.html').first()).toBeVisible();
  await expect(dialog.getByRole('textbox', { name: 'Path in the site' })).toHaveValue('days/workshop.html');
  await dialog.getByRole('checkbox', { name: 'viewer/lightbox.css' }).click();
  await expect(page.getByRole('status').getByText('Remove lightbox.css from days/workshop.html')).toBeVisible();
  await dialog.getByRole('checkbox', { name: 'viewer/lightbox.css' }).click();
  await expect(page.getByRole('status').getByText('Attach lightbox.css to days/workshop.html')).toBeVisible();
  await dialog.getByRole('button', { name: 'Back to the source' }).click();
  const moved = readFileSync(join(await unpacked(page), 'days/workshop.html'), 'utf8');
  expect(moved).toContain('<link rel="stylesheet" href="../css/kites.css">');
  expect(moved).toContain('<link rel="stylesheet" href="../viewer/lightbox.css">');
  expect(moved).toContain('<script src="../js/kites.js" defer></script>');
  expect(moved).toContain('<a href="../photos/large/reel-box.jpg"');
  expect(moved).toContain('<li><a class="here" href="workshop.html">Workshop days</a></li>');

  await goTo(page, 'markup');
  for (let n = 0; n < 3; n++) await page.getByRole('button', { name: /^Undo: / }).click();
  await expect(page.getByRole('button', { name: /^Undo:/ })).toHaveCount(0);
  await openPage(page, 'workshop.html');
  await page.getByRole('button', { name: 'This page' }).click();
  await dialog.getByRole('button', { name: 'Delete this page…' }).click();
  await expect(dialog.getByText('workshop.html · removed')).toBeVisible();
  await expect(dialog.getByRole('region', { name: 'Difference' })).toContainText(
    '<li><a href="workshop.html">Workshop days</a></li>',
  );
  await dialog.getByRole('button', { name: 'Delete workshop.html' }).click();
  await expect(page.getByRole('combobox', { name: 'Page', exact: true })).not.toHaveText('workshop.html');
  await expect(page.getByRole('button', { name: /^Undo: Delete workshop\.html/ })).toBeVisible();
  const out = await unpacked(page);
  expect(existsSync(join(out, 'workshop.html'))).toBe(false);
  expect(readFileSync(join(out, 'festival.html'), 'utf8')).toBe(
    source('festival.html').replace('  <li><a href="workshop.html">Workshop days</a></li>\n', ''),
  );
  await goTo(page, 'markup');
  await page.getByRole('button', { name: /^Undo: Delete workshop/ }).click();
  expect(readFileSync(join(await unpacked(page), 'workshop.html'), 'utf8')).toBe(source('workshop.html'));
});

test(
  'a gallery’s set-up is written again for another section, and a list leads to the sections',
  { tag: LONG },
  async ({ page }) => {
    await openKites(page, 'markup');
    await openPage(page, 'workshop.html');
    const dialog = sheet(page);
    const write = async (heading: string, pictures: readonly number[]) => {
      await dialog.getByRole('button', { name: 'Add a section…' }).click();
      await dialog.getByRole('textbox', { name: 'Heading' }).fill(heading);
      for (const n of pictures)
        await dialog
          .getByRole('checkbox', { name: /^Select / })
          .nth(n)
          .check();
      await expect(dialog.getByRole('region', { name: 'Difference' })).toContainText(
        `<h2 id="${heading.toLowerCase()}">${heading}</h2>`,
      );
      expect(await violations(page)).toEqual([]);
      await dialog.getByRole('button', { name: 'Add section' }).click();
      await expect(dialog.getByRole('listitem').filter({ hasText: `${heading}, 2 items` })).toBeVisible();
    };
    await page.getByRole('button', { name: 'This page' }).click();
    await write('Gluing', [0, 1]);
    await write('Flying', [0, 1]);
    await dialog.getByRole('button', { name: 'List the sections' }).click();
    await expect(page.getByRole('status').getByText('List the 2 sections of workshop.html')).toBeVisible();
    await dialog.getByRole('button', { name: 'Back to the source' }).click();
    await expect(page.getByText('12 items in 3 galleries')).toBeVisible();
    const html = readFileSync(join(await unpacked(page), 'workshop.html'), 'utf8');
    expect(html).toContain(
      '<ul class="sections">\n  <li><a href="#gluing">Gluing</a></li>\n  <li><a href="#flying">Flying</a></li>\n</ul>\n\n<h2 id="gluing">',
    );
    // Each section is a group of its own in the viewer.
    for (const [group, count] of [
      ['workshop', 8],
      ['gluing', 2],
      ['flying', 2],
    ] as const)
      expect(html.match(new RegExp(`data-enlarge-group="${group}"`, 'g'))).toHaveLength(count);
  },
);

test(
  'the layout is read from the author’s rules, set beside the live page at two widths, and undone',
  { tag: LONG },
  async ({ page }) => {
    await openKites(page, 'markup');
    await openPage(page, 'workshop.html');
    const live = page.frameLocator('iframe[title="Live page workshop.html"]');
    const columns = () =>
      live
        .locator('.shot')
        .evaluateAll(
          (items) =>
            items.filter(
              (item) => Math.abs(item.getBoundingClientRect().top - items[0]!.getBoundingClientRect().top) < 2,
            ).length,
        );
    await page.getByRole('button', { name: 'Layout' }).click();
    const layout = page.getByRole('region', { name: 'Layout' });
    await expect(layout.getByText(/^floats; the sheet is also that of/)).toBeVisible();
    await expect(layout.getByRole('button', { name: '3 columns' })).toHaveAttribute('aria-pressed', 'true');
    await expect.poll(columns).toBe(3);
    expect(await violations(page)).toEqual([]);
    await layout.getByRole('button', { name: '4 columns' }).click();
    await expect.poll(columns).toBe(4);
    await expect(page.getByRole('region', { name: 'Difference' })).toContainText('width: 25%');
    await layout.getByRole('button', { name: 'up to 600 px' }).click();
    await expect(layout.getByRole('button', { name: '2 columns' })).toHaveAttribute('aria-pressed', 'true');
    await expect.poll(columns).toBe(2);
    await layout.getByRole('button', { name: '1 column', exact: true }).click();
    await expect.poll(columns).toBe(1);
    await layout.getByRole('button', { name: 'every width' }).click();
    const corners = layout.getByRole('textbox', { name: 'Rounded corners' });
    await corners.fill('8px');
    await corners.press('Enter');
    await expect
      .poll(() =>
        live
          .locator('.shot img')
          .first()
          .evaluate((image) => getComputedStyle(image).borderRadius),
      )
      .toBe('8px');
    await corners.fill('8 pixels');
    await corners.press('Enter');
    await expect(page.getByRole('status').getByText(/8 pixels/)).toBeVisible();
    // The declaration that says it is one click away.
    await layout.getByRole('button', { name: /border-radius: 8px.*show it/ }).click();
    await expect(page.locator('.cm-line', { hasText: '.shot img' }).first()).toBeVisible();
    await expect(page.getByRole('combobox', { name: 'Page', exact: true })).toHaveText('css/kites.css');
    const css = readFileSync(join(await unpacked(page), 'css/kites.css'), 'utf8');
    expect(css).toBe(
      source('css/kites.css')
        .replace('width: 33.33%', 'width: 25%')
        .replace('.shot { width: 50%; }', '.shot { width: 100%; }')
        .replace(
          '.shot img { display: block; max-width: 100%; height: auto; }',
          '.shot img { display: block; max-width: 100%; height: auto; border-radius: 8px; }',
        ),
    );
    await goTo(page, 'markup');
    for (let n = 0; n < 3; n++) await page.getByRole('button', { name: /^Undo: / }).click();
    await expect(page.getByRole('button', { name: /^Undo:/ })).toHaveCount(0);
    expect(readFileSync(join(await unpacked(page), 'css/kites.css'), 'utf8')).toBe(source('css/kites.css'));
  },
);
