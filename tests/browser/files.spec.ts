/** All files of a site from any station, and a page shown where the preview origin does not answer. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { importFolder, expect, folderWith, goTo, openKites, photograph, test, LONG } from './fixtures';
import { violations } from './axe';
import { SITE } from '../site/make';

test('the drawer opens from any station; text goes to Markup, a picture to its strand, anything is saved', async ({
  page,
}) => {
  await openKites(page, 'wiring');
  await page.keyboard.press('f');
  const drawer = page.getByRole('dialog', { name: 'Site files' });
  await expect(drawer.getByText(/^60 files, 2\.\d MB$/)).toBeVisible();
  expect(await violations(page), 'drawer').toEqual([]);
  await drawer.getByRole('textbox', { name: 'Part of a name' }).fill('star-field');
  await expect(drawer.getByRole('listitem')).toHaveCount(2);
  await drawer.getByRole('button', { name: 'star-field.jpg' }).first().click();
  await expect(page.getByRole('complementary', { name: 'Strand' }).getByRole('heading')).toHaveText('star-field');

  await page.getByRole('button', { name: 'Site files' }).click();
  await drawer.getByRole('textbox').fill('kites.css');
  const download = page.waitForEvent('download');
  await drawer.getByRole('button', { name: 'Save css/kites.css' }).click();
  expect(readFileSync(await (await download).path())).toEqual(readFileSync(join(SITE, 'css/kites.css')));
  await drawer.getByRole('button', { name: 'kites.css', exact: true }).click();
  await page.waitForURL(/\/markup(\?|$)/);
  await expect(page.locator('.cm-line').first()).toContainText(
    readFileSync(join(SITE, 'css/kites.css'), 'utf8').split('\n')[0] ?? '',
  );
  await page.getByRole('button', { name: 'Site files' }).click();
  await drawer.getByRole('textbox').fill('nowhere');
  await expect(drawer.getByText('No file has “nowhere” in its name.')).toBeVisible();
});

test(
  'where the preview origin does not answer, the page is shown without its scripts, and says so',
  { tag: LONG },
  async ({ page }) => {
    const folder = folderWith({
      'index.html':
        '<!DOCTYPE html>\n<html lang="en"><head><meta charset="utf-8"><title>t</title><link rel="stylesheet" href="css/a.css"><style>p { color: rgb(7, 8, 9); }</style><link rel="icon" href="gone.ico"></head>\n<body style="background-image: url(small/a.jpg)"><h1>Kites</h1>\n<p><a href="a.jpg"><img src="small/a.jpg" srcset="small/a.jpg 1x, a.jpg 2x" alt="a"></a> <img src="gone.jpg" alt="gone"> <img src="http://host.invalid/b.jpg" alt="outside"></p>\n<script>document.querySelector("h1").textContent = "scripted"</script>\n</body></html>\n',
      'css/a.css': 'h1 { color: rgb(1, 2, 3); background: url("../small/a.jpg") }\n',
      'a.jpg': await photograph(1),
      'small/a.jpg': await photograph(1, 400, 400),
    });
    await page.route('**/bridge.html', (route) => route.abort());
    await page.goto('/');
    await importFolder(page, folder);
    await goTo(page, 'markup');
    await expect(page.getByText('Limited preview: no scripts')).toBeVisible();
    const frame = page.frameLocator('iframe[title="Live page index.html, limited"]');
    await expect(frame.locator('h1')).toHaveText('Kites');
    await expect(frame.locator('h1')).toHaveCSS('color', 'rgb(1, 2, 3)');
    await expect(frame.locator('h1')).toHaveCSS('background-image', /^url\("data:image\/jpeg/);
    await expect(frame.locator('p')).toHaveCSS('color', 'rgb(7, 8, 9)');
    await expect(frame.locator('body')).toHaveCSS('background-image', /^url\("data:image\/jpeg/);
    const box = await frame.getByRole('img', { name: 'a', exact: true }).boundingBox();
    expect(Math.round((box!.width / box!.height) * 10)).toBe(10);
    expect(box!.width).toBeGreaterThan(100);
    expect(await violations(page)).toEqual([]);

    // The way back, once the port answers again.
    await page.unroute('**/bridge.html');
    await page.getByRole('button', { name: 'Start the preview again' }).click();
    await expect(page.frameLocator('iframe[title="Live page index.html"]').locator('h1')).toHaveText('scripted');
  },
);
