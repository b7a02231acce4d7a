import { describe, expect, it } from 'vitest';
import { chosenWith, rangeOf } from './choosing';

const IDS = ['a', 'b', 'c', 'd', 'e'];

describe('rows chosen with Shift', () => {
  it.each([
    ['b', 'd', ['b', 'c', 'd']],
    ['d', 'b', ['b', 'c', 'd']],
    ['c', 'c', ['c']],
    [null, 'c', ['c']],
    ['gone', 'c', ['c']],
  ])('from %s to %s are %j', (from, to, rows) => expect(rangeOf(IDS, from, to)).toEqual(rows));

  it('are let go as they are chosen', () => {
    const all = chosenWith(new Set(['e']), ['a', 'b', 'c'], true);
    expect([...all].sort()).toEqual(['a', 'b', 'c', 'e']);
    expect([...chosenWith(all, ['b', 'c', 'd'], false)].sort()).toEqual(['a', 'e']);
  });
});
