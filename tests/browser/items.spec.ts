/**
 * Work on items through the interface: the pattern changed for all, what one lacks, order, copies, attributes, words
 * and counters.
 */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import { violations } from './axe';
import { expect, goTo, openKites, openFiles, photograph, test, unpacked, LONG } from './fixtures';

const items = (page: Page) => page.getByRole('dialog', { name: /items on/ });

test('a pattern is changed, its outcome looked at before, applied to all items as one change, and undone', async ({
  page,
}) => {
  await openKites(page, 'markup');
  await page.getByRole('button', { name: 'Edit the pattern' }).click();
  const dialog = page.getByRole('region', { name: 'Pattern' });
  await expect(dialog.getByText('of 12 items on festival.html')).toBeVisible();
  // What it makes of the page is seen beside it.
  await expect(page.getByTitle('Live page festival.html')).toBeVisible();
  const text = dialog.getByRole('textbox', { name: 'One item' });
  await expect(text).toHaveValue(/<a href="\{full\}" data-enlarge data-enlarge-group="festival" title="\{title\}">/);
  const before = await text.inputValue();
  await text.fill(before.replace('title="{title}"', 'title="{title}" rel="x"'));
  await expect(dialog.getByRole('region', { name: 'Difference' })).toBeVisible();
  expect(await violations(page)).toEqual([]);
  // What is typed is not lost by a key that leaves fields elsewhere.
  await text.press('Escape');
  await expect(text).toHaveValue(/rel="x"/);
  await text.fill(before.replace('{alt}', '{words}'));
  await expect(dialog.getByText('“{words}” is not known')).toBeVisible();
  await expect(dialog.getByRole('button', { name: 'Apply to all items' })).toBeDisabled();
  await text.fill(before.replace('<span>{caption}</span>', '<p class="words">{caption}</p>'));
  await expect(dialog.getByRole('region', { name: 'Difference' })).toContainText(
    '<p class="words">Delta over the mere</p>',
  );
  await dialog.getByRole('button', { name: 'Apply to all items' }).click();
  await expect(
    page.getByRole('status').getByText(/^Apply another pattern to 12 items of festival\.html/),
  ).toBeVisible();
  await expect(page.frameLocator('iframe[title="Live page festival.html"]').locator('p.words')).toHaveCount(12);
  await expect(dialog.getByText(/^Nothing is changed yet/)).toBeVisible();
  const html = readFileSync(join(await unpacked(page), 'festival.html'), 'utf8');
  expect(html.match(/<p class="words">/g)).toHaveLength(12);
  expect(html).not.toContain('<span>');
  // One item has no group, and nobody asked for one.
  expect(html.match(/data-enlarge-group="festival"/g)).toHaveLength(11);
  await goTo(page, 'markup');
  await page.getByRole('button', { name: /^Undo: Apply another pattern to 12 items/ }).click();
  await expect(page.getByRole('button', { name: /^Redo: Apply another pattern to 12 items/ })).toBeEnabled();
  expect(readFileSync(join(await unpacked(page), 'festival.html'), 'utf8')).toContain(
    '<span>Delta over the mere</span>',
  );
});

test(
  'the item that lacks what its neighbours have is found and completed; items are moved, copied to another page and removed',
  { tag: LONG },
  async ({ page }) => {
    await openKites(page, 'markup');
    await expect(page.getByText('1 item different from the others')).toBeVisible();
    await page.getByRole('button', { name: 'Items…' }).click();
    await expect(items(page).getByText('no data-enlarge-group="festival" on the link')).toBeVisible();
    expect(await violations(page)).toEqual([]);
    await items(page).getByRole('button', { name: 'Add what is missing' }).click();
    await expect(items(page).getByText('no data-enlarge-group')).toHaveCount(0);

    for (const name of ['star-field', 'sled-morning'])
      await items(page)
        .getByRole('checkbox', { name: `Choose ${name}` })
        .check();
    await items(page).getByRole('spinbutton', { name: 'Place' }).fill('1');
    await items(page).getByRole('button', { name: 'Move to place' }).click();
    await expect(items(page).getByRole('listitem').first()).toContainText('star-field');
    await expect(items(page).getByRole('listitem').nth(1)).toContainText('sled-morning');

    await items(page).getByRole('checkbox', { name: 'Choose last-light' }).check();
    await items(page).getByRole('combobox', { name: 'Page' }).click();
    await page.getByRole('option', { name: 'workshop.html' }).click();
    await items(page).getByRole('button', { name: 'Copy to page' }).click();
    await expect(
      items(page)
        .getByRole('status')
        .getByText(/^Copy 1 item to workshop\.html/),
    ).toBeVisible();
    await items(page).getByRole('checkbox', { name: 'Choose last-light' }).check();
    await items(page).getByRole('button', { name: 'Remove 1 item' }).click();
    await expect(page.getByRole('dialog', { name: '11 items on festival.html' })).toBeVisible();
    await items(page).getByRole('button', { name: 'Close' }).click();

    const out = await unpacked(page);
    const festival = readFileSync(join(out, 'festival.html'), 'utf8');
    const workshop = readFileSync(join(out, 'workshop.html'), 'utf8');
    expect(festival.indexOf('star-field')).toBeLessThan(festival.indexOf('sled-morning'));
    expect(festival.indexOf('sled-morning')).toBeLessThan(festival.indexOf('delta-over-mere'));
    expect(festival).not.toContain('last-light');
    // In the workshop's own pattern, with its own group.
    expect(workshop).toMatch(/<a href="photos\/large\/last-light\.jpg"[^>]*data-enlarge-group="workshop"/);
    expect(workshop).toContain('A red parafoil in the last light');
  },
);

