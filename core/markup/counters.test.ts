import { describe, expect, it } from 'vitest';
import { renumber } from './counters.ts';
import { listOf, onGallery, shot } from './edited.fixture.ts';

const NAMES = ['a', 'b', 'c', 'd', 'e'];
/** The items with a word behind each picture. */
const worded = (words: readonly string[]) => words.map((word, n) => `${shot(NAMES[n] ?? 'z')}<p>${word}</p>`);
const mended = (items: readonly string[]) => onGallery(listOf(items), (page, gallery) => renumber(page, gallery));
const NOTHING = 'Every counter here counts as its items stand.';
/** The words afterwards. */
const words = (before: readonly string[]) => {
  const text = mended(worded(before));
  return text === NOTHING ? 'nothing' : (text.match(/<p>.*?<\/p>/g) ?? []).map((one) => one.slice(3, -4));
};

describe('counters', () => {
  it.each<[string[], string[] | string]>([
    [
      ['1', '3', '4'],
      ['1', '2', '3'],
    ],
    [
      ['0', '2', '3'],
      ['0', '1', '2'],
    ],
    [
      ['Picture 1', 'Picture 3', 'Picture 2'],
      ['Picture 1', 'Picture 2', 'Picture 3'],
    ],
    [
      ['1 of 9', '2 of 9', '4 of 9'],
      ['1 of 3', '2 of 3', '3 of 3'],
    ],
    [
      ['1/9', '2/9', '3/9'],
      ['1/3', '2/3', '3/3'],
    ],
    [
      ['1 out of 3', '2 OF 3', '3 von 4'],
      ['1 out of 3', '2 OF 3', '3 von 3'],
    ],
    [
      ['1 de 4', '2 sur 4', '3 de 4'],
      ['1 de 3', '2 sur 3', '3 de 3'],
    ],
    [
      ['1 by 9', '2 by 9', '4 by 9'],
      ['1 by 9', '2 by 9', '3 by 9'],
    ],
    [
      ['01', '02', '04'],
      ['01', '02', '03'],
    ],
    [
      ['001', '5', '7'],
      ['001', '002', '003'],
    ],
    [
      ['1. Moor', '2. Mere', '5. Loft'],
      ['1. Moor', '2. Mere', '3. Loft'],
    ],
    [
      [' 1', '2 ', '4'],
      [' 1', '2 ', '3'],
    ],
    [['1', '2', '3'], 'nothing'],
    [['2', '3', '5'], 'nothing'],
    [['1', '2', '99'], 'nothing'],
    [
      ['1', '2', '7'],
      ['1', '2', '3'],
    ],
    [['1', '2', '8'], 'nothing'],
    [['1', '1', '1'], 'nothing'],
    [['1', '1', '1', '2'], 'nothing'],
    [
      ['1', '1', '2', '3', '3'],
      ['1', '2', '3', '4', '5'],
    ],
    [['Take 1', 'Shot 3', 'Take 2'], 'nothing'],
    [['1', 'two', '4'], 'nothing'],
    [['none', 'none', 'none'], 'nothing'],
  ])('%j become %j', (before, after) => expect(words(before)).toEqual(after));

  it('stand in attributes as well, but not in sizes, words and addresses', () => {
    const marked = (numbers: readonly number[], name: string) =>
      numbers.map((number, n) => shot(NAMES[n] ?? 'z').replace('<a ', `<a ${name}="p${number}" `));
    expect(mended(marked([1, 3, 4], 'data-at'))).toBe(listOf(marked([1, 2, 3], 'data-at')));
    expect(mended(marked([1, 3, 4], 'id'))).toBe(listOf(marked([1, 2, 3], 'id')));
    for (const name of ['width', 'height', 'style', 'srcset', 'sizes', 'title'])
      expect(mended(marked([1, 3, 4], name)), name).toBe(NOTHING);
    const inNames = [1, 3, 4].map((n) => `<a href="p${n}.jpg"><img src="t${n}.jpg" alt="p${n}"></a>`);
    expect(mended(inNames)).toBe(NOTHING);
    const twice = [1, 3, 4].map((n) => shot(NAMES[n] ?? 'z').replace('<a ', `<a data-at="1-${n}" `));
    expect(mended(twice)).toBe(NOTHING);
  });

  it('of several places are mended each for itself', () => {
    const both = (first: number[], second: number[]) =>
      first.map((n, at) => `${shot(NAMES[at] ?? 'z')}<p>${n}</p><b>No. ${second[at]}</b>`);
    expect(mended(both([1, 3, 4], [1, 2, 3]))).toBe(listOf(both([1, 2, 3], [1, 2, 3])));
    expect(mended(both([1, 3, 4], [0, 2, 3]))).toBe(listOf(both([1, 2, 3], [0, 1, 2])));
  });

  it('are none in a gallery of one', () => {
    expect(mended([`${shot('a')}<p>0 of 7</p>`])).toBe(NOTHING);
  });
});
