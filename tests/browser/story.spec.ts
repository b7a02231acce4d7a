/** A story of 900 words with five groups of pictures, in the page’s own markup and in Markdown. */
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import { htmlErrors } from '../checkers';
import { violations } from './axe';
import { expect, goTo, openDemo, test, unpacked } from './fixtures';
import { placeCursor } from './groupSteps';
import { comesFromDisk } from './manual.fixture';
import { fileOf, pick } from './reels.fixture';
import { as, into, live, move, out, play, type Scene, undoAll } from './scenes';
import { rehearse } from './wiringSteps';

const SENTENCES = [
  'Rain until nine, then a clear north-westerly that smelled of the mere.',
  'We laid the long lines out in the sail loft and waxed the bridles one by one.',
  'Nobody spoke much; the kettle did.',
  'By ten the field was full, and the first delta stood over the reeds as if it had been pinned there.',
  'The children ran, which is what children and kites have always had in common.',
  'Somebody had brought a reel that squeaked, and somebody else had brought oil.',
  'When the wind dropped we ate, and when it rose again we left the bread where it was.',
];

/** Twelve parts of about 75 words, each with a beginning of its own. */
const PARTS = ['One', 'Two', 'Three', 'Four', 'Five', 'Six', 'Seven', 'Eight', 'Nine', 'Ten', 'Eleven', 'Twelve'].map(
  (name, n) => `Part ${name}: ${[...SENTENCES.slice(n % 7), ...SENTENCES.slice(0, n % 7)].join(' ')}`,
);
const TEXT = [
  '# The day of the reels',
  ...PARTS.flatMap((part, n) => (n % 4 === 1 ? [`## Hour ${n}`, part] : [part])),
].join('\n\n');

test('the story has 900 words', () => {
  expect(TEXT.split(/\s+/).length).toBeGreaterThan(900);
});

async function newStory(page: Page, keep: boolean): Promise<void> {
  await openDemo(page, 'markup');
  await expect(page.getByText(/still being read/)).toHaveCount(0);
  await page.getByRole('button', { name: 'New page' }).click();
  const dialog = page.getByRole('dialog', { name: 'New page' });
  await dialog.getByRole('button', { name: 'Text with pictures' }).click();
  await dialog.locator('input[data-pick=text]').setInputFiles({
    name: 'reels.md',
    mimeType: 'text/markdown',
    buffer: Buffer.from(`${TEXT}\n`),
  });
  await expect(dialog.getByRole('textbox', { name: 'Title' })).toHaveValue('The day of the reels');
  await dialog.getByRole('textbox', { name: 'File' }).fill('reels.html');
  await pick(page, 'Start from', 'workshop.html');
  await dialog.getByRole('checkbox', { name: /^Keep the Markdown/ }).setChecked(keep);
  await dialog.getByRole('checkbox', { name: 'Add to every menu' }).check();
  expect(await violations(page)).toEqual([]);
  await dialog.getByRole('button', { name: 'Create page' }).click();
  await expect(dialog).toHaveCount(0);
  await expect.poll(() => fileOf(page, 'reels.html')).toContain('Part Twelve');
  await page.getByRole('button', { name: 'Picture group', exact: true }).click();
}

