/** What a change leaves, for nobody can be certain, is told with its places before and after it. */
import { violations } from './axe';
import { expect, goTo, openFiles, openPage, photograph, settled, test } from './fixtures';

const page = (title: string, more: string) =>
  `<!DOCTYPE html>\n<html lang="en"><head><meta charset="utf-8"><title>${title}</title></head>\n<body>${more}</body></html>\n`;

test('a page under another name: addresses follow, and what only may mean it is shown and can be gone to', async ({
  page: tab,
}) => {
  await openFiles(tab, {
    'index.html': page('One', '<p><a href="second.html">Two</a></p><script src="js/go.js"></script>'),
    'second.html': page('Two', '<p>x</p>'),
    'js/go.js': 'var base = "";\nlocation.assign(base + "second.html");\nvar other = "/second.html";\n',
    'a.jpg': await photograph(1, 300, 200),
  });
  await settled(tab);
  await goTo(tab, 'markup');
  await openPage(tab, 'second.html');
  await tab.getByRole('button', { name: 'This page' }).click();
  const dialog = tab.getByRole('region', { name: 'This page' });
  await dialog.getByRole('textbox', { name: 'Path in the site' }).fill('moved/third.html');
  const told = 'Also named in 1 place, left as it is:';
  await expect(dialog.getByText(told)).toBeVisible();
  expect(await violations(tab)).toEqual([]);
  await dialog.getByRole('button', { name: 'Rename' }).click();
  const slip = tab
    .getByRole('group', { name: 'Last change' })
    .filter({ hasText: 'Rename second.html to moved/third.html' });
  await expect(slip.getByText(told)).toBeVisible();
  await slip.getByRole('button', { name: 'js/go.js, line 2' }).click();
  await expect(dialog).toHaveCount(0);
  await expect(tab.locator('.cm-content')).toContainText('base + "second.html"');
});
