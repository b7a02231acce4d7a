/**
 * Pages that offer a WebP file beside each JPEG file that they show: `picture` with a `source` around the `img`, which
 * stays as it is and is what a browser shows that reads no WebP (WHATWG HTML §4.8.1 and §4.8.2).
 */
import { encodeAttribute, hazardIn, hazardsOf, type PageElement, parsePage, placeOf } from '../markup/index.ts';
import { type PageReading, type ShownJpeg, shownJpegs, type SiteReading } from '../model/index.ts';
import {
  applyEdits,
  bytesOf,
  countOf,
  type Edit,
  type FileChange,
  inBytes,
  type Named,
  nameOf,
  type Planned,
  refuse,
  relativeReference,
} from '../site/index.ts';
import { ruleForKind, unlikeFor } from '../style/index.ts';
import { styledSite } from './style.ts';

interface Saved {
  count: number;
  /** Of the JPEG files, each once, and what is saved of them. */
  bytes: number;
  saved: number;
}

/** What offering them would save a visitor who sees all of a site's pages. */
export function savedByWebp(site: SiteReading, shown: readonly ShownJpeg[]): Saved {
  const smaller = shown.filter(({ state }) => state === 'smaller');
  const files = new Map(smaller.map(({ path, webp }) => [path, webp]));
  const sum = { count: smaller.length, bytes: 0, saved: 0 };
  for (const [path, webp] of files) {
    const [jpeg, other] = [site.files.get(path), site.files.get(webp)];
    sum.bytes += jpeg ? bytesOf(jpeg) : 0;
    sum.saved += jpeg && other ? bytesOf(jpeg) - bytesOf(other) : 0;
  }
  return sum;
}

export function offerWebp(site: SiteReading, { pages }: { pages: readonly string[] }): Planned {
  const edits = new Map<string, Edit[]>();
  const left: Named[] = [];
  const done: ShownJpeg[] = [];
  const styled = styledSite(site);
  for (const path of pages) {
    const page = site.pages.find((one) => one.path === path);
    if (!page) return refuse(`There is no page ${path} any more.`);
    const wrapped = wrappedOn(site, page);
    left.push(...wrapped.left);
    if (wrapped.edits.length === 0) continue;
    done.push(...wrapped.shown);
    add(edits, path, wrapped.edits);
    const rule = ruleForKind(styled, path, {
      tag: 'picture',
      property: 'display',
      value: 'contents',
      purpose: 'A picture element offers several files; its image is laid out as if it stood alone',
    });
    // Pages share their stylesheet: it says so once.
    const isSaid = rule && rule.path !== path && edits.has(rule.path);
    if (rule && !isSaid) add(edits, rule.path, [rule.edit]);
  }
  if (done.length === 0)
    return refuse(
      left[0]
        ? `Nothing was changed. ${left[0].path}, line ${left[0].line}: ${left[0].name} – ${left[0].why}.`
        : 'These pages offer every WebP file already.',
    );
  const { saved, bytes } = savedByWebp(site, done);
  const label = `Offer WebP for ${countOf(done.length, 'picture')}, ${inBytes(saved)} less of ${inBytes(bytes)}`;
  const files = [...edits].map(([path, all]): FileChange => ({
    kind: 'edit',
    path,
    edits: all.sort((a, b) => a.start - b.start),
  }));
  return { ok: true, change: { label, files }, named: [], left };
}

function add(edits: Map<string, Edit[]>, path: string, more: readonly Edit[]): void {
  edits.set(path, [...(edits.get(path) ?? []), ...more]);
}

interface Wrapped {
  edits: Edit[];
  shown: ShownJpeg[];
  /** Pictures that stay as they are, each with the reason. */
  left: Named[];
}

/** A picture that a stylesheet would not find any more is left as it is. */
function wrappedOn(site: SiteReading, page: PageReading): Wrapped {
  const { document } = page;
  const hazards = hazardsOf(document);
  const left: Named[] = [];
  let shown = shownJpegs(site, page).filter((one) => {
    if (one.state !== 'smaller') return false;
    const hazard = hazardIn(hazards, placeOf(one.image));
    if (hazard) left.push(leftAt(page, one, hazard.says));
    return !hazard;
  });
  const styled = styledSite(site);
  while (shown.length > 0) {
    const edits = shown.flatMap((one) => wrapping(page, one));
    const applied = applyEdits(document.text, edits);
    if (!applied.ok) return { edits: [], shown: [], left };
    const written = writtenAt(edits);
    const after = parsePage(applied.text, document.units).elements.filter(
      ({ open }) => open === null || !written.has(open.start),
    );
    const twins = around(shown, document.elements, after);
    if (twins === null) {
      left.push(...shown.map((one) => leftAt(page, one, 'a browser would build the page otherwise')));
      return { edits: [], shown: [], left };
    }
    const unlike = unlikeFor(styled, page.path, twins.pairs);
    if (!unlike) return { edits, shown, left };
    const one = shown[twins.of[unlike.pair] ?? 0];
    if (one) left.push(leftAt(page, one, `the stylesheet’s “${unlike.selector}” would not find it any more`));
    shown = shown.filter((other) => other !== one);
  }
  return { edits: [], shown: [], left };
}

/** Where the tags that were written begin in the text that they are written into. */
function writtenAt(edits: readonly Edit[]): Set<number> {
  const starts = new Set<number>();
  let longer = 0;
  for (const { start, text } of edits) {
    for (const { index } of text.matchAll(/<(?!\/)/g)) starts.add(start + longer + index);
    longer += text.length;
  }
  return starts;
}

/** The pictures, what stands beside them and what holds them, before and after; null where the page is built otherwise. */
function around(
  shown: readonly ShownJpeg[],
  before: readonly PageElement[],
  after: readonly PageElement[],
): { pairs: [PageElement, PageElement][]; of: number[] } | null {
  if (before.length !== after.length) return null;
  const pairs: [PageElement, PageElement][] = [];
  const of: number[] = [];
  for (const [n, { image }] of shown.entries()) {
    for (const one of [image, ...(image.parent ? [image.parent, ...image.parent.children] : [])]) {
      const twin = after[one.index];
      if (!twin || twin.tag !== one.tag) return null;
      pairs.push([one, twin]);
      of.push(n);
    }
  }
  return { pairs, of };
}

function leftAt({ path, document }: PageReading, { path: file, image }: ShownJpeg, why: string): Named {
  const { start } = placeOf(image);
  return { path, start, line: document.lines.lineAt(start), name: nameOf(file), why };
}

/** On the line of the picture, closed with a slash where the author closes the picture so. */
function wrapping({ base, document: { text } }: PageReading, { image, webp }: ShownJpeg): [Edit, Edit] {
  const { start, end } = placeOf(image);
  const slash = text.slice(start, end).endsWith('/>') ? ' /' : '';
  const address = encodeAttribute(relativeReference(base, webp), '"');
  return [
    { start, end: start, text: `<picture><source srcset="${address}" type="image/webp"${slash}>` },
    { start: end, end, text: '</picture>' },
  ];
}
