/** Waiting for a page that may never answer. */

/** What comes within so many ms since it was last said to be on its way, or else `late`; also once nobody waits. */
export function within<T>(
  ms: number,
  late: T,
  signal: AbortSignal,
  begin: (tell: (value: T) => void, wait: () => void) => void,
): Promise<T> {
  return new Promise((resolve) => {
    const giveUp = () => resolve(late);
    let timer = setTimeout(giveUp, ms);
    signal.addEventListener('abort', giveUp, { once: true });
    const wait = () => {
      clearTimeout(timer);
      timer = setTimeout(giveUp, ms);
    };
    const tell = (value: T) => {
      clearTimeout(timer);
      resolve(value);
    };
    begin(tell, wait);
  });
}
