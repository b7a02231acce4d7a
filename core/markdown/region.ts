/** The part of a page that is made from a Markdown file: it stands between two comments, which name the file. */
import type { PageDocument, Range } from '../markup/index.ts';

/** What stands before the name of the file, the name, and which end it is. */
export const SOURCE = /^(<!--\s*text from )(\S+): (begin|end)\s*-->$/;

export const beginOf = (reference: string): string => `<!-- text from ${reference}: begin -->`;
export const endOf = (reference: string): string => `<!-- text from ${reference}: end -->`;

export interface TextRegion {
  /** The file, as the page's own addresses are written. */
  reference: string;
  /** The lines between both comments. */
  range: Range;
  begin: Range;
  end: Range;
}

/** Null where one of the comments is missing, or does not stand on a line of its own. */
export function textRegion({ text, comments }: Pick<PageDocument, 'text' | 'comments'>): TextRegion | null {
  const saying = (one: Range) => SOURCE.exec(text.slice(one.start, one.end));
  const begin = comments.find((one) => saying(one)?.[3] === 'begin');
  const end = begin && comments.find((one) => one.start > begin.start && saying(one)?.[3] === 'end');
  const reference = begin && saying(begin)?.[2];
  if (!begin || !end || reference === undefined) return null;
  const start = text.indexOf('\n', begin.end) + 1;
  const last = text.lastIndexOf('\n', end.start - 1) + 1;
  const isBlank = (from: number, to: number) => text.slice(from, to).trim() === '';
  if (start === 0 || start > last || !isBlank(begin.end, start) || !isBlank(last, end.start)) return null;
  return { reference, range: { start, end: last }, begin, end };
}
