/** What a wish would do, shown before it is done. */
import Box from '@mui/material/Box';
import { useEffect, useState } from 'react';
import type { Intent } from '~core/plans/index.ts';
import { countOf } from '~core/site/index.ts';
import type { PlanView } from '../../workers/analysis';
import { DiffView } from './DiffView';
import { NotDoneShown } from './NotDone';
import { useSite } from '../site/openSite';
import { color } from '../theme';

/** After this long without another wish the outcome is worked out; ms. */
const PAUSE = 250;

/** The wish that a key was written from. */
const wishOf = (key: string) => JSON.parse(key) as Intent; // written from one below

/** The plan for a wish, null while it is worked out or while nothing is wished. */
export function usePlan(wish: Intent | null): PlanView | null {
  const { site } = useSite();
  const { session, view } = site;
  const key = wish && JSON.stringify(wish);
  const [made, setMade] = useState<{ key: string; plan: PlanView } | null>(null);
  useEffect(() => {
    if (key === null) return undefined;
    let current = true;
    const timer = setTimeout(
      () => void session.analysis.plan(wishOf(key)).then((plan) => current && setMade({ key, plan })),
      PAUSE,
    );
    return () => {
      current = false;
      clearTimeout(timer);
    };
    // Another view is another site to plan for.
  }, [session, key, view]);
  return made?.key === key ? (made?.plan ?? null) : null;
}

/** How many places a plan changes; 0 where it cannot be done. */
export const changesOf = (plan: PlanView | null): number =>
  plan?.ok ? plan.diffs.reduce((sum, diff) => sum + (diff.note === '' ? diff.hunks.length : 1), 0) : 0;

interface Props {
  plan: PlanView | null;
  /** Something is wished, so that a plan is on its way. */
  wished: boolean;
  /** What is said where the plan would change nothing. */
  same?: string;
  /** CSS px. */
  height?: number;
  /** Of the difference; another for each that is on the screen. */
  label?: string;
}

const saysStyle = (failed: boolean) =>
  ({
    fontSize: '0.8125rem',
    color: color(failed ? 'rust' : 'stone'),
    mb: 0.5,
    minHeight: '1.4em',
  }) as const;

export function PlanShown({
  plan,
  wished,
  same = 'There is nothing to change.',
  height = 200,
  label = 'Planned difference',
}: Props) {
  const changes = changesOf(plan);
  const saysOfPlan = (): string => {
    if (plan === null) return 'Working…';
    if (!plan.ok) return plan.reason;
    return changes === 0 ? same : `${countOf(changes, 'place')} would change:`;
  };
  const says = wished ? saysOfPlan() : '';
  return (
    <Box>
      <Box aria-live="polite" sx={saysStyle(plan?.ok === false)}>
        {says}
      </Box>
      {plan?.ok && changes > 0 && <DiffView diffs={plan.diffs} height={height} label={label} />}
      {plan?.ok && <NotDoneShown {...plan} />}
    </Box>
  );
}
