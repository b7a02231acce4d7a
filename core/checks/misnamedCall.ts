/** A call that was meant to start a viewer and names something else: a slip, another case, `new` left off. */
import type { PageReading } from '../model/index.ts';
import { exportedName, isSlipOf, type Kit, type ScriptRun } from '../wiring/index.ts';

export interface Misnamed {
  run: ScriptRun;
  /** What stands there, and what was meant. */
  is: string;
  meant: string;
  /** Where it stands in the script; what is put in has no length. */
  at: number;
  end: number;
  /** What a browser makes of it. */
  why: string;
}

type Start = NonNullable<Kit['manifest']['start']>;
type Call = Extract<NonNullable<ScriptRun['reading']>, { ok: true }>['calls'][number];

export function misnamedCall(page: PageReading, start: Start): Misnamed | null {
  const plugIns = new Set(
    page.wiring.scripts.flatMap(({ reading }) => (reading?.ok ? reading.plugIns : [])).map(({ name }) => name),
  );
  for (const run of page.wiring.scripts) {
    if (!run.reading?.ok) continue;
    const needed = new Set(run.reading.needs.map(({ name }) => name));
    const here = { ...start, ...importedAs(run, start) };
    for (const call of run.reading.calls) {
      const found = SLIPS[start.way](here, call, { needed, plugIns });
      const misnamed = found && placed(run, call, found);
      if (misnamed) return misnamed;
    }
  }
  return null;
}

/** What is imported has the name that the importing script gives it. */
function importedAs({ imports }: ScriptRun, start: Start): Partial<Start> {
  const exported = exportedName(start);
  const name = exported === null ? null : imports.find((one) => one.exported === exported)?.name;
  if (typeof name !== 'string') return {};
  return start.way === 'method' ? { of: name } : { call: name };
}

type Slip = Pick<Misnamed, 'is' | 'meant' | 'why'>;

interface Around {
  /** Names that the script uses and nobody defines. */
  needed: ReadonlySet<string>;
  plugIns: ReadonlySet<string>;
}

const undefinedName = (is: string, meant: string): Slip => ({
  is,
  meant,
  why: `The browser stops it there with “${is} is not defined”.`,
});
const noFunction = (is: string, meant: string): Slip => ({
  is,
  meant,
  why: `The browser stops it there: nothing of the name ${is} can be called.`,
});

/** What a call of each way of starting gets wrong; null where it is another's call. */
const SLIPS: Record<Start['way'], (start: Start, call: Call, around: Around) => Slip | null> = {
  function: ({ call: meant }, { way, name }, { needed }) =>
    way === 'function' && needed.has(name) && isSlipOf(name, meant) ? undefinedName(name, meant) : null,
  collection: ({ call: meant }, { way, name }, { plugIns }) =>
    way === 'collection' && isSlipOf(name, meant) && !plugIns.has(name) ? noFunction(name, meant) : null,
  method: (start, { way, name, of }, { needed }) => {
    const object = start.of ?? '';
    if (way !== 'method' || of === null) return null;
    if (of === object) return isSlipOf(name, start.call) ? noFunction(name, start.call) : null;
    // In other capitals only, it is told as a name that nothing gives.
    const isOther = of.toLowerCase() !== object.toLowerCase() && isSlipOf(of, object);
    return isOther && needed.has(of) && name === start.call ? undefinedName(of, object) : null;
  },
  constructor: ({ call: meant }, { way, name }, { needed }) => {
    if (way !== 'function' && way !== 'constructor') return null;
    if (way === 'function' && name === meant)
      return {
        is: name,
        meant: `new ${name}`,
        why: 'A browser makes an object of a class only with “new”, and stops without it.',
      };
    return needed.has(name) && isSlipOf(name, meant) ? undefinedName(name, meant) : null;
  },
};

/** The name within the call. */
function placed(run: ScriptRun, call: Call, slip: Slip): Misnamed | null {
  const written = (run.text ?? '').slice(call.at, call.end);
  const word = slip.is.replace(/\$/g, '\\$&');
  const found = new RegExp(`(?<![\\w$])${word}(?=\\s*[.(])`).exec(written);
  if (!found) return null;
  const at = call.at + found.index;
  return { run, ...slip, at, end: at + slip.is.length };
}
