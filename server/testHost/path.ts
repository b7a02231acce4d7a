/** Which file or folder of a site an address means. */
import { HOST_OWN } from '../../protocol/hostAddress.ts';

type HostPath =
  /** `path` ends with a slash where a folder is asked for; empty is the root. */
  | { is: 'site'; path: string }
  /** What belongs to the host itself, behind {@link HOST_OWN}. */
  | { is: 'own'; name: string }
  | { is: 'none' };

/** Longer names than a file system takes are none (NAME_MAX, POSIX; from memory). */
const LONGEST_NAME = 255;

/** `pathname` as it stands in the request, percent-encoded; dots in it are taken out by whoever read the address. */
export function hostPath(pathname: string): HostPath {
  const path = decoded(pathname.slice(1));
  if (path === null || isNone(path)) return { is: 'none' };
  return path.startsWith(HOST_OWN) ? { is: 'own', name: path.slice(HOST_OWN.length) } : { is: 'site', path };
}

function decoded(path: string): string | null {
  try {
    return decodeURIComponent(path);
  } catch {
    return null;
  }
}

function isNone(path: string): boolean {
  const segments = path.split('/');
  const last = segments.pop() ?? '';
  if (segments.some((one) => one === '' || one === '.' || one === '..') || last === '.' || last === '..') return true;
  if ([...segments, last].some((one) => Buffer.byteLength(one) > LONGEST_NAME)) return true;
  // eslint-disable-next-line no-control-regex -- control characters are just what is looked for
  return /[\u0000-\u001f\u007f\\]/.test(path);
}

/** As it stands in an address. */
export const encodedPath = (path: string): string => path.split('/').map(encodeURIComponent).join('/');

export const parentOf = (path: string): string => path.replace(/\/$/, '').replace(/[^/]*$/, '');
