/** What a check saw. A rule is one file; the list in `rules.ts` is all that knows them. */
import { verified, type Edited, type PageDocument } from '../markup/index.ts';
import type { JointName, PageReading, PictureTask, SiteReading, Strand } from '../model/index.ts';
import type { Change, Edit } from '../site/index.ts';

export type Station = 'pairs' | 'markup' | 'wiring' | 'proof' | 'pack';

export type Planned = { ok: true; change: Change } | { ok: false; reason: string };

export type Fix =
  | { kind: 'change'; label: string; plan: () => Planned }
  /** Pictures that have to be made before the change can be written. */
  | { kind: 'picture'; label: string; tasks: PictureTask[] }
  /** Only the author knows the words. */
  | { kind: 'ask'; label: string; ask: 'alt'; strand: string };

export interface Finding {
  /** The same for the same matter, so that it can be followed through edits. */
  id: string;
  rule: string;
  station: Station;
  severity: 'broken' | 'look';
  /** What is the case. */
  says: string;
  /** What a visitor or a browser makes of it. */
  why: string;
  place: { path: string; line: number | null; start: number | null; end: number | null };
  strand: string | null;
  joint: JointName | null;
  fixes: Fix[];
}

export interface Rule {
  id: string;
  station: Station;
  /** One line for the documentation and for lists of what was checked. */
  title: string;
  find: (site: SiteReading) => Finding[];
}

/** Edits after which the page has the same elements, but for so many more; anything else would be read otherwise than meant. */
export const planPage = (
  page: { path: string; document: PageDocument },
  label: string,
  edits: Edit[],
  more = 0,
): Planned =>
  planEdits(
    label,
    page.path,
    verified(page.document, edits, (after) =>
      after.elements.length === page.document.elements.length + more ? null : 'other elements would appear or vanish',
    ),
  );

export const planEdits = (label: string, path: string, edited: Edited): Planned =>
  edited.ok ? { ok: true, change: { label, files: [{ kind: 'edit', path, edits: edited.edits }] } } : edited;

/** Where an element or attribute of a page stands. */
export function placeIn(
  page: { path: string; document: PageDocument },
  range: { start: number; end: number } | null | undefined,
): Finding['place'] {
  return {
    path: page.path,
    line: range ? page.document.lines.lineAt(range.start) : null,
    start: range?.start ?? null,
    end: range?.end ?? null,
  };
}

/** Every item of every gallery with its strand. */
export function* itemsOf(
  site: SiteReading,
): Generator<{ page: PageReading; strand: Strand; item: PageReading['galleries'][number]['items'][number] }> {
  for (const page of site.pages) {
    for (const [g, gallery] of page.galleries.entries()) {
      for (const [n, item] of gallery.items.entries()) {
        const strand = page.strands[g]?.[n];
        if (strand) yield { page, strand, item };
      }
    }
  }
}
