/** Groups of pictures among the words of a home page that nobody here wrote, and of a Markdown text beside it. */
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import { expect, folderWith, goTo, importFolder, openPage, test, unpacked } from './fixtures';
import { comesFromDisk, INTRODUCTION, MANUAL, newTrouble, someOf } from './manual.fixture';
import { fileOf } from './reels.fixture';
import { as, into, move, out, play, type Scene, undoAll } from './scenes';
import { rehearse, wireWith } from './wiringSteps';

test.skip(!existsSync(MANUAL), 'the package xfig-doc is not installed');

const written = existsSync(MANUAL) ? readFileSync(join(MANUAL, INTRODUCTION), 'latin1') : '';

/** It is the page that the frames of the manual open with. */
const HOME: Scene = {
  file: INTRODUCTION,
  groups: [
    {
      behind: 'printer</A>, too.',
      between: ['printer</A>, too.', '<P>There are <A'],
      way: 'mouse',
      as: 'Grid',
      columns: 2,
      from: [
        [INTRODUCTION, ['watch', 'transit']],
        ['panning.html', ['unit-box']],
      ],
    },
    {
      behind: 'images</A> in formats such as GIF, JPEG, EPSF',
      between: ['images</A> in formats such as GIF, JPEG, EPSF', '<P>Most operation are'],
      way: 'keyboard',
      as: 'Left of the text',
      from: [[INTRODUCTION, ['greenpig']]],
    },
    {
      behind: 'buttons 1 to 3 are assigned',
      between: ['buttons 1 to 3 are assigned', '<P><B>xfig 3.2.X'],
      way: 'mouse',
      as: 'Large, still',
      from: [['japanese/introduction.html', ['3dhouse']]],
    },
    {
      behind: 'See <a href="i18n.html">',
      between: ['See <a href="i18n.html">', '<H2><A NAME="starting-xfig"'],
      way: 'keyboard',
      as: 'Large, opens',
      from: [[INTRODUCTION, ['power-supply', 'transit']]],
    },
    {
      behind: 'is started.',
      between: ['is started.', '<H2><A NAME="display-windows"'],
      way: 'mouse',
      as: 'Slideshow',
      from: [[INTRODUCTION, ['watch', 'greenpig', 'transit']]],
    },
  ],
  steps: [
    { group: 0, way: 'mouse', do: into('greenpig'), shows: 'pictures of-2 4' },
    { group: 0, way: 'mouse', do: move('greenpig', 3), shows: 'pictures of-2 4' },
    { group: 1, way: 'keyboard', do: as('Right of the text'), shows: 'pictures right 1' },
    { group: 1, way: 'keyboard', do: into('watch'), shows: 'pictures right 2' },
    { group: 2, way: 'mouse', do: as('Full width'), shows: 'pictures wide 1' },
    { group: 2, way: 'mouse', do: into('watch'), shows: 'pictures wide 2' },
    { group: 3, way: 'keyboard', do: out('transit'), shows: 'pictures large 1' },
    { group: 3, way: 'keyboard', do: as('Large, still'), shows: 'pictures still 1' },
    { group: 4, way: 'mouse', do: out('greenpig'), shows: 'pictures slides 2' },
    { group: 4, way: 'mouse', do: as('Grid'), shows: 'pictures of-3 2' },
  ],
};

async function openManual(page: Page, more: Record<string, Buffer> = {}): Promise<void> {
  await page.goto('/');
  await importFolder(page, folderWith({ ...someOf(), ...more }));
  await expect(page.getByText(/still being read/)).toHaveCount(0, { timeout: 60_000 });
}

test('five groups on a stranger’s home page, each changed twice, and taken back to the byte', async ({
  page,
  browser,
}) => {
  test.setTimeout(300_000);
  await openManual(page);
  await goTo(page, 'wiring');
  await openPage(page, INTRODUCTION);
  await wireWith(page, 'Lightbox');
  const wired = await fileOf(page, INTRODUCTION);
  await goTo(page, 'markup');
  await page.getByRole('button', { name: 'Picture group', exact: true }).click();
  const texts = await play(page, HOME);
  // A picture of which no gallery says a word comes without an alt text; nobody makes one up.
  const trouble = await newTrouble(wired, texts.at(-1) ?? '');
  expect(trouble.filter((one) => !/["“]alt["”]/.test(one))).toEqual([]);
  await goTo(page, 'wiring');
  await rehearse(page);
  const folder = await unpacked(page);
  expect(await comesFromDisk(browser, join(folder, INTRODUCTION), '.pictures img')).toBe(11);
  await goTo(page, 'markup');
  await undoAll(page, INTRODUCTION, texts);
  await page.getByRole('button', { name: /^Undo: Add the lightbox/ }).click();
  await expect.poll(() => fileOf(page, INTRODUCTION)).toBe(written);
});
