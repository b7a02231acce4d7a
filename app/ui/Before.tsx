/** For those who like to see a change before it is made: what a wish would do, and the choice to do it or not. */
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import { useCallback, useEffect, useState } from 'react';
import type { Intent } from '~core/plans/index.ts';
import { changesOf, PlanShown, usePlan } from './plans';

const KEY = 'heathmoor-changes-before';

/** Whether changes are shown before they are made; kept in this browser. */
export function useShownBefore(): [boolean, (shown: boolean) => void] {
  const [shown, setShown] = useState(() => localStorage.getItem(KEY) === 'yes');
  const set = useCallback((next: boolean) => {
    if (next) localStorage.setItem(KEY, 'yes');
    else localStorage.removeItem(KEY);
    setShown(next);
  }, []);
  return [shown, set];
}

export function Before({ intent, onDo, onLeave }: { intent: Intent; onDo: () => void; onLeave: () => void }) {
  const plan = usePlan(intent);
  const changes = changesOf(plan);
  // What cannot be done says why where all else is told, and what changes no file has nothing to show.
  const nothing = plan !== null && changes === 0;
  useEffect(() => {
    if (nothing) onDo();
    // eslint-disable-next-line react-hooks/exhaustive-deps -- once for each wish
  }, [nothing]);
  if (!plan?.ok || nothing) return null;
  return (
    <Dialog open onClose={onLeave} fullWidth maxWidth="sm" aria-labelledby="before-title">
      <DialogTitle id="before-title">{plan.change.label}?</DialogTitle>
      <DialogContent>
        <PlanShown plan={plan} wished height={320} />
      </DialogContent>
      <DialogActions>
        <Button onClick={onLeave}>Leave it as it is</Button>
        <Button variant="contained" color="primary" autoFocus onClick={onDo}>Do it</Button>
      </DialogActions>
    </Dialog>
  );
}
