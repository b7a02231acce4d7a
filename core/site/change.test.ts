import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { applyChange, sameContent, type Change, type FileChange } from './change.ts';
import { decodeText, encodeText } from './decode.ts';
import { editFiles } from './editFiles.ts';
import { applyEdits, editsOverlap, invertEdits, smallestEdit, type Edit } from './edit.ts';
import type { FileContent } from './files.ts';

/** Any text with any set of edits that do not overlap. */
const edited = fc
  .tuple(
    fc.string({ maxLength: 80, unit: 'binary' }),
    fc.array(fc.tuple(fc.nat(80), fc.nat(6), fc.string({ maxLength: 6 })), { maxLength: 5 }),
  )
  .map(([text, raw]) => {
    let floor = 0;
    const edits: Edit[] = [];
    for (const [at, length, insert] of raw.sort((a, b) => a[0] - b[0])) {
      const start = Math.min(text.length, Math.max(floor, at));
      const end = Math.min(text.length, start + length);
      if (edits.length > 0 && start < floor) continue;
      edits.push({ start, end, text: insert });
      floor = end + 1;
      if (floor > text.length) break;
    }
    return { text, edits };
  });

describe('edits', () => {
  it('leave every character outside of their ranges', () => {
    fc.assert(
      fc.property(edited, ({ text, edits }) => {
        const result = applyEdits(text, edits);
        if (!result.ok) throw new Error(result.reason);
        let from = 0;
        let at = 0;
        for (const edit of edits) {
          expect(result.text.slice(at, at + edit.start - from)).toBe(text.slice(from, edit.start));
          at += edit.start - from + edit.text.length;
          from = edit.end;
        }
        expect(result.text.slice(at)).toBe(text.slice(from));
      }),
    );
  });

  it('are taken back to the letter by their inverse', () => {
    fc.assert(
      fc.property(edited, ({ text, edits }) => {
        const result = applyEdits(text, edits);
        if (!result.ok) throw new Error(result.reason);
        expect(applyEdits(result.text, invertEdits(text, edits))).toEqual({ ok: true, text });
      }),
    );
  });

  it('refuse what overlaps or reaches past the end', () => {
    expect(
      applyEdits('abc', [
        { start: 0, end: 2, text: '' },
        { start: 1, end: 3, text: '' },
      ]),
    ).toEqual({ ok: false, reason: 'two changes claim the same place (character 1)' });
    const past = (start: number, end: number) => ({
      ok: false,
      reason: `a change reaches past the end of the file (${start} to ${end} of 3)`,
    });
    expect(applyEdits('abc', [{ start: 2, end: 4, text: '' }])).toEqual(past(2, 4));
    expect(applyEdits('abc', [{ start: 2, end: 1, text: '' }])).toEqual(past(2, 1));
  });

  it('may touch one another and the end; what is put in at a place stands before what replaces there', () => {
    const edits = [
      { start: 1, end: 3, text: 'X' },
      { start: 1, end: 1, text: '+' },
      { start: 0, end: 1, text: 'A' },
    ];
    expect(applyEdits('abc', edits)).toEqual({ ok: true, text: 'A+X' });
  });

  it('overlap where they share a character', () => {
    const one = [
      { start: 2, end: 4, text: '' },
      { start: 20, end: 21, text: '' },
    ];
    const overlaps = (start: number, end: number) => editsOverlap(one, { start, end, text: '' });
    expect([overlaps(0, 2), overlaps(0, 3), overlaps(3, 4), overlaps(3, 9), overlaps(4, 9)]).toEqual([
      false,
      true,
      true,
      true,
      false,
    ]);
  });

  it('smallestEdit takes nothing that both texts share', () => {
    expect(smallestEdit('same', 'same')).toEqual([]);
    expect(smallestEdit('a kite', 'a big kite')).toEqual([{ start: 2, end: 2, text: 'big ' }]);
    expect(smallestEdit('aXc', 'aYYc')).toEqual([{ start: 1, end: 2, text: 'YY' }]);
    expect(smallestEdit('aa', 'aaa')).toEqual([{ start: 2, end: 2, text: 'a' }]);
    expect(smallestEdit('aaa', 'aa')).toEqual([{ start: 2, end: 3, text: '' }]);
    expect(smallestEdit('', 'a')).toEqual([{ start: 0, end: 0, text: 'a' }]);
  });

  it('smallestEdit leads from any text to any other', () => {
    fc.assert(
      fc.property(fc.string(), fc.string(), (before, after) => {
        expect(applyEdits(before, smallestEdit(before, after))).toEqual({ ok: true, text: after });
      }),
    );
  });
});

