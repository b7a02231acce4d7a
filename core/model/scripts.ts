/**
 * Picture files named in scripts: text literals that lead to a file of the site from every page that runs the script.
 */
import { parse, type Literal } from 'acorn';
import { simple } from 'acorn-walk';
import type { PageDocument } from '../markup/index.ts';
import { isPicturePath, resolveInSite } from '../site/index.ts';
import { placed, type Reference } from './references.ts';

/** Text literals that read like the path of a picture. A script that cannot be parsed has none. */
export function scriptReferences(text: string): Reference[] {
  const references: Reference[] = [];
  try {
    simple(
      parse(text, {
        ecmaVersion: 'latest',
        sourceType: 'script',
        allowReturnOutsideFunction: true,
        allowHashBang: true,
      }),
      {
        Literal(node: Literal) {
          const { value, start, end } = node;
          // Where escapes are in it, the written text is another.
          if (
            typeof value === 'string' &&
            isPicturePath(value.replace(/[?#].*$/s, '')) &&
            text.slice(start + 1, end - 1) === value
          )
            references.push({ value, range: { start: start + 1, end: end - 1 }, by: 'script', raw: true });
        },
      },
    );
  } catch {
    return [];
  }
  return references;
}

/** The same of every script that stands in a page. */
export const inlineScriptReferences = (page: PageDocument): Reference[] =>
  page.elements
    .filter(({ tag }) => tag === 'script')
    .flatMap(({ texts }) =>
      texts.flatMap(({ value, range }) => placed(page, scriptReferences(value), range, value, 'lines')),
    );

/**
 * The site path that a text in a script leads to; null where the pages that run it do not agree, for then nobody can
 * say.
 */
export function targetInScript(value: string, pages: readonly string[]): string | null {
  const targets = new Set(
    pages.map((page) => {
      const target = resolveInSite(value, page);
      return target.kind === 'file' ? target.path : null;
    }),
  );
  const [only = null] = targets;
  return targets.size === 1 ? only : null;
}
