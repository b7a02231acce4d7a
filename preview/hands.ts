/** A visitor's hands, as far as a script can move them: a press, a key, a finger to the side. */
import { beat } from './patience.ts';

const FOCUSABLE = 'a[href], button:not(:disabled), input:not(:disabled), [tabindex]';

/** A press as a pointer makes it; what is pressed takes the focus, as the browser gives it. */
export function press(target: Element): void {
  const box = target.getBoundingClientRect();
  const at = {
    bubbles: true,
    cancelable: true,
    composed: true,
    clientX: box.left + box.width / 2,
    clientY: box.top + box.height / 2,
    button: 0,
    isPrimary: true,
  };
  target.dispatchEvent(new PointerEvent('pointerdown', at));
  const kept = target.dispatchEvent(new MouseEvent('mousedown', at));
  if (kept) target.closest<HTMLElement>(FOCUSABLE)?.focus({ preventScroll: true });
  target.dispatchEvent(new PointerEvent('pointerup', at));
  target.dispatchEvent(new MouseEvent('mouseup', at));
  if (target instanceof HTMLElement) target.click();
}

export function key(name: string): void {
  const target = document.activeElement ?? document.body;
  for (const type of ['keydown', 'keyup'])
    target.dispatchEvent(
      new KeyboardEvent(type, { key: name, code: name, bubbles: true, cancelable: true, composed: true }),
    );
}

/** Of a pointer that no device has. */
const FINGER = 4711;
const MOVES = 6;

/**
 * One finger drawn over `element` by so many CSS px to the side. The browser takes these events for what they are,
 * made by a script: its own panning cannot be seen so.
 */
export async function drawFinger(element: Element, by: number): Promise<void> {
  const box = element.getBoundingClientRect();
  const y = (Math.max(0, box.top) + Math.min(innerHeight, box.bottom)) / 2;
  const from = (Math.max(0, box.left) + Math.min(innerWidth, box.right) - by) / 2;
  const target = document.elementFromPoint(from, y) ?? element;
  const at = (n: number) => ({
    bubbles: true,
    cancelable: true,
    composed: true,
    clientX: from + (by * n) / MOVES,
    clientY: y,
  });
  const pointer = (type: string, n: number) =>
    target.dispatchEvent(
      new PointerEvent(type, { ...at(n), pointerId: FINGER, pointerType: 'touch', isPrimary: true, buttons: 1 }),
    );
  const touch = (type: string, n: number) => {
    if (typeof Touch === 'undefined') return;
    const one = new Touch({ identifier: FINGER, target, ...at(n) });
    const still = type === 'touchend' ? [] : [one];
    target.dispatchEvent(
      new TouchEvent(type, { ...at(n), touches: still, targetTouches: still, changedTouches: [one] }),
    );
  };
  const putBack = withoutCapture();
  pointer('pointerdown', 0);
  touch('touchstart', 0);
  for (let n = 1; n <= MOVES; n++) {
    await beat();
    pointer('pointermove', n);
    touch('touchmove', n);
  }
  pointer('pointerup', MOVES);
  touch('touchend', MOVES);
  putBack();
}

/** A pointer that no device has cannot be captured: to the page it is as if it were. */
function withoutCapture(): () => void {
  const { prototype } = Element;
  // eslint-disable-next-line @typescript-eslint/unbound-method -- called on an element each time, and put back below
  const own = { set: prototype.setPointerCapture, release: prototype.releasePointerCapture };
  prototype.setPointerCapture = function set(id) {
    if (id !== FINGER) own.set.call(this, id);
  };
  prototype.releasePointerCapture = function release(id) {
    if (id !== FINGER) own.release.call(this, id);
  };
  return () => {
    prototype.setPointerCapture = own.set;
    prototype.releasePointerCapture = own.release;
  };
}
