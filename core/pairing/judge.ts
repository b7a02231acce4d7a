/** How a pair stands: sure, or what speaks against it. */
import { stemOf } from '../site/index.ts';
import { colourDistance, type PhotoFacts, type Place } from '../photo/index.ts';
import { OTHER_CONTENT, SAME_CONTENT, CLEAR_LEAD, type Content } from './content.ts';
import { type Pairing, type Pair } from './pair.ts';
import { type Edge } from './edges.ts';
/** Below this agreement two pictures differ, whatever else speaks for them. */
const DIFFERENT = 0.6;

const FAR_COLOUR = 60;

type Judged = Pick<Pair, 'state' | 'shows' | 'others'>;
const UNREADABLE: Judged = { state: 'unreadable', others: [] };

const factsIn = (content: Content | null): PhotoFacts | null => content && content.facts;

export function judge(
  edge: Edge | null,
  full: string,
  likely: readonly { path: string; place: Place }[],
  twins: readonly string[],
  contentOf: (path: string) => Content | null,
): Judged {
  const large = factsIn(contentOf(full));
  if (large?.unreadable) return UNREADABLE;
  const twice: Judged | null = twins.length > 0 ? { state: 'twice', others: [...twins] } : null;
  if (!edge) return twice ?? { state: 'no thumbnail', others: [] };
  const small = factsIn(contentOf(edge.thumbnail));
  if (small?.unreadable) return UNREADABLE;
  return judgeTwo(edge, small, large, likely, twins, twice);
}

/** A thumbnail and the full-size file that it is said to show; `twice` is how that file stands by itself. */
function judgeTwo(
  edge: Edge,
  small: PhotoFacts | null,
  large: PhotoFacts | null,
  likely: readonly { path: string; place: Place }[],
  twins: readonly string[],
  twice: Judged | null,
): Judged {
  const { thumbnail, full, place } = edge;
  const byName: Judged = { state: differInCase(thumbnail, full) ? 'case differs' : 'sure', others: [] };
  if (!small || !large || !place) return byName;
  if (small.width > large.width) return { state: 'swapped', others: [] };
  if (rests(edge, BY_HAND)) return byName;
  if (place.agreement < OTHER_CONTENT) return differs(place, small, large, likely, full);
  if (!rests(edge, BY_WORD)) return byContent(place, likely, new Set([full, ...twins]));
  return byName.state === 'sure' ? (twice ?? byName) : byName;
}

type Kind = Edge['reasons'][number]['kind'];
const BY_HAND: ReadonlySet<Kind> = new Set(['hand']);
/** What somebody wrote, or what made the file, says that the two belong together. */
const BY_WORD: ReadonlySet<Kind> = new Set(['name', 'page', 'made']);

const rests = ({ reasons }: Edge, on: ReadonlySet<Kind>): boolean => reasons.some(({ kind }) => on.has(kind));

function differInCase(thumbnail: string, full: string): boolean {
  const [small, large] = [stemOf(thumbnail), stemOf(full)];
  return small !== large && small.toLowerCase() === large.toLowerCase();
}

/** Only what the pictures show speaks for the two; it may speak for others as well. */
function byContent(
  { agreement }: Place,
  likely: readonly { path: string; place: Place }[],
  own: ReadonlySet<string>,
): Judged {
  const enough = Math.max(SAME_CONTENT, agreement - CLEAR_LEAD);
  const others = likely.filter(({ path, place }) => !own.has(path) && place.agreement >= enough);
  return others.length > 0
    ? { state: 'several', others: others.map(({ path }) => path) }
    : { state: 'content only', others: [] };
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
): Judged {
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
