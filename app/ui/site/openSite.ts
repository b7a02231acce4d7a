/** The open site for all components below: what there is, what is chosen, and where one can go. */
import { createContext, useCallback, useContext } from 'react';
import type { Station } from '~core/checks/index.ts';
import type { Strand } from '~core/model/index.ts';
import type { Outcome } from '../../data/session/shared';
import type { SiteSession, Snapshot } from '../../data/session/siteSession';
import type { Work } from '../../data/work';
import type { Place } from './address';
import type { Go } from './useAddress';

export interface OpenSite extends Snapshot {
  session: SiteSession;
}

interface SiteContextValue {
  site: OpenSite;
  place: Place;
  /** Null while the address names none. */
  station: Station | null;
  go: Go;
  /** Set when the alt text of the chosen strand is to be written; the rail takes the focus there. */
  asked: number;
  ask: (strand: string) => void;
  /** Whether changes are shown before they are made. */
  shownBefore: boolean;
  setShownBefore: (shown: boolean) => void;
  /** `act` does the work, now or after it was shown. */
  showFirst: (work: Work, act: (work: Work) => void, always?: 'shown') => Promise<void>;
  /** The last that came of any work. */
  outcome: Outcome | null;
}

const SiteContext = createContext<SiteContextValue | null>(null);
export const SiteProvider = SiteContext.Provider;

export function useSite(): SiteContextValue {
  const value = useContext(SiteContext);
  if (!value) throw new Error('useSite outside of a site');
  return value;
}

/** Stands in the address in place of a strand: the chosen picture is on no page, and has none. */
export const NO_STRAND = 'none';

/**
 * The chosen strand; while nothing is chosen, the first that is broken on the page in hand, else its first. Null where
 * the picture that was chosen has none.
 */
export function useChosenStrand(): Strand | null {
  const { site, place } = useSite();
  const page = useChosenPage();
  const { strands } = site.view;
  if (place.strand === NO_STRAND) return null;
  const chosen = strands.find((one) => one.id === place.strand);
  if (chosen) return chosen;
  const shown = strands.filter((one) => one.page === page?.path);
  return shown.find((one) => one.state === 'broken') ?? shown[0] ?? null;
}

/** The page that the page-wise stations show: the chosen one, or that of a chosen text, else the first with a gallery. */
export function useChosenPage() {
  const { site, place } = useSite();
  const { pages } = site.view;
  return (
    pages.find((one) => one.path === place.page) ??
    pages.find(({ text }) => text !== null && text.source === place.page) ??
    pages.find((one) => one.galleries.length > 0) ??
    pages[0] ??
    null
  );
}

/** Opens a text file of the site in the editor, at a place where one is given: offsets of its text. */
export function useShowSource(): (path: string, start?: number, end?: number) => void {
  const { go } = useSite();
  return useCallback(
    (path, start, end = start) => {
      const spot = start === undefined || end === undefined ? null : { start, end };
      go({ station: 'markup', page: path, tab: null, sheet: null, spot });
    },
    [go],
  );
}
