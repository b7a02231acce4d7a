/**
 * Where the focus goes when what had it is gone, or cannot be pressed while its work is done: browsers leave it to the
 * whole document, and the next Tab would begin at the top of everything.
 */
import { useEffect } from 'react';

/** A station's own parts may put the focus somewhere better; ms. */
const GRACE = 60;

/** What can be pressed again by then is waited for; ms. */
const PATIENCE = 1500;

const TABBABLE = 'a[href], button:not(:disabled), input:not(:disabled), select, textarea, [tabindex="0"]';

/** Everything around an element, from the inside out; kept, for what is taken out of the page has no parents there. */
function around(element: Element): Element[] {
  const found: Element[] = [];
  for (let one: Element | null = element; one; one = one.parentElement) found.push(one);
  return found;
}

const canHave = (element: Element | undefined): boolean =>
  element !== undefined && element.isConnected && !element.matches(':disabled');

/**
 * As long as the site is shown: back to what had the focus, or to the first thing beside it, or else to the station.
 * Who presses elsewhere or leaves a field has left, and is not called back.
 */
export function useFocusFloor(): void {
  useEffect(() => {
    const main = document.getElementById('main');
    let last: Element[] = [];
    let lost = 0;
    let timer = 0;
    const isLost = () => document.activeElement === document.body && last.length > 0;
    const soon = () => {
      clearTimeout(timer);
      timer = window.setTimeout(look, GRACE);
    };
    const look = () => {
      timer = 0;
      if (!isLost()) return;
      const waits = last[0]?.isConnected && !canHave(last[0]) && performance.now() - lost < PATIENCE;
      if (waits) return soon();
      const home = last.find(canHave);
      const isBack = home === last[0] || home === main;
      const next = isBack ? home : home?.querySelector(TABBABLE);
      const goal = next instanceof HTMLElement ? next : main;
      goal?.focus();
    };
    const focused = ({ target }: FocusEvent) => {
      // What a dialog held goes with the dialog; what had opened it is what one comes back to.
      if (target instanceof Element && main?.contains(target)) last = around(target);
    };
    const left = ({ target, relatedTarget }: FocusEvent) => {
      if (relatedTarget === null && target === last[0] && canHave(last[0])) last = [];
    };
    const pressed = () => (last = []);
    const watcher = new MutationObserver(() => {
      if (!isLost() || timer !== 0) return;
      lost = performance.now();
      soon();
    });
    watcher.observe(document.body, { subtree: true, childList: true, attributeFilter: ['disabled'] });
    document.addEventListener('focusin', focused);
    document.addEventListener('focusout', left);
    document.addEventListener('pointerdown', pressed);
    return () => {
      clearTimeout(timer);
      watcher.disconnect();
      document.removeEventListener('focusin', focused);
      document.removeEventListener('focusout', left);
      document.removeEventListener('pointerdown', pressed);
    };
  }, []);
}
