/** A new page: from a clean skeleton, or from one that is there, whose head, menu, scripts and layout it keeps. */
import { isOfKit } from '../wiring/index.ts';
import {
  someInside,
  endOf,
  freshItems,
  encodeMarkup,
  menusOf,
  moveMark,
  parsePage,
  removeItems,
  textOf,
  galleriesOf,
  skeletonPage,
  SKELETON_STYLE,
  writeEntry,
  type NewItem,
  type PageDocument,
  type PageElement,
} from '../markup/index.ts';
import {
  notesChange,
  addressesOfPage,
  ledBy,
  type PageReading,
  sharedMenu,
  type SiteReading,
  writtenAs,
} from '../model/index.ts';
import {
  applyEdits,
  cleanPath,
  type Edit,
  type FileChange,
  folderOf,
  isPagePath,
  isStylePath,
  type Planned,
  refuse,
  relativeReference,
  type Result,
  firstOf,
  lastOf,
} from '../site/index.ts';
import { enterInMenus } from './menuWork.ts';
import type { NewPicture } from './intent.ts';

interface NewPageWish {
  path: string;
  title: string;
  /** The page that it is made from; undefined begins with a skeleton. */
  from?: string | undefined;
  /** The pictures of its gallery, instead of those of the page it is made from. */
  pictures?: readonly NewPicture[] | undefined;
  /** What the menus shall call it; undefined leaves them as they are. */
  entry?: string | undefined;
}

/** `itemFor` writes a picture's addresses as they stand in a page at that path. */
export function newPage(
  site: SiteReading,
  { path: raw, title, from, pictures = [], entry }: NewPageWish,
  itemFor: (page: string, picture: NewPicture) => NewItem,
): Planned {
  const clean = cleanPath(raw.trim());
  if (!clean.ok) return refuse(`“${raw}” cannot be a page’s name: ${clean.reason}.`);
  const { path } = clean;
  if (!isPagePath(path)) return refuse(`“${path}” does not end in .html.`);
  if (site.index.lookup(path).found !== 'nothing') return refuse(`There is a file ${path} already.`);
  const source = from === undefined ? undefined : site.pages.find((one) => one.path === from);
  if (from !== undefined && !source) return refuse(`There is no page ${from} any more.`);
  const made = source
    ? copied(
        site,
        source,
        path,
        title,
        pictures.map((picture) => itemFor(path, picture)),
        entry ?? null,
      )
    : skeleton(site, path, title);
  if (!made.ok) return made;
  const entered = entry === undefined ? NOTHING : entriesFor(site, path, entry);
  if (!entered.ok) return entered;
  return {
    ok: true,
    change: {
      label: source ? `New page ${path} from ${source.path}` : `New page ${path}`,
      files: [...made.files, ...entered.files, ...hintsFor(site, path, from)],
    },
  };
}

const NOTHING: Made = { ok: true, files: [] };

function entriesFor(site: SiteReading, path: string, label: string): Made {
  const shared = sharedMenu(site.pages);
  return shared
    ? enterInMenus(shared, path, label)
    : refuse('No two pages here share a menu, so there is none to add the page to.');
}

/** What was said of the items of the page that it is made from goes for those of the new one. */
function hintsFor(site: SiteReading, path: string, from: string | undefined): FileChange[] {
  const { links, units } = site.notes.known;
  const more = <One extends { page: string }>(all: readonly One[]): One[] =>
    all.filter(({ page }) => page === from).map((one) => ({ ...one, page: path }));
  const said = { links: more(links), units: more(units) };
  return said.links.length + said.units.length === 0
    ? []
    : notesChange(site, { links: [...links, ...said.links], units: [...units, ...said.units] });
}

type Made = Result<{ files: FileChange[] }>;

