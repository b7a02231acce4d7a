/** What a page loads, in true order, as the wiring station shows it. */
import type { PageReading } from '../model/index.ts';
import { answers, type Include, type KitUse } from '../wiring/index.ts';

export interface IncludeView {
  kind: 'script' | 'style';
  /** The address as written, or the first words of an inline script. */
  shows: string;
  /** The site's file that it leads to; null for an inline script and what comes from elsewhere. */
  path: string | null;
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
  return wiring.includes.map((include): IncludeView => {
    const use = wiring.uses.find(({ files }) => files.some(({ includes }) => includes.includes(include)));
    const file = use?.files.find(({ includes }) => includes.includes(include))?.file;
    const run = wiring.scripts.find((one) => one.include === include);
    const facts = run?.reading?.ok ? run.reading : null;
    const starting = wiring.uses.filter(({ starts }) => starts.some((start) => start.include === include));
    // What answers is drawn from the call that chose the links, else from the script that does the work.
    const choosing = starting.filter((one) =>
      one.starts.some(
        (start) => start.include === include && (start.call.text !== null || one.kit.manifest.start?.required),
      ),
    );
    const drawn =
      choosing.length > 0
        ? choosing
        : wiring.uses.filter((one) => one.script === include && !one.kit.manifest.start?.required);
    const strands = drawn.flatMap((one) => strandsOf(page, one));
    return {
      kind: include.kind,
      shows: include.written ?? 'inline script',
      path: include.lookup.found === 'exact' ? include.lookup.path : null,
      ...stateOf(page, include),
      when: include.when,
      line: include.line,
      kit: use?.kit.manifest.name ?? null,
      gives: file?.gives ?? facts?.gives.map(({ name }) => name).filter((name) => needed.has(name)) ?? [],
      needs: [
        ...new Set([
          ...(file?.needs ?? []),
          ...(facts?.needs.map(({ name }) => name).filter((name) => given.has(name)) ?? []),
        ]),
      ],
      starts: starting.flatMap((one) =>
        one.starts
          .filter((start) => start.include === include)
          .map(({ call }) => `${call.name}(${call.text === null ? '' : `'${call.text}'`})`),
      ),
      answers: strands.filter(({ answered }) => answered).map(({ id }) => id),
      misses: strands.filter(({ answered }) => !answered).map(({ id }) => id),
    };
  });
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

function stateOf(page: PageReading, include: Include): Pick<IncludeView, 'state' | 'says'> {
  const { wiring } = page;
  const { written, path, lookup, target, kind } = include;
  if (written !== null && path !== null && lookup.found === 'nothing')
    return { state: 'broken', says: `There is no ${path}` };
  if (lookup.found === 'other-case') return { state: 'broken', says: `On disk it is ${lookup.path}` };
  if (written !== null && path === null)
    return { state: 'look', says: target?.kind === 'outside' ? 'comes from another host' : 'leads out of the site' };
  if (kind === 'style') return { state: 'whole', says: 'stylesheet' };
  const run = wiring.scripts.find((one) => one.include === include);
  if (run?.reading && !run.reading.ok) return { state: 'broken', says: `cannot be read: ${run.reading.reason}` };
  const [early] = run?.early ?? [];
  const called = early && run?.reading?.ok && run.reading.calls.some(({ name }) => name === early.name);
  if (early)
    return {
      state: 'broken',
      says: called ? `calls ${early.name}() too early` : `needs ${early.name}, which comes later`,
    };
  const starts = wiring.uses.flatMap((use) =>
    use.starts.filter((start) => start.include === include).map((start) => ({ start, use })),
  );
  const [first] = starts;
  if (first)
    return {
      state: first.start.trouble === null ? 'whole' : 'broken',
      says:
        first.start.call.text === null && first.start.matched.length === 0
          ? `calls ${first.start.call.name}()`
          : `calls ${first.start.call.name}(), which finds ${first.start.there.length} of ${linksIn(page)} links`,
    };
  const use = wiring.uses.find((one) => one.script === include);
  if (use) {
    const answered = strandsOf(page, use).filter((strand) => strand.answered).length;
    const does = use.runs ? `answers ${answered} of ${linksIn(page)} links` : 'does not run';
    const { start } = use.kit.manifest;
    return { state: use.runs ? 'whole' : 'broken', says: start?.required ? `waits for ${start.call}()` : does };
  }
  return { state: 'whole', says: 'script' };
}

const linksIn = (page: PageReading): number =>
  page.galleries.reduce((sum, { items }) => sum + items.filter(({ link }) => link).length, 0);
