/** The scripts of a page as they run in their turn: what each one gives, and what it finds missing. */
import type { SiteFiles } from '../../site/index.ts';
import { scriptText, type Include } from './includes.ts';
import { readScript, type Mention, type ScriptReading } from './scriptFacts.ts';

/** One script of a page as it runs in its turn. */
export interface ScriptRun {
  include: Include;
  text: string | null;
  reading: ScriptReading | null;
  /** Globals that it needs at once and that nothing before it gives, though something of the page would. */
  early: { name: string; at: number; from: Include | null }[];
  /** A base that it stands on and that no script of the page gives. */
  missing: Mention | null;
  /** It is there, parses, and finds what it needs at once. */
  runs: boolean;
}

/** Libraries by the names under which scripts stand on them. */
const BASES = ['jQuery', '$'];

/** Plays the scripts in their order: what each one gives, and what it finds missing. */
export function runScripts(includes: readonly Include[], files: SiteFiles): ScriptRun[] {
  const scripts = includes
    .filter(({ kind }) => kind === 'script')
    .map((include) => {
      const text = scriptText(include, files);
      return { include, text, reading: text === null ? null : readScript(text, include.module ? 'module' : 'script') };
    });
  const givers = new Map<string, Include>();
  for (const { include, reading } of scripts)
    if (reading?.ok) for (const { name } of reading.gives) if (!givers.has(name)) givers.set(name, include);
  const there = new Set<string>();
  const inSmall = new Set([...givers.keys()].map((name) => name.toLowerCase()));
  // Of what an outside script gives nobody can say.
  const isKnown = scripts.every(({ text }) => text !== null);
  return scripts.map(({ include, text, reading }): ScriptRun => {
    const early = reading?.ok
      ? reading.needs
          .filter(({ name, immediate }) => immediate && givers.has(name) && !there.has(name))
          .map(({ name, at }) => ({ name, at, from: givers.get(name) ?? null }))
      : [];
    // In other capitals a name is another name.
    const isBase = ({ name }: Mention) => BASES.includes(name) || inSmall.has(name.toLowerCase());
    const bases = reading?.ok && isKnown ? reading.needs.filter(isBase) : [];
    const missing = bases.find(({ name, immediate }) => immediate && !givers.has(name)) ?? null;
    const runs = reading?.ok === true && early.length === 0 && missing === null;
    if (runs) for (const { name } of reading.gives) there.add(name);
    return { include, text, reading, early, missing, runs };
  });
}
