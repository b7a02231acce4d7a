/** What is to be on the elements of a page for a viewer: markers, groups, captions, and what it wants besides. */
import {
  ancestors,
  classValue,
  someInside,
  textOf,
  valueOf,
  type Gallery,
  type GalleryItem,
  type PageElement,
} from '../../markup/index.ts';
import { refuse, type Result } from '../../site/index.ts';
import { besideMarker, isHandler, isMarker, isOfKit, opensOnClick, type Kit } from '../kit/manifest.ts';
import { captionOf, descriptionOf } from '../read/caption.ts';
import { commonGroup, groupOf, misspeltMarker } from '../read/uses.ts';
import { writtenHolder } from './containerEdits.ts';
import { groupByPage, lentTo, pictureOf, type Remembered } from './memory.ts';
import type { WiringPage, WiringSite } from './site.ts';
import { wantedClasses, wantedNames, wantedOf, wantedOfHolder } from './wanted.ts';

/** What is to be on an element: attributes with their values, null to be taken away. */
type Wishes = Map<PageElement, Map<string, string | null>>;

/** Attributes by which an author's own code finds what holds the links. */
export type Holders = ReadonlyMap<PageElement, { name: 'id' | 'class'; value: string }>;

interface Step {
  from: Kit | null;
  to: Kit | null;
  holders: Holders;
  remembered: Remembered;
}

/** Or the reason why a gallery cannot be marked. */
export function wishesFor(
  site: WiringSite,
  page: WiringPage,
  { from, to, holders, remembered }: Step,
): Result<{ wishes: Wishes }> {
  const wishes: Wishes = new Map();
  const groups = groupNames(page, from, to, remembered);
  if (from) {
    unmark(page, from, remembered, wishes);
    unmarkWanted(site, page, from, wishes);
  }
  const unmarkable = to && mark(site, page, from, to, groups, wishes);
  if (unmarkable) return refuse(unmarkable);
  if (to && !from) addOwnWords(page, to, wishes);
  for (const [element, { name, value }] of holders)
    wishesOf(wishes, element).set(name, name === 'class' ? classValue(element, [value], []) : value);
  return { ok: true, wishes };
}

/** Links of a gallery that lead to a picture of the site: those that a viewer can open. */
export const openable = (base: string, item: Pick<GalleryItem, 'link'>): boolean => pictureOf(base, item) !== null;

/**
 * The group of each link: its own under the kit before, else that which was kept in mind, else its gallery's, else one
 * after the page's name.
 */
function groupNames(
  page: WiringPage,
  from: Kit | null,
  to: Kit | null,
  remembered: Remembered,
): Map<PageElement, string> {
  const names = new Map<PageElement, string>();
  page.galleries.forEach((gallery, n) => {
    const before = from ?? to;
    const common = (before && commonGroup(gallery.items, before)) ?? groupByPage(page.path, n);
    for (const { link } of gallery.items)
      if (link) names.set(link, (before && groupOf(link, before)) ?? remembered.get(link)?.group ?? common);
  });
  return names;
}

const wishesOf = (wishes: Wishes, element: PageElement): Map<string, string | null> => {
  const known = wishes.get(element) ?? new Map<string, string | null>();
  wishes.set(element, known);
  return known;
};

/** All that a kit may have on an element. */
export function attributesOf({ manifest }: Kit): string[] {
  const { marker, group, caption, kind, container, prefix, options, tags, middle } = manifest;
  return [
    marker.attribute,
    group && 'attribute' in group ? group.attribute : undefined,
    caption.attribute,
    caption.description,
    kind?.attribute,
    container?.attribute,
    tags?.attribute,
    middle?.attribute,
    // Without a prefix they are names in a start call, and attributes of those names are the page's.
    ...(prefix === '' ? [] : options.map(({ name }) => prefix + name)),
  ].flatMap((name) => name ?? []);
}

const hasClass = (element: PageElement, name: string): boolean =>
  (valueOf(element, 'class') ?? '').split(/\s+/).includes(name);

