/** What a list says otherwise than a gallery, asked of the worker, which reads both. */
import { useEffect, useState } from 'react';
import type { CompareAsked, ComparedView } from '../../../workers/compareList';
import { useSite } from '../../../ui/site/openSite';

/** Null while it is worked out, or while nothing is asked; `asked` stays the same object while it is the same. */
export function useCompared(asked: CompareAsked | null): ComparedView | null {
  const { session, view } = useSite().site;
  const [made, setMade] = useState<{ asked: CompareAsked; compared: ComparedView } | null>(null);
  useEffect(() => {
    if (asked === null) return undefined;
    let current = true;
    void session.analysis.compareList(asked).then((compared) => current && setMade({ asked, compared }));
    return () => {
      current = false;
    };
    // Another view is another site.
  }, [session, asked, view]);
  return made && made.asked === asked ? made.compared : null;
}
