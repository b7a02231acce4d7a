/** What is computed of a page beside what Chromium did with it. */
import type { Browser } from '@playwright/test';
import { type Line, type PageRequest, requestsOf, timelineOf, type Window } from '../../core/weight/index.ts';
import { grouped } from '../../core/site/index.ts';
import { placesWithoutPictures, requestsSeen, type MeasuredRequest } from './measured.ts';
import { siteOnDisk } from './siteOnDisk.ts';

export interface Compared {
  requests: number;
  bytes: number;
  /** What one of the two has and the other has not, or not so; empty where they agree. */
  differences: string[];
  /** When the last picture was there, or the last file of a page without pictures; ms. */
  computed: number;
  measured: number;
}

/** As Chromium calls them. Which of the first pictures it raises to “Medium” goes by how its reading of the page falls. */
const RANKS: Readonly<Record<string, number>> = { VeryHigh: 0, High: 1, Medium: 2, Low: 3, VeryLow: 4 };
const OWN_RANKS = { highest: 0, high: 1, medium: 2, low: 3, lowest: 4 } as const;
const rankOf = (rank: number, isPicture: boolean): number => (isPicture && rank === 2 ? 3 : rank);

/** `page` is a path in `folder`, `address` where that folder is served. */
export async function compare(
  browser: Browser,
  {
    folder,
    address,
    page,
    window,
    line,
  }: { folder: string; address: string; page: string; window: Window; line: Line },
): Promise<Compared> {
  const at = `${address}${page.split('/').map(encodeURIComponent).join('/')}`;
  const placed = await placesWithoutPictures(browser, at, window);
  const seen = await requestsSeen(browser, at, window, line);
  const requests = requestsOf(siteOnDisk(folder, page), page, { window, placed });
  if (!requests) throw new Error(`${page} is no page of ${folder}.`);
  const { timed } = timelineOf(requests, line);
  const known = [...timed].sort((a, b) => a.turn - b.turn).map(({ request }) => request);
  const pictures = timed.filter(({ request }) => request.kind === 'picture');
  const seenPictures = seen.filter(({ isPicture }) => isPicture);
  return {
    requests: seen.length,
    bytes: seen.reduce((sum, { bytes }) => sum + (bytes || 0), 0),
    differences: [...unlike(seen, known), ...otherwiseOrdered(seen, known)],
    computed: Math.max(...(pictures.length > 0 ? pictures : timed).map(({ done }) => done)),
    measured: Math.max(...(seenPictures.length > 0 ? seenPictures : seen).map(({ done }) => done)),
  };
}

function unlike(seen: readonly MeasuredRequest[], requests: readonly PageRequest[]): string[] {
  const known = new Map(requests.map((one) => [one.path, one]));
  const asked = new Set(seen.map(({ path }) => path));
  return [
    ...seen.flatMap(({ path, bytes }) => {
      const one = known.get(path);
      if (!one) return [`${path} is asked for and was not computed`];
      const isSame = Number.isNaN(bytes) ? one.missing : bytes === one.bytes;
      return isSame ? [] : [`${path}: ${bytes} bytes came, ${one.bytes} were computed`];
    }),
    ...requests.flatMap(({ path }) => (asked.has(path) ? [] : [`${path} is not asked for`])),
  ];
}

/** By priority, of the same in the order in which they were known. */
const inOrder = (all: readonly (readonly [path: string, rank: number])[]): string[] =>
  [...all].sort((a, b) => a[1] - b[1]).map(([path, rank]) => `${rank} ${path}`);

/** Frames are read side by side, and which is ahead is chance: each page is held against itself. */
function otherwiseOrdered(seen: readonly MeasuredRequest[], requests: readonly PageRequest[]): string[] {
  const pages = new Map(requests.map((one) => [one.path, pageOf(one)]));
  return [...grouped(requests, pageOf)].flatMap(([page, own]) =>
    firstUnlike(
      inOrder(
        seen
          .filter(({ path }) => pages.get(path) === page)
          .map(({ path, priority, isPicture }) => [path, rankOf(RANKS[priority] ?? NaN, isPicture)]),
      ),
      inOrder(own.map((one) => [one.path, rankOf(OWN_RANKS[one.priority], one.kind === 'picture')])),
    ),
  );
}

/** The page that a request is made for; for a frame itself the page that it stands in. */
function pageOf({ by }: PageRequest): PageRequest | null {
  for (let at = by; at; at = at.by) if (at.kind === 'page' || at.kind === 'frame') return at;
  return null;
}

function firstUnlike(seen: readonly string[], computed: readonly string[]): string[] {
  const at = seen.findIndex((one, n) => one !== computed[n]);
  return at < 0 ? [] : [`in order, number ${at + 1} is ${seen[at]}, computed ${computed[at] ?? 'nothing'}`];
}
