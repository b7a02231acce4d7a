/** A page written in the test itself, its galleries, and what edits make of it. */
import { applyEdits, type Edited, invertEdits, known } from '../site/index.ts';
import { parsePage, type PageDocument, type PageElement } from './document.ts';
import { galleriesOf, type Gallery, type GalleryItem } from './galleries.ts';

/** The text after the edits, or why there are none. */
export function textAfter(page: PageDocument, edited: Edited): string {
  if (!edited.ok) return edited.reason;
  const applied = applyEdits(page.text, edited.edits);
  return applied.ok ? applied.text : applied.reason;
}

export const galleryIn = (page: PageDocument, n = 0): Gallery => known(galleriesOf(page)[n], 'gallery of the test');

/** Does something with the first gallery of a page; the text that comes of it, or why it is refused. */
export function onGallery(html: string, work: (page: PageDocument, gallery: Gallery) => Edited): string {
  const page = parsePage(html);
  return textAfter(page, work(page, galleryIn(page)));
}

/** The same where it must be done, and can be taken back to the letter. */
export function doneOn(html: string, work: (page: PageDocument, gallery: Gallery) => Edited): string {
  const page = parsePage(html);
  const edited = work(page, galleryIn(page));
  if (!edited.ok) throw new Error(edited.reason);
  const made = textAfter(page, edited);
  const back = applyEdits(made, invertEdits(html, edited.edits));
  if (!back.ok || back.text !== html) throw new Error('What was done cannot be taken back.');
  return made;
}

/** The same with one of its items. */
export const onItem = (html: string, n: number, work: (page: PageDocument, item: GalleryItem) => Edited): string =>
  onGallery(html, (page, { items }) => work(page, known(items[n], 'item of the test')));

/** The first element of a tag. */
export const the = (page: PageDocument, tag: string): PageElement =>
  known(
    page.elements.find((element) => element.tag === tag),
    `<${tag}> in the test`,
  );

/** `<ul>` with an item in each line, in a body. */
export const listOf = (items: readonly string[], eol = '\n'): string =>
  `<body>${eol}<ul>${eol}${items.map((item) => `  <li>${item}</li>${eol}`).join('')}</ul>${eol}</body>${eol}`;

export const shot = (name: string, more = ''): string =>
  `<a href="${name}.jpg"><img src="t/${name}.jpg" alt="${name}"${more}></a>`;