describe('changes', () => {
  const files = new Map<string, FileContent>([
    ['a.html', { kind: 'text', text: 'one' }],
    ['b.jpg', { kind: 'binary', hash: 'h', bytes: 3 }],
  ]);
  const change: Change = {
    label: 't',
    files: [
      { kind: 'edit', path: 'a.html', edits: [{ start: 0, end: 1, text: 'O' }] },
      { kind: 'rename', path: 'b.jpg', to: 'c.jpg' },
      { kind: 'put', path: 'd.css', before: null, after: { kind: 'text', text: 'x' } },
    ],
  };

  it('go across files and come back exactly', () => {
    const applied = applyChange(files, change);
    if (!applied.ok) throw new Error(applied.reason);
    expect([...applied.files.keys()].sort()).toEqual(['a.html', 'c.jpg', 'd.css']);
    expect(applied.files.get('a.html')).toEqual({ kind: 'text', text: 'One' });
    expect([...applied.touched]).toEqual(['a.html', 'b.jpg', 'c.jpg', 'd.css']);
    expect(applied.inverse.label).toBe('t');
    expect(applied.inverse.files.map(({ kind }) => kind)).toEqual(['put', 'rename', 'edit']);
    const back = applyChange(applied.files, applied.inverse);
    if (!back.ok) throw new Error(back.reason);
    expect(new Map([...back.files].sort())).toEqual(new Map([...files].sort()));
  });

  it('are refused whole, with the file named, where one part does not fit', () => {
    const applied = applyChange(files, {
      label: 't',
      files: [...change.files, { kind: 'rename', path: 'gone.jpg', to: 'x.jpg' }],
    });
    expect(applied).toEqual({ ok: false, reason: expect.stringContaining('gone.jpg') });
    expect(files.get('a.html')).toEqual({ kind: 'text', text: 'one' });
  });

  it.each<[FileChange, string]>([
    [{ kind: 'edit', path: 'b.jpg', edits: [] }, 'b.jpg: there is no such text file any more'],
    [{ kind: 'edit', path: 'gone.html', edits: [] }, 'gone.html: there is no such text file any more'],
    [
      { kind: 'edit', path: 'a.html', edits: [{ start: 9, end: 9, text: '' }] },
      'a.html: a change reaches past the end of the file (9 to 9 of 3)',
    ],
    [
      { kind: 'put', path: 'a.html', before: { kind: 'text', text: 'zero' }, after: null },
      'a.html: it was changed meanwhile; look again before you go on',
    ],
    [
      { kind: 'put', path: 'a.html', before: null, after: null },
      'a.html: it was changed meanwhile; look again before you go on',
    ],
    [{ kind: 'rename', path: 'gone.jpg', to: 'x.jpg' }, 'gone.jpg: there is no such file any more'],
    [{ kind: 'rename', path: 'b.jpg', to: 'a.html' }, 'b.jpg: the name a.html is taken'],
  ])('that do not fit what is there are refused: %j', (file, reason) => {
    expect(applyChange(files, { label: 't', files: [file] })).toEqual({ ok: false, reason });
  });

  it('tell contents apart by text or by hash', () => {
    const text: FileContent = { kind: 'text', text: 'x' };
    const binary: FileContent = { kind: 'binary', hash: 'x', bytes: 1 };
    expect(sameContent(null, null)).toBe(true);
    expect([sameContent(null, text), sameContent(text, null), sameContent(text, binary)]).toEqual([
      false,
      false,
      false,
    ]);
    expect([sameContent(binary, text), sameContent(text, { kind: 'text', text: 'y' })]).toEqual([false, false]);
    expect(sameContent(binary, { kind: 'binary', hash: 'y', bytes: 1 })).toBe(false);
    expect([sameContent(text, { ...text }), sameContent(binary, { ...binary, bytes: 2 })]).toEqual([true, true]);
  });
});

describe('decoding', () => {
  it('gives back the same bytes, with a byte order mark and any line breaks, or is refused', () => {
    fc.assert(
      fc.property(fc.uint8Array({ maxLength: 60 }), (bytes) => {
        const decoded = decodeText(bytes);
        if (decoded.ok) expect([...encodeText(decoded.text)]).toEqual([...bytes]);
      }),
    );
    expect(decodeText(new Uint8Array([0xef, 0xbb, 0xbf, 0x61, 0x0d, 0x0a]))).toEqual({ ok: true, text: '\uFEFFa\r\n' });
    expect(decodeText(new Uint8Array([0x63, 0x61, 0x66, 0xe9]))).toEqual({
      ok: false,
      reason: 'it is not UTF-8; it is kept byte for byte and opened read-only',
    });
  });
});

it('a file that is edited twice in one change is refused, for the second would count from a text that is gone', () => {
  const files = new Map<string, FileContent>([['a.css', { kind: 'text', text: 'ab' }]]);
  const edit = (at: number): FileChange => ({
    kind: 'edit',
    path: 'a.css',
    edits: [{ start: at, end: at, text: '!' }],
  });
  expect(applyChange(files, { label: '', files: [edit(0), edit(1)] })).toEqual({
    ok: false,
    reason: 'a.css: it is edited twice in one change',
  });
});

it('edits of one file that are told apart count from the same text', () => {
  const files = new Map<string, FileContent>([['a.css', { kind: 'text', text: 'ab' }]]);
  const edit = (at: number) => ({ path: 'a.css', edits: [{ start: at, end: at, text: '!' }] });
  expect(editFiles(files, [edit(2), edit(0)])).toMatchObject({ ok: true, changed: new Map([['a.css', '!ab!']]) });
  expect(editFiles(files, [{ path: 'b.css', edits: [{ start: 0, end: 0, text: 'x' }] }])).toEqual({
    ok: false,
    reason: 'b.css is no text file any more.',
  });
});
