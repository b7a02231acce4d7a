/** The open site for all components below: what there is, what is chosen, and how work is asked for. */
import {
  createContext,
  startTransition,
  useCallback,
  useContext,
  useEffect,
  useState,
  useSyncExternalStore,
} from 'react';
import { useFetcher } from 'react-router';
import type { FixView } from '~core/view/index.ts';
import type { Strand } from '~core/model/index.ts';
import type { Intent } from '~core/plans/index.ts';
import type { Job } from '../data/session/jobs';
import type { Outcome } from '../data/session/shared';
import type { SiteSession, Snapshot } from '../data/session/siteSession';
import type { Work } from '../data/work';

export interface OpenSite extends Snapshot {
  session: SiteSession;
}

/** Offsets are those of the file's text. */
export interface Spot {
  path: string;
  start: number;
  end: number;
}

interface Choice {
  strand: string | null;
  choose: (strand: string | null) => void;
  page: string | null;
  choosePage: (page: string) => void;
  /** A place in a file that the editor is to show; every call is a new one. */
  spot: Spot | null;
  /** Opens a file in the editor, at a place where one is given. */
  showSource: (path: string, start?: number, end?: number) => void;
  /** Set when the alt text of the chosen strand is to be written; the rail takes the focus there. */
  asked: number;
  ask: (strand: string) => void;
}

interface SiteContextValue extends Choice {
  site: OpenSite;
  work: (work: Work) => void;
  /** The same for what somebody has seen beforehand. */
  workSeen: (work: Work) => void;
  /** Whether changes are shown before they are made. */
  shownBefore: boolean;
  setShownBefore: (shown: boolean) => void;
  outcome: Outcome | null;
  busy: boolean;
}

const SiteContext = createContext<SiteContextValue | null>(null);
export const SiteProvider = SiteContext.Provider;

export function useSite(): SiteContextValue {
  const value = useContext(SiteContext);
  if (!value) throw new Error('useSite outside of a site');
  return value;
}

/** What can be sent as JSON; work is checked again where it arrives. */
type JsonValue = Extract<Parameters<ReturnType<typeof useFetcher>['submit']>[0], object>;

/** Sends work to the site's action; the loader runs again afterwards. */
export function useWork(siteId: string): Pick<SiteContextValue, 'work' | 'outcome' | 'busy'> {
  const fetcher = useFetcher<Outcome>({ key: 'work' });
  const { submit } = fetcher;
  const work = useCallback(
    (payload: Work) =>
      void submit(JSON.parse(JSON.stringify(payload)) as JsonValue, {
        method: 'post',
        encType: 'application/json',
        action: `/site/${siteId}`,
      }),
    [submit, siteId],
  );
  return { work, outcome: fetcher.data ?? null, busy: fetcher.state !== 'idle' };
}

/** `seen` where what is asked for was shown before, so that it need not be shown again. */
export function useIntent(seen?: 'seen'): (intent: Intent) => void {
  const { work, workSeen } = useSite();
  const ask = seen ? workSeen : work;
  return useCallback((intent: Intent) => ask({ do: 'intent', intent }), [ask]);
}

/** The chosen strand; while none is chosen, the first that is broken on the page in hand, else its first. */
export function useChosenStrand(): Strand | null {
  const { site, strand } = useSite();
  const page = useChosenPage();
  const { strands } = site.view;
  const chosen = strands.find((one) => one.id === strand);
  if (chosen) return chosen;
  const shown = strands.filter((one) => one.page === page?.path);
  return shown.find((one) => one.state === 'broken') ?? shown[0] ?? null;
}

/** The page that the page-wise stations show: the chosen one, else the first that has a gallery. */
export function useChosenPage() {
  const { site, page } = useSite();
  const { pages } = site.view;
  return pages.find((one) => one.path === page) ?? pages.find((one) => one.galleries.length > 0) ?? pages[0] ?? null;
}

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

/** What pressing a fix's button does. */
export function useFix(): (finding: string, n: number, fix: FixView) => void {
  const { work, ask } = useSite();
  return useCallback(
    (finding, n, fix) => {
      if (fix.kind === 'change') work({ do: 'intent', intent: { kind: 'fix', finding, fix: n } });
      else if (fix.kind === 'picture') work({ do: 'make', tasks: fix.tasks });
      else ask(fix.strand);
    },
    [work, ask],
  );
}
