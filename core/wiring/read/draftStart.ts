/** How a viewer is started, as far as a script and the examples of its use tell. */
import { matches, textOf, valueOf } from '../../markup/index.ts';
import { nameOf } from '../../site/index.ts';
import type { KitManifestInput } from '../kit/manifest.ts';
import type { DraftScript, FoundStart, Note } from './draft.ts';
import type { FoundMarker } from './draftMarker.ts';
import type { Sample } from './manual.ts';
import type { Handed } from './chosen.ts';
import { readCode, type Call, type ScriptFacts } from './scriptFacts.ts';

const PLAIN = {
  way: 'function',
  of: null,
  imported: null,
  key: null,
  items: null,
  then: null,
  takes: ['selector'],
  place: null,
} as const;

/**
 * What the scripts give and a page or a manual beside them calls; without such an example, a function that takes a
 * selector by its looks.
 */
export function startIn(scripts: readonly DraftScript[], samples: readonly Sample[], note: Note): FoundStart | null {
  const given = new Map(
    scripts.flatMap((script) => script.facts.gives.map((one) => [one.name, { ...one, script }] as const)),
  );
  for (const sample of samples) {
    for (const element of sample.page.elements) {
      if (element.tag !== 'script' || valueOf(element, 'src') !== undefined) continue;
      const found = startOfCode(textOf(element), scripts, sample);
      if (!found) continue;
      const { call } = found;
      const place = { file: sample.file, at: sample.inFile((element.open?.end ?? 0) + call.at) };
      note('start', saidOf(found.start), place.file, place.at);
      return { ...found.start, place };
    }
  }
  // A plug-in does nothing until it is called.
  const [plugIn] = scripts.flatMap(({ name, facts }) => facts.plugIns.map((one) => ({ ...one, file: name })));
  if (plugIn) {
    note('start', `gives $(…).${plugIn.name}()`, plugIn.file, plugIn.at);
    return { ...PLAIN, way: 'collection', call: plugIn.name, selector: '' };
  }
  // A script that listens by itself needs no call.
  const asks = scripts.some(
    ({ facts }) => facts.elements.length > 0 || facts.selectors.some(({ name }) => /\[|\./.test(name)),
  );
  const last = [...given.values()]
    .filter(({ name }) => !scripts.some(({ facts }) => facts.needs.some((need) => need.name === name)))
    .filter(({ name, script }) => !isUsedInside(script.text, name) && !isInHandler(samples, name))
    .at(-1);
  if (asks || !last) return null;
  note('start', `gives ${last.name}()`, last.script.name, last.at);
  return { ...PLAIN, call: last.name, selector: '' };
}

/** Whether a link of an example calls it when it is clicked. */
const isInHandler = (samples: readonly Sample[], name: string): boolean =>
  samples.some(({ page }) =>
    page.elements.some((element) =>
      new RegExp(`(?<![\\w$.])${name.replace(/\$/g, '\\$&')}\\s*[.(]`).test(valueOf(element, 'onclick') ?? ''),
    ),
  );

/** The first call in an example of what the scripts give, or of what it imports from them. */
function startOfCode(
  code: string,
  scripts: readonly DraftScript[],
  sample: Sample,
): { call: Call; start: Omit<FoundStart, 'place'> } | null {
  const reading = readCode(code);
  if (!reading.ok) return null;
  const given = new Set(scripts.flatMap(({ facts }) => facts.gives.map(({ name }) => name)));
  const plugIns = new Set(scripts.flatMap(({ facts }) => facts.plugIns.map(({ name }) => name)));
  const imports = importsFrom(reading, scripts);
  for (const call of reading.calls) {
    const { way, name, of } = call;
    const root = way === 'method' ? (of ?? '') : name;
    const imported = imports.find((one) => one.name === root);
    const isTheirs = way === 'collection' ? plugIns.has(name) : given.has(root);
    if (imported) return { call, start: { ...foundStart(call, sample), ...asExported(call, imported) } };
    if (isTheirs) return { call, start: { ...foundStart(call, sample), imported: null } };
  }
  return null;
}

type Imports = ScriptFacts['imports'];

/** A manual may import by a name that only a map explains: then what it is called is in its name. */
function importsFrom({ imports }: ScriptFacts, scripts: readonly DraftScript[]): Imports {
  const names = scripts.filter(({ isModule }) => isModule).map(({ name }) => name.toLowerCase());
  const isOne = (from: string) =>
    names.includes(nameOf(from).toLowerCase()) || (!/[./]/.test(from) && names.some((one) => one.startsWith(from)));
  return imports.filter(({ from }) => isOne(from));
}

/** By what name the start call imports what it calls, and what it is called there. */
function asExported({ way, name, of }: Call, imported: Imports[number]): Pick<FoundStart, 'imported' | 'call' | 'of'> {
  if (imported.exported === 'default') return { imported: 'default', call: name, of: way === 'method' ? of : null };
  // `Rays.glow('.a')` of `import * as Rays` is a function of the module.
  if (imported.exported === '*') return { imported: name === 'default' ? 'default' : 'named', call: name, of: null };
  const exported = imported.exported ?? name;
  return way === 'method'
    ? { imported: 'named', call: name, of: exported }
    : { imported: 'named', call: exported, of: null };
}

/** Whether a script calls its own function, or hands it to what calls it. */
const isUsedInside = (text: string, name: string): boolean => {
  const word = name.replace(/\$/g, '\\$&');
  const called = new RegExp(`(?<!function\\s+|new\\s+|[\\w$.])${word}\\s*\\(`).test(text);
  return called || new RegExp(`\\bon[a-z]+\\s*=\\s*${word}\\b|,\\s*${word}\\s*[,)]`).test(text);
};

/** Names of options that choose among what the selector finds (common practice, no source). */
const CHOOSES = /^(?:items?|links?|children|slides?|selector|delegate)$/i;

function foundStart(
  { way, name, of, text, handed, options, then }: Call,
  { page }: Sample,
): Omit<FoundStart, 'place' | 'imported'> {
  const texts = Object.entries(options).filter((pair): pair is [string, string] => typeof pair[1] === 'string');
  const finds = (selector: string) => {
    const found = matches(page, selector);
    return found.ok && found.elements.length > 0;
  };
  const key = text === null ? (texts.find(([, value]) => /^[.#[]/.test(value) && finds(value)) ?? null) : null;
  const items = texts.find(([option]) => option !== key?.[0] && CHOOSES.test(option)) ?? null;
  return {
    way,
    call: name,
    of: way === 'method' ? of : null,
    selector: text ?? key?.[1] ?? null,
    key: key?.[0] ?? null,
    items: items && { option: items[0], without: items[1] },
    then: then.find((one) => !/^(?:on|off|then|catch)$/.test(one.name))?.name ?? null,
    takes: handed === null ? ['selector'] : [handed],
  };
}

function saidOf({ way, call, of, selector, key }: Omit<FoundStart, 'place'>): string {
  const quoted = selector === null ? '' : `'${selector}'`;
  const inside = key === null ? quoted : `{ ${key}: ${quoted} }`;
  if (way === 'collection') return `$(${quoted}).${call}()`;
  if (way === 'method') return `${of ?? ''}.${call}(${inside})`;
  return `${way === 'constructor' ? 'new ' : ''}${call}(${inside})`;
}

/** A listener further up answers also what comes later. */
/** What asks of what kind its argument is takes others too. */
const ASKS_KIND =
  /typeof\s+[\w$]+\s*[!=]==?\s*["'`]string|["'`]string["'`]\s*[!=]==?\s*typeof\b|\binstanceof\s+(?:NodeList|HTML\w*Element|Element)\b/;
/** One element is told from a list by what only it has. */
const ASKS_ELEMENT = /\.nodeType\b|\binstanceof\s+(?:HTML\w*)?Element\b/;

function takenBy({ takes, way, items }: FoundStart, scripts: readonly DraftScript[]): Handed[] {
  const asks = scripts.some(({ text }) => ASKS_KIND.test(text));
  if (way === 'collection' || !asks) return [...takes];
  const isOne = items !== null || scripts.some(({ text }) => ASKS_ELEMENT.test(text));
  const isList = items === null;
  return ['selector', ...(isOne ? ['element' as const] : []), ...(isList ? ['list' as const] : [])];
}

const delegates = (scripts: readonly DraftScript[]): boolean =>
  scripts.some(({ text }) => /target\.closest\(|\.on\(\s*['"]click['"]\s*,\s*['"]/.test(text));

/** A script that has to be started stands at the end of the page, behind what it is started on. */
export function startPart(
  start: FoundStart | null,
  marker: FoundMarker,
  scripts: readonly DraftScript[],
): Pick<KitManifestInput, 'place' | 'start'> {
  if (!start) return { place: 'head' };
  const { call, way, of, imported, selector, key, items, then } = start;
  const takes = takenBy(start, scripts);
  const isMarked = (marker.attribute ?? marker.class ?? marker.element) !== undefined;
  return {
    place: 'end',
    start: {
      ...(way === 'function' ? {} : { way }),
      call,
      ...(of === null ? {} : { of }),
      ...(imported === null ? {} : { imported }),
      required: true,
      selector: selector !== null,
      ...(selector && !isMarked ? { finds: selector } : {}),
      ...(key === null ? {} : { key }),
      ...(items === null ? {} : { items }),
      ...(then === null ? {} : { then }),
      ...(takes.join() === 'selector' ? {} : { takes }),
      binds: !delegates(scripts),
    },
  };
}
