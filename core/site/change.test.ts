import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { applyChange, type Change } from './change.ts';
import { decodeText, encodeText } from './decode.ts';
import { applyEdits, invertEdits, smallestEdit, type Edit } from './edit.ts';
import type { FileContent } from './files.ts';
import { hunksOf } from './hunks.ts';
import { judgeIntake } from './intake.ts';

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
      ]).ok,
    ).toBe(false);
    expect(applyEdits('abc', [{ start: 2, end: 9, text: '' }]).ok).toBe(false);
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

  it('do not overwrite what another has changed meanwhile', () => {
    expect(
      applyChange(files, {
        label: 't',
        files: [{ kind: 'put', path: 'a.html', before: { kind: 'text', text: 'zero' }, after: null }],
      }).ok,
    ).toBe(false);
  });
});

describe('hunks', () => {
  it('show the touched lines before and after', () => {
    expect(hunksOf('one\ntwo\nthree\n', [{ start: 4, end: 7, text: '2' }])).toEqual([
      { line: 2, removed: ['two'], added: ['2'] },
    ]);
    expect(hunksOf('a\nb\n', [{ start: 1, end: 1, text: '\nx' }])).toEqual([{ line: 2, removed: [], added: ['x'] }]);
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
    expect(decodeText(new Uint8Array([0x63, 0x61, 0x66, 0xe9])).ok).toBe(false);
  });
});

describe('intake', () => {
  const file = (path: string, bytes = 1) => ({ path, bytes });

  it('takes the one folder around everything off the paths', () => {
    expect(judgeIntake([file('kites/index.html'), file('kites/small/a.jpg'), file('kites/.DS_Store')])).toMatchObject({
      ok: true,
      folder: 'kites',
      accepted: [{ path: 'index.html' }, { path: 'small/a.jpg' }],
      skipped: [{ path: 'kites/.DS_Store' }],
    });
  });

  it('refuses the whole for one unsafe path, one double name, or too much', () => {
    const limits = { files: 2, fileBytes: 10, totalBytes: 15 };
    for (const files of [
      [file('../x')],
      [file('a'), file('./a')],
      [file('a', 11)],
      [file('a', 9), file('b', 9)],
      [file('a'), file('b'), file('c')],
      [],
    ]) {
      const judged = judgeIntake(files, limits);
      expect(judged.ok).toBe(false);
      if (!judged.ok) expect(judged.reason.length).toBeGreaterThan(10);
    }
  });
});
