/**
 * Lists of a site's view that grow with the site, and so cross from the worker in pieces, of which only those that
 * changed.
 */
import type { SiteView } from '~core/view/index.ts';

export const LONG_LISTS = [
  'strands',
  'pairs',
  'loose',
  'parcel',
  'files',
  'missing',
  'due',
  'byHand',
  'words',
  'companions',
  'outsideLinks',
] as const;
export type LongList = (typeof LONG_LISTS)[number];

/** Rows in a piece: some milliseconds of unpacking. */
export const PIECE = 250;

/** A mark of each piece of each list: two pieces with one mark hold the same. */
export type Marks = Readonly<Record<LongList, readonly string[]>>;

export function marksOf(view: Pick<SiteView, LongList>): Marks {
  const marks = (list: readonly unknown[]) =>
    Array.from({ length: Math.ceil(list.length / PIECE) }, (_, n) =>
      markOf(JSON.stringify(list.slice(n * PIECE, (n + 1) * PIECE))),
    );
  const entries = LONG_LISTS.map((name) => [name, marks(view[name])] as const);
  return Object.fromEntries(entries) as unknown as Marks; // one entry for each name
}

/**
 * Length and two FNV-1a hashes of 32 bits with different offsets; by chance alone two pieces of one length would be
 * taken for one in some 10^19 cases.
 */
function markOf(text: string): string {
  let [one, two] = [0x811c9dc5, 0x01000193];
  for (let n = 0; n < text.length; n++) {
    const code = text.charCodeAt(n);
    one = Math.imul(one ^ code, 0x01000193);
    two = Math.imul(two ^ code, 0x85ebca6b) ^ (two >>> 13);
  }
  return `${text.length}.${one >>> 0}.${two >>> 0}`;
}
