import { STATES } from '../markup/index.ts';
import type { PageReading, SiteReading } from '../model/index.ts';
import type { Edit } from '../site/index.ts';
import type { Include } from '../wiring/index.ts';
import { editScript } from './editScript.ts';
import { placeIn, type Fix, type Observation, type Rule } from './finding.ts';

export const baseMissing: Rule = {
  id: 'base-missing',
  station: 'wiring',
  title: 'The library that a script needs is loaded',
  find: (site) =>
    site.pages.flatMap((page) =>
      page.wiring.scripts.flatMap(({ include, missing }): Observation[] => {
        // Of a kit's own files it is said which of them is absent.
        const isTold = page.wiring.uses.some(({ files }) =>
          files.some(({ file, includes }) => file.base && includes.length === 0),
        );
        if (!missing || isTold) return [];
        const script = include.written ?? 'This script';
        const { inline } = include;
        const meant = page.wiring.scripts
          .flatMap(({ reading }) => (reading?.ok ? reading.gives : []))
          .find(({ name }) => name.toLowerCase() === missing.name.toLowerCase())?.name;
        const end = missing.at + missing.name.length;
        return [
          {
            matter: `${page.path}:${include.written ?? 'inline'}`,
            severity: 'error',
            says:
              meant === undefined
                ? `${script} needs ${missing.name}, and no script of this page gives it.`
                : `${script} asks for ${missing.name}; its name is ${meant}.`,
            why: `The browser stops it there with “${missing.name} is not defined”; the rest of it does not happen.`,
            place: placeIn(
              page,
              inline && meant !== undefined
                ? { start: inline.start + missing.at, end: inline.start + end }
                : include.element.range,
            ),
            strand: null,
            joint: 'viewer',
            fixes: meant === undefined ? [] : [corrected(site, page, include, { start: missing.at, end, text: meant })],
          },
        ];
      }),
    ),
};

const corrected = (site: SiteReading, page: PageReading, include: Include, edit: Edit): Fix => ({
  kind: 'change',
  states: STATES.code,
  label: `Correct to ${edit.text}`,
  plan: () => editScript(page, include, [edit], `Correct a name on ${page.path}`, site),
});
