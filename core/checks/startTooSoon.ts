import { STATES } from '../markup/index.ts';
import { waitingEdits } from '../wiring/index.ts';
import { inScript } from './editScript.ts';
import { planPage, type Observation, type Rule } from './finding.ts';

export const startTooSoon: Rule = {
  id: 'start-too-soon',
  station: 'wiring',
  title: 'A start call comes after the links that it looks for',
  find: (site) =>
    site.pages.flatMap((page) =>
      page.wiring.uses.flatMap((use) =>
        use.starts.flatMap((start): Observation[] => {
          const { include, call, matched, there, tooEarly } = start;
          const inline = include.inline;
          if (tooEarly || there.length === matched.length) return [];
          const when =
            there.length === 0
              ? 'before any of its links is read'
              : `when ${there.length} of its ${matched.length} links are read`;
          return [
            {
              matter: `${page.path}:${call.name}:${include.written ?? ''}`,
              severity: 'error',
              says: `${call.name}() runs ${when}.`,
              why: 'A script that stands as it is runs while the browser reads the page, and sees only what comes before it.',
              place: inScript(page, include, { start: call.at, end: call.end }),
              strand: null,
              joint: 'viewer',
              fixes: inline
                ? [
                    {
                      kind: 'change',
                      states: STATES.code,
                      label: 'Wait until the page is read',
                      plan: () => planPage(page, `Let ${call.name} wait on ${page.path}`, waitingEdits(inline)),
                    },
                  ]
                : [],
            },
          ];
        }),
      ),
    ),
};
