/**
 * The live page is run and every strand clicked, one after the other; what opened is noted beside what was foretold.
 */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import LinearProgress from '@mui/material/LinearProgress';
import { useEffect, useRef, useState, useSyncExternalStore } from 'react';
import type { Strand } from '~core/model/index.ts';
import { disagreements, type Prediction, type Seen } from '~core/wiring/index.ts';
import { countOf } from '../../ui/parts/small';
import { usePreview } from '../../ui/preview/PreviewProvider';
import { SANDBOX, useProbe } from '../../ui/preview/useProbe';
import { useSite } from '../../ui/site/openSite';
import { color } from '../../ui/theme';

/** The window in which it is run, and how it is shown; CSS px. */
const WINDOW = { width: 1280, height: 800 };
const SHOWN = 0.44;
/** A page that loads, or a picture that is clicked, is given up after so long; ms. */
const PATIENCE = { page: 15_000, picture: 40_000 };

interface Props {
  page: string;
  strands: readonly Strand[];
  onClose: () => void;
}

export function Rehearsal(props: Props) {
  return (
    <Dialog open onClose={props.onClose} maxWidth={false} aria-labelledby="rehearsal-title">
      <DialogTitle id="rehearsal-title">{`Rehearsal of ${props.page}`}</DialogTitle>
      <Run {...props} />
    </Dialog>
  );
}

/** What is inside of the dialog comes later than the dialog; it is this that runs, so that its frame is there. */
function Run({ page, strands, onClose }: Props) {
  const { session } = useSite().site;
  const { rehearsals } = session;
  const { origin, address, status, settled } = usePreview();
  const ready = status === 'ready' && settled;
  const frame = useRef<HTMLIFrameElement>(null);
  const [at, setAt] = useState(0);
  const [done, setDone] = useState(false);
  /** Who waits for the page to greet, or for what a click did. */
  const greeted = useRef<(() => void) | null>(null);
  const answered = useRef<{ number: number; tell: (seen: Seen | null) => void } | null>(null);
  const noted = useSyncExternalStore(
    rehearsals.watch,
    () => rehearsals.of(page),
    () => rehearsals.of(page),
  );

  const tell = useProbe(frame, origin, (report) => {
    if (report.type === 'hello') greeted.current?.();
    else if (report.type === 'rehearsed' && report.number === answered.current?.number)
      answered.current.tell(report.seen);
  });

  useEffect(() => {
    if (!ready) return undefined;
    const control = new AbortController();
    const { signal } = control;
    const within = <T,>(ms: number, begin: (tell: (value: T) => void) => void, late: T): Promise<T> =>
      new Promise((resolve) => {
        const timer = setTimeout(() => resolve(late), ms);
        signal.addEventListener('abort', () => resolve(late), { once: true });
        begin((value) => {
          clearTimeout(timer);
          resolve(value);
        });
      });
    const load = () =>
      within<boolean>(
        PATIENCE.page,
        (tell) => {
          greeted.current = () => tell(true);
          if (frame.current) frame.current.src = `${address(page)}?rehearsal=${Date.now()}`;
        },
        false,
      );
    const click = (strand: Strand, number: number) =>
      within<Seen | null>(
        PATIENCE.picture,
        (resolve) => {
          answered.current = { number, tell: resolve };
          tell({ type: 'rehearse', element: strand.element, number });
        },
        null,
      );
    void (async () => {
      const predictions = new Map<string, Prediction>(await session.analysis.predictions(page));
      rehearsals.begin(page);
      let fresh = false;
      for (const [n, strand] of strands.entries()) {
        if (signal.aborted) return;
        setAt(n);
        if (!fresh) fresh = await load();
        const seen: Seen | null = fresh && !signal.aborted ? await click(strand, n) : null;
        if (signal.aborted) return;
        const prediction = predictions.get(strand.id);
        rehearsals.note(page, strand.id, {
          seen,
          disagreements: seen && prediction ? disagreements(prediction, seen) : [],
        });
        // What closed again without a mistake leaves the page as it was.
        fresh =
          seen !== null &&
          seen.opened === 'viewer' &&
          (seen.closed === 'key' || seen.closed === 'button') &&
          seen.errors.length === 0;
      }
      setAt(strands.length);
      setDone(true);
    })();
    return () => control.abort();
    // It is run once for what stood there when it was asked for.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [ready]);

  const outcomes = [...noted.strands.values()];
  const otherwise = outcomes.filter((one) => one.seen === null || one.disagreements.length > 0).length;
  const saysNow = (): string => {
    if (status === 'limited')
      return 'The live page has no origin of its own here, so it cannot be rehearsed. Start the preview again in Markup.';
    if (done)
      return `${countOf(outcomes.length - otherwise, 'strand')} as foretold${otherwise > 0 ? `, ${otherwise} otherwise` : ''}`;
    return ready ? `Clicking ${strands[at]?.name ?? ''}: ${at + 1} of ${strands.length}` : 'Waiting for the preview…';
  };
  const says = saysNow();
  return (
    <>
      <DialogContent sx={{ width: WINDOW.width * SHOWN + 48 }}>
        <Box
          role="status"
          sx={{
            mb: 1,
            fontSize: '0.8125rem',
            color: color(done && otherwise > 0 ? 'gorse' : 'stone'),
            fontWeight: done ? 600 : 400,
          }}
        >
          {says}
        </Box>
        <LinearProgress
          aria-label="Strands clicked"
          variant="determinate"
          value={(100 * (done ? strands.length : at)) / Math.max(1, strands.length)}
          sx={{ mb: 1.5 }}
        />
        <Box
          sx={{
            width: WINDOW.width * SHOWN,
            height: WINDOW.height * SHOWN,
            overflow: 'hidden',
            border: `1px solid ${color('hair')}`,
            bgcolor: '#fff',
          }}
        >
          <Box
            component="iframe"
            ref={frame}
            title={`Live page ${page} while it is rehearsed`}
            sandbox={SANDBOX}
            sx={{ border: 0, display: 'block', ...WINDOW, transform: `scale(${SHOWN})`, transformOrigin: '0 0' }}
          />
        </Box>
        {done && otherwise > 0 && (
          <Box
            component="ul"
            aria-label="Seen otherwise"
            sx={{ m: 0, mt: 1.5, pl: 2.5, maxHeight: 150, overflow: 'auto', fontSize: '0.8125rem' }}
          >
            {strands.flatMap((strand) => {
              const one = noted.strands.get(strand.id);
              if (!one || (one.seen !== null && one.disagreements.length === 0)) return [];
              return one.seen === null
                ? [<li key={strand.id}>{`${strand.name}: the page gave no answer.`}</li>]
                : one.disagreements.map((d) => (
                    <li
                      key={`${strand.id} ${d.about}`}
                    >{`${strand.name}, ${d.about}: foretold ${d.predicted}, seen ${d.seen}.`}</li>
                  ));
            })}
          </Box>
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>{done ? 'Close' : 'Stop'}</Button>
      </DialogActions>
    </>
  );
}
