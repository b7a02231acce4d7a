/**
 * The exported demo, mended, as a visitor's browser loads it from a host: what Lighthouse says of it on a desktop. On a
 * phone's dense screen it asks for thumbnails of twice the size, which the demo's author has not made.
 */
import { chromium } from '@playwright/test';
import lighthouse, { desktopConfig, type Result } from 'lighthouse';
import { FAULTS } from '../../demo/faults';
import { CHROMIUM, FLAGS } from '../browser';
import { host } from '../host';
import { expect, openDemo, test, unpacked } from './fixtures';

/** Where Lighthouse talks to the browser. */
const PORT = 9333;

test('the mended demo has 100 for performance, accessibility and best practices, and nothing shifts', async ({
  page,
}) => {
  test.setTimeout(280_000);
  await openDemo(page, 'proof');
  const rows = page.getByRole('list', { name: 'Findings' }).getByRole('listitem');
  await expect(rows).toHaveCount(FAULTS.length);
  let left = FAULTS.length;
  for (const fault of FAULTS.filter(({ fix }) => fix !== null)) {
    await page
      .locator(`[data-rule="${fault.rule}"]`)
      .getByRole('button', { name: fault.fix ?? '' })
      .click();
    await expect(rows).toHaveCount(--left, { timeout: 90_000 });
  }
  await page.locator('[data-rule="alt-missing"]').getByRole('button', { name: 'Write alt text' }).click();
  await page.getByRole('textbox', { name: 'Alt text' }).fill('Coloured paper, cut and ready');
  await page.getByRole('textbox', { name: 'Alt text' }).press('Enter');
  await expect(page.getByText('40 strands, no findings')).toBeVisible();
  const { server, address } = await host(await unpacked(page));
  const browser = await chromium.launch({
    executablePath: CHROMIUM,
    args: [...FLAGS, `--remote-debugging-port=${PORT}`],
  });
  try {
    for (const name of ['festival.html', 'workshop.html']) {
      // A machine that others use at the same time may be slow once; what is measured is the page.
      let scores: Record<string, number | null> = {};
      let result: Result | undefined;
      for (let n = 0; n < 3 && Object.values(scores).filter((score) => score === 1).length < 3; n++) {
        result = (
          await lighthouse(
            `${address}${name}`,
            {
              port: PORT,
              output: 'json',
              logLevel: 'silent',
              onlyCategories: ['performance', 'accessibility', 'best-practices'],
            },
            desktopConfig,
          )
        )?.lhr;
        scores = Object.fromEntries(Object.entries(result?.categories ?? {}).map(([id, { score }]) => [id, score]));
      }
      const failed = Object.values(result?.audits ?? {})
        .filter(({ score, scoreDisplayMode }) => score !== null && score < 0.9 && scoreDisplayMode !== 'informative')
        .map(({ id, displayValue, score }) => `${id} ${score} ${displayValue ?? ''}`);
      expect(scores, `${name}: ${failed.join('; ')}`).toEqual({
        performance: 1,
        accessibility: 1,
        'best-practices': 1,
      });
      expect(result?.audits['cumulative-layout-shift']?.numericValue, name).toBe(0);
    }
  } finally {
    await browser.close();
    server.close();
  }
});
