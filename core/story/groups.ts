/** Groups of pictures on a page of words: those that the program has written, and galleries that somebody typed. */
import {
  descendants,
  type Gallery,
  type GalleryItem,
  galleryOf,
  type PageDocument,
  type PageElement,
  showsPicture,
  valueOf,
} from '../markup/index.ts';
import type { PageReading } from '../model/index.ts';
import { CAPTION, pictureBlocks } from './blocks.ts';
import { type Shown, shownBy } from './presentation.ts';
import { holdsJust } from './holder.ts';

export interface Group {
  gallery: Gallery;
  /** Null where its class says nothing: it is shown as its author has it. */
  shown: Shown | null;
}

const isOne = (element: PageElement): boolean =>
  [element, ...descendants(element)].filter((one) => one.tag === 'img' || showsPicture(one)).length === 1;

/** A container of the program's own class whose children each hold one picture. */
function ownGroups(document: PageDocument): Group[] {
  return document.elements.flatMap((container): Group[] => {
    const shown = shownBy(valueOf(container, 'class') ?? '');
    const { children, open, close } = container;
    if (!shown || !open || !close || children.length === 0 || !children.every((one) => one.range && isOne(one)))
      return [];
    return [{ gallery: galleryOf(document, container, children), shown }];
  });
}

/** More characters than a caption's beginning; our own value, no source. */
const PARTING = 40;

const known = new WeakMap<PageDocument, readonly Group[]>();

/** In the order in which they stand. */
export function groupsOf({ document, galleries }: Pick<PageReading, 'document' | 'galleries'>): readonly Group[] {
  const before = known.get(document) ?? groupsIn(document, galleries);
  known.set(document, before);
  return before;
}

function groupsIn(document: PageDocument, galleries: readonly Gallery[]): Group[] {
  const own = ownGroups(document);
  const taken = new Set(own.map(({ gallery: { container } }) => container));
  const typed = galleries
    .filter(({ container }) => !taken.has(container))
    .flatMap((gallery) => parts(document, without(gallery, taken)))
    .filter((gallery) => gallery.items.length > 0 && !standsInWords(document, gallery));
  for (const { items } of galleries) for (const { elements } of items) for (const one of elements) taken.add(one);
  const blocks = pictureBlocks(document, (element) => isIn(taken, element));
  const others = [...typed, ...blocks].map((gallery): Group => ({ gallery, shown: null }));
  return [...own, ...others].sort((a, b) => startOf(a) - startOf(b));
}

/** What is in a group already is no item of another. */
const without = (gallery: Gallery, taken: ReadonlySet<PageElement>): Gallery => ({
  ...gallery,
  items: gallery.items.filter(({ image, elements }) => !isIn(taken, image ?? elements[0])),
});

/** Words between two pictures part a gallery: each part is a group. */
function parts({ text }: PageDocument, gallery: Gallery): Gallery[] {
  const runs: GalleryItem[][] = [];
  let end: number | null = null;
  for (const item of gallery.items) {
    const between =
      end === null
        ? ''
        : text
            .slice(end, item.unit.start)
            .replaceAll(/<[^>]*>/g, '')
            .trim();
    if (end === null || between.length > PARTING) runs.push([]);
    runs.at(-1)?.push(item);
    end = item.unit.end;
  }
  return runs.length < 2
    ? [gallery]
    : runs.map((items) => ({ ...gallery, container: holderOf(gallery, items), items }));
}

/** What holds just these, where all of them stand side by side. */
function holderOf({ container }: Gallery, items: readonly GalleryItem[]): PageElement {
  const parents = new Set(items.flatMap(({ elements }) => elements.map(({ parent }) => parent)));
  const [only, ...more] = parents;
  return only && more.length === 0 ? only : container;
}

/** Pictures within a paragraph, behind its first words or before more than a caption, are a part of it. */
function standsInWords({ text }: PageDocument, { container: { tag, open, close }, items }: Gallery): boolean {
  const [first, last] = [items[0], items.at(-1)];
  if (tag !== 'p' || !open || !first || !last) return false;
  const words = (from: number, to: number) =>
    text
      .slice(from, to)
      .replaceAll(/<[^>]*>/g, '')
      .trim().length;
  return words(open.end, first.unit.start) > 0 || (close !== null && words(last.unit.end, close.start) > CAPTION);
}

const startOf = ({ gallery: { items } }: Group): number => items[0]?.unit.start ?? 0;

/** Groups of one picture side by side look like the items of a gallery. */
function isIn(containers: ReadonlySet<PageElement>, element: PageElement | undefined): boolean {
  for (let at = element ?? null; at; at = at.parent) if (containers.has(at)) return true;
  return false;
}

/** The container; where items are a part of more than the group, from the first to the last. */
export function rangeOf(document: PageDocument, { gallery, shown }: Group): { start: number; end: number } {
  const { container, items } = gallery;
  const span = { start: items[0]?.unit.start ?? 0, end: items.at(-1)?.unit.end ?? 0 };
  const isAlone = shown !== null || holdsJust(document, container, items);
  return isAlone && container.range ? container.range : span;
}
