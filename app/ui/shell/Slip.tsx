/**
 * The slip at the foot: what was just done with its diff and its undo, what could not be done and why, and work in
 * hand.
 */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import { useEffect, useState } from 'react';
import { saysOf, type Outcome } from '../../data/session/shared';
import { DiffView } from '../parts/DiffView';
import { announce } from './announce';
import { isAllDone, NotDoneShown } from '../parts/NotDone';
import { useSite } from '../site/openSite';
import { useJob } from '../site/pictureUrls';
import { useWork } from '../site/work';
import { NARROW } from '../narrow';
import { color } from '../theme';

const SHOWN_FOR = 9000; // ms; long enough to read a diff, and pointing at it keeps it

const SLIP = {
  position: 'fixed',
  left: 20,
  bottom: 16,
  width: 'min(520px, calc(100vw - 40px))',
  [NARROW]: { bottom: 60 },
  zIndex: 1200,
  display: 'grid',
  gridTemplateColumns: 'minmax(0, 1fr)',
  gap: 1,
} as const;

const HEAD = { display: 'flex', alignItems: 'center', gap: 1, mb: 0.75 };

export function Slip() {
  const { site, outcome } = useSite();
  const job = useJob(site.session);
  return (
    <Box role="region" aria-label="Messages" sx={SLIP}>
      {job && <InHand job={job} />}
      <LastChange outcome={outcome} />
    </Box>
  );
}

function InHand({ job }: { job: NonNullable<ReturnType<typeof useJob>> }) {
  const { says, done, of, left, stop } = job;
  useEffect(() => announce(says), [says]);
  return (
    <Box sx={{ ...CARD, p: 1.5 }}>
      <Box sx={HEAD}>
        <Box sx={{ flex: 1 }}>{`${says}, ${done} of ${of}${left === undefined ? '' : `, ${inTime(left)} left`}`}</Box>
        {stop && <Button onClick={stop}>Stop</Button>}
      </Box>
      <LinearProgress aria-label={says} variant="determinate" value={of === 0 ? 0 : (done / of) * 100} />
    </Box>
  );
}

function LastChange({ outcome }: { outcome: Outcome | null }) {
  const [gone, setGone] = useState<Outcome | null>(null);
  const [held, setHeld] = useState(false);
  const shown = outcome !== gone ? outcome : null;
  useEffect(() => {
    // What is to be looked at by hand stays until it is put away.
    if (!shown?.ok || held || !isAllDone(shown)) return undefined;
    const timer = setTimeout(() => setGone(shown), SHOWN_FOR);
    return () => clearTimeout(timer);
  }, [shown, held]);
  return (
    <Box
      {...(shown ? { role: 'group', 'aria-label': 'Last change' } : {})}
      onMouseEnter={() => setHeld(true)}
      onMouseLeave={() => setHeld(false)}
      onFocus={() => setHeld(true)}
      onBlur={() => setHeld(false)}
      sx={shown ? changeStyle(shown.ok) : undefined}
    >
      <Box sx={CHANGE_HEAD}>
        {/* The words alone are said: with its buttons and its difference the slip would be a long speech. */}
        <Box role="status" sx={{ flex: 1, fontWeight: 600, color: shown?.ok === false ? color('rust') : undefined }}>
          {saysOf(shown)}
        </Box>
        {shown && <Buttons outcome={shown} onClose={() => setGone(shown)} />}
      </Box>
      {shown?.ok && <Details outcome={shown} />}
    </Box>
  );
}

function Buttons({ outcome, onClose }: { outcome: Outcome; onClose: () => void }) {
  const { site } = useSite();
  const { work } = useWork();
  return (
    <>
      {outcome.ok && outcome.undoable !== false && site.undo !== null && (
        <Button onClick={() => work({ do: 'step', way: 'undo' })}>Undo</Button>
      )}
      <Button onClick={onClose}>Close</Button>
    </>
  );
}

function Details({ outcome }: { outcome: Extract<Outcome, { ok: true }> }) {
  return (
    <>
      {outcome.diffs.length > 0 && (
        <Box sx={{ mt: 1 }}>
          <DiffView diffs={outcome.diffs} height={104} />
        </Box>
      )}
      <NotDoneShown {...outcome} />
    </>
  );
}

/** Rounded to what somebody waits for. */
const inTime = (ms: number): string =>
  ms < 90_000 ? `about ${Math.max(5, Math.round(ms / 5000) * 5)} s` : `about ${Math.round(ms / 60_000)} min`;

const CARD = {
  bgcolor: color('paper'),
  border: `1px solid ${color('edge')}`,
  borderRadius: 1,
  boxShadow: '0 4px 18px rgb(20 16 15 / 0.18)',
  fontSize: '0.8125rem',
};

const changeStyle = (ok: boolean) => ({ ...CARD, p: 1.5, borderColor: color(ok ? 'edge' : 'rust') });

const CHANGE_HEAD = { display: 'flex', alignItems: 'center', gap: 0.75 };
