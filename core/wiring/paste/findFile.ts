/** Which file of the site an address in a manual means: the folders there are its author's. */
import { type FileContent, nameOf } from '../../site/index.ts';
import type { WiringPage, WiringSite } from '../write/site.ts';
import { kitName } from '../read/evidence.ts';

export type FoundFile =
  | { found: 'here'; path: string; text: string; isBrought: boolean }
  /** With its scheme, which an address in a manual may lack. */
  | { found: 'outside'; address: string }
  | { found: 'nowhere' };

const OUTSIDE = /^(?:https?:)?\/\//i;
const plain = (name: string): string => name.toLowerCase().replace(/[.-]min(?=\.\w+$)/, '');

/** `brought` are texts by their names. */
export function findFile(
  { files }: WiringSite,
  { wiring }: WiringPage,
  brought: Readonly<Record<string, string>>,
  address: string,
): FoundFile {
  const bare = address.trim().replace(/[?#].*$/, '');
  const wanted = nameOf(bare);
  const text = brought[wanted] ?? null;
  // What is brought along is meant, and what the page loads already before what only lies in the site.
  if (text !== null) {
    const path = `${folderFor(brought, wanted)}/${wanted}`;
    const there = files.get(path);
    return there?.kind === 'text'
      ? { found: 'here', path, text: there.text, isBrought: false }
      : { found: 'here', path, text, isBrought: true };
  }
  const paths = [...files.keys()].filter((path) => plain(nameOf(path)) === plain(wanted));
  const rank = (path: string) =>
    (wiring.includes.some((include) => include.path === path) ? 8 : 0) +
    (`/${path}`.endsWith(`/${bare.replace(/^(?:\.{0,2}\/)+/, '')}`) ? 4 : 0) +
    (nameOf(path).toLowerCase() === wanted.toLowerCase() ? 2 : 0);
  const [best] = paths.sort((a, b) => rank(b) - rank(a) || a.length - b.length || a.localeCompare(b));
  const content = best === undefined ? undefined : files.get(best);
  if (best !== undefined && content?.kind === 'text')
    return { found: 'here', path: best, text: content.text, isBrought: false };
  if (OUTSIDE.test(address)) return { found: 'outside', address: address.trim().replace(/^\/\//, 'https://') };
  return { found: 'nowhere' };
}

/** The site as it is with the files that are brought along, each where it comes to stand. */
export function withBrought(site: WiringSite, brought: Readonly<Record<string, string>>): WiringSite {
  const placed = Object.entries(brought).map(([name, text]): [string, FileContent] => [
    `${folderFor(brought, name)}/${name}`,
    { kind: 'text', text },
  ]);
  const fresh = placed.filter(([path]) => /\.(?:m?js|css)$/i.test(path) && !site.files.has(path));
  return { ...site, files: new Map([...site.files, ...fresh]) };
}

/** A folder of the script's own, called after the script that does the work. */
function folderFor(brought: Readonly<Record<string, string>>, name: string): string {
  const scripts = Object.keys(brought).filter((one) => /\.m?js$/i.test(one));
  const main = scripts.findLast((one) => !/^jquery(?:[.-](?:\d|min|slim)[\w.-]*)?\.js$/i.test(one)) ?? name;
  return kitName(plain(main).replace(/(?:\.(?:esm?|module|umd|iife))?\.m?js$/, ''));
}
