/**
 * What belongs to one picture and stands elsewhere on the page, told by its id: the large picture to which `#id` leads
 * (`:target`), the radio button of a label and what it shows. It goes where its picture goes.
 */
import { type Edit, firstOf, known, lastOf } from '../site/index.ts';
import { ancestors, placeOf, valueOf, type PageDocument, type PageElement, type Range } from './document.ts';
import { replaceValue } from './encode.ts';
import { type Caption, partsIn } from './parts.ts';
import { type FilePlace, shownAddress } from './shown.ts';
import { elementsIn } from './units.ts';

/** An item as far as it matters here. */
interface Referring {
  elements: PageElement[];
  range: Range;
  unit: Range;
  source: FilePlace | null;
  target: FilePlace | null;
  caption: Caption | null;
  elsewhere: readonly PageElement[];
}

interface Holder<Item extends Referring> {
  container: PageElement;
  items: Item[];
}

/** Attributes that name an id without a sign before it (WHATWG HTML, WAI-ARIA). */
const NAMES_ID = new Set(['for', 'aria-controls', 'popovertarget']);
/** What a visitor presses. */
const PRESSED = new Set(['a', 'label', 'button', 'area']);

const idIn = (name: string, value: string): string | null => {
  if (NAMES_ID.has(name)) return value;
  return value.startsWith('#') && value.length > 1 ? value.slice(1) : null;
};

/** The ids that an item names on what is pressed round its picture, by the attribute. */
function idsIn({ source, elements }: Referring): Map<string, string> {
  const ids = new Map<string, string>();
  for (const element of source ? [source.element, ...ancestors(source.element)] : []) {
    if (PRESSED.has(element.tag))
      for (const { name, value } of element.attributes) {
        const id = idIn(name, value);
        if (id !== null) ids.set(name, id);
      }
    if (elements.includes(element)) break;
  }
  return ids;
}

const isWithin = (element: PageElement, around: ReadonlySet<PageElement>): boolean =>
  around.has(element) || [...ancestors(element)].some((one) => around.has(one));

/** One list of elements, one for each item, for each attribute that names an own one in every item. */
function listsOf<Item extends Referring>(
  { items }: Holder<Item>,
  byId: ReadonlyMap<string, PageElement>,
): PageElement[][] {
  const named = items.map(idsIn);
  const own = new Set(items.flatMap(({ elements }) => elements));
  const lists: PageElement[][] = [];
  for (const attribute of named[0]?.keys() ?? []) {
    const list = named.flatMap((ids) => byId.get(ids.get(attribute) ?? '') ?? []);
    const each = list.length === items.length && new Set(list).size === list.length;
    const alike = list.every(({ tag, range }) => range !== null && tag === list[0]?.tag);
    const around = new Set([...own].flatMap((element) => [...ancestors(element)]));
    if (each && alike && !list.some((element) => around.has(element) || isWithin(element, own))) lists.push(list);
  }
  return lists;
}

/** In each element of a list the one picture that no other of them shows; null where one has none, or several. */
function onePictureIn(list: readonly PageElement[]): PageElement[] | null {
  const shown = list.map((element) => elementsIn({ elements: [element] }).filter((one) => shownAddress(one) !== null));
  const counts = new Map<string, number>();
  for (const all of shown)
    for (const address of new Set(all.map(shownAddress)))
      if (address !== null) counts.set(address, (counts.get(address) ?? 0) + 1);
  const own = shown.map((all) => all.filter((one) => counts.get(shownAddress(one) ?? '') === 1));
  return own.every(({ length }) => length === 1) ? own.map(firstOf) : null;
}

const isChoice = ({ tag, attributes }: PageElement): boolean =>
  tag === 'input' && attributes.some(({ name, value }) => name === 'type' && /^(?:radio|checkbox)$/i.test(value));

/** What a choice shows stands behind it, in the element that holds all choices (Selectors 4, `:checked ~`). */
function shownByChoice<Item extends Referring>(
  gallery: Holder<Item>,
  choices: readonly PageElement[],
  galleries: readonly Holder<Item>[],
): PageElement[] | null {
  const parent = firstOf(choices).parent;
  const found = galleries.find(
    (other) =>
      other !== gallery &&
      other.items.length === gallery.items.length &&
      other.items.every(
        ({ elements, range }, n) =>
          elements.length === 1 &&
          range.start > placeOf(known(choices[n], 'choice')).start &&
          [...ancestors(firstOf(elements))].some((one) => one === parent),
      ),
  );
  return found ? found.items.map(({ elements }) => firstOf(elements)) : null;
}

/** The elements that each item has elsewhere, and the large picture among them. */
interface Own {
  lists: PageElement[][];
  views: PageElement[] | null;
}

function ownOf<Item extends Referring>(
  gallery: Holder<Item>,
  galleries: readonly Holder<Item>[],
  byId: ReadonlyMap<string, PageElement>,
): Own | null {
  const own: Own = { lists: [], views: null };
  for (const list of listsOf(gallery, byId)) {
    if (list.every(isChoice)) {
      const views = shownByChoice(gallery, list, galleries);
      own.lists.push(list, ...(views ? [views] : []));
      own.views ??= views;
    } else if (onePictureIn(list)) {
      own.lists.push(list);
      own.views ??= list;
    }
  }
  return own.lists.length > 0 ? own : null;
}