/** What the viewer wanted besides, taken off the items of galleries: elsewhere such names are for other ends. */
function unmarkWanted(site: WiringSite, page: WiringPage, from: Kit, wishes: Wishes): void {
  const classes = wantedClasses(from).filter((name) => !isStyled(site, page, from, name));
  const names = wantedNames(from);
  for (const { container, items } of page.galleries) {
    const holder = writtenHolder(container);
    const elements = items.flatMap((item) => [item.elements[0] ?? null, item.image]);
    for (const element of [holder, ...elements]) if (element) dropClasses(element, classes, wishes);
    for (const { link } of items)
      for (const name of names) if (link && valueOf(link, name) !== undefined) wishesOf(wishes, link).set(name, null);
  }
}

function dropClasses(element: PageElement, names: readonly string[], wishes: Wishes): void {
  const wish = wishesOf(wishes, element);
  const wished = wish.get('class');
  const now = wished === undefined ? (valueOf(element, 'class') ?? '') : (wished ?? '');
  const gone = names.filter((name) => now.split(/\s+/).includes(name));
  if (gone.length === 0) return;
  const left = now.split(/\s+/).filter((name) => name !== '' && !gone.includes(name));
  if (wished === undefined) wish.set('class', classValue(element, [], gone));
  else wish.set('class', left.length > 0 ? left.join(' ') : null);
}

/** A class that the author's own styles speak of was there before the viewer, or is needed after it. */
function isStyled({ files }: WiringSite, { document }: WiringPage, kit: Kit, name: string): boolean {
  const asked = new RegExp(`\\.${name}(?![\\w-])`);
  const inPage = document.elements.some((one) => one.tag === 'style' && asked.test(textOf(one)));
  return (
    inPage ||
    [...files].some(
      ([path, content]) =>
        content.kind === 'text' && /\.css$/i.test(path) && !isOfKit(kit, path) && asked.test(content.text),
    )
  );
}

function unmark(page: WiringPage, from: Kit, remembered: Remembered, wishes: Wishes): void {
  const names = attributesOf(from);
  const { marker } = from.manifest;
  const ownClass = marker.class;
  for (const element of page.document.elements) {
    for (const { name, value } of element.attributes) {
      const isOther = name === marker.attribute && !isMarker(from.manifest, name, value);
      if (!names.includes(name) || isOther) continue;
      const left = name === marker.attribute ? besideMarker(from.manifest, name, value) : '';
      wishesOf(wishes, element).set(name, left === '' ? null : left);
    }
    if (ownClass !== undefined && hasClass(element, ownClass))
      wishesOf(wishes, element).set('class', classValue(element, [], [ownClass]));
    if (lentTo(element, remembered) !== null) wishesOf(wishes, element).set('title', null);
  }
}

function markTags(site: WiringSite, page: WiringPage, item: GalleryItem, attribute: string, wishes: Wishes): void {
  const [element] = item.elements;
  const tags = site.tagsOf?.(page.path, item) ?? [];
  if (element && tags.length > 0 && valueOf(element, attribute) === undefined)
    wishesOf(wishes, element).set(attribute, tags.join(', '));
}

/** The innermost element with two children or more that each hold a heading and a gallery. */
function sectionsHolder({ document, galleries }: WiringPage): PageElement | null {
  const parts = (element: PageElement) =>
    element.children.filter(
      (child) =>
        someInside(child, ({ tag }) => /^h[1-6]$/.test(tag)) &&
        galleries.some(({ container }) => container === child || [...ancestors(container)].includes(child)),
    );
  return (
    [...document.elements]
      .reverse()
      .find((element) => element.tag !== 'body' && element.range && parts(element).length > 1) ?? null
  );
}

