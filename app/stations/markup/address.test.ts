import { describe, expect, test } from 'vitest';
import { placeAfter, placeIn, searchOf } from '../../ui/site/address.ts';
import { layoutIn, sheetIn, toLayout, toSheet, type LayoutPlace, type SheetName } from './address.ts';

const nowhere = placeIn(new URLSearchParams());
/** By way of the address bar. */
const through = (place: typeof nowhere) => placeIn(new URLSearchParams(searchOf(place)));

test.each<SheetName>([
  { name: 'page' },
  { name: 'items', chosen: ['a page.html#0.1', 'a page.html#0.2'] },
  { name: 'link', at: { start: 4, end: 19 } },
  { name: 'units', at: 120 },
])('a sheet is found again: $name', (sheet) => {
  expect(sheetIn(through(placeAfter(nowhere, toSheet(sheet), false)))).toEqual(sheet);
});

test.each<LayoutPlace | null>([null, { at: null }, { at: 600 }])('so is the layout: %j', (layout) => {
  expect(layoutIn(through(placeAfter(nowhere, toLayout(layout), false)))).toEqual(layout);
});

describe('what is not understood is no sheet', () => {
  test.each(['sheet=kitchen', 'sheet=items&of={', 'sheet=link&of=4', 'sheet=units&of=-1', 'sheet=items&of=[1]'])(
    '%s',
    (search) => {
      expect(sheetIn(placeIn(new URLSearchParams(search)))).toBeNull();
    },
  );

  test('nor another tab a layout', () => {
    expect(layoutIn(placeIn(new URLSearchParams('tab=layout-wide')))).toBeNull();
  });
});
