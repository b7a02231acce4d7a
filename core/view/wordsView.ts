/** Every place where words of pictures stand, for the list of words. */
import type { WordsRow } from '../lists/index.ts';
import type { AltStanding, SiteReading } from '../model/index.ts';
import type { PairView } from './pairs.ts';

const lackOf = (standing: AltStanding | null): WordsRow['altLacks'] =>
  standing === 'said' || standing === 'empty' ? null : standing;

/** Items of pages in their order, then pictures that are on no page. */
export function wordsRows(site: SiteReading, pairs: readonly PairView[]): WordsRow[] {
  const byFile = new Map(
    pairs.flatMap((pair) => [
      [pair.full, pair] as const,
      ...(pair.thumbnail === null ? [] : [[pair.thumbnail, pair] as const]),
    ]),
  );
  const items = site.pages.flatMap((page) =>
    page.strands.flat().flatMap((strand): WordsRow[] => {
      const file = strand.full ?? strand.thumbnail;
      if (file === null) return [];
      const pair = byFile.get(file);
      return [
        {
          strand: strand.id,
          page: page.path,
          file,
          alt: strand.alt,
          altLacks: lackOf(strand.altStanding),
          caption: strand.caption,
          title: pair?.words.title ?? '',
          credit: pair?.words.credit ?? '',
          copyright: pair?.words.copyright ?? '',
          taken: pair?.takenAt ?? '',
        },
      ];
    }),
  );
  const unused = pairs
    .filter((pair) => pair.usedOn.length === 0 && pair.trouble === null)
    .map(({ full, words, takenAt }): WordsRow => ({
      strand: null,
      page: '',
      file: full,
      alt: words.alt,
      // On no page yet there is no attribute; what nobody has said is not there.
      altLacks: words.alt === '' ? 'absent' : null,
      caption: words.caption,
      title: words.title,
      credit: words.credit,
      copyright: words.copyright,
      taken: takenAt ?? '',
    }));
  return [...items, ...unused];
}
