/** HTML documentation as Debian packs it: sites that nobody here wrote. Installed where it may be, never kept here. */
import { spawnSync } from 'node:child_process';
import { existsSync, readFileSync, statSync } from 'node:fs';
import type { FileContent } from '../../core/site/index.ts';
import { isTextPath, readText } from '../../core/site/index.ts';
import { createHash } from 'node:crypto';

/** Handbooks by several generators and by hand, from 1995 on; some with galleries of samples. */
export const PACKAGES = [
  'debian-policy',
  'libimage-exiftool-perl',
  'ntpsec-doc',
  'graphviz-doc',
  'gri-html-doc',
  'plplot-doc',
  'imagemagick-6-doc',
  'gnuplot-doc',
  'povray-doc',
  'libvigraimpex-doc',
  'geomview',
  'octave-doc',
  'wx3.2-doc',
  // The second sample is of these too.
  'xfig-doc',
  'hugin-data',
  'python-skimage-doc',
  'gimp-help-en',
  'lilypond-doc-html',
] as const;

/** Larger files are left out: they say nothing else than smaller ones. Bytes. */
const LARGEST = 1_500_000;
/** As many files of a package at most, so that one package does not take all the time. */
const MOST_FILES = 1500;

const run = (name: string, ...args: string[]) =>
  spawnSync(name, args, {
    encoding: 'utf8',
    maxBuffer: 1e8,
    env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
  });

export const isInstalled = (name: string): boolean =>
  run('dpkg-query', '-W', '-f=${Status}', name).stdout.includes('install ok installed');

/** Those that could not be installed, as without root. */
export function install(names: readonly string[]): string[] {
  const missing = names.filter((name) => !isInstalled(name));
  if (missing.length === 0) return [];
  run('apt-get', '-qq', 'update');
  for (const name of missing) run('apt-get', '-qq', 'install', '-y', '--no-install-recommends', name);
  return missing.filter((name) => !isInstalled(name));
}

const OF_A_SITE = /\.(html?|css|js|jpe?g|png|gif|svg|xml|json|txt)$/i;

/** The longest folder that all of them lie in. */
function commonFolder(paths: readonly string[]): string {
  const [first = '', ...others] = paths.map((path) => path.slice(0, path.lastIndexOf('/') + 1));
  let folder = first;
  for (const other of others)
    while (!other.startsWith(folder)) folder = folder.slice(0, folder.slice(0, -1).lastIndexOf('/') + 1);
  return folder;
}

/** What the package ships as HTML, with what lies beside it, by paths of a site. */
export function siteOfPackage(name: string): Map<string, FileContent> {
  const listed = run('dpkg', '-L', name)
    .stdout.split('\n')
    .filter((path) => path.startsWith('/usr/share/') && OF_A_SITE.test(path) && existsSync(path))
    .filter((path) => statSync(path).isFile() && statSync(path).size <= LARGEST);
  const pages = listed.filter((path) => /\.html?$/i.test(path));
  const folder = commonFolder(pages);
  const files = listed
    .filter((path) => path.startsWith(folder))
    .sort()
    .slice(0, MOST_FILES);
  return new Map(
    files.map((path): [string, FileContent] => {
      const bytes = new Uint8Array(readFileSync(path));
      const read = isTextPath(path) ? readText(bytes) : null;
      const hash = createHash('sha256').update(bytes).digest('hex');
      const content: FileContent =
        read?.ok && read.encoding === 'utf-8'
          ? { kind: 'text', text: read.text }
          : { kind: 'binary', hash, bytes: bytes.length };
      return [path.slice(folder.length), content];
    }),
  );
}
