/**
 * A gallery beside the list that it follows. What the list said when both were brought together last is known, so that
 * what its author has changed on the page by hand is told from what the list says anew, and stays.
 */
import { lineprint } from '../site/index.ts';
import type { Listed, ListedPicture, SaidField } from './mapping.ts';

/** An item of the gallery. */
export interface ShownItem {
  strand: string;
  /** The full-size file, or an outside address. */
  full: string;
  /** Null where the item has no place for it; an alt text that is missing is empty. */
  title: string | null;
  caption: string | null;
  alt: string | null;
  tags: readonly string[];
}

/** A row as it was taken over last: the picture, and a print of each of its texts; empty where it said none. */
export interface TakenRow {
  full: string;
  title: string;
  caption: string;
  alt: string;
}

export type Difference = { id: string; byHand: boolean } & (
  | { kind: 'added'; picture: ListedPicture }
  | { kind: 'removed'; strand: string; full: string }
  | { kind: 'text'; strand: string; full: string; field: SaidField; was: string; now: string }
  | { kind: 'tags'; full: string; tags: string[] }
  | { kind: 'order' }
);

const SAID_FIELDS = ['title', 'caption', 'alt'] as const;

const printOf = (text: string | undefined): string => (text === undefined ? '' : lineprint(text));

export const takenRow = ({ full, said }: ListedPicture): TakenRow => ({
  full,
  title: printOf(said.title),
  caption: printOf(said.caption),
  alt: printOf(said.alt),
});

/** `byHand`: not the list alone says so, be it that the page was changed there; what is done with it is theirs to say. */
export function differencesOf(
  { pictures, troubles }: Listed,
  items: readonly ShownItem[],
  taken: readonly TakenRow[],
): Difference[] {
  const shown = firstOfEach(items);
  const listed = firstOfEach(pictures);
  // A row that cannot be written is still in the list; which picture some mean, nobody knows.
  const meant = new Set(troubles.map(({ full }) => full));
  const before = firstOfEach(taken);
  const added = [...listed.values()]
    .filter(({ full }) => !shown.has(full))
    .map((picture): Difference => ({
      kind: 'added',
      id: `added ${picture.full}`,
      byHand: before.has(picture.full),
      picture,
    }));
  const removed = [...shown.values()]
    .filter(({ full }) => !listed.has(full) && before.has(full) && !meant.has(full))
    .map(({ strand, full }): Difference => {
      return { kind: 'removed', id: `removed ${full}`, byHand: meant.has(null), strand, full };
    });
  const others = [...listed.values()].flatMap((row): Difference[] => {
    const item = shown.get(row.full);
    return item ? [...textsOf(row, item, before.get(row.full)), ...tagsOf(row, item)] : [];
  });
  return [...added, ...removed, ...others, ...orderOf(listed, shown, before)];
}

const firstOfEach = <One extends { full: string }>(all: readonly One[]): Map<string, One> => {
  const found = new Map<string, One>();
  for (const one of all) if (!found.has(one.full)) found.set(one.full, one);
  return found;
};

/** A cell that says nothing leaves what the page says. */
function textsOf({ full, said }: ListedPicture, item: ShownItem, before: TakenRow | undefined): Difference[] {
  return SAID_FIELDS.flatMap((field): Difference[] => {
    const [was, now] = [item[field], said[field]];
    if (was === null || now === undefined || now === was) return [];
    const print = before?.[field] ?? '';
    // The list says what it said when the page was written: its author has it otherwise since.
    if (print !== '' && print === printOf(now)) return [];
    const byHand = print !== '' && print !== printOf(was);
    return [{ kind: 'text', id: `${field} ${full}`, byHand, strand: item.strand, full, field, was, now }];
  });
}

function tagsOf({ full, tags }: ListedPicture, item: ShownItem): Difference[] {
  const lacking = tags.filter((tag) => !item.tags.includes(tag));
  return lacking.length === 0 ? [] : [{ kind: 'tags', id: `tags ${full}`, byHand: false, full, tags: lacking }];
}

type Rows = ReadonlyMap<string, unknown>;

function orderOf(listed: Rows, shown: Rows, before: Rows): Difference[] {
  const common = (all: Rows, ...with_: readonly Rows[]) =>
    [...all.keys()].filter((full) => with_.every((one) => one.has(full)));
  const wanted = common(listed, shown).join('\n');
  const now = common(shown, listed).join('\n');
  if (wanted === now) return [];
  const known = [listed, shown, before];
  const isAsBefore = common(before, ...known).join('\n') === common(listed, ...known).join('\n');
  // Only its author has put the page in another order.
  if (before.size > 0 && isAsBefore && common(shown, ...known).join('\n') !== common(before, ...known).join('\n'))
    return [];
  const byHand = before.size > 0 && common(before, ...known).join('\n') !== common(shown, ...known).join('\n');
  return [{ kind: 'order', id: 'order', byHand }];
}

/**
 * The gallery's pictures in their new order: as the list has them where that is wanted, else each new one behind the
 * one that it stands behind in the list. What the list does not name stays behind what it stood behind.
 */
export function wantedOrder(
  rows: readonly { full: string }[],
  items: readonly string[],
  { fresh, asListed }: { fresh: ReadonlySet<string>; asListed: boolean },
): number[] {
  const places = new Map<string, number[]>();
  for (const [n, full] of items.entries()) places.set(full, [...(places.get(full) ?? []), n]);
  const listed = [...firstOfEach(rows).keys()].filter((full) => places.has(full));
  const isListed = new Set(listed);
  const order = asListed ? listed : items.filter((full, n) => !fresh.has(full) && places.get(full)?.[0] === n);
  const done = order.map((full) => places.get(full)?.shift() ?? -1);
  if (!asListed) {
    for (const [n, full] of listed.entries()) {
      if (!fresh.has(full)) continue;
      const behind = listed.slice(0, n).findLast((one) => order.includes(one));
      const at = behind === undefined ? 0 : order.indexOf(behind) + 1;
      order.splice(at, 0, full);
      done.splice(at, 0, places.get(full)?.shift() ?? -1);
    }
  }
  // What is left stands behind its neighbour: items of the author's own, and second ones of a picture.
  for (const [n, full] of items.entries()) {
    if (done.includes(n)) continue;
    const at = n === 0 ? 0 : done.indexOf(n - 1) + 1;
    done.splice(at, 0, n);
    if (!isListed.has(full)) order.splice(at, 0, full);
  }
  return done;
}