/** What all of them say is no picture's caption: “close”. */
function captionsIn(page: PageDocument, views: readonly PageElement[]): (Caption | null)[] {
  const captions = views.map((view) => partsIn(page, { elements: [view], range: placeOf(view) }).caption);
  const same = captions.filter((one) => one?.text === captions[0]?.text).length;
  return same === captions.length ? captions.map(() => null) : captions;
}

/** Elements of one parent between which nothing is said, as one run; null for any others. */
function runOf(page: PageDocument, elements: readonly PageElement[]): Range | null {
  const sorted = [...elements].sort((a, b) => placeOf(a).start - placeOf(b).start);
  const together = sorted.every((element, n) => {
    const before = sorted[n - 1];
    return (
      !before ||
      (before.parent === element.parent && /^\s*$/.test(page.text.slice(placeOf(before).end, placeOf(element).start)))
    );
  });
  return together ? { start: placeOf(firstOf(sorted)).start, end: placeOf(lastOf(sorted)).end } : null;
}

/** Galleries whose items have their own elsewhere: those are read with them, and are no galleries by themselves. */
export function withElsewhere<Item extends Referring>(
  page: PageDocument,
  galleries: readonly Holder<Item>[],
): Holder<Item>[] {
  if (!galleries.some(({ items }) => items.length > 1 && idsIn(firstOf(items)).size > 0)) return [...galleries];
  const byId = new Map<string, PageElement>();
  for (const element of page.elements) {
    const id = valueOf(element, 'id');
    if (id !== undefined && !byId.has(id)) byId.set(id, element);
  }
  const taken = new Set<PageElement>();
  const joined = galleries.map((gallery) => {
    const own = gallery.items.length > 1 ? ownOf(gallery, galleries, byId) : null;
    if (!own) return gallery;
    for (const element of own.lists.flat()) taken.add(element);
    return { ...gallery, items: joinedItems(page, gallery.items, own) };
  });
  return joined.filter(({ items }) => !items.every(({ elements }) => elements.every((one) => isWithin(one, taken))));
}

function joinedItems<Item extends Referring>(page: PageDocument, items: readonly Item[], own: Own): Item[] {
  const views = own.views;
  const pictures = views && onePictureIn(views);
  const captions = views ? captionsIn(page, views) : [];
  const all = items.map(({ elements }, n) => [...elements, ...own.lists.flatMap((list) => list[n] ?? [])]);
  const runs = all.map((elements) => runOf(page, elements));
  const inRuns = runs.every((run) => run !== null);
  return items.map((item, n) => {
    const picture = pictures?.[n];
    const target = picture ? partsIn(page, { elements: [picture], range: placeOf(picture) }).source : item.target;
    const caption = item.caption ?? captions[n] ?? null;
    const run = runs[n];
    if (!inRuns || !run) {
      const elsewhere = own.lists.flatMap((list) => list[n] ?? []);
      return { ...item, target, caption, elsewhere };
    }
    const elements = [...(all[n] ?? [])].sort((a, b) => placeOf(a).start - placeOf(b).start);
    return { ...item, elements, range: run, unit: run, target, caption };
  });
}

/** White space round two ranges that follow one another is all that stands between them. */
function joinRanges(text: string, ranges: readonly Range[]): Range[] {
  const joined: Range[] = [];
  for (const range of [...ranges].sort((a, b) => a.start - b.start)) {
    const last = joined.at(-1);
    if (last && text.slice(last.end, range.start).trim() === '') last.end = Math.max(last.end, range.end);
    else joined.push({ ...range });
  }
  return joined;
}

/** The places of what goes along with items, those that follow one another together. */
export const placesElsewhere = (page: PageDocument, items: readonly Referring[]): Range[] =>
  joinRanges(
    page.text,
    items.flatMap(({ elsewhere }) => elsewhere.map(placeOf)),
  );

/** In another order, as the items are: `order[place]` is the number of the item whose own goes there. */
export function orderElsewhere(page: PageDocument, items: readonly Referring[], order: readonly number[]): Edit[] {
  return order.flatMap((source, place) => {
    const [here, moved] = [items[place]?.elsewhere ?? [], items[source]?.elsewhere ?? []];
    if (place === source) return [];
    return here.flatMap((element, n): Edit[] => {
      const other = moved[n];
      // A choice belongs to its place: rules of a stylesheet may count them.
      if (!other || isChoice(element)) return [];
      const { start, end } = placeOf(other);
      return [{ ...placeOf(element), text: page.text.slice(start, end) }];
    });
  });
}

/** The names of the choices stay with the places: what is written there of the item that comes is put right. */
export function keepChoice(moved: Referring, here: Referring): Edit[] {
  const choice = here.elsewhere.find(isChoice);
  const id = choice && valueOf(choice, 'id');
  if (id === undefined) return [];
  return elementsIn(moved).flatMap(({ attributes }) =>
    attributes.flatMap((attribute) => (attribute.name === 'for' ? [replaceValue(attribute, id)] : [])),
  );
}

/** White space between two neighbours of a list, or a new line. */
export function separatorElsewhere(page: PageDocument, list: readonly PageElement[]): string {
  const [first, second] = list;
  const between = first && second ? page.text.slice(placeOf(first).end, placeOf(second).start) : '\n';
  return /^\s*$/.test(between) ? between : '\n';
}
