/** Real touch events, through the browser's own input (DevTools protocol, Input.dispatchTouchEvent). */
import type { Locator, Page } from '@playwright/test';

/** A finger put on the middle of an element, moved by so many CSS px in small steps, and lifted. */
export async function swipe(page: Page, on: Locator, { x = 0, y = 0 }: { x?: number; y?: number }): Promise<void> {
  const box = await on.boundingBox();
  if (!box) throw new Error('There is nothing to put a finger on.');
  const start = { x: box.x + box.width / 2, y: box.y + box.height / 2 };
  const session = await page.context().newCDPSession(page);
  const touch = (type: 'touchStart' | 'touchMove' | 'touchEnd', points: { x: number; y: number }[]) =>
    session.send('Input.dispatchTouchEvent', { type, touchPoints: points });
  await touch('touchStart', [start]);
  for (let step = 1; step <= 12; step++)
    await touch('touchMove', [{ x: start.x + (x * step) / 12, y: start.y + (y * step) / 12 }]);
  await touch('touchEnd', []);
  await session.detach();
}
