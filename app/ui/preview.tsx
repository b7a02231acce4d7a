/** The bridge to the preview origin, and live pages shown from it. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
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
import { z } from 'zod';
import { mediaTypeOf, NOTES_FILE, type FileContent } from '~core/site/index.ts';
import { Seen } from '~core/wiring/index.ts';
import type { SiteSession } from '../data/session/siteSession';
import { LimitedPage } from './LimitedPage';
import { color } from './theme';

type Status = 'starting' | 'ready' | 'limited' | 'stuck';

interface Preview {
  origin: string;
  status: Status;
  /** Counts the batches of files that the bridge has taken; live pages load anew on it. */
  taken: { count: number; paths: readonly string[] };
  /** The bridge has all that was sent to it. */
  settled: boolean;
  address: (path: string) => string;
  restart: () => void;
  /** False after somebody has asked to see a stuck page without its scripts. */
  scripts: boolean;
  takeDown: () => void;
  again: (scripts: boolean) => void;
}

const PreviewContext = createContext<Preview | null>(null);

export function usePreview(): Preview {
  const preview = useContext(PreviewContext);
  if (!preview) throw new Error('usePreview outside of a site');
  return preview;
}

const FromBridge = z.discriminatedUnion('type', [
  z.object({ from: z.literal('bridge'), type: z.literal('ready') }),
  z.object({ from: z.literal('bridge'), type: z.literal('taken'), count: z.number() }),
  z.object({ from: z.literal('bridge'), type: z.literal('failed'), reason: z.string() }),
  z.object({ from: z.literal('bridge'), type: z.literal('missing'), path: z.string() }),
]);

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
  const [taken, setTaken] = useState<Preview['taken']>({ count: 0, paths: [] });
  const [pending, setPending] = useState(0);
  const sent = useRef<string[]>([]);

  useEffect(() => {
    // Nothing is sent before the whole has been, and every batch waits for the one before it.
    let turn: Promise<void> | null = null;
    const send = async (type: 'open' | 'update', files: readonly [string, FileContent | null][]) => {
      // The program's notes are no file of the site.
      const all = files.filter(([path]) => path !== NOTES_FILE);
      const blobs = await session.pictures.blobs(all.map(([path]) => path));
      const message = {
        type,
        token: session.site.token,
        files: all.map(([path, content], n) => [path, content && typed(path, blobs[n] ?? null)]),
      };
      setPending((n) => n + 1);
      sent.current.push(...all.map(([path]) => path));
      frame.current?.contentWindow?.postMessage(message, origin);
    };
    const late = setTimeout(() => setStatus((now) => (now === 'starting' ? 'limited' : now)), PATIENCE);
    const hear = (event: MessageEvent) => {
      if (event.origin !== origin || event.source !== frame.current?.contentWindow) return;
      const message = FromBridge.safeParse(event.data);
      if (!message.success) return;
      if (message.data.type === 'ready') turn = send('open', [...session.files]);
      else if (message.data.type === 'failed') setStatus('limited');
      else if (message.data.type === 'taken') {
        setStatus('ready');
        setPending((n) => Math.max(0, n - 1));
        setTaken((before) => ({ count: before.count + 1, paths: sent.current.splice(0) }));
      }
    };
    window.addEventListener('message', hear);
    const forget = session.onFiles((files) => {
      if (turn) turn = turn.then(() => send('update', [...files]));
    });
    return () => {
      clearTimeout(late);
      window.removeEventListener('message', hear);
      forget();
    };
  }, [session, origin, run]);

  const restart = useCallback(() => {
    setStatus('starting');
    setPending(0);
    setRun((n) => n + 1);
  }, []);
  const address = useCallback(
    (path: string) => `${origin}/s/${session.site.token}/${path.split('/').map(encodeURIComponent).join('/')}`,
    [origin, session],
  );
  const [scripts, setScripts] = useState(true);
  // With no frame of the preview's origin left, the browser ends the process in which the script spins.
  const takeDown = useCallback(() => setStatus('stuck'), []);
  const again = useCallback(
    (withScripts: boolean) => {
      setScripts(withScripts);
      setTaken({ count: 0, paths: [] });
      restart();
    },
    [restart],
  );
  const settled = pending === 0;
  const value = useMemo(
    () => ({ origin, status, taken, settled, address, restart, scripts, takeDown, again }),
    [origin, status, taken, settled, address, restart, scripts, takeDown, again],
  );
  return (
    <PreviewContext.Provider value={value}>
      {children}
      {status !== 'stuck' && (
        <iframe
          key={run}
          ref={frame}
          src={`${origin}/bridge.html`}
          title="Bridge to the preview"
          hidden
          tabIndex={-1}
        />
      )}
    </PreviewContext.Provider>
  );
}

