/**
 * A page of words with groups of pictures among them, put and changed again and again: nothing else on the page
 * changes, the live page shows each step, and each can be undone to the letter.
 */
import type { FrameLocator, Page } from '@playwright/test';
import { expect } from './fixtures';
import { choose, cursorOnGroup, panel, press, putGroup, type GroupWish, type Way } from './groupSteps';
import { fileOf } from './reels.fixture';

interface SceneGroup extends Omit<GroupWish, 'text'> {
  /** Words that stand before it and behind it; nothing beyond them may change. */
  between: readonly [string, string];
}

interface Step {
  /** Its number among the groups. */
  group: number;
  way: Way;
  do: (page: Page, way: Way) => Promise<void>;
  /** Its classes on the live page, and how many of its pictures have come. */
  shows: string;
}

export interface Scene {
  /** The page, or the Markdown that it is made from. */
  file: string;
  groups: readonly SceneGroup[];
  steps: readonly Step[];
}

export const into =
  (name: string): Step['do'] =>
  (page, way) =>
    choose(page, way, name);
export const out =
  (name: string): Step['do'] =>
  (page, way) =>
    press(page, way, `Remove ${name}`);
export const move =
  (name: string, to: number): Step['do'] =>
  (page, way) =>
    press(page, way, `Move ${name} to place ${to}`);
export const as =
  (presentation: string): Step['do'] =>
  (page, way) =>
    press(page, way, presentation, 'Shown as');

export const live = (page: Page): FrameLocator => page.frameLocator('iframe[title^="Live page"]');

/** From the beginning of its body; a text in Markdown is all body. */
const bodyOf = (text: string) => text.slice(Math.max(0, text.search(/<body/i)));

function onlyBetween(before: string, after: string, [from, to]: SceneGroup['between']): void {
  const outside = (text: string) => [text.slice(0, text.indexOf(from)), text.slice(text.indexOf(to))];
  for (const words of [from, to]) expect(before).toContain(words);
  expect(outside(bodyOf(after))).toEqual(outside(bodyOf(before)));
}

/** A group as the live page shows it. */
function shown(page: Page, n: number): Promise<string> {
  return live(page)
    .locator('.pictures')
    .nth(n)
    .evaluate((group) => {
      const images = [...group.querySelectorAll('img')];
      const names = [...group.classList].slice(0, 2).join(' ');
      return `${names} ${images.filter((one) => one.naturalWidth > 0).length}`;
    });
}

/** Puts the groups and takes the steps; gives the source as it was after each. */
export async function play(page: Page, { file, groups, steps }: Scene): Promise<string[]> {
  const now = () => fileOf(page, file);
  const texts = [await now()];
  const changed = async (what: string, between: SceneGroup['between']) => {
    const text = texts.at(-1) ?? '';
    await expect.poll(now, { message: what }).not.toBe(text);
    texts.push(await now());
    onlyBetween(text, texts.at(-1) ?? '', between);
  };
  for (const { between, ...wish } of groups) {
    await putGroup(page, { ...wish, text: texts.at(-1) ?? '' });
    await changed(`put behind “${wish.behind}”`, between);
  }
  for (const { group: n, way, do: work, shows } of steps) {
    const group = groups[n];
    if (!group) throw new Error(`There is no group ${n}.`);
    await cursorOnGroup(page, way, group.behind, texts.at(-1) ?? '');
    await expect(panel(page)).toContainText('This group');
    await work(page, way);
    await changed(`group ${n}: ${shows}`, group.between);
    await expect.poll(() => shown(page, n)).toBe(shows);
  }
  return texts;
}

/** Takes back step by step, until the text is as it was. */
export async function undoAll(page: Page, file: string, texts: readonly string[]): Promise<void> {
  for (const before of texts.slice(0, -1).reverse()) {
    await page.getByRole('button', { name: /^Undo: (?:Put|Change)/ }).click();
    await expect.poll(() => fileOf(page, file)).toBe(before);
  }
}
