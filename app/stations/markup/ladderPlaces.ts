/** Where the cards of the ladder stand: at their lines, and where lines are close, small enough to stay there. */

interface CardWish {
  /** Lines of the item in the source. */
  lines: { first: number; last: number };
}

interface PlacedCard<T extends CardWish> {
  of: T;
  /** Middle of the item's lines; CSS px from the top of the ladder. */
  line: number;
  top: number;
  /** CSS px. */
  height: number;
}

/** CSS px. */
export const CARD = {
  height: 56,
  gap: 24,
  /** What a finger or a pointer needs (WCAG 2.2, 2.5.8). */ least: 24,
  leastGap: 1,
} as const;

interface Sight {
  /** The first and the last line that are in sight. */
  lines: { first: number; last: number };
  /** Middle of a line; CSS px from the top. */
  middleOf: (line: number) => number;
  /** CSS px. */
  height: number;
}

/** Lines beyond the window whose cards are placed along, so that nothing jumps where it comes into sight. */
const BEYOND = 12;

/** Cards of the items whose lines are in sight or near, from the top to the bottom. */
export function placeCards<T extends CardWish>(
  items: readonly T[],
  { lines, middleOf, height }: Sight,
): PlacedCard<T>[] {
  const around = (beyond: number) =>
    items.filter(({ lines: own }) => own.last >= lines.first - beyond && own.first <= lines.last + beyond);
  const inSight = around(0);
  // Where even the least cards cannot stay at their lines, none above the window pushes those in it down.
  const near = inSight.length * (CARD.least + CARD.leastGap) > height ? inSight : around(BEYOND);
  const middles = near.map(({ lines: own }) => middleOf((own.first + own.last) / 2));
  // As far apart as the items are on the whole: cards that took more room would drift away from their lines.
  const [first = 0] = middles;
  const apart = near.length > 1 ? ((middles.at(-1) ?? first) - first) / (near.length - 1) : Infinity;
  const step = Math.max(CARD.least + CARD.leastGap, Math.min(CARD.height + CARD.gap, apart));
  // The room below a whole card is for a word; a smaller one gives it up first.
  const card = Math.max(CARD.least, Math.min(CARD.height, step - CARD.leastGap));
  let floor = -Infinity;
  const placed = near.map((of, n) => {
    const line = middles[n] ?? 0;
    const top = Math.max(line - card / 2, floor);
    floor = top + step;
    return { of, line, top, height: card };
  });
  // What was pushed below the window comes back up, as far as there is room.
  let ceiling = Math.max(height, middles.at(-1) ?? 0) + card;
  for (const one of [...placed].reverse()) {
    one.top = Math.min(one.top, ceiling - step);
    ceiling = one.top;
  }
  return placed;
}
