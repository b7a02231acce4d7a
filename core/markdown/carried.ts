/**
 * What was changed in the HTML of a Markdown text, carried back into it. Words, texts for pictures, addresses and blocks
 * that are HTML are changed in place; a paragraph with other changes becomes HTML in the Markdown, for CommonMark has
 * that; all others stay as they are written.
 */
import { lineEdits } from '../folder/index.ts';
import { type Edit, refuse, type Result, smallestEdit } from '../site/index.ts';
import { applied, changesIn } from './changed.ts';
import { pageLines, withLf } from './html.ts';
import { withValues } from './inPlace.ts';
import { piecesOf } from './pieces.ts';

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
  const typed = withValues(markdown, changesIn(piecesOf(markdown, as), before, after), before, as);
  const byBlock = blocksWritten(typed, after, as);
  const now = applied(typed, byBlock);
  const made = as(pageLines(now));
  if (!sameLines(made, after)) return refuse('Markdown would make something else of it');
  return { ok: true, edits: typed === markdown ? byBlock : editsOf(markdown, now), made };
}

/** Line by line, the smallest in each. */
const editsOf = (before: string, after: string): Edit[] =>
  lineEdits(before, after).flatMap(({ start, end, text }) =>
    smallestEdit(before.slice(start, end), text).map((edit) => shifted(edit, start)),
  );

/** Blocks whose HTML has changed, as HTML. */
function blocksWritten(markdown: string, after: string, as: (html: string) => string): Edit[] {
  const pieces = piecesOf(markdown, as);
  const newline = markdown.includes('\r\n') ? '\r\n' : '\n';
  return changesIn(pieces, as(pageLines(markdown)), after).flatMap(({ touched, at, html }) => {
    const text = html.replace(/^\n+|\n+$/g, '').replaceAll('\n', newline);
    const [first, last] = [touched[0], touched.at(-1)];
    if (first && last) return replaced(markdown, first.start, last.end, text, newline);
    return [inserted(markdown, pieces[at]?.start ?? null, text, newline)];
  });
}

const asItIs = (html: string): string => html;

/** Lines with nothing on them are no difference. */
export const sameLines = (one: string, other: string): boolean => lined(one) === lined(other);

const lined = (text: string): string =>
  withLf(text)
    .replaceAll(/\n[ \t]*(?=\n)/g, '')
    .trim();

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
