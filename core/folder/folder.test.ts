/** What differs between a site and its folder, how texts changed on both sides come together, what is taken over. */
import fc from 'fast-check';
import { merge } from 'node-diff3';
import { describe, expect, it } from 'vitest';
import { applyChange, applyEdits, type FileContent } from '../site/index.ts';
import {
  compareFolder,
  differs,
  inSavingOrder,
  inStep,
  lineEdits,
  mergedText,
  mergePieces,
  type PieceChoice,
  takeOver,
} from './index.ts';

const text = (content: string): FileContent => ({ kind: 'text', text: content });
const picture = (hash: string): FileContent => ({ kind: 'binary', hash, bytes: 9 });
const filesOf = (files: Record<string, FileContent>) => new Map(Object.entries(files));

/** With their ends. */
const linesOf = (content: string): string[] => content.match(/[^\n]*\n|[^\n]+$/g) ?? [];

describe('a file compared with what was in step', () => {
  const [a, b, c] = [text('a'), text('b'), text('c')];
  const rows: [here: FileContent | null, there: FileContent | null, agreed: FileContent | null, said: string][] = [
    [a, a, a, 'same'],
    [b, a, a, 'here changed -'],
    [a, b, a, 'there - changed'],
    [b, b, a, 'same'],
    [b, c, a, 'both changed changed'],
    [null, a, a, 'here deleted -'],
    [a, null, a, 'there - deleted'],
    [null, null, a, 'same'],
    [null, b, a, 'both deleted changed'],
    [b, null, a, 'both changed deleted'],
    [a, null, null, 'here new -'],
    [null, a, null, 'there - new'],
    [a, b, null, 'both new new'],
    [a, a, null, 'same'],
    [picture('1'), picture('2'), picture('1'), 'there - changed'],
    [picture('1'), a, picture('1'), 'there - changed'],
  ];
  it.each(rows)('%j here, %j there, %j before: %s', (here, there, agreed, said) => {
    const side = (content: FileContent | null) => (content ? filesOf({ 'x.html': content }) : new Map());
    const [file] = compareFolder(side(here), side(there), side(agreed));
    expect(file ? `${differs(file)} ${file.doneHere ?? '-'} ${file.doneThere ?? '-'}` : 'same').toBe(said);
  });

  it('is in step where both are the same, whatever they were', () => {
    const here = filesOf({ 'a.html': b, 'b.html': a });
    const there = filesOf({ 'a.html': b, 'b.html': c });
    expect(inStep(here, there, filesOf({ 'a.html': a, 'b.html': a, 'gone.html': a }))).toEqual(
      new Map<string, FileContent | null>([
        ['a.html', b],
        ['gone.html', null],
      ]),
    );
  });
});

