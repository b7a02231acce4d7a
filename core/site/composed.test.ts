import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { composed } from './composed.ts';
import { applyEdits, type Edit } from './edit.ts';

const applied = (text: string, edits: readonly Edit[]): string => {
  const outcome = applyEdits(text, [...edits]);
  if (!outcome.ok) throw new Error(outcome.reason);
  return outcome.text;
};

describe('edits one after the other', () => {
  it('are one list of small edits', () => {
    const text = 'one two three';
    const first = [{ start: 0, end: 3, text: 'ONE!' }];
    const second = [{ start: 9, end: 14, text: '3' }];
    expect(composed(text.length, [first, second])).toEqual([
      { start: 0, end: 3, text: 'ONE!' },
      { start: 8, end: 13, text: '3' },
    ]);
  });

  it('may change what one before has written, and take it back', () => {
    const first = [{ start: 1, end: 1, text: 'xyz' }];
    expect(composed(3, [first, [{ start: 2, end: 3, text: 'Y' }]])).toEqual([{ start: 1, end: 1, text: 'xYz' }]);
    expect(composed(3, [first, [{ start: 1, end: 4, text: '' }]])).toEqual([]);
    expect(composed(3, [])).toEqual([]);
  });

  it('lead where the steps lead, whatever they are', () => {
    const step = fc.record({ from: fc.nat(40), length: fc.nat(10), text: fc.string({ maxLength: 6 }) });
    fc.assert(
      fc.property(fc.string({ maxLength: 40 }), fc.array(step, { maxLength: 8 }), (text, wishes) => {
        let now = text;
        const steps = wishes.map(({ from, length, text: written }) => {
          const start = Math.min(from, now.length);
          const edits = [{ start, end: Math.min(start + length, now.length), text: written }];
          now = applied(now, edits);
          return edits;
        });
        expect(applied(text, composed(text.length, steps))).toBe(now);
      }),
    );
  });
});
