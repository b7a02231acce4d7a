/**
 * The live page is run in a desktop and in a phone window and every strand clicked, one after the other; what is seen
 * is noted beside what the page's text says.
 */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import LinearProgress from '@mui/material/LinearProgress';
import { useRef, useSyncExternalStore } from 'react';
import { sayingOf, sightsTogether, type SightView } from '~core/view/index.ts';
import { isDifferent, sightsIn } from '../../data/session/rehearsals';
import { usePreview } from '../../ui/preview/PreviewProvider';
import { STAGE, STAGE_WIDTH, stageFrame } from '../../ui/preview/stage';
import { SANDBOX } from '../../ui/preview/useProbe';
import { useSite } from '../../ui/site/openSite';
import { color } from '../../ui/theme';
import { expectedOf } from './outcome';
import { useRehearsal } from './useRehearsal';

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

const statusStyle = ({ done, different }: { done: boolean; different: number }) =>
  ({
    mb: 1,
    fontSize: '0.8125rem',
    color: color(done && different > 0 ? 'gorse' : 'stone'),
    fontWeight: done ? 600 : 400,
  }) as const;

/** What is inside of the dialog comes later than the dialog; it is this that runs, so that its frame is there. */
function Run({ page, onClose }: Props) {
  const { rehearsals } = useSite().site.session;
  const { status } = usePreview();
  const frame = useRef<HTMLIFrameElement>(null);
  const { strands, window, at, of, done, ready } = useRehearsal(frame, page, onClose);
  const now = () => rehearsals.of(page);
  const noted = useSyncExternalStore(rehearsals.watch, now, now);
  const different = [...noted.strands.values()].filter(isDifferent).length;
  const saysNow = (): string => {
    if (status === 'limited')
      return 'The live page has no origin of its own here, so it cannot be rehearsed. Start the preview again in Markup.';
    if (done) return expectedOf(noted);
    const strand = strands[at % Math.max(1, strands.length)];
    if (!ready || !strand) return 'Waiting for the preview…';
    return `Clicking ${strand.name} in a ${window.name} window: ${at + 1} of ${of}`;
  };
  return (
    <>
      <DialogContent sx={{ width: STAGE_WIDTH + 48 }}>
        <Box role="status" sx={statusStyle({ done, different })}>
          {saysNow()}
        </Box>
        <LinearProgress
          aria-label="Strands clicked"
          variant="determinate"
          value={(100 * at) / Math.max(1, of)}
          sx={{ mb: 1.5 }}
        />
        <Box sx={STAGE}>
          <Box
            component="iframe"
            ref={frame}
            title={`Live page ${page} while it is rehearsed`}
            sandbox={SANDBOX}
            sx={stageFrame(window)}
          />
        </Box>
        {done && <Sights sights={sightsTogether(sightsIn(noted))} />}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>{done ? 'Close' : 'Stop'}</Button>
      </DialogActions>
    </>
  );
}

/** What was different or looks bad, and apart from it what only a finger can show. */
function Sights({ sights }: { sights: readonly SightView[] }) {
  const found = sights.filter(({ sight }) => sight.severity !== 'unconfirmed');
  const open = sights.filter(({ sight }) => sight.severity === 'unconfirmed');
  return (
    <>
      <SightList label="Findings" sights={found} tone="peat" />
      <SightList label="Unconfirmed" sights={open} tone="stone" />
    </>
  );
}

interface SightListProps {
  label: string;
  sights: readonly SightView[];
  tone: 'peat' | 'stone';
}

function SightList({ label, sights, tone }: SightListProps) {
  if (sights.length === 0) return null;
  return (
    <Box sx={{ ...SIGHTS, color: color(tone) }}>
      <Box component="h3" sx={{ m: 0, fontSize: 'inherit' }}>
        {label}
      </Box>
      <Box component="ul" aria-label={label} sx={{ m: 0, pl: 2.5 }}>
        {sights.map((one) => (
          <li key={one.key}>
            {sayingOf(one)}
            <Box sx={{ color: color('stone') }}>{one.sight.why}</Box>
          </li>
        ))}
      </Box>
    </Box>
  );
}

const SIGHTS = { mt: 1.5, maxHeight: 150, overflow: 'auto', fontSize: '0.8125rem' } as const;
