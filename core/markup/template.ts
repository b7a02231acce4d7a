/**
 * Code that a server runs before a page leaves it: `<?php … ?>`, `<? … ?>`, `<% … %>`. What it writes is not known here;
 * it is fenced off, so that what stands in it is not taken for the page's own markup.
 */
import type { Edit } from '../site/index.ts';

type Range = Pick<Edit, 'start' | 'end'>;

/** An XML declaration and XML's own instructions are none. */
const BLOCK = /<\?(?!xml\b|xml-)[\s\S]*?(?:\?>|$)|<%[\s\S]*?%>/gi;

/** Where it stands, in order. */
export const templateCode = (text: string): Range[] =>
  text.includes('<?') || text.includes('<%')
    ? [...text.matchAll(BLOCK)].map(({ 0: code, index }) => ({ start: index, end: index + code.length }))
    : [];

/** Letters that would begin or end something of a page. */
const STRUCTURAL = /[<>"'&`]/g;
const NOT_SPACE = /\S/g;

/**
 * The text as a parser may read it, letter for letter as long: a block with `<?` is a comment up to its end, as HTML
 * has it up to the first `>` (WHATWG HTML §13.2.5.41, bogus comment); of a block with `<%`, which would be words, nothing
 * stays.
 */
export function withoutTemplates(text: string, blocks: readonly Range[]): string {
  if (blocks.length === 0) return text;
  const pieces: string[] = [];
  let at = 0;
  for (const { start, end } of blocks) {
    const isWords = text[start + 1] === '%';
    const closed = text.startsWith('?>', end - 2) ? end - 2 : end;
    const inside = text.slice(start + 2, closed);
    pieces.push(text.slice(at, start));
    pieces.push(
      isWords
        ? text.slice(start, end).replace(NOT_SPACE, ' ')
        : `<?${inside.replace(STRUCTURAL, ' ')}${text.slice(closed, end)}`,
    );
    at = end;
  }
  pieces.push(text.slice(at));
  return pieces.join('');
}
