import { describe, expect, test } from 'vitest';
import { isStep, placeAfter, placeIn, searchOf, stationIn, stillToCome, withWish, type Place } from './address.ts';

const NOWHERE: Place = { page: null, strand: null, tab: null, sheet: null, of: null, spot: null };
const there = (search: string): Place => placeIn(new URLSearchParams(search));

describe('a place and its address', () => {
  test.each<Place>([
    NOWHERE,
    { ...NOWHERE, page: 'ein Ordner/übersicht & mehr.html', strand: 'a#b?.html#0.3' },
    { ...NOWHERE, tab: 'words', sheet: 'look', of: 'img/100%.jpg' },
    { ...NOWHERE, page: 'index.html', spot: { start: 0, end: 12 } },
  ])('say the same: %#', (place) => {
    expect(there(searchOf(place))).toEqual(place);
  });

  test('a place that says nothing leaves the address bare', () => {
    expect(searchOf(NOWHERE)).toBe('');
  });

  test.each(['spot=12', 'spot=a-b', 'spot=-4-2', 'spot=9-1', 'spot=', 'unknown=1'])(
    '%s is as good as nothing',
    (search) => {
      expect(there(search)).toEqual(NOWHERE);
    },
  );

  test.each([
    ['/site/x/markup', 'markup'],
    ['/site/x', null],
    ['/', null],
    ['/site/x/kitchen', null],
  ])('%s shows %s', (path, station) => {
    expect(stationIn(path)).toBe(station);
  });
});

describe('going elsewhere', () => {
  const here: Place = {
    page: 'index.html',
    strand: 'index.html#0.1',
    tab: 'layout',
    sheet: 'items',
    of: '[]',
    spot: { start: 1, end: 2 },
  };

  test('within a station all stays but what is said', () => {
    expect(placeAfter(here, { strand: 'index.html#0.2' }, false)).toEqual({ ...here, strand: 'index.html#0.2' });
    expect(placeAfter(here, { sheet: null }, false)).toEqual({ ...here, sheet: null, of: null });
    expect(placeAfter(here, { sheet: { name: 'units', of: '4' } }, false)).toEqual({
      ...here,
      sheet: 'units',
      of: '4',
    });
  });

  test('to another station page and strand go along, what lay open does not', () => {
    expect(placeAfter(here, {}, true)).toEqual({ ...NOWHERE, page: here.page, strand: here.strand });
  });

  test('a choice lets go of a spot, also of one that was only wished for; opening a sheet does not', () => {
    const spot = { start: 3, end: 4 };
    expect(withWish({ page: 'a.html', spot }, { strand: 'a.html#0.0' })).toMatchObject({ page: 'a.html', spot: null });
    expect(withWish({}, { page: 'b.html' })).toMatchObject({ spot: null });
    expect(withWish({}, { page: 'b.html', spot })).toMatchObject({ spot });
    expect(withWish({ spot }, { sheet: { name: 'page' } })).toMatchObject({ spot });
    expect(withWish({}, { sheet: null })).not.toHaveProperty('spot');
  });

  test('what was written later is still to come; whatever else arrives ends all of it', () => {
    expect(stillToCome([4, 5, 6], 4)).toEqual([5, 6]);
    expect(stillToCome([4, 5, 6], 6)).toEqual([]);
    expect(stillToCome([4, 5], 1)).toEqual([]);
    expect(stillToCome([4, 5], null)).toEqual([]);
  });

  test('what is followed or closed is no step to go back from', () => {
    expect(isStep({ strand: 'x' })).toBe(false);
    expect(isStep({ sheet: null })).toBe(false);
    expect(isStep({ spot: { start: 1, end: 2 } })).toBe(false);
    expect(isStep({ sheet: { name: 'rehearsal', runs: true } })).toBe(false);
    expect(isStep({ sheet: { name: 'items' } })).toBe(true);
    expect(isStep({ page: null })).toBe(true);
  });
});
