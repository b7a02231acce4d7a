/**
 * Thumbnails and full-size files brought together by all that speaks for it at once: names, the pages that link one to
 * the other, what the pictures show, and what was decided by hand. The pairs are the assignment that has most for it.
 */
import { byNaturalName, folderOf, nameOf, stemOf, type NamingRule } from '../site/index.ts';
import { colourDistance, isPlain, type PhotoFacts, type Place } from '../photo/index.ts';
import { bestAssignment, type Worth } from './assignment.ts';
import {
  compare,
  newContentMemory,
  OTHER_CONTENT,
  SAME_CONTENT,
  CLEAR_LEAD,
  searchContent,
  twinsOf,
  type Content,
  type ContentMemory,
  type Pace,
} from './content.ts';
import { readName, readNameBy, type NameReading } from './names.ts';

export type PairState =
  | 'sure'
  | 'case differs'
  /** By name only: what the pictures show does not settle it. */
  | 'name only'
  /** By name or page, but the pictures differ. */
  | 'another picture'
  /** By content only: the names say otherwise or nothing. */
  | 'content only'
  /** Several full-size pictures show what the thumbnail shows. */
  | 'several'
  | 'no thumbnail'
  | 'swapped'
  /** The same picture is there twice. */
  | 'twice'
  | 'unreadable';

/** A page's own markup that shows one file and links to the other. */
export interface PageEvidence {
  page: string;
  line: number;
  thumbnail: string;
  full: string;
}

/** What was decided by hand of two files. */
export interface Decision {
  thumbnail: string;
  full: string;
  belong: boolean;
}

export interface Reason {
  kind: 'name' | 'page' | 'made' | 'content' | 'hand';
  /** Readable: a naming rule, a page's line. */
  says: string;
}

export interface Pair {
  id: string;
  name: string;
  thumbnail: string | null;
  full: string;
  state: PairState;
  restsOn: Reason[];
  /** Where the thumbnail was taken from and how well both agree; null where that is not known. */
  crop: Place | null;
  /** Where the thumbnail is not of this picture: the picture that it does show. */
  shows?: string;
  /** Other full-size pictures that the thumbnail may be of, or that are the same picture. */
  others: string[];
}

export interface Pairing {
  pairs: Pair[];
  /** Thumbnails without a full-size picture. */
  loose: string[];
  /** Thumbnails whose picture is still to be searched for. */
  unsearched: number;
  /** Full-size files that show the same, in groups; the largest first. */
  alike: string[][];
  /** The naming rules found, commonest first, and how many pairs follow each. */
  rules: { says: string; count: number }[];
}

export interface PairingInput {
  paths: readonly string[];
  /** Null while a picture has not been looked at. */
  contentOf: (path: string) => Content | null;
  evidence: readonly PageEvidence[];
  decisions?: readonly Decision[];
  /** Files that were made here of one picture. */
  made?: readonly { thumbnail: string; full: string }[];
  /** Naming rules somebody wrote, and found ones that are not to be used, as they are said. */
  naming?: { own: readonly NamingRule[]; off: readonly string[] };
  /** Thumbnails whose full-size picture is at an outside address; they have their partner. */
  elsewhere?: ReadonlySet<string>;
  memory?: ContentMemory;
  pace?: Pace;
}

/** What each kind of evidence is worth to the assignment (chosen on the labelled sets of `npm run bench:pairing`). */
const WORTH = { key: 1, bare: 0.7, page: 0.8, made: 1, content: 1.2, otherContent: -0.5, hand: 100 };

/** What the pictures show must agree so well to bring together what nothing else does. */
const ALONE = 0.9;
/** Below this agreement two pictures differ, whatever else speaks for them. */
const DIFFERENT = 0.6;
const FAR_COLOUR = 60;
/** A picture no larger than this, in a site with larger ones, may be a thumbnail whatever its name; image px. */
const THUMBNAIL_SIDE = 420;

interface Edge {
  thumbnail: string;
  full: string;
  reasons: Reason[];
  worth: number;
  place: Place | null;
}

