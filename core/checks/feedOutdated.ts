import { STATES } from '../markup/index.ts';
import { feedsOf, isInStep, writtenFeed } from '../model/index.ts';
import { type Observation, placeIn, type Rule } from './finding.ts';

export const feedOutdated: Rule = {
  id: 'feed-outdated',
  station: 'wiring',
  title: 'Scripts that hand pictures to a feed say what the next page shows',
  find: (site) =>
    feedsOf(site)
      .filter((feed) => !isInStep(feed))
      .map((feed): Observation => {
        const { page, next, data, path, now } = feed;
        return {
          matter: `${page.path}:${path}`,
          severity: 'warning',
          says:
            now === null
              ? `There is no ${path} with the pictures of ${next.path}.`
              : `${path} differs from ${next.path}.`,
          why:
            now === null
              ? `Opened from disk, ${page.path} shows a link in place of further pictures.`
              : `Further pictures of ${page.path} are those that the script says, not those of ${next.path}.`,
          place: placeIn(page, data.range),
          strand: null,
          joint: null,
          fixes: [
            {
              kind: 'change',
              label: now === null ? `Create ${path}` : `Update ${path}`,
              states: STATES.nothing,
              plan: () => ({
                ok: true,
                change: { label: `Write ${path} from ${next.path}`, files: [writtenFeed(feed, site)] },
              }),
            },
          ],
        };
      }),
};