const typed = (path: string, blob: Blob | null): Blob | null => blob && blob.slice(0, blob.size, mediaTypeOf(path));

const element = z.array(z.number().int()).max(200);
const FromProbe = z.discriminatedUnion('type', [
  z.object({ from: z.literal('probe'), type: z.literal('hello'), path: z.string() }),
  z.object({ from: z.literal('probe'), type: z.literal('pong') }),
  z.object({ from: z.literal('probe'), type: z.literal('pointed'), element }),
  z.object({ from: z.literal('probe'), type: z.literal('over'), element: element.nullable() }),
  z.object({ from: z.literal('probe'), type: z.literal('missing'), path: z.string() }),
  z.object({
    from: z.literal('probe'),
    type: z.literal('error'),
    says: z.string().max(4000),
    path: z.string(),
    line: z.number(),
  }),
  z.object({ from: z.literal('probe'), type: z.literal('scrolled'), at: z.tuple([z.number(), z.number()]) }),
  z.object({ from: z.literal('probe'), type: z.literal('rehearsed'), number: z.number(), seen: Seen.nullable() }),
  z.object({ from: z.literal('probe'), type: z.literal('places'), tops: z.array(z.number().nullable()).max(5000) }),
]);
export type ProbeReport = z.infer<typeof FromProbe>;

/** What the page's own scripts may do; they never get at the application, which lives on another origin. */
export const SANDBOX = 'allow-scripts allow-same-origin allow-forms allow-modals allow-downloads allow-popups';

const SANDBOX_WITHOUT_SCRIPTS = 'allow-same-origin allow-forms';

export interface LivePageProps {
  path: string;
  /** Width of the page's window; CSS px. */
  width: number;
  /** Room that it is shown in; CSS px. */
  room: { width: number; height: number };
  title: string;
  /** Child numbers of the element to mark. */
  show?: number[] | null;
  /** The same for what is pointed at elsewhere; it is framed and never scrolled to. */
  hint?: number[] | null;
  /**
   * Elements whose places are reported; `places` gives their middles in CSS px of the room, null where out of sight.
   */
  watched?: number[][];
  onPlaces?: (tops: (number | null)[]) => void;
  onPointed?: (element: number[]) => void;
  /** What the pointer is over; null where it has left. */
  onOver?: (element: number[] | null) => void;
  onReport?: (report: ProbeReport) => void;
}

