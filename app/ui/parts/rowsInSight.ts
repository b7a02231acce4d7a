/** Rows of a long list that scrolls with the station: only those in sight are made. */
import { useVirtualizer, type VirtualItem } from '@tanstack/react-virtual';
import { useCallback, useDeferredValue, useLayoutEffect, useRef, useState } from 'react';

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
  const items = useDeferredValue(rows.getVirtualItems());
  return {
    list,
    items,
    height: rows.getTotalSize(),
    topOf: ({ start }) => start - above,
    measure: rows.measureElement,
    show: useCallback((index: number) => rows.scrollToIndex(index), [rows]),
  };
}
