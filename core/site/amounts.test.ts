import { expect, test } from 'vitest';
import { countOf, inBytes, inKilobytes } from './amounts.ts';

test.each([
  [0, '0 bytes'],
  [1, '1 byte'],
  [999, '999 bytes'],
  [1000, '1.0 kB'],
  [9949, '9.9 kB'],
  [10_000, '10 kB'],
  [999_499, '999 kB'],
  [1_000_000, '1.0 MB'],
  [2_238_320, '2.2 MB'],
  [4_000_000_000, '4000.0 MB'],
])('%d bytes are %s', (bytes, says) => {
  expect(inBytes(bytes)).toBe(says);
});

test('an aim is told in whole kilobytes', () => {
  expect([inKilobytes(60_000), inKilobytes(400), inKilobytes(1_500_000)]).toEqual(['60 kB', '0 kB', '1500 kB']);
});

test('one of a thing is no plural, none and several are', () => {
  expect([countOf(0, 'page'), countOf(1, 'page'), countOf(2, 'page')]).toEqual(['0 pages', '1 page', '2 pages']);
  expect(countOf(2, 'copy', 'copies')).toBe('2 copies');
});
