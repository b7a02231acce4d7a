/** Whole pages: a clean skeleton, a first gallery, and what a head or a body's end takes in. */
import type { Edit, Edited } from '../site/index.ts';
import { attributeOf, valueOf, type PageDocument, type PageElement } from './document.ts';
import { encodeAttribute, encodeMarkup } from './encode.ts';
import type { NewItem } from './write.ts';
import { verified } from './verify.ts';

/** A page with nothing in it that its author would have to take out again. */
export function skeletonPage(title: string, stylesheet: string | null): string {
  const link = stylesheet === null ? '' : `  <link rel="stylesheet" href="${encodeAttribute(stylesheet, '"')}">\n`;
  return `<!DOCTYPE html>
<html lang="en">
<head>
  <meta charset="utf-8">
  <meta name="viewport" content="width=device-width, initial-scale=1">
  <title>${encodeMarkup(title)}</title>
${link}</head>
<body>
  <main>
    <h1>${encodeMarkup(title)}</h1>
  </main>
</body>
</html>
`;
}

/** The stylesheet that a first gallery on a new page is laid out with; plain, short and the author's from then on. */
export const SKELETON_STYLE = `/* The page */
body {
  margin: 0 auto;
  padding: 1rem;
  max-width: 46.875rem; /* 750 px */
  font-family: system-ui, sans-serif;
  line-height: 1.5;
}

/* The gallery: as many columns as fit, each at least as wide as a thumbnail */
.pictures {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
  gap: 1.25rem;
}

.pictures figure {
  margin: 0;
}

.pictures img {
  display: block;
  max-width: 100%;
  height: auto;
}

.pictures figcaption {
  padding-top: 0.25rem;
  font-size: 0.875rem;
}
`;

/** The default pattern: a figure with a link, an image that holds its room, and a caption. */
function figure(item: NewItem, indent: string): string {
  const size = item.width && item.height ? ` width="${item.width}" height="${item.height}"` : '';
  const caption = item.caption === '' ? '' : `\n${indent}  <figcaption>${encodeMarkup(item.caption)}</figcaption>`;
  const alt = item.alt === null ? '' : ` alt="${encodeAttribute(item.alt, '"')}"`;
  return `${indent}<figure>
${indent}  <a href="${encodeAttribute(item.href, '"')}"><img src="${encodeAttribute(item.src, '"')}"${size}${alt} loading="lazy"></a>${caption}
${indent}</figure>`;
}

/** A first gallery on a page that has none: at the end of `main` or, without one, of the body. */
export function firstGallery(page: PageDocument, items: readonly NewItem[]): Edited {
  const home =
    page.elements.find((element) => element.tag === 'main' && element.close) ??
    page.elements.find((element) => element.tag === 'body' && element.close);
  if (!home?.close)
    return {
      ok: false,
      reason: 'The page has no </main> and no </body> to write the gallery before. Close the body first.',
    };
  const at = home.close.start;
  const lineStart = page.text.lastIndexOf('\n', at - 1) + 1;
  const before = page.text.slice(lineStart, at);
  const alone = before.trim() === '';
  const base = alone ? before : '';
  const inner = `${base}  `;
  const newline = newlineOf(page);
  const markup = [
    `${inner}<div class="pictures">`,
    ...items.map((item) => figure(item, `${inner}  `)),
    `${inner}</div>`,
    '',
  ]
    .join('\n')
    .replaceAll('\n', newline);
  const edit: Edit = alone
    ? { start: lineStart, end: lineStart, text: markup }
    : { start: at, end: at, text: newline + markup };
  return verified(page, [edit], (after) => {
    const pictures =
      after.elements.filter((element) => element.tag === 'img').length -
      page.elements.filter((element) => element.tag === 'img').length;
    return pictures === items.length ? null : 'the page would hold other pictures than meant';
  });
}

/** Indentation of the line on which an element starts. */
export function indentOf(page: PageDocument, element: PageElement | undefined): string {
  const start = element?.range?.start ?? 0;
  const lineStart = page.text.lastIndexOf('\n', start - 1) + 1;
  return /^[ \t]*/.exec(page.text.slice(lineStart, start))?.[0] ?? '';
}

export const stylesheetTag = (href: string): string => `<link rel="stylesheet" href="${encodeAttribute(href, '"')}">`;
/** `attributes` with a space before each. */
export const scriptTag = (src: string, attributes = ''): string =>
  `<script src="${encodeAttribute(src, '"')}"${attributes}></script>`;

