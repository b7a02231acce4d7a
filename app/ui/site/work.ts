/** How work is asked for: each asker has a request of its own, and knows when that one is under way. */
import { useCallback, useState } from 'react';
import { useFetcher } from 'react-router';
import type { Intent } from '~core/plans/index.ts';
import type { FixView } from '~core/view/index.ts';
import type { Outcome } from '../../data/session/shared';
import type { Work } from '../../data/work';
import { useSite } from './openSite';

/** What can be sent as JSON; work is checked again where it arrives. */
type JsonValue = Extract<Parameters<ReturnType<typeof useFetcher>['submit']>[0], object>;

const plain = (work: Work) => JSON.parse(JSON.stringify(work)) as JsonValue; // JSON gives nothing else

interface Asking {
  ask: (work: Work) => void;
  /** What was asked for here is under way. */
  busy: boolean;
}

/** Sends work to an action of the site; what is shown is read again afterwards. */
function useAction(action: string): Asking & { outcome: Outcome | null } {
  const { submit, state, data } = useFetcher<Outcome>();
  const ask = useCallback(
    (work: Work) =>
      void submit(plain(work), {
        method: 'post',
        encType: 'application/json',
        action,
      }),
    [submit, action],
  );
  return { ask, busy: state !== 'idle', outcome: data ?? null };
}

/**
 * `seen` where what is asked for was shown before, so that it need not be shown again; `shown` where it is shown before
 * it is made, whatever somebody likes otherwise.
 */
type Showing = 'seen' | 'shown';

export function useWork(showing?: Showing): { work: (work: Work) => void; busy: boolean } {
  const { site, station, showFirst } = useSite();
  const { ask, busy } = useAction(`/site/${site.site.id}/${station ?? 'pairs'}`);
  const [planning, setPlanning] = useState(false);
  const work = useCallback(
    (one: Work) => {
      if (showing === 'seen') return ask(one);
      if (showing === undefined) return void showFirst(one, ask);
      setPlanning(true);
      void showFirst(one, ask, showing).finally(() => setPlanning(false));
    },
    [showing, ask, showFirst],
  );
  return { work, busy: busy || planning };
}

export function useIntent(showing?: Showing): { intent: (intent: Intent) => void; busy: boolean } {
  const { work, busy } = useWork(showing);
  return { intent: useCallback((intent: Intent) => work({ do: 'intent', intent }), [work]), busy };
}

interface Attempt {
  attempt: (intent: Intent) => void;
  /** Why the last one was refused; null where it was not. */
  reason: string | null;
  busy: boolean;
}

/** For a dialog that stays as it was filled in where what it asks for is refused; `onDone` where it is not. */
export function useAttempt(onDone: () => void): Attempt {
  const { session } = useSite().site;
  const { intent, busy } = useIntent();
  const [reason, setReason] = useState<string | null>(null);
  const [planning, setPlanning] = useState(false);
  const attempt = useCallback(
    (wish: Intent) => {
      setPlanning(true);
      void session.analysis.plan(wish).then((plan) => {
        setPlanning(false);
        setReason(plan.ok ? null : plan.reason);
        if (!plan.ok) return;
        intent(wish);
        onDone();
      });
    },
    [session, intent, onDone],
  );
  return { attempt, reason, busy: busy || planning };
}

/** What pressing a fix's button does. */
export function useFix(): { fix: (finding: string, n: number, fix: FixView) => void; busy: boolean } {
  const { ask } = useSite();
  const { work, busy } = useWork();
  const fix = useCallback(
    (finding: string, n: number, one: FixView) => {
      if (one.kind === 'change' || one.kind === 'rename')
        work({ do: 'intent', intent: { kind: 'fix', finding, fix: n } });
      else if (one.kind === 'picture') work({ do: 'make', tasks: one.tasks });
      else ask(one.strand);
    },
    [work, ask],
  );
  return { fix, busy };
}
