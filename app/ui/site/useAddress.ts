/** The place in the address, and the one way to go elsewhere. */
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { useLocation, useNavigate, useNavigation } from 'react-router';
import type { Station } from '~core/checks/index.ts';
import { isStep, placeAfter, placeIn, searchOf, stationIn, type Place, type Target } from './address';

/**
 * A strand that is only followed, key by key, stands in the address when the hand rests: browsers refuse more than some
 * twenty changes of it a second. In ms.
 */
const REST = 150;

export type Go = (target: Target) => void;

interface Address {
  place: Place;
  station: Station | null;
  go: Go;
}

export function useAddress(siteId: string): Address {
  const location = useLocation();
  const navigate = useNavigate();
  const idle = useNavigation().state === 'idle';
  /** What was asked for and does not stand in the address yet. */
  const asked = useRef<Target>({});
  /** Null where nothing waits. */
  const timer = useRef<ReturnType<typeof setTimeout> | null>(null);
  const latest = useRef(location);
  const [ahead, setAhead] = useState<string | null | undefined>(undefined);

  useEffect(() => {
    latest.current = location;
    // What waits was asked for after what has just come.
    if (!idle || timer.current !== null) return;
    asked.current = {};
    setAhead(undefined);
  }, [location, idle]);
  useEffect(() => () => clearTimeout(timer.current ?? undefined), []);

  const write = useCallback(() => {
    clearTimeout(timer.current ?? undefined);
    timer.current = null;
    const { pathname, search } = latest.current;
    const state: unknown = latest.current.state;
    const target = asked.current;
    const station = target.station ?? stationIn(pathname);
    const elsewhere = target.station !== undefined && target.station !== stationIn(pathname);
    const place = placeAfter(placeIn(new URLSearchParams(search)), target, elsewhere);
    void navigate(
      { pathname: station === null ? pathname : `/site/${siteId}/${station}`, search: searchOf(place) },
      { replace: !isStep(target), state: target.spot ? { spot: Date.now() } : state },
    );
  }, [navigate, siteId]);

  const go = useCallback(
    (target: Target) => {
      const onlyStrand = Object.keys(target).every((name) => name === 'strand');
      asked.current = { ...asked.current, ...target };
      if (target.strand !== undefined) setAhead(target.strand);
      clearTimeout(timer.current ?? undefined);
      if (onlyStrand) timer.current = setTimeout(write, REST);
      else write();
    },
    [write],
  );

  const place = useMemo(() => {
    const inAddress = placeIn(new URLSearchParams(location.search));
    return ahead === undefined ? inAddress : { ...inAddress, strand: ahead };
    // A spot that is asked for again is another place, which its state tells.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [location.search, location.state, ahead]);
  return useMemo(() => ({ place, station: stationIn(location.pathname), go }), [place, location.pathname, go]);
}
