/**
 * A page made from another: its head, menu, scripts and layout are kept; title, heading and pictures are its own; what
 * belonged to the other page alone (its sections, the list of them, the way to its neighbours) does not come along.
 */
import {
  ancestors,
  type CurrentMark,
  descendants,
  type EmptiedPlace,
  encodeMarkup,
  endOf,
  freshItems,
  galleriesOf,
  menusOf,
  moveMark,
  type NewItem,
  type PageDocument,
  type PageElement,
  pagersOf,
  parsePage,
  placeOfItems,
  type Range,
  removeItems,
  someInside,
  textOf,
  valueOf,
  writeEntry,
  type Gallery,
} from '../markup/index.ts';
import { addressesOfPage, ledBy, type PageReading, sharedMenu, type SiteReading, writtenAs } from '../model/index.ts';
import {
  applyEdits,
  type Edit,
  type FileChange,
  firstOf,
  folderOf,
  lastOf,
  refuse,
  relativeReference,
  type Result,
} from '../site/index.ts';
import { type KitUse, wiringOf } from '../wiring/index.ts';
import { blockOf, headingOf } from './sections.ts';
import { unwire } from './wiring.ts';

export interface CopyWish {
  path: string;
  title: string;
  /** The pictures of its gallery, instead of those of the page it is made from. */
  items: readonly NewItem[];
  /** What its menu calls it; null leaves it out. */
  entry: string | null;
  /** Which gallery of the other page they come into; -1 where it has none. */
  gallery: number;
  /** Galleries that come along as they are. */
  keep: readonly number[];
}

interface PageCopy {
  text: string;
  /** Where its gallery stood, if no pictures are there for it yet. */
  emptied: EmptiedPlace | null;
}

export function copyOfPage(site: SiteReading, source: PageReading, wish: CopyWish): Result<PageCopy> {
  const { path } = wish;
  let emptied: EmptiedPlace | null = null;
  // One step after the other, each on the text of the one before: what they change lies side by side or within.
  const steps: ((page: PageDocument) => Edit[] | string)[] = [
    (page) => ownPartsCut(site, source, page, wish),
    (page) => titleEdits(site, source, page, wish.title),
    (page) => galleryEdits(page, wish),
    (page) => menuEdits(page, source.path, wish, sharedMenu(site.pages)?.mark ?? null),
    (page) => (folderOf(path) === folderOf(source.path) ? [] : rebasedEdits(site, page, source.path, path)),
    // Last, so that the place stands as it will be found again.
    (page) => {
      const gallery = wish.items.length === 0 ? galleryOf(page, wish) : undefined;
      if (!gallery) return [];
      emptied = placeOfItems(page, gallery);
      const gone = removeItems(page, gallery, [...gallery.items.keys()]);
      return gone.ok ? gone.edits : gone.reason;
    },
  ];
  let text = withoutShows(site, source, wish);
  for (const step of steps) {
    const edits = step(parsePage(text, source.document.units));
    if (typeof edits === 'string') return refuse(edits);
    const applied = applyEdits(text, edits);
    if (!applied.ok) return applied;
    text = applied.text;
  }
  return { ok: true, text, emptied };
}

/** The other page without viewers that show nothing but galleries which stay behind: their files and their start calls. */
function withoutShows(site: SiteReading, source: PageReading, wish: CopyWish): string {
  let page = source;
  // One after the other, each on the text of the one before: two may share a file or a script.
  for (const { kit } of idleShows(source, wish)) {
    const files = new Map(site.files).set(page.path, { kind: 'text', text: page.text });
    const pages = site.pages.map((one) => (one.path === page.path ? page : one));
    const planned = unwire({ ...site, files, pages }, { page: page.path, kit: kit.manifest.name });
    if (planned.ok) page = afterChange(site, page, planned.change.files);
  }
  return page.text;
}

/** Viewers that show pictures in their own place, none of which comes along. */
function idleShows({ wiring, galleries }: PageReading, { gallery: main, keep }: CopyWish): KitUse[] {
  const left = galleries.filter((_, n) => n !== main && !keep.includes(n));
  return wiring.uses.filter(({ kit, claimed }) => {
    const shown = galleries.filter(({ container }) =>
      [container, ...ancestors(container)].some((one) => claimed.has(one)),
    );
    return kit.manifest.does === 'show' && shown.length > 0 && shown.every((one) => left.includes(one));
  });
}

