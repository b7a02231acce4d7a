/**
 * Galleries as people write them: a run of repeated markup around pictures.
 *
 * Seeds are the pictures themselves. Siblings that reach a seed on the same path of tags are grouped, innermost first;
 * rows of a table or of divs are merged; runs are parted by headings and cut into units ({@link unitsOf}). What only
 * looks repeated (icons of a menu, pictures in prose) is left out ({@link isGallery}).
 */
import { firstNot, firstOf, grouped, known } from '../site/index.ts';
import { ITEM_TAGS, itemAlone } from './alone.ts';
import {
  ancestors,
  closest,
  someInside,
  textOf,
  valueOf,
  type PageDocument,
  type PageElement,
  type Range,
  placeOf,
} from './document.ts';
import { withElsewhere } from './elsewhere.ts';
import { type Bearing, isGallery, opensPicture, tellsMore } from './isGallery.ts';
import { captionIn, partsIn, type ItemParts } from './parts.ts';
import { partnersOf } from './partners.ts';
import { isProse } from './prose.ts';
import { matches } from './selectors.ts';
import { leadsToPicture, showsPicture } from './shown.ts';
import { splitAtHeadings, unitLike, unitsOf, type Unit } from './units.ts';

export interface GalleryItem extends ItemParts {
  /** From the item's first tag or word to its last. */
  range: Range;
  /** The same with the comments that stand before it and belong to it. */
  unit: Range;
  /** The elements of the item: one, or several in a flat run. */
  elements: PageElement[];
  /** The cell below with its caption, where captions stand in rows of their own. */
  partner: PageElement | null;
  /** What it has elsewhere on the page, told by an id: a choice, what a click lets appear. */
  elsewhere: readonly PageElement[];
}

export interface Gallery {
  /** The element that holds the items (of merged rows, what holds the rows). */
  container: PageElement;
  items: GalleryItem[];
}

interface Group {
  container: PageElement;
  units: Unit[];
}

export function galleriesOf(page: PageDocument): Gallery[] {
  const seeds = page.elements.filter(isSeed);
  const bearing = new Map<PageElement, PageElement[]>();
  for (const seed of seeds) {
    for (let at: PageElement | null = seed; at; at = at.parent) {
      const list = bearing.get(at);
      if (list) list.push(seed);
      else bearing.set(at, [seed]);
    }
  }

  const claimed = new Set<PageElement>();
  const groups: Group[] = toldGroups(page, bearing, claimed);
  // Innermost first: children come after their parents in document order.
  for (let n = page.elements.length - 1; n >= 0; n--) {
    const parent = known(page.elements[n], 'element');
    if (!bearing.has(parent) || isItemAmongEquals(parent, bearing) || isPairAmongEquals(parent, bearing)) continue;
    const children = parent.children.filter((child) => bearing.get(child)?.some((seed) => !claimed.has(seed)));
    for (const alike of groupBySignature(children, bearing).flatMap((run) =>
      run.length > 1 ? splitAtHeadings(parent, run) : [],
    )) {
      const units = unitsOf(page, parent, alike, (element) => bearing.has(element));
      // A picture alone under its own heading may be one that its neighbours are parted from.
      if ((alike.length < 2 && !opensPicture(firstOf(alike), bearing)) || !isGallery(page, parent, units, bearing))
        continue;
      groups.push({ container: parent, units });
      for (const unit of units)
        for (const element of unit.elements) bearing.get(element)?.forEach((seed) => claimed.add(seed));
    }
  }
  const { merged, gathered } = mergeRows(page, groups, bearing, claimed);
  const galleries = withLoose(merged.concat(lonely(seeds, claimed)), gathered, bearing)
    .map(({ container, units }) => ({ container, items: itemsOf(page, units) }))
    .filter((gallery) => gallery.items.length > 0);
  return withElsewhere(page, galleries).sort((a, b) => (a.items[0]?.range.start ?? 0) - (b.items[0]?.range.start ?? 0));
}

/** These elements of a container as its items, whatever they look like. */
export const galleryOf = (page: PageDocument, container: PageElement, elements: readonly PageElement[]): Gallery => ({
  container,
  items: itemsOf(
    page,
    elements.map((element) => ({ elements: [element], range: placeOf(element) })),
  ),
});

