/** Whether the page in a frame still answers. */
import { useCallback, useEffect, useRef } from 'react';

/** A page that is not heard of for so long after it was asked is stuck; ms. */
const SILENCE = 8000;

/** Tells when a page whose script spins has to be taken down: it holds up the bridge, which shares its process. */
export function useWatchdog(watching: boolean, path: string, onStuck: () => void): () => void {
  const heard = useRef(0);
  useEffect(() => {
    if (!watching) return undefined;
    heard.current = Date.now();
    const timer = setInterval(() => {
      // A tab in the background is throttled and proves nothing.
      if (document.hidden) heard.current = Date.now();
      else if (Date.now() - heard.current > SILENCE) onStuck();
    }, 1000);
    return () => clearInterval(timer);
  }, [watching, path, onStuck]);
  return useCallback(() => {
    heard.current = Date.now();
  }, []);
}
