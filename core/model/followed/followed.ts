/** Galleries that follow a list, and how they differ from it. */
import { type Difference, differencesOf, type Listed, type ShownItem, type TakenRow } from '../../lists/index.ts';
import { valueOf } from '../../markup/index.ts';
import { type FollowedList, type ListSource, resolveInSite } from '../../site/index.ts';
import { taggedItems, tagsOnPages } from '../pictureTags.ts';
import type { PageReading, SiteReading } from '../reading.ts';
import { listedBy } from './rows.ts';

export interface Following {
  followed: FollowedList;
  page: PageReading;
  /** Null where the page has none of its pictures any more. */
  gallery: number | null;
  compared: Compared;
}

export interface Compared {
  listed: Listed;
  differences: Difference[];
  /** Why the list cannot be read; then there is nothing to compare. */
  reason: string | null;
}

const read = new WeakMap<SiteReading, readonly Following[]>();

/** Those whose page is there. */
export function followings(site: SiteReading): readonly Following[] {
  const known = read.get(site) ?? followingsIn(site);
  read.set(site, known);
  return known;
}

function followingsIn(site: SiteReading): Following[] {
  return site.notes.known.follows.flatMap((followed): Following[] => {
    const page = site.pages.find(({ path }) => path === followed.page);
    if (!page) return [];
    const gallery = galleryOf(page, followed);
    const { source, rows } = followed;
    return [{ followed, page, gallery, compared: compareWithList(site, { page, gallery, source }, rows) }];
  });
}

/** The one that shows most of the pictures; with none of them on the page, the one of its number. */
function galleryOf(page: PageReading, { gallery, rows }: FollowedList): number | null {
  const fulls = new Set(rows.map(({ full }) => full));
  const counts = page.galleries.map((_, n) => shownBy(page, n).filter((full) => fulls.has(full)));
  const most = Math.max(0, ...counts.map(({ length }) => length));
  if (most === 0) return page.galleries[gallery] ? gallery : null;
  return counts[gallery]?.length === most ? gallery : counts.findIndex(({ length }) => length === most);
}

/**
 * What the items of a gallery lead to: a file, also one that is gone, an address elsewhere, or where there is no link
 * the picture itself.
 */
export function shownBy({ galleries, strands, base }: PageReading, gallery: number): string[] {
  return (galleries[gallery]?.items ?? []).map(({ link }, n) => {
    const strand = strands[gallery]?.[n];
    const full = strand?.full ?? null;
    if (full !== null) return full;
    const target = resolveInSite((link && valueOf(link, 'href')) ?? '', base);
    if (target.kind === 'file') return target.path;
    return target.kind === 'outside' ? target.url : (strand?.thumbnail ?? '');
  });
}

interface Compares {
  page: PageReading;
  gallery: number | null;
  source: ListSource;
  /** Instead of what stands in the file. */
  text?: string | null | undefined;
}

export function compareWithList(
  site: SiteReading,
  { page, gallery, source, text = null }: Compares,
  taken: readonly TakenRow[],
): Compared {
  const listed = listedBy(site, source, text);
  if (!listed.ok) return { listed: { pictures: [], troubles: [] }, differences: [], reason: listed.reason };
  const items = gallery === null ? [] : itemsOf(site, page, gallery);
  return { listed, differences: differencesOf(listed, items, taken), reason: null };
}

export function itemsOf(site: SiteReading, page: PageReading, n: number): ShownItem[] {
  const strands = page.strands[n] ?? [];
  const onPages = tagsOnPages(taggedItems(site));
  const fulls = shownBy(page, n);
  return strands.map(({ id, alt, caption, slots }, at): ShownItem => {
    const full = fulls[at] ?? '';
    const content = site.files.get(full);
    const noted = content?.kind === 'binary' ? (site.notes.known.tags[content.hash] ?? []) : [];
    const tags = [...noted, ...(onPages.get(full) ?? [])];
    return { strand: id, full, title: slots.title, caption, alt: alt ?? '', tags };
  });
}
