import { STATES } from '../markup/index.ts';
import type { PageReading, SiteReading } from '../model/index.ts';
import { callText, startEdits, type KitUse } from '../wiring/index.ts';
import { editScript, inScript } from './editScript.ts';
import { placeIn, planPage, type Observation, type Rule } from './finding.ts';
import { misnamedCall, type Misnamed } from './misnamedCall.ts';

export const startCall: Rule = {
  id: 'start-call',
  station: 'wiring',
  title: 'A viewer that waits for a start call gets one, by its right name',
  find: (site) =>
    site.pages.flatMap((page) =>
      page.wiring.uses.flatMap((use): Observation[] => {
        const { start, name } = use.kit.manifest;
        if (!start || use.starts.length > 0) return [];
        const slip = misnamedCall(page, start);
        if (slip) return [misnamed(site, page, name, slip)];
        if (isInBroken(page, start.call)) return [];
        return start.required && use.marked.length > 0 && use.script ? [unstarted(site, page, use)] : [];
      }),
    ),
};

function misnamed(site: SiteReading, page: PageReading, kit: string, slip: Misnamed): Observation {
  const { run, is, meant, at, end, why } = slip;
  const { written } = run.include;
  return {
    matter: `${page.path}:${is}`,
    severity: 'error',
    says: `${written ?? 'This script'} calls ${is}; for the ${kit} it is ${meant}.`,
    why,
    place: inScript(page, run.include, { start: at, end }),
    strand: null,
    joint: 'viewer',
    fixes: [
      {
        kind: 'change',
        states: STATES.code,
        label: `Correct to ${meant}`,
        plan: () =>
          editScript(
            page,
            run.include,
            [{ start: at, end, text: meant }],
            `Correct the call of ${meant} on ${page.path}`,
            site,
          ),
      },
    ],
  };
}

/** What stands in a script that no browser can read is told of that script. */
const isInBroken = ({ wiring }: PageReading, name: string): boolean =>
  wiring.scripts.some(({ reading, text }) => reading?.ok === false && text?.includes(name));

function unstarted(site: SiteReading, page: PageReading, use: KitUse): Observation {
  const { start, name } = use.kit.manifest;
  const script = use.script?.element ?? null;
  return {
    matter: `${page.path}:${name}`,
    severity: 'error',
    says: `${start?.call}() is never called on this page.`,
    why: `The ${name} is loaded and does nothing until it is told which links are meant; a click shows the picture alone.`,
    place: placeIn(page, script?.range),
    strand: null,
    joint: 'viewer',
    fixes: [
      {
        kind: 'change',
        states: STATES.includes,
        label: `Write ${callText(use.kit.manifest)}`,
        plan: () => planPage(page, `Start the ${name} on ${page.path}`, startEdits(site, page, use.kit, script), 1),
      },
    ],
  };
}