/** The page as it reads after its own part of a change. */
function afterChange(site: SiteReading, page: PageReading, changes: readonly FileChange[]): PageReading {
  const edits = changes.flatMap((file) => (file.kind === 'edit' && file.path === page.path ? file.edits : []));
  const applied = applyEdits(page.text, edits);
  if (!applied.ok) return page;
  const document = parsePage(applied.text, page.document.units);
  const wiring = wiringOf(document, page.base, site.files, site.index, site.kits);
  return { ...page, text: applied.text, document, wiring, galleries: galleriesOf(document) };
}

/** Whether a viewer shows the gallery one picture at a time in its own place. */
export const isShow = ({ wiring }: Pick<PageReading, 'wiring'>, { container }: Gallery): boolean =>
  wiring.uses.some(
    ({ kit, claimed }) =>
      kit.manifest.does === 'show' && [container, ...ancestors(container)].some((one) => claimed.has(one)),
  );

/** The gallery that new pictures come into; -1 where the page has none. */
export function mainGallery(page: Pick<PageReading, 'wiring' | 'galleries'>): number {
  const { galleries } = page;
  const worth = (gallery: Gallery) => (isShow(page, gallery) ? 0 : 1e6) + gallery.items.length;
  return galleries.reduce((best, gallery, n) => {
    const held = galleries[best];
    return !held || worth(gallery) > worth(held) ? n : best;
  }, -1);
}

/** What belongs to the other page alone: further galleries with their headings, the list of them, its pager. */
function ownPartsCut(
  site: SiteReading,
  source: PageReading,
  page: PageDocument,
  { gallery: main, keep }: CopyWish,
): Edit[] {
  const galleries = galleriesOf(page);
  const reading = { document: page, galleries };
  const own = ownHeading(site, source, page);
  const stays = [
    ...galleries.filter((_, n) => n === main || keep.includes(n)).map(placeIn),
    ...[own, ...menusOf(page, source.path).map(({ container }) => container)].flatMap((one) => one?.range ?? []),
  ];
  const gone: Range[] = [];
  for (const [n, gallery] of galleries.entries()) {
    const heading = headingOf(reading, gallery);
    const itsOwn = heading === own || heading?.tag === 'h1' ? null : heading;
    if (n !== main && !keep.includes(n)) gone.push(cutOf(reading, gallery, itsOwn, stays));
    else if (n === main && galleries.length > 1 && itsOwn?.range && !isWithin(gallery.container, itsOwn))
      gone.push(itsOwn.range);
  }
  gone.push(...sectionLists(page, gone).flatMap(({ range }) => range ?? []));
  gone.push(...pagersOf(page).flatMap(({ range }) => range ?? []));
  gone.push(...page.elements.flatMap((one) => (isRowLink(one) && one.range ? [one.range] : [])));
  return cuts(page.text, gone);
}

const isWithin = (element: PageElement, outer: PageElement): boolean =>
  element === outer || [...ancestors(element)].includes(outer);

/**
 * What goes with a gallery: its heading and what holds it, where that holds nothing else; else its items alone, for all
 * else on the page is its author's.
 */
function cutOf(
  reading: Pick<PageReading, 'galleries' | 'document'>,
  gallery: Gallery,
  heading: PageElement | null,
  stays: readonly Range[],
): Range {
  const block = blockOf(reading, gallery, heading);
  const isOwn = ({ tag, range }: PageElement) =>
    tag === 'br' ||
    tag === 'hr' ||
    gallery.items.some(({ unit }) => range !== null && range.start < unit.end && range.end > unit.start);
  const holdsJustItems = gallery.container.children.every(isOwn);
  const isFree = block && !stays.some(({ start, end }) => start < block.end && end > block.start);
  return isFree && holdsJustItems ? block : placeIn(gallery);
}

const placeIn = ({ items }: Gallery): Range => ({ start: firstOf(items).unit.start, end: lastOf(items).unit.end });

