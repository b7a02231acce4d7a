/**
 * What can be read out of somebody's own viewer script, so that its manifest need not be written from nothing: which
 * file comes first, what marks a link, how groups and captions are told, how it is started. Each guess is given with
 * the line that it rests on; the author completes it.
 */
import { LineIndex, nameOf } from '../../site/index.ts';
import type { KitManifestInput } from '../kit/manifest.ts';
import { samplesIn } from './manual.ts';
import type { DraftField, DraftScript, FoundName, FoundStart, Note } from './draft.ts';
import { elementIn } from './draftElement.ts';
import { groupInMarker, markerIn } from './draftMarker.ts';
import { markupIn } from './draftMarkup.ts';
import { startIn, startPart } from './draftStart.ts';
import { readCode } from './scriptFacts.ts';

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
  noteOrder(ordered, given, note);
  const samples = samplesIn(files);
  // A base is asked for much by its own code; that says nothing of the viewer.
  const own = ordered.filter((script) => !isBase(script));
  // What it sets on parts of its own tells nothing of the page.
  const read = own.flatMap(({ name: file, facts }) =>
    facts.attributes.filter(({ by }) => by !== 'setAttribute').map((one) => ({ ...one, file })),
  );
  const selectors = own.flatMap(({ name: file, facts }) => facts.selectors.map((one) => ({ ...one, file })));

  const start = startIn(own, samples, note);
  const element = elementIn(own, samples, note);
  const markup = markupIn({ selectors, attributes: read, samples }, note);
  const attributes = read.filter(({ name: one }) => !markup.names.includes(one));
  const holder = start || element ? null : markup.holder;
  const marker =
    element?.marker ?? holder?.marker ?? markerIn({ selectors, attributes, samples, scripts: own }, start, note);
  const told = attributesIn(attributes, marker.attribute, kitName(name), note, comparedIn(own));
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
        ...ordered.map((script) => scriptPart(script, given)),
      ],
      folder: bare,
      marker,
      ...(start ? { group: { in: 'call' as const } } : {}),
      ...(holder ? { group: { in: 'gallery' as const }, classes: holder.classes } : {}),
      ...(element?.group ? { group: element.group } : {}),
      ...wantedPart(markup),
      ...(groupInMarker(marker, samples, note) ?? {}),
      ...told,
      caption: captionPart(told.caption, markup.caption, figures !== undefined),
      ...counterPart(own, note),
      ...startPart(start, marker, own),
      ...(element ? element.options : optionsPart(own, start, note)),
    },
    evidence,
    unread,
  };
}

/** What comes before what. */
function noteOrder(scripts: readonly DraftScript[], given: ReadonlySet<string>, note: Note): void {
  for (const { name: file, facts } of scripts) {
    for (const need of facts.needs) if (given.has(need.name)) note('files', `needs ${need.name}`, file, need.at);
    for (const { from, at } of facts.imports) note('files', `imports ${from}`, file, at);
  }
}

/** An element of its own is looked at first, then figures, then what else the script reads. */
function captionPart(
  told: KitManifestInput['caption'],
  own: ReturnType<typeof markupIn>['caption'],
  figures: boolean,
): KitManifestInput['caption'] {
  const from = [...(own ? [own.place] : []), ...(figures ? (['figure'] as const) : []), ...(told?.from ?? [])];
  return { ...told, ...(own ? { class: own.class } : {}), from };
}

