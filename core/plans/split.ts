/**
 * A gallery written on several pages of N items each, with the way from one to the next; put in step again when
 * pictures came or went.
 */
import {
  addressIn,
  descendants,
  encodeAttribute,
  encodeMarkup,
  galleriesOf,
  parsePage,
  separatorOf,
  standsBehind,
  textOf,
  valueOf,
  type Gallery,
  type GalleryItem,
  type PageDocument,
  type PageElement,
  placeOf,
} from '../markup/index.ts';
import { notesChange, type PageReading, type SiteReading } from '../model/index.ts';
import {
  applyEdits,
  type Edit,
  extensionOf,
  type FileChange,
  firstOf,
  folderOf,
  known,
  lastOf,
  nameOf,
  type Planned,
  refuse,
  relativeReference,
  resolveInSite,
  smallestEdit,
  stemOf,
  type Result,
} from '../site/index.ts';
import { GALLERY_GONE } from './items.ts';

/** The class by which the way between the pages is found again. */
const WAY = 'gallery-pages';

/** The pages over which a gallery is spread, the first one first; null where it is on one page alone. */
export function spreadOf(
  site: Pick<SiteReading, 'notes' | 'files'>,
  page: string,
): { pages: string[]; size: number } | null {
  const found = site.notes.known.spreads.find(({ pages }) => pages.includes(page));
  if (!found) return null;
  const pages = found.pages.filter((path) => site.files.has(path));
  return pages.length > 1 ? { pages, size: found.size } : null;
}

/** An item's source, and the address by which it is told from others. */
export interface Piece {
  text: string;
  address: string;
}

export interface Part {
  page: PageReading;
  gallery: Gallery;
}

export function splitGallery(
  site: SiteReading,
  { page: path, gallery: n, size }: { page: string; gallery: number; size: number },
): Planned {
  const spread = spreadOf(site, path);
  const paths = spread?.pages ?? [path];
  const parts = partsOf(site, paths, n);
  const [first] = parts;
  if (!first || first.page.path !== paths[0]) return refuse(GALLERY_GONE);
  const hindrance = hindranceIn(parts, first);
  if (hindrance !== null) return refuse(hindrance);

  const items = piecesOf(parts);
  const chunks = Array.from({ length: Math.ceil(items.length / size) }, (_, at) =>
    items.slice(at * size, (at + 1) * size),
  );
  if (chunks.length < 2 && !spread)
    return refuse(`The gallery has ${items.length} items; they fit on one page of ${size}.`);
  const names = chunks.map((_, at) => paths[at] ?? nameFor(site, firstOf(paths), at + 1));
  const gone = paths.slice(chunks.length);
  const led = leadsTo(site, paths, gone);
  if (led) return refuse(`${led.from} leads to ${led.to}, which would go. Remove that link first.`);

  const pages = writtenPages(parts, first, names, chunks, handOf(parts, paths));
  if (!pages.ok) return pages;
  const { files } = pages;
  for (const one of gone) files.push({ kind: 'put', path: one, before: site.files.get(one) ?? null, after: null });
  if (files.length === 0 && spread?.size === size) return refuse('Every page holds what it should already.');
  return {
    ok: true,
    change: { label: labelOf(paths, names, size), files: [...files, ...noted(site, path, names, size)] },
  };
}

const labelOf = ([first]: readonly string[], names: readonly string[], size: number): string =>
  names.length === 1
    ? `Merge the gallery of ${first} into one page`
    : `Split the gallery of ${first} into ${names.length} pages of ${size}`;

/** Which pages the gallery is spread over now; one page alone is no spread. */
function noted(site: SiteReading, path: string, names: string[], size: number): FileChange[] {
  const others = site.notes.known.spreads.filter(({ pages }) => !pages.includes(path));
  return notesChange(site, { spreads: names.length === 1 ? others : [...others, { pages: names, size }] });
}

export const piecesOf = (parts: readonly Part[]): Piece[] =>
  parts.flatMap(({ page, gallery }) =>
    gallery.items.map((item) => ({
      text: page.text.slice(item.unit.start, item.unit.end),
      address: addressIn(item),
    })),
  );

