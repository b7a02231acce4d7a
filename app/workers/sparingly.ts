/** ms between two messages about how far something is. */
const PAUSE = 80;

/** Tells the newest of many things and no more often than can be seen: each message wakes the main thread. */
export function sparingly<T>(tell: (one: T) => void): (one: T) => void {
  let last = -Infinity;
  return (one) => {
    const now = performance.now();
    if (now - last < PAUSE) return;
    last = now;
    tell(one);
  };
}
