/** Every address of every text of the site, and the files that they lead to. */
import { type Address, addressesOfFile, pageAddresses } from '../addresses/index.ts';
import type { PageDocument } from '../markup/index.ts';
import { extensionOf, type FileContent, folderOf, isPagePath, type PathIndex } from '../site/index.ts';
import { type Lead, leadOf } from './leads.ts';

/** What resolving needs to know of a site. */
export interface Around {
  index: PathIndex;
  /** What addresses of a page count from, for each page. */
  bases: ReadonlyMap<string, string>;
  /** For each script the pages that run it. */
  scriptPages: ReadonlyMap<string, readonly string[]>;
  own: string | null;
}

/** A file that an address leads to. */
interface Led {
  lead: Lead;
  /** What it was counted from. */
  base: string;
  /** The path of a file that is there, as it is written on disk; null where there is none. */
  real: string | null;
}

const ofFile = new WeakMap<FileContent, Address[]>();
const ofPage = new WeakMap<PageDocument, Address[]>();

/** Of a text that is no page. Kept for as long as the text is. */
export function fileAddresses(path: string, content: FileContent): readonly Address[] {
  if (content.kind !== 'text' || isPagePath(path)) return [];
  const known = ofFile.get(content) ?? addressesOfFile(path, content.text);
  ofFile.set(content, known);
  return known;
}

export function addressesOfPage(page: PageDocument): readonly Address[] {
  const known = ofPage.get(page) ?? pageAddresses(page);
  ofPage.set(page, known);
  return known;
}

/** Null where it leads out of the site, where nobody can say where, or where it only looks like an address. */
export function ledBy(address: Address, path: string, around: Around): Led | null {
  const found = basesOf(address, path, around).map((base): Led | null => {
    const lead = base === null ? null : leadOf(address.value, base, around.own);
    return lead && base !== null ? { lead, base, real: realPath(lead.path, around.index) } : null;
  });
  const there = found.filter((one) => one?.real);
  const [first] = there;
  if (!first) return address.certain ? (found[0] ?? null) : null;
  if (there.some((one) => one?.real !== first.real)) return null;
  // A script that several pages run leads to one file from all of them, or nobody can say.
  return address.from === 'file' || isData(path) || there.length === found.length ? first : null;
}

const isData = (path: string): boolean => extensionOf(path) === 'json';

/** What an address may count from; null for somewhere outside. */
function basesOf({ from }: Address, path: string, { bases, scriptPages }: Around): readonly (string | null)[] {
  const own = bases.get(path) ?? path;
  if (from === 'file' || bases.has(path)) return [own];
  const pages = scriptPages.get(path);
  if (pages) return pages.map((page) => bases.get(page) ?? page);
  // Data may count from where it stands, and from any page that reads it.
  return isData(path) ? [...oneOfEachFolder(bases), own] : [own];
}

const ofBases = new WeakMap<Around['bases'], string[]>();

/** Pages of one folder count from the same place. */
function oneOfEachFolder(bases: Around['bases']): readonly string[] {
  const known = ofBases.get(bases) ?? [
    ...new Map([...bases.values()].map((base) => [folderOf(base), base] as const)).values(),
  ];
  ofBases.set(bases, known);
  return known;
}

function realPath(path: string, index: PathIndex): string | null {
  const found = index.lookup(path);
  return found.found === 'nothing' ? null : found.path;
}
