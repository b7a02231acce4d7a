/** Small sites with kits made for one test: what they are wired with stands in the test itself. */
import { galleriesOf, parsePage } from '../markup/index.ts';
import { type FileContent, PathIndex } from '../site/index.ts';
import { readManifest, type Kit, type KitManifestInput } from './kit/manifest.ts';
import { wiringOf } from './read/uses.ts';
import type { WiringPage, WiringSite } from './write/site.ts';

/** A kit of one script `kite.js` that gives `kite`, in `js/`, but for what is said otherwise. */
export function kitOf(change: Partial<KitManifestInput> = {}, texts: Record<string, string> = {}): Kit {
  const read = readManifest({
    name: 'kite',
    title: 'Kite',
    files: [{ name: 'kite.js', role: 'script', gives: ['kite'] }],
    folder: 'js',
    marker: { attribute: 'data-kite' },
    ...change,
  });
  if (!read.ok) throw new Error(read.reason);
  const files = Object.fromEntries(
    read.manifest.files.map(({ name, role }) => [name, role === 'script' ? 'function kite() {}' : '/* style */']),
  );
  return { manifest: read.manifest, files: { ...files, ...texts }, kind: 'viewer' };
}

const PICTURES = ['a', 'b', 'c'].flatMap((name) => [`${name}.jpg`, `t/${name}.jpg`]);

/** The files of kits where they stand once they are copied. */
export const copiedFilesOf = (kits: readonly Kit[]): Record<string, string> =>
  Object.fromEntries(
    kits.flatMap(({ manifest, files }) =>
      Object.entries(files).map(([name, text]): [string, string] => [`${manifest.folder}/${name}`, text]),
    ),
  );

/** A site of pages and other texts, with three pictures and their thumbnails. */
export function siteOf(texts: Readonly<Record<string, string>>, kits: readonly Kit[]): WiringSite {
  const files = new Map<string, FileContent>([
    ...Object.entries(texts).map(([path, text]): [string, FileContent] => [path, { kind: 'text', text }]),
    ...PICTURES.map((path): [string, FileContent] => [path, { kind: 'binary', hash: path, bytes: 1 }]),
  ]);
  const index = new PathIndex(files.keys());
  const pages = Object.entries(texts).flatMap(([path, text]): WiringPage[] => {
    if (!path.endsWith('.html')) return [];
    const document = parsePage(text);
    const wiring = wiringOf(document, path, files, index, kits);
    return [{ path, base: path, document, galleries: galleriesOf(document), wiring }];
  });
  return { files, index, pages, kits };
}

/** A link around a thumbnail, as `<a href="a.jpg" …><img src="t/a.jpg" alt="a"></a>`. */
export const linkTo = (name: string, more = ''): string =>
  `<a href="${name}.jpg"${more && ` ${more}`}><img src="t/${name}.jpg" alt="${name}"></a>`;

/** A page with a list of items. */
export const pageOf = (items: readonly string[], head = '', end = ''): string =>
  [
    '<!DOCTYPE html>',
    '<html>',
    '<head>',
    '<title>Kites</title>',
    ...(head ? [head] : []),
    '</head>',
    '<body>',
    '<ul>',
    ...items.map((item) => `  <li>${item}</li>`),
    '</ul>',
    ...(end ? [end] : []),
    '</body>',
    '</html>',
    '',
  ].join('\n');
