import type { Stated } from '../markup/index.ts';
import { leadText, type PageText, partText, textsOf, textWritten } from '../model/index.ts';
import { type Observation, placeIn, type Rule } from './finding.ts';

const ALL = ['tags', 'attributes', 'words', 'comments', 'code'] as const;

/** What is written anew stands between its two comments, and what stands outside is seen to. */
const WRITTEN: Stated = { takes: ALL, gives: ALL, moves: true };

export const textApart: Rule = {
  id: 'text-apart',
  station: 'markup',
  title: 'Pages with a text out of Markdown say what their file says',
  find: (site) =>
    textsOf(site)
      .filter(({ state }) => state !== 'same')
      .map((text): Observation => {
        const { page, source, region } = text;
        return {
          matter: `${page.path}:${source}`,
          severity: 'warning',
          says: saysOf(text),
          why: 'Whichever of them leads, the other is written from it; until then neither changes the other.',
          place: placeIn(page, region.begin),
          strand: null,
          joint: null,
          fixes: [
            {
              kind: 'change',
              label: `Write ${page.path} from ${source}`,
              states: WRITTEN,
              plan: () => leadText(site, page.path, 'file'),
            },
            {
              kind: 'change',
              label: `Write ${source} from ${page.path}`,
              states: WRITTEN,
              plan: () => leadText(site, page.path, 'page'),
            },
            {
              kind: 'change',
              label: `Keep the text of ${page.path} without ${source}`,
              states: { takes: ['comments'] },
              plan: () => partText(site, page.path),
            },
          ],
        };
      }),
};

function saysOf(text: PageText): string {
  const { page, source, state } = text;
  if (state === 'apart') return `The text of ${page.path} was changed in the page; ${source} says something else.`;
  const written = textWritten(text);
  return written.ok
    ? `${source} has changed since ${page.path} was written from it.`
    : `${source} is not on ${page.path} yet: ${written.reason}.`;
}
