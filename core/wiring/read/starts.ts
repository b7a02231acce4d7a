/** Start calls of a kit: what each one finds, and why it finds nothing. */
import { matches, type PageDocument, type PageElement } from '../../markup/index.ts';
import { exportedName, markerSelector, scriptsOf, startGlobal, type Kit, type Start } from '../kit/manifest.ts';
import { includedName, type Include } from './includes.ts';
import type { ScriptRun } from './scripts.ts';
import type { Handed } from './chosen.ts';
import type { Imported } from './modules.ts';
import type { Call, Setting } from './scriptFacts.ts';

export interface StartingScript {
  include: Include;
  call: Call;
  /** Options of the call, and what was set before it. */
  options: Record<string, string | number | boolean>;
  /** It runs before the kit's script has defined the function. */
  tooEarly: boolean;
  /** By what it finds its links; null where it says nothing of that. */
  asked: { text: string; at: { start: number; end: number } | null } | null;
  /** The selector of links within what the call finds; null where it finds the links themselves. */
  items: string | null;
  /** Why a plug-in is not there any more when it is called. */
  lost: { by: Include; how: 'base again' | 'name taken' } | null;
  /** The method that would have to be called as well, and is not. */
  unfinished: string | null;
  /** It is handed an element or a list, and the script takes none. */
  refused: Handed | null;
  /** Elements that its selector matches, of whatever kind. */
  matched: PageElement[];
  /** Why the selector cannot be used; null where it can, or where there is none. */
  trouble: string | null;
  /** Of the elements matched, those that the browser has read when the call is made. */
  there: PageElement[];
}

/** What a script says of a kit besides calling it: what it imports from it, and what it sets for its calls. */
export interface KitMention {
  include: Include;
  /** Null where it is a part of something larger. */
  statement: { start: number; end: number } | null;
  /** What is imported, by the names that it has there; null for a setting. */
  names: string[] | null;
  /** An option that is set, and where its name stands. */
  sets: Setting | null;
}

export function mentionsOf(scripts: readonly ScriptRun[], { manifest }: Kit): KitMention[] {
  const names = scriptsOf(manifest).map(({ name }) => name.toLowerCase());
  return scripts.flatMap((run): KitMention[] => {
    const { include, reading, imports } = run;
    if (!reading?.ok || names.includes(includedName(include))) return [];
    const own = imports.filter((one) => names.includes(includedName(one.include)));
    const settings = reading.settings.filter(({ of }) => isSettingOf(manifest.start, of, own));
    return [
      ...own.map(({ statement, name }) => ({ include, statement, names: name === null ? [] : [name], sets: null })),
      ...settings.map((sets) => ({ include, statement: sets.statement, names: null, sets })),
    ];
  });
}

/** `Beam` and `Beam.options` of a method or constructor, `$.fn.glow.defaults` of a plug-in. */
function isSettingOf(start: Start | undefined, of: string, imports: readonly Pick<Imported, 'name'>[]): boolean {
  if (!start) return false;
  const plugIn = `$.fn.${start.call}`;
  const roots = start.way === 'collection' ? [plugIn] : [startGlobal(start), ...imports.map(({ name }) => name)];
  return roots.some((root) => root !== null && (of === root || of.startsWith(`${root}.`)));
}

/** Calls of the kit's function in scripts that are not its own. */
export function callsOf(scripts: readonly ScriptRun[], { manifest }: Kit): { run: ScriptRun; call: Call }[] {
  const { start } = manifest;
  if (!start) return [];
  const names = scriptsOf(manifest).map(({ name }) => name.toLowerCase());
  return scripts.flatMap((run) => {
    const { reading } = run;
    if (
      !reading?.ok ||
      names.includes(includedName(run.include)) ||
      reading.gives.some(({ name }) => name === startGlobal(start))
    )
      return [];
    const imports = run.imports.filter(({ include }) => includedName(include) === names.at(-1));
    return reading.calls.filter((call) => isMeant(start, call, imports)).map((call) => ({ run, call }));
  });
}

/** `imports` are those that lead to the kit's module: by what they are called there, it is called. */
export function isMeant(
  start: Start,
  { way, name, of }: Pick<Call, 'way' | 'name' | 'of'>,
  imports: readonly Pick<Imported, 'name' | 'exported'>[] = [],
): boolean {
  const asMethod = start.way === 'method';
  const exported = exportedName(start);
  if (exported === null) return way === start.way && name === start.call && (!asMethod || of === start.of);
  const meant = imports.filter((one) => one.exported === exported).map((one) => one.name);
  const all = imports.filter((one) => one.exported === '*').map((one) => one.name);
  if (asMethod) return way === 'method' && name === start.call && meant.includes(of);
  if (way === start.way && meant.includes(name)) return true;
  return way === 'method' && name === exported && all.includes(of);
}

