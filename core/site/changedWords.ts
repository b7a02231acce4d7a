/** Within the lines of a hunk, the words that differ; the rest of a long line is the same before and after. */
import { diffWordsWithSpace } from 'diff';
import type { Hunk } from './hunks.ts';

export interface Piece {
  text: string;
  changed: boolean;
}

/** Each line in its pieces; a line that is empty has none. */
interface MarkedLines {
  removed: Piece[][];
  added: Piece[][];
}

/** Longer hunks are not compared word by word: a list of 200 new items is read as new. In characters. */
const MOST = 6000;

/** More words put in or taken out than this are another text. */
const MOST_EDITS = 240;

/** A side of which less than this is common to both is another text: marks all over it would say nothing. */
const LEAST_IN_COMMON = 0.3;

const whole = (lines: readonly string[]): Piece[][] =>
  lines.map((text) => (text === '' ? [] : [{ text, changed: false }]));

export function changedWords({ removed, added }: Hunk): MarkedLines {
  const unmarked = { removed: whole(removed), added: whole(added) };
  const before = removed.join('\n');
  const after = added.join('\n');
  if (removed.length === 0 || added.length === 0 || before.length + after.length > MOST) return unmarked;
  const parts = diffWordsWithSpace(before, after, { maxEditLength: MOST_EDITS });
  const shorter = Math.min(before.trim().length, after.trim().length);
  const common = (parts ?? []).filter((part) => !part.added && !part.removed);
  const inCommon = common.reduce((sum, { value }) => sum + value.trim().length, 0);
  if (parts === undefined || inCommon < shorter * LEAST_IN_COMMON) return unmarked;
  return {
    removed: linesOf(parts.filter((part) => !part.added).map(({ value, removed: is }) => [value, is])),
    added: linesOf(parts.filter((part) => !part.removed).map(({ value, added: is }) => [value, is])),
  };
}

function linesOf(parts: readonly (readonly [text: string, changed: boolean])[]): Piece[][] {
  const lines: Piece[][] = [[]];
  for (const [value, changed] of parts)
    for (const [n, text] of value.split('\n').entries()) {
      if (n > 0) lines.push([]);
      if (text !== '') lines.at(-1)?.push({ text, changed });
    }
  return lines;
}
