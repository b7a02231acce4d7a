/** To which file of the site an address leads, and how it is written when the file has another name. */
import { attributeOf, type PageDocument, valueOf } from '../markup/index.ts';
import { decodedPath, relativeReference, resolveInSite } from '../site/index.ts';

/** A path in the site, and in which of the ways in which it can be written it is reached. */
export interface Lead {
  path: string;
  form: 'relative' | 'root' | 'own';
}

/**
 * `from` is the path that addresses count from; `own` the address at which the site stands, or null where nothing of it
 * says so.
 */
export function leadOf(value: string, from: string, own: string | null): Lead | null {
  const target = resolveInSite(value, from);
  if (target.kind === 'file') return { path: target.path, form: 'relative' };
  // From the root of a host: the site’s own folder, where it is put there.
  if (target.kind === 'root') return { path: target.path.replace(/[?#].*$/s, ''), form: 'root' };
  if (target.kind !== 'outside' || own === null || !target.url.startsWith(own)) return null;
  return { path: decodedPath(target.url.slice(own.length).replace(/[?#].*$/s, '')), form: 'own' };
}

/** The address of the file at `to`, in the same form, with what stands behind the path in `value`. */
export function writtenAs({ form }: Lead, value: string, from: string, to: string, own: string | null): string {
  const tail = /[?#].*$/s.exec(value.trimEnd())?.[0] ?? '';
  if (form === 'relative') {
    const written = relativeReference(from, to);
    // As its author began it; what a module names has to begin with a dot.
    return (/^\s*\.\//.test(value) && !written.startsWith('.') ? './' : '') + written + tail;
  }
  const path = to.split('/').map((_, n, all) => relativeReference('', all[n] ?? '').replace(/^\.\//, ''));
  return `${form === 'root' ? '/' : (own ?? '/')}${path.join('/')}${tail}`;
}

/** The path that addresses of a page count from: its own, or where its `base` leads. */
export function baseOf(page: PageDocument, path: string, own: string | null): string {
  const href = baseAttribute(page)?.value;
  if (href === undefined) return path;
  const lead = leadOf(href, path, own);
  // Elsewhere: no address of the page leads into the site.
  return lead === null ? OUTSIDE : lead.path;
}

export const baseAttribute = (page: PageDocument) => {
  const base = page.elements.find((one) => one.tag === 'base' && attributeOf(one, 'href'));
  return base && attributeOf(base, 'href');
};

/** No path: what is counted from here leads out of the site. */
const OUTSIDE = '//';

const OWN = new Set(['canonical', 'og:url']);

/**
 * The address at which the site stands, as its pages say it of themselves (`link rel=canonical`, `og:url`); null where
 * none does, or two do not agree.
 */
export function ownAddress(pages: readonly { path: string; document: PageDocument }[]): string | null {
  const said = new Set(
    pages.flatMap(({ path, document }) => saidOf(document).flatMap((url) => rootFrom(url, path) ?? [])),
  );
  const [only = null] = said;
  return said.size === 1 ? only : null;
}

const saidOf = (document: PageDocument): string[] =>
  document.elements.flatMap((element) => {
    const name = (valueOf(element, 'rel') ?? valueOf(element, 'property') ?? '').trim().toLowerCase();
    if (!OWN.has(name)) return [];
    return valueOf(element, element.tag === 'meta' ? 'content' : 'href')?.trim() ?? [];
  });

/** The page’s own address without its path, which may leave out `index.html`. */
function rootFrom(url: string, path: string): string | null {
  if (!/^https?:\/\//i.test(url)) return null;
  const clean = decodedPath(url.replace(/[?#].*$/s, ''));
  const short = path.replace(/(^|\/)index\.html?$/, '$1');
  const tail = [path, short].find((one) => clean.endsWith(`/${one}`));
  return tail === undefined ? null : url.slice(0, clean.length - tail.length);
}