/** Items as the author has told them; their pictures are claimed, and so are those that are told to be none. */
function toldGroups(page: PageDocument, bearing: Bearing, claimed: Set<PageElement>): Group[] {
  const groups: Group[] = [];
  for (const { selector, gallery } of page.units) {
    const found = matches(page, selector);
    const units: PageElement[] = [];
    // The outer ones come first; what stands inside of an item is no further one.
    for (const element of found.ok ? found.elements : []) {
      const seeds = bearing.get(element) ?? [];
      if (!element.range || !element.parent || seeds.every((seed) => claimed.has(seed))) continue;
      units.push(element);
      for (const seed of seeds) claimed.add(seed);
    }
    if (!gallery) continue;
    const byParent = grouped(units, ({ parent }) => known(parent, 'parent of an item'));
    // One in each parent: the parents are wrappers, and what holds them all is the gallery.
    const apart = byParent.size > 1 && [...byParent.values()].every((inside) => inside.length === 1);
    for (const [parent, inside] of apart ? [[commonAncestor(units), units] as const] : byParent)
      groups.push({
        container: parent,
        units: inside.map((element) => ({ elements: [element], range: placeOf(element) })),
      });
  }
  return groups;
}

function commonAncestor(elements: readonly PageElement[]): PageElement {
  const [first = [], ...others] = elements.map((element) => [...ancestors(element)].reverse());
  const apart = first.findIndex((element, depth) => others.some((chain) => chain[depth] !== element));
  return known(first.at(apart === -1 ? -1 : apart - 1), 'common ancestor');
}

