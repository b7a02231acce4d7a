/** Groups of pictures on a page of words: those that the program has written, and galleries that somebody typed. */
import {
  descendants,
  type Gallery,
  galleryOf,
  type PageDocument,
  type PageElement,
  showsPicture,
  valueOf,
} from '../markup/index.ts';
import type { PageReading } from '../model/index.ts';
import { type Shown, shownBy } from './presentation.ts';

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

/** In the order in which they stand. */
export function groupsOf({ document, galleries }: Pick<PageReading, 'document' | 'galleries'>): Group[] {
  const own = ownGroups(document);
  const taken = new Set(own.map(({ gallery: { container } }) => container));
  const others = galleries
    .filter(({ container, items }) => !taken.has(container) && !items.every((one) => isIn(taken, one.elements[0])))
    .map((gallery): Group => ({ gallery, shown: null }));
  return [...own, ...others].sort((a, b) => startOf(a) - startOf(b));
}

const startOf = ({ gallery: { items } }: Group): number => items[0]?.unit.start ?? 0;

/** Groups of one picture side by side look like the items of a gallery. */
function isIn(containers: ReadonlySet<PageElement>, element: PageElement | undefined): boolean {
  for (let at = element ?? null; at; at = at.parent) if (containers.has(at)) return true;
  return false;
}

/** The container; where items are a part of more than the group, from the first to the last. */
export function rangeOf({ gallery: { container, items }, shown }: Group): { start: number; end: number } {
  const span = { start: items[0]?.unit.start ?? 0, end: items.at(-1)?.unit.end ?? 0 };
  const isAlone = shown !== null || container.children.length === items.length;
  return isAlone && container.range && container.tag !== 'body' ? container.range : span;
}
