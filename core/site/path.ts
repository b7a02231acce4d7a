/** Paths inside a site: `/`-separated, relative to the site's folder, as they stand on disk (never percent-encoded). */
import { refuse, type Result } from './result.ts';

type CleanPath = Result<{ path: string }>;

const LONGEST_PATH = 400;
/** Names that Windows cannot hold; a site with one could not be unpacked there. */
const DEVICE_NAME = /^(con|prn|aux|nul|com\d|lpt\d)(\.|$)/i;

/**
 * The path of a file that comes from outside (a picked folder, a ZIP), made safe or refused.
 * Backslashes become slashes and `.` segments go; anything that could point outside the site is an error.
 */
export function cleanPath(raw: string): CleanPath {
  const slashed = raw.replaceAll('\\', '/');
  if (slashed.startsWith('/') || /^[a-z]:\//i.test(slashed))
    return refuse('the path is absolute; only files inside the folder can be imported');
  const segments = slashed.split('/').filter((segment) => segment !== '' && segment !== '.');
  if (segments.length === 0) return refuse('the path is empty');
  if (segments.includes('..')) return refuse('the path leads out of the folder (“..”)');
  // eslint-disable-next-line no-control-regex -- control characters are just what is looked for
  if (segments.some((segment) => /[\u0000-\u001f\u007f]/.test(segment)))
    return refuse('the name holds a control character');
  const device = segments.find((segment) => DEVICE_NAME.test(segment));
  if (device) return refuse(`“${device}” is a reserved name on Windows; rename it first`);
  const path = segments.join('/').normalize('NFC');
  if (path.length > LONGEST_PATH) return refuse(`the path is longer than ${LONGEST_PATH} characters`);
  return { ok: true, path };
}

/** Files that operating systems leave in folders and that belong to no site. */
export function isSystemLitter(path: string): boolean {
  return (
    /(^|\/)(\.DS_Store|Thumbs\.db|desktop\.ini|\._[^/]*|\.git\/.*|__MACOSX\/.*)$/i.test(path) ||
    // What browsers and editors write beside a file while it is open; a crash leaves it there.
    /(^|\/)([^/]+\.crswap|\.[^/]+\.sw[op]|\.#[^/]+)$/.test(path) ||
    /(^|\/)(\.git|__MACOSX|node_modules)\//.test(path)
  );
}

export const folderOf = (path: string): string => path.slice(0, path.lastIndexOf('/') + 1);
export const nameOf = (path: string): string => path.slice(path.lastIndexOf('/') + 1);

/** The name without folder and extension: `small/reel-box.jpg` → `reel-box`. */
export function stemOf(path: string): string {
  const name = nameOf(path);
  const dot = name.lastIndexOf('.');
  return dot > 0 ? name.slice(0, dot) : name;
}

/** The extension in lower case without its dot, or ''. */
export function extensionOf(path: string): string {
  const name = nameOf(path);
  const dot = name.lastIndexOf('.');
  return dot > 0 ? name.slice(dot + 1).toLowerCase() : '';
}

/**
 * What must be percent-encoded in a path segment of a URL (RFC 3986 §3.3: pchar), with `'` for the sake of quoted
 * attributes.
 */
function encodeSegment(segment: string): string {
  return encodeURIComponent(segment)
    .replace(/%(3A|40|24|26|2B|2C|3B|3D|21|28|29|2A)/g, (code) => decodeURIComponent(code))
    .replaceAll("'", '%27');
}

/** The reference to write on the page at `from` so that it leads to the file at `to`. Both are site paths. */
export function relativeReference(from: string, to: string): string {
  const base = from.split('/').slice(0, -1);
  const target = to.split('/');
  let shared = 0;
  while (shared < base.length && shared < target.length - 1 && base[shared] === target[shared]) shared++;
  const segments = [...base.slice(shared).map(() => '..'), ...target.slice(shared).map(encodeSegment)];
  const first = segments[0] ?? '';
  // A first segment with a colon would read as a scheme (RFC 3986 §4.2).
  return (first.includes(':') ? './' : '') + segments.join('/');
}

/** `photo 2` before `photo 10`, as people count. */
export const byNaturalName = new Intl.Collator('en', { numeric: true, sensitivity: 'base' }).compare;
