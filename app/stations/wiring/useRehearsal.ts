/**
 * Runs a page in a frame and clicks every strand, one after the other, in each window; what is seen is noted beside
 * the predictions.
 */
import { useEffect, useRef, useState, type RefObject } from 'react';
import type { Strand } from '~core/model/index.ts';
import type { Foretold } from '~core/view/index.ts';
import { leftAsItWas, NO_ANSWER, REHEARSAL_WINDOWS, sightsOf, type Seen } from '~core/wiring/index.ts';
import { usePreview } from '../../ui/preview/PreviewProvider';
import { useProbe } from '../../ui/preview/useProbe';
import { within } from '../../ui/preview/within';
import { useSite } from '../../ui/site/openSite';

/** A page that loads, or that tells nothing of a picture any more, is given up after so long; ms. */
const PATIENCE = { page: 15_000, silence: 40_000 };

type RehearsalWindow = (typeof REHEARSAL_WINDOWS)[number];
const [FIRST] = REHEARSAL_WINDOWS;

/** How far it has come: what is clicked in which window, the number of the click, and whether all are done. */
interface Progress {
  strands: readonly Strand[];
  window: RehearsalWindow;
  at: number;
  of: number;
  done: boolean;
}

const AT_START: Progress = { strands: [], window: FIRST, at: 0, of: 0, done: false };

/** What can be asked of the page in the frame. */
interface Stage {
  /** Loads the page again; whether it greeted in time. */
  load: () => Promise<boolean>;
  /** Null where it gave no answer in time. */
  click: (strand: Strand, number: number) => Promise<Seen | null>;
}

/**
 * It is run once the preview is ready, for what stands there then, and stops when nobody looks. `onEscape` is told of
 * the key in the page, which has the focus while its pictures are clicked.
 */
export function useRehearsal(
  frame: RefObject<HTMLIFrameElement | null>,
  page: string,
  onEscape: () => void,
): Progress & { ready: boolean } {
  const { session } = useSite().site;
  const { origin, address, status, settled } = usePreview();
  const ready = status === 'ready' && settled;
  const [progress, setProgress] = useState<Progress>(AT_START);
  /** Who waits for the page to greet, or for what a click did. */
  const greeted = useRef<((query: string) => void) | null>(null);
  const loads = useRef(0);
  const answered = useRef<{ number: number; wait: () => void; tell: (seen: Seen | null) => void } | null>(null);
  const tell = useProbe(frame, origin, (report) => {
    if (report.type === 'escape') return onEscape();
    if (report.type === 'hello') return greeted.current?.(report.query);
    if (report.type !== 'rehearsed' && report.type !== 'waiting') return undefined;
    if (report.number !== answered.current?.number) return undefined;
    return report.type === 'waiting' ? answered.current.wait() : answered.current.tell(report.seen);
  });

  useEffect(() => setReachable(frame, false), [frame]);

  useEffect(() => {
    if (!ready) return undefined;
    const control = new AbortController();
    const { signal } = control;
    const stage: Stage = {
      load: () => {
        setReachable(frame, false);
        return within(PATIENCE.page, false, signal, (resolve) => {
          loads.current += 1;
          const query = `?rehearsal=${Date.now()}-${loads.current}`;
          // The page that was asked for before may greet late; what is clicked there would be lost with it.
          greeted.current = (said) => said === query && resolve(true);
          // Another address in the same place leaves the way back of the application as it is.
          frame.current?.contentWindow?.location.replace(`${address(page)}${query}`);
        }).finally(() => setReachable(frame, true));
      },
      click: (strand, number) =>
        within<Seen | null>(PATIENCE.silence, null, signal, (resolve, wait) => {
          answered.current = { number, wait, tell: resolve };
          tell({ type: 'rehearse', element: strand.element, number });
        }),
    };
    const { rehearsals } = session;
    void (async () => {
      // The page's elements as they are told with what is predicted of them: what is shown here may be older.
      const foretold = await session.analysis.predictions(page);
      const strands = foretold.map(({ strand }) => strand);
      const of = strands.length * REHEARSAL_WINDOWS.length;
      rehearsals.begin(page);
      for (const [turn, window] of REHEARSAL_WINDOWS.entries())
        await clickAll(
          stage,
          foretold,
          signal,
          turn * strands.length,
          (at) => setProgress({ strands, window, at, of, done: false }),
          ({ strand, prediction }, seen) => {
            const sights = seen ? sightsOf({ window: window.name, prediction, seen }) : [NO_ANSWER];
            rehearsals.note(page, strand, { window: window.name, seen, sights });
          },
        );
      if (!signal.aborted) setProgress((last) => ({ ...last, strands, at: of, of, done: true }));
    })();
    return () => control.abort();
    // eslint-disable-next-line react-hooks/exhaustive-deps -- once, for what stood there when it was asked for
  }, [ready]);
  return { ...progress, ready };
}

/**
 * A page that is not there yet takes no focus: a key that is pressed in it would reach nobody, and Escape could not stop
 * the rehearsal.
 */
function setReachable(frame: RefObject<HTMLIFrameElement | null>, on: boolean): void {
  if (frame.current) frame.current.inert = !on;
}

/** `first` is the number of the first click. */
async function clickAll(
  { load, click }: Stage,
  foretold: readonly Foretold[],
  signal: AbortSignal,
  first: number,
  onStep: (at: number) => void,
  onSeen: (one: Foretold, seen: Seen | null) => void,
): Promise<void> {
  let fresh = false;
  for (const [n, one] of foretold.entries()) {
    if (signal.aborted) return;
    onStep(first + n);
    if (!fresh) fresh = await load();
    const seen: Seen | null = fresh && !signal.aborted ? await click(one.strand, first + n) : null;
    if (signal.aborted) return;
    onSeen(one, seen);
    fresh = seen !== null && leftAsItWas(seen);
  }
}
