/** Words of pictures as a list for whoever writes them elsewhere: out as CSV, and in again by page and file. */
import type { Table } from './table.ts';

/** One place where words stand: an item of a page, or a picture that is on no page yet. */
export interface WordsRow {
  /** Strand of the item; null for a picture on no page. */
  strand: string | null;
  page: string;
  /** The full-size file, or the thumbnail where there is none. */
  file: string;
  alt: string | null;
  /** Why somebody still has to write the alt text; null where nobody has. */
  altLacks: 'absent' | 'name' | 'unnamed' | null;
  title: string;
  caption: string | null;
  credit: string;
  copyright: string;
  taken: string;
}

/** The same for the same place. */
export const placeKey = ({ strand, file }: WordsRow): string => strand ?? file;

/** Whether a visitor misses an alt text there; what is on no page yet, nobody misses. */
export const isLacking = ({ strand, altLacks }: WordsRow): boolean => strand !== null && altLacks !== null;

export const WORDS_COLUMNS = ['page', 'file', 'alt', 'title', 'caption', 'credit', 'copyright', 'taken'] as const;

/** Where the alt text is missing altogether, as opposed to empty on purpose (WHATWG HTML §4.8.4.4). */
const NO_ALT = '(missing)';

export const wordsTable = (rows: readonly WordsRow[]): Record<string, string>[] =>
  rows.map((row) => ({
    page: row.page,
    file: row.file,
    alt: row.alt ?? NO_ALT,
    title: row.title,
    caption: row.caption ?? '',
    credit: row.credit,
    copyright: row.copyright,
    taken: row.taken,
  }));

const SETTABLE = ['alt', 'title', 'caption', 'credit', 'copyright'] as const;
type SettableWord = (typeof SETTABLE)[number];

interface WordsChange {
  row: WordsRow;
  words: Partial<Record<SettableWord, string>>;
}

interface WordsIn {
  changes: WordsChange[];
  troubles: { row: number; says: string }[];
}

/**
 * What a list that came back says otherwise. Columns that it does not have are left; the same file twice on a page is
 * told by its order.
 */
export function wordsFrom({ columns, rows }: Table, known: readonly WordsRow[]): WordsIn | { reason: string } {
  if (!columns.includes('file'))
    return {
      reason: `The list has no column “file”; its columns are ${columns.join(', ')}. Write the words into a list that was saved here.`,
    };
  const places = new Map<string, WordsRow[]>();
  for (const row of known) places.set(placeIn(row), [...(places.get(placeIn(row)) ?? []), row]);
  const result: WordsIn = { changes: [], troubles: [] };
  for (const [n, line] of rows.entries()) {
    const note = (says: string) => result.troubles.push({ row: n + 1, says });
    const row = places.get(placeIn(line))?.shift();
    if (!row) {
      note(`${line.file || 'no file'} is not ${line.page ? `on ${line.page}` : 'in this site without a page'}`);
      continue;
    }
    const words = otherWords(line, row);
    if (words.caption !== undefined && !hasCaptionPlace(row)) {
      if (words.caption !== '') note(`${row.file} on ${row.page} has no element for a caption`);
      delete words.caption;
    }
    if (Object.keys(words).length > 0) result.changes.push({ row, words });
  }
  return result;
}

const placeIn = ({ page = '', file = '' }: { page?: string; file?: string }): string => `${page}\n${file}`;

/** A picture on no page keeps its caption until it gets there. */
const hasCaptionPlace = ({ strand, caption }: WordsRow): boolean => strand === null || caption !== null;

/** What a line of the list says otherwise than the site. */
function otherWords(line: Table['rows'][number], row: WordsRow): WordsChange['words'] {
  const words: WordsChange['words'] = {};
  for (const name of SETTABLE) {
    // What a spreadsheet would have computed came out with an apostrophe before it.
    const value = line[name]?.replace(/^'(?=[=+\-@\t\r])/, '');
    if (value !== undefined && value !== NO_ALT && value !== (row[name] ?? '')) words[name] = value;
  }
  return words;
}
