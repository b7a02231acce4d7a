import { applyEdits, LineIndex, type Edit } from '../site/index.ts';
import type { PageReading, SiteReading } from '../model/index.ts';
import { rewriteTag, STATES } from '../markup/index.ts';
import { readScript, type ScriptRun, withoutNumbers } from '../wiring/index.ts';
import { editScript } from './editScript.ts';
import { placeIn, planPage, type Observation, type Fix, type Rule } from './finding.ts';

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
  if (!reading || reading.ok || text === null) return null;
  if (!include.module && readScript(text, 'module').ok) return untyped(page, script, reading.at);
  const { inline } = include;
  const path = inline ? page.path : (include.path ?? page.path);
  const line = new LineIndex(text).lineAt(reading.at);
  return {
    matter: `${path}:${inline ? 'inline' : ''}`,
    severity: 'error',
    says: `${include.written ?? 'This inline script'} has a mistake${inline ? '' : ` on line ${line}`}: ${reading.reason}.`,
    why: 'A browser that cannot read a script to its end runs nothing of it, not even what stands before the mistake.',
    place: inline
      ? placeIn(page, { start: inline.start + reading.at, end: inline.start + reading.at + 1 })
      : { path, line, start: reading.at, end: reading.at + 1 },
    strand: null,
    joint: 'viewer',
    fixes: fixesFor(site, page, script, text),
  };
}

/** What imports or exports is a module, and has to be loaded as one. */
function untyped(page: PageReading, { include, text }: ScriptRun, at: number): Observation {
  const { inline, element } = include;
  const written = include.written ?? 'This inline script';
  const word = /^(?:import|export)/.exec((text ?? '').slice(at))?.[0] ?? 'import';
  return {
    matter: `${page.path}:${include.written ?? 'inline'}`,
    severity: 'error',
    says: `${written} has an ${word} in it and is loaded as a plain script.`,
    why: 'A browser reads such words in modules only and stops at the first one; nothing of the script runs. A module in turn is not loaded from disk.',
    place: placeIn(page, inline ? { start: inline.start + at, end: inline.start + at + word.length } : element.range),
    strand: null,
    joint: 'viewer',
    fixes: [
      {
        kind: 'change',
        states: STATES.includes,
        label: 'Load the script as a module',
        plan: () =>
          planPage(page, `Load ${written} as a module on ${page.path}`, rewriteTag(element, AS_MODULE, page.text)),
      },
    ],
  };
}

const AS_MODULE = new Map([['type', 'module']]);

function fixesFor(site: SiteReading, page: PageReading, { include, reading }: ScriptRun, text: string): Fix[] {
  const as = include.module ? 'module' : 'script';
  const label = `Fix the script ${include.written ?? `on line ${include.line}`}`;
  const fix = (says: string, edits: readonly Edit[] | null): Fix[] =>
    edits
      ? [
          {
            kind: 'change',
            states: STATES.mends,
            label: says,
            plan: () => editScript(page, include, edits, label, site),
          },
        ]
      : [];
  const strays = mended(text, as);
  const stray = strays?.length === 1 ? 'the stray character' : `the ${strays?.length} stray characters`;
  return [
    ...fix(`Remove ${stray}`, strays),
    ...fix('Remove the line numbers', numbersOut(text, as)),
    ...fix('Put the selector in quotes', quoted(text, reading?.ok === false ? reading.at : 0, as)),
  ].slice(0, 1);
}

type As = 'script' | 'module';

const ifRead = (text: string, edits: Edit[], as: As): Edit[] | null => {
  const applied = applyEdits(text, edits);
  return applied.ok && readScript(applied.text, as).ok ? edits : null;
};

/** The numbers of its lines, copied along from where they were shown. */
function numbersOut(text: string, as: As): Edit[] | null {
  const lines = text.split('\n');
  const bare = withoutNumbers(text).split('\n');
  let at = 0;
  const edits = lines.flatMap((line, n): Edit[] => {
    const start = at;
    at += line.length + 1;
    const gone = line.length - (bare[n] ?? line).length;
    return gone > 0 ? [{ start, end: start + gone, text: '' }] : [];
  });
  return edits.length === 0 ? null : ifRead(text, edits, as);
}

/** `$(.thumb)`: the selector nearest before the mistake, which stands without its quotes. */
function quoted(text: string, at: number, as: As): Edit[] | null {
  const bare = [...text.matchAll(/(?<=\(\s*)[.#][A-Za-z][\w-]*(?:[ >.#]+[\w-]+)*(?=\s*[,)])/g)];
  const near = bare.find(({ index, 0: selector }) => index <= at && at <= index + selector.length);
  if (!near) return null;
  const [selector] = near;
  return ifRead(text, [{ start: near.index, end: near.index + selector.length, text: `'${selector}'` }], as);
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
function mended(text: string, as: 'script' | 'module'): Edit[] | null {
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
    const reading = applied.ok ? readScript(applied.text, as) : null;
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
