/** Thumbnails and full-size files brought together: by name, and by the pages that already link one to the other. */
import { byNaturalName, nameOf, stemOf, folderOf } from '../site/index.ts';
import { colourDistance, hashDistance, type PhotoFacts } from '../photo/index.ts';
import { readName, type NameReading } from './names.ts';

export type PairState = 'sure' | 'case differs' | 'another picture' | 'no thumbnail' | 'swapped' | 'unreadable';

/** A page's own markup that shows one file and links to the other. */
export interface PageEvidence {
  page: string;
  line: number;
  thumbnail: string;
  full: string;
}

export interface Pair {
  id: string;
  name: string;
  thumbnail: string | null;
  full: string;
  state: PairState;
  /** What the match rests on, readable: a naming rule, a page's line. */
  restsOn: { kind: 'name' | 'page'; says: string }[];
  /** In how many of 64 bits the pictures' perceptual hashes differ; null where one is not known yet. */
  distance: number | null;
  /** Where the thumbnail is not of this picture: the picture that it does show. */
  shows?: string;
}

export interface Pairing {
  pairs: Pair[];
  /** Thumbnails without a full-size picture. */
  loose: string[];
  /** The naming rules found, commonest first, and how many pairs follow each. */
  rules: { says: string; count: number }[];
}

/** From here on two pictures are not the same one; reductions and recompressions stay below 12 bits in practice (measured on the demo pictures). */
const ANOTHER_PICTURE_BITS = 18;
const SAME_PICTURE_BITS = 8;
const FAR_COLOUR = 60;

export function pairPictures(paths: readonly string[], factsOf: (path: string) => PhotoFacts | undefined, evidence: readonly PageEvidence[]): Pairing {
  const readings = new Map(paths.map((path) => [path, readName(path)]));
  demoteWeak(readings);
  const fulls = paths.filter((path) => readings.get(path)?.role === 'full-size');
  const thumbnails = paths.filter((path) => readings.get(path)?.role === 'thumbnail');
  const partner = matchByName(thumbnails, fulls, readings);
  const known = new Set(paths);
  const shownOn = new Map<string, PageEvidence>();
  for (const one of evidence) {
    if (!known.has(one.thumbnail) || !known.has(one.full) || one.thumbnail === one.full) continue;
    shownOn.set(`${one.thumbnail}\n${one.full}`, one);
    // A page pairs what names do not: only where neither side has a partner already.
    const taken = partner.has(one.thumbnail) || [...partner.values()].some((match) => match.full === one.full);
    if (!taken) partner.set(one.thumbnail, { full: one.full, rule: null });
  }

  const thumbnailOf = new Map([...partner].map(([thumbnail, match]) => [match.full, { thumbnail, rule: match.rule }]));
  const usedAsThumbnail = new Set(partner.keys());
  const pictures = fulls.filter((full) => !usedAsThumbnail.has(full));
  const pairs = pictures
    .map((full): Pair => {
      const match = thumbnailOf.get(full);
      const restsOn: Pair['restsOn'] = match?.rule ? [{ kind: 'name', says: match.rule }] : [];
      const seen = match && shownOn.get(`${match.thumbnail}\n${full}`);
      if (seen) restsOn.push({ kind: 'page', says: `${seen.page}, line ${seen.line}` });
      return { id: full, name: stemOf(full).toLowerCase(), thumbnail: match?.thumbnail ?? null, full, restsOn, ...judge(match?.thumbnail ?? null, full, pictures, factsOf) };
    })
    .sort((a, b) => byNaturalName(folderOf(a.full), folderOf(b.full)) || byNaturalName(nameOf(a.full), nameOf(b.full)));
  return { pairs, loose: thumbnails.filter((path) => !partner.has(path)).sort(byNaturalName), rules: countRules(pairs) };
}

/** `anna_s.jpg` alone is a name; beside `anna.jpg` it is a thumbnail. */
function demoteWeak(readings: Map<string, NameReading>): void {
  const strong = new Set([...readings.values()].filter((reading) => reading.role === 'full-size').map((reading) => reading.key));
  for (const [path, reading] of readings) {
    if (reading.weak && !strong.has(reading.key)) readings.set(path, { ...readName(`${folderOf(path)}x`), bare: stemOf(path).toLowerCase(), key: path.toLowerCase(), role: 'full-size', form: '' });
  }
}

