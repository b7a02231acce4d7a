/** A page of the site as a browser shows it, in a frame of the preview origin. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import ButtonBase from '@mui/material/ButtonBase';
import { useEffect, useRef, useState, type RefObject } from 'react';
import { laidOutWidth } from '~core/view/index.ts';
import type { FromProbe, ToProbe } from '~protocol/probe.ts';
import { addDropTarget, type Point } from '../parts/dropTargets';
import { useSite } from '../site/openSite';
import { color, TOKENS } from '../theme';
import { LimitedPage } from './LimitedPage';
import { usePreview } from './PreviewProvider';
import { SANDBOX, useProbe } from './useProbe';
import { useWatchdog } from './useWatchdog';

/** Pages have no night colours of ours. */
const MARK = TOKENS.light.heather;

const SANDBOX_WITHOUT_SCRIPTS = 'allow-same-origin allow-forms';

/** What a visitor would do to come to a state: click or point at an element, then step on. */
export type Held = Omit<Extract<ToProbe, { type: 'hold' }>, 'type'>;

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
  /** A state that is brought about each time the page has loaded; null leaves it as it loads. */
  held?: Held | null;
  /** How accessible it is is reported each time the page has loaded. */
  audited?: boolean;
  onPlaces?: (tops: (number | null)[]) => void;
  onPointed?: (element: number[]) => void;
  /** What the pointer is over; null where it has left. */
  onOver?: (element: number[] | null) => void;
  /** Whether something that is dragged may be dropped on it; where is reported. */
  takesDrops?: boolean;
  onReport?: (report: FromProbe) => void;
}

const roomStyle = (room: { width: number; height: number }) =>
  ({ width: room.width, height: room.height, overflow: 'hidden', bgcolor: '#fff', position: 'relative' }) as const;

/** By keyboard a page is one stop; who wants to go through its links enters it. Seen when the focus is here. */
const ENTER = {
  position: 'absolute',
  zIndex: 1,
  top: 4,
  left: 4,
  px: 1,
  py: 0.5,
  bgcolor: color('paper'),
  color: color('peat'),
  fontSize: '0.78rem',
  '&:not(:focus)': { clipPath: 'inset(50%)' },
} as const;

const frameStyle = ({
  width,
  room,
  scale,
}: {
  width: number;
  room: { width: number; height: number };
  scale: number;
}) =>
  ({
    border: 0,
    display: 'block',
    width,
    height: room.height / scale,
    transform: `scale(${scale})`,
    transformOrigin: '0 0',
    bgcolor: color('paper'),
    background: '#fff',
  }) as const;

export function LivePage({
  path,
  width: asked,
  room,
  title,
  show = null,
  hint = null,
  watched,
  held = null,
  audited = false,
  onPlaces,
  onPointed,
  onOver,
  takesDrops = false,
  onReport,
}: LivePageProps) {
  const { origin, status, taken, address, restart, scripts, takeDown, again, tries } = usePreview();
  const frame = useRef<HTMLIFrameElement>(null);
  const { entrance, leave } = useWayOut(frame);
  const width = useLaidOut(path, asked);
  const scale = Math.min(1, room.width / width);
  const [greeted, setGreeted] = useState(0);
  const alive = useWatchdog(status === 'ready' && scripts, path, takeDown);
  const lastShown = useRef('');
  const place = useRef<{ path: string; at: [number, number] } | null>(null);
  const shownKey = keyOf(show);
  const hintKey = keyOf(hint);
  const watchedKey = (watched ?? []).map(keyOf).join();

  const tell = useProbe(frame, origin, (report) => {
    alive();
    leave(report);
    if (report.type === 'hello') {
      if (place.current?.path === report.path) tell({ type: 'place', at: place.current.at });
      setGreeted((n) => n + 1);
    } else if (report.type === 'scrolled') place.current = { path, at: report.at };
    else if (report.type === 'pointed') onPointed?.(report.element);
    else if (report.type === 'over') onOver?.(report.element);
    else if (report.type === 'places') onPlaces?.(report.tops.map((top) => (top === null ? null : top * scale)));
    else if (report.type === 'outside') tries.note({ what: 'outside', path: report.path, says: report.address });
    else if (report.type === 'tried') tries.note({ what: report.what, path: report.path, says: report.says });
    onReport?.(report);
  });
  useDrops(frame, tell, { scale, frameKey: `${path} ${status}`, takes: takesDrops });
  /** Batches of files that the page in the frame has, or was told of; it is loaded after the first. */
  const handled = useRef(0);
  useEffect(() => {
    const timer = setInterval(() => tell({ type: 'ping' }), 2000);
    return () => clearInterval(timer);
  }, [tell]);
  useEffect(() => {
    const paths = handled.current === 0 ? [] : taken.since(handled.current);
    handled.current = taken.count;
    const styles = paths.filter((one) => one.endsWith('.css'));
    if (paths.length > styles.length) tell({ type: 'reload' });
    else for (const style of styles) tell({ type: 'style', path: style });
  }, [taken, tell]);
  useEffect(() => {
    if (greeted === 0) return;
    // After a page has loaded anew it keeps its place; only another choice moves it.
    tell({
      type: 'show',
      element: elementOf(shownKey),
      scroll: shownKey !== '' && lastShown.current !== shownKey,
      color: MARK,
    });
    lastShown.current = shownKey;
  }, [greeted, shownKey, tell]);
  useEffect(() => {
    if (greeted > 0) tell({ type: 'point', element: elementOf(hintKey), color: MARK });
  }, [greeted, hintKey, tell]);
  useEffect(() => {
    if (greeted > 0)
      tell({
        type: 'watch',
        elements: watchedKey.split(',').flatMap((key) => {
          const element = elementOf(key);
          return element === null ? [] : [element];
        }),
      });
  }, [greeted, watchedKey, tell]);

  useHeld(tell, greeted, held);
  useEffect(() => {
    if (greeted > 0 && audited) tell({ type: 'audit' });
  }, [greeted, audited, tell]);

  if (status === 'limited')
    return <LimitedPage path={path} width={width} room={room} title={title} onRestart={restart} />;
  return (
    <Box sx={roomStyle(room)}>
      {status === 'starting' && (
        <Box role="status" sx={{ p: 2, color: TOKENS.light.stone, fontSize: '0.8125rem' }}>
          Starting the preview…
        </Box>
      )}
      {status === 'stuck' && <Stuck path={path} onAgain={again} />}
      {status !== 'starting' && status !== 'stuck' && (
        <>
          <ButtonBase
            ref={entrance}
            aria-description="Escape leaves it again"
            sx={ENTER}
            onClick={() => frame.current?.focus()}
          >{`Enter the preview: ${title}`}</ButtonBase>
          <Box
            component="iframe"
            ref={frame}
            key={path}
            src={address(path)}
            title={title}
            tabIndex={-1}
            sandbox={scripts ? SANDBOX : SANDBOX_WITHOUT_SCRIPTS}
            sx={frameStyle({ width, room, scale })}
          />
        </>
      )}
    </Box>
  );
}

