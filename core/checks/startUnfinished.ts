import { STATES } from '../markup/index.ts';
import type { PageReading, SiteReading } from '../model/index.ts';
import { startWritten, type KitUse, type StartingScript } from '../wiring/index.ts';
import { editScript, inScript } from './editScript.ts';
import { type Observation, type Rule } from './finding.ts';

export const startUnfinished: Rule = {
  id: 'start-unfinished',
  station: 'wiring',
  title: 'What is made for a gallery is also begun',
  find: (site) =>
    site.pages.flatMap((page) =>
      page.wiring.uses.flatMap((use) => use.starts.flatMap((start) => findingOf(site, page, use, start))),
    ),
};

function findingOf(
  site: SiteReading,
  page: PageReading,
  { kit: { manifest } }: KitUse,
  { unfinished, call, include }: StartingScript,
): Observation[] {
  if (unfinished === null || !manifest.start) return [];
  const edit = { start: call.end, end: call.end, text: `.${unfinished}()` };
  return [
    {
      matter: `${page.path}:${manifest.name}:${include.written ?? ''}`,
      severity: 'error',
      says: `${startWritten(manifest.start, '…')} is made here, and .${unfinished}() is never called on it.`,
      why: `The ${manifest.name} waits until it is told to begin; a click shows the picture alone.`,
      place: inScript(page, include, { start: call.at, end: call.end }),
      strand: null,
      joint: 'viewer',
      fixes: [
        {
          kind: 'change',
          states: STATES.code,
          label: `Write .${unfinished}() behind it`,
          plan: () => editScript(page, include, [edit], `Begin the ${manifest.name} on ${page.path}`, site),
        },
      ],
    },
  ];
}