/** Gives the reason why a gallery cannot be marked, or null. */
function mark(
  site: WiringSite,
  page: WiringPage,
  from: Kit | null,
  to: Kit,
  groups: ReadonlyMap<PageElement, string>,
  wishes: Wishes,
): string | null {
  const { marker, tags } = to.manifest;
  if (marker.on === 'sections') return markSections(page, to, wishes);
  for (const gallery of page.galleries) {
    if (tags) for (const item of gallery.items) markTags(site, page, item, tags.attribute, wishes);
    markWanted(site, page, to, gallery, wishes);
    if (marker.on === 'gallery') {
      if (marker.element !== undefined) continue;
      const unmarkable = markContainer(gallery, to, wishes);
      if (unmarkable !== null) return unmarkable;
      continue;
    }
    for (const item of gallery.items) {
      if (!item.link || !openable(page.base, item) || (!from && misspeltMarker(item.link, to))) continue;
      const taken = handlerTaken(item.link, to, page);
      if (taken !== null) return taken;
      markLink(item, item.link, from, to, groups.get(item.link) ?? null, wishes);
    }
  }
  return null;
}

/** What the viewer wants of the markup besides; classes that are there for another end stay. */
function markWanted(site: WiringSite, page: WiringPage, to: Kit, gallery: Gallery, wishes: Wishes): void {
  const items = gallery.items.filter((item) => openable(page.base, item));
  const all = [...wantedOfHolder(gallery, to), ...items.flatMap((item) => wantedOf(site, page, to, item))];
  for (const { element, name, value } of all)
    if (name === 'class') addClass(element, value, wishes);
    else wishesOf(wishes, element).set(name, value);
}

/** One class more, beside what is wished of the element already. */
function addClass(element: PageElement, name: string, wishes: Wishes): void {
  const wish = wishesOf(wishes, element);
  const wished = wish.get('class');
  const names = (wished === undefined ? (valueOf(element, 'class') ?? '') : (wished ?? ''))
    .split(/\s+/)
    .filter(Boolean);
  if (names.includes(name)) return;
  wish.set('class', wished === undefined ? classValue(element, [name], []) : [...names, name].join(' '));
}

/** The words of the page where the kit looks for captions, of viewers that show a picture with its words. */
function addOwnWords(page: WiringPage, to: Kit, wishes: Wishes): void {
  if (!opensOnClick(to.manifest)) return;
  for (const item of page.galleries.flatMap(({ items }) => items))
    if (item.link && openable(page.base, item)) addWords(item, item.link, to, wishesOf(wishes, item.link));
}

/** The page's own caption, where the kit looks for one; what its author has written there stays. */
function addWords(item: GalleryItem, link: PageElement, to: Kit, wish: Map<string, string | null>): void {
  const { attribute, from } = to.manifest.caption;
  const title = from.includes('title') ? 'title' : undefined;
  const place = attribute !== undefined && from.includes('attribute') ? attribute : title;
  const words = item.caption?.text ?? '';
  if (words === '' || place === undefined || valueOf(link, place) !== undefined) return;
  if (captionOf(item, to, wish) !== words) wish.set(place, words);
}

function markSections(page: WiringPage, { manifest: { title, marker } }: Kit, wishes: Wishes): string | null {
  const holder = sectionsHolder(page);
  if (!holder)
    return `${title} needs an element with two parts or more, each with its heading and its pictures. Write another section in Markup first`;
  if (marker.attribute !== undefined && valueOf(holder, marker.attribute) === undefined)
    wishesOf(wishes, holder).set(marker.attribute, marker.value);
  return null;
}

function markContainer({ container: around, items }: Gallery, to: Kit, wishes: Wishes): string | null {
  const { marker, title, children } = to.manifest;
  const container = writtenHolder(around);
  if (container === null)
    return `The pictures stand directly in the page. Put an element around them, for ${title} has to be told which pictures are meant`;
  if (children && items.some(({ elements }) => elements.some(({ parent }) => parent !== container)))
    return `${title} shows the children of one element, and these pictures are deeper inside of <${container.tag}>${container.tag === 'table' ? ', in cells of a table' : ''}. Write them as a list in Markup first`;
  if (marker.attribute !== undefined && valueOf(container, marker.attribute) === undefined)
    wishesOf(wishes, container).set(marker.attribute, marker.value);
  if (marker.class !== undefined) addClass(container, marker.class, wishes);
  return null;
}