const wantedPart = ({
  full,
  size,
  container,
}: ReturnType<typeof markupIn>): Pick<KitManifestInput, 'full' | 'size' | 'container'> => ({
  ...(full ? { full } : {}),
  ...(size ? { size } : {}),
  ...(container ? { container } : {}),
});

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
function readAll(files: Readonly<Record<string, string>>): Pick<Draft, 'unread'> & { scripts: DraftScript[] } {
  const unread: Draft['unread'] = [];
  const scripts: DraftScript[] = [];
  for (const [file, text] of Object.entries(files)) {
    if (!/\.m?js$/i.test(file)) continue;
    const facts = readCode(text);
    if (facts.ok) scripts.push({ name: file, text, facts, isModule: facts.isModule });
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

/** Whether a script asks of several links if they have the same in an attribute: so members of a group are told. */
const comparedIn =
  (scripts: readonly DraftScript[]) =>
  (name: string): boolean =>
    scripts.some(({ text, facts }) => {
      const reads = facts.attributes.filter((one) => one.name === name);
      const isAsked = ({ at }: { at: number }) => /^[^;{}&|]{0,60}?[^!=]={2,3}/.test(text.slice(at));
      return reads.length > 1 && reads.some(isAsked);
    });

/** What a script reads from a link besides its marker. */
function attributesIn(
  attributes: readonly FoundName[],
  marker: string | undefined,
  kit: string,
  note: Note,
  compared: (name: string) => boolean,
): Pick<KitManifestInput, 'group' | 'caption' | 'kind' | 'container'> {
  const data = attributes.filter(({ name }) => name.startsWith('data-') && name !== marker);
  const pick = (field: keyof typeof TELLING) => {
    const found = data.find(({ name }) => TELLING[field].test(name));
    if (found) note(field, found.name, found.file, found.at);
    return found?.name;
  };
  const others = Object.values(TELLING);
  const unlike = data.find(({ name }) => compared(name) && !others.some((telling) => telling.test(name)));
  if (unlike && !data.some(({ name }) => TELLING.group.test(name)))
    note('group', `${unlike.name}, compared with that of other links`, unlike.file, unlike.at);
  const group = pick('group') ?? unlike?.name;
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

/** A script as the manifest has it: what a module gives is what it exports, and it needs what it imports. */
function scriptPart({ name, facts, isModule }: DraftScript, given: ReadonlySet<string>) {
  const needs = facts.needs.map((one) => one.name).filter((one) => given.has(one));
  const imports = facts.imports.flatMap(({ exported }) => (exported === null || exported === '*' ? [] : [exported]));
  return {
    name,
    role: 'script' as const,
    ...(isBase({ facts }) ? { base: true } : {}),
    ...(isModule ? { module: true } : {}),
    gives: (isModule ? facts.exports.names : facts.gives).map((one) => one.name),
    needs: [...new Set([...needs, ...imports])],
  };
}

const isBase = ({ facts }: Pick<DraftScript, 'facts'>): boolean => facts.gives.some(({ name }) => name === 'jQuery');

/** One more than the place, counted from 0, and a word: `n + 1 + ' of ' + count`, `${n + 1} of ${count}`. */
const COUNTS = /\+\s*1\)?\s*(?:\}|\+\s*["'`])\s*(?:of|from|\/|von|de|di|sur)\s*["'`$]/;

function counterPart(scripts: readonly DraftScript[], note: Note): Pick<KitManifestInput, 'counter'> {
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
  scripts: readonly DraftScript[],
  start: FoundStart | null,
  note: Note,
): Pick<KitManifestInput, 'options'> {
  const options = scripts.flatMap(({ name: file, facts }) =>
    [...facts.defaults, ...keptDefaults(facts)].flatMap(({ name, value, at }) => {
      const dashed = name.replace(/[A-Z]/g, (letter) => `-${letter.toLowerCase()}`);
      if (!/^[a-z][a-z0-9-]*$/.test(dashed) || name === start?.items?.option || name === start?.key) return [];
      note('options', `${name}: ${String(value)}`, file, at);
      return [{ name: dashed, type: typeOf(value), without: value, says: '' }];
    }),
  );
  return options.length === 0 ? {} : { options };
}

/** `$.fn.glow.defaults = { loop: false }`, `Gleam.options = { … }`. */
const keptDefaults = ({ settings }: DraftScript['facts']) =>
  settings.flatMap(({ of, name, value, at }) =>
    value !== null && /\.(?:defaults|options|settings)$/i.test(of) ? [{ name, value, at }] : [],
  );

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
function inOrder(scripts: readonly DraftScript[]): DraftScript[] {
  const left = [...scripts].sort((a, b) => a.name.localeCompare(b.name));
  const done: DraftScript[] = [];
  while (left.length > 0) {
    const waiting = new Set(left.flatMap(({ facts }) => facts.gives.map(({ name }) => name)));
    const names = new Set(left.map(({ name }) => name));
    const next = left.findIndex(
      ({ facts }) =>
        facts.needs.every(({ name }) => !waiting.has(name) || facts.gives.some((one) => one.name === name)) &&
        !facts.imports.some(({ from }) => names.has(nameOf(from))),
    );
    // Scripts that need each other cannot be put in order; they stay as they come.
    done.push(...left.splice(Math.max(0, next), 1));
  }
  return done;
}
