/**
 * Pictures put where somebody points: in a gallery they become items of it, written as its others are; elsewhere a link
 * with a thumbnail each.
 */
import {
  addItems,
  ancestors,
  elementAt,
  elementBy,
  encodeAttribute,
  type Gallery,
  newlineOf,
  type NewItem,
  type PageDocument,
  type PageElement,
  verified,
} from '../markup/index.ts';
import type { PageReading, SiteReading } from '../model/index.ts';
import { countOf, type Edited, nameOf, planEdits, type Planned, refuse } from '../site/index.ts';
import type { NewPicture } from './intent.ts';
import { taggedFor } from './tagged.ts';

export type PutPlace =
  /** An offset of the page's source. */
  | { by: 'offset'; offset: number }
  /** An element by its child numbers, and on which side of it. */
  | { by: 'element'; element: readonly number[]; side: 'before' | 'after' };

interface PutWish {
  page: string;
  at: PutPlace;
  pictures: readonly NewPicture[];
}

export function putPictures(
  site: SiteReading,
  { page: path, at, pictures }: PutWish,
  itemFor: (page: string, picture: NewPicture) => NewItem,
): Planned {
  const page = site.pages.find((one) => one.path === path);
  if (!page) return refuse(`There is no page ${path} any more.`);
  const offset = offsetOf(page, at);
  if (offset === null) return refuse(`${path} has changed meanwhile; choose the place again.`);
  const items = pictures.map((picture) => itemFor(path, picture));
  const [only] = pictures;
  const what = pictures.length === 1 && only ? nameOf(only.full) : countOf(pictures.length, 'picture');
  const gallery = galleryAround(page, offset);
  const label = gallery ? `Put ${what} into the gallery of ${path}` : `Put ${what} on ${path}`;
  const edited = gallery
    ? addItems(page.document, gallery, taggedFor(site, gallery, items, pictures), itemPlace(gallery, offset))
    : written(page.document, items, offset);
  return planEdits(label, path, edited);
}

function offsetOf({ document, galleries }: PageReading, at: PutPlace): number | null {
  if (at.by === 'offset') return at.offset <= document.text.length ? at.offset : null;
  const element = elementBy(document, at.element);
  if (!element?.range || element.tag === 'html') return null;
  // Part of an item stands for the item.
  const unit = galleries
    .flatMap(({ items }) => items)
    .map((item) => item.unit)
    .find(({ start, end }) => element.range && element.range.start >= start && element.range.end <= end);
  const { start, end } = unit ?? element.range;
  if (element.tag === 'body') return element.close?.start ?? end;
  return at.side === 'before' ? start : end;
}

/** The innermost one that the place lies in. */
function galleryAround({ galleries }: PageReading, offset: number): Gallery | null {
  const around = galleries.filter(({ container: { open, range }, items: [first], items }) => {
    const last = items.at(-1);
    if (!open || !range || !first || !last) return false;
    // Where items are a part of the page’s body, only from the first to the last.
    const isBody = first.elements[0]?.parent?.tag === 'body';
    const [start, end] = isBody ? [first.unit.start, last.unit.end] : [open.end, range.end];
    return offset >= start && offset <= end;
  });
  const lengthOf = ({ container: { range } }: Gallery) => (range ? range.end - range.start : Infinity);
  return around.sort((a, b) => lengthOf(a) - lengthOf(b))[0] ?? null;
}

/** Behind every item of which at least half stands before the place. */
const itemPlace = ({ items }: Gallery, offset: number): number =>
  items.filter(({ unit: { start, end } }) => (start + end) / 2 < offset).length;

/** Where text is no markup, or no element may stand. */
const NOT_IN = /^(?:script|style|textarea|title|head|select|option|svg|math|iframe|noscript|template|object|a|button)$/;

/** In these no tag counts but their own end (WHATWG HTML §13.2.5, raw text and RCDATA). */
const TEXT_ALONE = /^(?:script|style|textarea|title|iframe|noembed|noframes|xmp)$/;

