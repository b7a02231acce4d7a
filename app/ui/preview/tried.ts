/** What previewed pages wanted that a preview does not do: it sends nothing anywhere, and opens nothing. */
import { useCallback, useMemo, useState } from 'react';
import type { SiteSession } from '../../data/session/siteSession';

export interface Tried {
  what: 'outside' | 'dialog' | 'download';
  /** Of the page that tried it. */
  path: string;
  says: string;
}

/** Dialogs and downloads of a page count as one, by the first. */
export interface Counted extends Tried {
  times: number;
}

export interface Tries {
  tried: readonly Counted[];
  note: (tried: Tried) => void;
  forget: () => void;
  /** Outside addresses are asked from then on, or are not. */
  allowOutside: (allowed: boolean) => void;
}

/** More would tell nothing new. */
const MOST = 40;

const same = (a: Tried, b: Tried) =>
  a.what === b.what && a.path === b.path && (a.what !== 'outside' || a.says === b.says);

function withOne(all: readonly Counted[], one: Tried): readonly Counted[] {
  const at = all.findIndex((other) => same(one, other));
  const before = all[at];
  if (!before) return all.length >= MOST ? all : [...all, { ...one, times: 1 }];
  return one.what === 'outside' ? all : all.with(at, { ...before, times: before.times + 1 });
}

/** `restart` shows all pages anew, under what is allowed then. */
export function useTries(session: SiteSession, restart: () => void): Tries {
  const [tried, setTried] = useState<readonly Counted[]>([]);
  const note = useCallback((one: Tried) => setTried((all) => withOne(all, one)), []);
  const forget = useCallback(() => setTried([]), []);
  const allowOutside = useCallback(
    (allowed: boolean) => {
      setTried([]);
      void session.allowOutside(allowed).then(restart);
    },
    [session, restart],
  );
  return useMemo(() => ({ tried, note, forget, allowOutside }), [tried, note, forget, allowOutside]);
}

const SAYS: Record<Tried['what'], (says: string, more: string) => string> = {
  outside: (says) => `asks for ${says}`,
  dialog: (says, more) => (says === '' ? `opens a dialog${more}` : `opens a dialog: “${says}”${more}`),
  download: (says, more) => `starts a download: ${says}${more}`,
};

export const sayTried = ({ what, path, says, times }: Counted): string =>
  `${path} ${SAYS[what](says, times > 1 ? `, and ${times - 1} more` : '')}`;
