/**
 * What can be read out of somebody's own viewer script, so that its manifest need not be written from nothing: which
 * file comes first, what marks a link, how groups and captions are told, how it is started. Each guess is given with
 * the line that it rests on; the author completes it.
 */
import { matches, textOf, valueOf } from '../../markup/index.ts';
import { LineIndex } from '../../site/index.ts';
import type { KitManifestInput } from '../kit/manifest.ts';
import { samplesIn, type Sample } from './manual.ts';
import type { DraftField, FoundName, FoundStart, Note } from './draft.ts';
import { groupInMarker, markerIn, markerPart } from './draftMarker.ts';
import { readScript, type Call, type ScriptFacts } from './scriptFacts.ts';

export interface Evidence {
  field: DraftField;
  /** What is taken from it. */
  says: string;
  file: string;
  line: number;
  /** The line as it stands there. */
  text: string;
}

export interface Draft {
  manifest: KitManifestInput;
  evidence: Evidence[];
  /** Scripts that cannot be read, with the reason and the line. */
  unread: { file: string; reason: string; line: number }[];
}

interface Script {
  name: string;
  text: string;
  facts: ScriptFacts;
}

/** `files` are texts by their names without folders: scripts, styles, and pages that show how the script is used. */
export function draftManifest(name: string, files: Readonly<Record<string, string>>): Draft {
  const evidence: Evidence[] = [];
  const { scripts, unread } = readAll(files);
  const note: Note = (field, says, file, at) => {
    const text = files[file] ?? '';
    const line = new LineIndex(text).lineAt(at);
    if (evidence.some((one) => one.field === field && one.says === says && one.file === file && one.line === line))
      return;
    evidence.push({ field, says, file, line, text: pieceAround(text, at) });
  };

  const ordered = inOrder(scripts);
  const given = new Set(ordered.flatMap(({ facts }) => facts.gives.map((one) => one.name)));
  for (const { name: file, facts } of ordered) {
    for (const need of facts.needs) if (given.has(need.name)) note('files', `needs ${need.name}`, file, need.at);
  }
  const samples = samplesIn(files);
  // A base is asked for much by its own code; that says nothing of the viewer.
  const own = ordered.filter((script) => !isBase(script));
  const attributes = own.flatMap(({ name: file, facts }) => facts.attributes.map((one) => ({ ...one, file })));
  const selectors = own.flatMap(({ name: file, facts }) => facts.selectors.map((one) => ({ ...one, file })));

  const start = startIn(own, samples, note);
  const marker = markerIn({ selectors, attributes, samples, scripts: own }, start, note);
  const told = attributesIn(attributes, marker.attribute, kitName(name), note);
  const figures = selectors.find(({ name: selector }) => /figcaption/.test(selector));
  if (figures) note('caption', 'reads figcaption', figures.file, figures.at);
  const styles = Object.keys(files)
    .filter((file) => /\.css$/i.test(file))
    .sort();
  const bare = kitName(name);
  return {
    manifest: {
      name: bare,
      title: name,
      files: [
        ...styles.map((file) => ({ name: file, role: 'style' as const })),
        ...ordered.map(({ name: file, facts }) => ({
          name: file,
          role: 'script' as const,
          ...(isBase({ facts }) ? { base: true } : {}),
          gives: facts.gives.map((one) => one.name),
          needs: [...new Set(facts.needs.map((one) => one.name).filter((one) => given.has(one)))],
        })),
      ],
      folder: bare,
      marker: markerPart(marker),
      ...(start ? { group: { in: 'call' as const } } : {}),
      ...(groupInMarker(marker, samples, note) ?? {}),
      ...told,
      caption: { ...told.caption, from: [...(figures ? (['figure'] as const) : []), ...(told.caption?.from ?? [])] },
      ...counterPart(own, note),
      ...startPart(start, marker, own),
      ...optionsPart(own, start, note),
    },
    evidence,
    unread,
  };
}

/** Longer lines are shown as what stands around the place: code made small is one line. Characters. */
const LONG_LINE = 140;
const AROUND = 50;

function pieceAround(text: string, at: number): string {
  const start = text.lastIndexOf('\n', at - 1) + 1;
  const end = text.indexOf('\n', at);
  const line = text.slice(start, end < 0 ? text.length : end).trimEnd();
  if (line.trim().length <= LONG_LINE) return line.trim();
  const from = Math.max(0, at - start - AROUND);
  const to = Math.min(line.length, at - start + 2 * AROUND);
  return `${from > 0 ? '…' : ''}${line.slice(from, to).trim()}${to < line.length ? '…' : ''}`;
}

