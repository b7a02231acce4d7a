import { describe, expect, it } from 'vitest';
import { compareFolder, differs, goesByItself, type Side } from './index.ts';
import type { FileContent } from '../site/index.ts';

const files = (count: number, text = 'x') =>
  new Map<string, FileContent>(Array.from({ length: count }, (_, n) => [`${n}.html`, { kind: 'text', text }]));

function going(here: number, there: number, agreed: number, sides: readonly Side[]) {
  const all = compareFolder(files(here), files(there), files(agreed));
  const from = (side: Side) => all.filter((file) => differs(file) === side);
  return goesByItself({
    changed: { here: from('here'), there: from('there') },
    wished: { here: sides.includes('here'), there: sides.includes('there') },
    agreed,
  });
}

describe('by itself', () => {
  it('goes what was wished to, and nothing else', () => {
    expect(going(3, 4, 3, ['there'])).toEqual({ from: 'there', heldBack: false });
    expect(going(3, 4, 3, ['here'])).toEqual({ from: null, heldBack: false });
    expect(going(4, 3, 3, ['here', 'there'])).toEqual({ from: 'here', heldBack: false });
    expect(going(3, 3, 3, ['here', 'there'])).toEqual({ from: null, heldBack: false });
  });

  it.each([
    // Two of a small site, never the last; a third of a larger one.
    [3, 1, { from: 'there', heldBack: false }],
    [3, 0, { from: null, heldBack: true }],
    [1, 0, { from: null, heldBack: true }],
    [100, 71, { from: 'there', heldBack: false }],
    [100, 69, { from: null, heldBack: true }],
  ])('of %i files %i are left on disk', (agreed, there, outcome) =>
    expect(going(agreed, there, agreed, ['there'])).toEqual(outcome),
  );
});
