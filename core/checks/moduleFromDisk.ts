import { attributeOf, rewriteTag, STATES } from '../markup/index.ts';
import { readScript } from '../wiring/index.ts';
import { placeIn, planPage, type Observation, type Rule } from './finding.ts';

export const moduleFromDisk: Rule = {
  id: 'module-from-disk',
  station: 'wiring',
  title: 'Scripts run from disk as well',
  find: (site) =>
    site.pages.flatMap((page) =>
      page.wiring.scripts.flatMap((run): Observation[] => {
        const { include, text, imports } = run;
        if (!include.module || include.imported) return [];
        const [imported] = include.inline ? imports.filter((one) => one.include.path !== null) : [];
        if (include.path === null && !imported) return [];
        // What parses as a classic script needs no module.
        const classic = include.path !== null && text !== null && readScript(text).ok;
        return [
          {
            matter: `${page.path}:${imported?.from ?? include.written}`,
            severity: 'warning',
            says: `${imported?.from ?? include.written} is loaded as a module.`,
            why: 'Opened from disk, a browser refuses to load module files; the script runs only on a host.',
            place: placeIn(page, attributeOf(include.element, 'type')?.range ?? include.element.open),
            strand: null,
            joint: null,
            fixes: classic
              ? [
                  {
                    kind: 'change',
                    states: STATES.includes,
                    label: 'Load the script as a plain script, deferred',
                    plan: () =>
                      planPage(
                        page,
                        `Load ${include.written} as a plain script on ${page.path}`,
                        rewriteTag(
                          include.element,
                          new Map([
                            ['type', null],
                            ['defer', ''],
                          ]),
                          page.text,
                        ),
                      ),
                  },
                ]
              : [],
          },
        ];
      }),
    ),
};