export function LivePage({
  path,
  width,
  room,
  title,
  show = null,
  hint = null,
  watched,
  onPlaces,
  onPointed,
  onOver,
  onReport,
}: LivePageProps) {
  const { origin, status, taken, address, restart, scripts, takeDown, again } = usePreview();
  const frame = useRef<HTMLIFrameElement>(null);
  const scale = Math.min(1, room.width / width);
  const [greeted, setGreeted] = useState(0);
  const alive = useWatchdog(status === 'ready' && scripts, path, takeDown);
  const tell = useCallback((message: object) => frame.current?.contentWindow?.postMessage(message, origin), [origin]);
  const lastShown = useRef('');
  const place = useRef<{ path: string; at: [number, number] } | null>(null);
  const shownKey = show?.join() ?? '';
  const hintKey = hint?.join() ?? '';
  const watchedKey = watched?.map((one) => one.join('.')).join() ?? '';

  useProbe(frame, origin, (report) => {
    alive();
    if (report.type === 'hello') {
      if (place.current?.path === report.path) tell({ type: 'place', at: place.current.at });
      setGreeted((n) => n + 1);
    } else if (report.type === 'scrolled') place.current = { path, at: report.at };
    else if (report.type === 'pointed') onPointed?.(report.element);
    else if (report.type === 'over') onOver?.(report.element);
    else if (report.type === 'places') onPlaces?.(report.tops.map((top) => (top === null ? null : top * scale)));
    onReport?.(report);
  });
  useEffect(() => {
    const timer = setInterval(() => tell({ type: 'ping' }), 2000);
    return () => clearInterval(timer);
  }, [tell]);
  useEffect(() => {
    if (taken.count <= 1) return;
    const styles = taken.paths.filter((one) => one.endsWith('.css'));
    if (taken.paths.some((one) => !one.endsWith('.css'))) tell({ type: 'reload' });
    else for (const style of styles) tell({ type: 'style', path: style });
  }, [taken, tell]);
  useEffect(() => {
    if (greeted === 0) return;
    // After a page has loaded anew it keeps its place; only another choice moves it.
    tell(
      shownKey === ''
        ? { type: 'hide' }
        : { type: 'show', element: shownKey.split(',').map(Number), scroll: lastShown.current !== shownKey },
    );
    lastShown.current = shownKey;
  }, [greeted, shownKey, tell]);
  useEffect(() => {
    if (greeted > 0)
      tell(hintKey === '' ? { type: 'hint' } : { type: 'hint', element: hintKey.split(',').map(Number) });
  }, [greeted, hintKey, tell]);
  useEffect(() => {
    if (greeted > 0)
      tell({
        type: 'watch',
        elements: watchedKey === '' ? [] : watchedKey.split(',').map((one) => one.split('.').map(Number)),
      });
  }, [greeted, watchedKey, tell]);

  if (status === 'limited')
    return <LimitedPage path={path} width={width} room={room} title={title} onRestart={restart} />;
  return (
    <Box sx={{ width: room.width, height: room.height, overflow: 'hidden', bgcolor: '#fff', position: 'relative' }}>
      {status === 'starting' && (
        <Box role="status" sx={{ p: 2, color: '#5c544e', fontSize: '0.8125rem' }}>
          Starting the preview…
        </Box>
      )}
      {status === 'stuck' && (
        <Box role="alert" sx={{ p: 2, color: '#5c544e', fontSize: '0.8125rem' }}>
          <p>{`${path} does not answer: one of its scripts does not come to an end. The preview was taken down so that nothing else waits for it.`}</p>
          <Button onClick={() => again(true)}>Load it again</Button>{' '}
          <Button onClick={() => again(false)}>Load it without scripts</Button>
        </Box>
      )}
      {status !== 'starting' && status !== 'stuck' && (
        <Box
          component="iframe"
          ref={frame}
          key={path}
          src={address(path)}
          title={title}
          sandbox={scripts ? SANDBOX : SANDBOX_WITHOUT_SCRIPTS}
          sx={{
            border: 0,
            display: 'block',
            width,
            height: room.height / scale,
            transform: `scale(${scale})`,
            transformOrigin: '0 0',
            bgcolor: color('paper'),
            background: '#fff',
          }}
        />
      )}
    </Box>
  );
}

/** A page that is not heard of for so long after it was asked is stuck; ms. */
const SILENCE = 8000;

/** Tells when a page whose script spins has to be taken down: it holds up the bridge, which shares its process. */
function useWatchdog(watching: boolean, path: string, onStuck: () => void): () => void {
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

/** Messages of the page in the frame, checked: the page could forge them, so nothing but showing depends on them. */
export function useProbe(
  frame: RefObject<HTMLIFrameElement | null>,
  origin: string,
  hear: (report: ProbeReport) => void,
): void {
  const latest = useRef(hear);
  useEffect(() => {
    latest.current = hear;
  });
  useEffect(() => {
    const listen = (event: MessageEvent) => {
      if (event.origin !== origin || event.source !== frame.current?.contentWindow) return;
      const report = FromProbe.safeParse(event.data);
      if (report.success) latest.current(report.data);
    };
    window.addEventListener('message', listen);
    return () => window.removeEventListener('message', listen);
  }, [frame, origin]);
}
