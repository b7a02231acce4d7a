/** What is seen stands in the address: Back, Forward, a reload and a copied address bring it again. */
import type { Page } from '@playwright/test';
import { expect, goTo, openFiles, openPage, photograph, settled, show, test, LONG } from './fixtures';

const PAGE = (title: string) => `<!DOCTYPE html>
<html lang="en">
  <head><title>${title}</title><link rel="stylesheet" href="style.css"></head>
  <body>
    <h1>${title}</h1>
    <ul class="gallery">
      <li><a href="img/a.jpg"><img src="thumbs/a.jpg" alt="Alder"></a></li>
      <li><a href="img/b.jpg"><img src="thumbs/b.jpg" alt="Birch"></a></li>
      <li><a href="img/c.jpg"><img src="thumbs/c.jpg" alt=""></a></li>
    </ul>
  </body>
</html>
`;

async function open(page: Page): Promise<void> {
  const files: Record<string, string | Buffer> = {
    'index.html': PAGE('First'),
    'second page & more.html': PAGE('Second'),
    'style.css': '.gallery { display: grid; gap: 10px }\n',
  };
  for (const [n, name] of ['a', 'b', 'c'].entries()) {
    files[`img/${name}.jpg`] = await photograph(n, 900, 600);
    files[`thumbs/${name}.jpg`] = await photograph(n, 150, 100);
  }
  await openFiles(page, files);
}

const picker = (page: Page) => page.getByRole('combobox', { name: 'Page', exact: true });
const rail = (page: Page) => page.getByRole('complementary', { name: 'Strand' });

test('Back and Forward go through pages, tabs, sheets and stations', async ({ page }) => {
  await open(page);
  await show(page, 'Order and names');
  await goTo(page, 'markup');
  await openPage(page, 'second page & more.html');
  await page.getByRole('button', { name: 'This page' }).click();
  await expect(page.getByRole('region', { name: 'This page' })).toBeVisible();

  await page.goBack();
  await expect(page.getByRole('region', { name: 'This page' })).toHaveCount(0);
  await expect(picker(page)).toHaveText('second page & more.html');
  await page.goBack();
  await expect(picker(page)).toHaveText('index.html');
  await page.goBack();
  await expect(page.getByRole('tab', { name: 'Order and names', selected: true })).toBeVisible();
  await page.goForward();
  await page.goForward();
  await expect(picker(page)).toHaveText('second page & more.html');
  await page.goForward();
  await expect(page.getByRole('region', { name: 'This page' })).toBeVisible();
});

test('a reload and a copied address show the same page, strand and sheet', async ({ page, context }) => {
  await open(page);
  await goTo(page, 'markup');
  await openPage(page, 'second page & more.html');
  // Keys go to the page and not to the picker that was used last.
  await rail(page).getByRole('heading', { level: 2 }).click();
  for (const name of ['a', 'b', 'c']) {
    await page.keyboard.press('j');
    await expect(rail(page).getByRole('heading', { level: 2 })).toHaveText(new RegExp(name));
  }
  await page.keyboard.press('h');
  await expect(page.getByRole('dialog', { name: 'History' })).toBeVisible();
  await expect(page).toHaveURL(/strand=.*sheet=history/);

  const same = async (one: Page) => {
    await expect(one.getByRole('dialog', { name: 'History' })).toBeVisible();
    await one.getByRole('button', { name: 'Close', exact: true }).click();
    await expect(picker(one)).toHaveText('second page & more.html');
    await expect(rail(one).getByRole('heading', { level: 2 })).toHaveText(/c/);
  };
  const address = page.url();
  await page.reload();
  await same(page);
  const copy = await context.newPage();
  await copy.goto(address);
  await same(copy);
});

test('the layout and a place of a stylesheet stand in the address too', { tag: LONG }, async ({ page }) => {
  await open(page);
  await goTo(page, 'markup');
  await page.getByRole('button', { name: 'Layout' }).click();
  const rules = page.getByRole('region', { name: 'CSS rules of this layout' });
  await expect(rules).toBeVisible();
  await page.reload();
  await settled(page);
  await rules.getByRole('button').first().click();
  await expect(page.locator('.cm-content')).toContainText('.gallery');
  await expect(page).toHaveURL(/page=style\.css.*spot=\d+-\d+/);
  await page.goBack();
  await expect(rules).toBeVisible();
});

test('a place that was gone to lets go of the cursor', async ({ page }) => {
  await open(page);
  await goTo(page, 'wiring');
  await page.getByRole('list', { name: 'What the page loads, in order' }).getByRole('button', { name: /line/ }).click();
  await expect(page.locator('.cm-activeLine')).toContainText('stylesheet');
  await page.locator('.cm-line', { hasText: 'alt="Birch"' }).click();
  await expect(rail(page).getByRole('heading', { level: 2 })).toHaveText('b');
  // By then what is followed stands in the address.
  await expect(page).toHaveURL(/strand=index\.html%230\.1/);
  await expect(page.locator('.cm-activeLine')).toContainText('Birch');
  await page.getByRole('button', { name: 'This page' }).click();
  await page.getByRole('button', { name: 'Back to the source' }).click();
  await expect(page.locator('.cm-activeLine')).toContainText('Birch');
  // Another page has other places.
  await openPage(page, 'second page & more.html');
  await expect(page).not.toHaveURL(/spot=/);
});

test('an address that names what is not there shows what is', { tag: LONG }, async ({ page }) => {
  await open(page);
  const site = page.url().replace(/pairs.*$/, '');
  await page.goto(`${site}markup?page=gone.html&strand=nobody&tab=layout-x&sheet=items&of={&spot=9-1`);
  await settled(page);
  await expect(picker(page)).toHaveText('index.html');
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await page.goto(`${site}markup?page=index.html&spot=900000-900001`);
  await settled(page);
  await expect(page.locator('.cm-content')).toContainText('First');
  await page.goto(`${site}markup?page=gone.html&strand=nobody&tab=layout-x&sheet=items&of={&spot=9-1`);
  await settled(page);
  // What is not there is taken out of the address.
  await expect(page).toHaveURL(/markup\?page=gone\.html&strand=nobody$/);
  await page.goto(`${site}pairs?tab=kitchen&sheet=look&of=img/gone.jpg`);
  await settled(page);
  await expect(page.getByRole('list', { name: 'Pairs' })).toBeVisible();
});
