/** Where a pointer that is held down is over an element. */
import type { PointerEvent } from 'react';

const kept = (share: number): number => Math.min(1, Math.max(0, share));

/**
 * Handlers for an element that tell the place of a held pointer, in shares of the element's width and height; outside
 * of it the nearest edge.
 */
export function heldPointer(tell: (x: number, y: number) => void) {
  const place = ({ currentTarget, clientX, clientY }: PointerEvent) => {
    const box = currentTarget.getBoundingClientRect();
    tell(kept((clientX - box.left) / box.width), kept((clientY - box.top) / box.height));
  };
  return {
    onPointerDown: (event: PointerEvent) => {
      event.currentTarget.setPointerCapture(event.pointerId);
      place(event);
    },
    onPointerMove: (event: PointerEvent) => {
      if (event.buttons === 1) place(event);
    },
  };
}
