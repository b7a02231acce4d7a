import { type Range, STATES } from '../markup/index.ts';
import type { PageReading, SiteReading } from '../model/index.ts';
import { nameOf, type Planned } from '../site/index.ts';
import {
  copiedFiles,
  importText,
  includeEdits,
  startEdits,
  type KitFile,
  type KitUse,
  type ScriptRun,
} from '../wiring/index.ts';
import { placeIn, planPage, type Observation, type Rule } from './finding.ts';

export const kitIncomplete: Rule = {
  id: 'kit-incomplete',
  station: 'wiring',
  title: 'All files of a viewer that a page uses are loaded',
  find: (site) =>
    site.pages.flatMap((page) =>
      page.wiring.uses.flatMap((use): Observation[] => {
        const absent = use.files
          .filter(({ file, includes }) => file.role !== 'other' && includes.length === 0)
          .map(({ file }) => file);
        return absent.length === 0 || isLost(page, use, absent) ? [] : [findingOf(site, page, use, absent)];
      }),
    ),
};

function findingOf(site: SiteReading, page: PageReading, use: KitUse, absent: readonly KitFile[]): Observation {
  const { name } = use.kit.manifest;
  const isScript = absent.some(({ role }) => role === 'script');
  const verb = isScript && isImported(use) ? 'import' : 'load';
  const names = absent.map((file) => file.name);
  return {
    matter: `${page.path}:${name}`,
    severity: isScript ? 'error' : 'warning',
    says: `The page uses the ${name} and does not ${verb} ${names.join(', ')}.`,
    why: isScript
      ? 'Without it nothing answers a click; the links open their pictures by themselves.'
      : 'The viewer works and looks like nothing: its parts stand one below the other.',
    place: placeIn(page, whereUsed(use)),
    strand: null,
    joint: 'viewer',
    fixes: [
      {
        kind: 'change',
        states: STATES.includes,
        label: names.length === 1 ? `Load ${names.join('')}` : `Load these ${names.length} files`,
        plan: () => loadAll(site, page, use),
      },
    ],
  };
}

const isImported = ({ kit }: KitUse): boolean => kit.manifest.start?.imported !== undefined;

/** What says that the page uses it: a marker, a call, one of its files. */
const whereUsed = ({ marked, starts, files }: KitUse): Range | null =>
  marked[0]?.open ??
  starts[0]?.include.element.range ??
  files.find(({ includes }) => includes.length > 0)?.includes[0]?.element.range ??
  null;

/** An import that means one of these files and does not find it is told by itself. */
function isLost({ wiring }: PageReading, use: KitUse, absent: readonly KitFile[]): boolean {
  if (!isImported(use)) return false;
  const names = absent.map(({ name }) => name.toLowerCase());
  const means = (from: string) => {
    const name = nameOf(from).toLowerCase();
    return names.some((one) => one === name || (!name.includes('.') && one.split('.')[0] === name));
  };
  return wiring.scripts.some(({ imports }) => imports.some(({ trouble, from }) => trouble !== null && means(from)));
}

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
