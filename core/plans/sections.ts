/**
 * One page with several sections: a gallery's set-up written again for other pictures, and the list of links by which
 * a visitor goes from one to the other.
 */
import {
  encodeAttribute,
  encodeMarkup,
  freshItems,
  removeItems,
  separatorOf,
  setAttribute,
  textOf,
  valueOf,
  verified,
  type Gallery,
  type NewItem,
  type PageDocument,
  type PageElement,
  placeOf,
  type Range,
} from '../markup/index.ts';
import type { PageReading, SiteReading } from '../model/index.ts';
import { groupAttribute } from '../wiring/index.ts';
import { applyEdits, type Edit, type Planned, refuse, type Result, lastOf, firstOf, slugOf } from '../site/index.ts';
import type { NewPicture } from './intent.ts';
import { GALLERY_GONE, galleryAt } from './items.ts';

/** The class by which the list is found again. */
const LIST = 'sections';

const idOf = (words: string): string => slugOf(words) || 'section';

function freeId(document: PageDocument, words: string): string {
  const taken = new Set(document.elements.map((element) => valueOf(element, 'id')));
  const slug = idOf(words);
  for (let n = 1; ; n++) {
    const id = n === 1 ? slug : `${slug}-${n}`;
    if (!taken.has(id)) return id;
  }
}

/** The heading under which a gallery stands: the last one before it, behind the gallery before. */
export function headingOf(
  { document, galleries }: Pick<PageReading, 'document' | 'galleries'>,
  gallery: Gallery,
): PageElement | null {
  const start = gallery.items[0]?.unit.start ?? 0;
  const floor = Math.max(
    0,
    ...galleries.flatMap(({ items }) =>
      lastOf(items).range.end <= start && items.length > 0 ? [lastOf(items).range.end] : [],
    ),
  );
  return (
    document.elements.findLast(
      ({ tag, range }) => /^h[1-6]$/.test(tag) && range !== null && range.start >= floor && range.end <= start,
    ) ?? null
  );
}

/** What is written again: the wrapper that holds just the heading and the gallery, or both one after the other. */
export function blockOf(
  page: Pick<PageReading, 'galleries'>,
  gallery: Gallery,
  heading: PageElement | null,
): { start: number; end: number } | null {
  const { container } = gallery;
  const wrapper = container.parent;
  if (heading && wrapper?.close && isSection(wrapper, heading, container)) return wrapper.range;
  if (!container.range || !container.close) return null;
  const own =
    heading && heading.tag !== 'h1' && heading.parent === container.parent && heading.range
      ? heading.range.start
      : container.range.start;
  return { start: own, end: container.range.end };
}

/** What may stand beside heading and gallery in what holds a section. */
const BESIDE = new Set(['p', 'small', 'time', 'a', 'br', 'hr']);

/** Names that people give to what they repeat. */
const REPEATED = /section|part|album|gallery|group|set\b|block/i;

/**
 * Whether an element holds just this section, and not the page's whole content: that is written into, not again. A
 * `div` says so by its name, or by a neighbour of the same name.
 */
function isSection(wrapper: PageElement, heading: PageElement, container: PageElement): boolean {
  if (heading.tag === 'h1' || wrapper.children[0] !== heading || !wrapper.range) return false;
  if (!wrapper.children.every((one) => one === heading || one === container || BESIDE.has(one.tag))) return false;
  if (wrapper.tag !== 'div') return wrapper.tag === 'section' || wrapper.tag === 'article';
  const name = valueOf(wrapper, 'class') ?? '';
  const isTwin = (one: PageElement) => one !== wrapper && one.tag === 'div' && (valueOf(one, 'class') ?? '') === name;
  return REPEATED.test(name) || (name !== '' && (wrapper.parent?.children.some(isTwin) ?? false));
}

const isWithin = (inner: Range, outer: Range): boolean => inner.start >= outer.start && inner.end <= outer.end;

/** Before, behind or around the items, but not one of them. */
const isBeside = (range: Range, items: Range): boolean =>
  range.end <= items.start || range.start >= items.end || isWithin(items, range);

interface SectionWish {
  page: string;
  gallery: number;
  title: string;
  pictures: readonly NewPicture[];
  /** Items of the gallery that move into the section, as they are written, before the new pictures. */
  moved?: readonly number[] | undefined;
}

