/**
 * Feeds whose further pictures stand on another page, and the script that hands those over, for a browser that reads no
 * other page from disk. The script says what that page says, so it is written from it.
 */
import { attributeOf, type PageElement, placeOf, type Attribute, type Range, valueOf } from '../../markup/index.ts';
import { extensionOf, type FileChange, folderOf, resolveInSite, smallestEdit } from '../../site/index.ts';
import { asArgument, type KitManifest } from '../../wiring/index.ts';
import type { PageReading, SiteReading } from '../reading.ts';
import { addressesOfPage, ledBy } from '../siteAddresses.ts';
import { writtenAs } from '../leads.ts';

interface Feed {
  page: PageReading;
  link: PageElement;
  /** The page with the further pictures. */
  next: PageReading;
  /** The attribute that names the script, and the path of that in the site. */
  data: Attribute;
  path: string;
  /** What the script says now; null where there is none. */
  now: string | null;
  /** What it should say. */
  wanted: string;
}

type More = NonNullable<KitManifest['more']>;

/** The checks and the next change both ask for them. */
const read = new WeakMap<SiteReading, readonly Feed[]>();

/** Those whose next page is there, and whose script stands in the site. */
export function feedsOf(site: SiteReading): readonly Feed[] {
  const known = read.get(site) ?? feedsIn(site);
  read.set(site, known);
  return known;
}

function feedsIn(site: SiteReading): Feed[] {
  const manifests = site.kits.flatMap(({ manifest }) => (manifest.more ? [manifest] : []));
  return manifests.flatMap((manifest) => {
    const { more, marker } = manifest;
    if (!more || marker.attribute === undefined) return [];
    const { attribute } = marker;
    return site.pages.flatMap((page) =>
      linksOn(page, more).flatMap((link) => feedOf(site, page, link, more, attribute)),
    );
  });
}

/** A page without the name of the attribute is not searched. */
const linksOn = ({ text, document }: PageReading, { link, data }: More): PageElement[] =>
  text.toLowerCase().includes(data)
    ? document.elements.filter((one) => one.tag === 'a' && attributeOf(one, link) && attributeOf(one, data))
    : [];

function feedOf(site: SiteReading, page: PageReading, link: PageElement, more: More, marker: string): Feed[] {
  const data = attributeOf(link, more.data);
  const path = data && fileOf(data.value, page.base);
  const to = fileOf(valueOf(link, 'href') ?? '', page.base);
  const next = site.pages.find((one) => one.path === to);
  if (!data || !next || !path || extensionOf(path) !== 'js') return [];
  const content = site.files.get(path);
  if (content && content.kind !== 'text') return [];
  const wanted = dataText(site, { page, next, more, marker });
  return wanted === null ? [] : [{ page, link, next, data, path, now: content?.text ?? null, wanted }];
}

function fileOf(reference: string, from: string): string | null {
  const target = resolveInSite(reference, from);
  return target.kind === 'file' ? target.path : null;
}

interface Sides {
  page: PageReading;
  next: PageReading;
  more: More;
  marker: string;
}

/** Each item of the first marked element of the next page, as it is written there; null where there is none. */
function dataText(site: SiteReading, { page, next, more, marker }: Sides): string | null {
  const { document } = next;
  const holder = document.elements.find((one) => one.range && attributeOf(one, marker));
  if (!holder) return null;
  const children = document.elements.filter(({ parent, range }) => parent === holder && range);
  const link = document.elements.find((one) => attributeOf(one, more.link) && isWithin(one, holder));
  const last = link && children.find((one) => one === link || isWithin(link, one));
  const items = children.filter((one) => one !== last).map((one) => seenFrom(site, next, page, placeOf(one)));
  const on = link && leadsOn(next, page, link, more);
  const lines = items.map((item) => `  ${asArgument(item)},`);
  return [
    `// The pictures of ${next.path}, for ${page.path}: a browser reads no other page from disk.`,
    `${more.call}([`,
    ...lines,
    on ? `], ${on});` : ']);',
    '',
  ].join('\n');
}

function isWithin(element: PageElement, holder: PageElement): boolean {
  for (let one = element.parent; one; one = one.parent) if (one === holder) return true;
  return false;
}

/** Where the next page leads on to itself, as the page with the feed writes it. */
function leadsOn(next: PageReading, page: PageReading, link: PageElement, { data }: More): string | null {
  const rebased = (name: string): string | null => {
    const value = valueOf(link, name);
    const target = value === undefined ? null : resolveInSite(value, next.base);
    return value !== undefined && target?.kind === 'file'
      ? writtenAs({ form: 'relative', path: target.path }, value, page.base, target.path, null)
      : null;
  };
  const [href, script] = [rebased('href'), rebased(data)];
  if (href === null) return null;
  return script === null
    ? `{ href: ${asArgument(href)} }`
    : `{ href: ${asArgument(href)}, data: ${asArgument(script)} }`;
}

/** The source of an item; where the pages stand in other folders, with addresses that count from the other page. */
function seenFrom(site: SiteReading, next: PageReading, page: PageReading, { start, end }: Range): string {
  const { text } = next.document;
  if (folderOf(next.base) === folderOf(page.base)) return text.slice(start, end);
  let written = '';
  let from = start;
  for (const address of [...addressesOfPage(next.document)].sort((a, b) => a.range.start - b.range.start)) {
    const { range, value, unplaced } = address;
    if (unplaced || range.start < from || range.end > end) continue;
    const led = ledBy(address, next.path, site);
    if (led?.lead.form !== 'relative' || /^\s*(?:#|$)/.test(value)) continue;
    const rebased = writtenAs(led.lead, value, page.base, led.lead.path, site.own);
    written += text.slice(from, range.start) + address.write(rebased);
    from = range.end;
  }
  return written + text.slice(from, end);
}

/** Line breaks are no difference: somebody's editor may have others. */
export const isInStep = ({ now, wanted }: Feed): boolean => now?.replaceAll('\r\n', '\n') === wanted;

/** The change of a feed's script to what its next page says. */
export function writtenFeed({ path, now, wanted }: Feed, { files }: SiteReading): FileChange {
  if (now !== null) return { kind: 'edit', path, edits: smallestEdit(now, wanted) };
  return { kind: 'put', path, before: files.get(path) ?? null, after: { kind: 'text', text: wanted } };
}
