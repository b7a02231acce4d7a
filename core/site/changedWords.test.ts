import fc from 'fast-check';
import { expect, test } from 'vitest';
import { changedWords, type Piece } from './changedWords.ts';

/** Changed words stand in brackets. */
const marked = (lines: Piece[][]) =>
  lines.map((line) => line.map(({ text, changed }) => (changed ? `[${text}]` : text)).join(''));

test.each([
  [
    'one attribute of a long line',
    ['<a href="#"><img src="small/a.jpg" alt=""></a>'],
    ['<a href="large/a.jpg"><img src="small/a.jpg" alt=""></a>'],
    ['<a href="[#]"><img src="small/a.jpg" alt=""></a>'],
    ['<a href="[large/a.jpg]"><img src="small/a.jpg" alt=""></a>'],
  ],
  [
    'an attribute that is put in',
    ['<img src="a.jpg">'],
    ['<img src="a.jpg" alt="A kite">'],
    ['<img src="a.jpg">'],
    ['<img src="a.jpg"[ alt="A kite"]>'],
  ],
  [
    'two lines, of which each changes',
    ['<b>one</b>', '<i>two</i>'],
    ['<b>1</b>', '<i>2</i>'],
    ['<b>[one]</b>', '<i>[two]</i>'],
    ['<b>[1]</b>', '<i>[2]</i>'],
  ],
  ['another text altogether', ['abc def'], ['<p>'], ['abc def'], ['<p>']],
  ['a line that is new', [], ['x', '', 'y'], [], ['x', '', 'y']],
  ['a line that is gone', ['x'], [], ['x'], []],
])('%s', (_what, removed, added, before, after) => {
  const words = changedWords({ line: 1, removed, added });
  expect(marked(words.removed)).toEqual(before);
  expect(marked(words.added)).toEqual(after);
});

test('a hunk that is too long to be read word by word stays unmarked', () => {
  const removed = Array.from({ length: 300 }, (_, n) => `line number ${n} of the page`);
  const { added } = changedWords({ line: 1, removed, added: removed.map((one) => `${one}!`) });
  expect(added.flat().some(({ changed }) => changed)).toBe(false);
});

test('whatever changes, the pieces of each line are the line', () => {
  const line = fc.string({ unit: fc.constantFrom('a', 'b', ' ', '<', '"', '\r', 'ä', '🪁'), maxLength: 20 });
  fc.assert(
    fc.property(fc.array(line, { maxLength: 5 }), fc.array(line, { maxLength: 5 }), (removed, added) => {
      const words = changedWords({ line: 1, removed, added });
      const said = (lines: Piece[][]) => lines.map((pieces) => pieces.map(({ text }) => text).join(''));
      expect(said(words.removed)).toEqual(removed);
      expect(said(words.added)).toEqual(added);
    }),
  );
});
