import { editAttribute, valueOf } from '../markup/index.ts';
import {
  answers,
  besideMarker,
  bracketsWhole,
  commonGroup,
  groupAttribute,
  groupOf,
  groupWritten,
} from '../wiring/index.ts';
import { itemsOf, placeIn, type Observation, type Rule } from './finding.ts';
import { planEdits } from '../site/index.ts';

export const groupMissing: Rule = {
  id: 'group-missing',
  station: 'wiring',
  title: 'Every marked link is in the group of its neighbours',
  find: (site) =>
    [...itemsOf(site)].flatMap(({ page, strand, item }): Observation[] => {
      const { link } = item;
      return page.wiring.uses.flatMap((use): Observation[] => {
        const { kit } = use;
        const attribute = groupAttribute(kit.manifest);
        if (!link || attribute === null || !answers(use, item) || groupOf(link, kit) !== null) return [];
        if (!bracketsWhole(kit.manifest, valueOf(link, attribute) ?? '')) return [];
        const group = commonGroup(page.galleries[strand.gallery]?.items ?? [], kit);
        if (group === null) return [];
        return [
          {
            matter: `${page.path}:${strand.name}`,
            severity: 'error',
            says: `This link has no group; its neighbours are in “${group}”.`,
            why: `It opens alone in the ${kit.manifest.name}: no counter, no next or previous, and its neighbours skip it.`,
            place: placeIn(page, link.open),
            strand: strand.id,
            joint: 'viewer',
            fixes: [
              {
                kind: 'change',
                label: `Add the link to “${group}”`,
                plan: () =>
                  planEdits(
                    `Add ${strand.name} to the group ${group}`,
                    page.path,
                    editAttribute(
                      page.document,
                      link,
                      attribute,
                      groupWritten(
                        kit.manifest,
                        group,
                        besideMarker(kit.manifest, attribute, valueOf(link, attribute) ?? ''),
                      ),
                    ),
                  ),
              },
            ],
          },
        ];
      });
    }),
};
