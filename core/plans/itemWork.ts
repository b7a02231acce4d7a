/** Work on items, one or many: slots, attributes, patterns, counters, and items that go elsewhere. */
import {
  addItems,
  applyPattern,
  editAttributes,
  firstGallery,
  moveItems,
  oddOnes,
  removeItems,
  renumber,
  setOnLinks,
  setSlot,
  type NewItem,
  type SettableSlot,
} from '../markup/index.ts';
import type { SiteReading } from '../model/index.ts';
import { planEdits, type Planned, refuse, relativeReference, resolveInSite } from '../site/index.ts';
import { wordsOf } from './pictureWords.ts';
import { GALLERY_GONE, galleryAt, itemOf, type FoundGallery, type GalleryPlace } from './items.ts';
import type { CaptionSource, FILLABLE } from './rules.ts';

const counted = (count: number): string => `${count} ${count === 1 ? 'item' : 'items'}`;

/** Items of one gallery by the names of their strands; those of several galleries are refused. */
function chosenItems(site: SiteReading, strands: readonly string[]): (FoundGallery & { places: number[] }) | string {
  const found = strands.map((id) => itemOf(site, id));
  const [first] = found;
  if (!first || found.some((one) => one === null))
    return 'An item is no longer where it was; the page has changed meanwhile.';
  if (found.some((one) => one?.gallery !== first.gallery))
    return 'These items are of several galleries; take those of one at a time.';
  return {
    ...first,
    strands: first.page.strands[first.strand.gallery] ?? [],
    places: found.flatMap((one) => (one ? [one.strand.item] : [])),
  };
}

export function removeMany(site: SiteReading, { strands }: { strands: readonly string[] }): Planned {
  const chosen = chosenItems(site, strands);
  if (typeof chosen === 'string') return refuse(chosen);
  return planEdits(
    `Remove ${counted(chosen.places.length)} from ${chosen.page.path}`,
    chosen.page.path,
    removeItems(chosen.page.document, chosen.gallery, chosen.places),
  );
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
  const items = found.flatMap((one): NewItem[] => {
    if (!one) return [];
    const { item, page, strand } = one;
    const size = strand.thumbnail === null ? undefined : site.factsOf(strand.thumbnail);
    const src = rebased(item.source?.value ?? item.target?.value ?? '', page.path, path);
    const title = item.link?.attributes.find(({ name }) => name === 'title')?.value ?? item.caption?.text ?? '';
    return [
      {
        src,
        href: rebased(item.target?.value ?? item.source?.value ?? '', page.path, path),
        alt: strand.alt ?? '',
        title,
        caption: item.caption?.text ?? title,
        ...(size && !size.unreadable ? { width: size.width, height: size.height } : {}),
      },
    ];
  });
  if (items.length < strands.length)
    return refuse('An item is no longer where it was; the page has changed meanwhile.');
  const label = `Copy ${counted(items.length)} to ${path}`;
  return planEdits(
    label,
    path,
    gallery ? addItems(target.document, gallery, items) : firstGallery(target.document, items),
  );
}

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
  if (!found) return refuse('This item is no longer where it was; the page has changed meanwhile.');
  const isFile = (slot === 'thumbnail' || slot === 'full') && site.files.has(value);
  const written = isFile ? relativeReference(found.page.path, value) : value;
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
    value === null ? `Take ${name} from every link of ${place.page}` : `Put ${name} on every link of ${place.page}`,
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
    if (!strand || !item) return undefined;
    if (slot === 'full' || slot === 'thumbnail') {
      const pair = site.pairing.pairs.find(({ thumbnail, full }) =>
        slot === 'full' ? thumbnail !== null && thumbnail === strand.thumbnail : full === strand.full,
      );
      const path = slot === 'full' ? pair?.full : pair?.thumbnail;
      return path ? relativeReference(page.path, path) : (slot === 'full' ? item.source : item.target)?.value;
    }
    const facts = strand.thumbnail === null ? undefined : site.factsOf(strand.thumbnail);
    if ((slot === 'width' || slot === 'height') && facts && !facts.unreadable) return String(facts[slot]);
    if (slot !== 'caption' && slot !== 'title') return undefined;
    if (words === 'picture') return strand.full === null ? undefined : wordsOf(site, strand.full).title;
    if (words === 'alt') return strand.alt ?? undefined;
    if (words !== 'title') return undefined;
    return (item.link?.attributes ?? item.image?.attributes ?? []).find(({ name }) => name === 'title')?.value;
  };
  return planEdits(
    `Write the ${gallery.items.length} items of ${page.path} by another pattern`,
    page.path,
    applyPattern(page.document, gallery, pattern, supply),
  );
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
    if (!strand) continue;
    const titled = (item.link?.attributes ?? [])
      .concat(item.image?.attributes ?? [])
      .find(({ name }) => name === 'title')?.value;
    const own = { alt: strand.alt ?? '', title: titled ?? '', caption: item.caption?.text ?? '' };
    const words = strand.full === null ? null : wordsOf(site, strand.full);
    const given = { picture: words?.[slot] ?? '', name: words?.fromName ?? '', ...own };
    const value = given[from];
    if (
      value === '' ||
      (!over && own[slot] !== '') ||
      own[slot] === value ||
      (slot === 'caption' && !item.caption) ||
      (slot === 'alt' && !item.image)
    )
      continue;
    const edited = setSlot(page.document, item, slot, value);
    if (!edited.ok) return refuse(`${strand.name}: ${edited.reason}`);
    edits.push(...edited.edits);
  }
  if (edits.length === 0)
    return refuse(
      `No item here ${over ? 'would get another' : 'is without a'} ${slot === 'alt' ? 'alt text' : slot}, or there is no place for one.`,
    );
  return planEdits(`Fill the ${slot === 'alt' ? 'alt texts' : `${slot}s`} of ${page.path}`, page.path, {
    ok: true,
    edits,
  });
}
