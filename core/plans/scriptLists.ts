/** Lists of pictures in scripts and data: read with the files that they name, and gone on with in their own way. */
import type { PageDocument } from '../markup/index.ts';
import { ledBy, type SiteReading, writtenAs } from '../model/index.ts';
import { extensionOf, LineIndex, planEdits, type Planned, refuse, type Result } from '../site/index.ts';
import { type ListedEntry, type ListedValue, namesPicture, type PictureList, pictureListsIn } from '../wiring/index.ts';
import type { NewPicture } from './intent.ts';

export interface ScriptList {
  path: string;
  /** Offset of the list in its file, by which it is told from others there. */
  at: number;
  line: number;
  /** Of the variable or the property that holds it. */
  name: string | null;
  /** The files that each entry names; one that is not there is left out. */
  entries: string[][];
  /** Pages that run the script, or hold it. */
  pages: string[];
}

const SCRIPTS = new Set(['js', 'mjs', 'json']);

interface Found {
  path: string;
  text: string;
  list: PictureList;
}

const kept = new WeakMap<object, PictureList[]>();

/** Of one file; kept for as long as its content is. */
function listsIn(site: SiteReading, path: string): { text: string; lists: PictureList[] } | null {
  const content = site.files.get(path);
  if (content?.kind !== 'text') return null;
  const { text } = content;
  const known = kept.get(content);
  if (known) return { text, lists: known };
  const page = site.pages.find((one) => one.path === path);
  const isScript = SCRIPTS.has(extensionOf(path));
  const lists = page ? inScriptsOf(page.document) : [...(isScript ? pictureListsIn(text) : [])];
  kept.set(content, lists);
  return { text, lists };
}

/** Of the scripts that stand in a page; offsets are those of the page. */
const inScriptsOf = ({ text, elements }: PageDocument): PictureList[] =>
  elements
    .filter(({ tag }) => tag === 'script')
    .flatMap(({ texts: [inside] }) =>
      inside ? shifted(pictureListsIn(text.slice(inside.range.start, inside.range.end)), inside.range.start) : [],
    );

const moved = (range: { start: number; end: number }, by: number) => ({ start: range.start + by, end: range.end + by });

const shifted = (lists: readonly PictureList[], by: number): PictureList[] =>
  lists.map((list) => ({
    ...list,
    range: moved(list.range, by),
    entries: list.entries.map((entry) => ({
      range: moved(entry.range, by),
      values: entry.values.map((value) => ({ ...value, range: moved(value.range, by) })),
    })),
  }));

/** Every list whose pictures are the site's own; those of a viewer's own files are not the author's. */
export function scriptLists(site: SiteReading): ScriptList[] {
  return [...site.files.keys()].flatMap((path) => {
    const found = listsIn(site, path);
    if (!found || found.lists.length === 0) return [];
    const lines = new LineIndex(found.text);
    const isPage = site.pages.some((page) => page.path === path);
    return found.lists.flatMap((list): ScriptList[] => {
      const entries = list.entries.map((entry) => filesOf(site, { path, text: found.text, list }, entry));
      if (entries.every((files) => files.length === 0)) return [];
      const pages = isPage ? [path] : [...(site.scriptPages.get(path) ?? [])];
      return [{ path, at: list.range.start, line: lines.lineAt(list.range.start), name: list.name, entries, pages }];
    });
  });
}

/** How a picture is named in a list: as an address that leads to it, or behind a beginning that the script puts before it. */
type Naming = { real: string; write: (to: string) => string | null };

function namingOf(site: SiteReading, { path }: Found, { range, value }: ListedValue): Naming | null {
  const address = site.addresses.get(path)?.find((one) => one.range.start === range.start);
  const led = address ? ledBy(address, path, site) : null;
  if (address && led?.real)
    return { real: led.real, write: (to) => writtenAs(led.lead, address.value, led.base, to, site.own) };
  const bare = String(value);
  const [real, ...others] = [...site.files.keys()].filter((file) => file === bare || file.endsWith(`/${bare}`));
  if (real === undefined || others.length > 0) return null;
  const before = real.slice(0, real.length - bare.length);
  return { real, write: (to) => (to.startsWith(before) ? to.slice(before.length) : null) };
}

const filesOf = (site: SiteReading, found: Found, { values }: ListedEntry): string[] =>
  values.filter(namesPicture).flatMap((value) => namingOf(site, found, value)?.real ?? []);

/** What properties of small pictures are called (common practice, no source). */
const SMALL = /thumb|small|mini|preview|^tn?$/i;

