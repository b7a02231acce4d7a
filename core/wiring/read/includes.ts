/** What a page's scripts and styles are, where they lead, and in what order a browser runs them. */
import { isDeferred, valueOf, type PageDocument, type PageElement, type Range } from '../../markup/index.ts';
import {
  resolveInSite,
  type Lookup,
  type PathIndex,
  type SiteFiles,
  type Target,
  firstOf,
  lastOf,
} from '../../site/index.ts';

export interface Include {
  kind: 'script' | 'style';
  element: PageElement;
  /** As written; null for an inline script. */
  written: string | null;
  /** Where that leads; null for an inline script. */
  target: Target | null;
  /** The site path that the reference leads to, if it leads into the site. */
  path: string | null;
  lookup: Lookup;
  /** Blocking scripts run where they stand, deferred ones after the page is read (WHATWG HTML §4.12.1). */
  when: 'head' | 'body' | 'deferred' | 'async';
  /** The code of an inline script as it stands in the source, and where it begins there. */
  inline: { start: number; text: string } | null;
  /** A module script: it waits like a deferred one, and a browser loads none from disk. */
  module: boolean;
  line: number;
  /** Loaded by an import in another script, and where that statement stands in it; null for a tag of its own. */
  imported: { by: Include; statement: Range } | null;
}

const NOTHING: Lookup = { found: 'nothing' };
const RANK = { head: 0, body: 0, deferred: 1, async: 2 } as const;
/** WHATWG HTML §4.12.1: the types that are run as script; anything else is data. */
const RUNS = /^(?:|module|(?:text|application)\/(?:java|ecma)script)$/i;

/** In the order in which a browser runs them; of `async` ones nobody can say, so they come last. */
export function includesOf(page: PageDocument, path: string, index: PathIndex): Include[] {
  const includes: Include[] = [];
  for (const element of page.elements) {
    const kind = kindOf(element);
    if (kind === null || !element.range) continue;
    const written = valueOf(element, kind === 'style' ? 'href' : 'src') ?? null;
    const target = written === null ? null : resolveInSite(written, path);
    const file = target?.kind === 'file' ? target.path : null;
    includes.push({
      kind,
      element,
      written,
      target,
      path: file,
      lookup: file === null ? NOTHING : index.lookup(file),
      when: whenOf(element, kind === 'script' && written !== null),
      inline: kind === 'script' && written === null ? inlineOf(page, element, element.range) : null,
      module: kind === 'script' && isModule(element),
      line: page.lines.lineAt(element.range.start),
      imported: null,
    });
  }
  return includes.sort((a, b) => RANK[a.when] - RANK[b.when]);
}

/** Null for what is neither a stylesheet nor a script that a browser of today runs. */
function kindOf(element: PageElement): Include['kind'] | null {
  if (element.tag === 'link') return /(^|\s)stylesheet(\s|$)/i.test(valueOf(element, 'rel') ?? '') ? 'style' : null;
  if (element.tag !== 'script' || valueOf(element, 'nomodule') !== undefined) return null;
  return RUNS.test((valueOf(element, 'type') ?? '').trim()) ? 'script' : null;
}

const isModule = (element: PageElement): boolean => (valueOf(element, 'type') ?? '').trim().toLowerCase() === 'module';

function whenOf(element: PageElement, external: boolean): Include['when'] {
  if (external && valueOf(element, 'async') !== undefined) return 'async';
  if (isModule(element) || (external && isDeferred(element))) return 'deferred';
  return element.parent?.tag === 'head' ? 'head' : 'body';
}

function inlineOf({ text }: PageDocument, { open, close }: PageElement, range: Range): Include['inline'] {
  if (!open) return null;
  return { start: open.end, text: text.slice(open.end, close?.start ?? range.end) };
}

/** What a script include runs; null where its file is not there, is no text, or is at an outside address. */
export function scriptText(include: Include, files: SiteFiles): string | null {
  if (include.kind !== 'script') return null;
  if (include.inline) return include.inline.text;
  const content = include.lookup.found === 'exact' ? files.get(include.lookup.path) : undefined;
  return content?.kind === 'text' ? content.text : null;
}

/**
 * The bare name of an include's file in small letters, without query: what tells which file of a kit it means. An
 * import may be written by a name that a map explains.
 */
export const includedName = ({ written, imported, path }: Include): string =>
  lastOf(firstOf(((imported && path) ?? written ?? '').split(/[?#]/)).split(/[\\/]/)).toLowerCase();
