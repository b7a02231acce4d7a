/** What was changed in the HTML of a Markdown text, by the blocks that it reaches into. */
import { lineEdits } from '../folder/index.ts';
import type { Edit } from '../site/index.ts';
import type { Piece } from './pieces.ts';

export interface Changed {
  /** Blocks that it reaches into; none where it comes between two. */
  touched: Piece[];
  /** The number of the block before which it comes. */
  at: number;
  /** What they say. */
  was: string;
  /** What stands in their place. */
  html: string;
}

/** Changes of lines, brought together where they reach into the same blocks. */
export function changesIn(pieces: readonly Piece[], before: string, after: string): Changed[] {
  const runs: { first: number; last: number; edits: Edit[] }[] = [];
  for (const edit of lineEdits(before, after)) {
    const found = reached(pieces, edit);
    const run = runs.at(-1);
    if (run && found.first <= run.last) {
      run.last = Math.max(run.last, found.last);
      run.edits.push(edit);
    } else runs.push({ ...found, edits: [edit] });
  }
  return runs.map(({ first, last, edits }) => {
    const touched = pieces.slice(first, last + 1);
    const from = touched[0]?.from ?? edits[0]?.start ?? 0;
    const to = touched.at(-1)?.to ?? from;
    const inside = edits.map(({ start, end, text }) => ({ start: start - from, end: end - from, text }));
    const was = before.slice(from, to);
    return { touched, at: first, was, html: applied(was, inside) };
  });
}

/** The first and the last block that an edit reaches into; between two the last is the one before. */
function reached(pieces: readonly Piece[], { start, end }: Edit): { first: number; last: number } {
  const first = pieces.findIndex(({ to }) => to > start);
  if (first === -1) return { first: pieces.length, last: pieces.length - 1 };
  const isBetween = end === start && pieces[first]?.from === start;
  if (isBetween) return { first, last: first - 1 };
  return {
    first,
    last: Math.max(
      first,
      pieces.findLastIndex(({ from }) => from < end),
    ),
  };
}

export function applied(text: string, edits: readonly Edit[]): string {
  let now = text;
  for (const { start, end, text: put } of [...edits].reverse()) now = now.slice(0, start) + put + now.slice(end);
  return now;
}
