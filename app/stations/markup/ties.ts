/** What ties the source to the live page: the element that somebody points at or has chosen, in both. */
import { useCallback, useRef, useState } from 'react';
import type { Tie } from '~core/markup/index.ts';
import type { SiteSession } from '../../data/session/siteSession';

export interface Ties {
  /** Pointed at in the source, so that the live page frames it. */
  inSource: Tie | null;
  /** Pointed at on the live page, so that the source marks its lines. */
  onPage: Tie | null;
  /** Chosen by a click or the cursor, and where. */
  chosen: (Tie & { by: 'source' | 'page' }) | null;
  pointInSource: (offset: number | null) => void;
  pointOnPage: (element: number[] | null) => void;
  choose: (by: 'source' | 'page', at: number | number[] | null) => void;
}

const same = (a: Tie | null, b: Tie | null): boolean =>
  a?.element.join() === b?.element.join() && a?.range.start === b?.range.start && a?.range.end === b?.range.end;

export function useTies(session: SiteSession, page: string | null): Ties {
  const [inSource, setInSource] = useState<Tie | null>(null);
  const [onPage, setOnPage] = useState<Tie | null>(null);
  const [chosen, setChosen] = useState<Ties['chosen']>(null);
  /** Answers that come late are no answers. */
  const asked = useRef({ source: 0, page: 0, chosen: 0 });
  const ask = useCallback(
    (which: keyof typeof asked.current, at: number | number[] | null, take: (tie: Tie | null) => void) => {
      const turn = ++asked.current[which];
      if (at === null || page === null) take(null);
      else void session.analysis.tie(page, at).then((tie) => turn === asked.current[which] && take(tie));
    },
    [session, page],
  );
  const pointInSource = useCallback(
    (offset: number | null) =>
      ask('source', offset, (tie) => setInSource((before) => (same(before, tie) ? before : tie))),
    [ask],
  );
  const pointOnPage = useCallback(
    (element: number[] | null) =>
      ask('page', element, (tie) => setOnPage((before) => (same(before, tie) ? before : tie))),
    [ask],
  );
  const choose = useCallback(
    (by: 'source' | 'page', at: number | number[] | null) =>
      ask('chosen', at, (tie) => setChosen(tie && { ...tie, by })),
    [ask],
  );
  return { inSource, onPage, chosen, pointInSource, pointOnPage, choose };
}
