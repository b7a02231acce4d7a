/** Steps with groups of pictures, by mouse and by keyboard. */
import type { Page } from '@playwright/test';
import { cursorAfter } from './editorSteps';
import { expect, framesOn } from './fixtures';
import { pick } from './reels.fixture';

export type Way = 'mouse' | 'keyboard';

export const panel = (page: Page) => page.getByRole('region', { name: 'Picture group', exact: true });
export const stock = (page: Page, name: string) =>
  panel(page)
    .getByRole('list', { name: 'Pictures for the group' })
    .getByRole('button', { name: new RegExp(`^(\\d+ )?${name}$`) });
export const inOrder = (page: Page) =>
  panel(page).getByRole('list', { name: 'Pictures in this order' }).getByRole('listitem');

/** Presses a button of the panel. */
export async function press(page: Page, way: Way, name: RegExp | string, group?: string): Promise<void> {
  const within = group === undefined ? panel(page) : panel(page).getByRole('group', { name: group });
  const button = within.getByRole('button', { name, exact: true }).first();
  if (way === 'mouse') await button.click();
  else {
    await button.focus();
    await page.keyboard.press('Enter');
  }
}

/** A picture into the group, or out of it. */
export async function choose(page: Page, way: Way, name: string): Promise<void> {
  if (way === 'mouse') await stock(page, name).click();
  else {
    await stock(page, name).focus();
    await page.keyboard.press('Space');
  }
}

/** The cursor behind some words of the source. */
export async function placeCursor(page: Page, way: Way, words: string, text: string): Promise<void> {
  if (way === 'mouse') await cursorAfter(page, words);
  else await walkTo(page, text.slice(0, text.indexOf(words)).split('\n').length);
}

/** The cursor on the group behind some words, which stand on one line. */
export async function cursorOnGroup(page: Page, way: Way, behind: string, text: string): Promise<void> {
  const at = text.indexOf('="pictures ', text.indexOf(behind));
  if (way === 'keyboard') return walkTo(page, text.slice(0, at).split('\n').length);
  await cursorAfter(page, behind);
  const words = page.locator('.cm-line', { hasText: behind });
  await words.locator(`xpath=following-sibling::*[contains(., '="pictures ')][1]`).click();
  return undefined;
}

/** From where the cursor is, by pages and by lines, as long as the panel says another one. */
async function walkTo(page: Page, line: number): Promise<void> {
  await page.locator('.cm-content').focus();
  const says = panel(page).getByText(/^(?:Put the cursor into the source|at the cursor, line \d+|lines \d+–\d+)$/);
  const where = async () => {
    await framesOn(page);
    const [first = 0, last = first] = ((await says.textContent()) ?? '').match(/\d+/g)?.map(Number) ?? [];
    if (first <= line && line <= last) return null;
    const isFar = Math.min(Math.abs(line - first), Math.abs(line - last)) > 15;
    return (isFar ? 'Page' : 'Arrow') + (line > last ? 'Down' : 'Up');
  };
  let way = await where();
  for (let n = 0; n < 400 && way !== null; n++) {
    await page.keyboard.press(way);
    way = await where();
  }
  expect(way).toBeNull();
  // Not at the beginning of the line, which is before what stands there.
  await page.keyboard.press('End');
}

export interface GroupWish {
  way: Way;
  /** Behind which words. */
  behind: string;
  /** The page as it is now. */
  text: string;
  /** Pictures with the page from which each is chosen. */
  from: readonly (readonly [page: string, names: readonly string[]])[];
  as: string;
  columns?: number;
}

/** A new group, put together and written. */
export async function putGroup(page: Page, { way, behind, text, from, as, columns }: GroupWish): Promise<void> {
  await placeCursor(page, way, behind, text);
  await press(page, way, as, 'Shown as');
  if (columns !== undefined) await press(page, way, String(columns), 'Columns');
  for (const [path, names] of from) {
    await pick(page, 'On page', path);
    for (const name of names) await choose(page, way, name);
  }
  await pick(page, 'On page', 'any page');
  await press(page, way, /^Put \d+ pictures? here$/);
}
