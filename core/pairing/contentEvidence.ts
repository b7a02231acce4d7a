/** What the pictures themselves show, as evidence beside names and pages. */
import { isPlain, type Place } from '../photo/index.ts';
import {
  compare,
  OTHER_CONTENT,
  SAME_CONTENT,
  searchContent,
  type Content,
  type ContentMemory,
  type Pace,
} from './content.ts';
import { type NameReading } from './names.ts';
import type { Edges } from './edges.ts';
import { WORTH, type Edge } from './edges.ts';
/** What the pictures show must agree so well to bring together what nothing else does. */
const ALONE = 0.9;

/** A picture no larger than this, in a site with larger ones, may be a thumbnail whatever its name; image px. */
const THUMBNAIL_SIDE = 420;

/**
 * Compares what already speaks for one another, then searches for the rest. Gives what each searched thumbnail may
 * show.
 */
export function addContent(
  edges: Edges,
  paths: readonly string[],
  readings: ReadonlyMap<string, NameReading>,
  readable: (path: string) => Content | null,
  contentOf: (path: string) => Content | null,
  memory: ContentMemory,
  pace: Pace,
): { likely: Map<string, { path: string; place: Place }[]>; left: number } {
  const asFull = new Set([...edges].map(({ full }) => full));
  const settled = compareKnown(edges, readable, memory);
  // What has not been looked at might be the one that is sought.
  if (paths.some((path) => contentOf(path) === null)) return { likely: new Map(), left: 0 };

  const sideOf = (path: string) => longestSide(readable(path));
  const largest = Math.max(0, ...paths.map(sideOf));
  const mayBeSmall = (path: string) =>
    readings.get(path)?.role === 'thumbnail' ||
    (!asFull.has(path) && sideOf(path) <= THUMBNAIL_SIDE && largest >= sideOf(path) * 1.5);
  const small = paths.flatMap((path) => {
    const content = settled.has(path) || !mayBeSmall(path) ? null : readable(path);
    return content && !isPlain(content.facts.luma) ? [{ path, content }] : [];
  });
  const isSmall = new Set(small.map(({ path }) => path));
  const mayBeLarge = (path: string) =>
    readings.get(path)?.role === 'full-size' && !isSmall.has(path) && !settled.has(path);
  const { large, pathsOf } = byContent(paths.filter(mayBeLarge), readable);
  const { found, left } = searchContent(
    memory,
    small.map(({ content }) => content),
    [...large.values()],
    pace,
  );
  const likely = new Map<string, { path: string; place: Place }[]>();
  for (const { path, content } of small) {
    const here = (found.get(content.hash) ?? []).flatMap(({ hash, place }) =>
      (pathsOf.get(hash) ?? []).map((full) => ({ path: full, place })),
    );
    likely.set(path, here);
    weighLikely(edges, path, here);
  }
  return { likely, left };
}

/** Weighs each edge by what its two pictures show; gives the thumbnails that need no search. */
function compareKnown(
  edges: Edges,
  readable: (path: string) => Content | null,
  memory: ContentMemory,
): ReadonlySet<string> {
  const settled = new Set<string>();
  for (const edge of [...edges]) {
    const small = readable(edge.thumbnail);
    const large = readable(edge.full);
    if (!small || !large) continue;
    const place = compare(memory, small, large);
    weigh(edge, place);
    if (place.agreement >= SAME_CONTENT) settled.add(edge.thumbnail);
  }
  return settled;
}

/** Each content once, with the paths of all files that have it. */
function byContent(
  paths: readonly string[],
  readable: (path: string) => Content | null,
): { large: Map<string, Content>; pathsOf: Map<string, string[]> } {
  const large = new Map<string, Content>();
  const pathsOf = new Map<string, string[]>();
  for (const path of paths) {
    const content = readable(path);
    if (!content) continue;
    large.set(content.hash, large.get(content.hash) ?? content);
    pathsOf.set(content.hash, [...(pathsOf.get(content.hash) ?? []), path]);
  }
  return { large, pathsOf };
}

/** Image px; 0 of what cannot be read. */
const longestSide = (content: Content | null): number =>
  content ? Math.max(content.facts.width, content.facts.height) : 0;

function weighLikely(edges: Edges, thumbnail: string, likely: readonly { path: string; place: Place }[]): void {
  for (const { path: full, place } of likely) {
    if (place.agreement < ALONE && !edges.has(thumbnail, full)) continue;
    const edge = edges.at(thumbnail, full);
    if (edge.place === null) weigh(edge, place);
  }
}

function weigh(edge: Edge, place: Place): void {
  edge.place = place;
  if (place.agreement < OTHER_CONTENT) {
    edge.worth += WORTH.otherContent;
    return;
  }
  edge.worth += WORTH.content * Math.min(1, (place.agreement - OTHER_CONTENT) / (SAME_CONTENT - OTHER_CONTENT));
  edge.reasons.push({ kind: 'content', says: '' });
}
