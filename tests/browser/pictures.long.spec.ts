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
  await page.getByRole('button', { name: 'Change the recipe' }).click();
  await page.getByRole('dialog', { name: 'Recipe' }).getByRole('button', { name: 'A further size' }).click();
  await page.getByRole('button', { name: 'Use this recipe' }).click();
  await show(page, 'Words, 1');
  await page.getByRole('textbox', { name: 'Copyright where a picture has none' }).fill('© 2026 The Circle');
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await page.getByRole('textbox', { name: 'Caption of delta-over-mere.jpg' }).fill('Delta, rising');
  await page.keyboard.press('Enter');
  await show(page, 'Order and names');
  await page.getByRole('checkbox', { name: 'Choose delta-over-mere' }).check();
  await page.getByRole('textbox', { name: 'Tag' }).fill('first flights');
  await page.getByRole('button', { name: 'Tag them' }).click();
  await page.getByRole('group', { name: 'Order of the pictures' }).getByRole('button', { name: 'by day' }).click();
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
  await expect(other.getByText('30 pictures, 21 sure')).toBeVisible();
  await expect(other.getByRole('region', { name: 'Naming and recipe' })).toContainText(
    'medium at most 600 px on its longer side',
  );
  await show(other, 'Words, 1');
  await expect(other.getByRole('textbox', { name: 'Copyright where a picture has none' })).toHaveValue(
    '© 2026 The Circle',
  );
  await expect(other.getByRole('textbox', { name: 'Caption of delta-over-mere.jpg' })).toHaveValue('Delta, rising');
  await show(other, 'Order and names');
  await expect(other.getByRole('button', { name: 'by day', pressed: true })).toBeVisible();
  await expect(other.getByRole('button', { name: 'Take the tag first flights from delta-over-mere' })).toBeVisible();
  await goTo(other, 'pack');
  await expect(other.getByText(/^60 files, 2\.\d MB$/)).toBeVisible();
  await other.context().close();
});
