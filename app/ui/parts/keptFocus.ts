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
      const row = [...home.children].findIndex((one) => target instanceof Node && one.contains(target));
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
    const row = home.children[Math.min(at.current, home.children.length - 1)];
    const buttons = [...(row?.querySelectorAll<HTMLElement>('button:not([disabled]), a[href]') ?? [])];
    buttons.at(-1)?.focus();
  });
  return list;
}
