/** Start calls of a kit: what each one finds, and why it finds nothing. */
import { matches, type PageDocument, type PageElement } from '../../markup/index.ts';
import { markerSelector, scriptsOf, startGlobal, type Kit, type Start } from '../kit/manifest.ts';
import { includedName, type Include } from './includes.ts';
import type { ScriptRun } from './scripts.ts';
import type { Call } from './scriptFacts.ts';

export interface StartingScript {
  include: Include;
  call: Call;
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
  /** Elements that its selector matches, of whatever kind. */
  matched: PageElement[];
  /** Why the selector cannot be used; null where it can, or where there is none. */
  trouble: string | null;
  /** Of the elements matched, those that the browser has read when the call is made. */
  there: PageElement[];
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
    return reading.calls.filter((call) => isMeant(start, call)).map((call) => ({ run, call }));
  });
}

export const isMeant = (start: Start, call: Pick<Call, 'way' | 'name' | 'of'>): boolean =>
  call.way === start.way && call.name === start.call && (start.way !== 'method' || call.of === start.of);

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

type Begun = Pick<StartingScript, 'include' | 'call' | 'tooEarly' | 'lost'>;

export function startOf(page: PageDocument, { manifest }: Kit, begun: Begun): StartingScript {
  const { call, include } = begun;
  const then = manifest.start?.then;
  const items = manifest.start?.items;
  const start = {
    ...begun,
    asked: askedBy(manifest, call),
    items: items ? String(call.options[items.option] ?? items.without) : null,
    unfinished: then === undefined || call.then.some(({ name }) => name === then) ? null : then,
  };
  const found = foundBy(page, start.asked?.text ?? null, start.items);
  if (!found.ok) return { ...start, matched: [], there: [], trouble: found.reason };
  const matched = found.elements;
  const there =
    manifest.start?.binds && call.immediate ? matched.filter((element) => isReadBefore(element, include)) : matched;
  return { ...start, matched, there, trouble: null };
}

/** What a selector finds, or what another one finds in that. */
function foundBy(page: PageDocument, selector: string | null, items: string | null): ReturnType<typeof matches> {
  const found = selector === null ? { ok: true as const, elements: [] } : matches(page, selector);
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
