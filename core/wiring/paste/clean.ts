/** Lines as they come out of a manual, a forum or a word processor, without what was copied along. */

interface Cleaned {
  /** As many lines as were given. */
  text: string;
  /** What was taken out or put right, in words. */
  mended: string[];
}

/** Joiners, marks and soft hyphens: nobody sees them, and no name is the same with one in it (Unicode 15, §23.2). */
const INVISIBLE = /[\u00AD\u200B-\u200F\u2060\uFEFF]/g;
/** What holds a whole page: an example may begin or end with it. */
const AROUND = /<!doctype\b[^>]*>|<\/?(?:html|head|body)\b[^<>]*>/gi;
const WIDE_SPACE = /[\u00A0\u2007\u202F]/g;
const FENCE = /^[ \t]*(?:`{3,}|~{3,})[\w -]*$/gm;
const NUMBERED = /^\s*(\d+)(?:[.:|)]|\s)[ \t]?/;

export function cleaned(text: string): Cleaned {
  const mended: string[] = [];
  const mend = (says: string, after: string) => {
    if (after !== made) mended.push(says);
    made = after;
  };
  let made = text.replace(/\r\n?/g, '\n');
  made = made.replace(FENCE, '').replace(AROUND, (tag) => tag.replace(/[^\n]/g, ' '));
  mend('line numbers that were copied along', withoutNumbers(made));
  mend('invisible characters', withoutInvisible(made).replace(WIDE_SPACE, ' '));
  mend('quotes of a word processor', made.replace(/<[a-z][^<>]*>/gi, straight));
  return { text: made, mended };
}

export const withoutInvisible = (text: string): string => text.replace(INVISIBLE, '');

/** Quotes as code has them. */
export const straight = (text: string): string => text.replace(/[“”„‟″]/g, '"').replace(/[‘’‚‛′]/g, "'");

/** Without the numbers of its lines, where every line has one and they rise by one. */
export function withoutNumbers(text: string): string {
  const lines = text.split('\n');
  const numbers = lines.filter((line) => line.trim() !== '').map((line) => Number(NUMBERED.exec(line)?.[1] ?? NaN));
  const isCounted = numbers.length > 1 && numbers.every((number, n) => n === 0 || number === (numbers[n - 1] ?? 0) + 1);
  return isCounted && !Number.isNaN(numbers[0]) ? lines.map((line) => line.replace(NUMBERED, '')).join('\n') : text;
}