interface Match {
  full: string;
  rule: string | null;
}

function matchByName(thumbnails: readonly string[], fulls: readonly string[], readings: Map<string, NameReading>): Map<string, Match> {
  const partner = new Map<string, Match>();
  const free = new Set(fulls);
  // First where only the size word differs, then the same bare name anywhere if there is just one.
  for (const by of ['key', 'bare'] as const) {
    const byName = new Map<string, string[]>();
    for (const full of free) {
      const name = readings.get(full)?.[by] ?? '';
      byName.set(name, [...(byName.get(name) ?? []), full]);
    }
    for (const thumbnail of thumbnails) {
      if (partner.has(thumbnail)) continue;
      const candidates = (byName.get(readings.get(thumbnail)?.[by] ?? '') ?? []).filter((full) => free.has(full));
      const full = candidates.length === 1 ? candidates[0] : undefined;
      if (!full) continue;
      free.delete(full);
      partner.set(thumbnail, { full, rule: `${readings.get(thumbnail)?.form} ↔ ${readings.get(full)?.form}` });
    }
  }
  return partner;
}

function judge(thumbnail: string | null, full: string, fulls: readonly string[], factsOf: (path: string) => PhotoFacts | undefined): Pick<Pair, 'state' | 'distance' | 'shows'> {
  const large = factsOf(full);
  if (large?.unreadable) return { state: 'unreadable', distance: null };
  if (thumbnail === null) return { state: 'no thumbnail', distance: null };
  const small = factsOf(thumbnail);
  if (small?.unreadable) return { state: 'unreadable', distance: null };
  const caseState = stemOf(thumbnail) !== stemOf(full) && stemOf(thumbnail).toLowerCase() === stemOf(full).toLowerCase() ? 'case differs' : 'sure';
  if (!small || !large) return { state: caseState, distance: null };
  const distance = hashDistance(small.likeness, large.likeness);
  if (small.width > large.width) return { state: 'swapped', distance };
  if (distance < ANOTHER_PICTURE_BITS) return { state: caseState, distance };
  const shows = fulls.find((other) => other !== full && isSamePicture(small, factsOf(other)));
  // A crop may differ in many bits; it is called another picture only when we know which, or the colours disagree too.
  if (shows !== undefined || colourDistance(small.mean, large.mean) > FAR_COLOUR) return { state: 'another picture', distance, ...(shows === undefined ? {} : { shows }) };
  return { state: caseState, distance };
}

const isSamePicture = (a: PhotoFacts, b: PhotoFacts | undefined) => b !== undefined && !b.unreadable && hashDistance(a.likeness, b.likeness) <= SAME_PICTURE_BITS;

function countRules(pairs: readonly Pair[]): Pairing['rules'] {
  const counts = new Map<string, number>();
  for (const pair of pairs) for (const { kind, says } of pair.restsOn) if (kind === 'name') counts.set(says, (counts.get(says) ?? 0) + 1);
  return [...counts].map(([says, count]) => ({ says, count })).sort((a, b) => b.count - a.count);
}

/** Where the thumbnail of a full-size picture should stand: as its neighbours' do, or in `thumbs/` beside it. */
export function thumbnailPathFor(full: string, pairs: readonly Pair[]): string {
  const made = pairs.filter((pair) => pair.thumbnail !== null && pair.restsOn.some((reason) => reason.kind === 'name'));
  const near = made.filter((pair) => folderOf(pair.full) === folderOf(full));
  const counts = new Map<string, number>();
  for (const { thumbnail } of near) {
    const form = readName(thumbnail ?? '').form;
    counts.set(form, (counts.get(form) ?? 0) + 1);
  }
  const form = [...counts].sort((a, b) => b[1] - a[1])[0]?.[0] ?? `${folderOf(full)}thumbs/{name}.jpg`;
  return form.replace('{name}', stemOf(full)).replace(/\.[a-z0-9]+$/i, '.jpg');
}
