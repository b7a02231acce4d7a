/** Which of all pictures are shown: by words, tag, page, day, and by what they lack. */
import type { PairView } from '~core/view/index.ts';

/** Pictures on no page, as a page to choose. */
export const NO_PAGE = '';

export interface Filter {
  /** Stands in the path or in the words of a picture; in any case. */
  text: string;
  tag: string | null;
  /** Null for any; {@link NO_PAGE} for none. */
  page: string | null;
  /** ISO days, both included; empty for any. */
  since: string;
  until: string;
  lacks: 'alt' | 'caption' | 'tags' | 'date' | null;
}

export const ALL: Filter = { text: '', tag: null, page: null, since: '', until: '', lacks: null };

const LACKS: Readonly<Record<NonNullable<Filter['lacks']>, (pair: PairView) => boolean>> = {
  alt: ({ words }) => words.alt.trim() === '',
  // A file's name in words is nobody's caption.
  caption: ({ words }) => words.caption.trim() === '' || words.isFromName,
  tags: ({ tags }) => tags.length === 0,
  date: ({ takenAt }) => takenAt === null,
};

export function picked(pairs: readonly PairView[], filter: Filter): PairView[] {
  return pairs.filter((pair) => TESTS.every((test) => test(pair, filter)));
}

const TESTS: readonly ((pair: PairView, filter: Filter) => boolean)[] = [
  ({ full, words, tags }, { text }) => {
    const sought = text.trim().toLowerCase();
    const says = [full, words.title, words.caption, words.alt, words.credit, ...tags];
    return sought === '' || says.some((one) => one.toLowerCase().includes(sought));
  },
  ({ tags }, { tag }) => tag === null || tags.includes(tag),
  ({ shownOn }, { page }) => page === null || (page === NO_PAGE ? shownOn.length === 0 : shownOn.includes(page)),
  ({ takenAt }, { since }) => since === '' || (takenAt?.slice(0, 10) ?? '') >= since,
  ({ takenAt }, { until }) => until === '' || (takenAt !== null && takenAt.slice(0, 10) <= until),
  (pair, { lacks }) => lacks === null || LACKS[lacks](pair),
];

/** Orders in which chosen pictures are put on a page. */
export const PUT_ORDERS = ['list', 'taken', 'newest', 'name'] as const;
export type PutOrder = (typeof PUT_ORDERS)[number];

/** Undated pictures come last. */
export function inPutOrder(pairs: readonly PairView[], order: PutOrder): PairView[] {
  if (order === 'list') return [...pairs];
  const names = new Intl.Collator('en', { numeric: true });
  const byName = (a: PairView, b: PairView) => names.compare(a.full, b.full);
  if (order === 'name') return [...pairs].sort(byName);
  const sign = order === 'newest' ? -1 : 1;
  return [...pairs].sort((a, b) => {
    if (a.takenAt === null || b.takenAt === null) return Number(a.takenAt === null) - Number(b.takenAt === null);
    return sign * a.takenAt.localeCompare(b.takenAt) || byName(a, b);
  });
}
