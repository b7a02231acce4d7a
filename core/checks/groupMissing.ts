import { editAttribute } from '../markup/index.ts';
import { answers, commonGroup, groupAttribute, groupOf } from '../wiring/index.ts';
import { itemsOf, placeIn, planEdits, type Finding, type Rule } from './finding.ts';

export const groupMissing: Rule = {
  id: 'group-missing',
  station: 'wiring',
  title: 'Every marked link is in the group of its neighbours',
  find: (site) =>
    [...itemsOf(site)].flatMap(({ page, strand, item }): Finding[] => {
      const { link } = item;
      return page.wiring.uses.flatMap((use): Finding[] => {
        const { kit } = use;
        const attribute = groupAttribute(kit.manifest);
        if (!link || attribute === null || !answers(use, item) || groupOf(link, kit) !== null) return [];
        const group = commonGroup(page.galleries[strand.gallery]?.items ?? [], kit);
        if (group === null) return [];
        return [
          {
            id: `group-missing:${page.path}:${strand.name}`,
            rule: 'group-missing',
            station: 'wiring',
            severity: 'broken',
            says: `This link has no group; its neighbours are in “${group}”.`,
            why: `It opens alone in the ${kit.manifest.name}: no counter, no way on or back, and its neighbours step past it.`,
            place: placeIn(page, link.open),
            strand: strand.id,
            joint: 'viewer',
            fixes: [
              {
                kind: 'change',
                label: `Put it in “${group}”`,
                plan: () =>
                  planEdits(
                    `Put ${strand.name} in the group ${group}`,
                    page.path,
                    editAttribute(page.document, link, attribute, group),
                  ),
              },
            ],
          },
        ];
      });
    }),
};