function markLink(
  item: GalleryItem,
  link: PageElement,
  from: Kit | null,
  to: Kit,
  group: string | null,
  wishes: Wishes,
): void {
  const { marker, group: grouping, kind, container } = to.manifest;
  const wish = wishesOf(wishes, link);
  const add = (name: string, value: string) => {
    if (from || valueOf(link, name) === undefined) wish.set(name, value);
  };
  if (kind) add(kind.attribute, kind.picture);
  if (marker.attribute !== undefined && marker.attribute !== kind?.attribute)
    addMarker(link, marker.attribute, from, to, group, wish);
  if (marker.class !== undefined) {
    // It stands where those stood that go.
    const wished = wish.get('class');
    const left = (wished ?? '').split(/\s+/);
    const gone =
      wished === undefined ? [] : (valueOf(link, 'class') ?? '').split(/\s+/).filter((one) => !left.includes(one));
    wish.set('class', classValue(link, [marker.class], gone));
  }
  if (grouping && 'attribute' in grouping && group !== null) add(grouping.attribute, group);
  if (container?.attribute !== undefined) add(container.attribute, `#${container.id}`);
  if (from) carryWords(item, link, from, to, wish);
}

/** What its author says in the same attribute stays behind the marker. */
function addMarker(
  link: PageElement,
  name: string,
  from: Kit | null,
  to: Kit,
  group: string | null,
  wish: Map<string, string | null>,
): void {
  const there = valueOf(link, name);
  const before = (from && wish.get(name)) ?? there ?? '';
  const isShared = besideMarker(to.manifest, name, 'x') !== '';
  if (!from && there !== undefined && (!isShared || isMarker(to.manifest, name, there))) return;
  const beside = isShared && (!from || wish.get(name) !== null) ? besideMarker(to.manifest, name, before) : '';
  const marker = markerValue(to, group);
  if (isHandler(to.manifest.marker)) wish.set(name, beside === '' ? marker : `${beside.replace(/;$/, '')}; ${marker}`);
  else wish.set(name, `${marker} ${beside}`.trimEnd());
}

/** What a link's handler gives back already ends it, and nothing behind that is reached. */
function handlerTaken(link: PageElement, to: Kit, page: WiringPage): string | null {
  const { attribute } = to.manifest.marker;
  if (attribute === undefined || !isHandler(to.manifest.marker)) return null;
  const code = valueOf(link, attribute) ?? '';
  if (!/\breturn\b/.test(code) || isMarker(to.manifest, attribute, code)) return null;
  const line = page.document.lines.lineAt(link.open?.start ?? 0);
  return `The link on line ${line} has an ${attribute} already, “${code}”, which ends the click. Remove it in Markup first`;
}

/** The marker's value, which may be the group's name or have it in brackets behind it. */
function markerValue({ manifest: { marker, group } }: Kit, name: string | null): string {
  const within = group && 'in' in group ? group.in : null;
  if (within === 'marker') return name ?? '';
  return within === 'brackets' && name !== null ? `${marker.value}[${name}]` : marker.value;
}

/** What was shown under the picture is shown under it again. */
function carryWords(item: GalleryItem, link: PageElement, from: Kit, to: Kit, wish: Map<string, string | null>): void {
  const { caption } = to.manifest;
  const before = captionOf(item, from);
  if (before !== '' && captionOf(item, to, wish) !== before) {
    if (caption.attribute !== undefined && caption.from.includes('attribute')) wish.set(caption.attribute, before);
    else if (caption.from.includes('title') && (wish.has('title') || valueOf(link, 'title') === undefined))
      wish.set('title', before);
  }
  const second = descriptionOf(item, from);
  if (second !== '' && caption.description !== undefined) wish.set(caption.description, second);
}
