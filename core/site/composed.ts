/** Edits made one after the other, as one list of edits of the text before all of them. */
import { sortEdits, type Edit } from './edit.ts';

/** What the text is made of: pieces of the text before, and what was written. */
type Part = { start: number; end: number } | { text: string };

const lengthOf = (part: Part): number => ('text' in part ? part.text.length : part.end - part.start);

/** `length` is that of the text before the first step; offsets of each step count from the text after the one before. */
export function composed(length: number, steps: readonly (readonly Edit[])[]): Edit[] {
  const parts = steps.reduce<Part[]>(
    (now, edits) => sortEdits(edits).reduceRight(edited, now),
    [{ start: 0, end: length }],
  );
  return gaps(parts, length);
}

/** From the last edit to the first, so that none moves another. */
function edited(parts: readonly Part[], { start, end, text }: Edit): Part[] {
  const written: Part[] = text === '' ? [] : [{ text }];
  return [...cut(parts, 0, start), ...written, ...cut(parts, end, Infinity)];
}

/** The parts between two places. */
function cut(parts: readonly Part[], from: number, to: number): Part[] {
  const within: Part[] = [];
  let at = 0;
  for (const part of parts) {
    const length = lengthOf(part);
    const first = Math.max(0, from - at);
    const last = Math.min(length, to - at);
    if (first < last) {
      within.push(
        'text' in part ? { text: part.text.slice(first, last) } : { start: part.start + first, end: part.start + last },
      );
    }
    at += length;
  }
  return within;
}

/** What is gone of the text before, and what stands in its place. */
function gaps(parts: readonly Part[], length: number): Edit[] {
  const edits: Edit[] = [];
  let at = 0;
  let text = '';
  for (const part of [...parts, { start: length, end: length }]) {
    if ('text' in part) {
      text += part.text;
      continue;
    }
    if (part.start > at || text !== '') edits.push({ start: at, end: part.start, text });
    at = part.end;
    text = '';
  }
  return edits;
}
