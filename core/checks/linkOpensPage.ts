import { attributeOf, editAttribute } from '../markup/index.ts';
import { nameOf, planEdits, relativeReference } from '../site/index.ts';
import { itemsOf, placeIn, type Observation, type Fix, type Rule } from './finding.ts';

export const linkOpensPage: Rule = {
  id: 'link-opens-page',
  station: 'markup',
  title: 'Every picture’s link opens a picture',
  find: (site) =>
    [...itemsOf(site)].flatMap(({ page, strand, item }): Observation[] => {
      const joint = strand.joints[2];
      const { link } = item;
      if (joint?.state !== 'broken' || !link) return [];
      const pair = site.pairing.pairs.find((one) => one.thumbnail !== null && one.thumbnail === strand.thumbnail);
      const fixes: Fix[] = pair
        ? [
            {
              kind: 'change',
              label: `Link to ${nameOf(pair.full)}`,
              plan: () =>
                planEdits(
                  `Link to ${nameOf(pair.full)} in ${page.path}`,
                  page.path,
                  editAttribute(page.document, link, 'href', relativeReference(page.base, pair.full)),
                ),
            },
          ]
        : [];
      return [
        {
          matter: `${page.path}:${strand.thumbnail ?? strand.id}`,
          severity: 'error',
          says: `This picture’s link: ${joint.says.charAt(0).toLowerCase()}${joint.says.slice(1)}`,
          why: 'The thumbnail promises its own picture, larger.',
          place: placeIn(page, attributeOf(link, 'href')?.range ?? link.open),
          strand: strand.id,
          joint: 'link',
          fixes,
        },
      ];
    }),
};
