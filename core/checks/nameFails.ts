import type { SiteReading } from '../model/index.ts';
import { bytesOf, extensionOf, folderOf, nameOf, PathIndex, stemOf, tidyName } from '../site/index.ts';
import type { Observation, Rule } from './finding.ts';

/** Why a name fails somewhere else, as a sentence about it; null where it does not. */
type Trouble = (segment: string) => string | null;

/** Microsoft, “Naming Files, Paths, and Namespaces” (from memory). Two more are told of by the import. */
const windowsCharacters: Trouble = (segment) => {
  const found = /[<>:"|?*\\]/.exec(segment)?.[0];
  return found === undefined ? null : `Windows allows no “${found}” in names, so the file cannot be unpacked there.`;
};

/** The same source. */
const windowsEnd: Trouble = (segment) => {
  if (segment.endsWith('.')) return 'Windows takes away a dot at the end of a name, and the address is another.';
  return segment.endsWith(' ') ? 'Windows takes away a space at the end of a name, and the address is another.' : null;
};

/** RFC 3986 §2.4 and §3.3: these end a path or begin a code where they are not encoded. */
const addressCharacters: Trouble = (segment) => {
  const found = /[#%]/.exec(segment)?.[0];
  if (found === undefined) return null;
  return `In an address “${found}” has to be written ${encodeURIComponent(found)}; written as it is, it leads elsewhere.`;
};

/** Bytes in UTF-8: NAME_MAX of POSIX systems is 255 on nearly all file systems (from memory). */
const LONGEST_NAME = 255;

const length: Trouble = (segment) =>
  bytesOf({ kind: 'text', text: segment }) > LONGEST_NAME
    ? `Most hosts take names of at most ${LONGEST_NAME} bytes.`
    : null;

const TROUBLES: readonly Trouble[] = [windowsCharacters, windowsEnd, addressCharacters, length];

/** Windows has 260 for a path with its drive and folders (from memory); so much of that may be the site's own. */
const LONGEST_PATH = 200;

export const nameFails: Rule = {
  id: 'name-fails-elsewhere',
  station: 'pack',
  title: 'File names work on every host and every computer',
  find: (site) => [...twins(site), ...[...site.files.keys()].flatMap((path) => badName(site, path) ?? [])],
};

/** Two names that differ by their capitals alone. */
function twins(site: SiteReading): Observation[] {
  const first = new Map<string, string>();
  return [...site.files.keys()].flatMap((path): Observation[] => {
    const key = path.toLowerCase();
    const other = first.get(key);
    if (other === undefined) {
      first.set(key, path);
      return [];
    }
    return [
      observed(path, 'error', {
        says: `${path} and ${other} differ by capitals alone.`,
        why: 'Windows and macOS keep one of the two when the site is unpacked there, and the other is lost.',
        to: site.index.freePath(path),
      }),
    ];
  });
}

function badName(site: SiteReading, path: string): Observation | null {
  const segments = path.split('/');
  const why = segments.flatMap((segment) => TROUBLES.map((trouble) => trouble(segment))).find((one) => one !== null);
  if (why !== undefined && why !== null)
    return observed(path, 'warning', {
      says: `The name ${path} does not work everywhere.`,
      why,
      to: tidied(site, path),
    });
  if (path.length <= LONGEST_PATH) return null;
  return observed(path, 'warning', {
    says: `The path of ${nameOf(path)} has ${path.length} characters.`,
    why: `Windows fails on paths of more than 260 characters, its own folders included; stay below ${LONGEST_PATH}.`,
    to: null,
  });
}

interface Told {
  says: string;
  why: string;
  /** A name that works; null where only the author can tell. */
  to: string | null;
}

const observed = (path: string, severity: Observation['severity'], { says, why, to }: Told): Observation => ({
  matter: path,
  severity,
  says,
  why,
  place: { path, line: null, start: null, end: null },
  strand: null,
  joint: null,
  fixes: to === null ? [] : [{ kind: 'rename', label: `Rename it to ${nameOf(to)}`, from: path, to }],
});

/** Only what is wrong is changed: a name that is well stays as its author wrote it. */
function tidied(site: SiteReading, path: string): string | null {
  const isWell = (segment: string) => TROUBLES.every((trouble) => trouble(segment) === null);
  const segments = folderOf(path).split('/').slice(0, -1);
  const folders = segments.map((segment) => (isWell(segment) ? segment : tidyName(segment).slice(0, MOST_LETTERS)));
  const name = isWell(nameOf(path)) ? nameOf(path) : tidyFile(nameOf(path));
  const to = [...folders, name].join('/');
  if ([...folders, name].includes('') || to === path) return null;
  return new PathIndex([...site.files.keys()].filter((one) => one !== path)).freePath(to);
}

/** So many letters are well below {@link LONGEST_NAME} bytes in every script. */
const MOST_LETTERS = 60;

function tidyFile(name: string): string {
  const end = extensionOf(name);
  const stem = tidyName(stemOf(name)).slice(0, MOST_LETTERS);
  return end === '' || stem === '' ? stem : `${stem}.${end}`;
}