/** By what a call finds its elements: what it is given, else the marker where the kit finds nothing without a call. */
function askedBy(manifest: Kit['manifest'], { text, textAt, options, optionsAt }: Call): StartingScript['asked'] {
  const { start } = manifest;
  const own = start?.required ? (markerSelector(manifest) ?? start.finds ?? null) : null;
  const byItself = own === null ? null : { text: own, at: null };
  if (start?.selector === false) return byItself;
  const said = start?.key === undefined ? text : options[start.key];
  const at = start?.key === undefined ? textAt : (optionsAt[start.key] ?? null);
  return typeof said === 'string' ? { text: said, at } : byItself;
}

type Begun = Pick<StartingScript, 'include' | 'call' | 'tooEarly' | 'lost'> & { set: StartingScript['options'] };

/** What is set before a call: in scripts that run earlier, or further up in its own. */
export function setBefore(
  scripts: readonly ScriptRun[],
  mentions: readonly KitMention[],
  { run, call }: { run: ScriptRun; call: Call },
): StartingScript['options'] {
  const before = new Set(
    scripts
      .slice(0, scripts.indexOf(run))
      .filter((one) => one.runs)
      .map(({ include }) => include),
  );
  const counts = mentions.filter(
    ({ include, sets }) => before.has(include) || (include === run.include && (sets?.at ?? Infinity) < call.at),
  );
  const said = counts.flatMap(({ sets }) => sets ?? []);
  return Object.fromEntries(said.flatMap(({ name, value }) => (value === null ? [] : [[name, value]])));
}

export function startOf(page: PageDocument, { manifest }: Kit, { set, ...begun }: Begun): StartingScript {
  const { call, include } = begun;
  const then = manifest.start?.then;
  const items = manifest.start?.items;
  const start = {
    ...begun,
    options: { ...set, ...call.options },
    asked: askedBy(manifest, call),
    items: items ? String(call.options[items.option] ?? items.without) : null,
    refused: refusedBy(manifest.start, call),
    unfinished: then === undefined || call.then.some(({ name }) => name === then) ? null : then,
  };
  const asked = start.asked?.text ?? null;
  const found = foundBy(page, asked, start.items, call.handed === 'element' && asked === call.text);
  if (!found.ok) return { ...start, matched: [], there: [], trouble: found.reason };
  const matched = start.refused === null ? found.elements : [];
  const there =
    manifest.start?.binds && call.immediate ? matched.filter((element) => isReadBefore(element, include)) : matched;
  return { ...start, matched, there, trouble: null };
}

/** A collection takes whatever is found. */
function refusedBy(start: Start | undefined, { way, handed }: Call): Handed | null {
  if (!start?.selector || start.key !== undefined || way === 'collection' || handed === null) return null;
  return start.takes.includes(handed) ? null : handed;
}

/** What a selector finds, or what another one finds in that; `first` of several only the first. */
function foundBy(
  page: PageDocument,
  selector: string | null,
  items: string | null,
  first: boolean,
): ReturnType<typeof matches> {
  const all = selector === null ? { ok: true as const, elements: [] } : matches(page, selector);
  const found = all.ok && first ? { ...all, elements: all.elements.slice(0, 1) } : all;
  if (!found.ok || items === null) return found;
  const within = matches(page, items);
  return within.ok ? { ok: true, elements: within.elements.filter((one) => isWithin(one, found.elements)) } : within;
}

function isWithin(element: PageElement, holders: readonly PageElement[]): boolean {
  for (let at = element.parent; at; at = at.parent) if (holders.includes(at)) return true;
  return false;
}

/** A script that blocks sees only what stands before it. */
function isReadBefore(element: PageElement, include: Include): boolean {
  if (include.when === 'deferred') return true;
  if (include.when === 'async') return false;
  return (element.open?.start ?? 0) < (include.element.open?.start ?? 0);
}

/**
 * A plug-in is gone where its base is loaded a second time behind it, and out of reach where another script has taken
 * the base's short name, until the call is made.
 */
export function lostTo(
  scripts: readonly ScriptRun[],
  ready: number,
  run: ScriptRun,
  call: Call,
): StartingScript['lost'] {
  if (call.way !== 'collection') return null;
  const until = call.immediate ? scripts.indexOf(run) : scripts.length;
  const between = scripts.slice(Math.max(0, ready + 1), Math.max(0, until)).filter((one) => one.runs && one !== run);
  const gives = ({ reading }: ScriptRun, name: string) =>
    reading?.ok === true && reading.gives.some((one) => one.name === name);
  const again = between.find((one) => gives(one, 'jQuery'));
  if (again) return { by: again.include, how: 'base again' };
  // A parameter of that name is the base, whatever the page calls so.
  const isGlobal = run.reading?.ok === true && run.reading.needs.some(({ name }) => name === call.of);
  const taker =
    isGlobal && scripts.slice(0, Math.max(0, until)).findLast((one) => one.runs && gives(one, call.of ?? ''));
  return taker && !gives(taker, 'jQuery') ? { by: taker.include, how: 'name taken' } : null;
}
