/** A setting is tried on a copy of the page before it is written: what the page does not show is not done. */
import { useCallback, useState } from 'react';
import type { Intent } from '~core/plans/index.ts';
import { missedBy, WIDE } from '~core/style/index.ts';
import { applyChange, refuse } from '~core/site/index.ts';
import { usePreview } from '../../../ui/preview/PreviewProvider';
import { useSite } from '../../../ui/site/openSite';

type Wish = Intent & { kind: 'set-style' };

/** Settings whose effect can be told from where the items stand. */
const TRIED = new Set(['columns', 'column-gap', 'row-gap', 'grid']);

/** What a trial came to: it is shown, something else is, or no page answered. */
type Verdict = { seen: true; says: string | null } | { seen: false };

/** `elements` are the items of the gallery by their child numbers; `done` is called with what may be written. */
export function useTrial(elements: readonly number[][], done: (wish: Wish) => void) {
  const { session } = useSite().site;
  const { status, tryOut } = usePreview();
  const [trying, setTrying] = useState(false);
  const [unconfirmed, setUnconfirmed] = useState(false);
  const judged = useCallback(
    async (wish: Wish): Promise<Verdict> => {
      const planned = await session.analysis.plan(wish);
      // Why it cannot be planned is told where it is asked for.
      const applied = planned.ok ? applyChange(session.files, planned.change) : planned;
      if (!applied.ok) return { seen: true, says: null };
      const files = new Map([...applied.touched].map((path) => [path, applied.files.get(path) ?? null]));
      const width = wish.at ?? WIDE;
      const before = await tryOut(new Map(), wish.page, width, elements);
      const after = before && (await tryOut(files, wish.page, width, elements));
      if (!before || !after) return { seen: false };
      return { seen: true, says: missedBy({ setting: wish.setting, value: wish.value, before, after, width }) };
    },
    [session, tryOut, elements],
  );
  const attempt = useCallback(
    (wish: Wish) => {
      if (!TRIED.has(wish.setting)) return done(wish);
      setTrying(true);
      const verdict = status === 'ready' ? judged(wish) : Promise.resolve<Verdict>({ seen: false });
      void verdict
        .catch((): Verdict => ({ seen: false }))
        .then((one) => {
          setTrying(false);
          setUnconfirmed(!one.seen);
          if (!one.seen || one.says === null) done(wish);
          else
            session.tellOutcome(refuse(`Nothing was changed: ${one.says}. Other rules or a script stand in the way.`));
        });
    },
    [status, judged, done, session],
  );
  return { attempt, trying, unconfirmed };
}