/** `<link rel="next">` and its like: neighbours of the other page. */
const isRowLink = (element: PageElement): boolean =>
  element.tag === 'link' && /(?:^|\s)(?:prev|next|canonical)(?:\s|$)/i.test(valueOf(element, 'rel') ?? '');

const LISTS = new Set(['ul', 'ol', 'nav', 'p', 'div']);

/** Lists of links that lead to nothing but what goes. */
function sectionLists(page: PageDocument, gone: readonly Range[]): PageElement[] {
  const ids = new Set(
    page.elements.flatMap((element) => {
      const { range } = element;
      const id = valueOf(element, 'id') ?? (element.tag === 'a' ? valueOf(element, 'name') : undefined);
      return id !== undefined && range && gone.some(({ start, end }) => range.start >= start && range.end <= end)
        ? [id]
        : [];
    }),
  );
  const lists = page.elements.filter((element) => {
    if (!LISTS.has(element.tag)) return false;
    const links = [...descendants(element)].filter(({ tag }) => tag === 'a');
    return links.length > 1 && links.every((link) => ids.has(decoded(valueOf(link, 'href') ?? '')));
  });
  return lists.filter((one) => ![...ancestors(one)].some((outer) => lists.includes(outer)));
}

function decoded(href: string): string {
  if (!href.startsWith('#')) return '';
  try {
    return decodeURIComponent(href.slice(1));
  } catch {
    return href.slice(1);
  }
}

/** Each with its lines where nothing else stands on them; what lies in another goes with it. */
function cuts(text: string, ranges: readonly Range[]): Edit[] {
  const outer = [...ranges]
    .sort((a, b) => a.start - b.start || b.end - a.end)
    .reduce<Range[]>((all, range) => {
      const last = all.at(-1);
      if (last && range.start < last.end) return all;
      return [...all, range];
    }, []);
  return outer.map(({ start, end }) => {
    const before = text.lastIndexOf('\n', start - 1) + 1;
    const behind = text.indexOf('\n', end);
    const rest = text.slice(end, behind < 0 ? text.length : behind);
    const isAlone = text.slice(before, start).trim() === '' && rest.trim() === '';
    return isAlone && behind >= 0 ? { start: before, end: behind + 1, text: '' } : { start, end, text: '' };
  });
}

interface TitleFrame {
  /** The page's own part. */
  own: string;
  /** The title with another own part. */
  framed: (title: string) => string;
}

/** The title keeps what the titles of all pages end or begin with. */
function frameOf(site: SiteReading, source: PageReading, said: string): TitleFrame {
  const others = site.pages
    .filter((one) => one !== source)
    .flatMap(({ document }) => document.elements.find(({ tag }) => tag === 'title') ?? [])
    .map((element) => textOf(element).trim());
  const frame = /^(.+?)(\s+[–—|·:-]\s+|:\s+)(.+)$/s.exec(said);
  const [, first = '', between = '', last = ''] = frame ?? [];
  if (frame && others.some((other) => other.endsWith(last)))
    return { own: first, framed: (title) => title + between + last };
  if (frame && others.some((other) => other.startsWith(first)))
    return { own: last, framed: (title) => first + between + title };
  return { own: said, framed: (title) => title };
}

const wordsOf = (element: PageElement): string => textOf(element).trim().replace(/\s+/g, ' ').toLowerCase();

const isHeading = (element: PageElement): boolean =>
  /^h[1-3]$/.test(element.tag) && !someInside(element, ({ tag }) => tag === 'img') && wordsOf(element) !== '';

/**
 * The heading that is the page's own: what its title says, else what no other page says; the first `h1` where there is
 * no other page. A heading that all pages have is the site's name.
 */
function ownHeading(site: SiteReading, source: PageReading, page: PageDocument): PageElement | null {
  const headings = page.elements.filter(isHeading);
  const title = page.elements.find(({ tag }) => tag === 'title');
  const said = title ? textOf(title).trim() : '';
  const { own } = frameOf(site, source, said);
  const titled = headings.find((one) => [own, said].some((words) => words.toLowerCase() === wordsOf(one)));
  if (titled) return titled;
  const elsewhere = new Set(
    site.pages
      .filter((one) => one !== source)
      .flatMap(({ document }) => document.elements.filter(isHeading).map((one) => `${one.tag} ${wordsOf(one)}`)),
  );
  const unique = headings.filter((one) => !elsewhere.has(`${one.tag} ${wordsOf(one)}`));
  return unique.find(({ tag }) => tag === 'h1') ?? unique.find(({ tag }) => tag === 'h2') ?? null;
}

