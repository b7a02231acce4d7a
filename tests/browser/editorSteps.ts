/** Steps in the editor that several tests take. */
import type { Page } from '@playwright/test';
import { expect, framesOn } from './fixtures';

export const line = (page: Page, text: string) => page.locator('.cm-line', { hasText: text }).first();

/** The cursor at the end of some words of a line, as by clicking and going there. */
export async function cursorAfter(page: Page, words: string): Promise<void> {
  const place = line(page, words);
  // Only lines near the window are drawn.
  const scroller = page.locator('.cm-scroller');
  await expect(scroller).toBeVisible();
  // What comes in meanwhile draws the lines anew, and may scroll them away again.
  await expect(async () => {
    await scroller.evaluate((box) => box.scrollTo(0, 0));
    await framesOn(page);
    for (let n = 0; n < 40 && !(await place.isVisible()); n++) {
      await scroller.evaluate((box) => box.scrollBy(0, 150));
      await framesOn(page);
    }
    await place.scrollIntoViewIfNeeded({ timeout: 2000 });
    await place.click({ timeout: 2000 });
  }).toPass();
  const box = await place.evaluate((element, sought) => {
    const range = document.createRange();
    const walker = document.createTreeWalker(element, NodeFilter.SHOW_TEXT);
    let at = (element.textContent ?? '').indexOf(sought) + sought.length;
    for (let node = walker.nextNode(); node; node = walker.nextNode()) {
      const { length } = node.textContent ?? '';
      if (at <= length) {
        range.setStart(node, at);
        range.setEnd(node, at);
        const { left, top, height } = range.getBoundingClientRect();
        return { x: left, y: top + height / 2 };
      }
      at -= length;
    }
    return null;
  }, words);
  if (!box) throw new Error(`“${words}” is not on the screen.`);
  await page.mouse.click(box.x, box.y);
}
