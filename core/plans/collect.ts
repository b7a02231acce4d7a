/** A page of all pictures: made as another page is made, and shown from then on what the others show. */
import { BEGIN, bringInStep, END, newReadingMemory, notesChange, readSite, regionOf } from '../model/index.ts';
import type { SiteReading } from '../model/index.ts';
import {
  elementBy,
  indentOf,
  type NewItem,
  newlineOf,
  placeOf,
  placeOfItems,
  removeAttribute,
  attributeOf,
} from '../markup/index.ts';
import {
  applyChange,
  applyEdits,
  type Collected,
  type Collection,
  nameOf,
  planEdits,
  type Planned,
  refuse,
} from '../site/index.ts';
import { allFiles, factsByHash } from './fixAll.ts';
import type { NewPicture } from './intent.ts';
import { GALLERY_GONE, galleryAt } from './items.ts';
import { Merged } from './merged.ts';
import { newPage } from './newPage.ts';

interface CollectWish {
  /** Of the new page. */
  path: string;
  title: string;
  /** The gallery whose page, set-up and items it is written like. */
  like: { page: string; gallery: number };
  /** What the menus shall call it. */
  entry?: string | undefined;
  collected: Collected;
}

export function collect(
  site: SiteReading,
  { path, title, like, entry, collected }: CollectWish,
  itemFor: (page: string, picture: NewPicture) => NewItem,
): Planned {
  const found = galleryAt(site, like);
  if (!found) return refuse(GALLERY_GONE);
  if (!placeOfItems(found.page.document, found.gallery))
    return refuse('The items of this gallery do not stand by themselves in one element. Choose another gallery.');
  const made = newPage(site, { path, title, from: like.page, fills: like.gallery, entry }, itemFor);
  if (!made.ok) return made;
  const before = allFiles(site);
  const steps = new Merged(before);
  steps.add(made.change.files);
  const first = read(site, before, made);
  if (typeof first === 'string') return refuse(first);
  const marked = withMarks(first, path.trim(), collected);
  if (!marked.ok) return marked;
  steps.add(marked.change.files);
  const second = read(first, allFiles(first), marked);
  if (typeof second === 'string') return refuse(second);
  const filled = bringInStep(second, [path.trim()]);
  if (!filled.ok) return filled;
  if (filled.change.files.length === 0)
    return refuse('No picture of these pages is like that, so the page would be empty.');
  steps.add(filled.change.files);
  return { ok: true, change: { label: `New page ${path.trim()} with pictures of other pages`, files: steps.files() } };
}

function read(site: SiteReading, before: ReturnType<typeof allFiles>, planned: Planned): SiteReading | string {
  if (!planned.ok) return planned.reason;
  const applied = applyChange(before, planned.change);
  if (!applied.ok) return applied.reason;
  const shipped = site.kits.filter(({ kind }) => kind !== 'own');
  return readSite(applied.files, factsByHash(site), shipped, newReadingMemory());
}

/** The empty gallery gives way to the marks of the region; how its items were written is noted. */
function withMarks(site: SiteReading, path: string, collected: Collected): Planned {
  const page = site.pages.find((one) => one.path === path);
  const { emptied, collections } = site.notes.known;
  const place = emptied.find((one) => one.page === path);
  const container = page && place ? elementBy(page.document, place.at) : null;
  if (!page || !place || !container?.open || !container.close)
    return refuse('The place of the gallery is not found on the new page. Choose another gallery.');
  const { document } = page;
  const { text } = document;
  const range = placeOf(container);
  const line = newlineOf(document) + indentOf(document, container);
  const { at: _at, tag: _tag, className: _class, page: _page, ...hand } = place;
  const collection: Collection = {
    ...collected,
    page: path,
    open: withoutId(text, container),
    close: text.slice(container.close.start, container.close.end),
    hand,
    lines: [],
  };
  const planned = planEdits('', path, { ok: true, edits: [{ ...range, text: BEGIN + line + END }] });
  if (!planned.ok) return planned;
  const notes = notesChange(site, {
    collections: [...collections, collection],
    emptied: emptied.filter((one) => one !== place),
  });
  return { ok: true, change: { label: '', files: [...planned.change.files, ...notes] } };
}

/** There may be several such galleries, and an id stands once on a page. */
function withoutId(text: string, container: NonNullable<ReturnType<typeof elementBy>>): string {
  const id = attributeOf(container, 'id');
  const open = placeOf({ ...container, range: container.open });
  const edits = id ? [removeAttribute(id, text)] : [];
  const inside = edits.map((edit) => ({ ...edit, start: edit.start - open.start, end: edit.end - open.start }));
  const applied = applyEdits(text.slice(open.start, open.end), inside);
  return applied.ok ? applied.text : text.slice(open.start, open.end);
}

/** Which pictures it shows from now on. */
export function setCollection(site: SiteReading, { page, collected }: { page: string; collected: Collected }): Planned {
  const { collections } = site.notes.known;
  if (!collections.some((one) => one.page === page)) return refuse(`${page} is no page of all pictures any more.`);
  const changed = collections.map((one) => (one.page === page ? { ...one, ...collected } : one));
  return {
    ok: true,
    change: {
      label: `Change which pictures ${nameOf(page)} shows`,
      files: notesChange(site, { collections: changed }),
    },
  };
}

export function updateCollections(site: SiteReading, { pages }: { pages: readonly string[] }): Planned {
  const updated = bringInStep(site, pages);
  return updated.ok && updated.change.files.length === 0 ? refuse('These pages are up to date.') : updated;
}

/** The page keeps its pictures, and is its author's alone from now on. */
export function endCollection(site: SiteReading, { page: path }: { page: string }): Planned {
  const { collections } = site.notes.known;
  const page = site.pages.find((one) => one.path === path);
  if (!collections.some((one) => one.page === path)) return refuse(`${path} is no page of all pictures any more.`);
  const label = `Keep ${nameOf(path)} as it is`;
  const notes = notesChange(site, { collections: collections.filter((one) => one.page !== path) });
  const region = page && regionOf(page.document);
  if (!page || !region) return { ok: true, change: { label, files: notes } };
  const { text } = page.document;
  const lineOf = (from: number) => ({ start: from, end: text.indexOf('\n', from) + 1 || text.length, text: '' });
  const begin = text.lastIndexOf('\n', region.start - 2) + 1;
  const edits = [lineOf(begin), lineOf(region.end)];
  const planned = planEdits(label, path, { ok: true, edits });
  return planned.ok ? { ok: true, change: { label, files: [...planned.change.files, ...notes] } } : planned;
}