function titleEdits(site: SiteReading, source: PageReading, page: PageDocument, title: string): Edit[] {
  const own = page.elements.find(({ tag }) => tag === 'title');
  const heading = ownHeading(site, source, page);
  return [
    ...(own ? insideEdit(own, frameOf(site, source, textOf(own).trim()).framed(title)) : []),
    ...(heading ? insideEdit(heading, title) : []),
  ];
}

const insideEdit = ({ open, close }: PageElement, text: string): Edit[] =>
  open && close ? [{ start: open.end, end: close.start, text: encodeMarkup(text) }] : [];

/** Those that do not come along have gone; of those that are left it stands behind the kept ones before it. */
const galleryOf = (page: PageDocument, { gallery: main, keep }: CopyWish): Gallery | undefined =>
  main < 0 ? undefined : galleriesOf(page)[keep.filter((n) => n < main).length];

/** New pictures in the pattern of the old ones; galleries that come along stay. */
function galleryEdits(page: PageDocument, wish: CopyWish): Edit[] | string {
  const { items } = wish;
  const gallery = galleryOf(page, wish);
  if (!gallery || items.length === 0) return [];
  const fresh = freshItems(page, gallery, items);
  if (!fresh.ok) return fresh.reason;
  return [{ start: firstOf(gallery.items).unit.start, end: endOf(page, lastOf(gallery.items)), text: fresh.text }];
}

/**
 * The mark of the current page leaves the entry of the page that was copied; the new page gets an entry that has it.
 */
function menuEdits(page: PageDocument, from: string, { path: to, entry }: CopyWish, mark: CurrentMark): Edit[] {
  const [found] = menusOf(page, from);
  if (!found) return [];
  // A page that does not mark its own entry is no model for the new one.
  const menu = { ...found, mark: found.mark ?? mark };
  const own = menu.entries.find(({ current }) => current);
  const waiting =
    entry === null
      ? undefined
      : menu.entries.find(
          ({ target, dummy, label }) => target === to || (dummy && label.toLowerCase() === entry.toLowerCase()),
        );
  const edits = moveMark(page, menu, own, waiting, relativeReference(from, from));
  if (entry === null) return edits;
  const last = lastOf(menu.entries);
  // Addresses are those of the old place still; they are carried over with all others.
  const wish = { href: relativeReference(from, to), label: entry, current: true };
  if (waiting?.link) {
    const href = waiting.link.attributes.find(({ name }) => name === 'href');
    if (href) edits.push({ ...href.valueRange, text: wish.href });
    return edits.sort((a, b) => a.start - b.start);
  }
  const text = writeEntry(page, menu, wish);
  const end =
    last.unit.range &&
    last.unit.range.start + page.text.slice(last.unit.range.start, last.unit.range.end).trimEnd().length;
  const before = menu.entries.at(-2)?.unit.range;
  if (text === null || !end || !last.unit.range) return edits;
  const between = before
    ? page.text.slice(before.start + page.text.slice(before.start, before.end).trimEnd().length, last.unit.range.start)
    : '\n';
  return [...edits, { start: end, end, text: between + text }].sort((a, b) => a.start - b.start);
}

/** Addresses carried over to another folder; the files they lead to are the same. */
function rebasedEdits(site: SiteReading, page: PageDocument, from: string, to: string): Edit[] {
  return addressesOfPage(page).flatMap((address): Edit[] => {
    const { value, range, unplaced } = address;
    const led = unplaced ? null : ledBy(address, from, site);
    if (led?.lead.form !== 'relative' || led.base !== from || /^\s*(?:#|$)/.test(value)) return [];
    const written = writtenAs(led.lead, value, to, led.lead.path, site.own);
    return written === value ? [] : [{ ...range, text: address.write(written) }];
  });
}
