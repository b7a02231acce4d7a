/** Real touch events, through the browser's own input (DevTools protocol, Input.dispatchTouchEvent). */
import type { CDPSession, Locator, Page } from '@playwright/test';

export interface Point {
  x: number;
  y: number;
}

export async function middleOf(on: Locator): Promise<Point> {
  const box = await on.boundingBox();
  if (!box) throw new Error('There is nothing to put a finger on.');
  return { x: box.x + box.width / 2, y: box.y + box.height / 2 };
}

const touch = (session: CDPSession, type: 'touchStart' | 'touchMove' | 'touchEnd', points: Point[]) =>
  session.send('Input.dispatchTouchEvent', { type, touchPoints: points.map((point, id) => ({ ...point, id })) });

/** Fingers, each from one point to another in small steps; `held` looks at the page before they are lifted. */
export async function fingers(
  page: Page,
  ways: readonly (readonly [Point, Point])[],
  held?: () => Promise<void>,
): Promise<void> {
  const session = await page.context().newCDPSession(page);
  const at = (share: number) =>
    ways.map(([from, to]) => ({ x: from.x + (to.x - from.x) * share, y: from.y + (to.y - from.y) * share }));
  await touch(session, 'touchStart', at(0));
  for (let step = 1; step <= 12; step++) await touch(session, 'touchMove', at(step / 12));
  await held?.();
  await touch(session, 'touchEnd', []);
  await session.detach();
}

/** A finger put on the middle of an element, moved by so many CSS px, and lifted. */
export async function swipe(
  page: Page,
  on: Locator,
  { x = 0, y = 0 }: { x?: number; y?: number },
  held?: () => Promise<void>,
): Promise<void> {
  const from = await middleOf(on);
  await fingers(page, [[from, { x: from.x + x, y: from.y + y }]], held);
}

/** A finger that touches and is lifted, at once or after so many ms. */
export async function tap(page: Page, at: Point, held = 0): Promise<void> {
  const session = await page.context().newCDPSession(page);
  await touch(session, 'touchStart', [at]);
  if (held > 0) await page.waitForTimeout(held);
  await touch(session, 'touchEnd', []);
  await session.detach();
}
