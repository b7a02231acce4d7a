/** The part of a page that shows pictures of other pages: it stands between two comments, and is found again by them. */
import type { PageDocument, PageElement, Range } from '../../markup/index.ts';

export const BEGIN = '<!-- all pictures: begin -->';
export const END = '<!-- all pictures: end -->';

/** From behind the line of the first comment to the line of the second; null where one is missing. */
export function regionOf({ text, comments }: PageDocument): Range | null {
  const begin = comments.find(({ start, end }) => text.slice(start, end) === BEGIN);
  const end = begin && comments.find((one) => one.start > begin.start && text.slice(one.start, one.end) === END);
  if (!begin || !end) return null;
  const start = text.indexOf('\n', begin.end) + 1;
  const last = text.lastIndexOf('\n', end.start - 1) + 1;
  const isOwnLine = (from: number, to: number) => text.slice(from, to).trim() === '';
  if (start === 0 || start > last || !isOwnLine(begin.end, start) || !isOwnLine(last, end.start)) return null;
  return { start, end: last };
}

/** Whether an element begins in it. */
export const standsIn =
  ({ start, end }: Range) =>
  ({ open }: Pick<PageElement, 'open'>): boolean =>
    open !== null && open.start >= start && open.start < end;
