/** What a page's scripts and styles are, where they lead, and in what order a browser runs them. */
import { isDeferred, valueOf, type PageDocument, type PageElement } from '../markup/index.ts';
import { resolveInSite, type Lookup, type PathIndex } from '../site/index.ts';

export interface Include {
  kind: 'script' | 'style';
  element: PageElement;
  /** As written; null for an inline script. */
  written: string | null;
  /** The site path that the reference leads to, if it leads into the site. */
  path: string | null;
  lookup: Lookup;
  /** Blocking scripts run where they stand, deferred ones after the page is read (WHATWG HTML §4.12.1). */
  when: 'head' | 'body' | 'deferred' | 'async';
  line: number;
}

const NOTHING: Lookup = { found: 'nothing' };
const RANK = { head: 0, body: 0, deferred: 1, async: 2 } as const;

/** In the order in which a browser runs them; of `async` ones nobody can say, so they come last. */
export function includesOf(page: PageDocument, path: string, index: PathIndex): Include[] {
  const includes: Include[] = [];
  for (const element of page.elements) {
    const isStyle = element.tag === 'link' && /(^|\s)stylesheet(\s|$)/i.test(valueOf(element, 'rel') ?? '');
    const isScript = element.tag === 'script' && /^(|module|text\/javascript|application\/javascript)$/i.test(valueOf(element, 'type') ?? '');
    if ((!isStyle && !isScript) || !element.range) continue;
    const written = valueOf(element, isStyle ? 'href' : 'src') ?? null;
    const target = written === null ? null : resolveInSite(written, path);
    const file = target?.kind === 'file' ? target.path : null;
    includes.push({
      kind: isStyle ? 'style' : 'script',
      element,
      written,
      path: file,
      lookup: file === null ? NOTHING : index.lookup(file),
      when: whenOf(element, isScript && written !== null),
      line: page.lines.lineAt(element.range.start),
    });
  }
  return includes.sort((a, b) => RANK[a.when] - RANK[b.when]);
}

function whenOf(element: PageElement, external: boolean): Include['when'] {
  if (external && valueOf(element, 'async') !== undefined) return 'async';
  if (valueOf(element, 'type') === 'module' || (external && isDeferred(element))) return 'deferred';
  return element.parent?.tag === 'head' ? 'head' : 'body';
}
