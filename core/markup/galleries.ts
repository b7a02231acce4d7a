/**
 * Galleries as people write them: a run of repeated markup around pictures.
 *
 * Seeds are the pictures themselves. Siblings that reach a seed on the same path of tags are grouped,
 * innermost first; rows of a table or of divs are merged; a flat run (`dt`/`dd`, `a`+`p`) is cut into
 * units where every unit has the same tail. What only looks repeated (icons of a menu, pictures in prose) is left out.
 */
import { isPicturePath } from '../site/index.ts';
import { ancestors, descendants, textOf, valueOf, type PageDocument, type PageElement, type Range } from './document.ts';

export interface GalleryItem {
  /** From the item's first tag to its last. */
  range: Range;
  /** The same with the comments that stand before it and belong to it. */
  unit: Range;
  /** The elements of the item: one, or several in a flat run. */
  elements: PageElement[];
  image: PageElement | null;
  link: PageElement | null;
  caption: PageElement | null;
}

export interface Gallery {
  /** The element that holds the items (of merged rows, what holds the rows). */
  container: PageElement;
  items: GalleryItem[];
}

type Unit = PageElement[];
/** The seeds below each element that has any. */
type Bearing = Map<PageElement, PageElement[]>;

interface Group {
  container: PageElement;
  units: Unit[];
}

/** Tags that stand for one thing: two pictures inside are one item (before and after), not two. */
const ITEM_TAGS = new Set(['li', 'figure', 'article', 'dd']);
/** More text than this around a picture is prose that it illustrates. Characters. */
const PROSE_LENGTH = 240;

export function galleriesOf(page: PageDocument): Gallery[] {
  const seeds = page.elements.filter(isSeed);
  const bearing: Bearing = new Map();
  for (const seed of seeds) {
    for (const element of [seed, ...ancestors(seed)]) {
      const list = bearing.get(element);
      if (list) list.push(seed);
      else bearing.set(element, [seed]);
    }
  }

  const claimed = new Set<PageElement>();
  const groups: Group[] = [];
  // Innermost first: children come after their parents in document order.
  for (const parent of [...page.elements].reverse()) {
    if (!bearing.has(parent) || isItemAmongEquals(parent, bearing)) continue;
    const children = parent.children.filter((child) => bearing.get(child)?.some((seed) => !claimed.has(seed)));
    for (const alike of groupBySignature(children, bearing)) {
      if (alike.length < 2) continue;
      const units = unitsOf(parent, alike, bearing);
      if (!isGallery(units, bearing)) continue;
      groups.push({ container: parent, units });
      for (const unit of units) for (const element of unit) bearing.get(element)?.forEach((seed) => claimed.add(seed));
    }
  }
  const galleries = mergeRows(groups, bearing, claimed).concat(lonely(seeds, claimed));
  return galleries
    .map(({ container, units }) => ({ container, items: itemsOf(page, units) }))
    .filter((gallery) => gallery.items.length > 0)
    .sort((a, b) => (a.items[0]?.range.start ?? 0) - (b.items[0]?.range.start ?? 0));
}

function isSeed(element: PageElement): boolean {
  if (element.tag === 'img') return true;
  if (element.tag !== 'a' || !isPicturePath(valueOf(element, 'href') ?? '')) return false;
  return ![...descendants(element)].some((inner) => inner.tag === 'img');
}

function signature(child: PageElement, bearing: Bearing): string {
  const path = [child.tag];
  let at = child;
  for (;;) {
    const next = at.children.find((inner) => bearing.has(inner));
    if (!next) return path.join('>');
    at = next;
    // A `picture` is a wrapper that some items have and some have not.
    if (at.tag !== 'picture') path.push(at.tag);
  }
}

function groupBySignature(children: PageElement[], bearing: Bearing): PageElement[][] {
  const groups = new Map<string, PageElement[]>();
  for (const child of children) {
    const path = signature(child, bearing);
    // An image that has lost its link is still one of its neighbours, and so is one that has gained one.
    const key = path.replace(/^a>/, '').replace('>a>', '>');
    groups.set(key, [...(groups.get(key) ?? []), child]);
  }
  return [...groups.values()];
}

/** `<li>` with two pictures beside other such `<li>`: the list item is the unit. */
function isItemAmongEquals(element: PageElement, bearing: Bearing): boolean {
  if (!ITEM_TAGS.has(element.tag) || !element.parent) return false;
  const key = signature(element, bearing);
  return element.parent.children.filter((sibling) => sibling.tag === element.tag && bearing.has(sibling) && signature(sibling, bearing) === key).length > 1;
}

/** In a flat run the elements between two seeds belong to the first, if each unit has the same ones. */
function unitsOf(parent: PageElement, heads: PageElement[], bearing: Bearing): Unit[] {
  const tails = heads.map((head, n) => {
    const from = parent.children.indexOf(head) + 1;
    const next = heads[n + 1];
    const to = next ? parent.children.indexOf(next) : from + 1;
    return parent.children.slice(from, n === heads.length - 1 ? undefined : to);
  });
  const first = tails[0] ?? [];
  if (first.length === 0 || first.some((element) => element.tag === 'br' || bearing.has(element))) return heads.map((head) => [head]);
  const shape = first.map((element) => element.tag).join();
  const cut = tails.map((tail) => tail.slice(0, first.length));
  if (cut.some((tail) => tail.map((element) => element.tag).join() !== shape)) return heads.map((head) => [head]);
  if (tails.slice(0, -1).some((tail) => tail.length !== first.length)) return heads.map((head) => [head]);
  return heads.map((head, n) => [head, ...(cut[n] ?? [])]);
}

