import { applyEdits, LineIndex, type Edit } from '../site/index.ts';
import type { PageReading, SiteReading } from '../model/index.ts';
import { STATES } from '../markup/index.ts';
import { readScript, type ScriptRun } from '../wiring/index.ts';
import { editScript } from './editScript.ts';
import { placeIn, type Observation, type Fix, type Rule } from './finding.ts';

export const scriptBroken: Rule = {
  id: 'script-broken',
  station: 'wiring',
  title: 'Every script can be read',
  find: (site) => {
    const findings = new Map<string, Observation>();
    for (const page of site.pages)
      for (const script of page.wiring.scripts) {
        const finding = findingOf(site, page, script);
        if (finding && !findings.has(finding.matter)) findings.set(finding.matter, finding);
      }
    return [...findings.values()];
  },
};

function findingOf(site: SiteReading, page: PageReading, script: ScriptRun): Observation | null {
  const { include, text, reading } = script;
  if (!reading || reading.ok || text === null || include.module) return null;
  const { inline } = include;
  const path = inline ? page.path : (include.path ?? page.path);
  const line = new LineIndex(text).lineAt(reading.at);
  return {
    matter: `${path}:${inline ? include.line : ''}`,
    severity: 'error',
    says: `${include.written ?? 'This inline script'} has a mistake${inline ? '' : ` on line ${line}`}: ${reading.reason}.`,
    why: 'A browser that cannot read a script to its end runs nothing of it, not even what stands before the mistake.',
    place: inline
      ? placeIn(page, { start: inline.start + reading.at, end: inline.start + reading.at + 1 })
      : { path, line, start: reading.at, end: reading.at + 1 },
    strand: null,
    joint: 'viewer',
    fixes: fixesFor(site, page, script, mended(text)),
  };
}

function fixesFor(site: SiteReading, page: PageReading, { include }: ScriptRun, edits: Edit[] | null): Fix[] {
  if (!edits) return [];
  const stray = edits.length === 1 ? 'the stray character' : `the ${edits.length} stray characters`;
  const label = `Mend the script ${include.written ?? `on line ${include.line}`}`;
  const plan = () => editScript(page, include, edits, label, site);
  return [{ kind: 'change', states: STATES.mends, label: `Take ${stray} out`, plan }];
}

/** What text programs and web pages put into code that is copied from them, and what is meant. */
const STRAY: readonly (readonly [RegExp, string])[] = [
  [/[\u201C\u201D\u201E\u00AB\u00BB]/g, '"'],
  [/[\u2018\u2019\u201A]/g, "'"],
  [/[\u200B-\u200D\u2060\u00AD]/g, ''],
  [/[\u2013\u2014\u2212]/g, '-'],
  [/<\/?script[^>]*>/gi, ''],
  [/<!--|-->/g, ''],
  [/[`´](?=[^`´]*$)/g, ''],
];

/** Replacements near each mistake, one after the other, until the script parses; null where they do not help. */
function mended(text: string): Edit[] | null {
  const strays = STRAY.flatMap(([stray, meant]) =>
    [...text.matchAll(stray)].map((match): Edit => ({
      start: match.index,
      end: match.index + match[0].length,
      text: meant,
    })),
  );
  const taken: Edit[] = [];
  for (let n = 0; n < MOST_STRAYS; n++) {
    const sorted = [...taken].sort((a, b) => a.start - b.start);
    const applied = applyEdits(text, sorted);
    const reading = applied.ok ? readScript(applied.text) : null;
    if (!reading || reading.ok) return reading && taken.length > 0 ? sorted : null;
    // The mistake is told in the text as it is mended so far.
    const at = sorted.reduce(
      (place, edit) => (edit.start <= place ? place + edit.end - edit.start - edit.text.length : place),
      reading.at,
    );
    const next = strays
      .filter((edit) => !taken.some((one) => one.start < edit.end && one.end > edit.start))
      .sort((a, b) => Math.abs(a.start - at) - Math.abs(b.start - at))[0];
    if (!next) return null;
    taken.push(next);
  }
  return null;
}

const MOST_STRAYS = 40;
