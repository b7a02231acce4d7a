/** What the head of a page says of it to searches, and to whoever a link to it is sent. */
import {
  encodeAttribute,
  insertInHead,
  type PageDocument,
  type PageElement,
  setAttribute,
  titleOf,
  valueOf,
  verifiedSameShape,
} from '../markup/index.ts';
import { addressed, publicAddress } from '../pack/index.ts';
import type { PageReading, SiteReading } from '../model/index.ts';
import {
  countOf,
  type Edit,
  type FileChange,
  planEdits,
  type Planned,
  refuse,
  relativeReference,
} from '../site/index.ts';

interface Describing {
  pages: readonly { path: string; description: string }[];
  /** Title, description and a picture for whoever is sent a link. */
  previews: boolean;
}

export function describePages(site: SiteReading, { pages, previews }: Describing): Planned {
  const address = previews ? publicAddress(site.notes.known.upload.address || (site.own ?? '')) : null;
  if (address && !address.ok)
    return refuse('A link preview names its picture by its whole address: set the public address of the site first.');
  const files: FileChange[] = [];
  for (const { path, description } of pages) {
    const page = site.pages.find((one) => one.path === path);
    if (!page) return refuse(`There is no page ${path} any more.`);
    const wanted = [
      ...(description.trim() === '' ? [] : [meta('name', 'description', description.trim())]),
      ...(address?.ok ? previewOf(site, page, address.address, description.trim()) : []),
    ];
    const planned = withMetas(page, wanted);
    if (!planned.ok) return planned;
    files.push(...planned.change.files);
  }
  if (files.length === 0) return refuse('The pages say all this already.');
  return { ok: true, change: { label: `Describe ${countOf(files.length, 'page')}`, files } };
}

interface Meta {
  attribute: 'name' | 'property';
  key: string;
  content: string;
}

const meta = (attribute: Meta['attribute'], key: string, content: string): Meta => ({ attribute, key, content });

/** The Open Graph protocol, its basic and a few optional properties (ogp.me, from memory). */
function previewOf(site: SiteReading, page: PageReading, address: string, description: string): Meta[] {
  const picture = pictureOf(site, page);
  const strand = page.strands.flat().find(({ full }) => full === picture);
  return [
    meta('property', 'og:title', titleOf(page.document) ?? page.path),
    meta('property', 'og:type', 'website'),
    meta('property', 'og:url', address + addressed(page.path)),
    ...(description === '' ? [] : [meta('property', 'og:description', description)]),
    ...(picture === null ? [] : [meta('property', 'og:image', address + relativeReference('', picture))]),
    ...(strand?.alt ? [meta('property', 'og:image:alt', strand.alt)] : []),
  ];
}

/** The first picture of the page that is there; else the first of the site. */
function pictureOf(site: SiteReading, page: PageReading): string | null {
  const fulls = [...page.strands.flat(), ...site.pages.flatMap(({ strands }) => strands.flat())];
  return fulls.find(({ full }) => full !== null && site.files.has(full) && !/\.svg$/i.test(full))?.full ?? null;
}

/** What is said already gets the new words; the rest comes behind the last of its kind. */
function withMetas(page: PageReading, wanted: readonly Meta[]): Planned {
  const { document } = page;
  const edits: Edit[] = [];
  const added: string[] = [];
  for (const one of wanted) {
    const there = metaFor(document, one.key);
    const edit = there && setAttribute(there, 'content', one.content, document.text);
    if (edit) edits.push(edit);
    if (!there) added.push(tagOf(document, one));
  }
  const [first, ...others] = added;
  if (first !== undefined) {
    const edit = insertInHead(document, first, ({ tag }) => tag === 'meta' || tag === 'title');
    if (!edit) return refuse(`${page.path} has no head that something could be written into.`);
    const lead = edit.text.slice(0, edit.text.length - first.length);
    edits.push({ ...edit, text: edit.text + others.map((tag) => lead + tag).join('') });
  }
  if (edits.length === 0) return { ok: true, change: { label: '', files: [] } };
  return planEdits('', page.path, verifiedSameShape(document, edits, added.length));
}

const metaFor = ({ elements }: PageDocument, key: string): PageElement | undefined =>
  elements.find(
    (element) =>
      element.tag === 'meta' &&
      (valueOf(element, 'name') ?? valueOf(element, 'property'))?.trim().toLowerCase() === key,
  );

/** Closed with a slash where the author closes other such tags so. */
function tagOf({ elements, text }: PageDocument, { attribute, key, content }: Meta): string {
  const slashed = elements.some(
    ({ tag, open }) => (tag === 'meta' || tag === 'link') && open && text.slice(open.start, open.end).endsWith('/>'),
  );
  return `<meta ${attribute}="${key}" content="${encodeAttribute(content, '"')}"${slashed ? ' />' : '>'}`;
}
