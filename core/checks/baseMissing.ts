import { placeIn, type Observation, type Rule } from './finding.ts';

export const baseMissing: Rule = {
  id: 'base-missing',
  station: 'wiring',
  title: 'The library that a script stands on is loaded',
  find: (site) =>
    site.pages.flatMap((page) =>
      page.wiring.scripts.flatMap(({ include, missing }): Observation[] => {
        // Of a kit's own files it is said which of them is absent.
        const isTold = page.wiring.uses.some(({ files }) =>
          files.some(({ file, includes }) => file.base && includes.length === 0),
        );
        if (!missing || isTold) return [];
        const script = include.written ?? 'This script';
        return [
          {
            matter: `${page.path}:${include.written ?? include.line}`,
            severity: 'error',
            says: `${script} needs ${missing.name}, and no script of this page gives it.`,
            why: `The browser stops it there with “${missing.name} is not defined”; the rest of it does not happen.`,
            place: placeIn(page, include.element.range),
            strand: null,
            joint: 'viewer',
            fixes: [],
          },
        ];
      }),
    ),
};
