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
  plan: Extract<PlanView, { ok: true }>;
  /** Does the work. */
  act: () => void;
}

interface ShownBefore {
  /** Whether changes are shown before they are made; kept in this browser. */
  shown: boolean;
  setShown: (shown: boolean) => void;
  /** What is shown now and waits for a word. */
  waiting: Waiting | null;
  leave: () => void;
  /** `act` does the work at once where nothing is to be shown: what cannot be done says why there. */
  showFirst: (work: Work, act: (work: Work) => void, always?: 'shown') => Promise<void>;
}

export function useShownBefore(session: SiteSession): ShownBefore {
  const [shown, setKept] = useState(() => localStorage.getItem(KEY) === 'yes');
  const [waiting, setWaiting] = useState<Waiting | null>(null);
  const setShown = useCallback((next: boolean) => {
    if (next) localStorage.setItem(KEY, 'yes');
    else localStorage.removeItem(KEY);
    setKept(next);
  }, []);
  const showFirst = useCallback(
    async (work: Work, act: (work: Work) => void, always?: 'shown') => {
      if (!(shown || always) || work.do !== 'intent') return act(work);
      const plan = await session.analysis.plan(work.intent);
      if (plan.ok && changesOf(plan) > 0) setWaiting({ plan, act: () => act(work) });
      else act(work);
    },
    [session, shown],
  );
  const leave = useCallback(() => setWaiting(null), []);
  return { shown, setShown, waiting, leave, showFirst };
}

export function Before({ waiting: { plan, act }, onLeave }: { waiting: Waiting; onLeave: () => void }) {
  return (
    <Dialog open onClose={onLeave} fullWidth maxWidth="sm" aria-labelledby="before-title">
      <DialogTitle id="before-title">{plan.change.label}?</DialogTitle>
      <DialogContent>
        <PlanShown plan={plan} wished height={320} />
      </DialogContent>
      <DialogActions>
        <Button onClick={onLeave}>Cancel</Button>
        <Button
          variant="contained"
          color="primary"
          autoFocus
          onClick={() => {
            act();
            onLeave();
          }}
        >
          Apply this change
        </Button>
      </DialogActions>
    </Dialog>
  );
}
