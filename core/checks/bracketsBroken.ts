import { attributeOf, editAttribute } from '../markup/index.ts';
import { planEdits } from '../site/index.ts';
import { bracketed, bracketsWhole, commonGroup, groupWritten, isMarker } from '../wiring/index.ts';
import { itemsOf, placeIn, type Observation, type Rule } from './finding.ts';

export const bracketsBroken: Rule = {
  id: 'brackets-broken',
  station: 'wiring',
  title: 'A group in brackets stands right behind the marker, and the brackets are closed',
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
        const meant = groupWritten(manifest, bracketed(value) ?? common ?? wordBehind(value, marker.value));
        return [
          {
            matter: `${page.path}:${strand.name}`,
            severity: 'error',
            says: `${name}="${value}" names no group; it is written ${meant}.`,
            why: 'The name stands between two brackets right behind the word, without a space. Else the picture opens alone, and its neighbours step past it.',
            place: placeIn(page, range),
            strand: strand.id,
            joint: 'viewer',
            fixes: [
              {
                kind: 'change',
                label: `Write ${meant}`,
                plan: () =>
                  planEdits(
                    `Put ${strand.name} in its group`,
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

/** What follows the word, where no neighbour says what is meant. */
const wordBehind = (value: string, word: string): string =>
  value
    .trim()
    .slice(word.length)
    .replace(/[^\w-]+/g, '') || 'pictures';
