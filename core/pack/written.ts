/** Files beside the pages that are written when a site leaves, if they are asked for. */
import { attributeOf, type PageDocument } from '../markup/index.ts';
import type { SiteReading } from '../model/index.ts';
import { bytesOf, nameOf, refuse, relativeReference, type Result } from '../site/index.ts';

const SITEMAP = 'sitemap.xml';
/** As `sha256sum --check` of the GNU core utilities reads it: a hash, two spaces, a path. */
export const CHECKSUMS = 'sha256sums.txt';

/** sitemaps.org, protocol 0.9 (from memory): so many addresses in one file. */
const MOST_ADDRESSES = 50_000;

/** The address at which a site's folder is to be found; what it ends with is made a slash. */
export function publicAddress(written: string): Result<{ address: string }> {
  const text = written.trim();
  const parts = /^https?:\/\/[^/?#\s]+(\/[^?#\s]*)?$/i.exec(text);
  if (!parts)
    return refuse('The public address has to begin with https:// and have no “?” or “#”, like https://kites.example/.');
  return { ok: true, address: text.endsWith('/') ? text : `${text}/` };
}

/**
 * `sitemap.xml` as the protocol has it (sitemaps.org, 0.9; from memory): the whole address of every page, escaped for
 * XML. Left out are pages that ask not to be listed, and the page for what is not found.
 */
export function sitemapOf(
  pages: readonly Pick<PageListed, 'path' | 'document'>[],
  address: string,
): Result<{ text: string }> {
  const listed = pages.filter(({ path, document }) => !isErrorPage(path) && !asksNotToBeListed(document));
  if (listed.length > MOST_ADDRESSES)
    return refuse(`A sitemap holds at most ${MOST_ADDRESSES} pages; this site has ${listed.length}.`);
  const lines = listed.map(({ path }) => `  <url><loc>${forXml(address + addressed(path))}</loc></url>\n`);
  return {
    ok: true,
    text: `<?xml version="1.0" encoding="UTF-8"?>\n<urlset xmlns="http://www.sitemaps.org/schemas/sitemap/0.9">\n${lines.join('')}</urlset>\n`,
  };
}

interface PageListed {
  path: string;
  document: PageDocument;
}

/** Common practice, no source. */
const isErrorPage = (path: string): boolean => /^(?:40[34]|500)\.\w+$/.test(nameOf(path));

/** HTML: `<meta name="robots" content="noindex">`; `none` says the same and more (from memory). */
function asksNotToBeListed({ elements }: PageDocument): boolean {
  return elements.some((element) => {
    if (element.tag !== 'meta' || attributeOf(element, 'name')?.value.trim().toLowerCase() !== 'robots') return false;
    const wishes = (attributeOf(element, 'content')?.value ?? '').toLowerCase().split(/[\s,]+/);
    return wishes.includes('noindex') || wishes.includes('none');
  });
}

/** How a page's address ends behind the public one; a folder's own page is known by the folder. */
export const addressed = (path: string): string =>
  relativeReference('', path)
    .replace(/(^|\/)index\.html?$/, '$1')
    .replace(/^\.\//, '');

const XML: Readonly<Record<string, string>> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;', "'": '&apos;' };

const forXml = (text: string): string => text.replace(/[&<>"']/g, (letter) => XML[letter] ?? letter);

/** A line of the list of hashes; a path with a backslash or a line break is told as the GNU core utilities do. */
export function checksumLine(path: string, sha256: string): string {
  if (!/[\\\n]/.test(path)) return `${sha256}  ${path}\n`;
  return `\\${sha256}  ${path.replaceAll('\\', '\\\\').replaceAll('\n', '\\n')}\n`;
}

export interface WrittenFile {
  path: string;
  /** Null where it is only known when all others are read. */
  text: string | null;
  bytes: number;
}

export interface UploadView {
  /** As it was typed; empty where nobody has said it. */
  address: string;
  /** What pages themselves give for it. */
  said: string | null;
  sitemap: boolean;
  checksums: boolean;
  written: WrittenFile[];
  /** Why what was asked for is not written, one sentence each. */
  trouble: string[];
}

/** What is written beside the files of a site, and why not. */
export function uploadOf(site: SiteReading): UploadView {
  const { upload } = site.notes.known;
  const written: WrittenFile[] = [];
  const trouble: string[] = [];
  const add = (path: string, made: Result<{ text: string | null; bytes: number }>) => {
    if (site.files.has(path)) trouble.push(`The site has a ${path} of its own, which is left as it is.`);
    else if (made.ok) written.push({ path, text: made.text, bytes: made.bytes });
    else trouble.push(made.reason);
  };
  if (upload.sitemap) add(SITEMAP, sitemapFor(site, upload.address || (site.own ?? '')));
  if (upload.checksums) add(CHECKSUMS, { ok: true, text: null, bytes: checksumBytes(site, written) });
  return { ...upload, said: site.own, written, trouble };
}

function sitemapFor(site: SiteReading, address: string): Result<{ text: string; bytes: number }> {
  if (address === '') return refuse('sitemap.xml needs the public address of the site.');
  const known = publicAddress(address);
  if (!known.ok) return known;
  const map = sitemapOf(site.pages, known.address);
  return map.ok ? { ok: true, text: map.text, bytes: bytesOf({ kind: 'text', text: map.text }) } : map;
}

/** Hexadecimal digits of a SHA-256. */
const HASH = '0'.repeat(64);

const checksumBytes = (site: SiteReading, written: readonly WrittenFile[]): number =>
  [...site.files.keys(), ...written.map(({ path }) => path)].reduce(
    (sum, path) => sum + bytesOf({ kind: 'text', text: checksumLine(path, HASH) }),
    0,
  );
