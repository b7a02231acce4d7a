/** How wide a box is, as long as it is shown. */
import { useLayoutEffect, useRef, useState, type RefObject } from 'react';

/** `width` is without the bar of what scrolls, in CSS px; 0 until it is measured. */
export function useWidth(): { box: RefObject<HTMLDivElement | null>; width: number } {
  const box = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(0);
  useLayoutEffect(() => {
    const shown = box.current;
    if (!shown) return undefined;
    const watcher = new ResizeObserver(() => setWidth(shown.clientWidth));
    watcher.observe(shown);
    return () => watcher.disconnect();
  }, []);
  return { box, width };
}