function isSeed(element: PageElement): boolean {
  if (element.tag === 'img') return closest(element, ({ tag }) => tag === 'noscript') === null;
  if (showsPicture(element)) return true;
  if (!leadsToPicture(element)) return false;
  return !someInside(element, showsPicture);
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

/** Wrappers that say nothing of their content: of one gallery, some items may be in one, some in another, some bare. */
const WRAPPERS = new Set(['div', 'span', 'p', 'li', 'figure', 'center', 'font']);

function groupBySignature(children: PageElement[], bearing: Bearing): PageElement[][] {
  // An image that has lost its link is still one of its neighbours, and so is one that has gained one.
  const groups = grouped(children, (child) => signature(child, bearing).replace(/^a>/, '').replace('>a>', '>'));
  return mergeMixed([...groups.values()], children, bearing);
}

/** Items next to one another, each one linked picture, that differ only in what is wrapped round them. */
function mergeMixed(groups: PageElement[][], children: readonly PageElement[], bearing: Bearing): PageElement[][] {
  const isOne = (child: PageElement) =>
    (WRAPPERS.has(child.tag) || child.tag === 'a') &&
    bearing.get(child)?.length === 1 &&
    /^(?:\w+>)?a>img$/.test(signature(child, bearing));
  const mixed = groups.filter((group) => group.every(isOne));
  const members = new Set(mixed.flat());
  const all = children.filter((child) => members.has(child));
  const together = all.every((child, n) => n === 0 || child.place - 1 === all[n - 1]?.place);
  if (mixed.length < 2 || !together) return groups;
  return [...groups.filter((group) => !mixed.includes(group)), all];
}

/** `<li>` with two pictures beside other such `<li>`: the list item is the unit. The nearest siblings tell. */
function isItemAmongEquals(element: PageElement, bearing: Bearing): boolean {
  if (!ITEM_TAGS.has(element.tag) || !element.parent || (bearing.get(element)?.length ?? 0) < 2) return false;
  const key = signature(element, bearing);
  return element.parent.children.some(
    (sibling) =>
      sibling !== element && sibling.tag === element.tag && bearing.has(sibling) && signature(sibling, bearing) === key,
  );
}

/** What the two halves of a comparison are called (common practice, no source). */
const HALVES = [
  ['before', 'after'],
  ['then', 'now'],
  ['old', 'new'],
  ['day', 'night'],
  ['raw', 'edited'],
  ['front', 'back'],
] as const;

/** Which half of which comparison an element is by its class: `0.1` for `after`; null for any other. */
function halfOf(element: PageElement): string | null {
  const words = (valueOf(element, 'class') ?? '').toLowerCase().split(/[^a-z]+/);
  for (const [n, halves] of HALVES.entries()) {
    const at = halves.findIndex((half) => words.includes(half));
    if (at !== -1) return `${n}.${at}`;
  }
  return null;
}

/** `<div class="before">` and `<div class="after">` in one element, and the same in its siblings: one thing, not two. */
function isPairAmongEquals(element: PageElement, bearing: Bearing): boolean {
  const halvesIn = ({ children }: PageElement): string => {
    const bear = children.filter((child) => bearing.has(child));
    const halves = bear.length === 2 ? bear.map(halfOf) : [];
    return halves.length === 2 && halves[0] !== halves[1] && !halves.includes(null) ? halves.join() : '';
  };
  const own = halvesIn(element);
  if (own === '') return false;
  return (element.parent?.children ?? []).some((sibling) => sibling !== element && halvesIn(sibling) === own);
}

/** Groups whose containers are equal siblings (table rows, `div class="row"`) are one gallery. */
function mergeRows(
  page: PageDocument,
  groups: Group[],
  bearing: Bearing,
  claimed: Set<PageElement>,
): { merged: Group[]; gathered: Group[] } {
  const merged: Group[] = [];
  const rows = new Map<string, Group>();
  for (const group of groups) {
    const { container } = group;
    const parent = container.parent;
    const rowish =
      parent &&
      (container.tag === 'tr' ||
        parent.children.some(
          (sibling) => sibling !== container && bearing.has(sibling) && isRowBeside(sibling, container, bearing),
        ));
    if (
      !rowish ||
      tellsMore(container, group.units) ||
      ['section', 'article', 'main', 'body'].includes(container.tag)
    ) {
      merged.push(group);
      continue;
    }
    const kind = `${container.tag}:${valueOf(container, 'class') ?? ''}:${shapeIn(group, bearing)}`;
    const key = `${parent.index}:${kind}:${partsBefore(container, bearing)}`;
    const row = rows.get(key);
    if (row) row.units = [...group.units, ...row.units];
    else {
      const gathered = { container: parent, units: [...group.units, ...shortRows(page, group, bearing, claimed)] };
      rows.set(key, gathered);
      merged.push(gathered);
    }
  }
  return { merged, gathered: [...rows.values()] };
}

/** Items that stand by themselves between the rows of a gallery are its items too. */
function withLoose(groups: readonly Group[], rows: readonly Group[], bearing: Bearing): Group[] {
  const joined = new Set<Group>();
  for (const gathered of rows) {
    const { container } = gathered;
    const parts = new Set(
      gathered.units.map(({ elements }) => partsBefore(childAround(container, firstOf(elements)), bearing)),
    );
    for (const loose of groups) {
      const heads = loose.units.map(({ elements }) => firstOf(elements));
      const beside =
        loose !== gathered &&
        loose.container === container &&
        heads.every((head) => head.parent === container && parts.has(partsBefore(head, bearing)));
      if (!beside || joined.has(loose)) continue;
      gathered.units.push(...loose.units);
      joined.add(loose);
    }
  }
  return groups.filter((group) => !joined.has(group));
}

/** The child of an element in which another one stands. */
const childAround = (container: PageElement, inner: PageElement): PageElement =>
  [inner, ...ancestors(inner)].find(({ parent }) => parent === container) ?? inner;

/** What a group's pictures stand in: beside others, a list of buttons is no row of a list of sections. */
function shapeIn({ units }: Group, bearing: Bearing): string {
  const head = units[0]?.elements.find((element) => bearing.has(element));
  return head && PRESSED.test(head.tag) ? 'pressed' : '';
}
const PRESSED = /^(?:label|button|summary)$/;

/** How many headings and paragraphs of prose stand before each child; of a tree that does not change, counted once. */
const partCounts = new WeakMap<PageElement, number[]>();

/** Rows under different headings, or with a paragraph of prose between them, are galleries of their own. */
function partsBefore({ parent, place }: PageElement, bearing: Bearing): number {
  if (!parent) return 0;
  let counts = partCounts.get(parent);
  if (!counts) {
    let count = 0;
    counts = parent.children.map((child) => {
      const parts = /^h[1-6]$/.test(child.tag) || (child.tag === 'p' && !bearing.has(child) && isProse(textOf(child)));
      return parts ? count++ : count;
    });
    partCounts.set(parent, counts);
  }
  return counts[place] ?? 0;
}

const isRowBeside = (row: PageElement, other: PageElement, bearing: Bearing): boolean =>
  sameKind(row, other) && partsBefore(row, bearing) === partsBefore(other, bearing);

/** Equal rows with one picture only, as the last row often has: too little to be a group by itself. */
function shortRows(
  page: PageDocument,
  { container, units }: Group,
  bearing: Bearing,
  claimed: Set<PageElement>,
): Unit[] {
  const [model] = units;
  const head = model?.elements.find((element) => bearing.has(element));
  const wanted = head && signature(head, bearing);
  return (container.parent?.children ?? []).flatMap((row) => {
    if (!isRowBeside(row, container, bearing)) return [];
    const left = row.children.filter((child) => bearing.get(child)?.some((seed) => !claimed.has(seed)));
    const [only] = left;
    if (left.length !== 1 || !only?.range || signature(only, bearing) !== wanted) return [];
    const unit = model && head ? unitLike(page, model, head, only) : null;
    if (!unit || tellsMore(row, [unit])) return [];
    bearing.get(only)?.forEach((seed) => claimed.add(seed));
    return [unit];
  });
}

const sameKind = (a: PageElement, b: PageElement) => a.tag === b.tag && valueOf(a, 'class') === valueOf(b, 'class');

/** Pictures that are left, each with what stands round it. */
function lonely(seeds: readonly PageElement[], claimed: ReadonlySet<PageElement>): Group[] {
  return seeds.flatMap((seed) => {
    const found = claimed.has(seed) ? null : itemAlone(seed);
    if (!found) return [];
    const { item, range, container } = found;
    return [{ container, units: [{ elements: [item], range }] }];
  });
}

function itemsOf(page: PageDocument, units: readonly Unit[]): GalleryItem[] {
  const partners = partnersOf(units);
  const items = units.map((unit, n): GalleryItem => {
    const partner = partners[n] ?? null;
    const parts = partsIn(page, unit);
    const caption = parts.caption ?? (partner && captionIn(page, partner));
    // With the end tag left out, the element reaches to the next one; the white space is no part of the item.
    const range = {
      start: unit.range.start,
      end: unit.range.start + page.text.slice(unit.range.start, unit.range.end).trimEnd().length,
    };
    return { range, unit: range, elements: unit.elements, ...parts, caption, partner, elsewhere: [] };
  });
  items.sort((a, b) => a.range.start - b.range.start);
  for (const [n, item] of items.entries()) item.unit = { start: leadOf(page, item, items[n - 1]), end: item.range.end };
  return items;
}

/** Where the comments begin that stand before an item with no blank line between. */
function leadOf(page: PageDocument, item: GalleryItem, previous: GalleryItem | undefined): number {
  let start = item.range.start;
  const floor = previous?.range.end ?? item.elements[0]?.parent?.open?.end ?? 0;
  for (let n = lastBefore(page.comments, start); n >= 0; n--) {
    const comment = page.comments[n];
    if (!comment || comment.start < floor || !isBlankLine(page.text.slice(comment.end, start))) break;
    // On the line of the item before it, a comment speaks of that one.
    if (previous && !page.text.slice(previous.range.end, comment.start).includes('\n')) break;
    start = comment.start;
  }
  return start;
}

/** White space that leaves no line empty. */
const isBlankLine = (text: string): boolean => text.trim() === '' && text.split('\n').length <= 2;

/** The last of sorted ranges that ends before a place; -1 where none does. */
function lastBefore(ranges: readonly Range[], at: number): number {
  return firstNot(ranges, ({ end }) => end <= at) - 1;
}
