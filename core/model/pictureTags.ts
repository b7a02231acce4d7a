/**
 * Tags of pictures as pages say them: viewers that choose by tags look for an attribute on each item, with commas
 * between its tags.
 */
import {
  attributeOf,
  type Gallery,
  type GalleryItem,
  type PageElement,
  removeAttribute,
  setAttribute,
  valueOf,
  verifiedSameShape,
} from '../markup/index.ts';
import { type Edit, type FileChange, grouped, type Planned, refuse } from '../site/index.ts';
import type { Kit } from '../wiring/index.ts';
import { regionOf, standsIn } from './collection/region.ts';
import type { PageReading, SiteReading } from './reading.ts';
import type { Strand } from './strands.ts';

/** An item of a gallery whose pictures are chosen by their tags. */
export interface TaggedItem {
  page: PageReading;
  gallery: Gallery;
  item: GalleryItem;
  strand: Strand;
  /** What holds the tags. */
  element: PageElement;
  attribute: string;
  /** As they are written there; empty without the attribute. */
  tags: string[];
}

/** The tags of an attribute's value, in their order. */
const tagsIn = (value: string): string[] =>
  value
    .split(',')
    .map((tag) => tag.trim())
    .filter((tag) => tag !== '');

/**
 * Every item that is marked for such a viewer, or stands in a gallery that is; but for those that a page only shows of
 * other pages, which say what the others say.
 */
export function taggedItems(site: Pick<SiteReading, 'pages' | 'kits'>): TaggedItem[] {
  const kits = site.kits.filter(({ manifest }) => manifest.tags);
  return site.pages.flatMap((page) => {
    const region = regionOf(page.document);
    return page.galleries.flatMap((gallery, g) => {
      if (region && standsIn(region)(gallery.container)) return [];
      const attribute = tagAttributeOf(gallery, kits);
      return attribute === null ? [] : itemsOf(page, gallery, page.strands[g] ?? [], attribute);
    });
  });
}

/**
 * The attribute for tags of pictures that stand in this part of a page, or in what these tags open; null where no
 * viewer that chooses by tags is marked there.
 */
export function tagAttributeIn({ kits }: Pick<SiteReading, 'kits'>, within: readonly PageElement[]): string | null {
  for (const { manifest } of kits) {
    const { marker, tags } = manifest;
    if (!tags || marker.attribute === undefined) continue;
    const { attribute } = marker;
    if (within.some((element) => valueOf(element, attribute) !== undefined)) return tags.attribute;
  }
  return null;
}

function itemsOf(page: PageReading, gallery: Gallery, strands: readonly Strand[], attribute: string): TaggedItem[] {
  return gallery.items.flatMap((item, n): TaggedItem[] => {
    const [strand, element] = [strands[n], item.elements[0]];
    if (!strand || !element?.open) return [];
    return [{ page, gallery, item, strand, element, attribute, tags: tagsIn(valueOf(element, attribute) ?? '') }];
  });
}

/** The attribute in which the items of a gallery have their tags; null where no such viewer is on it. */
export function tagAttributeOf({ container, items }: Gallery, kits: readonly Kit[]): string | null {
  for (const { manifest } of kits) {
    const attribute = manifest.tags?.attribute;
    if (attribute === undefined) continue;
    const { marker } = manifest;
    const isMarked = marker.attribute !== undefined && valueOf(container, marker.attribute) !== undefined;
    const isTagged = items.some(({ elements: [element] }) => element && valueOf(element, attribute) !== undefined);
    if (isMarked || isTagged) return attribute;
  }
  return null;
}

/** What pages say of each full-size file, each tag once. */
export function tagsOnPages(items: readonly TaggedItem[]): Map<string, string[]> {
  const tags = new Map<string, string[]>();
  for (const { strand, tags: said } of items)
    if (strand.full !== null) tags.set(strand.full, [...new Set([...(tags.get(strand.full) ?? []), ...said])]);
  return tags;
}

/** Items get the tags that `wanted` says; those that have them already stay as they are written. */
export function writeTags(site: SiteReading, wanted: (item: TaggedItem) => readonly string[]): Planned {
  const files: FileChange[] = [];
  for (const [page, items] of grouped(taggedItems(site), (item) => item.page)) {
    const edits = items.flatMap((item) => editFor(page, item, wanted(item), separatorIn(items)) ?? []);
    if (edits.length === 0) continue;
    const edited = verifiedSameShape(page.document, edits);
    if (!edited.ok) return refuse(`${page.path}: ${edited.reason}`);
    files.push({ kind: 'edit', path: page.path, edits: edited.edits });
  }
  return { ok: true, change: { label: '', files } };
}

function editFor(page: PageReading, item: TaggedItem, tags: readonly string[], separator: string): Edit | null {
  const { element, attribute, tags: now } = item;
  if (tags.join('\n') === now.join('\n')) return null;
  const { text } = page.document;
  const there = attributeOf(element, attribute);
  if (tags.length > 0) return setAttribute(element, attribute, tags.join(separator), text);
  return there ? removeAttribute(there, text) : null;
}

/** As the page has it between its tags already. */
function separatorIn(items: readonly TaggedItem[]): string {
  for (const { element, attribute } of items) {
    const between = /\s*,\s*/.exec(valueOf(element, attribute) ?? '')?.[0];
    if (between !== undefined) return between;
  }
  return ', ';
}
