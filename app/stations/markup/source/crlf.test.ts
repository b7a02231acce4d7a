import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { applyEdits } from '~core/site/index.ts';
import { lineBreaksOf, toFileEdits } from './crlf';

/** What the editor holds of a file: every line break is one character. */
const inEditor = (text: string) => text.replaceAll('\r\n', '\n');

describe('typing in files with any line breaks', () => {
  const text = fc
    .array(fc.constantFrom('a', 'kite', ' ', '\r\n', '\n', '<p>'), { maxLength: 30 })
    .map((parts) => parts.join(''));

  it('changes what was typed over and no other byte', () => {
    fc.assert(
      fc.property(text, fc.nat(), fc.nat(6), fc.constantFrom('', 'x', 'two\nlines'), (file, at, length, typed) => {
        const shown = inEditor(file);
        const from = at % (shown.length + 1);
        const to = Math.min(shown.length, from + length);
        const edits = toFileEdits([{ from, to, text: typed }], lineBreaksOf(file));
        const after = applyEdits(file, edits);
        expect(after.ok && inEditor(after.text)).toBe(shown.slice(0, from) + typed + shown.slice(to));
        expect(after.ok && after.text.startsWith(file.slice(0, edits[0]?.start))).toBe(true);
        expect(after.ok && after.text.endsWith(file.slice(edits[0]?.end))).toBe(true);
      }),
    );
  });

  it('maps places there and back', () => {
    fc.assert(
      fc.property(text, fc.nat(), (file, at) => {
        const breaks = lineBreaksOf(file);
        const offset = at % (inEditor(file).length + 1);
        expect(breaks.toEditor(breaks.toFile(offset))).toBe(offset);
      }),
    );
  });

  it('writes new lines as the file has them', () => {
    expect(toFileEdits([{ from: 1, to: 1, text: '\n' }], lineBreaksOf('a\r\nb\r\n'))[0]?.text).toBe('\r\n');
    expect(toFileEdits([{ from: 1, to: 1, text: '\n' }], lineBreaksOf('a\nb\n'))[0]?.text).toBe('\n');
  });
});
