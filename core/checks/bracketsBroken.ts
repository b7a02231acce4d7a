import { attributeOf, editAttribute } from '../markup/index.ts';
import { planEdits } from '../site/index.ts';
import { besideMarker, bracketed, bracketsWhole, commonGroup, groupWritten, isMarker } from '../wiring/index.ts';
import { itemsOf, placeIn, type Observation, type Rule } from './finding.ts';

export const bracketsBroken: Rule = {
  id: 'brackets-broken',
  station: 'wiring',
  title: 'A group in brackets follows the marker directly, and the brackets are closed',
  find: (site) =>
    [...itemsOf(site)].flatMap(({ page, strand, item: { link } }): Observation[] =>
      page.wiring.uses.flatMap(({ kit }): Observation[] => {
        const { manifest } = kit;
        const { group, marker } = manifest;
        const written = link && attributeOf(link, marker.attribute ?? '');
        if (!written || !group || !('in' in group) || group.in !== 'brackets') return [];
        const { value, name, range } = written;
        if (!isMarker(manifest, name, value) || bracketsWhole(manifest, value)) return [];
        const common = commonGroup(page.galleries[strand.gallery]?.items ?? [], kit);
        const kept = besideMarker(manifest, name, value)
          .split(/\s+/)
          .filter((word) => LINK_TYPES.has(word));
        const own = bracketed(value) ?? common ?? wordBehind(value, marker.value);
        const meant = groupWritten(manifest, own, kept.join(' '));
        return [
          {
            matter: `${page.path}:${strand.name}`,
            severity: 'error',
            says: `${name}="${value}" names no group; it is written ${meant}.`,
            why: 'The name stands between two brackets right behind the word, without a space. Else the picture opens alone, and its neighbours skip it.',
            place: placeIn(page, range),
            strand: strand.id,
            joint: 'viewer',
            fixes: [
              {
                kind: 'change',
                label: `Write ${meant}`,
                plan: () =>
                  planEdits(
                    `Add ${strand.name} to its group`,
                    page.path,
                    editAttribute(page.document, link, name, meant),
                  ),
              },
            ],
          },
        ];
      }),
    ),
};

/** Words that an author says of a link for its own sake (WHATWG HTML §4.6.7, “Link types”). */
const LINK_TYPES = new Set(
  'alternate author bookmark external help license next nofollow noopener noreferrer opener prev search tag'.split(' '),
);

/** What follows the word, where no neighbour says what is meant. */
const wordBehind = (value: string, word: string): string =>
  value
    .trim()
    .slice(word.length)
    .replace(/[^\w-]+/g, '') || 'pictures';
