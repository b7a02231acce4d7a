/** Runs a page in a frame and clicks every strand, one after the other; what is seen is noted beside the predictions. */
import { useEffect, useRef, useState, type RefObject } from 'react';
import type { Strand } from '~core/model/index.ts';
import type { Foretold } from '~core/view/index.ts';
import { disagreements, type Seen } from '~core/wiring/index.ts';
import { usePreview } from '../../ui/preview/PreviewProvider';
import { useProbe } from '../../ui/preview/useProbe';
import { useSite } from '../../ui/site/openSite';

/** A page that loads, or a picture that is clicked, is given up after so long; ms. */
const PATIENCE = { page: 15_000, picture: 40_000 };

/** How far it has come: what is clicked, the number of the one that is clicked now, and whether all are done. */
interface Progress {
  strands: readonly Strand[];
  at: number;
  done: boolean;
}

/** What can be asked of the page in the frame. */
interface Stage {
  /** Loads the page anew; whether it greeted in time. */
  load: () => Promise<boolean>;
  /** Null where it gave no answer in time. */
  click: (strand: Strand, number: number) => Promise<Seen | null>;
}

/** It is run once the preview is ready, for what stands there then, and stops when nobody looks. */
export function useRehearsal(frame: RefObject<HTMLIFrameElement | null>, page: string): Progress & { ready: boolean } {
  const { session } = useSite().site;
  const { origin, address, status, settled } = usePreview();
  const ready = status === 'ready' && settled;
  const [progress, setProgress] = useState<Progress>({ strands: [], at: 0, done: false });
  /** Who waits for the page to greet, or for what a click did. */
  const greeted = useRef<(() => void) | null>(null);
  const answered = useRef<{ number: number; tell: (seen: Seen | null) => void } | null>(null);
  const tell = useProbe(frame, origin, (report) => {
    if (report.type === 'hello') greeted.current?.();
    else if (report.type === 'rehearsed' && report.number === answered.current?.number)
      answered.current.tell(report.seen);
  });

  useEffect(() => {
    if (!ready) return undefined;
    const control = new AbortController();
    const { signal } = control;
    const stage: Stage = {
      load: () =>
        within(PATIENCE.page, false, signal, (resolve) => {
          greeted.current = () => resolve(true);
          if (frame.current) frame.current.src = `${address(page)}?rehearsal=${Date.now()}`;
        }),
      click: (strand, number) =>
        within<Seen | null>(PATIENCE.picture, null, signal, (resolve) => {
          answered.current = { number, tell: resolve };
          tell({ type: 'rehearse', element: strand.element, number });
        }),
    };
    const { rehearsals } = session;
    void (async () => {
      // The page's elements as they are told with what is foretold of them: what is shown here may be older.
      const foretold = await session.analysis.predictions(page);
      const strands = foretold.map(({ strand }) => strand);
      rehearsals.begin(page);
      await clickAll(
        stage,
        foretold,
        signal,
        (n) => setProgress({ strands, at: n, done: false }),
        ({ strand, prediction }, seen) => {
          const others = seen ? disagreements(prediction, seen) : [];
          rehearsals.note(page, strand.id, { seen, disagreements: others });
        },
      );
      if (!signal.aborted) setProgress({ strands, at: strands.length, done: true });
    })();
    return () => control.abort();
    // eslint-disable-next-line react-hooks/exhaustive-deps -- once, for what stood there when it was asked for
  }, [ready]);
  return { ...progress, ready };
}

async function clickAll(
  { load, click }: Stage,
  foretold: readonly Foretold[],
  signal: AbortSignal,
  onStep: (n: number) => void,
  onSeen: (one: Foretold, seen: Seen | null) => void,
): Promise<void> {
  let fresh = false;
  for (const [n, one] of foretold.entries()) {
    if (signal.aborted) return;
    onStep(n);
    if (!fresh) fresh = await load();
    const seen: Seen | null = fresh && !signal.aborted ? await click(one.strand, n) : null;
    if (signal.aborted) return;
    onSeen(one, seen);
    fresh = seen !== null && leftAsItWas(seen);
  }
}

/** What closed again without a mistake leaves the page as it was. */
const leftAsItWas = ({ opened, closed, errors }: Seen): boolean =>
  opened === 'viewer' && (closed === 'key' || closed === 'button') && errors.length === 0;

/** What comes within so many ms, or else `late`; also once nobody waits any more. */
function within<T>(ms: number, late: T, signal: AbortSignal, begin: (tell: (value: T) => void) => void): Promise<T> {
  return new Promise((resolve) => {
    const timer = setTimeout(() => resolve(late), ms);
    signal.addEventListener('abort', () => resolve(late), { once: true });
    begin((value) => {
      clearTimeout(timer);
      resolve(value);
    });
  });
}
