import editDistance from 'damerau-levenshtein';

/** Insertions, deletions, replacements and swaps of neighbours that lead from one word to the other. */
export const lettersApart = (a: string, b: string): number => editDistance(a, b).steps;

/** One or two letters off, and not so short that anything would be. */
export const isSlipOf = (written: string, meant: string): boolean =>
  written !== meant &&
  Math.abs(written.length - meant.length) <= 2 &&
  lettersApart(written, meant) <= (meant.length < 5 ? 1 : 2);
