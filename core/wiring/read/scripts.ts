/** The scripts of a page as they run in their turn: what each one gives, and what it finds missing. */
import type { SiteFiles } from '../../site/index.ts';
import { scriptText, type Include } from './includes.ts';
import {
  withImports,
  type ImportTrouble,
  type LoadedScript,
  type ModuleImport,
  type ModulePage,
} from './moduleGraph.ts';
import { readScript, type Mention } from './scriptFacts.ts';

/** One script of a page as it runs in its turn. */
export interface ScriptRun extends LoadedScript {
  /** Globals that it needs at once and that nothing before it gives, though something of the page would. */
  early: { name: string; at: number; from: Include | null }[];
  /** A base that it stands on and that no script of the page gives. */
  missing: Mention | null;
  /** It is there, parses, and finds what it needs at once. */
  runs: boolean;
}

/** Libraries by the names under which scripts stand on them. */
const BASES = ['jQuery', '$'];

/** Plays the scripts in their order: what each one gives, and what it finds missing. What is imported comes before. */
export function runScripts(includes: readonly Include[], files: SiteFiles, page: ModulePage): ScriptRun[] {
  const tagged = includes
    .filter(({ kind }) => kind === 'script')
    .map((include): LoadedScript => {
      const text = scriptText(include, files);
      const reading = text === null ? null : readScript(text, include.module ? 'module' : 'script');
      return { include, text, reading, imports: [] };
    });
  const scripts = withImports(tagged, files, page);
  const givers = new Map<string, Include>();
  for (const { include, reading } of scripts)
    if (reading?.ok) for (const { name } of reading.gives) if (!givers.has(name)) givers.set(name, include);
  const there = new Set<string>();
  const inSmall = new Set([...givers.keys()].map((name) => name.toLowerCase()));
  // Of what an outside script gives nobody can say.
  const isKnown = scripts.every(({ text }) => text !== null);
  const modules = new Map<string, ScriptRun>();
  return scripts.map(({ include, text, reading, imports: asked }): ScriptRun => {
    const imports = asked.map((one) => ({ ...one, trouble: one.trouble ?? troubleOf(one, modules) }));
    const early = reading?.ok
      ? reading.needs
          .filter(({ name, immediate }) => immediate && givers.has(name) && !there.has(name))
          .map(({ name, at }) => ({ name, at, from: givers.get(name) ?? null }))
      : [];
    // In other capitals a name is another name.
    const isBase = ({ name }: Mention) => BASES.includes(name) || inSmall.has(name.toLowerCase());
    const bases = reading?.ok && isKnown ? reading.needs.filter(isBase) : [];
    const missing = bases.find(({ name, immediate }) => immediate && !givers.has(name)) ?? null;
    const isHeldUp = imports.some(({ trouble, late }) => trouble !== null && !late);
    const runs = reading?.ok === true && early.length === 0 && missing === null && !isHeldUp;
    if (runs) for (const { name } of reading.gives) there.add(name);
    const run = { include, text, reading, imports, early, missing, runs };
    if (include.path !== null && include.module) modules.set(include.path, run);
    return run;
  });
}

/** What comes of an import of a file; one that is not played yet imports this one in turn, which is allowed. */
function troubleOf({ include, exported }: ModuleImport, played: ReadonlyMap<string, ScriptRun>): ImportTrouble | null {
  if (include.path === null) return null;
  if (include.lookup.found !== 'exact') return 'missing';
  const other = played.get(include.path);
  if (!other?.reading) return null;
  if (!other.runs || !other.reading.ok) return 'cannot run';
  const { names, passesOn } = other.reading.exports;
  const isGiven = exported === null || exported === '*' || passesOn || names.some(({ name }) => name === exported);
  return isGiven ? null : 'not exported';
}
