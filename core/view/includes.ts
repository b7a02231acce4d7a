/** What a page loads, in true order, as the wiring station shows it. */
import type { PageReading } from '../model/index.ts';
import { countOf } from '../site/index.ts';
import { answers, type ImportTrouble, type Include, type KitUse } from '../wiring/index.ts';

export interface IncludeView {
  kind: 'script' | 'style';
  /** The address as written, or the first words of an inline script. */
  shows: string;
  /** The site's file that it leads to; null for an inline script and what comes from elsewhere. */
  path: string | null;
  /** Loaded by an import in a script, not by a tag of its own. */
  imported: boolean;
  says: string;
  state: 'whole' | 'look' | 'broken';
  when: 'head' | 'body' | 'deferred' | 'async';
  line: number;
  /** The kit that it is a file of. */
  kit: string | null;
  gives: string[];
  needs: string[];
  /** What it calls to start a viewer, as written: `peephole('.peep')`. */
  starts: string[];
  /** Strands whose links this script answers. */
  answers: string[];
  /** Strands that it should answer and does not. */
  misses: string[];
}

export function includesView(page: PageReading): IncludeView[] {
  const { wiring } = page;
  const readings = wiring.scripts.flatMap(({ reading }) => (reading?.ok ? [reading] : []));
  const given = new Set(readings.flatMap(({ gives }) => gives.map(({ name }) => name)));
  const needed = new Set(readings.flatMap(({ needs }) => needs.map(({ name }) => name)));
  return inOrder(page).map((include): IncludeView => {
    const use = wiring.uses.find(({ files }) => files.some(({ includes }) => includes.includes(include)));
    const file = use?.files.find(({ includes }) => includes.includes(include))?.file;
    const facts = factsOf(page, include);
    const strands = drawnFrom(page, include).flatMap((one) => strandsOf(page, one));
    return {
      kind: include.kind,
      shows: include.written ?? 'inline script',
      imported: include.imported !== null,
      path: include.lookup.found === 'exact' ? include.lookup.path : null,
      ...stateOf(page, include),
      when: include.when,
      line: include.line,
      kit: use?.kit.manifest.name ?? null,
      gives: file?.gives ?? facts.gives.filter((name) => needed.has(name)),
      needs: [...new Set([...(file?.needs ?? []), ...facts.needs.filter((name) => given.has(name))])],
      starts: startsIn(page, include).map(({ call }) => `${call.name}(${call.text === null ? '' : `'${call.text}'`})`),
      answers: strands.filter(({ answered }) => answered).map(({ id }) => id),
      misses: strands.filter(({ answered }) => !answered).map(({ id }) => id),
    };
  });
}

/** What the page loads by tags, and before each what it imports. */
const inOrder = ({ wiring }: PageReading): Include[] =>
  wiring.includes.flatMap((include) => [
    ...wiring.scripts.map((run) => run.include).filter((one) => one.imported && one.element === include.element),
    include,
  ]);

/** Names that a script gives and needs; none where it cannot be read. */
function factsOf({ wiring }: PageReading, include: Include): { gives: string[]; needs: string[] } {
  const reading = wiring.scripts.find((one) => one.include === include)?.reading;
  if (!reading?.ok) return { gives: [], needs: [] };
  return { gives: reading.gives.map(({ name }) => name), needs: reading.needs.map(({ name }) => name) };
}

const startsIn = ({ wiring }: PageReading, include: Include) =>
  wiring.uses.flatMap(({ starts }) => starts.filter((start) => start.include === include));

/** What answers is drawn from the call that chose the links, else from the script that does the work. */
function drawnFrom({ wiring }: PageReading, include: Include): KitUse[] {
  const choosing = wiring.uses.filter(({ starts, kit }) =>
    starts.some((start) => start.include === include && (start.call.text !== null || kit.manifest.start?.required)),
  );
  if (choosing.length > 0) return choosing;
  return wiring.uses.filter((one) => one.script === include && !one.kit.manifest.start?.required);
}