/** Each page with its share of the items; what is as it was is left out. */
function writtenPages(
  parts: readonly Part[],
  first: Part,
  names: readonly string[],
  chunks: readonly (readonly Piece[])[],
  hand: WayHand,
): Result<{ files: FileChange[] }> {
  const files: FileChange[] = [];
  for (const [at, chunk] of chunks.entries()) {
    const path = known(names[at], 'name for each page');
    const own = parts.find(({ page }) => page.path === path);
    const made = written(own ?? first, at + 1, names, chunk, !own, hand);
    if (typeof made === 'object') return refuse(`${path}: ${made.reason}`);
    if (!holdsJust(made, chunk, first.page)) return refuse(`${path}: the page would be read otherwise than meant.`);
    if (!own) files.push({ kind: 'put', path, before: null, after: { kind: 'text', text: made } });
    else if (made !== own.page.text) files.push({ kind: 'edit', path, edits: smallestEdit(own.page.text, made) });
  }
  return { ok: true, files };
}

function partsOf(site: SiteReading, paths: readonly string[], n: number): Part[] {
  return paths.flatMap((path) => {
    const page = site.pages.find((other) => other.path === path);
    const gallery = page?.galleries[n];
    return page && gallery ? [{ page, gallery }] : [];
  });
}

/** Why the gallery cannot be taken apart; null where it can. */
export function hindranceIn(parts: readonly Part[], { gallery }: Part): string | null {
  if (gallery.items.some(({ elements }) => elements[0]?.parent !== gallery.container))
    return 'The items of this gallery stand in rows of their own; a page could begin in the middle of a row. Remove the rows from the markup first.';
  if (gallery.items.some(({ elsewhere }) => elsewhere.length > 0))
    return 'Each picture of this gallery leads to a part of its own elsewhere on its page; those would stay behind. Split it in the source.';
  for (const { page, gallery: each } of parts)
    for (const n of each.items.keys()) {
      const between = standsBehind(page.document, each, n);
      if (!between) continue;
      const line = page.document.lines.lineAt(between.start);
      return `${page.path}, line ${line}: something stands between two items that belongs to neither. Put it into one of them, or remove it first.`;
    }
  if (!gallery.container.range || !gallery.container.close)
    return 'What holds the items is not closed in the source, so nothing can be added after it.';
  for (const { page } of parts) {
    const [hazard] = page.hazards;
    if (!hazard) continue;
    const line = page.document.lines.lineAt(hazard.range.start);
    return `${page.path}, line ${line}: ${hazard.says}. Fix this first.`;
  }
  return null;
}

/** Another page that leads to one which would go. */
function leadsTo(
  site: SiteReading,
  paths: readonly string[],
  gone: readonly string[],
): { from: string; to: string } | null {
  for (const { path, addresses } of site.pages) {
    if (paths.includes(path)) continue;
    const to = gone.find((one) => addresses.some(({ value, dormant }) => !dormant && fileOf(value, path) === one));
    if (to !== undefined) return { from: path, to };
  }
  return null;
}

/** Of a single item nobody can say whether it is a gallery. */
export function holdsJust(text: string, items: readonly { address: string }[], like: PageReading): boolean {
  if (items.length < 2) return true;
  const wanted = items.map(({ address }) => address).join('\n');
  const found = galleriesOf(parsePage(text, like.document.units));
  return found.some((one) => one.items.map(addressIn).join('\n') === wanted);
}

const fileOf = (value: string, from: string): string => {
  const target = resolveInSite(value, from);
  return target.kind === 'file' ? target.path : '';
};

/** `festival-2.html`; a name that is taken is passed over. */
function nameFor(site: SiteReading, first: string, number: number): string {
  for (let more = ''; ; more += '-') {
    const path = `${folderOf(first)}${stemOf(first)}-${more}${number}.${extensionOf(nameOf(first))}`;
    if (site.index.lookup(path).found === 'nothing') return path;
  }
}

