/** Pages: two more made from one that is there, entered in every menu; menus that drifted apart brought together. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { HtmlValidate } from 'html-validate';
import { violations } from './axe';
import { expect, goTo, openKites, test, unpacked, LONG } from './fixtures';
import { PAGES } from '../site/make';

test(
  'menus are shown as a table and brought together; two pages are made from one and entered in all',
  { tag: LONG },
  async ({ page }) => {
    await openKites(page, 'markup');
    await page.getByRole('button', { name: 'Menus' }).click();
    const menus = page.getByRole('dialog', { name: 'The menu of 3 pages' });
    await expect(menus.getByRole('row', { name: /^index\.html/ })).toContainText('broken link');
    expect(await violations(page)).toEqual([]);
    await menus.getByRole('button', { name: 'Make all menus match' }).click();
    await expect(menus.getByText('All menus match.')).toBeVisible();
    await menus.getByRole('button', { name: 'Close' }).click();

    const make = async (title: string, file: string, pictures: readonly string[]) => {
      await page.getByRole('button', { name: 'New page', exact: true }).click();
      const dialog = page.getByRole('dialog', { name: 'New page' });
      await dialog.getByRole('textbox', { name: 'Title' }).fill(title);
      await dialog.getByRole('textbox', { name: 'File' }).fill(file);
      await dialog.getByRole('combobox', { name: 'Start from' }).click();
      await page.getByRole('option', { name: 'festival.html' }).click();
      for (const name of pictures) await dialog.getByRole('checkbox', { name: `Select ${name}` }).check();
      await dialog.getByRole('checkbox', { name: 'Add to every menu' }).check();
      await expect(dialog.getByRole('textbox', { name: 'Label in the menu' })).toHaveValue(title);
      expect(await violations(page)).toEqual([]);
      await dialog.getByRole('button', { name: 'Create page' }).click();
      await expect(page.getByRole('status').getByText(`New page ${file} from festival.html`)).toBeVisible();
    };
    await page.getByRole('button', { name: 'New page', exact: true }).click();
    await page.getByRole('combobox', { name: 'Start from' }).click();
    await page.getByRole('option', { name: 'festival.html' }).click();
    const names = await page
      .getByRole('checkbox', { name: /^Select (?!all|none)/ })
      .evaluateAll((boxes) => boxes.map((box) => box.getAttribute('aria-label')?.replace('Select ', '') ?? ''));
    expect(names).toHaveLength(4);
    await page.getByRole('dialog', { name: 'New page' }).getByRole('button', { name: 'Cancel' }).click();
    await make('Winter days', 'winter.html', names.slice(0, 2));
    await make('At the mere', 'mere.html', names.slice(2));
    await expect(page.getByRole('combobox', { name: 'Page' })).toHaveText('mere.html');

    const out = await unpacked(page);
    const files = ['index.html', 'festival.html', 'workshop.html', 'winter.html', 'mere.html'].map((path) => ({
      path,
      text: readFileSync(join(out, path), 'utf8'),
    }));
    const entries = [
      ['index.html', 'Home'],
      ['festival.html', 'Festival pictures'],
      ['workshop.html', 'Workshop days'],
      ['winter.html', 'Winter days'],
      ['mere.html', 'At the mere'],
    ];
    for (const { path, text } of files) {
      const menu = entries
        .map(([href, label]) => `  <li><a ${href === path ? 'class="here" ' : ''}href="${href}">${label}</a></li>`)
        .join('\n');
      expect({ path, text }).toEqual({ path, text: expect.stringContaining(`<ul class="lines">\n${menu}\n</ul>`) });
    }
    const winter = files[3]!.text;
    expect(winter).toContain('<title>Winter days – Tarrowby Kite Circle</title>');
    expect(winter).toContain('<h1>Winter days</h1>');
    expect(winter.match(/<img /g)).toHaveLength(2);
    expect(winter.match(/data-enlarge-group="festival"/g)).toHaveLength(2);
    expect(winter).not.toContain('delta-over-mere');
    // No error that the page it was made from did not have.
    const validator = new HtmlValidate({ extends: ['html-validate:standard'] });
    const errors = async (text: string) =>
      (await validator.validateString(text)).results.flatMap(({ messages }) => messages.map(({ ruleId }) => ruleId));
    const before = new Set(await errors(files[1]!.text));
    expect((await errors(winter)).filter((rule) => !before.has(rule))).toEqual([]);

    await goTo(page, 'markup');
    for (const label of ['New page mere.html', 'New page winter.html', 'Make the menus of one page match'])
      await page.getByRole('button', { name: new RegExp(`^Undo: ${label}`) }).click();
    await expect(page.getByRole('button', { name: /^Undo:/ })).toHaveCount(0);
    expect(readFileSync(join(await unpacked(page), 'index.html'), 'utf8')).toBe(
      readFileSync(join(PAGES, 'index.html'), 'utf8'),
    );
  },
);
