/** Captions, credits and other texts of several pictures by a pattern; on pages as well as with the pictures. */
import {
  type PageReading,
  regionOf,
  type SiteReading,
  standsIn,
  type Strand,
  takenAtOf,
  taggedItems,
  tagsOnPages,
  wordsOf,
} from '../model/index.ts';
import { type GalleryItem, languageOf } from '../markup/index.ts';
import { countOf, nameOf, type Planned, refuse, stemOf } from '../site/index.ts';
import { markupIn } from './items.ts';
import { setWords } from './setWords.ts';
import { patternTrouble, type PatternValues, textBy } from './textPattern.ts';

export const RULED_FIELDS = ['caption', 'credit', 'title', 'alt'] as const;
export type RuledField = (typeof RULED_FIELDS)[number];

export interface TextsWish {
  paths: readonly string[];
  field: RuledField;
  pattern: string;
  place: string;
  /** Pictures and items that say something already are left. */
  onlyEmpty: boolean;
}

export interface RuledText {
  path: string;
  /** Null where the pattern cannot be filled. */
  text: string | null;
  reason: string | null;
}

const FIELD_SAYS: Readonly<Record<RuledField, string>> = {
  caption: 'captions',
  credit: 'credits',
  title: 'titles',
  alt: 'alt texts',
};

/** What each picture would say, in the language of the site. */
export function textsByRule(site: SiteReading, wish: TextsWish): RuledText[] {
  const [first] = site.pages;
  const language = (first && languageOf(first.document)) ?? 'en';
  const values = valuesOf(site, wish);
  return wish.paths.map((path, n) => {
    const made = textBy(wish.pattern, values(path, n + 1), language);
    return made.ok ? { path, text: made.text, reason: null } : { path, text: null, reason: made.reason };
  });
}

export function setTextsByRule(site: SiteReading, wish: TextsWish): Planned {
  const trouble = patternTrouble(wish.pattern);
  if (trouble !== null) return refuse(trouble);
  const { field, onlyEmpty } = wish;
  const pictures = textsByRule(site, wish).flatMap(({ path, text }) => {
    const said = field === 'credit' ? '' : (wordsNoted(site, path)?.[field] ?? '');
    return text === null || (onlyEmpty && said !== '') ? [] : [{ path, words: { [field]: text } }];
  });
  const items = itemsFor(site, wish);
  const count = new Set([...pictures.map(({ path }) => path), ...items.map(({ full }) => full)]).size;
  if (count === 0) return refuse('None of these pictures would say anything else.');
  const label = `Write ${FIELD_SAYS[field]} of ${countOf(count, 'picture')} by a rule`;
  return setWords(site, { items: items.map(({ strand, text }) => ({ strand, [field]: text })), pictures, label });
}

const wordsNoted = ({ files, notes }: SiteReading, path: string) => {
  const content = files.get(path);
  return content?.kind === 'binary' ? notes.known.words[content.hash] : undefined;
};

interface RuledItem {
  full: string;
  strand: string;
  text: string;
}

/** Items that have a place for it; those that only show what another page says follow that. */
function itemsFor(site: SiteReading, wish: TextsWish): RuledItem[] {
  const { paths, field, pattern, onlyEmpty } = wish;
  if (field === 'credit') return [];
  const places = new Map(paths.map((path, n) => [path, n + 1]));
  const values = valuesOf(site, wish);
  return site.pages.flatMap((page) => {
    const region = regionOf(page.document);
    const language = languageOf(page.document) ?? 'en';
    return page.strands.flat().flatMap((strand): RuledItem[] => {
      const { full, gallery, item: n } = strand;
      const item = page.galleries[gallery]?.items[n];
      const number = full === null ? undefined : places.get(full);
      const element = item?.elements[0];
      if (!item || full === null || number === undefined || (region && element && standsIn(region)(element))) return [];
      const said = saidBy(page, { item, strand }, field);
      if (said === null || (onlyEmpty && said !== '')) return [];
      const made = textBy(pattern, values(full, number), language);
      return made.ok && made.text !== said ? [{ full, strand: strand.id, text: made.text }] : [];
    });
  });
}

/** What an item says now; null where it has no place for that. */
function saidBy(
  { document }: PageReading,
  { item, strand }: { item: GalleryItem; strand: Strand },
  field: Exclude<RuledField, 'credit'>,
): string | null {
  if (field === 'caption') return markupIn(document, item) === null ? strand.caption : null;
  return field === 'title' ? strand.slots.title : (strand.alt ?? '');
}

function valuesOf(site: SiteReading, { place }: TextsWish): (path: string, number: number) => PatternValues {
  const onPages = tagsOnPages(taggedItems(site));
  return (path, number) => {
    const content = site.files.get(path);
    const hash = content?.kind === 'binary' ? content.hash : '';
    const facts = site.factsOf(path);
    const { title, caption, alt, isFromName, credit, copyright } = wordsOf(site, path);
    const tags = [...new Set([...(site.notes.known.tags[hash] ?? []), ...(onPages.get(path) ?? [])])];
    return {
      name: stemOf(nameOf(path)),
      number,
      title,
      // The name of a file says nothing twice.
      caption: isFromName ? '' : caption,
      alt,
      credit,
      copyright,
      tags,
      takenAt: takenAtOf(site.notes.known, hash, facts, path),
      capture: facts?.capture,
      place: place.trim(),
    };
  };
}