/** The scripts among the files, and those that cannot be read. */
function readAll(files: Readonly<Record<string, string>>): Pick<Draft, 'unread'> & { scripts: Script[] } {
  const unread: Draft['unread'] = [];
  const scripts: Script[] = [];
  for (const [file, text] of Object.entries(files)) {
    if (!/\.js$/i.test(file)) continue;
    const facts = readScript(text);
    if (facts.ok) scripts.push({ name: file, text, facts });
    else unread.push({ file, reason: facts.reason, line: new LineIndex(text).lineAt(facts.at) });
  }
  return { scripts, unread };
}

/** Attributes of its own that tell by their names what they are for. */
const TELLING = {
  group: /group|set\b|album|gallery|series/,
  caption: /caption|title|label|words/,
  description: /descri|text|more|detail/,
  container: /(?:^|-)(?:in|into|target|container|stage|place)$/,
  kind: /kind|type/,
} as const;

/** What a script reads from a link besides its marker. */
function attributesIn(
  attributes: readonly FoundName[],
  marker: string | undefined,
  kit: string,
  note: Note,
): Pick<KitManifestInput, 'group' | 'caption' | 'kind' | 'container'> {
  const data = attributes.filter(({ name }) => name.startsWith('data-') && name !== marker);
  const pick = (field: keyof typeof TELLING) => {
    const found = data.find(({ name }) => TELLING[field].test(name));
    if (found) note(field, found.name, found.file, found.at);
    return found?.name;
  };
  const group = pick('group');
  const caption = pick('caption');
  const description = pick('description');
  const container = pick('container');
  const kind = pick('kind');
  const mirrors = attributes.filter(({ name }) => name === 'title' || name === 'alt');
  for (const { name, file, at } of mirrors.slice(0, 2)) note('caption', `reads ${name}`, file, at);
  const from = [
    ...(caption ? ['attribute' as const] : []),
    ...(['title', 'alt'] as const).filter((one) => mirrors.some(({ name }) => name === one)),
  ];
  return {
    ...(group ? { group: { attribute: group } } : {}),
    caption: { ...(caption ? { attribute: caption } : {}), from, ...(description ? { description } : {}) },
    ...(kind ? { kind: { attribute: kind, picture: 'picture' } } : {}),
    ...(container ? { container: { attribute: container, id: `${kit}-place` } } : {}),
  };
}

const isBase = ({ facts }: Pick<Script, 'facts'>): boolean => facts.gives.some(({ name }) => name === 'jQuery');

