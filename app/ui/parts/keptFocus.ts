/** The keyboard keeps its place in a list whose rows go. */
import { useEffect, useRef, type RefObject } from 'react';

/**
 * For a list: where the row that had the focus has gone, or can no longer have it, the one that is now in its place
 * takes it. `busy` is while nothing in the list can be pressed.
 */
export function useKeptFocus<T extends HTMLElement>(busy: boolean): RefObject<T | null> {
  const list = useRef<T>(null);
  const at = useRef<number | null>(null);
  useEffect(() => {
    const home = list.current;
    if (!home) return undefined;
    const note = ({ target }: Event) => {
      const row = rowsIn(home).findIndex((one) => target instanceof Node && one.contains(target));
      at.current = row < 0 ? null : row;
    };
    // Pressing or going elsewhere is leaving; a row that goes away tells nobody.
    document.addEventListener('focusin', note);
    document.addEventListener('pointerdown', note);
    return () => {
      document.removeEventListener('focusin', note);
      document.removeEventListener('pointerdown', note);
    };
  }, []);
  useEffect(() => {
    const home = list.current;
    if (busy || !home || at.current === null || document.activeElement !== document.body) return;
    const rows = rowsIn(home);
    const row = rows[Math.min(at.current, rows.length - 1)];
    const buttons = [...(row?.querySelectorAll<HTMLElement>('button:not([disabled]), a[href]') ?? [])];
    buttons.at(-1)?.focus();
  });
  return list;
}

/** Items, also those of several lists under their headings; of what is no list its parts. */
function rowsIn(home: HTMLElement): readonly Element[] {
  const items = [...home.querySelectorAll('li')];
  return items.length > 0 ? items : [...home.children];
}
