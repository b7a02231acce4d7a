/** What pages load from other hosts: it is not in what is uploaded, and is gone when that host is. */
import type { Address } from '../addresses/index.ts';
import { type PageDocument, type PageElement, valueOf } from '../markup/index.ts';
import { extensionOf, grouped, isPagePath, resolveInSite } from '../site/index.ts';
import type { SiteReading } from './reading.ts';

export type ExternalKind = 'script' | 'stylesheet' | 'font' | 'picture' | 'video or sound' | 'other';

export interface ExternalPlace {
  path: string;
  /** From 1. */
  line: number;
}

export interface ExternalFile {
  /** Without what stands behind a `#`. */
  address: string;
  kind: ExternalKind;
  places: ExternalPlace[];
}

export interface ExternalReference {
  path: string;
  address: Address;
  file: string;
  kind: ExternalKind;
  /** The element of a page that loads it; null in a style. */
  element: PageElement | null;
}

/** Each with all places where it is asked for, in the order of the first. */
export function externalFiles(site: SiteReading): ExternalFile[] {
  const references = [...site.addresses.keys()].flatMap((path) => externalReferences(site, path));
  return [...grouped(references, ({ file }) => file)].map(([address, all]) => ({
    address,
    kind: all[0]?.kind ?? 'other',
    places: all.map(({ path, address: { range } }) => ({ path, line: lineAt(site, path, range.start) })),
  }));
}

/** Of one text; what only leads elsewhere when it is clicked is left out. */
export function externalReferences(site: SiteReading, path: string): ExternalReference[] {
  const page = site.pages.find((one) => one.path === path)?.document ?? null;
  if (!page && (isPagePath(path) || extensionOf(path) !== 'css')) return [];
  return (site.addresses.get(path) ?? []).flatMap((address): ExternalReference[] => {
    const { value, certain, dormant, unplaced } = address;
    if (!certain || dormant || unplaced) return [];
    const target = resolveInSite(value, path);
    if (target.kind !== 'outside' || isOwn(target.url, site.own)) return [];
    const element = page && elementWith(page, address);
    const kind = kindOf(target.url, address, element);
    return kind === null ? [] : [{ path, address, file: target.url.replace(/#.*$/s, ''), kind, element }];
  });
}

const isOwn = (url: string, own: string | null): boolean => own !== null && url.startsWith(own);

const elementWith = ({ elements }: PageDocument, { range }: Address): PageElement | null =>
  elements.find(({ attributes }) =>
    attributes.some(({ valueRange }) => range.start >= valueRange.start && range.end <= valueRange.end),
  ) ?? null;

const FONT = /^(?:woff2?|ttf|otf|eot)$/;

/** Null for what is not loaded, or is a page of its own. */
function kindOf(url: string, { by }: Address, element: PageElement | null): ExternalKind | null {
  const end = extensionOf(url.replace(/[?#].*$/s, '').replace(/^https?:\/\/[^/]*\/?/i, ''));
  if (FONT.test(end)) return 'font';
  if (!element) return inStyle(by, end);
  if (by !== 'href' && !LOADS.has(by)) return by === 'url()' ? 'picture' : null;
  return ofElement(element, by);
}

/** An import names a stylesheet, `url()` a picture, if it is no font. */
const inStyle = (by: string, end: string): ExternalKind => (by === 'url()' && end !== 'css' ? 'picture' : 'stylesheet');

/** Attributes that load what they name. */
const LOADS = new Set(['src', 'srcset', 'imagesrcset', 'poster', 'background', 'data', 'lowsrc', 'xlink:href']);

const KINDS: Readonly<Record<string, ExternalKind>> = {
  script: 'script',
  img: 'picture',
  input: 'picture',
  image: 'picture',
  body: 'picture',
  table: 'picture',
  td: 'picture',
  video: 'video or sound',
  audio: 'video or sound',
};

function ofElement(element: PageElement, by: string): ExternalKind | null {
  const { tag } = element;
  if (tag === 'link') return ofLink((valueOf(element, 'rel') ?? '').toLowerCase().split(/\s+/));
  if (by === 'href' && tag !== 'image' && tag !== 'use') return null;
  if (tag === 'source') return by === 'srcset' ? 'picture' : 'video or sound';
  if (by === 'poster') return 'picture';
  // Frames and embedded pages are other people's pages.
  return KINDS[tag] ?? (tag === 'track' || tag === 'use' ? 'other' : null);
}

/** WHATWG HTML, “Link types”. */
function ofLink(rels: readonly string[]): ExternalKind | null {
  if (rels.includes('stylesheet')) return 'stylesheet';
  if (rels.some((rel) => /icon$/.test(rel))) return 'picture';
  return rels.includes('modulepreload') ? 'script' : null;
}

function lineAt(site: SiteReading, path: string, offset: number): number {
  const page = site.pages.find((one) => one.path === path);
  if (page) return page.document.lines.lineAt(offset);
  const content = site.files.get(path);
  return content?.kind === 'text' ? content.text.slice(0, offset).split('\n').length : 1;
}