function strandsOf(page: PageReading, use: KitUse): { id: string; answered: boolean }[] {
  return page.galleries.flatMap((gallery, g) =>
    gallery.items.flatMap((item, n) => {
      const strand = page.strands[g]?.[n];
      return strand && (item.link || use.kit.manifest.marker.on === 'gallery')
        ? [{ id: strand.id, answered: answers(use, item) }]
        : [];
    }),
  );
}

type State = Pick<IncludeView, 'state' | 'says'>;

function stateOf(page: PageReading, include: Include): State {
  return (
    fileState(include) ??
    (include.kind === 'style' ? { state: 'whole', says: 'stylesheet' } : null) ??
    scriptState(page, include) ??
    startState(page, include) ??
    viewerState(page, include) ?? { state: 'whole', says: 'script' }
  );
}

/** Null where the file is there, or where there is none to look for. */
function fileState({ written, path, lookup, target }: Include): State | null {
  if (written !== null && path !== null && lookup.found === 'nothing')
    return { state: 'broken', says: `There is no ${path}` };
  if (lookup.found === 'other-case') return { state: 'broken', says: `On disk it is ${lookup.path}` };
  if (written === null || path !== null) return null;
  return { state: 'look', says: target?.kind === 'outside' ? 'comes from another host' : 'leads out of the site' };
}

/** What keeps a module from running, in a few words. */
const HELD_UP: Record<ImportTrouble, string> = {
  bare: 'a bare name that no import map resolves',
  'map too late': 'the import map stands only after it',
  missing: 'no such file',
  'not exported': 'nothing of that name is exported',
  'cannot run': 'that does not run itself',
};

/** Null where the script can be read, and all that it needs is there before it. */
function scriptState({ wiring }: PageReading, include: Include): State | null {
  const run = wiring.scripts.find((one) => one.include === include);
  if (run?.reading && !run.reading.ok) return { state: 'broken', says: `cannot be read: ${run.reading.reason}` };
  const lost = run?.imports.find(({ trouble, late }) => trouble !== null && !late);
  if (lost?.trouble) return { state: 'broken', says: `imports ${lost.from}: ${HELD_UP[lost.trouble]}` };
  const [early] = run?.early ?? [];
  if (!early) return null;
  const called = run?.reading?.ok && run.reading.calls.some(({ name }) => name === early.name);
  return {
    state: 'broken',
    says: called ? `calls ${early.name}() too early` : `needs ${early.name}, which comes later`,
  };
}

/** Null where the script starts no viewer. */
function startState(page: PageReading, include: Include): State | null {
  const [start] = startsIn(page, include);
  if (!start) return null;
  const { call, matched, there, trouble } = start;
  const finds =
    call.text === null && matched.length === 0 ? '' : `, which finds ${there.length} of ${linksIn(page)} links`;
  return { state: trouble === null ? 'whole' : 'broken', says: `calls ${call.name}()${finds}` };
}

/** Null where the script is no viewer's. */
function viewerState(page: PageReading, include: Include): State | null {
  const use = page.wiring.uses.find((one) => one.script === include);
  if (!use) return null;
  const { start, does } = use.kit.manifest;
  const state = use.runs ? 'whole' : 'broken';
  if (start?.required) return { state, says: `waits for ${start.call}()` };
  const answered = strandsOf(page, use).filter((strand) => strand.answered).length;
  // What leaves pictures as they are looks at those that are no links as well.
  const of = does === 'page' ? countOf(picturesIn(page), 'picture') : countOf(linksIn(page), 'link');
  return { state, says: use.runs ? `answers ${answered} of ${of}` : 'does not run' };
}

const picturesIn = (page: PageReading): number => page.galleries.reduce((sum, { items }) => sum + items.length, 0);

const linksIn = (page: PageReading): number =>
  page.galleries.reduce((sum, { items }) => sum + items.filter(({ link }) => link).length, 0);