function skeleton(site: SiteReading, path: string, title: string): Made {
  const styles = [...site.files.keys()].filter(
    (one) => isStylePath(one) && !site.kits.some((kit) => isOfKit(kit, one)),
  );
  const style = styles[0] ?? `${folderOf(path)}style.css`;
  const files: FileChange[] = [
    {
      kind: 'put',
      path,
      before: null,
      after: { kind: 'text', text: skeletonPage(title, relativeReference(path, style)) },
    },
  ];
  if (styles.length === 0)
    files.push({ kind: 'put', path: style, before: null, after: { kind: 'text', text: SKELETON_STYLE } });
  return { ok: true, files };
}

function copied(
  site: SiteReading,
  source: PageReading,
  path: string,
  title: string,
  items: readonly NewItem[],
  entry: string | null,
): Made {
  // One step after the other, each on the text of the one before: what they change lies side by side or within.
  const steps: ((page: PageDocument) => Edit[] | string)[] = [
    (page) => titleEdits(site, source, page, title),
    (page) => galleryEdits(page, items),
    (page) => menuEdits(page, source.path, path, entry),
    (page) => (folderOf(path) === folderOf(source.path) ? [] : rebasedEdits(site, page, source.path, path)),
  ];
  let { text } = source;
  for (const step of steps) {
    const edits = step(parsePage(text, source.document.units));
    if (typeof edits === 'string') return refuse(edits);
    const applied = applyEdits(text, edits);
    if (!applied.ok) return applied;
    text = applied.text;
  }
  return { ok: true, files: [{ kind: 'put', path, before: null, after: { kind: 'text', text } }] };
}

/** The title keeps what the titles of all pages end or begin with; the first heading is the title alone. */
function titleEdits(site: SiteReading, source: PageReading, page: PageDocument, title: string): Edit[] {
  const own = page.elements.find(({ tag }) => tag === 'title');
  const heading = page.elements.find(({ tag }) => tag === 'h1');
  const others = site.pages
    .filter((one) => one !== source)
    .flatMap(({ document }) => document.elements.find(({ tag }) => tag === 'title') ?? [])
    .map((element) => textOf(element).trim());
  const said = own ? textOf(own).trim() : '';
  const frame = /^(.+?)(\s+[–—|·:-]\s+|:\s+)(.+)$/s.exec(said);
  const [, first = '', between = '', last = ''] = frame ?? [];
  const framed = (): string => {
    if (frame && others.some((other) => other.endsWith(last))) return title + between + last;
    if (frame && others.some((other) => other.startsWith(first))) return first + between + title;
    return title;
  };
  const kept = framed();
  return [
    ...(own ? insideEdit(own, kept) : []),
    ...(heading && !someInside(heading, ({ tag }) => tag === 'img') ? insideEdit(heading, title) : []),
  ];
}

const insideEdit = ({ open, close }: PageElement, text: string): Edit[] =>
  open && close ? [{ start: open.end, end: close.start, text: encodeMarkup(text) }] : [];

/** New pictures in the pattern of the old ones, which go; of further galleries nothing is kept but their place. */
function galleryEdits(page: PageDocument, items: readonly NewItem[]): Edit[] | string {
  const galleries = galleriesOf(page);
  const edits: Edit[] = [];
  for (const [n, gallery] of galleries.entries()) {
    const all = gallery.items.map((_, at) => at);
    const first = firstOf(gallery.items);
    const last = lastOf(gallery.items);
    if (n > 0 || items.length === 0) {
      const gone = removeItems(page, gallery, all);
      if (!gone.ok) return gone.reason;
      edits.push(...gone.edits);
      continue;
    }
    const fresh = freshItems(page, gallery, items);
    if (!fresh.ok) return fresh.reason;
    edits.push({ start: first.unit.start, end: endOf(page, last), text: fresh.text });
  }
  return edits;
}

/**
 * The mark of the current page leaves the entry of the page that was copied; the new page gets an entry that has it.
 */
function menuEdits(page: PageDocument, from: string, to: string, entry: string | null): Edit[] {
  const [menu] = menusOf(page, from);
  if (!menu) return [];
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
