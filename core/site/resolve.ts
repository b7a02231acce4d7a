/** Where a reference written on a page leads: into the site, out of it, or nowhere. */
import { joinUri, resolveUri, splitUri } from './uri.ts';

export type Target =
  /** A path in the site; whether the file is there is another question. */
  | { kind: 'file'; path: string; fragment?: string }
  /** Only a fragment: `#`, `#top`. */
  | { kind: 'fragment'; fragment: string }
  | { kind: 'empty' }
  /** Begins with `/`: the root of a host, which a page opened from disk or in a sub-folder does not have. */
  | { kind: 'root'; path: string }
  /** `..` once too often. */
  | { kind: 'above'; reference: string }
  | { kind: 'outside'; url: string }
  /** `mailto:`, `tel:`, `javascript:`, `data:` */
  | { kind: 'scheme'; scheme: string };

/**
 * Any host will do: the path is cut off again. Deep enough that `..` above the site can be told from `..` within it.
 */
const BASE = 'http://site.invalid/site-root/';

/** As written where it cannot be decoded. */
export function decodedPath(path: string): string {
  try {
    return decodeURIComponent(path).normalize('NFC');
  } catch {
    return path;
  }
}

/**
 * `from` is the site path of the file in which `reference` stands. White space around it is ignored and a backslash is
 * read as a slash, as browsers do (WHATWG URL §4.4).
 */
export function resolveInSite(reference: string, from: string): Target {
  const written = reference.trim().replace(/[\t\n\r]/g, '');
  const parts = splitUri(written.replace(/^[^?#]*/, (path) => path.replaceAll('\\', '/')));
  if (written === '') return { kind: 'empty' };
  if (parts.scheme !== undefined) {
    const scheme = parts.scheme.toLowerCase();
    return scheme === 'http' || scheme === 'https' ? { kind: 'outside', url: written } : { kind: 'scheme', scheme };
  }
  if (parts.authority !== undefined) return { kind: 'outside', url: written };
  if (parts.path === '' && parts.query === undefined)
    return { kind: 'fragment', fragment: decodedPath(parts.fragment ?? '') };
  if (parts.path.startsWith('/')) return { kind: 'root', path: decodedPath(parts.path.slice(1)) };

  const base = BASE + from.split('/').map(encodeURIComponent).join('/');
  const resolved = splitUri(resolveUri(joinUri({ path: parts.path, query: parts.query }), base)).path;
  const inside = '/site-root/';
  if (!resolved.startsWith(inside)) return { kind: 'above', reference: written };
  const path = decodedPath(resolved.slice(inside.length));
  return { kind: 'file', path, ...(parts.fragment === undefined ? {} : { fragment: decodedPath(parts.fragment) }) };
}
