/** Work on items, one or many: slots, attributes, patterns, counters, and items that go elsewhere. */
import {
  addItems,
  applyPattern,
  editAttributes,
  moveItems,
  oddOnes,
  removeItems,
  renumber,
  setOnLinks,
  setSlot,
  type GalleryItem,
  type NewItem,
  type SettableSlot,
} from '../markup/index.ts';
import { notesChange, takenAtOf, wordsOf, type SiteReading, type Strand } from '../model/index.ts';
import { countOf, planEdits, type Planned, refuse, relativeReference, resolveInSite } from '../site/index.ts';
import { galleryFor, rememberingEmptied } from './emptied.ts';
import { GALLERY_GONE, galleryAt, itemOf, markupIn, type FoundGallery, type GalleryPlace } from './items.ts';
import type { CaptionSource, FILLABLE } from './rules.ts';

const counted = (count: number): string => countOf(count, 'item');

/** Items of one gallery by the names of their strands; those of several galleries are refused. */
function chosenItems(site: SiteReading, strands: readonly string[]): (FoundGallery & { places: number[] }) | string {
  const found = strands.map((id) => itemOf(site, id));
  const [first] = found;
  if (!first || found.some((one) => one === null))
    return 'An item is no longer at this place; the page has changed meanwhile.';
  if (found.some((one) => one?.gallery !== first.gallery))
    return 'These items are of several galleries; choose those of one at a time.';
  return {
    ...first,
    strands: first.page.strands[first.strand.gallery] ?? [],
    places: found.flatMap((one) => (one ? [one.strand.item] : [])),
  };
}

export function removeMany(site: SiteReading, { strands }: { strands: readonly string[] }): Planned {
  const chosen = chosenItems(site, strands);
  if (typeof chosen === 'string') return refuse(chosen);
  const { page, gallery, places } = chosen;
  const label = `Remove ${counted(places.length)} from ${page.path}`;
  const planned = planEdits(label, page.path, removeItems(page.document, gallery, places));
  return rememberingEmptied(site, page, gallery, new Set(places).size, planned);
}

export function moveMany(site: SiteReading, { strands, to }: { strands: readonly string[]; to: number }): Planned {
  const chosen = chosenItems(site, strands);
  if (typeof chosen === 'string') return refuse(chosen);
  const place = Math.min(to, chosen.gallery.items.length - chosen.places.length);
  return planEdits(
    `Move ${counted(chosen.places.length)} to place ${place + 1}`,
    chosen.page.path,
    moveItems(chosen.page.document, chosen.gallery, chosen.places, place),
  );
}

/** Copies are written in the pattern of the gallery to which they go; addresses lead to the same files from there. */
export function copyMany(
  site: SiteReading,
  { strands, page: path, gallery: n }: { strands: readonly string[]; page: string; gallery: number | null },
): Planned {
  const target = site.pages.find((one) => one.path === path);
  const gallery = n === null ? null : target?.galleries[n];
  if (!target || gallery === undefined) return refuse(GALLERY_GONE);
  const found = strands.map((id) => itemOf(site, id));
  const items = found.flatMap((one) => (one ? [copyOf(site, one, path)] : []));
  if (items.length < strands.length)
    return refuse('An item is no longer at this place; the page has changed meanwhile.');
  const label = `Copy ${counted(items.length)} to ${path}`;
  if (gallery) return planEdits(label, path, addItems(target.document, gallery, items));
  const { edited, notes } = galleryFor(site, target, items);
  const planned = planEdits(label, path, edited);
  if (!planned.ok || !notes.emptied) return planned;
  return { ok: true, change: { label, files: [...planned.change.files, ...notesChange(site, notes)] } };
}

/** An item as it is written on another page. */
function copyOf(
  site: SiteReading,
  { item, page, strand }: NonNullable<ReturnType<typeof itemOf>>,
  to: string,
): NewItem {
  const size = strand.thumbnail === null ? undefined : site.factsOf(strand.thumbnail);
  const caption = item.caption?.text;
  const title = titleOf(item) ?? caption ?? '';
  const { small, large } = addressesOf(item);
  return {
    src: rebased(small, page.base, site.bases.get(to) ?? to),
    href: rebased(large, page.base, site.bases.get(to) ?? to),
    alt: strand.alt,
    title,
    caption: caption ?? title,
    ...(size && !size.unreadable ? { width: size.width, height: size.height } : {}),
  };
}

