/** Exercises as a student does them: begin, look for the line, mend it by hand, rehearse the page. */
import type { Page } from '@playwright/test';
import { EXERCISES } from '../../core/exercises/index.ts';
import { violations } from './axe';
import { cursorAfter } from './editorSteps';
import { expect, LONG, settled, test } from './fixtures';

/** What is written instead of what. */
type HandEdit = readonly [words: string, instead: string];

const CALL = "<script>peephole('.peep');</script>";
const SCRIPT = '<script src="peephole/peephole.js"></script>';

/** The edits that a student would make, by the exercise. */
const ANSWERS: Record<string, readonly HandEdit[]> = {
  'dummy-link': [['href="#', 'href="large/star-field.jpg']],
  'link-to-page': [['href="index.html', 'href="large/sled-morning.jpg']],
  'no-arrows': [
    ['large/sled-morning.jpg" data-enlarge', 'large/sled-morning.jpg" data-enlarge data-enlarge-group="kites"'],
  ],
  'marker-left-off': [['large/star-field.jpg"', 'large/star-field.jpg" data-enlarge']],
  'forgotten-link': [
    [
      'star-field.jpg" data-enlarge data-enlarge-group="kites" title="Sled',
      'sled-morning.jpg" data-enlarge data-enlarge-group="kites" title="Sled',
    ],
  ],
  capitals: [['large/Eye', 'large/eye']],
  'split-group': [
    [
      'star-field.jpg" data-enlarge data-enlarge-group="Kites"',
      'star-field.jpg" data-enlarge data-enlarge-group="kites"',
    ],
  ],
  'wrong-folder': [['src="js/', 'src="viewer/']],
  'selector-dot': [["'peep'", "'.peep'"]],
  'call-too-early': [
    [CALL, ''],
    [SCRIPT, `${SCRIPT}\n${CALL}`],
  ],
  'curly-quotes': [['‘.peep’', "'.peep'"]],
  'root-address': [['src="/viewer/', 'src="viewer/']],
};

const strip = (page: Page) => page.getByRole('region', { name: 'Exercise' });

async function begin(page: Page, title: string): Promise<void> {
  await page.goto('/exercises');
  await page.getByRole('button', { name: `Start: ${title}`, exact: true }).click();
  await settled(page);
}

async function write(page: Page, [words, instead]: HandEdit): Promise<void> {
  await cursorAfter(page, words);
  for (let n = 0; n < words.length; n++) await page.keyboard.press('Backspace');
  if (instead !== '') await page.keyboard.insertText(instead);
  const first = instead.split('\n')[0] ?? '';
  await expect(page.locator('.cm-content')).toContainText(first);
}

/** Runs to its end and is closed. */
async function rehearse(page: Page): Promise<void> {
  await strip(page).getByRole('button', { name: 'Rehearse the page' }).click();
  const rehearsal = page.getByRole('dialog', { name: /^Rehearsal of/ });
  await expect(rehearsal.getByRole('progressbar')).toHaveAttribute('aria-valuenow', '100', { timeout: 90_000 });
  await rehearsal.getByRole('button', { name: 'Close' }).last().click();
}

const QUICK = new Set(['dummy-link', 'selector-dot']);

for (const exercise of EXERCISES)
  test(`“${exercise.title}” is solved by hand${QUICK.has(exercise.id) ? '' : ` ${LONG}`}`, async ({
    page,
    expected,
  }) => {
    test.setTimeout(180_000);
    // What cannot be read has no place that would tell whose script it is.
    expected.console.push(/404/, /^SyntaxError: Invalid or unexpected token/);
    await begin(page, exercise.title);
    await expect(strip(page)).toContainText(`“${exercise.complaint}”`);
    for (const edit of ANSWERS[exercise.id]!) await write(page, edit);
    await rehearse(page);
    await expect(strip(page).getByRole('status')).toHaveText(/^Solved: every picture opens as it should/);
    await strip(page).getByRole('link', { name: 'All exercises' }).click();
    const row = page
      .getByRole('list', { name: 'Exercises' })
      .getByRole('listitem')
      .filter({ hasText: exercise.complaint });
    await expect(row).toContainText('solved');
  });

test('an exercise gives hints one at a time, no fixes, and says of a wrong try what is wrong', async ({
  page,
  expected,
}) => {
  test.setTimeout(180_000);
  expected.console.push(/404/);
  const exercise = EXERCISES.find(({ id }) => id === 'no-arrows')!;
  await begin(page, exercise.title);
  await expect(
    page.getByRole('complementary', { name: 'Strand' }).getByRole('button', { name: /^Add the link/ }),
  ).toHaveCount(0);
  const hints = strip(page).getByRole('list', { name: 'Hints' }).getByRole('listitem');
  await expect(hints).toHaveCount(0);
  await strip(page).getByRole('button', { name: 'Show a hint' }).click();
  await expect(hints).toHaveText([exercise.hints[0]!]);
  await strip(page).getByRole('button', { name: 'Show another hint' }).click();
  await expect(hints).toHaveText(exercise.hints.slice(0, 2));
  expect(await violations(page)).toEqual([]);

  const [[words, right]] = ANSWERS[exercise.id] as [HandEdit];
  const wrong = right.replace('"kites"', '"Kites"');
  await write(page, [words, wrong]);
  await rehearse(page);
  await expect(strip(page).getByRole('status')).toHaveText(/a capital makes another group/);

  await page
    .getByRole('navigation', { name: 'Stations' })
    .getByRole('link', { name: /^Markup/ })
    .click();
  await settled(page);
  await write(page, [wrong, right]);
  await rehearse(page);
  await expect(strip(page).getByRole('status')).toHaveText(/^Solved/);
});

test('an exercise whose pictures cannot be had is not begun, and says why', async ({ page, expected }) => {
  expected.console.push(/ERR_FAILED|Failed to load/);
  await page.goto('/exercises');
  await page.route('**/demo.zip', (route) => route.abort());
  const start = page.getByRole('button', { name: `Start: ${EXERCISES[0]!.title}`, exact: true });
  await start.click();
  await expect(page.getByRole('alert')).toHaveText(/^The exercise could not be loaded: The server does not answer\./);
  await expect(start).toBeEnabled();
});

test('exercises have a list of their own, and can be started again', async ({ page }) => {
  await begin(page, EXERCISES[0]!.title);
  await page.goto('/');
  await expect(page.getByRole('list', { name: 'Sites' }).getByText(EXERCISES[0]!.title)).toHaveCount(0);
  await page.getByRole('link', { name: 'Exercises' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Exercises' })).toBeVisible();
  expect(await violations(page)).toEqual([]);
  await expect(page.getByRole('link', { name: `Continue: ${EXERCISES[0]!.title}` })).toBeVisible();
  await page.getByRole('button', { name: `Start again: ${EXERCISES[0]!.title}` }).click();
  await settled(page);
  await expect(strip(page)).toBeVisible();
});
