/**
 * HTML out of Markdown as CommonMark 0.31 says (https://spec.commonmark.org/0.31.2/), with what HTML is in it. By its
 * reference implementation: another library of ours drops line breaks of HTML behind a definition.
 */
import { HtmlRenderer, type Node, Parser } from 'commonmark';

/** The author's own text: addresses and HTML come out as they are written. */
const OWN = { safe: false } as const;

export const withLf = (text: string): string => text.replaceAll(/\r\n?/g, '\n');

export const treeOf = (markdown: string): Node => new Parser().parse(markdown);

/** Of a whole tree, or of one of its blocks with all that is in it. */
export const rendered = (node: Node): string => new HtmlRenderer(OWN).render(node);

export const htmlOf = (markdown: string): string => rendered(treeOf(markdown));

/** Lines with `\n` at the end of each, the last one too; nothing for a text without words. */
export const pageLines = (markdown: string): string => withLf(htmlOf(withoutMark(markdown)));

/** Without a byte order mark. */
export const withoutMark = (markdown: string): string => markdown.replace(/^\uFEFF/, '');
