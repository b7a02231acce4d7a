/** Pictures of the open site for the screen, and work on them that goes on beside it. */
import { startTransition, useCallback, useEffect, useState, useSyncExternalStore } from 'react';
import type { Job } from '../../data/session/jobs';
import type { SiteSession } from '../../data/session/siteSession';
import { useSite } from './openSite';

export function useJob(session: SiteSession): Job | null {
  return useSyncExternalStore(
    useCallback((tell: () => void) => session.jobs.watch(tell), [session]),
    () => session.jobs.current,
    () => null,
  );
}

/** The address of a small copy of a picture file of the site, for an `img`; null until it is there. */
export function usePicture(path: string | null): string | null {
  const { site } = useSite();
  const content = path === null ? undefined : site.files.get(path);
  const hash = content?.kind === 'binary' ? content.hash : null;
  const [, redraw] = useState(0);
  const { session } = site;
  const url = hash === null ? null : session.pictures.knownUrl(hash);
  useEffect(() => {
    if (hash === null || url !== null) return undefined;
    const gone = new AbortController();
    void session.pictures.glanceUrl(hash, gone.signal).then((made) => {
      if (made !== null && !gone.signal.aborted) startTransition(() => redraw((n) => n + 1));
    });
    return () => gone.abort();
    // Pictures are looked at one after the other: whatever is learnt may have brought this one.
  }, [session, hash, url, site.view]);
  return url;
}

/** The address of a whole picture while it is looked at. */
export function useWholePicture(path: string | null): string | null {
  const { site } = useSite();
  const { session } = site;
  const content = path === null ? undefined : site.files.get(path);
  const hash = content?.kind === 'binary' ? content.hash : null;
  const [shown, setShown] = useState<{ hash: string; url: string } | null>(null);
  useEffect(() => {
    if (path === null || hash === null) return undefined;
    let release: (() => void) | null = null;
    let gone = false;
    void session.pictures.wholeUrl(path).then((made) => {
      if (gone) return made?.release();
      release = made?.release ?? null;
      if (made) setShown({ hash, url: made.url });
    });
    return () => {
      gone = true;
      release?.();
    };
  }, [session, path, hash]);
  return shown !== null && shown.hash === hash ? shown.url : null;
}
