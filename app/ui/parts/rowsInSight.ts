/** Rows of a long list that scrolls with the station: only those in sight are made. */
import { useVirtualizer, type VirtualItem } from '@tanstack/react-virtual';
import { useCallback, useDeferredValue, useEffect, useLayoutEffect, useRef, useState } from 'react';

interface RowsInSight<Element extends HTMLElement> {
  list: React.RefObject<Element | null>;
  items: VirtualItem[];
  /** CSS px of all rows together. */
  height: number;
  /** CSS px of a row from the top of the list. */
  topOf: (item: VirtualItem) => number;
  measure: (element: globalThis.Element | null) => void;
  show: (index: number) => void;
}

/** `height` is what a row is thought to measure before it is made; CSS px. */
export function useRowsInSight<Element extends HTMLElement>(
  count: number,
  height: number,
  keyOf: (index: number) => string | number,
): RowsInSight<Element> {
  const list = useRef<Element>(null);
  const [above, setAbove] = useState(0);
  useLayoutEffect(() => {
    const scroller = list.current?.closest('main');
    if (list.current && scroller)
      setAbove(list.current.getBoundingClientRect().top - scroller.getBoundingClientRect().top + scroller.scrollTop);
  }, []);
  const rows = useVirtualizer({
    count,
    getScrollElement: useCallback(() => list.current?.closest('main') ?? null, []),
    estimateSize: useCallback(() => height, [height]),
    getItemKey: keyOf,
    scrollMargin: above,
    overscan: 2,
    // A list that follows a frame later is smooth; one that renders within every scroll event is not.
    useFlushSync: false,
  });
  // New rows are made a slice at a time: after a jump, all in sight are new.
  const items = useFewNew(useDeferredValue(rows.getVirtualItems()));
  return {
    list,
    items,
    height: rows.getTotalSize(),
    topOf: ({ start }) => start - above,
    measure: rows.measureElement,
    show: useCallback((index: number) => rows.scrollToIndex(index), [rows]),
  };
}

/** The browser styles and lays out at once what comes in at once; a frame has room for so many rows. */
const NEW_AT_ONCE = 6;

const NONE: ReadonlySet<VirtualItem['key']> = new Set();

/** The rows that were there before, and a few that are new; the others follow, frame by frame. */
function useFewNew(items: VirtualItem[]): VirtualItem[] {
  const [there, setThere] = useState(NONE);
  const fresh = items.filter(({ key }) => !there.has(key));
  const later = new Set(fresh.slice(NEW_AT_ONCE));
  const shown = later.size === 0 ? items : items.filter((item) => !later.has(item));
  useEffect(() => {
    if (fresh.length === 0) return undefined;
    const frame = requestAnimationFrame(() => setThere(new Set(shown.map(({ key }) => key))));
    return () => cancelAnimationFrame(frame);
  });
  return shown;
}
