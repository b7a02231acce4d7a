/**
 * Thumbnails and full-size files brought together by all that speaks for it at once: names, the pages that link one to
 * the other, what the pictures show, and what was decided by hand. The pairs are the assignment that has most for it.
 */
import { byNaturalName, folderOf, nameOf, stemOf } from '../site/index.ts';
import { newContentMemory, twinsOf, type Content } from './content.ts';
import { readNameBy, type NameReading } from './names.ts';
import { type PairingInput, type Pairing, type Pair } from './pair.ts';
import { Edges, WORTH } from './edges.ts';
import { demoteWeak, nameMatches } from './nameMatches.ts';
import { addContent } from './contentEvidence.ts';
import { similarTo } from './similar.ts';
import { judge } from './judge.ts';

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
  const edges = edgesFrom(paths, readings, { evidence, decisions, made, off: new Set(naming.off) });
  const { likely, left } = addContent(edges, paths, readings, readable, contentOf, memory, pace);

  const chosen = edges.best();
  const isThumbnail = new Set(chosen.map(({ thumbnail }) => thumbnail));
  const fulls = paths.filter((path) => readings.get(path)?.role === 'full-size' && !isThumbnail.has(path));
  const edgeOf = new Map(chosen.map((edge) => [edge.full, edge]));
  const contents = fulls.flatMap((path) => {
    const content = readable(path);
    return content ? [{ ...content, path }] : [];
  });
  const twins = twinsOf(memory, contents);
  const edited = similarTo(memory, contents, (a, b) => twins.get(a)?.includes(b) === true, pace);
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
  return {
    pairs,
    loose,
    unsearched: left + edited.left,
    alike: groupsOf(twins, contentOf),
    similar: groupsOf(neighboursIn(edited.similar), contentOf),
    rules: countRules(pairs),
  };
}

function neighboursIn(two: readonly (readonly [string, string])[]): Map<string, string[]> {
  const neighbours = new Map<string, string[]>();
  for (const [a, b] of two) {
    neighbours.set(a, [...(neighbours.get(a) ?? []), b]);
    neighbours.set(b, [...(neighbours.get(b) ?? []), a]);
  }
  return neighbours;
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
    const queue = [start];
    for (let path = queue.pop(); path !== undefined; path = queue.pop()) {
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

interface Said {
  evidence: PairingInput['evidence'];
  decisions: NonNullable<PairingInput['decisions']>;
  made: NonNullable<PairingInput['made']>;
  /** Rules for names that the author has turned off. */
  off: ReadonlySet<string>;
}

/** All that is said of which files belong together, before anybody looks at the pictures. */
function edgesFrom(
  paths: readonly string[],
  readings: ReadonlyMap<string, NameReading>,
  { evidence, decisions, made, off }: Said,
): Edges {
  const edges = new Edges();
  const areThere = (one: { thumbnail: string; full: string }) => readings.has(one.thumbnail) && readings.has(one.full);
  for (const { thumbnail, full, rule, by } of nameMatches(paths, readings, off))
    edges.add(thumbnail, full, WORTH[by], { kind: 'name', says: rule });
  for (const one of evidence)
    if (areThere(one) && one.thumbnail !== one.full)
      edges.add(one.thumbnail, one.full, WORTH.page, { kind: 'page', says: `${one.page}, line ${one.line}` });
  for (const one of made)
    if (areThere(one)) edges.add(one.thumbnail, one.full, WORTH.made, { kind: 'made', says: 'made of one picture' });
  for (const one of decisions.filter(areThere)) {
    if (one.belong) edges.add(one.thumbnail, one.full, WORTH.hand, { kind: 'hand', says: 'decided by hand' });
    else edges.forbid(one.thumbnail, one.full);
  }
  return edges;
}
