import { STATES } from '../markup/index.ts';
import { bringInStep, standings } from '../model/index.ts';
import { type Observation, placeIn, type Rule } from './finding.ts';

export const collectionOutdated: Rule = {
  id: 'collection-outdated',
  station: 'markup',
  title: 'Pages of all pictures show what the other pages show',
  find: (site) =>
    standings(site)
      .filter(({ isInStep }) => !isInStep)
      .map(({ page, region }): Observation => ({
        matter: page.path,
        severity: 'warning',
        says: `${page.path} is out of date: other pages have changed since it was written.`,
        why: 'It shows pictures, texts or an order that those pages do not have any more.',
        place: placeIn(page, { start: region.start, end: region.start }),
        strand: null,
        joint: null,
        fixes: [
          {
            kind: 'change',
            label: `Update ${page.path}`,
            states: { ...STATES.markup, moves: true },
            plan: () => bringInStep(site, [page.path]),
          },
        ],
      })),
};
