/** Places of a Markdown file on the page that has its text, and back; both in characters of the whole file. */
import { type Piece, piecesOf, toHtml, toMarkdown } from '../../markdown/index.ts';
import { newlineOf } from '../../markup/index.ts';
import type { PageReading } from '../reading.ts';
import { rebased } from './rebased.ts';
import { asOn, type PageText } from './texts.ts';

type Document = PageReading['document'];

/** As long as page and file stay as they are. */
const known = new WeakMap<Document, { markdown: string; pieces: Piece[] }>();

function piecesIn({ page, source, markdown }: PageText): readonly Piece[] {
  const before = known.get(page.document);
  if (before?.markdown === markdown) return before.pieces;
  const pieces = piecesOf(markdown, (html) => asOn(page)(rebased(html, source, page.base)));
  known.set(page.document, { markdown, pieces });
  return pieces;
}

/** Line breaks of the page are as long as they are, and one letter in the lines. */
const isCrlf = ({ page }: PageText): boolean => newlineOf(page.document) === '\r\n';

/** Where a place of the file is on the page; only while both say the same. */
export function placeOnPage(text: PageText, offset: number): number {
  const at = toHtml(piecesIn(text), text.markdown, offset);
  const breaks = isCrlf(text) ? text.now.slice(0, at).split('\n').length - 1 : 0;
  return text.region.range.start + at + breaks;
}

/** Where a place of the page is in the file; null outside of its part. */
export function placeInText(text: PageText, offset: number): number | null {
  const { start, end } = text.region.range;
  if (offset < start || offset > end) return null;
  const lines = text.page.text.slice(start, offset).replaceAll('\r\n', '\n');
  return toMarkdown(piecesIn(text), text.markdown, lines.length);
}
