/**
 * A slide that is no picture, among the items of a gallery: words, or a video that plays in its place. It is an
 * element like its neighbours', with the class of theirs; what is in it is plain markup for its author to go on with.
 */
import { type Edit, type Edited, firstOf, refuse } from '../site/index.ts';
import type { Attribute, PageDocument, PageElement } from './document.ts';
import { separatorOf } from './addItems.ts';
import { encodeAttribute, encodeMarkup } from './encode.ts';
import type { Gallery, GalleryItem } from './galleries.ts';
import { addresses, fenced, holds } from './items.ts';
import { verified } from './verify.ts';

export type Slide =
  /** Paragraphs are divided by empty lines. */
  | { is: 'words'; title: string; text: string }
  /** References as they shall stand in the page; sizes in image px. */
  | {
      is: 'video';
      src: string;
      poster: string | null;
      width?: number;
      height?: number;
      title: string;
      caption: string;
    };

/** Elements that are the picture or its link themselves: nothing else can stand in one like them. */
const HOLDS_NOTHING_ELSE = new Set(['a', 'img', 'picture', 'video', 'button']);

/** Elements in which headings and paragraphs may stand (HTML 3.2.5.2.2, flow content). */
const HOLDS_PARAGRAPHS = new Set(
  'article aside blockquote body center dd details div fieldset figure footer form header li main nav section td'.split(
    ' ',
  ),
);

/** What makes the neighbours look as they do; all else that is written on them is about their own picture. */
const OF_THE_LOOK = new Set(['class', 'style', 'role', 'align', 'valign', 'width', 'bgcolor']);

