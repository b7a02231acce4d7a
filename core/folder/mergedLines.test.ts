import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { mergedLines } from './mergedLines.ts';

const merge = (own: string, before: string, written: string) => {
  const { lines, both } = mergedLines([...own], [...before], [...written], (line) => line.toLowerCase());
  return both.length === 0 ? lines.join('') : `${lines.join('')} ${both.map(({ line }) => line).join()}`;
};

describe('lines written anew, and what their author has made of them', () => {
  it.each([
    ['abc', 'abc', 'abc', 'abc'],
    // Only one side changed.
    ['abc', 'abc', 'axc', 'axc'],
    ['axc', 'abc', 'abc', 'axc'],
    ['ac', 'abc', 'abc', 'ac'],
    ['abc', 'abc', 'ac', 'ac'],
    // Neighbours.
    ['abx', 'abc', 'ayc', 'ayx'],
    ['xbc', 'abc', 'aby', 'xby'],
    ['xc', 'abc', 'aby', 'xy'],
    // The author took one away, and another came.
    ['ac', 'abc', 'abcd', 'acd'],
    ['ac', 'abc', 'zabc', 'zac'],
    // Both put something between the same two; the same is put once.
    ['axb', 'ab', 'ayb', 'axyb'],
    ['axb', 'ab', 'axb', 'axb'],
    ['axbycz', 'abc', 'axbycz', 'axbycz'],
    // The author has changed what is changed, or taken away, as well: it stays.
    ['axc', 'abc', 'ayc', 'axc 1'],
    ['axc', 'abc', 'ac', 'axc 1'],
    ['ac', 'abc', 'axc', 'ac 1'],
    // In capitals it is the same line, and stays as it stands.
    ['ABc', 'abc', 'abcd', 'ABcd'],
    ['', '', 'ab', 'ab'],
    ['ab', 'ab', '', ''],
  ])('%s of %s, now %s: %s', (own, before, written, merged) => expect(merge(own, before, written)).toBe(merged));

  const list = fc.uniqueArray(fc.constantFrom(...'abcdefghij'), { maxLength: 8 }).map((all) => all.join(''));

  it('takes one side where the other has changed nothing, whatever the lines', () => {
    fc.assert(fc.property(list, list, (before, other) => merge(before, before, other) === other));
    fc.assert(fc.property(list, list, (before, other) => merge(other, before, before) === other));
    fc.assert(fc.property(list, list, (before, other) => merge(other, before, other) === other));
  });

  it('loses nothing that the author alone has written', () => {
    fc.assert(
      fc.property(list, list, list, (own, before, written) => {
        const { lines } = mergedLines([...own], [...before], [...written], (line) => line);
        return [...own].every((line) => before.includes(line) || lines.includes(line));
      }),
    );
  });
});
