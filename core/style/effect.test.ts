import { describe, expect, it } from 'vitest';
import { type Box, columnsIn, missedBy, type Trial } from './effect.ts';

/** So many items of 100 × 80 px, so many beside one another, so far apart. */
const grid = (count: number, columns: number, gap = 10): Box[] =>
  Array.from({ length: count }, (_, n) => [(n % columns) * (100 + gap), Math.floor(n / columns) * (80 + gap), 100, 80]);

const trial = (more: Partial<Trial>): Trial => ({
  setting: 'columns',
  value: '3',
  before: grid(7, 2),
  after: grid(7, 3),
  width: 1280,
  ...more,
});

describe('columns that a page shows', () => {
  it('are as many as stand beside one another at most', () => {
    expect(columnsIn(grid(7, 3))).toBe(3);
    expect(columnsIn([[0, 0, 320, 80], ...grid(6, 3).map(([x, y, w, h]): Box => [x, y + 90, w, h])])).toBe(3);
    expect(columnsIn([])).toBe(0);
  });

  it.each<[string, Partial<Trial>, string | null]>([
    ['as asked for', {}, null],
    ['fewer', { after: grid(7, 2) }, 'in a window of 1280 px the page shows 2 columns and not 3'],
    ['more pictures than there are cannot be shown', { value: '6', after: grid(4, 4) }, null],
    ['a least width is no number', { value: '150px', after: grid(7, 5) }, null],
    ['taken away', { value: null, after: grid(7, 1) }, null],
    ['a single picture', { after: grid(1, 1) }, null],
  ])('%s', (_name, more, says) => expect(missedBy(trial(more))).toBe(says));

  it.each<[string, Partial<Trial>, string | null]>([
    ['moves', { before: grid(7, 3), after: grid(7, 3, 24) }, null],
    ['does not move', { before: grid(7, 3), after: grid(7, 3) }, 'in a window of 1280 px nothing of the gallery moves'],
    ['has no room between columns', { before: grid(7, 1), after: grid(7, 1) }, null],
    ['has one row alone', { setting: 'row-gap', before: grid(3, 3), after: grid(3, 3) }, null],
  ])('room that %s', (_name, more, says) =>
    expect(missedBy(trial({ setting: 'column-gap', value: '24px', ...more }))).toBe(says),
  );

  it('says nothing of what boxes do not show', () => {
    expect(missedBy(trial({ setting: 'corners', value: '6px', after: grid(7, 2) }))).toBeNull();
  });
});