/** A style that draws a picture draws the neighbour's own. */
const isOfTheLook = ({ name, value }: Attribute): boolean => OF_THE_LOOK.has(name) && !/\burl\(/i.test(value);

/** Writes a slide so that it comes to place `at` among the items, or behind the last one. */
export function addSlide(page: PageDocument, gallery: Gallery, slide: Slide, at = gallery.items.length): Edited {
  const reason = fenced(page, gallery) ?? reasonAgainst(gallery);
  if (reason !== null) return refuse(reason);
  const { items } = gallery;
  const neighbour = items[Math.min(at, items.length) - 1] ?? firstOf(items);
  const tag = tagFor(firstOf(neighbour.elements), gallery.container, slide);
  if (tag === null)
    return refuse(`A heading and paragraphs cannot stand in a <${gallery.container.tag}>. Add the text in the source.`);
  const separator = separatorOf(page, gallery);
  const text = written(page, neighbour, { slide, tag, separator });
  const edit: Edit =
    at > 0
      ? { start: neighbour.range.end, end: neighbour.range.end, text: separator + text }
      : { start: neighbour.unit.start, end: neighbour.unit.start, text: text + separator };
  const before = addresses(gallery);
  const held = gallery.container.children.length;
  return verified(page, [edit], (after) => {
    const container = after.elements[gallery.container.index];
    if (container?.tag !== gallery.container.tag || container.children.length !== held + 1)
      return 'the slide would not stand among the items';
    return holds(after, before);
  });
}

function reasonAgainst({ container, items }: Gallery): string | null {
  const isAlone = ({ elements, partner, elsewhere }: GalleryItem): boolean =>
    elements.length === 1 && elements[0]?.parent === container && partner === null && elsewhere.length === 0;
  return items.every(isAlone)
    ? null
    : 'A video or text cannot be added here: an item is more than one element, or the items stand in rows. Add it in the source.';
}

/** The neighbour's, else what may stand beside it and hold the slide; null where nothing may. */
function tagFor(neighbour: PageElement, container: PageElement, { is }: Slide): string | null {
  const holds = is === 'video' ? !HOLDS_NOTHING_ELSE.has(neighbour.tag) : HOLDS_PARAGRAPHS.has(neighbour.tag);
  if (holds) return neighbour.tag;
  if (HOLDS_PARAGRAPHS.has(container.tag)) return 'div';
  return is === 'video' ? 'span' : null;
}

interface Writing {
  slide: Slide;
  /** In small letters. */
  tag: string;
  separator: string;
}

function written(page: PageDocument, neighbour: GalleryItem, { slide, tag: name, separator }: Writing): string {
  const element = firstOf(neighbour.elements);
  const tag = cased(page, element, name);
  const isAlone = HOLDS_NOTHING_ELSE.has(element.tag);
  const attributes = isAlone ? [] : element.attributes.filter(isOfTheLook);
  const own = attributes.map(({ range }: Attribute) => ` ${page.text.slice(range.start, range.end)}`).join('');
  const inner = innerSeparator(page, element);
  const lines = contentOf(page, neighbour, slide, name).map((line) => named(page, element, line));
  const end = inner === '' ? '' : separator.replace(/^[^\r\n]*(?=[\r\n])/, '');
  return `<${tag}${own}>${lines.map((line) => inner + line).join('')}${end}</${tag}>`;
}

/** The line break and the indentation before what the neighbour holds; nothing where it stands in one line. */
function innerSeparator(page: PageDocument, { open, children }: PageElement): string {
  const first = children[0]?.range;
  const between = open && first ? page.text.slice(open.end, first.start) : '';
  return /^\s*[\r\n]\s*$/.test(between) ? between : '';
}

const isInCapitals = (page: PageDocument, { tag, open }: PageElement): boolean =>
  open !== null && page.text.slice(open.start + 1, open.start + 1 + tag.length) === tag.toUpperCase();

const cased = (page: PageDocument, like: PageElement, tag: string): string =>
  isInCapitals(page, like) ? tag.toUpperCase() : tag;

/** Names of tags as the neighbour's are written, in capitals or not. */
const named = (page: PageDocument, like: PageElement, line: string): string =>
  isInCapitals(page, like) ? line.replace(/<\/?[a-z]\w*/g, (tag) => tag.toUpperCase()) : line;

function contentOf(page: PageDocument, neighbour: GalleryItem, slide: Slide, holder: string): string[] {
  if (slide.is === 'words') {
    const level = headingBefore(page, neighbour.range.start);
    const heading = slide.title.trim() === '' ? [] : [`<h${level}>${encodeMarkup(slide.title.trim())}</h${level}>`];
    const parts = slide.text.split(/(?:\r?\n[ \t]*){2,}/).map((part) => part.trim().replace(/\s*\r?\n\s*/g, ' '));
    return [...heading, ...parts.filter((part) => part !== '').map((part) => `<p>${encodeMarkup(part)}</p>`)];
  }
  const value = (name: string, said: string | number | null | undefined): string =>
    said === null || said === undefined || said === '' ? '' : ` ${name}="${encodeAttribute(String(said), '"')}"`;
  const isXml = /<!DOCTYPE[^>]+XHTML/i.test(page.text);
  const video = [
    value('src', slide.src),
    value('poster', slide.poster),
    value('width', slide.width),
    value('height', slide.height),
    value('aria-label', slide.title),
    isXml ? ' controls="controls"' : ' controls',
    ' preload="none"',
  ].join('');
  const words = encodeMarkup(slide.caption.trim());
  const tag = captionTag(holder);
  return [`<video${video}></video>`, ...(words === '' ? [] : [`<${tag}>${words}</${tag}>`])];
}

function captionTag(holder: string): string {
  if (holder === 'figure') return 'figcaption';
  return HOLDS_PARAGRAPHS.has(holder) ? 'p' : 'span';
}

/** One below the last heading above, so that the order of headings keeps its steps (HTML, 4.3.11). */
function headingBefore(page: PageDocument, place: number): number {
  const above = page.elements.filter(({ tag, range }) => /^h[1-6]$/.test(tag) && range !== null && range.end <= place);
  return Math.min(6, Number(above.at(-1)?.tag.slice(1) ?? 1) + 1);
}
