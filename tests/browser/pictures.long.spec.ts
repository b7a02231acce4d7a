/** A whole site leaves as an archive and is opened in another browser. */
import { execFileSync } from 'node:child_process';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { withoutDemo } from '../setOut';
import { openKites, expect, goTo, settled, show, test } from './fixtures';

test('an archive moves a site to another browser, words and pictures and all', async ({ page, browser, baseURL }) => {
  await openKites(page);
  // What is remembered beside the files goes along: the recipe, whose pictures these are, words, tags, the order.
  await page.getByRole('button', { name: 'Change image sizes' }).click();
  await page.getByRole('dialog', { name: 'Image sizes' }).getByRole('button', { name: 'Add a size' }).click();
  await page.getByRole('button', { name: 'Save sizes' }).click();
  await show(page, 'Text and credits, 1');
  await page.getByRole('textbox', { name: 'Default copyright' }).fill('© 2026 The Circle');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await page.getByRole('textbox', { name: 'Caption of delta-over-mere.jpg' }).fill('Delta, rising');
  await page.keyboard.press('Enter');
  await show(page, 'Order and names');
  await page.getByRole('checkbox', { name: 'Choose delta-over-mere' }).check();
  await page.getByRole('textbox', { name: 'Tag' }).fill('first flights');
  await page.getByRole('button', { name: 'Add tag' }).click();
  await page
    .getByRole('group', { name: 'Order of the pictures' })
    .getByRole('button', { name: 'by date taken' })
    .click();
  await goTo(page, 'pack');
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save archive' }).click();
  const zip = join(mkdtempSync(join(tmpdir(), 'heathmoor-')), 'archive.zip');
  await (await download).saveAs(zip);
  expect(execFileSync('unzip', ['-Z1', zip], { encoding: 'utf8' })).toContain('heathmoor.json');

  const other = await (await browser.newContext({ baseURL })).newPage();
  await withoutDemo(other);
  await other.goto('/');
  await other.locator('[data-pick="archive"]').setInputFiles(zip);
  await other.waitForURL(/\/pairs(\?|$)/, { timeout: 90_000 });
  await settled(other);
  await expect(other.getByRole('banner').getByText('site', { exact: true })).toBeVisible();
  await expect(other.getByText('30 pictures, 21 matched')).toBeVisible();
  await expect(other.getByRole('region', { name: 'File names and image sizes' })).toContainText(
    'medium at most 600 px on its longer side',
  );
  await show(other, 'Text and credits, 1');
  await expect(other.getByRole('textbox', { name: 'Default copyright' })).toHaveValue('© 2026 The Circle');
  await expect(other.getByRole('textbox', { name: 'Caption of delta-over-mere.jpg' })).toHaveValue('Delta, rising');
  await show(other, 'Order and names');
  await expect(other.getByRole('button', { name: 'by date taken', pressed: true })).toBeVisible();
  await expect(other.getByRole('button', { name: 'Remove the tag first flights from delta-over-mere' })).toBeVisible();
  await goTo(other, 'pack');
  await expect(other.getByText(/^60 files, 2\.\d MB$/)).toBeVisible();
  await other.context().close();
});