export function pairPictures({
  paths,
  contentOf,
  evidence,
  decisions = [],
  made = [],
  naming = { own: [], off: [] },
  elsewhere = new Set(),
  memory = newContentMemory(),
  pace = 'all',
}: PairingInput): Pairing {
  const readings = new Map(paths.map((path) => [path, readNameBy(path, naming.own)]));
  demoteWeak(readings);
  const readable = (path: string): Content | null => {
    const content = contentOf(path);
    return content && !content.facts.unreadable ? content : null;
  };
  const edges = new Edges();
  for (const { thumbnail, full, rule, by } of nameMatches(paths, readings, new Set(naming.off)))
    edges.add(thumbnail, full, WORTH[by], { kind: 'name', says: rule });
  for (const one of evidence)
    if (readings.has(one.thumbnail) && readings.has(one.full) && one.thumbnail !== one.full)
      edges.add(one.thumbnail, one.full, WORTH.page, { kind: 'page', says: `${one.page}, line ${one.line}` });
  for (const { thumbnail, full } of made)
    if (readings.has(thumbnail) && readings.has(full))
      edges.add(thumbnail, full, WORTH.made, { kind: 'made', says: 'made of one picture' });
  for (const { thumbnail, full, belong } of decisions) {
    if (!readings.has(thumbnail) || !readings.has(full)) continue;
    if (belong) edges.add(thumbnail, full, WORTH.hand, { kind: 'hand', says: 'decided by hand' });
    else edges.forbid(thumbnail, full);
  }
  const { likely, left } = addContent(edges, paths, readings, readable, contentOf, memory, pace);

  const chosen = edges.best();
  const isThumbnail = new Set(chosen.map(({ thumbnail }) => thumbnail));
  const fulls = paths.filter((path) => readings.get(path)?.role === 'full-size' && !isThumbnail.has(path));
  const edgeOf = new Map(chosen.map((edge) => [edge.full, edge]));
  const twins = twinsOf(
    memory,
    fulls.flatMap((path) => (readable(path) ? [{ ...readable(path)!, path }] : [])),
  );
  const pairs = fulls
    .map((full): Pair => {
      const edge = edgeOf.get(full) ?? null;
      const judged = judge(edge, full, (edge && likely.get(edge.thumbnail)) ?? [], twins.get(full) ?? [], contentOf);
      return {
        id: full,
        name: stemOf(full).toLowerCase(),
        thumbnail: edge?.thumbnail ?? null,
        full,
        restsOn: edge?.reasons ?? [],
        crop: edge?.place ?? null,
        ...judged,
      };
    })
    .sort((a, b) => byNaturalName(folderOf(a.full), folderOf(b.full)) || byNaturalName(nameOf(a.full), nameOf(b.full)));
  const loose = paths
    .filter(
      (path) =>
        readings.get(path)?.role === 'thumbnail' && !isThumbnail.has(path) && !edgeOf.has(path) && !elsewhere.has(path),
    )
    .sort(byNaturalName);
  return { pairs, loose, unsearched: left, alike: groupsOf(twins, contentOf), rules: countRules(pairs) };
}

/** All that speaks for a thumbnail and a full-size file, gathered. */
class Edges {
  readonly #byPair = new Map<string, Edge>();
  readonly #forbidden = new Set<string>();

  at(thumbnail: string, full: string): Edge {
    const key = `${thumbnail}\n${full}`;
    const edge = this.#byPair.get(key) ?? { thumbnail, full, reasons: [], worth: 0, place: null };
    this.#byPair.set(key, edge);
    return edge;
  }

  add(thumbnail: string, full: string, worth: number, reason: Reason): void {
    const edge = this.at(thumbnail, full);
    edge.worth += worth;
    if (!edge.reasons.some(({ kind }) => kind === reason.kind)) edge.reasons.push(reason);
  }

  has(thumbnail: string, full: string): boolean {
    return this.#byPair.has(`${thumbnail}\n${full}`);
  }

  forbid(thumbnail: string, full: string): void {
    this.#forbidden.add(`${thumbnail}\n${full}`);
  }

  [Symbol.iterator](): IterableIterator<Edge> {
    return this.#byPair.values();
  }