/** A page's text with these items in its gallery and the way to the other pages behind it. */
function written(
  { page, gallery }: Part,
  number: number,
  names: readonly string[],
  chunk: readonly { text: string }[],
  fresh: boolean,
  hand: WayHand,
): string | { reason: string } {
  const { document } = page;
  const [start, end] = [firstOf(gallery.items).unit.start, lastOf(gallery.items).unit.end];
  const newline = document.text.includes('\r\n') ? '\r\n' : '\n';
  const edits: Edit[] = [{ start, end, text: chunk.map(({ text }) => text).join(separatorOf(document, gallery)) }];
  const old = wayBehind(document, gallery, names);
  const indent =
    /^[ \t]*/.exec(
      document.text.slice(document.text.lastIndexOf('\n', placeOf(gallery.container).start - 1) + 1),
    )?.[0] ?? '';
  const way =
    names.length > 1
      ? newline +
        wayOf(names, number, hand)
          .map((line) => indent + line)
          .join(newline)
      : '';
  if (old?.range) {
    // With the line break before it, as it was written.
    let from = old.range.start;
    while (from > 0 && /[ \t]/.test(document.text.charAt(from - 1))) from--;
    if (document.text[from - 1] === '\n') from--;
    if (document.text[from - 1] === '\r') from--;
    edits.push({ start: from, end: old.range.end, text: way });
  } else if (way !== '') {
    const at = placeOf(gallery.container).end;
    edits.push({ start: at, end: at, text: way });
  }
  if (fresh) edits.push(...numberedTitle(document, number));
  const applied = applyEdits(
    document.text,
    edits.sort((a, b) => a.start - b.start),
  );
  return applied.ok ? applied.text : { reason: applied.reason };
}

function wayBehind(
  document: PageDocument,
  { container, items }: { container: PageElement; items: readonly GalleryItem[] },
  names: readonly string[],
): PageElement | null {
  const end = lastOf(items).unit.end;
  return (
    document.elements.find(
      (element) =>
        element.tag === 'nav' &&
        element.range &&
        element.range.start >= end &&
        (valueOf(element, 'class') ?? '').split(/\s+/).includes(WAY) &&
        element.parent === container.parent &&
        names.length > 0,
    ) ?? null
  );
}

/** How the way is written: as it was at first, or as its author has changed it since. */
interface WayHand {
  /** The start tag. */
  open: string;
  /** Markup inside the links. */
  previous: string;
  next: string;
}

function handOf(parts: readonly Part[], names: readonly string[]): WayHand {
  const hand: WayHand = {
    open: `<nav class="${WAY}" aria-label="Pages of this gallery">`,
    previous: 'Previous',
    next: 'Next',
  };
  for (const {
    page: { document },
    gallery,
  } of [...parts].reverse()) {
    const way = wayBehind(document, gallery, names);
    if (!way?.open) continue;
    hand.open = document.text.slice(way.open.start, way.open.end);
    for (const [key, rel] of [
      ['previous', 'prev'],
      ['next', 'next'],
    ] as const) {
      const link = [...descendants(way)].find((one) => one.tag === 'a' && valueOf(one, 'rel') === rel);
      if (link?.open && link.close) hand[key] = document.text.slice(link.open.end, link.close.start);
    }
  }
  return hand;
}

/** Previous, the numbers, next; as relative references, for all pages stand in one folder. */
function wayOf(names: readonly string[], number: number, { open, previous, next }: WayHand): string[] {
  const nameOf = (at: number) => known(names[at - 1], 'name for each page');
  const from = nameOf(number);
  const href = (at: number) => encodeAttribute(relativeReference(from, nameOf(at)), '"');
  const numbers = names.map((_, at) =>
    at + 1 === number ? `<span aria-current="page">${number}</span>` : `<a href="${href(at + 1)}">${at + 1}</a>`,
  );
  return [
    open,
    ...(number > 1 ? [`  <a href="${href(number - 1)}" rel="prev">${previous}</a>`] : []),
    ...numbers.map((one) => `  ${one}`),
    ...(number < names.length ? [`  <a href="${href(number + 1)}" rel="next">${next}</a>`] : []),
    '</nav>',
  ];
}

/** “Festival, page 2 – Circle”: two pages of one title cannot be told apart in a list of windows. */
export function numberedTitle(document: PageDocument, number: number): Edit[] {
  const title = document.elements.find(({ tag }) => tag === 'title');
  if (!title?.open || !title.close) return [];
  const said = textOf(title).trim();
  const [, own = said, rest = ''] = /^(.+?)(\s+[–—|·-]\s+.+)$/s.exec(said) ?? [];
  return [{ start: title.open.end, end: title.close.start, text: encodeMarkup(`${own}, page ${number}${rest}`) }];
}
