import { expect, test } from 'vitest';
import { hunksOf } from './hunks.ts';
import { LineIndex } from './lines.ts';

test.each([
  ['a line that is changed', 'one\ntwo\nthree\n', [[4, 7, '2']], [[2, ['two'], ['2']]]],
  ['a line that is put in', 'a\nb\n', [[1, 1, '\nx']], [[2, [], ['x']]]],
  ['a line that is taken out', 'a\nb\nc', [[2, 4, '']], [[2, ['b'], []]]],
  ['the last line, which has no end', 'a\nb', [[2, 3, 'c']], [[2, ['b'], ['c']]]],
  ['the only line', 'a', [[0, 1, 'b']], [[1, ['a'], ['b']]]],
  // prettier-ignore
  ['two edits of a line are one', 'one two\n', [[4, 7, '2'], [0, 3, '1']], [[1, ['one two'], ['1 2']]]],
  // prettier-ignore
  ['lines that follow one another are two', 'a\nb\n', [[0, 1, 'x'], [2, 3, 'y']], [[1, ['a'], ['x']], [2, ['b'], ['y']]]],
  // prettier-ignore
  ['an edit over lines and one in the last of them are one', 'a\nb\nc\n', [[0, 3, 'x\ny'], [3, 3, '!']], [[1, ['a', 'b'], ['x', 'y!']]]],
  ['only the lines that differ', 'a\nb\nc\nd', [[0, 7, 'a\nx\ny\nd']], [[2, ['b', 'c'], ['x', 'y']]]],
  ['lines of which one is there twice', 'a\na', [[0, 3, 'a']], [[2, ['a'], []]]],
] as [string, string, [number, number, string][], [number, string[], string[]][]][])(
  'touched lines before and after: %s',
  (_what, text, edits, hunks) => {
    expect(
      hunksOf(
        text,
        edits.map(([start, end, inserted]) => ({ start, end, text: inserted })),
      ),
    ).toEqual(hunks.map(([line, removed, added]) => ({ line, removed, added })));
  },
);

test('lines are counted from 1 and begin behind a line feed', () => {
  const index = new LineIndex('a\r\nb\n\nc');
  expect([0, 2, 3, 4, 5, 6, 99].map((offset) => index.lineAt(offset))).toEqual([1, 1, 2, 2, 3, 4, 4]);
  expect([1, 2, 3, 4].map((line) => index.startOf(line))).toEqual([0, 3, 5, 6]);
  expect(new LineIndex('').lineAt(0)).toBe(1);
});
