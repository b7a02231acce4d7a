/**
 * URI references, split and resolved as RFC 3986 says. The platform's `URL` is not used here because it
 * needs an absolute base of a known scheme, and because a site's own folder has no address until it is uploaded.
 */

interface UriParts {
  scheme?: string;
  authority?: string;
  path: string;
  query?: string;
  fragment?: string;
}

/** RFC 3986, appendix B. Every string matches; parts that are absent are `undefined`, not empty. */
const REFERENCE = /^(?:([^:/?#]+):)?(?:\/\/([^/?#]*))?([^?#]*)(?:\?([^#]*))?(?:#(.*))?$/s;

export function splitUri(reference: string): UriParts {
  const [, scheme, authority, path = '', query, fragment] = REFERENCE.exec(reference) ?? [];
  return { scheme, authority, path, query, fragment };
}

/** RFC 3986 §5.3. */
export function joinUri({ scheme, authority, path, query, fragment }: UriParts): string {
  return (
    (scheme === undefined ? '' : `${scheme}:`) +
    (authority === undefined ? '' : `//${authority}`) +
    path +
    (query === undefined ? '' : `?${query}`) +
    (fragment === undefined ? '' : `#${fragment}`)
  );
}

/** RFC 3986 §5.2.4: `.` and `..` taken out; a `..` above the root is dropped. */
export function removeDotSegments(path: string): string {
  const out: string[] = [];
  let input = path;
  while (input !== '') {
    if (input.startsWith('../')) input = input.slice(3);
    else if (input.startsWith('./')) input = input.slice(2);
    else if (input.startsWith('/./')) input = input.slice(2);
    else if (input === '/.') input = '/';
    else if (input.startsWith('/../') || input === '/..') {
      input = `/${input.slice(4)}`;
      out.pop();
    } else if (input === '.' || input === '..') input = '';
    else {
      const end = input.indexOf('/', 1);
      out.push(end < 0 ? input : input.slice(0, end));
      input = end < 0 ? '' : input.slice(end);
    }
  }
  return out.join('');
}

/** RFC 3986 §5.2.3. */
function mergePaths(base: UriParts, path: string): string {
  if (base.authority !== undefined && base.path === '') return `/${path}`;
  return base.path.slice(0, base.path.lastIndexOf('/') + 1) + path;
}

/** RFC 3986 §5.2.2, the strict form. `base` must be absolute. */
export function resolveUri(reference: string, base: string): string {
  const r = splitUri(reference);
  const b = splitUri(base);
  if (r.scheme !== undefined) return joinUri({ ...r, path: removeDotSegments(r.path) });
  if (r.authority !== undefined) return joinUri({ ...r, scheme: b.scheme, path: removeDotSegments(r.path) });
  if (r.path === '') return joinUri({ ...b, query: r.query ?? b.query, fragment: r.fragment });
  const path = removeDotSegments(r.path.startsWith('/') ? r.path : mergePaths(b, r.path));
  return joinUri({ ...r, scheme: b.scheme, authority: b.authority, path });
}