/** Five groups, of which each is changed twice; all seven presentations come by. */
function sceneOf(file: string): Scene {
  const begin = (part: string) => `${file.endsWith('.md') ? '' : '<p>'}Part ${part}: `;
  const behind = (part: string, next: string) => ({
    behind: `Part ${part}:`,
    between: [begin(part), begin(next)] as const,
  });
  return {
    file,
    groups: [
      {
        ...behind('One', 'Two'),
        way: 'mouse',
        as: 'Grid',
        columns: 4,
        from: [
          ['workshop.html', ['bridle-knots', 'reel-box']],
          ['festival.html', ['sled-morning']],
        ],
      },
      {
        ...behind('Three', 'Four'),
        way: 'keyboard',
        as: 'Large, opens',
        from: [['workshop.html', ['spar-splice', 'bridle-knots']]],
      },
      { ...behind('Five', 'Six'), way: 'mouse', as: 'Large, opens', from: [['pictures.html', ['delta-over-mere']]] },
      { ...behind('Seven', 'Eight'), way: 'keyboard', as: 'Large, still', from: [['festival.html', ['last-light']]] },
      {
        ...behind('Ten', 'Eleven'),
        way: 'mouse',
        as: 'Slideshow',
        from: [
          ['festival.html', ['sled-morning', 'star-field', 'last-light']],
          ['workshop.html', ['reel-box']],
        ],
      },
    ],
    steps: [
      { group: 0, way: 'mouse', do: into('star-field'), shows: 'pictures of-4 4' },
      { group: 0, way: 'mouse', do: move('star-field', 3), shows: 'pictures of-4 4' },
      { group: 1, way: 'keyboard', do: as('Large, still'), shows: 'pictures still 2' },
      { group: 1, way: 'keyboard', do: out('spar-splice'), shows: 'pictures still 1' },
      { group: 2, way: 'mouse', do: as('Left of the text'), shows: 'pictures left 1' },
      { group: 2, way: 'mouse', do: as('Right of the text'), shows: 'pictures right 1' },
      { group: 3, way: 'keyboard', do: as('Full width'), shows: 'pictures wide 1' },
      { group: 3, way: 'keyboard', do: into('star-field'), shows: 'pictures wide 2' },
      { group: 4, way: 'mouse', do: out('sled-morning'), shows: 'pictures slides 3' },
      { group: 4, way: 'mouse', do: as('Grid'), shows: 'pictures of-3 3' },
    ],
  };
}

test('five groups among 900 words in the page’s own markup', async ({ page }) => {
  test.setTimeout(300_000);
  await newStory(page, false);
  const texts = await play(page, sceneOf('reels.html'));
  expect(await violations(page)).toEqual([]);
  await goTo(page, 'wiring');
  await rehearse(page);
  const folder = await unpacked(page);
  expect(await htmlErrors([join(folder, 'reels.html')])).toEqual([]);
  await goTo(page, 'markup');
  await undoAll(page, 'reels.html', texts);
});

test('five groups among 900 words in Markdown', async ({ page }) => {
  test.setTimeout(300_000);
  await newStory(page, true);
  await page.getByRole('button', { name: 'Open reels.md' }).click();
  await page.getByRole('button', { name: 'Picture group', exact: true }).click();
  const texts = await play(page, sceneOf('reels.md'));
  // The page is what comes of it, and every key follows.
  await placeCursor(page, 'mouse', 'Part Two:', texts.at(-1) ?? '');
  await page.keyboard.type(' *really*');
  await expect(live(page).locator('em', { hasText: 'really' })).toBeVisible();
  await expect.poll(() => fileOf(page, 'reels.html')).toContain('<p>Part Two: <em>really</em>');
  await page.getByRole('button', { name: /^Undo: Type in reels.md/ }).click();
  await expect.poll(() => fileOf(page, 'reels.md')).toBe(texts.at(-1));
  await goTo(page, 'wiring');
  await rehearse(page);
  await goTo(page, 'markup');
  await undoAll(page, 'reels.md', texts);
});

test('the demo’s story is valid, and shows its pictures from disk and without scripts', async ({ page, browser }) => {
  await openDemo(page);
  const folder = await unpacked(page);
  expect(await htmlErrors([join(folder, 'story.html')])).toEqual([]);
  expect(await comesFromDisk(browser, join(folder, 'story.html'), '.pictures img')).toBe(7);
  const context = await browser.newContext();
  const visitor = await context.newPage();
  const said = async (name: string) => {
    await visitor.goto(`file://${join(folder, name)}`);
    return (await violations(visitor)).map((one) => one.replace(/:.*/s, ''));
  };
  // The pages of the circle have no landmarks, and this one is made from another.
  const before = await said('festival.html');
  expect((await said('story.html')).filter((one) => !before.includes(one))).toEqual([]);
  // With scripts a picture opens from disk as well.
  await visitor.getByRole('link', { name: 'A purple delta kite rising over the mere' }).click();
  await expect(visitor.getByRole('dialog')).toBeVisible();
  await context.close();
});
