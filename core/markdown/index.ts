/** Text kept as Markdown beside a page, and the page's part that is made from it. */
export { carried, sameLines } from './carried.ts';
export { htmlOf, pageLines, withLf } from './html.ts';
export { type Piece, piecesOf, toHtml, toMarkdown } from './pieces.ts';
export { titleIn } from './title.ts';
export { beginOf, endOf, SOURCE, type TextRegion, textRegion } from './region.ts';
