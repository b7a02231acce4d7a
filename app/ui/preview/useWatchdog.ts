/** Whether the page in a frame still answers. */
import { useCallback, useEffect, useRef } from 'react';

/** How often it is looked whether the page was heard of; ms. */
const LOOK = 1000;

/** A page that is not heard of in so many looks is stuck. */
const SILENT_LOOKS = 8;

interface Silence {
  heard: () => void;
  /** One more look; whether the page is stuck by now. */
  isStuck: (hidden: boolean) => boolean;
}

/**
 * Looks are counted, not the clock: where this window itself was held up, its questions were late, and the silence is
 * not the page's.
 */
export function silence(): Silence {
  let looks = 0;
  return {
    heard: () => {
      looks = 0;
    },
    isStuck: (hidden) => {
      // A tab in the background is throttled and proves nothing.
      looks = hidden ? 0 : looks + 1;
      return looks > SILENT_LOOKS;
    },
  };
}

/** Tells when a page whose script spins has to be taken down: it holds up the bridge, which shares its process. */
export function useWatchdog(watching: boolean, path: string, onStuck: () => void): () => void {
  const heard = useRef<Silence>(null);
  useEffect(() => {
    if (!watching) return undefined;
    const page = silence();
    heard.current = page;
    const timer = setInterval(() => {
      if (page.isStuck(document.hidden)) onStuck();
    }, LOOK);
    return () => clearInterval(timer);
  }, [watching, path, onStuck]);
  return useCallback(() => heard.current?.heard(), []);
}
