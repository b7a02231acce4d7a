/** Edits shown as a person reads them: the lines before and the lines after, with their numbers. */
import { applyEdits, sortEdits, type Edit } from './edit.ts';

export interface Hunk {
  /** Number of the first line, from 1, in the text before. */
  line: number;
  removed: string[];
  added: string[];
}

const lineStart = (text: string, at: number) => text.lastIndexOf('\n', at - 1) + 1;
function lineEnd(text: string, at: number): number {
  const end = text.indexOf('\n', at);
  return end < 0 ? text.length : end;
}

/**
 * One hunk for each run of touched lines. Built from the edits themselves, so that it shows what is done and not what
 * a comparison guesses.
 */
export function hunksOf(text: string, edits: readonly Edit[]): Hunk[] {
  const hunks: Hunk[] = [];
  let group: Edit[] = [];
  let groupEnd = -1;
  const flush = () => {
    const first = group[0];
    if (!first) return;
    const start = lineStart(text, first.start);
    const before = text.slice(start, groupEnd);
    const moved = group.map((edit) => ({ ...edit, start: edit.start - start, end: edit.end - start }));
    const after = applyEdits(before, moved);
    const line = text.slice(0, start).split('\n').length;
    hunks.push(trimmed(line, before.split('\n'), (after.ok ? after.text : before).split('\n')));
    group = [];
  };
  for (const edit of sortEdits(edits)) {
    if (edit.start > groupEnd) flush();
    group.push(edit);
    groupEnd = Math.max(groupEnd, lineEnd(text, edit.end));
  }
  flush();
  return hunks;
}

/** Lines that are the same at the head and the foot of both sides say nothing and go. */
function trimmed(line: number, removed: string[], added: string[]): Hunk {
  let head = 0;
  while (head < removed.length && head < added.length && removed[head] === added[head]) head++;
  let tail = 0;
  while (tail < removed.length - head && tail < added.length - head && removed.at(-1 - tail) === added.at(-1 - tail))
    tail++;
  return {
    line: line + head,
    removed: removed.slice(head, removed.length - tail),
    added: added.slice(head, added.length - tail),
  };
}
