/** One tab writes to a site; another shows it read-only until the first one is closed. */

interface SiteLock {
  /** Whether this tab may write at once. */
  granted: boolean;
  release: () => void;
}

/** `later` is called when a tab that wrote has gone and this one may write; not after `leaving`. */
export async function takeSiteLock(
  siteId: string,
  leaving: AbortSignal,
  later: () => Promise<void>,
): Promise<SiteLock> {
  const name = `heathmoor-site-${siteId}`;
  let release: () => void = () => undefined;
  const held = new Promise<void>((end) => (release = end));
  const granted = await new Promise<boolean>((answer) => {
    void navigator.locks.request(name, { ifAvailable: true }, (lock) => {
      answer(lock !== null);
      return lock === null ? undefined : held;
    });
  });
  if (!granted) {
    void navigator.locks.request(name, async () => {
      if (leaving.aborted) return undefined;
      await later();
      return held;
    });
  }
  return { granted, release };
}
