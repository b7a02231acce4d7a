import { STATES } from '../markup/index.ts';
import type { PageReading, SiteReading } from '../model/index.ts';
import { argumentName, isSlipOf, type KitUse, type StartingScript } from '../wiring/index.ts';
import { editScript } from './editScript.ts';
import { placeIn, type Observation, type Rule } from './finding.ts';

export const optionMisspelt: Rule = {
  id: 'option-misspelt',
  station: 'wiring',
  title: 'Options of a start call are written as the viewer reads them',
  find: (site) =>
    site.pages.flatMap((page) =>
      page.wiring.uses.flatMap((use) => use.starts.flatMap((start) => findingsOf(site, page, use, start))),
    ),
};

/** All that a start call may say, by the names that it has there. */
function knownTo({ kit: { manifest } }: KitUse): string[] {
  const { options, start } = manifest;
  const others = [start?.key, start?.items?.option].filter((name) => name !== undefined);
  return [...options.map(({ name }) => argumentName(name)), ...others];
}

function findingsOf(site: SiteReading, page: PageReading, use: KitUse, start: StartingScript): Observation[] {
  const { call, include } = start;
  const known = knownTo(use);
  return Object.entries(call.namesAt).flatMap(([name, at]): Observation[] => {
    const meant = known.includes(name) ? undefined : known.find((one) => isSlipOf(name, one) || sameLetters(name, one));
    if (meant === undefined) return [];
    const { inline } = include;
    const shift = inline?.start ?? 0;
    return [
      {
        matter: `${page.path}:${call.name}:${name}`,
        severity: 'warning',
        says: `This call sets ${name}; the ${use.kit.manifest.name} reads ${meant}.`,
        why: 'A name that a script does not know is passed over without a word; it does what it does by itself.',
        place: placeIn(page, inline ? { start: shift + at.start, end: shift + at.end } : include.element.range),
        strand: null,
        joint: 'viewer',
        fixes: [
          {
            kind: 'change',
            states: STATES.code,
            label: `Correct it to ${meant}`,
            plan: () => editScript(page, include, [{ ...at, text: meant }], `Correct ${name} on ${page.path}`, site),
          },
        ],
      },
    ];
  });
}

const sameLetters = (one: string, other: string): boolean => one.toLowerCase() === other.toLowerCase();
