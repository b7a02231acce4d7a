/** What a check saw. A rule is one file; the list in `rules.ts` is all that knows them. */
import { type PageDocument, type Stated, verifiedSameShape } from '../markup/index.ts';
import type { JointName, PageReading, PictureTask, SiteReading, Strand } from '../model/index.ts';
import { type Edit, planEdits, type Planned } from '../site/index.ts';

export type Station = 'pairs' | 'markup' | 'wiring' | 'proof' | 'pack';

export type Fix =
  /** `states` is what it does to pages; without it, it sets attributes. */
  | { kind: 'change'; label: string; plan: () => Planned; states?: Stated }
  /** A file under another name, with every reference to it. */
  | { kind: 'rename'; label: string; from: string; to: string }
  /** A page that is not there, made from another one. */
  | { kind: 'page'; label: string; path: string; title: string; from: string }
  /** A gallery takes over what its list says anew. */
  | { kind: 'follow'; label: string; page: string; path: string }
  /** Pictures that have to be made before the change can be written. */
  | { kind: 'picture'; label: string; tasks: PictureTask[] }
  /** Only the author knows the words. */
  | { kind: 'ask'; label: string; ask: 'alt'; strand: string };

export interface Finding {
  /** The same for the same matter, so that it can be followed through edits. */
  id: string;
  rule: string;
  station: Station;
  severity: 'error' | 'warning';
  /** What is the case. */
  says: string;
  /** What a visitor or a browser makes of it. */
  why: string;
  place: { path: string; line: number | null; start: number | null; end: number | null };
  strand: string | null;
  joint: JointName | null;
  fixes: Fix[];
}

/** What a rule tells; `findingsOf` adds which rule it was. */
export interface Observation extends Omit<Finding, 'id' | 'rule' | 'station'> {
  /** What it is about: the page and the file, element or words; no place, which edits move. */
  matter: string;
  /** Where it is counted, if not where the rule's others are. */
  station?: Station;
}

export interface Rule {
  id: string;
  station: Station;
  /** One line for the documentation and for lists of what was checked. */
  title: string;
  find: (site: SiteReading) => Observation[];
}

/** Edits after which the page has the same elements, but for so many more, as a change with its label. */
export const planPage = (
  page: { path: string; document: PageDocument },
  label: string,
  edits: Edit[],
  more = 0,
): Planned => planEdits(label, page.path, verifiedSameShape(page.document, edits, more));

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
