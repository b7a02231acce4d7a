/**
 * What can be read out of somebody's own viewer script, so that its manifest need not be written from nothing: which
 * file comes first, what marks a link, how groups and captions are told, how it is started. Each guess is given with
 * the line that it rests on; the author completes it.
 */
import { parsePage, textOf, valueOf } from '../../markup/index.ts';
import { LineIndex } from '../../site/index.ts';
import type { KitManifestInput } from '../kit/manifest.ts';
import { readScript, type ScriptFacts } from './scriptFacts.ts';

export type DraftField = 'files' | 'marker' | 'group' | 'caption' | 'description' | 'container' | 'kind' | 'start';

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
    evidence.push({ field, says, file, line, text: (text.split(/\r?\n/)[line - 1] ?? '').trim().slice(0, 200) });
  };

  const ordered = inOrder(scripts);
  const given = new Set(ordered.flatMap(({ facts }) => facts.gives.map((one) => one.name)));
  for (const { name: file, facts } of ordered) {
    for (const need of facts.needs) if (given.has(need.name)) note('files', `needs ${need.name}`, file, need.at);
  }
  const pages = Object.entries(files)
    .filter(([file]) => /\.html?$/i.test(file))
    .map(([file, text]) => ({ file, text, page: parsePage(text) }));
  const attributes = ordered.flatMap(({ name: file, facts }) => facts.attributes.map((one) => ({ ...one, file })));
  const selectors = ordered.flatMap(({ name: file, facts }) => facts.selectors.map((one) => ({ ...one, file })));

  const start = startIn(ordered, pages, note);
  const marker = markerIn(selectors, attributes, start?.selector ?? null, note);
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
          gives: facts.gives.map((one) => one.name),
          needs: [...new Set(facts.needs.map((one) => one.name).filter((one) => given.has(one)))],
        })),
      ],
      folder: bare,
      marker,
      ...(start ? { group: { in: 'call' as const } } : {}),
      ...attributesIn(attributes, marker.attribute, bare, note),
      ...startPart(start),
    },
    evidence,
    unread,
  };
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

/** A script that has to be started stands at the end of the page, behind what it is started on. */
const startPart = (start: FoundStart | null): Pick<KitManifestInput, 'place' | 'start'> =>
  start
    ? { place: 'end', start: { call: start.call, required: true, selector: start.selector !== null, binds: true } }
    : { place: 'head' };

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

type Note = (field: DraftField, says: string, file: string, at: number) => void;
/** A name that a script mentions, and where. */
interface FoundName {
  name: string;
  at: number;
  file: string;
}
type SamplePage = { file: string; text: string; page: ReturnType<typeof parsePage> };

interface FoundStart {
  call: string;
  selector: string | null;
}

/**
 * A function that the scripts give and a page beside them calls; without such a page, one that takes a selector by
 * its looks.
 */
function startIn(scripts: readonly Script[], pages: readonly SamplePage[], note: Note): FoundStart | null {
  const given = new Map(
    scripts.flatMap((script) => script.facts.gives.map((one) => [one.name, { ...one, script }] as const)),
  );
  for (const { file, page } of pages) {
    for (const element of page.elements) {
      if (element.tag !== 'script' || valueOf(element, 'src') !== undefined) continue;
      const reading = readScript(textOf(element));
      const call = reading.ok ? reading.calls.find(({ name }) => given.has(name)) : undefined;
      if (!call) continue;
      note(
        'start',
        `${call.name}(${call.text === null ? '' : `'${call.text}'`})`,
        file,
        (element.open?.end ?? 0) + call.at,
      );
      return { call: call.name, selector: call.text };
    }
  }
  // A script that listens by itself needs no call.
  const asks = scripts.some(({ facts }) => facts.selectors.some(({ name }) => /\[|\./.test(name)));
  const last = [...given.values()]
    .filter(({ name }) => !scripts.some(({ facts }) => facts.needs.some((need) => need.name === name)))
    .at(-1);
  if (asks || !last) return null;
  note('start', `gives ${last.name}()`, last.script.name, last.at);
  return { call: last.name, selector: '' };
}

function markerIn(
  selectors: readonly FoundName[],
  attributes: readonly FoundName[],
  called: string | null,
  note: Note,
): { attribute?: string; class?: string; value?: string } {
  for (const { name, file, at } of selectors) {
    const attribute = /^a?\[([a-z][a-z0-9-]*)(?:=["']?([\w-]*)["']?)?/i.exec(name);
    if (attribute?.[1] && !/^(?:href|src|id|class)$/i.test(attribute[1])) {
      note('marker', `a[${attribute[1]}]`, file, at);
      return { attribute: attribute[1].toLowerCase(), ...(attribute[2] ? { value: attribute[2] } : {}) };
    }
  }
  const byClass =
    /^a?\.([A-Za-z_-][\w-]*)/.exec(called ?? '') ??
    selectors.map(({ name }) => /^a\.([A-Za-z_-][\w-]*)/.exec(name)).find((match) => match !== null) ??
    null;
  if (byClass?.[1]) {
    const found = selectors.find(({ name }) => name.includes(`.${byClass[1]}`));
    if (found) note('marker', `class “${byClass[1]}”`, found.file, found.at);
    return { class: byClass[1] };
  }
  const own = attributes.find(({ name }) => name.startsWith('data-'));
  if (own) {
    note('marker', own.name, own.file, own.at);
    return { attribute: own.name };
  }
  return {};
}
