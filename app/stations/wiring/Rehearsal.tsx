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
import { useRef, useSyncExternalStore } from 'react';
import type { Strand } from '~core/model/index.ts';
import { countOf } from '~core/site/index.ts';
import { usePreview } from '../../ui/preview/PreviewProvider';
import { SANDBOX } from '../../ui/preview/useProbe';
import { useSite } from '../../ui/site/openSite';
import { color } from '../../ui/theme';
import type { Rehearsed } from '../../data/session/rehearsals';
import { useRehearsal } from './useRehearsal';

/** The window in which it is run, and how it is shown; CSS px. */
const WINDOW = { width: 1280, height: 800 };
const SHOWN = 0.44;
interface Props {
  page: string;
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

const statusStyle = ({ done, otherwise }: { done: boolean; otherwise: number }) =>
  ({
    mb: 1,
    fontSize: '0.8125rem',
    color: color(done && otherwise > 0 ? 'gorse' : 'stone'),
    fontWeight: done ? 600 : 400,
  }) as const;

const WINDOW_STYLE = {
  width: WINDOW.width * SHOWN,
  height: WINDOW.height * SHOWN,
  overflow: 'hidden',
  border: `1px solid ${color('hair')}`,
  bgcolor: '#fff',
} as const;

const FRAME = { border: 0, display: 'block', ...WINDOW, transform: `scale(${SHOWN})`, transformOrigin: '0 0' };

/** What is inside of the dialog comes later than the dialog; it is this that runs, so that its frame is there. */
function Run({ page, onClose }: Props) {
  const { rehearsals } = useSite().site.session;
  const { status } = usePreview();
  const frame = useRef<HTMLIFrameElement>(null);
  const { strands, at, done, ready } = useRehearsal(frame, page);
  const now = () => rehearsals.of(page);
  const noted = useSyncExternalStore(rehearsals.watch, now, now);
  const outcomes = [...noted.strands.values()];
  const otherwise = outcomes.filter((one) => one.seen === null || one.disagreements.length > 0).length;
  const saysNow = (): string => {
    if (status === 'limited')
      return 'The live page has no origin of its own here, so it cannot be rehearsed. Start the preview again in Markup.';
    if (done)
      return `${countOf(outcomes.length - otherwise, 'strand')} as foretold${otherwise > 0 ? `, ${otherwise} otherwise` : ''}`;
    const strand = strands[at];
    return ready && strand ? `Clicking ${strand.name}: ${at + 1} of ${strands.length}` : 'Waiting for the preview…';
  };
  const says = saysNow();
  return (
    <>
      <DialogContent sx={{ width: WINDOW.width * SHOWN + 48 }}>
        <Box role="status" sx={statusStyle({ done, otherwise })}>
          {says}
        </Box>
        <LinearProgress
          aria-label="Strands clicked"
          variant="determinate"
          value={(100 * (done ? strands.length : at)) / Math.max(1, strands.length)}
          sx={{ mb: 1.5 }}
        />
        <Box sx={WINDOW_STYLE}>
          <Box
            component="iframe"
            ref={frame}
            title={`Live page ${page} while it is rehearsed`}
            sandbox={SANDBOX}
            sx={FRAME}
          />
        </Box>
        {done && otherwise > 0 && <SeenOtherwise strands={strands} noted={noted.strands} />}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>{done ? 'Close' : 'Stop'}</Button>
      </DialogActions>
    </>
  );
}

function SeenOtherwise({ strands, noted }: { strands: readonly Strand[]; noted: ReadonlyMap<string, Rehearsed> }) {
  const lines = strands.flatMap(({ id, name }) => {
    const one = noted.get(id);
    if (!one) return [];
    if (one.seen === null) return [`${name}: the page gave no answer.`];
    return one.disagreements.map(
      ({ about, predicted, seen }) => `${name}, ${about}: foretold ${predicted}, seen ${seen}.`,
    );
  });
  return (
    <Box component="ul" aria-label="Seen otherwise" sx={OTHERWISE}>
      {lines.map((line) => (
        <li key={line}>{line}</li>
      ))}
    </Box>
  );
}

const OTHERWISE = { m: 0, mt: 1.5, pl: 2.5, maxHeight: 150, overflow: 'auto', fontSize: '0.8125rem' };
