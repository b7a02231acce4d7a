/** From one text to another by whole lines, so that what is shown of it is what a person would call changed. */
import { diffIndices } from 'node-diff3';
import type { Edit } from '../site/index.ts';

/** The lines of a text with their ends as they are: `\n`, `\r\n`, or none. */
export const linesOf = (text: string): string[] => text.match(/[^\n]*\n|[^\n]+$/g) ?? [];

/** Edits of whole lines that lead from `before` to `after`; their places count from `before`. */
export function lineEdits(before: string, after: string): Edit[] {
  const [old, now] = [linesOf(before), linesOf(after)];
  const starts = startsOf(old);
  return diffIndices(old, now).map(({ buffer1: [from, count], buffer2Content }) => ({
    start: starts[from] ?? before.length,
    end: starts[from + count] ?? before.length,
    text: buffer2Content.join(''),
  }));
}

/** Where each line begins, and where the last one ends. */
function startsOf(lines: readonly string[]): number[] {
  const starts = [0];
  let at = 0;
  for (const line of lines) starts.push((at += line.length));
  return starts;
}