/** Behind what the place stands in the midst of. */
function written(page: PageDocument, items: readonly NewItem[], wanted: number): Edited {
  const offset = placeFor(page, wanted);
  if (typeof offset === 'string') return refuse(offset);
  const { text } = page;
  const begins = text.lastIndexOf('\n', offset - 1) + 1;
  const line = newlineOf(page) + (/^[ \t]*/.exec(text.slice(begins))?.[0] ?? '');
  const markup = items.map(markupOf).join(line);
  const isAlone = text.slice(begins, offset).trim() === '';
  const edit = { start: offset, end: offset, text: isAlone ? markup + line : line + markup };
  return verified(page, [edit], (after) =>
    after.elements.length === page.elements.length + 2 * items.length
      ? null
      : 'a link with a picture cannot stand there; choose a place between paragraphs, or in one',
  );
}

/** A place in the body where elements may stand, or why there is none. */
export function placeFor(page: PageDocument, wanted: number): number | string {
  const comment = page.comments.find(({ start, end }) => wanted > start && wanted < end);
  const offset = comment?.end ?? wanted;
  const element = elementAt(page, offset);
  const closed = closedAround(element);
  if (closed?.tag === 'head' || closed?.parent?.tag === 'head')
    return 'Nothing can be shown in the head of a page. Choose a place in its body.';
  if (wanted < beginOfBody(page)) return 'Nothing can be shown before the body of a page. Choose a place in its body.';
  const endless = endlessAround(page, closed, wanted);
  if (endless?.open)
    return `A browser takes all that follows line ${page.lines.lineAt(endless.open.start)} as a part of its <${endless.tag}>, which is never closed. Close it first.`;
  return outOfWord(page.text, closed?.range ? closed.range.end : outOfTag(element, offset));
}

/** Without the end tag that alone would end it; a drawing has elements of the same names that end as others do. */
const isEndless = (element: PageElement): boolean =>
  TEXT_ALONE.test(element.tag) &&
  element.close === null &&
  ![...ancestors(element)].some(({ tag }) => tag === 'svg' || tag === 'math');

/** What takes the rest of the page into itself, where that is no markup or a link. */
const endlessAround = ({ elements }: PageDocument, closed: PageElement | null, wanted: number): PageElement | null =>
  elements.find((one) => isEndless(one) && one.open && one.open.end <= wanted) ??
  (closed && isOpen(closed) ? closed : null);

/** Somebody has forgotten its end, or written `<a/>`, which is a start tag in HTML. */
const isOpen = ({ tag, open, close, range }: PageElement): boolean =>
  tag !== 'option' && close === null && open !== null && range !== null && range.end > open.end;

/** Where a page without the tag of its body has the end of its head, or of what it begins with. */
function beginOfBody({ elements, text }: PageDocument): number {
  const of = (tag: string) => elements.find((one) => one.tag === tag);
  const body = of('body')?.open?.end;
  if (body !== undefined) return body;
  const doctype = /^\s*<!doctype[^>]*>/i.exec(text)?.[0].length ?? 0;
  return Math.max(of('head')?.range?.end ?? 0, of('html')?.open?.end ?? 0, doctype);
}

/** Behind a word, or a reference to a letter, that the place would part. */
function outOfWord(text: string, offset: number): number {
  const parts = (at: number) => /[^\s>]/.test(text[at - 1] ?? ' ') && /[^\s<]/.test(text[at] ?? ' ');
  let at = offset;
  while (parts(at)) at++;
  return at;
}

/** The outermost element around that nothing may stand in. */
function closedAround(element: PageElement | null): PageElement | null {
  let closed: PageElement | null = null;
  for (let at = element; at; at = at.parent) if (at.range && NOT_IN.test(at.tag)) closed = at;
  return closed;
}

/** Not into a tag: behind the start tag, or behind the whole element. */
function outOfTag(element: PageElement | null, offset: number): number {
  const { range, open, close } = element ?? {};
  if (!range || !open || offset <= range.start || offset >= range.end) return offset;
  if (offset < open.end) return open.end;
  return close && offset > close.start ? range.end : offset;
}

function markupOf({ href, src, alt, width, height }: NewItem): string {
  const quoted = (name: string, value: string) => ` ${name}="${encodeAttribute(value, '"')}"`;
  const size = width && height ? quoted('width', String(width)) + quoted('height', String(height)) : '';
  return `<a${quoted('href', href)}><img${quoted('src', src)}${size}${alt === null ? '' : quoted('alt', alt)}></a>`;
}