test(
  'an attribute on every link, words by a rule, and counters that are out of step',
  { tag: LONG },
  async ({ page }) => {
    const item = (n: number, number: string) =>
      `<li><a href="large/p${n}.jpg"><img src="small/p${n}.jpg" alt="${n === 2 ? '' : `Picture ${n}`}"></a><small>${number} of 4</small><p>Kite ${n}</p></li>`;
    const html = `<!DOCTYPE html>\n<html lang="en">\n<head><meta charset="utf-8"><title>Kites</title></head>\n<body>\n<ul>\n${item(1, '1')}\n${item(2, '2')}\n${item(3, '4')}\n</ul>\n</body>\n</html>\n`;
    const pictures = Object.fromEntries(
      (
        await Promise.all(
          [1, 2, 3].map(
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
    await page.getByRole('button', { name: 'Items…' }).click();
    await expect(items(page).getByRole('listitem')).toHaveCount(3);
    await items(page).getByRole('button', { name: 'Renumber' }).click();
    await expect(items(page).getByRole('button', { name: 'Renumber' })).toHaveCount(0);
    await items(page).getByRole('textbox', { name: 'Attribute' }).fill('bad name');
    await items(page).getByRole('button', { name: 'Add attribute' }).click();
    await expect(items(page).getByText('“bad name” cannot be the name of an attribute.')).toBeVisible();
    await items(page).getByRole('textbox', { name: 'Attribute' }).fill('class');
    await items(page).getByRole('textbox', { name: 'Value' }).fill('open');
    await items(page).getByRole('button', { name: 'Add attribute' }).click();
    await expect(items(page).getByRole('status').getByText('Add class to every link of index.html')).toBeVisible();
    await items(page).getByRole('combobox', { name: 'From' }).click();
    await page.getByRole('option', { name: 'the captions' }).click();
    await items(page).getByRole('button', { name: 'Fill the alt texts' }).click();
    await expect(items(page).getByRole('status').getByText('Fill the alt texts of index.html')).toBeVisible();
    await items(page).getByRole('button', { name: 'Close' }).click();
    const made = readFileSync(join(await unpacked(page), 'index.html'), 'utf8');
    const wanted = [1, 2, 3]
      .map(
        (n) =>
          `<li><a href="large/p${n}.jpg" class="open"><img src="small/p${n}.jpg" alt="${n === 2 ? 'Kite 2' : `Picture ${n}`}"></a><small>${n} of 3</small><p>Kite ${n}</p></li>`,
      )
      .join('\n');
    expect(made).toContain(wanted);
  },
);

test(
  'items that are selected in the source are chosen in the list, and work goes for all of them',
  { tag: LONG },
  async ({ page }) => {
    await openKites(page, 'markup');
    await page.locator('.cm-line', { hasText: 'delta-over-mere' }).first().click();
    const bar = page.getByRole('group', { name: 'At the cursor' });
    await expect(bar.getByRole('button', { name: '1 item…' })).toBeVisible();
    await page.keyboard.press('Home');
    for (let n = 0; n < 8; n++) await page.keyboard.press('Shift+ArrowDown');
    const several = bar.getByRole('button', { name: /^[2-9] items…$/ });
    const count = Number((await several.textContent())!.split(' ')[0]);
    await several.click();
    await expect(items(page).getByRole('checkbox', { name: 'Choose delta-over-mere' })).toBeChecked();
    await expect(items(page).getByRole('checkbox', { name: /^Choose /, checked: true })).toHaveCount(count);
    expect(await violations(page)).toEqual([]);
    await items(page)
      .getByRole('button', { name: `Remove ${count} items` })
      .click();
    await expect(page.getByRole('dialog', { name: `${12 - count} items on festival.html` })).toBeVisible();
  },
);