function isGallery(units: Unit[], bearing: Bearing): boolean {
  const heads = units.map((unit) => unit[0]).filter((head): head is PageElement => head !== undefined);
  if (heads.some((head) => [head, ...ancestors(head)].some((element) => element.tag === 'nav'))) return false;
  const prose = heads.filter((head) => textOf(head).trim().length > PROSE_LENGTH).length;
  if (prose * 2 > heads.length) return false;
  const sources = heads.map((head) => {
    const seed = bearing.get(head)?.[0];
    return (seed && (valueOf(seed, 'src') ?? valueOf(seed, 'href'))) ?? '';
  });
  // The same bullet or arrow again and again is decoration.
  return new Set(sources).size * 2 > sources.length;
}

/** Groups whose containers are equal siblings (table rows, `div class="row"`) are one gallery. */
function mergeRows(groups: Group[], bearing: Bearing, claimed: Set<PageElement>): Group[] {
  const merged: Group[] = [];
  const rows = new Map<string, Group>();
  for (const group of groups) {
    const { container } = group;
    const parent = container.parent;
    const rowish = parent && (container.tag === 'tr' || parent.children.filter((sibling) => sameKind(sibling, container)).length > 1);
    if (!rowish || ['section', 'article', 'main', 'body'].includes(container.tag)) {
      merged.push(group);
      continue;
    }
    const key = `${parent.index}:${container.tag}:${valueOf(container, 'class') ?? ''}`;
    const row = rows.get(key);
    if (row) row.units = [...group.units, ...row.units];
    else {
      const gathered = { container: parent, units: [...group.units, ...shortRows(group, bearing, claimed)] };
      rows.set(key, gathered);
      merged.push(gathered);
    }
  }
  return merged;
}

/** Equal rows with one picture only, as the last row often has: too little to be a group by itself. */
function shortRows({ container, units }: Group, bearing: Bearing, claimed: Set<PageElement>): Unit[] {
  const wanted = units[0]?.[0] && signature(units[0][0], bearing);
  return (container.parent?.children ?? []).flatMap((row) => {
    if (!sameKind(row, container)) return [];
    const left = row.children.filter((child) => bearing.get(child)?.some((seed) => !claimed.has(seed)));
    const [only] = left;
    if (left.length !== 1 || !only || signature(only, bearing) !== wanted) return [];
    bearing.get(only)?.forEach((seed) => claimed.add(seed));
    return [[only]];
  });
}

const sameKind = (a: PageElement, b: PageElement) => a.tag === b.tag && valueOf(a, 'class') === valueOf(b, 'class');

/** A picture alone whose link opens a picture, or that stands in a figure with a link, is a gallery of one. */
function lonely(seeds: PageElement[], claimed: Set<PageElement>): Group[] {
  const found: Group[] = [];
  for (const seed of seeds) {
    if (claimed.has(seed) || seed.tag !== 'img') continue;
    const around = [...ancestors(seed)];
    const link = around.find((element) => element.tag === 'a');
    if (!link || !isPicturePath(valueOf(link, 'href') ?? '') || around.some((element) => element.tag === 'nav')) continue;
    const item = around.find((element) => ITEM_TAGS.has(element.tag)) ?? (link.parent?.tag === 'p' && link.parent.children.length === 1 ? link.parent : link);
    if (item.parent) found.push({ container: item.parent, units: [[item]] });
  }
  return found;
}

function itemsOf(page: PageDocument, units: Unit[]): GalleryItem[] {
  const items: GalleryItem[] = [];
  for (const unit of units) {
    // What a browser adds by itself has no place in the source.
    const written = unit.flatMap((element) => element.range ?? []);
    const [first] = written;
    const last = written.at(-1);
    if (!first || !last) continue;
    // With the end tag left out, the element reaches to the next one; the white space is no part of the item.
    const range = { start: first.start, end: first.start + page.text.slice(first.start, last.end).trimEnd().length };
    const all = unit.flatMap((element) => [element, ...descendants(element)]);
    const image = all.find((element) => element.tag === 'img') ?? null;
    const links = all.filter((element) => element.tag === 'a');
    const link = (image && [...ancestors(image)].find((element) => element.tag === 'a' && element.range && element.range.start >= range.start)) ?? links[0] ?? null;
    items.push({ range, unit: range, elements: unit, image, link, caption: captionIn(all, image, link) });
  }
  items.sort((a, b) => a.range.start - b.range.start);
  for (const [n, item] of items.entries()) item.unit = { start: leadOf(page, item, items[n - 1]), end: item.range.end };
  return items;
}

function captionIn(all: PageElement[], image: PageElement | null, link: PageElement | null): PageElement | null {
  const figcaption = all.find((element) => element.tag === 'figcaption');
  if (figcaption) return figcaption;
  const outside = all.filter((element) => element !== link && !(image && [...ancestors(image)].includes(element)) && element.tag !== 'img' && element.tag !== 'br' && element.tag !== 'source');
  return outside.find((element) => textOf(element).trim() !== '' || ['p', 'span', 'dd', 'div', 'small', 'em'].includes(element.tag)) ?? null;
}

/** Where the comments begin that stand before an item with no blank line between. */
function leadOf(page: PageDocument, item: GalleryItem, previous: GalleryItem | undefined): number {
  let start = item.range.start;
  const floor = previous?.range.end ?? item.elements[0]?.parent?.open?.end ?? 0;
  for (const comment of [...page.comments].reverse()) {
    if (comment.start < floor || comment.end > start) continue;
    const between = page.text.slice(comment.end, start);
    if (between.trim() !== '' || (between.match(/\n/g)?.length ?? 0) > 1) break;
    // On the line of the item before it, a comment speaks of that one.
    if (previous && !page.text.slice(previous.range.end, comment.start).includes('\n')) break;
    start = comment.start;
  }
  return start;
}
