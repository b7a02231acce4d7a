/** Groups of pictures among the words of a page: put at the cursor, changed by mouse and by keyboard, reopened. */
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import { htmlErrors } from '../checkers';
import { violations } from './axe';
import { cursorAfter } from './editorSteps';
import { inOrder, panel, stock } from './groupSteps';
import { expect, goTo, openDemo, openFiles, openPage, test, unpacked } from './fixtures';
import { fileOf, OLD, pick, reels } from './reels.fixture';

const WORDS = 'We took the old reels down from the loft, oiled them, and wound the long lines.';
const STORY = `<!DOCTYPE html>\r\n<HTML LANG=en><HEAD><META CHARSET=utf-8><TITLE>A day</TITLE>\r\n<STYLE>\r\nbody { margin: 1em }\r\n</STYLE></HEAD>\r\n<BODY>\r\n<H1>A day</H1>\r\n<P>${WORDS}</P>\r\n<P>By ten the field was full.</P>\r\n</BODY></HTML>\r\n`;

async function openStory(page: Page): Promise<void> {
  await openFiles(page, { ...(await reels()), 'old.html': OLD(['a', 'b', 'c', 'd']), 'day.html': STORY });
  await expect(page.getByText(/still being read/)).toHaveCount(0);
  await goTo(page, 'markup');
  await openPage(page, 'day.html');
  await page.getByRole('button', { name: 'Picture group', exact: true }).click();
}

/** The page without what the stylesheet in its head has got. */
const bodyOf = (text: string) => text.slice(text.indexOf('<BODY>'));

test('a group is put at the cursor, changed by each press, and taken out to the letter', async ({ page }) => {
  await openStory(page);
  await cursorAfter(page, 'oiled them');
  await expect(panel(page)).toContainText('at the cursor, line 8');
  await pick(page, 'Written like', 'clean markup');
  for (const name of ['c', 'a']) await stock(page, name).click();
  await panel(page).getByRole('group', { name: 'Columns' }).getByRole('button', { name: '2' }).click();
  expect(await violations(page)).toEqual([]);
  await panel(page).getByRole('button', { name: 'Put 2 pictures here' }).click();
  const item = (name: string) =>
    `  <a href="large/${name}.jpg"><img src="small/${name}.jpg" width="310" height="310" alt="Reel ${name}"></a>\r\n`;
  const group = (classes: string, names: string) =>
    `<div class="pictures ${classes}">\r\n${[...names].map(item).join('')}</div>\r\n`;
  const withGroup = (written: string) => bodyOf(STORY).replace(`${WORDS}</P>\r\n`, `${WORDS}</P>\r\n${written}`);
  const body = async () => bodyOf(await fileOf(page, 'day.html'));
  await expect.poll(body).toBe(withGroup(group('of-2', 'ca')));
  expect(await fileOf(page, 'day.html')).toContain('.pictures.of-2 {');

  // The cursor on it reopens it, and each press is one change.
  await cursorAfter(page, 'class="pictures');
  await expect(panel(page)).toContainText('This group');
  await expect(inOrder(page)).toHaveCount(2);
  await stock(page, 'd').click();
  await expect.poll(body).toBe(withGroup(group('of-2', 'cad')));
  await panel(page).getByRole('button', { name: 'Move d to place 2' }).click();
  await expect.poll(body).toBe(withGroup(group('of-2', 'cda')));
  await panel(page).getByRole('button', { name: 'Remove c' }).click();
  await expect.poll(body).toBe(withGroup(group('of-2', 'da')));
  const shownAs = panel(page).getByRole('group', { name: 'Shown as' });
  await shownAs.getByRole('button', { name: 'Large, still' }).click();
  await expect.poll(body).toContain('<img src="large/d.jpg" width="900" height="600" alt="Reel d">\r\n');
  expect(await body()).toContain('class="pictures still"');
  await expect(page.frameLocator('iframe[title^="Live page"]').getByRole('img')).toHaveCount(2);
  // By keyboard alone.
  await shownAs.getByRole('button', { name: 'Grid' }).focus();
  await page.keyboard.press('Enter');
  await expect.poll(body).toBe(withGroup(group('of-3', 'da')));
  await expect(inOrder(page)).toHaveCount(2);
  await panel(page).getByRole('button', { name: 'Remove the group' }).click();
  await expect.poll(body).toBe(bodyOf(STORY));
  for (const label of [
    'Take a group',
    'Change a group',
    'Change a group',
    'Change a group',
    'Change a group',
    'Change a group',
  ])
    await page.getByRole('button', { name: new RegExp(`^Undo: ${label}`) }).click();
  await page.getByRole('button', { name: /^Undo: Put 2 pictures/ }).click();
  await expect.poll(() => fileOf(page, 'day.html')).toBe(STORY);
});

test('a gallery that somebody typed is a group as well, in its own manner', async ({ page }) => {
  await openStory(page);
  await openPage(page, 'old.html');
  await page.getByRole('button', { name: 'Picture group', exact: true }).click();
  await cursorAfter(page, 'ALT="Reel b');
  await expect(panel(page)).toContainText('This group');
  await expect(panel(page)).toContainText('Laid out by its author’s own markup');
  await expect(inOrder(page)).toHaveCount(4);
  await stock(page, 'b').click();
  await expect.poll(() => fileOf(page, 'old.html')).toBe(OLD(['a', 'c', 'd']));
  await panel(page).getByRole('button', { name: 'Move d to place 2' }).click();
  await expect.poll(() => fileOf(page, 'old.html')).toBe(OLD(['a', 'd', 'c']));
});

test('on the demo a group is opened by the viewer of the site; the page stays valid', async ({ page }) => {
  await openDemo(page, 'markup');
  await expect(page.getByText(/still being read/)).toHaveCount(0);
  await openPage(page, 'index.html');
  await page.getByRole('button', { name: 'Picture group', exact: true }).click();
  await cursorAfter(page, 'every second Saturday');
  for (const name of ['bridle-knots', 'delta-over-mere', 'first-flight']) await stock(page, name).click();
  await panel(page).getByRole('button', { name: 'Put 3 pictures here' }).click();
  await expect.poll(() => fileOf(page, 'index.html')).toMatch(/<ul class="pictures of-3">[^]*data-enlarge/);
  expect(await fileOf(page, 'index.html')).toContain('viewer/lightbox.js');
  const folder = await unpacked(page);
  expect(await htmlErrors([join(folder, 'index.html')])).toEqual([]);
});
