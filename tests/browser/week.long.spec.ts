/** Work on sites of one's own, with photographs that nobody here took, counted in steps as a user takes them. */
import { execFileSync } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { htmlErrors } from '../checkers';
import { cameraFolder } from '../photographs';
import { withoutDemo } from '../setOut';
import { weekFolder } from '../weekSite';
import { expect, LONG, settled, test } from './fixtures';
import { Keyboard, Mouse } from './hands';
import { ownWeek, SLOW } from './ownWeek';
import { expectNothingLost } from './weekKept';

test('twenty photographs become a first exported gallery in a few steps', { tag: LONG }, async ({ page }) => {
  test.setTimeout(SLOW);
  const folder = cameraFolder(20);
  const files = readdirSync(folder).map((name) => join(folder, name));
  await withoutDemo(page);
  await page.goto('/');
  const steps = new Mouse(page);

  await steps.press(page.getByRole('button', { name: 'New site' }));
  await steps.fill(page.getByRole('textbox', { name: 'Name' }), 'Weekends by the water');
  await steps.press(page.getByRole('button', { name: 'Create the site' }));
  await settled(page);
  await steps.press(page.getByRole('button', { name: 'Add pictures' }));
  const dialog = page.getByRole('dialog', { name: 'Add to index.html' });
  await steps.choose(dialog.getByRole('button', { name: 'From disk…' }), files);
  await expect(dialog.getByRole('checkbox', { name: /^Add / })).toHaveCount(20, { timeout: SLOW });
  // What a camera calls its files is offered neither as caption nor as alt text.
  for (const field of ['Caption', 'Alt text'])
    for (const box of await dialog.getByRole('textbox', { name: field }).all()) await expect(box).toHaveValue('');
  await steps.press(dialog.getByRole('button', { name: 'Add 20 items' }));
  await expect(page.getByText('20 items in 1 gallery')).toBeVisible({ timeout: 60_000 });
  await steps.press(page.getByRole('link', { name: 'Pack' }));
  const download = page.waitForEvent('download', { timeout: SLOW });
  await steps.press(page.getByRole('button', { name: 'Save as ZIP' }));
  const out = mkdtempSync(join(tmpdir(), 'week-'));
  execFileSync('unzip', ['-q', await (await download).path(), '-d', out]);

  const written = readFileSync(join(out, 'index.html'), 'utf8');
  expect(written.match(/<img /g)).toHaveLength(20);
  expect(written).not.toMatch(/DSC[ _]\d{4}"(?!\.)[^>]*alt|alt="DSC/);
  const errors = await htmlErrors([join(out, 'index.html')]);
  // Nobody has written an alt text yet, and nothing else is wrong.
  const place = /^Nu: (?:From line|Document checking)/;
  expect(errors.filter((error) => !place.test(error) && !/alt|wcag\/h30/.test(error))).toEqual([]);
  console.log(`${steps.count} steps from an empty start page to an exported gallery; at most 12`);
  expect(steps.count).toBeLessThanOrEqual(12);
});

test(
  'a week on a site typed by hand takes few steps, and nothing that was written is lost',
  { tag: LONG },
  async ({ page }) => {
    test.setTimeout(SLOW);
    const folder = await weekFolder();
    const hands = new Mouse(page);
    await expectNothingLost(folder, await ownWeek(page, hands, folder));
    console.log(`${hands.count} steps for the week; at most 120`);
    expect(hands.count).toBeLessThanOrEqual(120);
  },
);

test('the same week with a keyboard alone', { tag: LONG }, async ({ page }) => {
  test.setTimeout(SLOW * 2);
  const folder = await weekFolder();
  const hands = new Keyboard(page);
  await expectNothingLost(folder, await ownWeek(page, hands, folder));
  console.log(`${hands.count} steps for the week, ${hands.presses} presses of Tab and arrows between them`);
  expect(hands.count).toBeLessThanOrEqual(120);
});
