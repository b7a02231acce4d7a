import { cutLine, insertBeside, rewriteTag, type PageElement, placeOf, STATES } from '../markup/index.ts';
import type { PageReading } from '../model/index.ts';
import { applyEdits, type Edit, type Planned, refuse } from '../site/index.ts';
import { waitingEdits, type Include, type KitUse, type ScriptRun } from '../wiring/index.ts';
import { placeIn, planPage, type Observation, type Fix, type Rule } from './finding.ts';

export const scriptOrder: Rule = {
  id: 'script-order',
  station: 'wiring',
  title: 'A script is loaded before what needs it',
  find: (site) =>
    site.pages.flatMap((page) =>
      page.wiring.scripts.flatMap((run): Observation[] => {
        const [need] = run.early;
        if (!need) return [];
        const { include } = run;
        const name = include.written ?? 'this inline script';
        const givers = run.early.flatMap(({ from }) => from ?? []);
        // The one that comes last in the page's order: behind it all that is needed is there.
        const last = [...givers]
          .sort((a, b) => page.wiring.includes.indexOf(a) - page.wiring.includes.indexOf(b))
          .at(-1);
        const called = run.reading?.ok && run.reading.calls.some((call) => call.name === need.name);
        const fixes: Fix[] = last
          ? [
              {
                kind: 'change',
                states: { ...STATES.includes, moves: true },
                label:
                  include.inline && last.when === 'deferred'
                    ? 'Wait until the page is read'
                    : 'Load them in the right order',
                plan: () => mend(page, run, last),
              },
            ]
          : [];
        return [
          {
            matter: `${page.path}:${include.written ?? 'inline'}`,
            severity: 'error',
            says: called
              ? `${name} calls ${need.name}() before ${need.from?.written ?? 'its script'} is loaded.`
              : `${name} needs ${need.name}, and ${need.from?.written ?? 'the script that gives it'} is loaded only after it.`,
            why: `${whyLate(include, need.from)}The browser stops ${name} there with “${need.name} is not defined”; the rest of it does not happen.`,
            place: placeIn(page, include.element.range),
            strand: null,
            joint: 'viewer',
            fixes,
          },
        ];
      }),
    ),
};

function whyLate(include: Include, giver: Include | null): string {
  const other = giver?.written ?? 'The other';
  if (giver?.when === 'async') return `${other} is async: nobody can say when it runs. `;
  if (giver?.when !== 'deferred' || include.when === 'deferred') return '';
  return `${other} is deferred and runs after the whole page is read. `;
}

function mend(page: PageReading, { include, text }: ScriptRun, giver: Include): Planned {
  const label = `Put the scripts of ${page.path} in order`;
  const use = page.wiring.uses.find(({ files }) =>
    files.some(({ file, includes }) => file.role === 'script' && includes.includes(include)),
  );
  if (use && use.files.some(({ includes }) => includes.includes(giver)))
    return planPage(page, label, orderKit(page, use));
  if (include.inline && giver.when === 'deferred') {
    return planPage(page, label, waitingEdits(include.inline));
  }
  if (text === null || !include.element.range || !giver.element.range)
    return refuse('One of the scripts is not in the source.');
  // Alike in how they wait, and the one behind the other.
  const wishes = new Map<string, string | null>();
  for (const name of ['defer', 'async'])
    if (has(include.element, name) !== has(giver.element, name))
      wishes.set(name, has(giver.element, name) && name !== 'async' ? '' : null);
  if (giver.when === 'async')
    return planPage(
      page,
      label,
      rewriteTag(
        giver.element,
        new Map([
          ['async', null],
          ['defer', ''],
        ]),
        page.text,
      ),
    );
  const retagged = rewriteTag(include.element, wishes, page.text);
  if (include.element.range.start > giver.element.range.end) return planPage(page, label, retagged);
  const written = applyEdits(
    page.text.slice(include.element.range.start, include.element.range.end),
    retagged.map((edit) => ({
      ...edit,
      start: edit.start - placeOf(include.element).start,
      end: edit.end - placeOf(include.element).start,
    })),
  );
  if (!written.ok) return written;
  return planPage(page, label, [
    cutLine(page.document, include.element.range),
    insertBeside(page.document, giver.element, written.text, 'after'),
  ]);
}

/** The kit's scripts in the places that they have together, in its own order, and waiting alike. */
function orderKit(page: PageReading, { files }: KitUse): Edit[] {
  const scripts = files.flatMap(({ file, includes }) =>
    file.role === 'script' && includes[0]?.element.range ? [includes[0].element] : [],
  );
  const places = [...scripts].sort((a, b) => a.index - b.index);
  const [base] = scripts;
  return scripts
    .flatMap((element, n) => {
      const text = page.text.slice(placeOf(element).start, placeOf(element).end);
      const wishes = new Map<string, string | null>();
      for (const name of ['defer', 'async'])
        if (base && has(element, name) !== has(base, name)) wishes.set(name, has(base, name) ? '' : null);
      const retagged = applyEdits(
        text,
        rewriteTag(element, wishes, page.text).map((edit) => ({
          ...edit,
          start: edit.start - placeOf(element).start,
          end: edit.end - placeOf(element).start,
        })),
      );
      const place = places[n]?.range;
      const written = retagged.ok ? retagged.text : text;
      return place && page.text.slice(place.start, place.end) !== written ? [{ ...place, text: written }] : [];
    })
    .sort((a, b) => a.start - b.start);
}

const has = (element: PageElement, name: string): boolean =>
  element.attributes.some((attribute) => attribute.name === name);
