/** Optimal string alignment: insertions, deletions, replacements and swaps of neighbours. */
export function lettersApart(a: string, b: string): number {
  const rows: number[][] = Array.from({ length: a.length + 1 }, (_, i) => [i]);
  for (let j = 0; j <= b.length; j++) rows[0]![j] = j;
  for (let i = 1; i <= a.length; i++) {
    for (let j = 1; j <= b.length; j++) {
      const change = a[i - 1] === b[j - 1] ? 0 : 1;
      let least = Math.min(rows[i - 1]![j]! + 1, rows[i]![j - 1]! + 1, rows[i - 1]![j - 1]! + change);
      if (i > 1 && j > 1 && a[i - 1] === b[j - 2] && a[i - 2] === b[j - 1])
        least = Math.min(least, rows[i - 2]![j - 2]! + 1);
      rows[i]![j] = least;
    }
  }
  return rows[a.length]![b.length]!;
}

/** One or two letters off, and not so short that anything would be. */
export const isSlipOf = (written: string, meant: string): boolean =>
  written !== meant &&
  Math.abs(written.length - meant.length) <= 2 &&
  lettersApart(written, meant) <= (meant.length < 5 ? 1 : 2);
