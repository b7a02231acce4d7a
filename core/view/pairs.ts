/** The pairs of a site as the interface shows them. */
import {
  focusOf,
  madeFullSize,
  rotationOf,
  sourceHash,
  takenAtOf,
  thumbnailPath,
  wordsFor,
  type SiteReading,
  type WordsView,
} from '../model/index.ts';
import type { Pair } from '../pairing/index.ts';
import { type Focus, type PhotoFacts, type Rotation } from '../photo/index.ts';
import { bytesOf, isPicturePath } from '../site/index.ts';

export interface PairView extends Pair {
  thumbnailSize: { width: number; height: number; bytes: number } | null;
  fullSize: { width: number; height: number; bytes: number } | null;
  /** Hash of the full-size file's content. */
  hash: string;
  words: WordsView;
  /** ISO date and time. */
  takenAt: string | null;
  /** Noted of the picture, or said of it on a page. */
  tags: string[];
  /** Whether the file says where it was taken, and whether it may when it leaves. */
  place: 'none' | 'removed' | 'kept';
  animated: boolean;
  /** About which point crops are cut, and whether somebody chose it. */
  focus: Focus & { chosen: boolean };
  /** How what is made of it is rotated. */
  rotation: Rotation;
  /** Pages that have it in a gallery. */
  usedOn: string[];
  /** Pages on which it stands, in a gallery or anywhere else. */
  shownOn: string[];
  /** Why one of its files cannot be read; null where both can. */
  trouble: string | null;
  /** It has no thumbnail so far, but files are still being read: what stands here may be another's partner. */
  unsettled: boolean;
  /** Where its thumbnail would be written. */
  thumbnailPath: string;
}

function placeState(facts: PhotoFacts | undefined, kept: boolean): PairView['place'] {
  if (facts?.place === undefined) return 'none';
  return kept ? 'kept' : 'removed';
}

function sizeOf(site: SiteReading, path: string | null, facts: PhotoFacts | undefined): PairView['fullSize'] {
  const content = path === null ? undefined : site.files.get(path);
  return content && facts ? { width: facts.width, height: facts.height, bytes: bytesOf(content) } : null;
}

/** For each picture file the pages that have it in a gallery. */
export function pagesOf(site: SiteReading): Map<string, string[]> {
  const pages = new Map<string, Set<string>>();
  for (const page of site.pages) {
    for (const strand of page.strands.flat()) {
      for (const path of [strand.full, strand.thumbnail])
        if (path !== null) pages.set(path, (pages.get(path) ?? new Set()).add(page.path));
    }
  }
  return new Map([...pages].map(([path, set]) => [path, [...set]]));
}

/** Picture files of which nothing is known yet. */
export const unreadIn = (site: SiteReading): number =>
  [...site.files].filter(([path, content]) => content.kind === 'binary' && isPicturePath(path) && !site.factsOf(path))
    .length;

/** What the files of a pair are made from. */
const originalOf = (site: SiteReading, { full }: Pair): string => madeFullSize(site.made, full)?.from ?? full;

/** The hash of a file that is no text. */
const hashAt = (site: SiteReading, path: string): string => {
  const content = site.files.get(path);
  return content?.kind === 'binary' ? content.hash : '';
};

type PagesByFile = ReadonlyMap<string, string[]>;

/** Of both files of a pair, each page once. */
const pagesWith = ({ full, thumbnail }: Pair, pages: PagesByFile): string[] => [
  ...new Set([...(pages.get(full) ?? []), ...(thumbnail === null ? [] : (pages.get(thumbnail) ?? []))]),
];

export function pairView(
  site: SiteReading,
  pair: Pair,
  { used, shown }: { used: PagesByFile; shown: PagesByFile },
  unread: number,
  onPages: ReadonlyMap<string, readonly string[]>,
): PairView {
  const facts = site.factsOf(pair.full);
  const hash = hashAt(site, pair.full);
  const { known } = site.notes;
  return {
    ...pair,
    hash,
    thumbnailSize: sizeOf(site, pair.thumbnail, pair.thumbnail === null ? undefined : site.factsOf(pair.thumbnail)),
    fullSize: sizeOf(site, pair.full, facts),
    words: wordsFor(known, hash, facts, pair.full),
    takenAt: takenAtOf(known, hash, facts, pair.full),
    tags: [...new Set([...(known.tags[hash] ?? []), ...(onPages.get(pair.full) ?? [])])],
    place: placeState(facts, known.placeKept.includes(hash)),
    animated: facts?.animated === true,
    focus: { ...focusOf(hash, facts, known), chosen: known.focus[hash] !== undefined },
    rotation: rotationOf(sourceHash(site, { from: originalOf(site, pair) }), known),
    trouble: facts?.unreadable ?? (pair.thumbnail === null ? null : (site.factsOf(pair.thumbnail)?.unreadable ?? null)),
    usedOn: pagesWith(pair, used),
    shownOn: [...new Set([...pagesWith(pair, used), ...pagesWith(pair, shown)])],
    unsettled: unread > 0 && pair.state === 'no thumbnail',
    thumbnailPath: thumbnailPath(site, pair),
  };
}