  best(): Edge[] {
    const edges = [...this.#byPair].flatMap(([key, edge]) => (this.#forbidden.has(key) ? [] : [edge]));
    const numbers = new Map<string, number>();
    const numberOf = (path: string) => numbers.get(path) ?? numbers.set(path, numbers.size).size - 1;
    const worths = edges.map((edge): Worth & { edge: Edge } => ({
      row: numberOf(edge.thumbnail),
      column: numberOf(edge.full),
      worth: edge.worth,
      edge,
    }));
    // A file that is taken as a thumbnail cannot be a full-size picture as well: the pair with more for it stays.
    const chosen = (bestAssignment(worths) as typeof worths).sort((a, b) => b.worth - a.worth).map(({ edge }) => edge);
    const thumbnails = new Set<string>();
    const fulls = new Set<string>();
    return chosen.filter(({ thumbnail, full }) => {
      if (fulls.has(thumbnail) || thumbnails.has(full)) return false;
      thumbnails.add(thumbnail);
      fulls.add(full);
      return true;
    });
  }
}

/** Compares what already speaks for one another, then searches for the rest. Gives what each searched thumbnail may show. */
function addContent(
  edges: Edges,
  paths: readonly string[],
  readings: ReadonlyMap<string, NameReading>,
  readable: (path: string) => Content | null,
  contentOf: (path: string) => Content | null,
  memory: ContentMemory,
  pace: Pace,
): { likely: Map<string, { path: string; place: Place }[]>; left: number } {
  const settled = new Set<string>();
  const asFull = new Set<string>();
  for (const edge of [...edges]) {
    asFull.add(edge.full);
    const small = readable(edge.thumbnail);
    const large = readable(edge.full);
    if (!small || !large) continue;
    weigh(edge, compare(memory, small, large));
    if ((edge.place?.agreement ?? 0) >= SAME_CONTENT) settled.add(edge.thumbnail);
  }
  // What has not been looked at might be the one that is sought.
  if (paths.some((path) => contentOf(path) === null)) return { likely: new Map(), left: 0 };

  const sideOf = (path: string) => Math.max(readable(path)?.facts.width ?? 0, readable(path)?.facts.height ?? 0);
  const largest = Math.max(0, ...paths.map(sideOf));
  const mayBeSmall = (path: string) =>
    readings.get(path)?.role === 'thumbnail' ||
    (!asFull.has(path) && sideOf(path) <= THUMBNAIL_SIDE && largest >= sideOf(path) * 1.5);
  const small = paths.filter(
    (path) => !settled.has(path) && readable(path) && mayBeSmall(path) && !isPlain(readable(path)!.facts.luma),
  );
  const isSmall = new Set(small);
  const large = paths.filter(
    (path) => readings.get(path)?.role === 'full-size' && !isSmall.has(path) && !settled.has(path) && readable(path),
  );
  const pathsOf = new Map<string, string[]>();
  for (const path of large) pathsOf.set(readable(path)!.hash, [...(pathsOf.get(readable(path)!.hash) ?? []), path]);
  const { found, left } = searchContent(
    memory,
    small.map((path) => readable(path)!),
    [...pathsOf.values()].map(([path]) => readable(path!)!),
    pace,
  );
  const likely = new Map<string, { path: string; place: Place }[]>();
  for (const path of small) {
    const here = (found.get(readable(path)!.hash) ?? []).flatMap(({ hash, place }) =>
      (pathsOf.get(hash) ?? []).map((full) => ({ path: full, place })),
    );
    likely.set(path, here);
    for (const { path: full, place } of here) {
      if (place.agreement < ALONE && !edges.has(path, full)) continue;
      const edge = edges.at(path, full);
      if (edge.place === null) weigh(edge, place);
    }
  }
  return { likely, left };
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

/** `anna_s.jpg` alone is a name; beside `anna.jpg` it is a thumbnail. */
function demoteWeak(readings: Map<string, NameReading>): void {
  const strong = new Set(
    [...readings.values()].filter((reading) => reading.role === 'full-size').map((reading) => reading.key),
  );
  for (const [path, reading] of readings) {
    if (reading.weak && !strong.has(reading.key))
      readings.set(path, {
        ...readName(`${folderOf(path)}x`),
        bare: stemOf(path).toLowerCase(),
        key: path.toLowerCase(),
        role: 'full-size',
        form: '',
      });
  }
}

interface NameMatch {
  thumbnail: string;
  full: string;
  rule: string;
  by: 'key' | 'bare';
}

/** First where only the size word differs; then the same bare name anywhere, if there is just one that is free. */
function nameMatches(
  paths: readonly string[],
  readings: ReadonlyMap<string, NameReading>,
  off: ReadonlySet<string>,
): NameMatch[] {
  const matches: NameMatch[] = [];
  const of = (role: NameReading['role']) => paths.filter((path) => readings.get(path)?.role === role);
  const free = { thumbnails: new Set(of('thumbnail')), fulls: new Set(of('full-size')) };
  for (const by of ['key', 'bare'] as const) {
    const byName = new Map<string, string[]>();
    for (const full of free.fulls) {
      const name = readings.get(full)?.[by] ?? '';
      byName.set(name, [...(byName.get(name) ?? []), full]);
    }
    for (const thumbnail of [...free.thumbnails]) {
      const candidates = (byName.get(readings.get(thumbnail)?.[by] ?? '') ?? []).filter(
        (full) => free.fulls.has(full) || by === 'key',
      );
      if (candidates.length === 0 || (by === 'bare' && candidates.length > 1)) continue;
      free.thumbnails.delete(thumbnail);
      for (const full of candidates) {
        const rule = `${readings.get(thumbnail)?.form} ↔ ${readings.get(full)?.form}`;
        if (off.has(rule)) continue;
        free.fulls.delete(full);
        matches.push({ thumbnail, full, by, rule });
      }
    }
  }
  return matches;
}

function judge(
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

/** A crop of little but sky may be hard to place; it is called another picture only where we know which, or all else disagrees too. */
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

/** What a thumbnail shows where it is joined with a full-size picture that it does not show; null where nothing speaks against them. */
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

/** Twins of twins are of one group. */
function groupsOf(
  twins: ReadonlyMap<string, readonly string[]>,
  contentOf: (path: string) => Content | null,
): string[][] {
  const seen = new Set<string>();
  const widthOf = (path: string) => contentOf(path)?.facts.width ?? 0;
  const groups: string[][] = [];
  for (const start of [...twins.keys()].sort(byNaturalName)) {
    if (seen.has(start)) continue;
    const group: string[] = [];
    for (const queue = [start]; queue.length > 0;) {
      const path = queue.pop()!;
      if (seen.has(path)) continue;
      seen.add(path);
      group.push(path);
      queue.push(...(twins.get(path) ?? []));
    }
    groups.push(group.sort((a, b) => widthOf(b) - widthOf(a) || byNaturalName(a, b)));
  }
  return groups;
}

function countRules(pairs: readonly Pair[]): Pairing['rules'] {
  const counts = new Map<string, number>();
  for (const pair of pairs)
    for (const { kind, says } of pair.restsOn) if (kind === 'name') counts.set(says, (counts.get(says) ?? 0) + 1);
  return [...counts].map(([says, count]) => ({ says, count })).sort((a, b) => b.count - a.count);
}

const formsByFolder = new WeakMap<readonly Pair[], Map<string, string>>();

/** How most thumbnails of each folder are named; worked out once for each pairing. */
function commonForms(pairs: readonly Pair[]): Map<string, string> {
  const known = formsByFolder.get(pairs);
  if (known) return known;
  const counts = new Map<string, Map<string, number>>();
  for (const { full, thumbnail, restsOn } of pairs) {
    const rule = thumbnail === null ? undefined : restsOn.find((reason) => reason.kind === 'name');
    const [form] = rule ? rule.says.split(' ↔ ') : [];
    if (!form) continue;
    const here = counts.get(folderOf(full)) ?? new Map<string, number>();
    here.set(form, (here.get(form) ?? 0) + 1);
    counts.set(folderOf(full), here);
  }
  const forms = new Map([...counts].map(([folder, here]) => [folder, [...here].sort((a, b) => b[1] - a[1])[0]![0]]));
  formsByFolder.set(pairs, forms);
  return forms;
}

/** Where the thumbnail of a full-size picture should stand: as its neighbours' do, or in `thumbs/` beside it. */
export function thumbnailPathFor(full: string, pairs: readonly Pair[], extension = 'jpg'): string {
  const form = commonForms(pairs).get(folderOf(full)) ?? `${folderOf(full)}thumbs/{name}.jpg`;
  return form.replace('{name}', stemOf(full)).replace(/\.[a-z0-9]+$/i, `.${extension}`);
}
