/**
 * A story of 900 words with groups of pictures among them, put and changed again and again: nothing else on the page
 * changes, each step can be undone to the letter, the live page shows it, and a rehearsal finds what is foretold.
 */
import { join } from 'node:path';
import type { FrameLocator, Page } from '@playwright/test';
import { htmlErrors } from '../checkers';
import { violations } from './axe';
import { expect, goTo, openDemo, openPage, test, unpacked } from './fixtures';
import { choose, cursorOnGroup, panel, placeCursor, press, putGroup, type Way } from './groupSteps';
import { fileOf, pick } from './reels.fixture';
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

/** From the beginning of its body; a text in Markdown is all body. */
const bodyOf = (text: string) => text.slice(Math.max(0, text.indexOf('<body')));

/** What stands before one part and from the next on is as it was; what was asked for lies between. */
function onlyBetween(before: string, after: string, from: string, to: string): void {
  const outside = (text: string) => [text.slice(0, text.indexOf(from)), text.slice(text.indexOf(to))];
  expect(outside(bodyOf(after))).toEqual(outside(bodyOf(before)));
}

const live = (page: Page): FrameLocator => page.frameLocator('iframe[title^="Live page"]');

/** The group behind a part, as the live page shows it: how, and how many of its pictures have come. */
async function shownBehind(page: Page, part: string): Promise<string> {
  const words = live(page).locator('p', { hasText: new RegExp(`^Part ${part}:`) });
  return words.evaluate((element) => {
    const group = element.nextElementSibling;
    const images = [...(group?.querySelectorAll('img') ?? [])];
    const names = [...(group?.classList ?? [])].slice(0, 2).join(' ');
    return `${names} ${images.filter((one) => one.naturalWidth > 0).length}`;
  });
}

interface Step {
  part: string;
  /** The next part, before which nothing else may be changed. */
  next: string;
  way: Way;
  do: (way: Way) => Promise<void>;
  shows: string;
}

const NEXT: Record<string, string> = { One: 'Two', Three: 'Four', Five: 'Six', Seven: 'Eight', Ten: 'Eleven' };

/** Five groups, of which each is changed twice; all seven presentations come by. */
function stepsOn(page: Page): Step[] {
  const step = (part: string, way: Way, shows: string, work: (way: Way) => Promise<void>): Step => ({
    part,
    next: NEXT[part] ?? '',
    way,
    do: work,
    shows,
  });
  const move = (name: string, to: number) => (way: Way) => press(page, way, `Move ${name} to place ${to}`);
  const out = (name: string) => (way: Way) => press(page, way, `Remove ${name}`);
  const into = (name: string) => (way: Way) => choose(page, way, name);
  const as = (presentation: string) => (way: Way) => press(page, way, presentation, 'Shown as');
  return [
    step('One', 'mouse', 'pictures of-4 4', into('star-field')),
    step('One', 'mouse', 'pictures of-4 4', move('star-field', 3)),
    step('Three', 'keyboard', 'pictures still 2', as('Large, still')),
    step('Three', 'keyboard', 'pictures still 1', out('spar-splice')),
    step('Five', 'mouse', 'pictures left 1', as('Left of the text')),
    step('Five', 'mouse', 'pictures right 1', as('Right of the text')),
    step('Seven', 'keyboard', 'pictures wide 1', as('Full width')),
    step('Seven', 'keyboard', 'pictures wide 2', into('star-field')),
    step('Ten', 'mouse', 'pictures slides 3', out('sled-morning')),
    step('Ten', 'mouse', 'pictures of-3 3', as('Grid')),
  ];
}

/** Puts five groups, changes each twice; gives the source after each step. */
async function writeStory(page: Page, file: string): Promise<string[]> {
  const now = () => fileOf(page, file);
  const texts = [await now()];
  const begin = (part: string) => `${file.endsWith('.md') ? '' : '<p>'}Part ${part}: `;
  const put = async (part: string, way: Way, more: Omit<Parameters<typeof putGroup>[1], 'way' | 'behind' | 'text'>) => {
    const text = texts.at(-1) ?? '';
    await putGroup(page, { way, behind: `Part ${part}:`, text, ...more });
    await expect.poll(now).not.toBe(text);
    texts.push(await now());
    onlyBetween(text, texts.at(-1) ?? '', begin(part), begin(NEXT[part] ?? ''));
  };
  await put('One', 'mouse', {
    as: 'Grid',
    columns: 4,
    from: [
      ['workshop.html', ['bridle-knots', 'reel-box']],
      ['festival.html', ['sled-morning']],
    ],
  });
  await put('Three', 'keyboard', { as: 'Large, opens', from: [['workshop.html', ['spar-splice', 'bridle-knots']]] });
  await put('Five', 'mouse', { as: 'Large, opens', from: [['pictures.html', ['delta-over-mere']]] });
  await put('Seven', 'keyboard', { as: 'Large, still', from: [['festival.html', ['last-light']]] });
  await put('Ten', 'mouse', {
    as: 'Slideshow',
    from: [
      ['festival.html', ['sled-morning', 'star-field', 'last-light']],
      ['workshop.html', ['reel-box']],
    ],
  });
  for (const { part, next, way, do: work, shows } of stepsOn(page)) {
    const text = texts.at(-1) ?? '';
    await cursorOnGroup(page, way, part, text);
    await expect(panel(page)).toContainText('This group');
    await work(way);
    await expect.poll(now, { message: `${part}: ${shows}` }).not.toBe(text);
    texts.push(await now());
    onlyBetween(text, texts.at(-1) ?? '', begin(part), begin(next));
    await expect.poll(() => shownBehind(page, part)).toBe(shows);
  }
  return texts;
}

/** Takes back step by step, until the text is as it was made. */
async function undoAll(page: Page, file: string, texts: readonly string[]): Promise<void> {
  for (const before of texts.slice(0, -1).reverse()) {
    await page.getByRole('button', { name: /^Undo: (?:Put|Change)/ }).click();
    await expect.poll(() => fileOf(page, file)).toBe(before);
  }
}

test('five groups among 900 words in the page’s own markup', async ({ page }) => {
  test.setTimeout(300_000);
  await newStory(page, false);
  const texts = await writeStory(page, 'reels.html');
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
  const texts = await writeStory(page, 'reels.md');
  // The page is what comes of it, and every key follows.
  await placeCursor(page, 'mouse', 'Part Two:', texts.at(-1) ?? '');
  await page.keyboard.type(' *really*');
  await expect(live(page).locator('em', { hasText: 'really' })).toBeVisible();
  await expect.poll(() => fileOf(page, 'reels.html')).toContain('<p>Part Two: <em>really</em>');
  await page.getByRole('button', { name: /^Undo: Type in reels.md/ }).click();
  await expect.poll(() => fileOf(page, 'reels.md')).toBe(texts.at(-1));
  await goTo(page, 'wiring');
  await openPage(page, 'reels.html');
  await rehearse(page);
  await goTo(page, 'markup');
  await undoAll(page, 'reels.md', texts);
});