export function addSection(
  site: SiteReading,
  { page: path, gallery: n, title, pictures, moved = [] }: SectionWish,
  itemFor: (page: string, picture: NewPicture) => NewItem,
): Planned {
  const found = galleryAt(site, { page: path, gallery: n });
  if (!found) return refuse(GALLERY_GONE);
  const { page, gallery } = found;
  const { document } = page;
  if (gallery.items.some(({ elements }) => elements[0]?.parent !== gallery.container))
    return refuse('The items of this gallery stand in rows of their own; write the section in the source.');
  const heading = headingOf(page, gallery);
  const block = blockOf(page, gallery, heading);
  if (!block) return refuse('What holds the items is not closed in the source, so nothing can be added after it.');
  const items = pictures.map((picture) => itemFor(path, picture));
  const taken = itemsOfSection(document, gallery, moved, items);
  if (!taken.ok) return taken;
  const id = freeId(document, title);
  const all = { start: firstOf(gallery.items).unit.start, end: lastOf(gallery.items).unit.end };
  const inside = document.elements.filter(
    ({ range, open }) => range && open && isWithin(range, block) && isBeside(range, all),
  );
  const named = heading !== null && inside.includes(heading) && heading.close !== null;
  const copy = copied(document.text, block, [
    { ...all, text: regrouped(page, gallery, taken.text, idOf(title)) },
    ...(named ? headingEdits(heading, title, id, document.text) : []),
    ...inside.flatMap((element) => (named && element === heading ? [] : withoutId(element))),
  ]);
  if (!copy.ok) return refuse(copy.reason);
  const newline = document.text.includes('\r\n') ? '\r\n' : '\n';
  const indent =
    /[ \t]*$/.exec(document.text.slice(document.text.lastIndexOf('\n', block.start - 1) + 1, block.start))?.[0] ?? '';
  // Under no heading of its own, the new section gets one; without it nobody could tell them apart.
  const head = named ? '' : `<h2 id="${encodeAttribute(id, '"')}">${encodeMarkup(title)}</h2>${newline}${indent}`;
  const edit = { start: block.end, end: block.end, text: newline + newline + indent + head + copy.text };
  const cut = taken.edits.reduce((sum, { start, end, text: left }) => sum + end - start - left.length, 0);
  const place = { start: block.end - cut, end: block.end - cut + edit.text.length };
  const checked = verified(document, [...taken.edits, edit], (after) =>
    showsJust(after, place, taken.sources) ? null : 'the section would be read otherwise than meant',
  );
  if (!checked.ok) return checked;
  const label = `Write a section “${title}” on ${path}`;
  return { ok: true, change: { label, files: [{ kind: 'edit', path, edits: checked.edits }] } };
}

interface SectionItems {
  text: string;
  /** What they show, in their order. */
  sources: string[];
  /** The edits that take them out of where they stand. */
  edits: Edit[];
}

/** The items of a new section: those that move, then new ones. */
function itemsOfSection(
  document: PageDocument,
  gallery: Gallery,
  moved: readonly number[],
  items: readonly NewItem[],
): Result<SectionItems> {
  if (items.length + moved.length === 0) return refuse('A section needs pictures.');
  const taken = movedItems(document, gallery, moved);
  if (!taken.ok || items.length === 0) return taken;
  const fresh = freshItems(document, gallery, items);
  if (!fresh.ok) return fresh;
  const text = [taken.text, fresh.text].filter(Boolean).join(separatorOf(document, gallery));
  return { ...taken, text, sources: [...taken.sources, ...items.map(({ src }) => src)] };
}

/** Items taken out of a gallery, as they stand. */
function movedItems(document: PageDocument, gallery: Gallery, places: readonly number[]): Result<SectionItems> {
  const items = [...new Set(places)].sort((a, b) => a - b).flatMap((n) => gallery.items[n] ?? []);
  if (items.length === 0) return { ok: true, text: '', sources: [], edits: [] };
  if (items.length === gallery.items.length)
    return refuse('All pictures of the gallery would move; write the heading above them instead.');
  if (items.some(({ partner, elsewhere }) => partner !== null || elsewhere.length > 0))
    return refuse('Captions of these pictures stand elsewhere on the page; move them in the source.');
  const gone = removeItems(document, gallery, places);
  if (!gone.ok) return gone;
  const text = items.map(({ unit }) => document.text.slice(unit.start, unit.end)).join(separatorOf(document, gallery));
  return { ok: true, text, sources: items.flatMap(({ source }) => source?.value ?? []), edits: gone.edits };
}

