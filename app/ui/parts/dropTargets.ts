/**
 * Where things can be dropped that are dragged with the pointer. The browser’s own dragging stops at the frame of a
 * preview, which is of another origin; here the pointer is followed from where it was pressed, also over that.
 */

import { color } from '../theme';

/** A place in the window; CSS px. */
export interface Point {
  x: number;
  y: number;
}

export interface DropTarget {
  box: HTMLElement;
  /** The pointer is over it, or has left. */
  over: (at: Point | null) => void;
  drop: (at: Point) => void;
}

const targets = new Set<DropTarget>();

/** Gives what takes it away again. */
export function addDropTarget(target: DropTarget): () => void {
  targets.add(target);
  return () => void targets.delete(target);
}

function targetAt({ x, y }: Point): DropTarget | null {
  const element = document.elementsFromPoint(x, y).find((one) => one.getAttribute(SHEET) === null);
  return [...targets].find(({ box }) => element !== undefined && box.contains(element)) ?? null;
}

/** Over all, so that the pointer is not given to a frame of another origin below it. */
const SHEET = 'data-drag-sheet';

/** So far goes a pointer before it drags; CSS px. */
const SLACK = 6;

interface Drag {
  /** The drag begins; gives what goes along with the pointer. */
  start: () => string;
  end: () => void;
}

/**
 * From a press on an element to where it is let go. Escape, and a browser that takes the pointer for scrolling, end it
 * without a drop. A press that does not move stays a click.
 */
export function followDrag(event: PointerEvent, element: HTMLElement, { start, end }: Drag): void {
  if (event.button !== 0) return;
  const from = { x: event.clientX, y: event.clientY };
  let ghost: HTMLElement | null = null;
  let target: DropTarget | null = null;
  const aim = (next: DropTarget | null, at: Point | null) => {
    if (target !== next) target?.over(null);
    target = next;
    target?.over(at);
  };
  const move = (moved: PointerEvent) => {
    const at = { x: moved.clientX, y: moved.clientY };
    if (!ghost) {
      if (Math.hypot(at.x - from.x, at.y - from.y) < SLACK) return;
      ghost = ghostOf(start());
    }
    const [label] = ghost.children;
    if (label instanceof HTMLElement) label.style.translate = `${at.x + 12}px ${at.y + 12}px`;
    aim(targetAt(at), at);
  };
  const over = new AbortController();
  const { signal } = over;
  const stop = () => {
    if (signal.aborted) return;
    over.abort();
    if (!ghost) return;
    ghost.remove();
    aim(null, null);
    end();
  };
  const up = (last: PointerEvent) => {
    const at = { x: last.clientX, y: last.clientY };
    if (ghost) {
      withoutClick(element);
      targetAt(at)?.drop(at);
    }
    stop();
  };
  const key = (pressed: KeyboardEvent) => {
    if (pressed.key !== 'Escape' || !ghost) return;
    pressed.preventDefault();
    pressed.stopPropagation();
    addEventListener('pointerup', () => withoutClick(element), { capture: true, once: true });
    stop();
  };
  // A fast hand is out of the element before it has gone far enough.
  element.setPointerCapture(event.pointerId);
  element.addEventListener('pointermove', move, { signal });
  element.addEventListener('pointerup', up, { signal });
  element.addEventListener('pointercancel', stop, { signal });
  // Of an element that is gone from the page the document tells it.
  document.addEventListener('lostpointercapture', stop, { signal });
  addEventListener('keydown', key, { capture: true, signal });
}

/** What would be a click of the pointer that is let go now is the end of a drag. */
function withoutClick(element: HTMLElement): void {
  const swallow = (event: Event) => {
    event.preventDefault();
    event.stopPropagation();
  };
  element.addEventListener('click', swallow, { capture: true, once: true });
  setTimeout(() => element.removeEventListener('click', swallow, true));
}

/** A clear sheet over all, with what is dragged beside the pointer. */
function ghostOf(says: string): HTMLElement {
  const sheet = document.createElement('div');
  sheet.setAttribute(SHEET, '');
  sheet.setAttribute('aria-hidden', 'true');
  Object.assign(sheet.style, { position: 'fixed', inset: '0', zIndex: '2000', cursor: 'grabbing' });
  const label = document.createElement('div');
  label.setAttribute(SHEET, '');
  label.textContent = says;
  Object.assign(label.style, {
    position: 'absolute',
    left: '0',
    top: '0',
    padding: '2px 8px',
    borderRadius: '4px',
    background: color('peat'),
    color: color('paper'),
    fontSize: '0.8125rem',
  });
  sheet.append(label);
  document.body.append(sheet);
  return sheet;
}
