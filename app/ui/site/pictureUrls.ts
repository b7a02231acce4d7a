/** Pictures of the open site for the screen, and work on them that goes on beside it. */
import { startTransition, useCallback, useEffect, useState, useSyncExternalStore } from 'react';
import type { Rotation } from '~core/photo/index.ts';
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
  const { session } = useSite().site;
  const hash = useHash(path);
  const load = useCallback(
    () => (path === null ? Promise.resolve(null) : session.pictures.wholeUrl(path)),
    [session, path],
  );
  return useLoaded(hash, load)?.url ?? null;
}

/** The same of what a picture's files are made from, and how that is rotated already. */
export function useOriginal(path: string): { url: string; already: Rotation } | null {
  const { session } = useSite().site;
  const load = useCallback(() => session.pictures.originalUrl(path), [session, path]);
  return useLoaded(useHash(path), load);
}

function useHash(path: string | null): string | null {
  const { files } = useSite().site;
  const content = path === null ? undefined : files.get(path);
  return content?.kind === 'binary' ? content.hash : null;
}

interface Loaded {
  url: string;
  release: () => void;
}

/** What was loaded of a content, given back as soon as another is looked at; null until it is there. */
function useLoaded<Made extends Loaded>(hash: string | null, load: () => Promise<Made | null>): Made | null {
  const [shown, setShown] = useState<{ hash: string; made: Made } | null>(null);
  useEffect(() => {
    if (hash === null) return undefined;
    let release: (() => void) | null = null;
    let gone = false;
    void load().then((made) => {
      if (gone) return made?.release();
      release = made?.release ?? null;
      if (made) setShown({ hash, made });
    });
    return () => {
      gone = true;
      release?.();
    };
  }, [hash, load]);
  return shown !== null && shown.hash === hash ? shown.made : null;
}
