/**
 * Pages with a part that is made from a Markdown file of the site. What was written there last is known by a
 * fingerprint, so that it can be told who has changed since: the file, or the page by hand.
 */
import { pageLines, type TextRegion, textRegion, withLf } from '../../markdown/index.ts';
import { asReferences, lacksLetters } from '../../markup/index.ts';
import { type FileContent, lineprint, resolveInSite } from '../../site/index.ts';
import type { PageReading, SiteReading } from '../reading.ts';
import { rebased } from './rebased.ts';

export interface PageText {
  page: PageReading;
  region: TextRegion;
  /** The Markdown file, by its path in the site. */
  source: string;
  markdown: string;
  /** Lines that the page should show, with `\n`. */
  made: string;
  /** Lines that it shows. */
  now: string;
  /**
   * `same`: it shows what the file says; `behind`: the file has changed since, and nobody has touched the page;
   * `apart`: the page says something else by itself.
   */
  state: 'same' | 'behind' | 'apart';
}

/** The checks, the view and the next change all ask for them. */
const read = new WeakMap<SiteReading, readonly PageText[]>();

/** Those whose file is there; a page that lost its marks or its file is its author's alone. */
export function textsOf(site: SiteReading): readonly PageText[] {
  const known = read.get(site) ?? site.pages.flatMap((page) => textOn(site, page) ?? []);
  read.set(site, known);
  return known;
}

function textOn(site: SiteReading, page: PageReading): PageText | null {
  const region = textRegion(page.document);
  const target = region && resolveInSite(region.reference, page.base);
  const content = target?.kind === 'file' ? site.files.get(target.path) : undefined;
  if (!region || target?.kind !== 'file' || content?.kind !== 'text') return null;
  const made = asOn(page)(rebased(linesFrom(content), target.path, page.base));
  const now = withLf(page.text.slice(region.range.start, region.range.end));
  const noted = site.notes.known.texts.find((one) => one.page === page.path)?.print;
  const state = stateOf(now, made, noted);
  return { page, region, source: target.path, markdown: content.text, made, now, state };
}

/** How a page writes letters. */
export const asOn =
  ({ document }: PageReading) =>
  (lines: string): string =>
    lacksLetters(document) ? asReferences(lines) : lines;

function stateOf(now: string, made: string, noted: string | undefined): PageText['state'] {
  if (now === made) return 'same';
  return noted === lineprint(now) ? 'behind' : 'apart';
}

const rendered = new WeakMap<FileContent, string>();

function linesFrom(content: FileContent & { kind: 'text' }): string {
  const known = rendered.get(content) ?? pageLines(content.text);
  rendered.set(content, known);
  return known;
}
