import { STATES } from '../markup/index.ts';
import type { PageReading } from '../model/index.ts';
import { callText, isSlipOf, startEdits, type KitUse, type ScriptRun } from '../wiring/index.ts';
import { editScript } from './editScript.ts';
import { placeIn, planPage, type Observation, type Rule } from './finding.ts';

export const startCall: Rule = {
  id: 'start-call',
  station: 'wiring',
  title: 'A viewer that waits for a start call gets one, by its right name',
  find: (site) =>
    site.pages.flatMap((page) =>
      page.wiring.uses.flatMap((use): Observation[] => {
        const { start, name } = use.kit.manifest;
        if (!start || use.starts.length > 0) return [];
        const slip = misspeltCall(page, start.call);
        if (slip) {
          const { run, at, is } = slip;
          return [
            {
              matter: `${page.path}:${is}`,
              severity: 'error',
              says: `${run.include.written ?? 'This script'} calls ${is}(); the ${name}’s function is ${start.call}().`,
              why: `The browser stops it there with “${is} is not defined”.`,
              place: placeIn(
                page,
                run.include.inline
                  ? { start: run.include.inline.start + at, end: run.include.inline.start + at + is.length }
                  : run.include.element.range,
              ),
              strand: null,
              joint: 'viewer',
              fixes: [
                {
                  kind: 'change',
                  states: STATES.code,
                  label: `Correct it to ${start.call}`,
                  plan: () =>
                    editScript(
                      page,
                      run.include,
                      [{ start: at, end: at + is.length, text: start.call }],
                      `Correct the call of ${start.call} on ${page.path}`,
                      site,
                    ),
                },
              ],
            },
          ];
        }
        return start.required && use.marked.length > 0 && use.script ? [unstarted(page, use)] : [];
      }),
    ),
};

function misspeltCall(page: PageReading, meant: string): { run: ScriptRun; at: number; is: string } | null {
  for (const run of page.wiring.scripts) {
    if (!run.reading?.ok) continue;
    const needed = new Set(run.reading.needs.map(({ name }) => name));
    const call = run.reading.calls.find(({ name }) => needed.has(name) && isSlipOf(name, meant));
    if (call) return { run, at: call.at, is: call.name };
  }
  return null;
}

function unstarted(page: PageReading, use: KitUse): Observation {
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
        plan: () => planPage(page, `Start the ${name} on ${page.path}`, startEdits(page, use.kit, script), 1),
      },
    ],
  };
}
