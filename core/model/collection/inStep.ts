/**
 * Pages of all pictures, kept in step: what is written there anew is merged, line by line, with what their authors have
 * changed there themselves. What was written last is known by a fingerprint of each line.
 */
import { lineEdits, linesOf, mergedLines } from '../../folder/index.ts';
import { asReferences, lacksLetters, parsePage } from '../../markup/index.ts';
import {
  applyEdits,
  type Collection,
  type Edit,
  type FileChange,
  lineprint,
  type Named,
  type Planned,
  refuse,
} from '../../site/index.ts';
import { notesChange } from '../notesChange.ts';
import type { PageReading, SiteReading } from '../reading.ts';
import { regionOf } from './region.ts';
import { writtenRegion } from './written.ts';

interface Standing {
  collection: Collection;
  page: PageReading;
  region: { start: number; end: number };
  /** What would stand there if nobody had touched it. */
  lines: string[];
  prints: string[];
  /** Nothing has changed on the other pages since it was written. */
  isInStep: boolean;
}

/** The checks, the view and the next change all ask for them. */
const read = new WeakMap<SiteReading, readonly Standing[]>();

/** Pages whose marks are there; a page that lost them is its author's alone. */
export function standings(site: SiteReading): readonly Standing[] {
  const known = read.get(site) ?? standingsIn(site);
  read.set(site, known);
  return known;
}

function standingsIn(site: SiteReading): Standing[] {
  return site.notes.known.collections.flatMap((collection): Standing[] => {
    const page = site.pages.find(({ path }) => path === collection.page);
    const region = page && regionOf(page.document);
    if (!page || !region) return [];
    const { text } = page.document;
    const indent = /[ \t]*$/.exec(text.slice(0, text.indexOf('<!--', region.end)))?.[0] ?? '';
    const written = writtenRegion(site, collection, { base: page.base, document: page.document, region, indent });
    const lines = linesOf(lacksLetters(page.document) ? asReferences(written) : written);
    const prints = lines.map(lineprint);
    const isInStep = prints.join() === collection.lines.join();
    return [{ collection, page, region, lines, prints, isInStep }];
  });
}

/** Brings the pages into step, or those that are named; `left` is what their authors have changed there as well. */
export function bringInStep(site: SiteReading, pages: readonly string[] | null = null): Planned {
  const meant = standings(site).filter(
    ({ isInStep, page: { path } }) => !isInStep && (pages === null || pages.includes(path)),
  );
  const files: FileChange[] = [];
  const left: Named[] = [];
  for (const one of meant) {
    const merged = mergedRegion(one);
    left.push(...merged.left);
    if (merged.edits.length === 0) continue;
    const trouble = troubleWith(one.page, merged.edits);
    if (trouble !== null) return refuse(trouble);
    files.push({ kind: 'edit', path: one.page.path, edits: merged.edits });
  }
  if (meant.length === 0) return { ok: true, change: { label: '', files: [] } };
  const written = new Map(meant.map(({ collection, prints }) => [collection, prints]));
  const collections = site.notes.known.collections.map((one) => ({ ...one, lines: written.get(one) ?? one.lines }));
  const label = `Update ${meant.map(({ page }) => page.path).join(', ')}`;
  return { ok: true, change: { label, files: [...files, ...notesChange(site, { collections })] }, left };
}

/** Where both sides changed a line, the author's stays. */
function mergedRegion({ page, region, lines, collection }: Standing): { edits: Edit[]; left: Named[] } {
  const { text, lines: index } = page.document;
  const before = text.slice(region.start, region.end);
  const own = linesOf(before);
  const merged = mergedLines(own, collection.lines, lines, lineprint);
  const left = merged.both.map(({ line }): Named => {
    const start = region.start + own.slice(0, line).join('').length;
    const name = (own[line] ?? '').trim().slice(0, 80);
    return { path: page.path, start, line: index.lineAt(start), name, why: 'changed here by hand' };
  });
  return { edits: lineEdits(before, merged.lines.join('')).map((edit) => moved(edit, region.start)), left };
}

const moved = ({ start, end, text }: Edit, by: number): Edit => ({ start: start + by, end: end + by, text });

/** What stands outside of the region must be read as before. */
function troubleWith({ path, document }: PageReading, edits: readonly Edit[]): string | null {
  const region = regionOf(document);
  const applied = applyEdits(document.text, edits);
  if (!applied.ok) return applied.reason;
  const after = parsePage(applied.text, document.units);
  const now = regionOf(after);
  const outside = (page: typeof document, within: { start: number; end: number }) =>
    page.elements
      .filter(({ open }) => open && (open.start < within.start || open.start >= within.end))
      .map(({ tag, parent }) => `${tag} ${parent?.tag ?? ''}`)
      .join();
  return region && now && outside(document, region) === outside(after, now)
    ? null
    : `${path}: the list of pictures would change how the rest of the page is read.`;
}