/** `<link rel="stylesheet">` behind the last one in the head, as its neighbours are indented. */
export function insertStylesheet(page: PageDocument, href: string): Edit | null {
  return insertInHead(
    page,
    stylesheetTag(href),
    (element) => element.tag === 'link' && (valueOf(element, 'rel') ?? '').toLowerCase().includes('stylesheet'),
  );
}

/**
 * On a line of its own behind the last neighbour of its kind, else at the end of the head, whose tags nobody has to
 * write (HTML, “Optional tags”). Null for a piece of a page, which has no head.
 */
export function insertInHead(
  page: PageDocument,
  markup: string,
  neighbour: (element: PageElement) => boolean,
): Edit | null {
  const head = page.elements.find((element) => element.tag === 'head');
  const inside = head?.children.filter((element) => element.range) ?? [];
  const last = inside.filter(neighbour).at(-1) ?? inside.at(-1);
  const newline = newlineOf(page);
  const at = last?.range?.end ?? head?.open?.end ?? beginOf(page);
  return at === null ? null : { start: at, end: at, text: newline + (last ? indentOf(page, last) : '  ') + markup };
}

/** Behind the tag of the whole page, or behind the doctype. */
function beginOf({ elements, text }: PageDocument): number | null {
  const html = elements.find(({ tag }) => tag === 'html');
  if (html?.open) return html.open.end;
  return /^(?:\s|<!--[^]*?-->)*<!doctype[^>]*>/i.exec(text)?.[0].length ?? null;
}

/** A classic script with `defer` in the head: it keeps its order and finds the whole page. */
export function insertScript(
  page: PageDocument,
  src: string,
  before: PageElement | null,
  attributes = '',
): Edit | null {
  if (!before?.range)
    return insertInHead(page, scriptTag(src, ` defer${attributes}`), (element) => element.tag === 'script');
  return insertBeside(page, before, scriptTag(src, (isDeferred(before) ? ' defer' : '') + attributes), 'before');
}

/** Markup on a line of its own next to an element; on its line, where other things stand there too. */
export function insertBeside(
  page: PageDocument,
  neighbour: PageElement,
  markup: string,
  side: 'before' | 'after',
): Edit {
  const newline = newlineOf(page);
  const { start, end } = neighbour.range ?? { start: 0, end: 0 };
  const line = newline + indentOf(page, neighbour);
  const isFirst = /(?:^|\n)[ \t]*$/.test(page.text.slice(Math.max(0, start - 200), start));
  const isLast = /^[ \t]*(?:\r?\n|$|<\/(?:head|body)\b)/i.test(page.text.slice(end, end + 200));
  return side === 'before'
    ? { start, end: start, text: markup + (isFirst ? line : '') }
    : { start: end, end, text: (isLast ? line : '') + markup };
}

/** Markup as the last thing in the body. */
export function insertAtEnd(page: PageDocument, markup: string): Edit {
  const newline = newlineOf(page);
  const body = page.elements.find((element) => element.tag === 'body');
  const last = body?.children
    .filter((element) => element.range && (!body.close || element.range.end <= body.close.start))
    .at(-1);
  const indent = last ? indentOf(page, last) : '';
  const end =
    body?.close?.start ?? page.elements.find((element) => element.tag === 'html')?.close?.start ?? page.text.length;
  const lineStart = page.text.lastIndexOf('\n', end - 1) + 1;
  const alone = page.text.slice(lineStart, end).trim() === '';
  return alone
    ? { start: lineStart, end: lineStart, text: indent + markup + newline }
    : { start: end, end, text: newline + indent + markup + newline };
}

export const newlineOf = ({ text }: PageDocument): string => (text.includes('\r\n') ? '\r\n' : '\n');

export const isDeferred = (script: PageElement): boolean =>
  attributeOf(script, 'defer') !== undefined || valueOf(script, 'type') === 'module';

/** The page's heading or title, for lists; null where it has neither. */
export function titleOf(page: PageDocument): string | null {
  const element = page.elements.find((one) => one.tag === 'title');
  const text = element?.texts
    .map((one) => one.value)
    .join('')
    .trim();
  return text ? text : null;
}

/** As its root says it (BCP 47); null where it says none. */
export function languageOf({ elements }: Pick<PageDocument, 'elements'>): string | null {
  const html = elements.find(({ tag }) => tag === 'html');
  return (html && valueOf(html, 'lang')?.trim()) || null;
}
