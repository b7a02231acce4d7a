/** The bridge to the preview origin: it is given the site's files, and tells whether pages can be shown. */
import {
  createContext,
  useCallback,
  useContext,
  useEffect,
  useMemo,
  useRef,
  useState,
  type ReactNode,
  type RefObject,
} from 'react';
import { useRouteLoaderData } from 'react-router';
import { mediaTypeOf, NOTES_FILE, type FileContent } from '~core/site/index.ts';
import type { Box } from '~core/style/index.ts';
import { FromBridge, type ToBridge } from '~protocol/bridge.ts';
import type { Manner } from '~protocol/worker.ts';
import { newToken } from '../../data/hash';
import type { SiteSession } from '../../data/session/siteSession';
import { measured } from './measure';
import { TakenLog } from './takenLog';
import { MessageBudget } from './messageBudget';
import { useTries, type Tries } from './tried';

type Status = 'starting' | 'ready' | 'limited' | 'stuck';

/** What brings the site's own files. */
type Batch = 'open' | 'update';

interface Preview {
  origin: string;
  status: Status;
  /** Counts the batches of files that the bridge has taken; live pages load anew on it. */
  taken: { count: number; since: (count: number) => readonly string[] };
  /** The bridge has all that was sent to it. */
  settled: boolean;
  address: (path: string) => string;
  restart: () => void;
  /** False after somebody has asked to see a stuck page without its scripts. */
  scripts: boolean;
  takeDown: () => void;
  again: (scripts: boolean) => void;
  tries: Tries;
  /**
   * Where elements of a page would stand in a window of so many CSS px if these files were otherwise; null where no page
   * answers.
   */
  tryOut: TryOut;
  /** The address of a page that is answered in another manner; null where nothing answers. */
  answered: Answered;
}

type Answered = (path: string, manner: Manner) => Promise<string | null>;

type TryOut = (
  files: ReadonlyMap<string, FileContent | null>,
  path: string,
  width: number,
  elements: readonly number[][],
) => Promise<Box[] | null>;

const PreviewContext = createContext<Preview | null>(null);

export function usePreview(): Preview {
  const preview = useContext(PreviewContext);
  if (!preview) throw new Error('usePreview outside of a site');
  return preview;
}

/** It runs its script and leads nowhere: no page of the preview can take the window elsewhere through it. */
const BRIDGE_SANDBOX = 'allow-scripts allow-same-origin';
/** So often the bridge is put back where a page has put something else in its place. */
const MOST_RETURNS = 3;

/** After this a limited preview is shown until the bridge answers after all; ms. */
const PATIENCE = 3000;

function originFrom(data: { previewPort: number | null; previewOrigin: string | null } | undefined): string {
  return data?.previewOrigin ?? `${location.protocol}//${location.hostname}:${data?.previewPort ?? ''}`;
}