/** A piece of the source as it would be with these edits, whose places count from the start of the source. */
const copied = (text: string, { start, end }: Range, edits: readonly Edit[]) =>
  applyEdits(
    text.slice(start, end),
    edits.map((edit) => ({ ...edit, start: edit.start - start, end: edit.end - start })),
  );

/** The heading with other words, and with an id that leads to it. */
function headingEdits(heading: PageElement, title: string, id: string, text: string): Edit[] {
  if (!heading.open || !heading.close) return [];
  const words = { start: heading.open.end, end: heading.close.start, text: encodeMarkup(title) };
  const set = setAttribute(heading, 'id', id, text);
  return set ? [words, set] : [words];
}

/** An id may stand once on a page. */
function withoutId({ attributes }: PageElement): Edit[] {
  const own = attributes.find(({ name }) => name === 'id');
  return own ? [{ start: own.range.start - 1, end: own.range.end, text: '' }] : [];
}

/** Whether the pictures in a place are these, and no others. */
function showsJust(document: PageDocument, place: Range, wanted: readonly string[]): boolean {
  const sources = document.elements
    .filter(({ tag, range }) => tag === 'img' && range && range.start >= place.start && range.start < place.end)
    .map((image) => valueOf(image, 'src'));
  return sources.length === wanted.length && wanted.every((one) => sources.includes(one));
}

/** Pictures of another section are another group of the viewer, where the gallery's have one. */
function regrouped({ wiring: { main }, document }: PageReading, gallery: Gallery, text: string, group: string): string {
  const name = main ? (groupAttribute(main.kit.manifest) ?? undefined) : undefined;
  const present =
    name === undefined
      ? undefined
      : gallery.items.flatMap(({ link }) => link?.attributes.find((one) => one.name === name) ?? [])[0];
  if (!name || !present?.value) return text;
  const written = document.text.slice(present.range.start, present.range.end);
  return text.replaceAll(
    written,
    written.replace(document.text.slice(present.valueRange.start, present.valueRange.end), group),
  );
}

/** The list of sections, written before the first one or anew where it stands already. */
export function listSections(site: SiteReading, { page: path }: { page: string }): Planned {
  const page = site.pages.find((one) => one.path === path);
  if (!page) return refuse(`There is no page ${path} any more.`);
  const { document } = page;
  const sections = page.galleries.flatMap((gallery) => {
    const heading = headingOf(page, gallery);
    return heading && heading.tag !== 'h1' ? [{ gallery, heading }] : [];
  });
  if (sections.length < 2)
    return refuse('There are no two galleries here with a heading each. Write another section first.');
  const edits: Edit[] = [];
  const entries = sections.map(({ heading }) => {
    const label = textOf(heading).trim().replace(/\s+/g, ' ');
    const present = valueOf(heading, 'id');
    const id = present ?? freeId(document, label);
    const set = present === undefined ? setAttribute(heading, 'id', id, document.text) : null;
    if (set) edits.push(set);
    return { id, label };
  });
  const newline = document.text.includes('\r\n') ? '\r\n' : '\n';
  const lines = [
    `<ul class="${LIST}">`,
    ...entries.map(
      ({ id, label }) =>
        `  <li><a href="#${encodeAttribute(encodeURIComponent(id), '"')}">${encodeMarkup(label)}</a></li>`,
    ),
    '</ul>',
  ];
  const old = document.elements.find(
    (element) => element.tag === 'ul' && (valueOf(element, 'class') ?? '').split(/\s+/).includes(LIST),
  );
  const { gallery, heading } = firstOf(sections);
  const at = old?.range ?? blockOf(page, gallery, heading) ?? placeOf(heading);
  const indent =
    /[ \t]*$/.exec(document.text.slice(document.text.lastIndexOf('\n', at.start - 1) + 1, at.start))?.[0] ?? '';
  const text = lines.join(newline + indent);
  if (old?.range) {
    if (document.text.slice(old.range.start, old.range.end) === text && edits.length === 0)
      return refuse('The list names every section already.');
    edits.push({ ...old.range, text });
  } else edits.push({ start: at.start, end: at.start, text: text + newline + newline + indent });
  edits.sort((a, b) => a.start - b.start || a.end - b.end);
  const checked = verified(document, edits, (after) =>
    entries.every(({ id }) => after.elements.filter((element) => valueOf(element, 'id') === id).length === 1)
      ? null
      : 'two sections would have one name',
  );
  return checked.ok
    ? {
        ok: true,
        change: { label: `List the ${entries.length} sections of ${path}`, files: [{ kind: 'edit', path, edits }] },
      }
    : checked;
}
