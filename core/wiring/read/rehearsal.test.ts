import { describe, expect, it } from 'vitest';
import type { Prediction } from './prediction.ts';
import { disagreements, Seen } from './rehearsal.ts';
import { PREDICTED, SEEN } from './seen.fixture.ts';

/** As a line: `the counter: 1 of 3, seen 2 of 3`. */
const told = (predicted: Partial<Prediction>, seen: Partial<Seen>) =>
  disagreements({ ...PREDICTED, ...predicted }, { ...SEEN, ...seen }).map(
    (one) => `${one.about}: ${one.predicted}, seen ${one.seen}`,
  );

describe('a prediction and what was seen', () => {
  it.each<[string, Partial<Prediction>, Partial<Seen>, string[]]>([
    ['are the same', {}, {}, []],
    [
      'the picture stays hidden',
      {},
      { reached: null },
      ['what opens: the viewer, seen the picture could not be brought into sight'],
    ],
    ['the page is left', {}, { opened: 'address' }, ['what opens: the viewer, seen another address']],
    ['nothing opens', {}, { opened: 'nothing' }, ['what opens: the viewer, seen nothing']],
    ['nothing opens, as was said', { opens: 'nothing' }, { opened: 'nothing', counter: null }, []],
    ['something opens', { opens: 'nothing' }, {}, ['what opens: nothing, seen the viewer']],
    ['another file', {}, { shows: 'large/b.jpg' }, ['the file: large/a.jpg, seen large/b.jpg']],
    ['the file does not arrive', {}, { loaded: false }, ['the file: large/a.jpg, seen none']],
    ['it was said not to be there', { shows: null }, { loaded: false, counter: null, next: null, words: [] }, []],
    [
      'it was said not to be there, and the thumbnail stays in its place',
      { shows: null },
      { shows: 'small/a.jpg', onPage: { ...SEEN, file: 'small/a.jpg' }, counter: null },
      [],
    ],
    ['another is there', { shows: null }, {}, ['the file: none, seen large/a.jpg']],
    ['two open', {}, { layers: 2 }, ['how many open: 1, seen 2']],
    ['none is counted, one is seen', {}, { layers: 0 }, []],
    ['another number', {}, { counter: { at: 2, of: 3 } }, ['the counter: 1 of 3, seen 2 of 3']],
    ['no number', {}, { counter: null }, ['the counter: 1 of 3, seen none']],
    ['a number that was not said', { counter: null }, {}, ['the counter: none, seen 1 of 3']],
    ['no caption', {}, { words: ['1 of 3', 'Over the moor'] }, ['the caption: A kite, seen 1 of 3 · Over the moor']],
    ['no description', {}, { words: ['A kite'] }, ['the description: Over the moor, seen A kite']],
    ['words within others, or over several', {}, { words: ['Look: A kite!', 'Over', 'the moor'] }, []],
    ['words where none were said', { caption: '', description: '' }, {}, []],
    ['another neighbour', {}, { next: 'large/c.jpg' }, ['the next picture: large/b.jpg, seen large/c.jpg']],
    ['a way back', {}, { back: 'large/c.jpg' }, ['the previous picture: none, seen large/c.jpg']],
    ['it stays open', {}, { closed: 'no' }, ['closing: it closes, seen it stays open']],
    ['it stays open, as was said', { closes: false }, { closed: 'no' }, []],
    ['nobody tried to close it', {}, { closed: null }, []],
    ['without its style only the file counts', { styled: false }, { counter: null, words: [], closed: 'no' }, []],
    ['an address, as was said', { opens: 'address' }, { opened: 'address', layers: 0, counter: null }, []],
    [
      'another address than was said',
      { opens: 'address' },
      { opened: 'address', shows: 'b.html' },
      ['the file: large/a.jpg, seen b.html'],
    ],
    ['it breaks, as was said', { opens: 'broken' }, { loaded: false, errors: ['no'] }, []],
    [
      'it breaks without an error',
      { opens: 'broken' },
      { loaded: false },
      ['what opens: nothing, with an error, seen no error'],
    ],
    [
      'it was said to break and works',
      { opens: 'broken' },
      { errors: ['no'] },
      ['what opens: nothing, with an error, seen large/a.jpg'],
    ],
    ['two answer, as was said', { clash: ['lightbox', 'lantern'] }, { layers: 2, counter: null }, []],
    ['two were said to answer', { clash: ['lightbox', 'lantern'] }, {}, ['how many open: 2, seen 1']],
  ])('%s', (_what, predicted, seen, lines) => expect(told(predicted, seen)).toEqual(lines));
});

describe('what a page says of itself', () => {
  it('is taken as it comes where it is within bounds', () => {
    expect(Seen.parse(SEEN)).toEqual(SEEN);
    const most = {
      ...SEEN,
      natural: { width: 1_000_000, height: 0 },
      layers: 1000,
      words: Array<string>(500).fill('w'.repeat(4000)),
      errors: Array<string>(100).fill('e'.repeat(4000)),
      missing: Array<null>(100).fill(null),
      next: 'n'.repeat(4000),
      time: 0,
    };
    expect(Seen.parse(most)).toEqual(most);
    for (const reached of ['at once', 'tab', 'step', 'more', null])
      expect(Seen.parse({ ...SEEN, reached })).toBeTruthy();
    for (const closed of ['key', 'button', 'outside', 'no', null]) expect(Seen.parse({ ...SEEN, closed })).toBeTruthy();
    expect(Seen.parse({ ...SEEN, natural: null, size: null, counter: null })).toBeTruthy();
  });

  it.each<object>([
    { reached: 'somehow' },
    { opened: 'door' },
    { closed: 'never' },
    { shows: 's'.repeat(4001) },
    { size: { width: -1, height: 1 } },
    { size: { width: 1, height: 1_000_001 } },
    { size: { width: 1, height: 1, depth: 1 } },
    { layers: -1 },
    { layers: 1001 },
    { layers: 1.5 },
    { counter: { at: 1, of: 2, more: 3 } },
    { words: ['w'.repeat(4001)] },
    { words: Array<string>(501).fill('w') },
    { errors: ['e'.repeat(4001)] },
    { errors: Array<string>(101).fill('e') },
    { missing: Array<null>(101).fill(null) },
    { time: -1 },
    { more: true },
  ])('%j is refused', (change) => expect(Seen.safeParse({ ...SEEN, ...change }).success).toBe(false));
});