export function PreviewProvider({ session, children }: { session: SiteSession; children: ReactNode }) {
  const origin = originFrom(useRouteLoaderData('root'));
  const frame = useRef<HTMLIFrameElement>(null);
  const [status, setStatus] = useState<Status>('starting');
  const [run, setRun] = useState(0);
  const [log] = useState(() => new TakenLog());
  const [count, setCount] = useState(0);
  const taken = useMemo(() => ({ count, since: (from: number) => log.since(from) }), [count, log]);
  const [pending, setPending] = useState(0);
  // Pages of the preview can reach the bridge's frame, for it is of their origin.
  const loads = useRef(0);
  const returns = useRef(0);

  useEffect(() => {
    // Nothing is sent before the whole has been, and every batch waits for the one before it.
    let turn: Promise<void> | null = null;
    log.lost();
    const post = async (type: Batch, files: readonly [string, FileContent | null][]) => {
      // The program's notes are no file of the site.
      const all = files.filter(([path]) => path !== NOTES_FILE);
      const blobs = await session.pictures.blobs(all.map(([path]) => path));
      const contents = all.map(([path, content], n): [string, Blob | null] => [
        path,
        content && typed(path, blobs[n] ?? null),
      ]);
      const { token, outside = false } = session.site;
      const message: ToBridge = type === 'open' ? { type, token, outside, files: contents } : { type, files: contents };
      log.sent(all.map(([path]) => path));
      frame.current?.contentWindow?.postMessage(message, origin);
    };
    const send = (type: Batch, before: Promise<void>, files: [string, FileContent | null][]) => {
      // From now on, though what they hold has still to be read: who waits for all changes must wait for this one.
      setPending((n) => n + 1);
      turn = before.then(() => post(type, files)).catch(() => setStatus('limited'));
    };
    const late = setTimeout(() => setStatus((now) => (now === 'starting' ? 'limited' : now)), PATIENCE);
    const budget = new MessageBudget(performance.now());
    const hear = (event: MessageEvent) => {
      if (event.origin !== origin || event.source !== frame.current?.contentWindow || !budget.take(performance.now()))
        return;
      const message = FromBridge.safeParse(event.data);
      if (!message.success) return;
      if (message.data.type === 'ready') send('open', Promise.resolve(), [...session.files]);
      else if (message.data.type === 'failed') setStatus('limited');
      else if (message.data.type === 'taken') {
        setStatus('ready');
        setPending((n) => Math.max(0, n - 1));
        log.taken();
        setCount(log.count);
      }
    };
    window.addEventListener('message', hear);
    const forget = session.onFiles((files) => {
      if (turn) send('update', turn, [...files]);
    });
    return () => {
      clearTimeout(late);
      window.removeEventListener('message', hear);
      forget();
    };
  }, [session, origin, run, log]);

  const restart = useCallback(() => {
    setStatus('starting');
    setPending(0);
    loads.current = 0;
    setRun((n) => n + 1);
  }, []);
  const loaded = () => {
    loads.current++;
    if (loads.current === 1) return;
    returns.current++;
    if (returns.current <= MOST_RETURNS) restart();
    else setStatus('limited');
  };
  const address = useCallback((path: string) => addressOf(origin, session.site.token, path), [origin, session]);
  const [scripts, setScripts] = useState(true);
  // With no frame of the preview's origin left, the browser ends the process in which the script spins.
  const takeDown = useCallback(() => setStatus('stuck'), []);
  const again = useCallback(
    (withScripts: boolean) => {
      setScripts(withScripts);
      log.clear();
      setCount(0);
      restart();
    },
    [log, restart],
  );
  // The bridge that goes may answer for a moment longer than the new one is there: it has to know first.
  const restartAsAllowed = useCallback(() => {
    const message: ToBridge = { type: 'outside', allowed: session.site.outside === true };
    frame.current?.contentWindow?.postMessage(message, origin);
    restart();
  }, [session, origin, restart]);
  const tries = useTries(session, restartAsAllowed);
  const tryOut = useTryOut(frame, origin);
  const answered = useAnswered(frame, origin);
  const settled = pending === 0;
  const value = useMemo(
    () => ({ origin, status, taken, settled, address, restart, scripts, takeDown, again, tries, tryOut, answered }),
    [origin, status, taken, settled, address, restart, scripts, takeDown, again, tries, tryOut, answered],
  );
  return (
    <PreviewContext.Provider value={value}>
      {children}
      {status !== 'stuck' && (
        <iframe
          key={run}
          ref={frame}
          src={`${origin}/bridge.html`}
          sandbox={BRIDGE_SANDBOX}
          onLoad={loaded}
          title="Bridge to the preview"
          hidden
          tabIndex={-1}
        />
      )}
    </PreviewContext.Provider>
  );
}

/** What the bridge takes longer for it does not do; ms. */
const TRIAL_PATIENCE = 3000;

/** A trial has a token of its own: nothing of it is seen by the pages that are shown. */
function useTryOut(frame: RefObject<HTMLIFrameElement | null>, origin: string): TryOut {
  return useCallback(
    async (files, path, width, elements) => {
      const token = newToken();
      const changed = [...files].map(([name, content]): [string, Blob | null] => [
        name,
        content?.kind === 'text' ? new Blob([content.text], { type: mediaTypeOf(name) }) : null,
      ]);
      const taken = heard(frame, origin, token);
      const message: ToBridge = { type: 'trial', token, files: changed, manner: null };
      frame.current?.contentWindow?.postMessage(message, origin);
      return (await taken) ? measured(addressOf(origin, token, path), width, elements) : null;
    },
    [frame, origin],
  );
}

const addressOf = (origin: string, token: string, path: string): string =>
  `${origin}/s/${token}/${path.split('/').map(encodeURIComponent).join('/')}`;

/** The site answered in another manner, under a token of its own. */
function useAnswered(frame: RefObject<HTMLIFrameElement | null>, origin: string): Answered {
  return useCallback(
    async (path, manner) => {
      const token = newToken();
      const taken = heard(frame, origin, token);
      const message: ToBridge = { type: 'trial', token, files: [], manner };
      frame.current?.contentWindow?.postMessage(message, origin);
      return (await taken) ? addressOf(origin, token, path) : null;
    },
    [frame, origin],
  );
}

/** Whether the bridge says that it has a trial. */
function heard(frame: RefObject<HTMLIFrameElement | null>, origin: string, token: string): Promise<boolean> {
  return new Promise((resolve) => {
    const done = (is: boolean) => {
      clearTimeout(late);
      window.removeEventListener('message', hear);
      resolve(is);
    };
    const hear = (event: MessageEvent) => {
      if (event.origin !== origin || event.source !== frame.current?.contentWindow) return;
      const message = FromBridge.safeParse(event.data);
      if (message.success && message.data.type === 'trial' && message.data.token === token) done(true);
    };
    const late = setTimeout(() => done(false), TRIAL_PATIENCE);
    window.addEventListener('message', hear);
  });
}

const typed = (path: string, blob: Blob | null): Blob | null => blob && blob.slice(0, blob.size, mediaTypeOf(path));
