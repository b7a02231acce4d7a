/**
 * What was changed in the HTML of a Markdown text, carried back into it. Blocks that are HTML are changed in place; a
 * paragraph that was changed becomes HTML in the Markdown, for CommonMark has that; all others stay as they are written.
 */
import { lineEdits } from '../folder/index.ts';
import { type Edit, refuse, type Result, smallestEdit } from '../site/index.ts';
import { pageLines, withLf } from './html.ts';
import { type Piece, piecesOf } from './pieces.ts';

/**
 * `after` is what the lines of {@link pageLines} have become, with `\n` between them; `as` is how the page writes them.
 * `made` is what comes of the Markdown then: the same, but for lines with nothing on them.
 */
export function carried(
  markdown: string,
  after: string,
  as: (html: string) => string = asItIs,
): Result<{ edits: Edit[]; made: string }> {
  const before = as(pageLines(markdown));
  const pieces = piecesOf(markdown, as);
  const newline = markdown.includes('\r\n') ? '\r\n' : '\n';
  const edits: Edit[] = [];
  for (const { touched, at, html } of changesIn(pieces, before, after)) {
    const text = html.replace(/^\n+|\n+$/g, '').replaceAll('\n', newline);
    const [first, last] = [touched[0], touched.at(-1)];
    if (first && last) edits.push(...replaced(markdown, first.start, last.end, text, newline));
    else edits.push(inserted(markdown, pieces[at]?.start ?? null, text, newline));
  }
  const made = as(pageLines(applied(markdown, edits)));
  if (sameLines(made, after)) return { ok: true, edits, made };
  return refuse('Markdown would make something else of it');
}

const asItIs = (html: string): string => html;

/** Lines with nothing on them are no difference. */
export const sameLines = (one: string, other: string): boolean => lined(one) === lined(other);

const lined = (text: string): string =>
  withLf(text)
    .replaceAll(/\n[ \t]*(?=\n)/g, '')
    .trim();

interface Changed {
  /** Blocks that it reaches into; none where it comes between two. */
  touched: Piece[];
  /** The number of the block before which it comes. */
  at: number;
  /** What stands in their place. */
  html: string;
}

/** Changes of lines, brought together where they reach into the same blocks. */
function changesIn(pieces: readonly Piece[], before: string, after: string): Changed[] {
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
    return { touched, at: first, html: applied(before.slice(from, to), inside) };
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

function replaced(markdown: string, start: number, end: number, text: string, newline: string): Edit[] {
  if (text !== '') return smallestEdit(markdown.slice(start, end), text).map((edit) => shifted(edit, start));
  const behind = new RegExp(`^(?:[ \\t]*${newline})*`).exec(markdown.slice(end))?.[0].length ?? 0;
  return [{ start, end: end + behind, text: '' }];
}

const shifted = ({ start, end, text }: Edit, by: number): Edit => ({ start: start + by, end: end + by, text });

/** A block of its own, with blank lines around it. */
function inserted(markdown: string, before: number | null, text: string, newline: string): Edit {
  if (before !== null) return { start: before, end: before, text: text + newline + newline };
  const written = markdown.trimEnd();
  const [end, rest] = [written.length, markdown.slice(written.length)];
  const lead = end === 0 ? '' : newline + newline;
  return { start: end, end: markdown.length, text: lead + text + (rest.includes('\n') ? newline : '') };
}

function applied(text: string, edits: readonly Edit[]): string {
  let now = text;
  for (const { start, end, text: put } of [...edits].reverse()) now = now.slice(0, start) + put + now.slice(end);
  return now;
}
