import fc from 'fast-check';
import munkres from 'munkres-js';
import { describe, expect, it } from 'vitest';
import { bestAssignment, type Worth } from './assignment.ts';

const sum = (chosen: readonly Worth[]) => chosen.reduce((total, { worth }) => total + worth, 0);
const table = (rows: readonly (readonly number[])[]): Worth[] =>
  rows.flatMap((line, row) => line.map((worth, column) => ({ row, column, worth })));

/** Every way tried, for small tables. */
function best(rows: readonly (readonly number[])[], row = 0, taken: ReadonlySet<number> = new Set()): number {
  if (row === rows.length) return 0;
  return Math.max(
    best(rows, row + 1, taken),
    ...rows[row]!.flatMap((worth, column) =>
      worth > 0 && !taken.has(column) ? [worth + best(rows, row + 1, new Set([...taken, column]))] : [],
    ),
  );
}

describe('bestAssignment (Kuhn 1955, Munkres 1957)', () => {
  it('solves the example by which greed fails', () => {
    // Greed takes 10 and is left with 1; together 9 and 8 are more.
    expect(
      sum(
        bestAssignment(
          table([
            [10, 9],
            [8, 1],
          ]),
        ),
      ),
    ).toBe(17);
  });

  it('finds what munkres-js finds on random square tables', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 9 }).chain((n) =>
          fc.array(fc.array(fc.integer({ min: 1, max: 1000 }), { minLength: n, maxLength: n }), {
            minLength: n,
            maxLength: n,
          }),
        ),
        (rows) => {
          const theirs = munkres(rows.map((line) => line.map((worth) => 1000 - worth))).reduce(
            (total, [row, column]) => total + rows[row]![column]!,
            0,
          );
          expect(sum(bestAssignment(table(rows)))).toBe(theirs);
        },
      ),
      { numRuns: 200 },
    );
  });

  it('finds the best of all ways where many are worth nothing and sides differ', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 5 }).chain((width) =>
          fc.array(fc.array(fc.integer({ min: -4, max: 6 }), { minLength: width, maxLength: width }), {
            minLength: 1,
            maxLength: 5,
          }),
        ),
        (rows) => {
          const chosen = bestAssignment(table(rows));
          expect(sum(chosen)).toBe(best(rows));
          expect(new Set(chosen.map(({ row }) => row)).size).toBe(chosen.length);
          expect(new Set(chosen.map(({ column }) => column)).size).toBe(chosen.length);
        },
      ),
      { numRuns: 300 },
    );
  });

  it('keeps what it was given', () => {
    const worths = [
      { row: 7, column: 3, worth: 1, of: 'a' },
      { row: 7, column: 4, worth: 2, of: 'b' },
    ];
    expect(bestAssignment(worths)).toEqual([worths[1]]);
  });
});
