import { cutLine } from '../markup/index.ts';
import { includedName, type Include } from '../wiring/index.ts';
import { placeIn, planPage, type Observation, type Rule } from './finding.ts';

const bare = (name: string): string => name.toLowerCase().replace(/[.-]min(?=\.\w+$)/, '');

export const includedTwice: Rule = {
  id: 'included-twice',
  station: 'wiring',
  title: 'Each script and stylesheet is loaded once',
  find: (site) =>
    site.pages.flatMap((page): Observation[] => {
      const seen = new Map<string, Include>();
      const ofKits = new Set(page.wiring.uses.flatMap(({ kit }) => kit.manifest.files.map(({ name }) => bare(name))));
      return page.wiring.includes.flatMap((include): Observation[] => {
        if (include.written === null) return [];
        // The same viewer from two places is loaded twice as well.
        // So is the one that is made small beside the one to be read.
        const name = bare(includedName(include));
        const key = ofKits.has(name) ? name : bare(include.path ?? include.written);
        const first = seen.get(`${include.kind} ${key}`);
        seen.set(`${include.kind} ${key}`, first ?? include);
        if (!first || !include.element.range) return [];
        const { range } = include.element;
        const missing = include.path !== null && include.lookup.found === 'nothing' && first.lookup.found === 'exact';
        return [
          {
            matter: `${page.path}:${include.written}`,
            severity: include.kind === 'script' ? 'error' : 'warning',
            says: `${include.written} is loaded on line ${first.line} already${missing ? `, from ${first.written}` : ''}.`,
            why:
              include.kind === 'script'
                ? 'The browser runs it twice: what it listens for happens twice. Many a viewer then opens one picture over the other.'
                : 'The second copy overrules what stands between the two.',
            place: placeIn(page, range),
            strand: null,
            joint: null,
            fixes: [
              {
                kind: 'change',
                states: { takes: ['tags', 'attributes'] },
                label: 'Load the file once',
                plan: () =>
                  planPage(page, `Load ${include.written} once on ${page.path}`, [cutLine(page.document, range)], -1),
              },
            ],
          },
        ];
      });
    }),
};
