/** What a visitor got on the test host: every page, every picture, every link. */
import type { Strand } from '~core/model/index.ts';
import type { Seen, Sight } from '~core/wiring/index.ts';
import type { Target, Visit } from '~protocol/walk.ts';

export interface WalkedPage {
  path: string;
  /** Null where the page did not come. */
  visit: Visit | null;
  clicks: WalkedClick[];
}

export interface WalkedClick {
  strand: Strand;
  /** Null where the page gave no answer. */
  seen: Seen | null;
  /** What is otherwise than the page's text says. */
  different: readonly Sight[];
  /** Whether a rehearsal here saw the same; null where none is known. */
  asRehearsed: boolean | null;
}

export interface WalkedLink {
  target: Target;
  status: number;
  /** Whether the anchor is there; null where none was asked for. */
  found: boolean | null;
}

export interface Walk {
  /** ms since 1970. */
  began: number;
  pages: WalkedPage[];
  links: WalkedLink[];
  /** Stopped before the last step. */
  stopped: boolean;
}

interface WalkTrouble {
  page: string;
  says: string;
}

const statusSaid = (status: number): string => (status === 0 ? 'did not come' : `gave status ${status}`);

/** What did not come or was otherwise than expected, one sentence each. */
export function walkTroubles({ pages, links }: Walk): WalkTrouble[] {
  const onPages = pages.flatMap(({ path, visit, clicks }): WalkTrouble[] => {
    if (visit === null) return [{ page: path, says: 'The page did not come.' }];
    const gave = visit.status >= 400 ? [{ page: path, says: `The page gave status ${visit.status}.` }] : [];
    const missing = visit.missing.map(([file, status]) => ({ page: path, says: `${file} ${statusSaid(status)}.` }));
    return [...gave, ...missing, ...clicks.flatMap((one) => clickTrouble(path, one))];
  });
  const lost = links.flatMap(({ target: { path, anchor }, status, found }): WalkTrouble[] => {
    const page = path === '' ? 'index.html' : path;
    if (status === 0 || status >= 400) return [{ page, says: `A link leads to it; it ${statusSaid(status)}.` }];
    return found === false ? [{ page, says: `A link leads to #${anchor ?? ''} on it, which is not there.` }] : [];
  });
  return [...onPages, ...lost];
}

function clickTrouble(page: string, { strand, seen, different, asRehearsed }: WalkedClick): WalkTrouble[] {
  if (seen === null) return [{ page, says: `${strand.name}: the page gave no answer to a click.` }];
  if (different.length > 0) return different.map(({ says }) => ({ page, says: `${strand.name}: ${says}` }));
  return asRehearsed === false ? [{ page, says: `${strand.name}: it opened otherwise than in the rehearsal.` }] : [];
}

/** Counts for a line about a walk. */
export function walkedCounts({ pages, links }: Walk) {
  const clicks = pages.flatMap((page) => page.clicks);
  const times = pages.flatMap(({ path, visit }) => (visit ? [{ path, ms: visit.lastPicture }] : []));
  return {
    pages: pages.length,
    pictures: clicks.length,
    links: links.length,
    outside: pages.reduce((sum, { visit }) => sum + (visit?.outside ?? 0), 0),
    rehearsed: clicks.filter(({ asRehearsed }) => asRehearsed !== null).length,
    asRehearsed: clicks.filter(({ asRehearsed }) => asRehearsed === true).length,
    slowest: times.sort((a, b) => b.ms - a.ms)[0] ?? null,
  };
}
