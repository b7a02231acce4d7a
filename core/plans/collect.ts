/** A page of all pictures: made as another page is made, and shown from then on what the others show. */
import { BEGIN, bringInStep, collectedGroups, END, notesChange, regionOf, standsIn } from '../model/index.ts';
import type { SiteReading } from '../model/index.ts';
import {
  elementBy,
  indentOf,
  type NewItem,
  newlineOf,
  parsePage,
  placeOf,
  placeOfItems,
  removeAttribute,
  attributeOf,
} from '../markup/index.ts';
import {
  applyEdits,
  type Collected,
  type Collection,
  countOf,
  type FileChange,
  folderOf,
  nameOf,
  planEdits,
  type Planned,
  refuse,
  type Result,
  slugOf,
} from '../site/index.ts';
import { freePath } from './importPictures.ts';
import type { NewPicture } from './intent.ts';
import { GALLERY_GONE, galleryAt } from './items.ts';
import { pageParts, type PageParts, withHints } from './newPage.ts';

type ItemFor = (page: string, picture: NewPicture) => NewItem;

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

/** The page stands empty in this plan: what it shows comes as with every change that it depends on. */
export function collect(site: SiteReading, wish: CollectWish, itemFor: ItemFor): Planned {
  const label = `New page ${wish.path.trim()} with pictures of other pages`;
  return collectAll(site, [wish], label, itemFor);
}

interface CollectTagsWish {
  tags: readonly string[];
  like: CollectWish['like'];
  /** Their tag is that of each page. */
  collected: Collected;
}

/** A page for each tag, named after it, beside the page that they are written like. */
export function collectTags(site: SiteReading, { tags, like, collected }: CollectTagsWish, itemFor: ItemFor): Planned {
  const taken = new Set([...site.files.keys()].map((path) => path.toLowerCase()));
  const wishes = tags.map((tag, n): CollectWish => {
    const path = freePath(folderOf(like.page), `tag-${slugOf(tag) || n + 1}.html`, taken);
    taken.add(path.toLowerCase());
    return { path, title: tag, like, collected: { ...collected, tag } };
  });
  if (wishes.length === 0) return refuse('No tag is chosen.');
  const label = tags.length === 1 ? `New page for “${tags[0]}”` : `New pages for ${countOf(tags.length, 'tag')}`;
  return collectAll(site, wishes, label, itemFor);
}

function collectAll(site: SiteReading, wishes: readonly CollectWish[], label: string, itemFor: ItemFor): Planned {
  const files: FileChange[] = [];
  const hints: Parameters<typeof withHints>[1][number][] = [];
  const collections: Collection[] = [];
  for (const { path, title, like, entry, collected } of wishes) {
    const found = galleryAt(site, like);
    if (!found) return refuse(GALLERY_GONE);
    const region = regionOf(found.page.document);
    if (region && standsIn(region)(found.gallery.container))
      return refuse(`${like.page} shows pictures of other pages itself. Choose a gallery that is written by hand.`);
    if (!placeOfItems(found.page.document, found.gallery))
      return refuse('The items of this gallery do not stand by themselves in one element. Choose another gallery.');
    const parts = pageParts(site, { path, title, from: like.page, fills: like.gallery, entry }, itemFor);
    if (!parts.ok) return parts;
    if (collectedGroups(site, parts.path, collected).length === 0)
      return refuse(
        collected.tag === null
          ? 'No picture of these pages is like that, so the page would be empty.'
          : `No picture of these pages is like that, so the page for “${collected.tag}” would be empty.`,
      );
    const marked = withMarks(parts, collected);
    if (!marked.ok) return marked;
    files.push(...marked.files);
    collections.push(marked.collection);
    hints.push({ ...parts.hints, emptied: parts.hints.emptied.slice(0, -1) });
  }
  const noted = { ...withHints(site, hints), collections: [...site.notes.known.collections, ...collections] };
  return { ok: true, change: { label, files: [...files, ...notesChange(site, noted)] } };
}

/** The empty gallery gives way to the marks of the region; how its items were written is noted. */
function withMarks(
  { path, files, place }: PageParts,
  collected: Collected,
): Result<{ files: FileChange[]; collection: Collection }> {
  const put = files.find((one) => one.kind === 'put' && one.path === path);
  const text = put?.kind === 'put' && put.after?.kind === 'text' ? put.after.text : '';
  const document = parsePage(text);
  const container = place ? elementBy(document, place.at) : null;
  if (!put || !place || !container?.open || !container.close)
    return refuse('The place of the gallery is not found on the new page. Choose another gallery.');
  const range = placeOf(container);
  const line = newlineOf(document) + indentOf(document, container);
  const marked = applyEdits(text, [{ ...range, text: BEGIN + line + END }]);
  if (!marked.ok) return marked;
  const { at: _at, tag: _tag, className: _class, ...hand } = place;
  const collection: Collection = {
    ...collected,
    page: path,
    open: withoutId(text, container),
    close: text.slice(container.close.start, container.close.end),
    hand,
    lines: [],
  };
  const page: FileChange = { kind: 'put', path, before: null, after: { kind: 'text', text: marked.text } };
  return { ok: true, files: [page, ...files.filter((one) => one !== put)], collection };
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
