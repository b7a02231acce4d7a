import { cutLine, insertBeside, STATES } from '../markup/index.ts';
import type { PageReading, SiteReading } from '../model/index.ts';
import { LineIndex, nameOf } from '../site/index.ts';
import { isSlipOf, specifierTo, type ImportTrouble, type ModuleImport, type ScriptRun } from '../wiring/index.ts';
import { copyOfKitFile } from './fileMissing.ts';
import { editScript, inScript } from './editScript.ts';
import { planPage, type Fix, type Observation, type Rule } from './finding.ts';

export const importLost: Rule = {
  id: 'import-lost',
  station: 'wiring',
  title: 'What a module imports is there, by the name it is asked for',
  find: (site) =>
    site.pages.flatMap((page) =>
      page.wiring.scripts.flatMap((run) =>
        run.imports.flatMap((one) => {
          const told = one.trouble === null ? null : TOLD[one.trouble];
          return told ? [findingOf(site, page, run, one, told)] : [];
        }),
      ),
    ),
};

interface Told {
  says: (lost: ModuleImport) => string;
  why: string;
  fixes: (site: SiteReading, page: PageReading, run: ScriptRun, lost: ModuleImport) => Fix[];
}

const STOPS = 'The browser stops the whole script there, before its first line runs';

/** Null where it is told of the other file. */
const TOLD: Record<ImportTrouble, Told | null> = {
  bare: {
    says: ({ from }) => `“${from}” is a bare name, and no import map of this page says which file it is.`,
    why: `${STOPS}, with “Failed to resolve module specifier”: in an import a file of the site begins with ./ or ../; without that it is the name of a package.`,
    fixes: pointedAt,
  },
  'map too late': {
    says: ({ from }) => `The import map that explains “${from}” stands only after this script.`,
    why: `${STOPS}: a browser reads an import map where it stands, and modules before it do without.`,
    fixes: (_site, page) => [mapFirst(page)],
  },
  missing: {
    says: ({ include }) => `There is no ${include.path}, which is imported here.`,
    why: `${STOPS}: a module runs only when all that it imports is there.`,
    fixes: (site, page, run, lost) => [
      ...pointedAt(site, page, run, lost),
      // A file of a known viewer that was not copied along.
      ...[copyOfKitFile(site, lost.include.path ?? '')].flatMap((fix) => fix ?? []),
    ],
  },
  'not exported': {
    says: ({ from, exported }) =>
      exported === 'default'
        ? `${from} has no default export.`
        : `${from} exports nothing of the name ${exported ?? ''}.`,
    why: `${STOPS}, with “does not provide an export named”.`,
    fixes: renamed,
  },
  'cannot run': null,
};

function findingOf(site: SiteReading, page: PageReading, run: ScriptRun, lost: ModuleImport, told: Told): Observation {
  const { include } = run;
  const content = include.path === null ? undefined : site.files.get(include.path);
  const inFile = include.inline || content?.kind !== 'text' ? null : new LineIndex(content.text).lineAt(lost.at);
  const at = lost.trouble === 'not exported' ? lost.statement : lost.fromAt;
  return {
    matter: `${page.path}:${include.path ?? 'inline'}:${lost.from}:${lost.exported ?? ''}`,
    severity: 'error',
    says: told.says(lost),
    why: told.why,
    place:
      inFile === null || include.path === null
        ? inScript(page, include, at)
        : { path: include.path, line: inFile, ...at },
    strand: null,
    joint: 'viewer',
    fixes: told.fixes(site, page, run, lost),
  };
}

/** At the one file of the site that has its name, or that is meant by a bare word. */
function pointedAt(site: SiteReading, page: PageReading, run: ScriptRun, { from, fromAt }: ModuleImport): Fix[] {
  const wanted = nameOf(from).toLowerCase();
  const isMeant = (path: string) => {
    const name = nameOf(path).toLowerCase();
    return name === wanted || (!wanted.includes('.') && /\.m?js$/.test(name) && name.split('.')[0] === wanted);
  };
  const found = [...site.files.keys()].filter(isMeant);
  const [path, ...more] = found;
  if (path === undefined || more.length > 0) return [];
  const home = run.include.inline ? page.base : (run.include.path ?? page.base);
  const meant = specifierTo(home, path);
  return [corrected(site, page, run, { ...fromAt, text: `'${meant}'` }, `Write ${meant}`)];
}

function corrected(
  site: SiteReading,
  page: PageReading,
  { include }: ScriptRun,
  edit: { start: number; end: number; text: string },
  label: string,
): Fix {
  const plan = () => editScript(page, include, [edit], `Correct an import on ${page.path}`, site);
  return { kind: 'change', states: STATES.code, label, plan };
}

/** As the other module exports it: its default, or the name that is meant. */
function renamed(site: SiteReading, page: PageReading, run: ScriptRun, lost: ModuleImport): Fix[] {
  const { name, exported, from, statement, fromAt } = lost;
  const other = page.wiring.scripts.find(({ include }) => include.path === lost.include.path);
  const names = other?.reading?.ok ? other.reading.exports.names.map((one) => one.name) : [];
  const named = names.filter((one) => one !== 'default');
  const near =
    named.find((one) => one === name || isSlipOf(one, exported ?? '')) ?? (named.length === 1 ? named[0] : undefined);
  const meant = near ?? (names.includes('default') ? 'default' : undefined);
  const siblings = run.imports.filter((one) => one.statement.start === statement.start);
  // Of a statement that imports more, only its author can say how it is to be.
  if (meant === undefined || name === null || siblings.length > 1) return [];
  const asNamed = meant === name ? `{ ${meant} }` : `{ ${meant} as ${name} }`;
  const text = `import ${meant === 'default' ? name : asNamed} from '${from}'`;
  return [corrected(site, page, run, { start: statement.start, end: fromAt.end, text }, `Write ${text}`)];
}

const isOfType = (element: { attributes: readonly { name: string; value: string }[] }, type: RegExp): boolean =>
  element.attributes.some(({ name, value }) => name === 'type' && type.test(value.trim()));

/** Every import map before the first module. */
function mapFirst(page: PageReading): Fix {
  const plan = () => {
    const scripts = page.document.elements.filter(({ tag, range }) => tag === 'script' && range);
    const [first] = scripts.filter((one) => isOfType(one, /^module$/i));
    const maps = scripts.filter((one) => isOfType(one, /^importmap$/i) && first && one.index > first.index);
    const edits = maps.flatMap(({ range }) =>
      range && first
        ? [
            insertBeside(page.document, first, page.text.slice(range.start, range.end), 'before'),
            cutLine(page.document, range),
          ]
        : [],
    );
    return planPage(page, `Put the import map of ${page.path} first`, edits);
  };
  return { kind: 'change', states: { ...STATES.includes, moves: true }, label: 'Put the import map before it', plan };
}
