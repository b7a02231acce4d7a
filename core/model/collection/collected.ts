/** Which pictures of which pages a page of all pictures shows, in their groups and in their order. */
import { languageOf, textOf, titleOf, valueOf } from '../../markup/index.ts';
import { byNaturalName, type Collected, grouped, isPicturePath } from '../../site/index.ts';
import { taggedItems, tagsOnPages } from '../pictureTags.ts';
import { takenAtOf } from '../pictureWords.ts';
import type { PageReading, SiteReading } from '../reading.ts';
import type { Strand } from '../strands.ts';

export interface CollectedPicture {
  strand: Strand;
  full: string;
  thumbnail: string;
  /** The page that it comes from, and what that calls itself. */
  from: string;
  title: string;
  /** What the link of the item says of itself there; null where it says nothing. */
  linkTitle: string | null;
  /** ISO date; null where nobody knows. */
  takenAt: string | null;
}

export interface CollectedGroup {
  /** Null where there are no groups. */
  heading: string | null;
  /** The page that the heading leads to; null where it leads to none. */
  page: string | null;
  pictures: CollectedPicture[];
}

/** A picture that stands on several pages is shown once, as the first of them has it; in groups by page on each. */
export function collectedGroups(site: SiteReading, page: string, wish: Collected): CollectedGroup[] {
  const all = picturesOf(site, page, wish);
  if (wish.group === 'page')
    return [...grouped(all, ({ from }) => from)].map(([from, pictures]) => ({
      heading: pictures[0]?.title ?? from,
      page: from,
      pictures: sorted(onceEach(pictures), wish),
    }));
  const once = sorted(onceEach(all), wish);
  if (wish.group === 'none') return once.length === 0 ? [] : [{ heading: null, page: null, pictures: once }];
  const own = site.pages.find(({ path }) => path === page) ?? site.pages[0];
  const language = (own && languageOf(own.document)) ?? 'en';
  return [...grouped(once, ({ takenAt }) => takenAt?.slice(0, 7) ?? '')]
    .sort(([a], [b]) => byMonth(a, b, wish))
    .map(([month, pictures]) => ({ heading: sayMonth(month, language), page: null, pictures }));
}

function picturesOf(site: SiteReading, own: string, { pages, tag, since, until }: Collected): CollectedPicture[] {
  const collections = new Set([own, ...site.notes.known.collections.map(({ page }) => page)]);
  const meant = site.pages.filter(({ path }) => !collections.has(path) && (pages === null || pages.includes(path)));
  const tags = tag === null ? null : tagsOnPages(taggedItems(site));
  const isTagged = (hash: string, full: string) =>
    tag === null || [...(site.notes.known.tags[hash] ?? []), ...(tags?.get(full) ?? [])].includes(tag);
  const isMeant = (takenAt: string | null) => {
    const day = takenAt?.slice(0, 10) ?? '';
    return (since === '' || day >= since) && (until === '' || (day !== '' && day <= until));
  };
  return meant.flatMap((page) => {
    const title = nameOfPage(page);
    return page.strands.flat().flatMap((strand): CollectedPicture[] => {
      const { full, thumbnail } = strand;
      if (full === null || thumbnail === null || !isPicturePath(full)) return [];
      const content = site.files.get(full);
      if (content?.kind !== 'binary' || !site.files.has(thumbnail)) return [];
      const takenAt = takenAtOf(site.notes.known, content.hash, site.factsOf(full), full);
      if (!isMeant(takenAt) || !isTagged(content.hash, full)) return [];
      const link = page.galleries[strand.gallery]?.items[strand.item]?.link;
      const linkTitle = (link && valueOf(link, 'title')) ?? null;
      return [{ strand, full, thumbnail, from: page.path, title, linkTitle, takenAt }];
    });
  });
}

const onceEach = (pictures: readonly CollectedPicture[]): CollectedPicture[] => {
  const seen = new Set<string>();
  return pictures.filter(({ full }) => !seen.has(full) && seen.add(full));
};

function sorted(pictures: readonly CollectedPicture[], { order }: Collected): CollectedPicture[] {
  if (order === 'page') return [...pictures];
  if (order === 'name') return [...pictures].sort((a, b) => byNaturalName(a.full, b.full));
  const sign = order === 'newest' ? -1 : 1;
  return [...pictures].sort((a, b) => {
    if (a.takenAt === null || b.takenAt === null) return Number(a.takenAt === null) - Number(b.takenAt === null);
    return sign * a.takenAt.localeCompare(b.takenAt);
  });
}

/** Months run as their pictures do; what has no date stands last. */
function byMonth(a: string, b: string, { order }: Collected): number {
  if (a === '' || b === '') return Number(a === '') - Number(b === '');
  return order === 'newest' ? b.localeCompare(a) : a.localeCompare(b);
}

/** By the first heading, which people wrote for readers; else by the title. */
export function nameOfPage({ path, document }: PageReading): string {
  const heading = document.elements.find(({ tag, range }) => tag === 'h1' && range);
  const said = heading && textOf(heading).replace(/\s+/g, ' ').trim();
  return said || titleOf(document)?.trim() || path;
}

function sayMonth(month: string, language: string): string {
  if (month === '') return 'No date';
  const day = new Date(`${month}-15T12:00:00Z`);
  try {
    return new Intl.DateTimeFormat(language, { month: 'long', year: 'numeric', timeZone: 'UTC' }).format(day);
  } catch {
    // No language that anybody knows.
    return month;
  }
}
