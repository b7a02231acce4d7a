/** The place in the address, and the one way to go elsewhere. */
import { startTransition, useCallback, useContext, useEffect, useMemo, useRef, useState } from 'react';
import { UNSAFE_DataRouterContext as DataRouterContext, useLocation, useNavigate, useNavigation } from 'react-router';
import { z } from 'zod';
import type { Station } from '~core/checks/index.ts';
import {
  isStep,
  placeAfter,
  placeIn,
  searchOf,
  stationIn,
  stillToCome,
  withWish,
  type Place,
  type Target,
} from './address';

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
  /** Numbers of the addresses that were written and have not come yet; those of before a reload are others. */
  const underWay = useRef<readonly number[]>([]);
  const last = useRef(Date.now());
  const router = useContext(DataRouterContext)?.router;
  /** The same for the screen, which does not wait for the router. */
  const [ahead, setAhead] = useState<Target>(NOTHING);

  useEffect(() => {
    if (latest.current !== location) {
      latest.current = location;
      underWay.current = stillToCome(underWay.current, stateOf(location.state).written ?? null);
    }
    // What waits, or is under way, was asked for after what has just come.
    if (!idle || timer.current !== null || underWay.current.length > 0) return;
    asked.current = {};
    setAhead(NOTHING);
  }, [location, idle]);
  useEffect(() => () => clearTimeout(timer.current ?? undefined), []);

  const write = useCallback(() => {
    clearTimeout(timer.current ?? undefined);
    timer.current = null;
    // The address itself: the screen may still be drawing the station that was gone to a moment ago.
    const { pathname, search } = window.location;
    const target = asked.current;
    const station = target.station ?? stationIn(pathname);
    const elsewhere = target.station !== undefined && target.station !== stationIn(pathname);
    const place = placeAfter(placeIn(new URLSearchParams(search)), target, elsewhere);
    const to = { pathname: station === null ? pathname : `/site/${siteId}/${station}`, search: searchOf(place) };
    const written = ++last.current;
    underWay.current = [...underWay.current, written];
    const spot = target.spot ? Date.now() : stateOf(latest.current.state).spot;
    void navigate(to, { replace: !isStep(target), state: { spot, written } satisfies State });
  }, [navigate, siteId]);

  /** A strand that is only followed does not call anybody back who has pressed a link meanwhile. */
  const writeAtRest = useCallback(() => {
    // As the router knows it: what React shows of it comes later on a busy machine.
    const isLeaving = () => {
      const to = router?.state.navigation.location?.pathname;
      return to !== undefined && to !== window.location.pathname;
    };
    timer.current = setTimeout(() => (isLeaving() ? writeAtRest() : write()), REST);
  }, [router, write]);

  const go = useCallback(
    (target: Target) => {
      const onlyStrand = Object.keys(target).every((name) => name === 'strand');
      asked.current = withWish(asked.current, target);
      const { spot, ...others } = asked.current;
      // A spot is gone to once, when it stands in the address.
      if (target.station === undefined || target.station === stationIn(latest.current.pathname)) {
        const next = spot === undefined ? others : { ...others, spot: null };
        // A hand that steps from item to item sees each at once, and what is closed is gone for the next key; another
        // page or sheet is drawn piece by piece, and the thread stays free meanwhile.
        const closes = target.sheet === null && Object.keys(target).length === 1;
        if (onlyStrand || closes) setAhead(next);
        else startTransition(() => setAhead(next));
      }
      clearTimeout(timer.current ?? undefined);
      if (onlyStrand) writeAtRest();
      else write();
    },
    [write, writeAtRest],
  );

  const inAddress = useMemo(() => placeIn(new URLSearchParams(location.search)), [location.search]);
  const spot = useSpot(inAddress, location.state);
  const place = useMemo(() => placeAfter({ ...inAddress, spot }, ahead, false), [inAddress, spot, ahead]);
  return useMemo(() => ({ place, station: stationIn(location.pathname), go }), [place, location.pathname, go]);
}

/** `spot` is when somebody asked for the spot, `written` the number of what brought the address. */
const State = z.object({ spot: z.number().optional(), written: z.number().optional() });
type State = z.infer<typeof State>;

const stateOf = (state: unknown): State => State.safeParse(state).data ?? {};

/**
 * The same object as long as nobody asks for a spot anew, whatever else changes in the address: who shows it goes there
 * for every new one.
 */
function useSpot({ page, spot }: Place, state: unknown): Place['spot'] {
  const asked = stateOf(state).spot ?? 0;
  const key = spot && `${asked} ${page} ${spot.start} ${spot.end}`;
  const [known, setKnown] = useState({ key, spot });
  if (known.key === key) return known.spot;
  setKnown({ key, spot });
  return spot;
}
