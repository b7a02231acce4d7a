import { describe, expect, it } from 'vitest';
import { CARD, placeCards } from './ladderPlaces';

const LINE = 20; // px
/** A window of 26 lines over items of so many lines each, scrolled to a line. */
const seen = (perItem: number, items: number, from: number) => {
  const all = Array.from({ length: items }, (_, n) => ({
    name: n,
    lines: { first: n * perItem + 1, last: (n + 1) * perItem },
  }));
  const sight = {
    lines: { first: from, last: from + 25 },
    height: 26 * LINE,
    middleOf: (line: number) => (line - from) * LINE + LINE / 2,
  };
  return placeCards(all, sight);
};
const inSight = (cards: ReturnType<typeof seen>) => cards.filter(({ line }) => line >= 0 && line <= 26 * LINE);

describe('cards of the ladder', () => {
  it('stand whole at their lines where there is room', () => {
    for (const card of inSight(seen(5, 500, 1001))) {
      expect(card.height).toBe(CARD.height);
      expect(Math.abs(card.top + card.height / 2 - card.line)).toBeLessThan(1);
    }
  });

  it.each([
    [2, 1],
    [2, 251],
    [2, 400],
    [3, 300],
  ])('with %i lines an item are small enough to stay at their lines, line %i at the top', (perItem, from) => {
    const cards = inSight(seen(perItem, 500, from));
    expect(cards.length).toBeGreaterThanOrEqual(Math.floor(25 / perItem));
    for (const card of cards) expect(Math.abs(card.top + card.height / 2 - card.line)).toBeLessThan(LINE);
  });

  it('of items of a line each stay in reach, large enough for a finger', () => {
    const cards = seen(1, 500, 250);
    expect(cards.length).toBeGreaterThanOrEqual(25);
    for (const card of cards) {
      expect(card.height).toBeGreaterThanOrEqual(24);
      expect(Math.abs(card.top + card.height / 2 - card.line)).toBeLessThanOrEqual(
        26 * (CARD.least + CARD.leastGap - LINE) + LINE,
      );
    }
  });

  it('never lie over one another', () => {
    for (const perItem of [1, 2, 3, 4, 7])
      for (const from of [1, 3, 77, 480]) {
        const cards = seen(perItem, 500, from);
        for (const [n, card] of cards.entries())
          if (n > 0)
            expect(card.top - cards[n - 1]!.top, `${perItem} lines, from ${from}`).toBeGreaterThanOrEqual(
              cards[n - 1]!.height,
            );
      }
  });

  it('of two that share a line stand one below the other, and back up from the foot of the window', () => {
    const sight = { lines: { first: 1, last: 26 }, height: 520, middleOf: (line: number) => line * LINE };
    const two = [1, 2, 3].map((name) => ({ name, lines: { first: 26, last: 26 } }));
    const cards = placeCards(two, sight);
    expect(cards[2]!.top).toBeLessThanOrEqual(520);
    expect(cards[1]!.top).toBeLessThan(cards[2]!.top);
    expect(placeCards([], sight)).toEqual([]);
  });

  it('are few for many items', () => {
    expect(seen(4, 5000, 9000).length).toBeLessThan(20);
  });
});
