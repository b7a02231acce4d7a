import { describe, expect, it } from 'vitest';
import { dateInName, isFileName, saysNothing, toldByName } from './index.ts';

describe('the date in a file’s name', () => {
  it.each([
    ['IMG_20240511_103344', '2024-05-11T10:33:44'],
    ['PXL_20231224_170102345', '2023-12-24T17:01:02'],
    ['IMG-20240511-WA0003', '2024-05-11'],
    ['2024-05-11 10.33.44', '2024-05-11T10:33:44'],
    ['Screenshot from 2024-05-11 10-33-44', '2024-05-11T10:33:44'],
    ['2024-05-11-at-the-lake', '2024-05-11'],
    ['lake_2024_05_11', '2024-05-11'],
    ['20240511', '2024-05-11'],
    ['20240229', '2024-02-29'],
    // Days that no calendar has, and numbers that are something else.
    ['20230229', null],
    ['20240631', null],
    ['20241301', null],
    ['120240511', null],
    ['202405111', null],
    ['DSC_0117', null],
    ['2024-0511', null],
    ['kite-1920x1080', null],
  ])('%s: %s', (name, date) => expect(dateInName(name)).toBe(date));
});

describe('what a name says', () => {
  it.each([
    'DSC_0117',
    'DSC 0117',
    'dsc-0117',
    'P1010023',
    'IMG 2043',
    'IMG_2043_b',
    'IMG-20240511-WA0003',
    'image1',
    'Photo 3',
    'picture',
    'thumb 12',
    'large-2',
    'scan0001',
    '3f2504e04f89',
    '9b2f61c0-4f89-11d3-9a0c',
    'Screenshot from 2024-05-11 10-33-44',
    'KITEMAKER DIGITAL CAMERA',
    'Exif_JPEG_PICTURE',
  ])('%s says nothing', (text) => expect([saysNothing(text), toldByName(text)]).toEqual([true, '']));

  it.each([
    ['red-kite_over+moor', 'Red kite over moor'],
    ['kite 2', 'Kite 2'],
    ['small-red-kite', 'Small red kite'],
    ['Röda draken', 'Röda draken'],
    ['凧', '凧'],
    ['facade', 'Facade'],
    // What somebody put behind the camera's own name.
    ['DSC_0118-bright', 'Bright'],
    ['IMG_20240511_103344 at the lake', 'At the lake'],
    ['Route 1066', 'Route 1066'],
    ['a', 'A'],
  ])('%s says %s', (stem, words) => expect([saysNothing(stem), toldByName(stem)]).toEqual([false, words]));

  it('is none where there is no letter', () => expect(toldByName('1917')).toBe(''));
});

describe('words that are a file’s name', () => {
  it.each([
    ['DSC 0117', ['harbour.jpg'], true],
    ['dsc0117.jpg', [], true],
    ['img 2043 (1)', ['l/IMG_2043(1).jpg'], true],
    ['kite-over-the-moor', ['l/kite-over-the-moor.jpg'], true],
    ['1917', ['l/1917.jpg'], true],
    ['1917', ['l/market.jpg'], false],
    ['Kite over the moor', ['l/kite-over-the-moor.jpg'], false],
    ['a', ['a.jpg'], false],
    ['', ['a.jpg'], false],
  ])('“%s” of %j: %s', (words, paths, expected) => expect(isFileName(words, paths)).toBe(expected));
});