const isSmall = (site: SiteReading, { key }: ListedValue, real: string): boolean =>
  (key !== null && SMALL.test(key)) || site.pairing.pairs.some(({ thumbnail }) => thumbnail === real);

/** Properties that hold words, by what they are called. */
const WORDS = /caption|title|alt|text|desc|label|name/i;

/** What stands in the place of a value in a new entry. */
function valueFor(site: SiteReading, found: Found, n: number, picture: NewPicture): Result<{ text: string }> {
  const { list } = found;
  const last = list.entries.at(-1)?.values[n];
  if (!last) return refuse('the list has no entry to go by');
  const others = list.entries.map(({ values }) => values[n]?.value);
  if (namesPicture(last)) {
    const naming = namingOf(site, found, last);
    const text = naming?.write(isSmall(site, last, naming.real) ? picture.thumbnail : picture.full) ?? null;
    return text === null
      ? refuse(`how ${String(last.value)} leads to its file cannot be told, so no other file can be named like it`)
      : { ok: true, text };
  }
  if (others.every((value) => value === last.value)) return { ok: true, text: String(last.value) };
  if (typeof last.value === 'string')
    return { ok: true, text: last.key !== null && WORDS.test(last.key) ? wordsOf(last.key, picture) : '' };
  const size = sizeOf(site, last.key, picture);
  if (size !== null) return { ok: true, text: String(size) };
  const counts = others.every((value, at) => at === 0 || value === Number(others[at - 1]) + 1);
  return counts
    ? { ok: true, text: String(last.value + 1) }
    : refuse(`what stands for ${last.key ?? 'its number'} of a new picture cannot be told`);
}

const wordsOf = (key: string, { alt, title, caption }: NewPicture): string =>
  /alt/i.test(key) ? alt || title : caption || title || alt;

function sizeOf(site: SiteReading, key: string | null, { full }: NewPicture): number | null {
  const facts = site.factsOf(full);
  if (key === null || !facts || facts.unreadable) return null;
  if (/^(?:w|width)$/i.test(key)) return facts.width;
  return /^(?:h|height)$/i.test(key) ? facts.height : null;
}

/** In a text of a script: what would end it, or begin something else (ECMA-262 §12.9.4). */
const inText = (text: string, quote: string): string =>
  text
    .replace(/[\\\n\r\u2028\u2029]/g, (letter) => JSON.stringify(letter).slice(1, -1))
    .replaceAll(quote, `\\${quote}`)
    // In a page, it would end the script (WHATWG HTML §4.12.1.3).
    .replaceAll('</', '<\\/');

function entryFor(site: SiteReading, found: Found, last: ListedEntry, picture: NewPicture): Result<{ text: string }> {
  const { text } = found;
  let [made, at] = ['', last.range.start];
  for (const [n, value] of last.values.entries()) {
    const written = valueFor(site, found, n, picture);
    if (!written.ok) return written;
    const quote = typeof value.value === 'string' ? text.charAt(value.range.start - 1) : '';
    made += text.slice(at, value.range.start) + (quote === '' ? written.text : inText(written.text, quote));
    at = value.range.end;
  }
  return { ok: true, text: made + text.slice(at, last.range.end) };
}

/** Entries behind the last one, written as that is. */
export function addToList(
  site: SiteReading,
  { path, at, pictures }: { path: string; at: number; pictures: readonly NewPicture[] },
): Planned {
  const inFile = listsIn(site, path);
  const list = inFile?.lists.find(({ range }) => range.start === at);
  const last = list?.entries.at(-1);
  if (!inFile || !list || !last) return refuse('This list is no longer at this place; the file has changed meanwhile.');
  const found: Found = { path, text: inFile.text, list };
  const shape = ({ values }: ListedEntry) => values.map(({ key }) => key).join();
  if (list.entries.some((entry) => shape(entry) !== shape(last)))
    return refuse(`${path}: the entries of this list are not all alike; write the new one in the source.`);
  const before = list.entries.at(-2);
  const between = before ? inFile.text.slice(before.range.end, last.range.start) : '';
  // A comment between two entries is that of one of them.
  const separator = /^\s*,\s*$/.test(between) ? between : ', ';
  const written: string[] = [];
  for (const picture of pictures) {
    const entry = entryFor(site, found, last, picture);
    if (!entry.ok) return refuse(`${path}: ${entry.reason}; write it in the source.`);
    written.push(separator + entry.text);
  }
  const { end } = last.range;
  const count = pictures.length === 1 ? '1 picture' : `${pictures.length} pictures`;
  const edits = [{ start: end, end, text: written.join('') }];
  return planEdits(`Add ${count} to ${list.name ?? 'the list'} in ${path}`, path, { ok: true, edits });
}
