/** How a pair stands: sure, or what speaks against it. */
import { stemOf } from '../site/index.ts';
import { colourDistance, type PhotoFacts, type Place } from '../photo/index.ts';
import { OTHER_CONTENT, SAME_CONTENT, CLEAR_LEAD, type Content } from './content.ts';
import { type Pairing, type Pair } from './pair.ts';
import { type Edge } from './edges.ts';
/** Below this agreement two pictures differ, whatever else speaks for them. */
const DIFFERENT = 0.6;

const FAR_COLOUR = 60;

export function judge(
  edge: Edge | null,
  full: string,
  likely: readonly { path: string; place: Place }[],
  twins: readonly string[],
  contentOf: (path: string) => Content | null,
): Pick<Pair, 'state' | 'shows' | 'others'> {
  const large = contentOf(full)?.facts;
  const twice = twins.length > 0 ? { state: 'twice' as const, others: [...twins] } : null;
  if (large?.unreadable) return { state: 'unreadable', others: [] };
  if (!edge) return twice ?? { state: 'no thumbnail', others: [] };
  const { thumbnail, place, reasons } = edge;
  const small = contentOf(thumbnail)?.facts;
  if (small?.unreadable) return { state: 'unreadable', others: [] };
  const byHand = reasons.some(({ kind }) => kind === 'hand');
  const named = reasons.some(({ kind }) => kind === 'name' || kind === 'page' || kind === 'made');
  const caseState =
    stemOf(thumbnail) !== stemOf(full) && stemOf(thumbnail).toLowerCase() === stemOf(full).toLowerCase()
      ? 'case differs'
      : 'sure';
  if (!small || !large || !place) return { state: caseState, others: [] };
  if (small.width > large.width) return { state: 'swapped', others: [] };
  if (byHand) return { state: caseState, others: [] };
  const alike = likely.filter(
    (other) =>
      other.path !== full &&
      other.place.agreement >= Math.max(SAME_CONTENT, place.agreement - CLEAR_LEAD) &&
      !twins.includes(other.path),
  );
  if (place.agreement < OTHER_CONTENT) return differs(place, small, large, likely, full);
  if (!named)
    return alike.length > 0
      ? { state: 'several', others: alike.map((other) => other.path) }
      : { state: 'content only', others: [] };
  return caseState === 'sure' && twice ? twice : { state: caseState, others: [] };
}

/**
 * A crop of little but sky may be hard to place; it is called another picture only where we know which, or all else
 * disagrees too.
 */
function differs(
  place: Place,
  small: PhotoFacts,
  large: PhotoFacts,
  likely: readonly { path: string; place: Place }[],
  full: string,
): Pick<Pair, 'state' | 'shows' | 'others'> {
  const shows = likely.find((other) => other.path !== full && other.place.agreement >= SAME_CONTENT);
  if (shows) return { state: 'another picture', shows: shows.path, others: [] };
  return {
    state:
      place.agreement < DIFFERENT || colourDistance(small.mean, large.mean) > FAR_COLOUR
        ? 'another picture'
        : 'name only',
    others: [],
  };
}

/**
 * What a thumbnail shows where it is joined with a full-size picture that it does not show; null where nothing speaks
 * against them.
 */
export function shownInstead(
  { pairs }: Pairing,
  thumbnail: string,
  full: string | null,
): { path: string | null } | null {
  const pair = pairs.find((one) => one.thumbnail === thumbnail);
  if (!pair || full === null) return null;
  if (pair.full === full) return pair.state === 'another picture' ? { path: pair.shows ?? null } : null;
  // It was brought together with another one for what it shows.
  const joined = pairs.some((one) => one.full === full);
  return joined && pair.restsOn.some(({ kind }) => kind === 'content') && !pair.others.includes(full)
    ? { path: pair.full }
    : null;
}
