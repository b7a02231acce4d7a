/**
 * Edits of text by range: a flat sorted list, joined once. Offsets are UTF-16 code units of the text before the edit.
 */
import { refuse, type Result } from './result.ts';

export interface Edit {
  start: number;
  end: number;
  text: string;
}

type EditedText = Result<{ text: string }>;

/** Sorted by place; an insertion stands before a replacement that starts at the same place. */
export function sortEdits(edits: readonly Edit[]): Edit[] {
  return [...edits].sort((a, b) => a.start - b.start || a.end - b.end);
}

/** The text with all edits done. Ranges outside of the text, or that overlap, are refused. */
export function applyEdits(text: string, edits: readonly Edit[]): EditedText {
  const pieces: string[] = [];
  let at = 0;
  for (const edit of sortEdits(edits)) {
    if (edit.end < edit.start || edit.end > text.length)
      return {
        ok: false,
        reason: `a change reaches past the end of the file (${edit.start} to ${edit.end} of ${text.length})`,
      };
    if (edit.start < at) return refuse(`two changes claim the same place (character ${edit.start})`);
    pieces.push(text.slice(at, edit.start), edit.text);
    at = edit.end;
  }
  pieces.push(text.slice(at));
  return { ok: true, text: pieces.join('') };
}

/** Whether an edit touches what another one changes. */
export const editsOverlap = (edits: readonly Edit[], { start, end }: Edit): boolean =>
  edits.some((one) => one.start < end && start < one.end);

/** The edits that undo `edits`: offsets are those of the edited text. */
export function invertEdits(text: string, edits: readonly Edit[]): Edit[] {
  let shift = 0;
  return sortEdits(edits).map((edit) => {
    const start = edit.start + shift;
    shift += edit.text.length - (edit.end - edit.start);
    return { start, end: start + edit.text.length, text: text.slice(edit.start, edit.end) };
  });
}

/** The one smallest edit that leads from `before` to `after`, or none where they are the same. */
export function smallestEdit(before: string, after: string): Edit[] {
  if (before === after) return [];
  const most = Math.min(before.length, after.length);
  let start = 0;
  while (start < most && before[start] === after[start]) start++;
  let tail = 0;
  while (tail < most - start && before[before.length - 1 - tail] === after[after.length - 1 - tail]) tail++;
  return [{ start, end: before.length - tail, text: after.slice(start, after.length - tail) }];
}