interface Drops {
  /** Of the frame, which is shown smaller than it is. */
  scale: number;
  /** Another where another frame stands there. */
  frameKey: string;
  takes: boolean;
}

/** Tells the page what is dragged over it by the application’s own pointer. */
function useDrops(
  frame: RefObject<HTMLIFrameElement | null>,
  tell: (message: ToProbe) => void,
  { scale, frameKey, takes }: Drops,
): void {
  useEffect(() => {
    const box = frame.current;
    if (!box || !takes) return undefined;
    const within = ({ x, y }: Point): [number, number] => {
      const { left, top } = box.getBoundingClientRect();
      return [(x - left) / scale, (y - top) / scale];
    };
    return addDropTarget({
      box,
      over: (at) => tell({ type: 'drag', at: at && within(at), drops: false }),
      drop: (at) => tell({ type: 'drag', at: within(at), drops: true }),
    });
  }, [frame, tell, scale, takes, frameKey]);
}

/** Brings a state about each time the page has greeted. */
function useHeld(tell: (message: ToProbe) => void, greeted: number, held: Held | null): void {
  const heldKey = held === null ? '' : JSON.stringify(held);
  // What was held before is let go by loading the page anew.
  const heldBefore = useRef('');
  useEffect(() => {
    if (greeted === 0 || heldKey === heldBefore.current) return;
    const again = heldBefore.current !== '';
    heldBefore.current = heldKey;
    if (again) tell({ type: 'reload' });
  }, [greeted, heldKey, tell]);
  useEffect(() => {
    if (greeted > 0 && heldKey !== '') tell({ type: 'hold', ...(JSON.parse(heldKey) as Held) }); // written above
  }, [greeted, heldKey, tell]);
}

/** Escape in the page, where nothing of it is open, leads back to what one entered it by. */
function useWayOut(frame: RefObject<HTMLIFrameElement | null>) {
  const entrance = useRef<HTMLButtonElement>(null);
  const leave = (report: FromProbe) => {
    const asked = report.type === 'escape' && !report.taken;
    if (asked && document.activeElement === frame.current) entrance.current?.focus();
  };
  return { entrance, leave };
}

/** How wide a page is laid out in a window of so many CSS px. */
function useLaidOut(path: string, width: number): number {
  const page = useSite().site.view.pages.find((one) => one.path === path);
  return page ? laidOutWidth(page, width) : width;
}

/** Buttons have their own ground by night, where the page around them has none. */
const OURS = { color: color('peat') };

function Stuck({ path, onAgain }: { path: string; onAgain: (scripts: boolean) => void }) {
  return (
    <Box role="alert" sx={{ p: 2, color: TOKENS.light.stone, fontSize: '0.8125rem' }}>
      <p>{`${path} does not answer: one of its scripts does not come to an end. The preview was stopped so that nothing else waits for it.`}</p>
      <Button onClick={() => onAgain(true)} sx={OURS}>
        Reload the page
      </Button>{' '}
      <Button onClick={() => onAgain(false)} sx={OURS}>
        Reload without scripts
      </Button>
    </Box>
  );
}

const keyOf = (element: readonly number[] | null): string => element?.join('.') ?? '';

/** Child numbers joined by dots, so that an effect runs again only for another element; null for none. */
const elementOf = (key: string): number[] | null => (key === '' ? null : key.split('.').map(Number));
