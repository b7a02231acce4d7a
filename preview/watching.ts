/** What a click sets off, while it is watched: navigations are held back, errors noted. */
import { loadedBy } from './looking.ts';

export interface Heard {
  /** Where the click would have led. */
  leaves: string | null;
  errors: string[];
  /** Addresses that did not load. */
  missing: string[];
  /** A script has taken the click. */
  prevented: boolean;
}

/** Of the navigation interface, which the library of types does not have yet. */
interface Navigating extends Event {
  destination: { url: string; sameDocument: boolean };
  hashChange: boolean;
}

interface Navigation extends EventTarget {
  currentEntry: { index: number } | null;
}

const navigation = (): Navigation | undefined => (window as { navigation?: Navigation }).navigation;

/** Number of the page's own step in the history of its frame. */
export const stepOfHistory = (): number => navigation()?.currentEntry?.index ?? 0;

export function watch(): { heard: Heard; end: () => void } {
  const heard: Heard = { leaves: null, errors: [], missing: [], prevented: false };
  /** What was asked for before the click: its failing, however late, is none of the click's. */
  const asked = new Map([...document.querySelectorAll('img, video, iframe')].map((one) => [one, loadedBy(one)]));
  const stop = new AbortController();
  const { signal } = stop;
  // The page stays, or there would be nobody left to tell what happened.
  navigation()?.addEventListener(
    'navigate',
    (event) => {
      const { destination, hashChange } = event as Navigating; // the listener's event
      // A step of the history on the same page leaves nothing.
      if (hashChange || destination.sameDocument) return;
      heard.leaves = destination.url;
      event.preventDefault();
    },
    { signal },
  );
  window.addEventListener(
    'click',
    (event) => {
      const link = event.target instanceof Element ? event.target.closest<HTMLAnchorElement>('a[href]') : null;
      heard.prevented = event.defaultPrevented;
      if (event.defaultPrevented || !link || new URL(link.href).href.split('#')[0] === location.href.split('#')[0])
        return;
      heard.leaves = link.href;
      event.preventDefault();
    },
    { signal },
  );
  window.addEventListener(
    'error',
    (event) => {
      const { target } = event;
      if (!(target instanceof HTMLElement)) heard.errors.push(event.message);
      else if (asked.get(target) !== loadedBy(target)) heard.missing.push(loadedBy(target));
    },
    { signal, capture: true },
  );
  window.addEventListener('unhandledrejection', (event) => heard.errors.push(String(event.reason)), { signal });
  // eslint-disable-next-line @typescript-eslint/unbound-method -- it is put back where it was
  const open = window.open;
  window.open = (url) => {
    heard.leaves = new URL(String(url), location.href).href;
    return null;
  };
  return {
    heard,
    end: () => {
      window.open = open;
      stop.abort();
    },
  };
}
