/** Brings things of the page into sight, and leaves the windows around it where they are. */

interface View {
  top: number;
  bottom: number;
  left: number;
  right: number;
}

/**
 * As little as is needed, in each part of the page that scrolls and in its window; CSS px. `scrollIntoView` would go on
 * in the window around, and take the page that shows this one away from whoever reads it.
 */
export function bringInSight(element: Element): void {
  for (let around = element.parentElement; around && around !== document.documentElement; around = around.parentElement)
    if (scrolls(around)) scrollIn(around, element, around.getBoundingClientRect());
  scrollIn(window, element, { top: 0, left: 0, bottom: innerHeight, right: innerWidth });
}

function scrolls(one: Element): boolean {
  const { overflowX, overflowY } = getComputedStyle(one);
  const isPart = (overflow: string) => overflow !== 'visible' && overflow !== 'clip';
  return one !== document.body && (isPart(overflowX) || isPart(overflowY));
}

function scrollIn(around: Element | Window, element: Element, view: View): void {
  const box = element.getBoundingClientRect();
  const top = nearest(box.top, box.bottom, view.top, view.bottom);
  const left = nearest(box.left, box.right, view.left, view.right);
  if (top !== 0 || left !== 0) around.scrollBy({ top, left, behavior: 'instant' });
}

/** How far to scroll so that what lies from `start` to `end` is seen; its nearer edge where it is larger. */
function nearest(start: number, end: number, from: number, to: number): number {
  const [before, behind] = [start - from, end - to];
  if (before >= 0 && behind <= 0) return 0;
  if (before <= 0 && behind >= 0) return 0;
  return Math.abs(before) < Math.abs(behind) ? before : behind;
}
