import { STATES } from '../markup/index.ts';
import type { PageReading, SiteReading } from '../model/index.ts';
import type { Planned } from '../site/index.ts';
import { copiedFiles, importText, includeEdits, startEdits, type KitUse, type ScriptRun } from '../wiring/index.ts';
import { placeIn, planPage, type Observation, type Rule } from './finding.ts';

export const kitIncomplete: Rule = {
  id: 'kit-incomplete',
  station: 'wiring',
  title: 'All files of a viewer that a page uses are loaded',
  find: (site) =>
    site.pages.flatMap((page) =>
      page.wiring.uses.flatMap((use): Observation[] => {
        const { kit } = use;
        const absent = use.files
          .filter(({ file, includes }) => file.role !== 'other' && includes.length === 0)
          .map(({ file }) => file);
        const [first] = absent;
        if (!first) return [];
        const scripts = absent.filter(({ role }) => role === 'script');
        const plan = (): Planned => loadAll(site, page, use);
        const names = absent.map(({ name }) => name).join(', ');
        const isImported = kit.manifest.start?.imported !== undefined && scripts.length > 0;
        const marked =
          use.marked[0]?.open ??
          use.starts[0]?.include.element.range ??
          use.files.find(({ includes }) => includes.length > 0)?.includes[0]?.element.range ??
          null;
        return [
          {
            matter: `${page.path}:${kit.manifest.name}`,
            severity: scripts.length > 0 ? 'error' : 'warning',
            says: `The page uses the ${kit.manifest.name} and does not ${isImported ? 'import' : 'load'} ${names}.`,
            why:
              scripts.length > 0
                ? 'Without it nothing answers a click; the links open their pictures by themselves.'
                : 'The viewer works and looks like nothing: its parts stand one below the other.',
            place: placeIn(page, marked),
            strand: null,
            joint: 'viewer',
            fixes: [
              {
                kind: 'change',
                states: STATES.includes,
                label: absent.length === 1 ? `Load ${first.name}` : `Load these ${absent.length} files`,
                plan,
              },
            ],
          },
        ];
      }),
    ),
};

function loadAll(site: SiteReading, page: PageReading, { kit, starts }: KitUse): Planned {
  const written = includeEdits(site, page, kit);
  if (!written.ok) return written;
  const label = `Load the whole ${kit.manifest.name} on ${page.path}`;
  const line = importText(site, page, kit);
  const calling = line === null ? null : callingScript(page, kit.manifest.start?.call ?? '');
  const imports =
    calling === null || line === null
      ? []
      : [{ start: calling.start, end: calling.start, text: importAt(calling, line) }];
  const begun = line === null || calling !== null || starts.length > 0 ? [] : startEdits(site, page, kit, null);
  const edits = [...written.edits, ...begun];
  const planned = planPage(page, label, [...edits, ...imports], edits.length);
  return planned.ok
    ? { ok: true, change: { label, files: [...copiedFiles(site, kit), ...planned.change.files] } }
    : planned;
}

type Inline = NonNullable<ScriptRun['include']['inline']>;

/** The module in the page that calls what it does not import. */
function callingScript({ wiring }: PageReading, name: string): Inline | null {
  const run = wiring.scripts.find(
    ({ include, reading }) => include.module && reading?.ok && reading.needs.some((need) => need.name === name),
  );
  return run?.include.inline ?? null;
}

/** On a line of its own, as the code behind it is indented. */
function importAt({ text }: Inline, line: string): string {
  const [lead = ''] = /^(?:\r?\n)?[ \t]*/.exec(text) ?? [];
  return lead === '' ? `${line} ` : lead + line;
}