describe('a text changed on both sides', () => {
  const AGREED = '<h1>Workshop</h1>\r\n<p>One</p>\r\n<p>Two</p>\r\n<p>Three</p>\r\n';

  it('comes together by itself where the changes lie apart, with its line ends', () => {
    const here = AGREED.replace('Three', '3');
    const there = AGREED.replace('Workshop', 'Workshop days');
    const pieces = mergePieces(here, there, AGREED);
    expect(pieces.map(({ by }) => by)).toEqual(['there', 'same', 'here']);
    expect(pieces[0]).toMatchObject({
      line: 1,
      here: ['<h1>Workshop</h1>\r\n'],
      there: ['<h1>Workshop days</h1>\r\n'],
    });
    expect(mergedText(pieces, new Map())).toBe(AGREED.replace('Three', '3').replace('Workshop', 'Workshop days'));
  });

  it('asks where both changed one place, and takes what is chosen', () => {
    const pieces = mergePieces(AGREED.replace('Two', '2'), AGREED.replace('Two', 'zwei'), AGREED);
    const at = pieces.findIndex(({ by }) => by === 'both');
    expect(pieces[at]).toMatchObject({ line: 3, here: ['<p>2</p>\r\n'], there: ['<p>zwei</p>\r\n'] });
    expect(mergedText(pieces, new Map())).toBeNull();
    const chosen = (choice: PieceChoice) => mergedText(pieces, new Map([[at, choice]]));
    expect(chosen('here')).toBe(AGREED.replace('Two', '2'));
    expect(chosen('there')).toBe(AGREED.replace('Two', 'zwei'));
    expect(chosen('both')).toBe(AGREED.replace('<p>Two</p>', '<p>2</p>\r\n<p>zwei</p>'));
  });

  it('shows also what one side only took away', () => {
    const pieces = mergePieces(AGREED, AGREED.replace('<p>Two</p>\r\n', ''), AGREED);
    expect(pieces.map(({ by }) => by)).toEqual(['same', 'there', 'same']);
    expect(pieces[1]).toEqual({ by: 'there', line: 3, here: ['<p>Two</p>\r\n'], there: [] });
    expect(mergedText(pieces, new Map())).toBe(AGREED.replace('<p>Two</p>\r\n', ''));
  });

  it('asks for nothing where both did the same', () => {
    const both = AGREED.replace('Two', '2');
    expect(mergePieces(both, both, AGREED).every(({ by }) => by === 'same')).toBe(true);
  });

  it('that was never in step asks for all that differs', () => {
    const pieces = mergePieces('a\nb\nc\n', 'a\nx\nc\nd', null);
    expect(pieces.map(({ by, line }) => `${by} ${line}`)).toEqual(['same 1', 'both 2', 'same 3', 'both 4']);
  });

  it('begins a line of its own behind one without an end', () => {
    const pieces = mergePieces('a\nmine', 'a\ntheirs', 'a\n');
    expect(mergedText(pieces, new Map([[1, 'both']]))).toBe('a\nmine\ntheirs');
  });

  const lines = fc.array(fc.constantFrom('a\n', 'b\n', 'c\r\n', '\n', 'd'), { maxLength: 12 });
  const joined = lines.map((all) => all.join(''));
  it('is the site’s with every choice here, the folder’s with every choice there', () =>
    fc.assert(
      fc.property(joined, joined, fc.option(joined), (here, there, agreed) => {
        const pieces = mergePieces(here, there, agreed);
        const all = (choice: PieceChoice) => new Map(pieces.map((_, n) => [n, choice]));
        expect(mergedText(pieces, all('here'))).toBe(here);
        expect(mergedText(pieces, all('there'))).toBe(there);
      }),
      { numRuns: 2000 },
    ));
  it('is what a three-way merge makes of it where nothing is to be chosen', () =>
    fc.assert(
      fc.property(lines, lines, lines, (here, there, agreed) => {
        const joinedLines = (all: readonly string[]) => linesOf(all.join(''));
        const [a, o, b] = [here, agreed, there].map(joinedLines);
        const { conflict, result } = merge(a ?? [], o ?? [], b ?? [], { excludeFalseConflicts: true });
        const text = mergedText(mergePieces(here.join(''), there.join(''), agreed.join('')), new Map());
        expect(text).toBe(conflict ? null : result.join(''));
      }),
      { numRuns: 2000 },
    ));
  it('changes by lines that lead from one text to the other', () =>
    fc.assert(
      fc.property(joined, joined, (before, after) => {
        expect(applyEdits(before, lineEdits(before, after))).toEqual({ ok: true, text: after });
      }),
    ));
});

describe('what is taken over', () => {
  const files = filesOf({ 'a.html': text('one\ntwo\n'), 'p.jpg': picture('1'), 'gone.css': text('x') });
  const taken = [
    { path: 'a.html', before: text('one\ntwo\n'), after: text('one\n2\n') },
    { path: 'p.jpg', before: picture('1'), after: picture('2') },
    { path: 'gone.css', before: text('x'), after: null },
    { path: 'new.html', before: null, after: text('new') },
  ];

  it('is one change, by lines where it is text, and can be undone', () => {
    const planned = takeOver(files, taken, 'kites');
    if (!planned.ok) throw new Error(planned.reason);
    expect(planned.change.label).toBe('Apply disk changes of kites: 4 files');
    expect(planned.change.files[0]).toEqual({
      kind: 'edit',
      path: 'a.html',
      edits: [{ start: 4, end: 8, text: '2\n' }],
    });
    const applied = applyChange(files, planned.change);
    if (!applied.ok) throw new Error(applied.reason);
    expect(Object.fromEntries(applied.files)).toEqual({
      'a.html': text('one\n2\n'),
      'p.jpg': picture('2'),
      'new.html': text('new'),
    });
    const back = applyChange(applied.files, applied.inverse);
    expect(back.ok && Object.fromEntries(back.files)).toEqual(Object.fromEntries(files));
  });

  it('is refused where the file was changed here meanwhile', () => {
    const old = { path: 'a.html', before: text('one\n'), after: text('1\n') };
    expect(takeOver(files, [old], 'kites')).toEqual({
      ok: false,
      reason: 'a.html was changed meanwhile; compare again',
    });
  });

  it('is refused where two names would differ in capitals only, and not where one of them goes', () => {
    const other = { path: 'P.JPG', before: null, after: picture('1') };
    expect(takeOver(files, [other], 'kites')).toMatchObject({ ok: false });
    const both = [other, { path: 'p.jpg', before: picture('1'), after: null }];
    expect(takeOver(files, both, 'kites')).toMatchObject({ ok: true });
  });
});

it('pages are written behind what they show, and what goes goes last', () => {
  const file = (path: string, here: FileContent | null = text('')) => ({ path, here });
  const all = [file('a.html'), file('z.css', null), file('p.jpg'), file('P.JPG', null), file('m.css')];
  // What only changes its capitals goes before it comes: some disks have one file for both.
  expect(inSavingOrder(all).map(({ path }) => path)).toEqual(['P.JPG', 'p.jpg', 'm.css', 'a.html', 'z.css']);
});