/** What an item shows and what it opens; where it has only one of them, that is both. */
function addressesOf({ source, target }: GalleryItem): { small: string; large: string } {
  const small = source?.value ?? target?.value ?? '';
  return { small, large: target?.value ?? small };
}

/** The title of the link, or of the picture where there is no link. */
const titleOf = ({ link, image }: GalleryItem): string | undefined =>
  (link ?? image)?.attributes.find(({ name }) => name === 'title')?.value;

function rebased(reference: string, from: string, to: string): string {
  const target = resolveInSite(reference, from);
  return target.kind === 'file'
    ? relativeReference(to, target.path) + (/[?#].*$/s.exec(reference)?.[0] ?? '')
    : reference;
}

export function setSlotOf(
  site: SiteReading,
  { strand: id, slot, value }: { strand: string; slot: SettableSlot; value: string },
): Planned {
  const found = itemOf(site, id);
  if (!found) return refuse('This item is no longer at this place; the page has changed meanwhile.');
  const markup = slot === 'caption' ? markupIn(found.page.document, found.item) : null;
  if (markup !== null) return refuse(markup);
  const isFile = (slot === 'thumbnail' || slot === 'full') && site.files.has(value);
  const written = isFile ? relativeReference(found.page.base, value) : value;
  return planEdits(
    `Set ${SAYS[slot]} of ${found.strand.name}`,
    found.page.path,
    setSlot(found.page.document, found.item, slot, written),
  );
}

const SAYS: Record<SettableSlot, string> = {
  thumbnail: 'the picture',
  full: 'what a click opens',
  alt: 'the alt text',
  title: 'the title',
  caption: 'the caption',
  width: 'the width',
  height: 'the height',
};

export function setOnEveryLink(
  site: SiteReading,
  { name, value, ...place }: GalleryPlace & { name: string; value: string | null },
): Planned {
  const found = galleryAt(site, place);
  if (!found) return refuse(GALLERY_GONE);
  return planEdits(
    value === null ? `Remove ${name} from every link of ${place.page}` : `Add ${name} to every link of ${place.page}`,
    place.page,
    setOnLinks(found.page.document, found.gallery, name, value),
  );
}

export function renumberGallery(site: SiteReading, place: GalleryPlace): Planned {
  const found = galleryAt(site, place);
  return found
    ? planEdits(`Renumber the gallery of ${place.page}`, place.page, renumber(found.page.document, found.gallery))
    : refuse(GALLERY_GONE);
}

/** Attributes that an item lacks and its neighbours have, put where all of those say the same. */
export function completeItems(
  site: SiteReading,
  { items, ...place }: GalleryPlace & { items: readonly number[] },
): Planned {
  const found = galleryAt(site, place);
  if (!found) return refuse(GALLERY_GONE);
  const wishes = oddOnes(found.gallery).flatMap(({ item, lacks, value, element }) =>
    items.includes(item) && value !== null && element ? [{ element, name: lacks, value }] : [],
  );
  if (wishes.length === 0)
    return refuse('Nothing that these items lack is the same in all their neighbours; write it in the source.');
  return planEdits(
    `Complete ${counted(new Set(items).size)} of ${place.page}`,
    place.page,
    editAttributes(found.page.document, wishes),
  );
}

/**
 * A pattern applied to all items; what an item has nothing for comes from its pair, its facts, or by the rule for
 * words.
 */
export function applyPatternTo(
  site: SiteReading,
  { pattern, words, ...place }: GalleryPlace & { pattern: string; words: CaptionSource },
): Planned {
  const found = galleryAt(site, place);
  if (!found) return refuse(GALLERY_GONE);
  const { page, gallery, strands } = found;
  const supply = (n: number, slot: string): string | undefined => {
    const strand = strands[n];
    const item = gallery.items[n];
    return strand && item && suppliedTo(site, page.base, strand, item, slot, words);
  };
  const applied = applyPattern(page.document, gallery, pattern, supply);
  if (!applied.ok) return applied;
  const left = applied.left.map(({ own, range: { start } }) => ({
    path: page.path,
    start,
    line: page.document.lines.lineAt(start),
    name: own,
  }));
  const written = countOf(gallery.items.length - left.length, 'item');
  const planned = planEdits(`Apply another pattern to ${written} of ${page.path}`, page.path, applied);
  return planned.ok ? { ...planned, left } : planned;
}

/** What fills a slot that an item has nothing for; undefined where nothing does. */
function suppliedTo(
  site: SiteReading,
  page: string,
  strand: Strand,
  item: GalleryItem,
  slot: string,
  words: CaptionSource,
): string | undefined {
  switch (slot) {
    case 'full': {
      const pair = site.pairing.pairs.find(({ thumbnail }) => thumbnail !== null && thumbnail === strand.thumbnail);
      return pair ? relativeReference(page, pair.full) : item.source?.value;
    }
    case 'thumbnail': {
      const path = site.pairing.pairs.find(({ full }) => full === strand.full)?.thumbnail;
      return path ? relativeReference(page, path) : item.target?.value;
    }
    case 'width':
    case 'height': {
      const facts = strand.thumbnail === null ? undefined : site.factsOf(strand.thumbnail);
      return facts && !facts.unreadable ? String(facts[slot]) : undefined;
    }
    case 'caption':
    case 'title':
      return suppliedWords(site, strand, item, words);
    default:
      return suppliedFacts(site, strand, slot);
  }
}

/** What is known of the picture beyond its words; undefined where nobody and no file says it. */
function suppliedFacts(site: SiteReading, { full }: Strand, slot: string): string | undefined {
  const content = full === null ? undefined : site.files.get(full);
  if (full === null || content?.kind !== 'binary') return undefined;
  if (slot === 'credit' || slot === 'copyright') return wordsOf(site, full)[slot] || undefined;
  if (slot !== 'date') return undefined;
  return takenAtOf(site.notes.known, content.hash, site.factsOf(full), full)?.slice(0, 10);
}

function suppliedWords(site: SiteReading, strand: Strand, item: GalleryItem, words: CaptionSource): string | undefined {
  switch (words) {
    case 'picture':
      return strand.full === null ? undefined : wordsOf(site, strand.full).title;
    case 'alt':
      return strand.alt ?? undefined;
    case 'title':
      return titleOf(item);
    default:
      return undefined;
  }
}

/**
 * Words of many items by a rule: from the picture's own, or from another slot of the item. Where a slot holds words
 * already, only `over` replaces them.
 */
export function fillWords(
  site: SiteReading,
  {
    slot,
    from,
    over,
    ...place
  }: GalleryPlace & {
    slot: (typeof FILLABLE)[number];
    from: 'picture' | 'alt' | 'title' | 'caption' | 'name';
    over: boolean;
  },
): Planned {
  const found = galleryAt(site, place);
  if (!found) return refuse(GALLERY_GONE);
  const { page, gallery, strands } = found;
  const edits = [];
  for (const [n, item] of gallery.items.entries()) {
    const strand = strands[n];
    if (!strand || !hasPlaceFor(item, slot)) continue;
    const words = wordsFor(site, strand, item);
    const value = from === 'picture' ? words.picture[slot] : words[from];
    const now = words[slot];
    if (value === '' || now === value || (now !== '' && !over)) continue;
    const edited = setSlot(page.document, item, slot, value);
    if (!edited.ok) return refuse(`${strand.name}: ${edited.reason}`);
    edits.push(...edited.edits);
  }
  const name = slot === 'alt' ? 'alt text' : slot;
  if (edits.length === 0)
    return refuse(`No item here ${over ? 'would get another' : 'lacks its'} ${name}, or there is no place for one.`);
  return planEdits(`Fill the ${name}s of ${page.path}`, page.path, { ok: true, edits });
}

/** All that an item and its picture say; empty where they say nothing. */
function wordsFor(site: SiteReading, strand: Strand, item: GalleryItem) {
  const picture = strand.full === null ? null : wordsOf(site, strand.full);
  return {
    alt: strand.alt ?? '',
    title: anyTitle(item) ?? '',
    caption: item.caption?.text ?? '',
    name: picture?.fromName ?? '',
    picture: { alt: picture?.alt ?? '', title: picture?.title ?? '', caption: picture?.caption ?? '' },
  };
}

function hasPlaceFor({ caption, image }: GalleryItem, slot: (typeof FILLABLE)[number]): boolean {
  // Markup in a caption is its author's; words alone would take it away.
  if (slot === 'caption') return caption?.plain === true;
  return slot === 'alt' ? image !== null : true;
}

const anyTitle = ({ link, image }: GalleryItem): string | undefined =>
  [...(link?.attributes ?? []), ...(image?.attributes ?? [])].find(({ name }) => name === 'title')?.value;
