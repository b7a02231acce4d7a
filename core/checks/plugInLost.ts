import { cutLine, STATES } from '../markup/index.ts';
import type { PageReading } from '../model/index.ts';
import { startWritten, type KitUse, type StartingScript } from '../wiring/index.ts';
import { placeIn, planPage, type Fix, type Observation, type Rule } from './finding.ts';

export const plugInLost: Rule = {
  id: 'plug-in-lost',
  station: 'wiring',
  title: 'A plug-in is still there when it is called',
  find: (site) =>
    site.pages.flatMap((page) =>
      page.wiring.uses.flatMap((use) => use.starts.flatMap((start) => findingOf(page, use, start))),
    ),
};

function findingOf(page: PageReading, { kit: { manifest } }: KitUse, { lost, call }: StartingScript): Observation[] {
  if (!lost) return [];
  const { by, how } = lost;
  const script = by.written ?? `The script on line ${by.line}`;
  const written = manifest.start ? startWritten(manifest.start, '') : call.name;
  const matter = `${page.path}:${by.written ?? by.line}`;
  const place = placeIn(page, by.element.range);
  const common = { matter, severity: 'error', place, strand: null, joint: 'viewer' } as const;
  if (how === 'name taken')
    return [
      {
        ...common,
        says: `${script} makes ${call.of ?? '$'} something else before ${written} is called.`,
        why: `The last script to give a name has it. Write jQuery instead of ${call.of ?? '$'} around the call, or hand it in: jQuery(function ($) { … }).`,
        fixes: [],
      },
    ];
  const { range } = by.element;
  const fixes: Fix[] = range
    ? [
        {
          kind: 'change',
          states: STATES.includes,
          label: `Load ${script} no second time`,
          plan: () => planPage(page, `Load the base once on ${page.path}`, [cutLine(page.document, range)], -1),
        },
      ]
    : [];
  return [
    {
      ...common,
      says: `${script} is the library a second time, after the plug-in that needs it.`,
      why: `It starts again without plug-ins: the browser stops at ${written} with “${call.name} is not a function”.`,
      fixes,
    },
  ];
}
