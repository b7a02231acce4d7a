import { attributeOf, editAttribute, valueOf } from '../markup/index.ts';
import {
  answers,
  besideMarker,
  commonGroup,
  groupAttribute,
  groupOf,
  groupWritten,
  isSlipOf,
} from '../wiring/index.ts';
import { itemsOf, placeIn, type Observation, type Rule } from './finding.ts';
import { planEdits } from '../site/index.ts';

/** Alike but for capitals, white space, and hyphens or underscores. */
const folded = (name: string): string => name.toLowerCase().replace(/[\s_-]+/g, '');

export const groupSplit: Rule = {
  id: 'group-split',
  station: 'wiring',
  title: 'The links of one gallery are in one group, written alike',
  find: (site) =>
    [...itemsOf(site)].flatMap(({ page, strand, item }): Observation[] =>
      page.wiring.uses.flatMap((use): Observation[] => {
        const { link } = item;
        const attribute = groupAttribute(use.kit.manifest);
        const items = page.galleries[strand.gallery]?.items ?? [];
        const common = commonGroup(items, use.kit);
        if (!link || attribute === null || common === null || !answers(use, item)) return [];
        const own = groupOf(link, use.kit);
        if (own === null || own === common) return [];
        const alone = items.filter((one) => one.link && groupOf(one.link, use.kit) === own).length === 1;
        const slip = folded(own) === folded(common) || isSlipOf(own, common);
        // Two groups in one gallery may be meant; a slip of the pen or a group of one hardly is.
        if (!slip && !alone) return [];
        return [
          {
            matter: `${page.path}:${strand.name}`,
            severity: slip ? 'error' : 'warning',
            says: slip
              ? `This link’s group reads “${own}”; its neighbours have “${common}”.`
              : `This link is the only one in the group “${own}”; its neighbours are in “${common}”.`,
            why: 'Group names are compared letter by letter, capitals and spaces too. It opens without its neighbours, and they skip it.',
            place: placeIn(page, attributeOf(link, attribute)?.range),
            strand: strand.id,
            joint: 'viewer',
            fixes: [
              {
                kind: 'change',
                label: `Add the link to “${common}”`,
                plan: () =>
                  planEdits(
                    `Add ${strand.name} to the group ${common}`,
                    page.path,
                    editAttribute(
                      page.document,
                      link,
                      attribute,
                      groupWritten(
                        use.kit.manifest,
                        common,
                        besideMarker(use.kit.manifest, attribute, valueOf(link, attribute) ?? ''),
                      ),
                    ),
                  ),
              },
            ],
          },
        ];
      }),
    ),
};
