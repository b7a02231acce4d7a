/**
 * Where the imports of a page's modules lead: by the importing file's own place, or by the page's import map
 * (WHATWG HTML §8.1.5.2 “Import maps”, §8.1.6.2 “resolve a module specifier”).
 */
import { textOf, valueOf, type PageDocument } from '../../markup/index.ts';
import { relativeReference, resolveInSite, type PathIndex, type SiteFiles } from '../../site/index.ts';
import type { Include } from './includes.ts';
import type { Imported } from './modules.ts';
import { readScript, type ScriptReading } from './scriptFacts.ts';

export interface ModuleImport extends Imported {
  /** The file that it leads to, as if it were included where its importer is. */
  include: Include;
  /** Why the importer does not run; null where this import holds nothing up. */
  trouble: ImportTrouble | null;
}

export type ImportTrouble =
  /** A bare name, and no import map of the page says what it is. */
  | 'bare'
  /** As that, and a map that says it stands only after the script. */
  | 'map too late'
  | 'missing'
  | 'cannot run'
  /** The other exports nothing of that name. */
  | 'not exported';

export interface LoadedScript {
  include: Include;
  text: string | null;
  reading: ScriptReading | null;
  imports: ModuleImport[];
}

export interface ModulePage {
  document: PageDocument;
  base: string;
  index: PathIndex;
}

interface ImportMap {
  imports: Readonly<Record<string, string>>;
  /** Where the map stands in the page. */
  at: number;
}

/** Beginnings of what is an address and no bare name. */
const ADDRESS = /^(?:\.{0,2}\/|[a-z][a-z0-9+.-]*:)/i;

/** The scripts with what they import, each import before what asks for it; a file is loaded once. */
export function withImports(scripts: readonly LoadedScript[], files: SiteFiles, page: ModulePage): LoadedScript[] {
  if (!scripts.some(({ reading }) => reading?.ok && reading.imports.length > 0)) return [...scripts];
  const maps = importMapsIn(page.document);
  // A plain script of the same file is another thing than the module.
  const loaded = new Set(scripts.flatMap(({ include }) => (include.module ? (include.path ?? []) : [])));
  const expand = (script: LoadedScript): LoadedScript[] => {
    if (!script.reading?.ok) return [script];
    const before: LoadedScript[] = [];
    script.imports = script.reading.imports.map((said) => {
      const include = includeFor(said, script.include, maps, page);
      const trouble = bareTrouble(said, script.include, maps, include);
      const { path } = include;
      if (path !== null && !loaded.has(path)) {
        loaded.add(path);
        const content = files.get(path);
        const text = content?.kind === 'text' ? content.text : null;
        const reading = text === null ? null : readScript(text, 'module');
        before.push(...expand({ include, text, reading, imports: [] }));
      }
      return { ...said, include, trouble };
    });
    return [...before, script];
  };
  return scripts.flatMap(expand);
}

function includeFor(said: Imported, by: Include, maps: readonly ImportMap[], page: ModulePage): Include {
  const mapped = mappedBy(maps, said.from);
  const reference = mapped ?? said.from;
  const isAddress = ADDRESS.test(reference);
  // What a map says counts from the page, what a file says from that file.
  const from = mapped !== null || by.inline ? page.base : (by.path ?? page.base);
  const target = isAddress ? resolveInSite(reference, from) : null;
  const path = target?.kind === 'file' ? target.path : null;
  return {
    kind: 'script',
    element: by.element,
    written: said.from,
    target,
    path,
    lookup: path === null ? { found: 'nothing' } : page.index.lookup(path),
    when: by.when,
    inline: null,
    module: true,
    line: by.line,
    imported: { by, statement: said.statement },
  };
}

function bareTrouble(
  { from }: Imported,
  by: Include,
  maps: readonly ImportMap[],
  { target }: Include,
): ImportTrouble | null {
  if (target === null) return 'bare';
  const first = by.element.open?.start ?? 0;
  const map = ADDRESS.test(from) ? undefined : maps.find((one) => mappedBy([one], from) !== null);
  return map && map.at > first ? 'map too late' : null;
}

function importMapsIn({ elements }: PageDocument): ImportMap[] {
  return elements.flatMap((element): ImportMap[] => {
    const isMap = element.tag === 'script' && (valueOf(element, 'type') ?? '').trim().toLowerCase() === 'importmap';
    return isMap ? [{ imports: importsOf(textOf(element)), at: element.open?.start ?? 0 }] : [];
  });
}

/** How a file of the site is written in an import: without a dot before it, it would be the name of a package. */
export function specifierTo(from: string, path: string): string {
  const reference = relativeReference(from, path);
  return /^[./]/.test(reference) ? reference : `./${reference}`;
}

/** What an import map says; one that is no JSON maps nothing. */
export function importsOf(text: string): ImportMap['imports'] {
  try {
    const map: unknown = JSON.parse(text);
    const imports: unknown = map !== null && typeof map === 'object' && 'imports' in map ? map.imports : {};
    const pairs = Object.entries(imports ?? {});
    return Object.fromEntries(pairs.filter((pair): pair is [string, string] => typeof pair[1] === 'string'));
  } catch {
    return {};
  }
}

/** The name as it stands, else the longest beginning that ends with a slash. */
function mappedBy(maps: readonly ImportMap[], name: string): string | null {
  for (const { imports } of maps) {
    const whole = imports[name];
    if (whole !== undefined) return whole;
    const [prefix] = Object.keys(imports)
      .filter((one) => one.endsWith('/') && name.startsWith(one))
      .sort((a, b) => b.length - a.length);
    if (prefix !== undefined) return (imports[prefix] ?? '') + name.slice(prefix.length);
  }
  return null;
}
