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

const NOTHING: Target = {};

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
  /** The same for the screen, which does not wait for the router. */
  const [ahead, setAhead] = useState<Target>(NOTHING);

  useEffect(() => {
    latest.current = location;
    // What waits was asked for after what has just come.
    if (!idle || timer.current !== null) return;
    asked.current = {};
    setAhead(NOTHING);
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
      if (target.station === undefined || target.station === stationIn(latest.current.pathname))
        setAhead(asked.current);
      clearTimeout(timer.current ?? undefined);
      if (onlyStrand) timer.current = setTimeout(write, REST);
      else write();
    },
    [write],
  );

  const place = useMemo(() => {
    const inAddress = placeIn(new URLSearchParams(location.search));
    return placeAfter(inAddress, ahead, false);
    // A spot that is asked for again is another place, which its state tells.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [location.search, location.state, ahead]);
  return useMemo(() => ({ place, station: stationIn(location.pathname), go }), [place, location.pathname, go]);
}
