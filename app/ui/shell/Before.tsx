/** For those who like to see a change before it is made: what a wish would do, and the choice to do it or not. */
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import { useCallback, useState } from 'react';
import type { SiteSession } from '../../data/session/siteSession';
import type { Work } from '../../data/work';
import type { PlanView } from '../../workers/analysis';
import { changesOf, PlanShown } from '../parts/PlanShown';

const KEY = 'heathmoor-changes-before';

interface Waiting {
  work: Work;
  plan: Extract<PlanView, { ok: true }>;
}

interface ShownBefore {
  /** Whether changes are shown before they are made; kept in this browser. */
  shown: boolean;
  setShown: (shown: boolean) => void;
  /** What is shown now and waits for a word. */
  waiting: Waiting | null;
  leave: () => void;
  ask: (work: Work) => void;
}

/** `act` does the work at once: what cannot be done says why there, and what changes no file has nothing to show. */
export function useShownBefore(session: SiteSession, act: (work: Work) => void): ShownBefore {
  const [shown, setKept] = useState(() => localStorage.getItem(KEY) === 'yes');
  const [waiting, setWaiting] = useState<Waiting | null>(null);
  const setShown = useCallback((next: boolean) => {
    if (next) localStorage.setItem(KEY, 'yes');
    else localStorage.removeItem(KEY);
    setKept(next);
  }, []);
  const ask = useCallback(
    (work: Work) => {
      if (!shown || work.do !== 'intent') act(work);
      else
        void session.analysis
          .plan(work.intent)
          .then((plan) => (plan.ok && changesOf(plan) > 0 ? setWaiting({ work, plan }) : act(work)));
    },
    [session, shown, act],
  );
  const leave = useCallback(() => setWaiting(null), []);
  return { shown, setShown, waiting, leave, ask };
}

export function Before({ plan, onDo, onLeave }: { plan: Waiting['plan']; onDo: () => void; onLeave: () => void }) {
  return (
    <Dialog open onClose={onLeave} fullWidth maxWidth="sm" aria-labelledby="before-title">
      <DialogTitle id="before-title">{plan.change.label}?</DialogTitle>
      <DialogContent>
        <PlanShown plan={plan} wished height={320} />
      </DialogContent>
      <DialogActions>
        <Button onClick={onLeave}>Leave it as it is</Button>
        <Button variant="contained" color="primary" autoFocus onClick={onDo}>
          Do it
        </Button>
      </DialogActions>
    </Dialog>
  );
}
