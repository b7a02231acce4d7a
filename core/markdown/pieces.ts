/** The blocks of a Markdown text, and where each stands in the HTML that comes of it. */
import type { Node } from 'commonmark';
import { rendered, treeOf, withLf, withoutMark } from './html.ts';

export interface Piece {
  /** In the Markdown, whole lines, without the last line break. */
  start: number;
  end: number;
  /** In the lines of the HTML, with the line break behind it. */
  from: number;
  to: number;
  /** It is HTML: both say the same, letter by letter. */
  isHtml: boolean;
}

/** Blocks at the top alone; definitions of links come to nothing. `as` is how a page writes their HTML. */
export function piecesOf(markdown: string, as: (html: string) => string = asItIs): Piece[] {
  const text = withoutMark(markdown);
  const begin = markdown.length - text.length;
  const lines = linesOf(text);
  const pieces: Piece[] = [];
  let at = 0;
  for (const node of blocksOf(treeOf(text))) {
    const [[first], [last]] = node.sourcepos;
    const [start, end] = [lines[first - 1]?.start ?? 0, lines[last - 1]?.end ?? text.length];
    const html = as(withLf(rendered(node)));
    const isHtml = html === `${withLf(text.slice(start, end))}\n`;
    pieces.push({ start: start + begin, end: end + begin, from: at, to: at + html.length, isHtml });
    at += html.length;
  }
  return pieces;
}

const asItIs = (html: string): string => html;

function blocksOf(tree: Node): Node[] {
  const blocks: Node[] = [];
  for (let one = tree.firstChild; one; one = one.next) blocks.push(one);
  return blocks;
}

/** Without their line breaks, of any of the three kinds. */
function linesOf(text: string): { start: number; end: number }[] {
  const lines: { start: number; end: number }[] = [];
  let start = 0;
  for (const { index, 0: found } of text.matchAll(/\r\n?|\n/g)) {
    lines.push({ start, end: index });
    start = index + found.length;
  }
  return [...lines, { start, end: text.length }];
}

/** Where a place of the Markdown is in its HTML: to the letter in HTML, else at the end of the block before it. */
export function toHtml(pieces: readonly Piece[], markdown: string, offset: number): number {
  const piece = pieces.findLast(({ start }) => start <= offset);
  if (!piece) return 0;
  if (offset > piece.end) return piece.to;
  if (!piece.isHtml) return Math.max(piece.from, piece.to - 1);
  return piece.from + withLf(markdown.slice(piece.start, offset)).length;
}

/** And back. */
export function toMarkdown(pieces: readonly Piece[], markdown: string, offset: number): number {
  const piece = pieces.findLast(({ from }) => from <= offset);
  if (!piece) return 0;
  if (!piece.isHtml || offset >= piece.to - 1) return piece.end;
  // Each line break before it may be two characters there.
  let at = piece.start;
  for (let left = offset - piece.from; left > 0; left--) at += markdown.startsWith('\r\n', at) ? 2 : 1;
  return at;
}