/** A listener further up answers also what comes later. */
const delegates = (scripts: readonly Script[]): boolean =>
  scripts.some(({ text }) => /target\.closest\(|\.on\(\s*['"]click['"]\s*,\s*['"]/.test(text));

/** A script that has to be started stands at the end of the page, behind what it is started on. */
function startPart(
  start: FoundStart | null,
  marker: ReturnType<typeof markerIn>,
  scripts: readonly Script[],
): Pick<KitManifestInput, 'place' | 'start'> {
  if (!start) return { place: 'head' };
  const { call, way, of, selector, key, items, then } = start;
  const isMarked = marker.attribute !== undefined || marker.class !== undefined;
  return {
    place: 'end',
    start: {
      ...(way === 'function' ? {} : { way }),
      call,
      ...(of === null ? {} : { of }),
      required: true,
      selector: selector !== null,
      ...(selector && !isMarked ? { finds: selector } : {}),
      ...(key === null ? {} : { key }),
      ...(items === null ? {} : { items }),
      ...(then === null ? {} : { then }),
      binds: !delegates(scripts),
    },
  };
}

/** One more than the place, counted from 0, and a word: `n + 1 + ' of ' + count`, `${n + 1} of ${count}`. */
const COUNTS = /\+\s*1\)?\s*(?:\}|\+\s*["'`])\s*(?:of|from|\/|von|de|di|sur)\s*["'`$]/;

function counterPart(scripts: readonly Script[], note: Note): Pick<KitManifestInput, 'counter'> {
  for (const { name, text } of scripts) {
    const found = COUNTS.exec(text);
    if (!found) continue;
    note('counter', 'shows which of how many', name, found.index);
    return { counter: true };
  }
  return {};
}

/** What may be set in a start call, with what holds where nobody sets it. */
function optionsPart(
  scripts: readonly Script[],
  start: FoundStart | null,
  note: Note,
): Pick<KitManifestInput, 'options'> {
  const options = scripts.flatMap(({ name: file, facts }) =>
    facts.defaults.flatMap(({ name, value, at }) => {
      const dashed = name.replace(/[A-Z]/g, (letter) => `-${letter.toLowerCase()}`);
      if (!/^[a-z][a-z0-9-]*$/.test(dashed) || name === start?.items?.option || name === start?.key) return [];
      note('options', `${name}: ${String(value)}`, file, at);
      return [{ name: dashed, type: typeOf(value), without: value, says: '' }];
    }),
  );
  return options.length === 0 ? {} : { options };
}

function typeOf(value: string | number | boolean): 'switch' | 'number' | 'text' {
  if (typeof value === 'boolean') return 'switch';
  return typeof value === 'number' ? 'number' : 'text';
}

/** A kit's name out of what somebody calls it: small letters, digits and hyphens. */
export const kitName = (title: string): string =>
  title
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .replace(/^(?=\d)/, 'kit-') || 'own';

/** Each script behind those that give what it needs; of two that need nothing of each other the name decides. */
function inOrder(scripts: readonly Script[]): Script[] {
  const left = [...scripts].sort((a, b) => a.name.localeCompare(b.name));
  const done: Script[] = [];
  while (left.length > 0) {
    const waiting = new Set(left.flatMap(({ facts }) => facts.gives.map(({ name }) => name)));
    const next = left.findIndex(({ facts }) =>
      facts.needs.every(({ name }) => !waiting.has(name) || facts.gives.some((one) => one.name === name)),
    );
    // Scripts that need each other cannot be put in order; they stay as they come.
    done.push(...left.splice(Math.max(0, next), 1));
  }
  return done;
}

const PLAIN = { way: 'function', of: null, key: null, items: null, then: null, place: null } as const;

/**
 * What the scripts give and a page or a manual beside them calls; without such an example, a function that takes a
 * selector by its looks.
 */
function startIn(scripts: readonly Script[], samples: readonly Sample[], note: Note): FoundStart | null {
  const given = new Map(
    scripts.flatMap((script) => script.facts.gives.map((one) => [one.name, { ...one, script }] as const)),
  );
  const plugIns = new Set(scripts.flatMap(({ facts }) => facts.plugIns.map(({ name }) => name)));
  const isTheirs = ({ way, name, of }: Call) => {
    if (way === 'collection') return plugIns.has(name);
    return given.has(way === 'method' ? (of ?? '') : name);
  };
  for (const sample of samples) {
    for (const element of sample.page.elements) {
      if (element.tag !== 'script' || valueOf(element, 'src') !== undefined) continue;
      const reading = readScript(textOf(element));
      const call = reading.ok ? reading.calls.find(isTheirs) : undefined;
      if (!call) continue;
      const found = foundStart(call, sample);
      const place = { file: sample.file, at: sample.inFile((element.open?.end ?? 0) + call.at) };
      note('start', saidOf(found), place.file, place.at);
      return { ...found, place };
    }
  }
  // A plug-in does nothing until it is called.
  const [plugIn] = scripts.flatMap(({ name, facts }) => facts.plugIns.map((one) => ({ ...one, file: name })));
  if (plugIn) {
    note('start', `gives $(…).${plugIn.name}()`, plugIn.file, plugIn.at);
    return { ...PLAIN, way: 'collection', call: plugIn.name, selector: '' };
  }
  // A script that listens by itself needs no call.
  const asks = scripts.some(({ facts }) => facts.selectors.some(({ name }) => /\[|\./.test(name)));
  const last = [...given.values()]
    .filter(({ name }) => !scripts.some(({ facts }) => facts.needs.some((need) => need.name === name)))
    .filter(({ name, script }) => !isUsedInside(script.text, name))
    .at(-1);
  if (asks || !last) return null;
  note('start', `gives ${last.name}()`, last.script.name, last.at);
  return { ...PLAIN, call: last.name, selector: '' };
}

/** Whether a script calls its own function, or hands it to what calls it. */
const isUsedInside = (text: string, name: string): boolean => {
  const word = name.replace(/\$/g, '\\$&');
  const called = new RegExp(`(?<!function\\s+|new\\s+|[\\w$.])${word}\\s*\\(`).test(text);
  return called || new RegExp(`\\bon[a-z]+\\s*=\\s*${word}\\b|,\\s*${word}\\s*[,)]`).test(text);
};

/** Names of options that choose among what the selector finds (common practice, no source). */
const CHOOSES = /^(?:items?|links?|children|slides?|selector|delegate)$/i;

function foundStart({ way, name, of, text, options, then }: Call, { page }: Sample): Omit<FoundStart, 'place'> {
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
  };
}

function saidOf({ way, call, of, selector, key }: Omit<FoundStart, 'place'>): string {
  const quoted = selector === null ? '' : `'${selector}'`;
  const inside = key === null ? quoted : `{ ${key}: ${quoted} }`;
  if (way === 'collection') return `$(${quoted}).${call}()`;
  if (way === 'method') return `${of ?? ''}.${call}(${inside})`;
  return `${way === 'constructor' ? 'new ' : ''}${call}(${inside})`;
}
