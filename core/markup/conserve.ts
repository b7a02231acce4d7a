/**
 * What a change of pages takes away, gives and moves, told from the pages as they are parsed before and after it: tags,
 * attributes with their values, words, comments, and the text of scripts and styles.
 */
import type { PageDocument } from './document.ts';

export type Part = 'tags' | 'attributes' | 'words' | 'comments' | 'code';

/** What somebody who changes a page states beforehand. */
export interface Stated {
  takes?: readonly Part[];
  gives?: readonly Part[];
  /** What stays may stand in another order. */
  moves?: true;
  /** Whole pages may go, with all that is on them. */
  pages?: true;
}

interface Token {
  part: Part;
  says: string;
  at: number;
  page: number;
}

/** The first thing that was not stated. */
interface Unstated {
  /** `vanished`: offsets are of the page before; else of the page after. */
  kind: 'vanished' | 'appeared' | 'moved';
  says: string;
  /** Which of the pages. */
  page: number;
  at: number;
}

const CODE = new Set(['script', 'style']);
const WORD = /[\p{L}\p{N}]+/gu;

/** What stands behind `from` in a page, or reaches over it. */
function tokensOf({ elements, comments, text }: PageDocument, page: number, from: number): Token[] {
  const tokens: Token[] = [];
  for (const { tag, open, attributes, texts } of elements) {
    const at = open?.start;
    // What the browser adds by itself, and what it makes again, stands in no source.
    if (at === undefined) continue;
    if (open && open.end > from) {
      tokens.push({ part: 'tags', says: `<${tag}>`, at, page });
      for (const { name, value, range } of attributes)
        tokens.push({ part: 'attributes', says: `${name}="${value}" of <${tag}>`, at: range.start, page });
    }
    const part = CODE.has(tag) ? 'code' : 'words';
    for (const { value, range } of texts)
      if (range.end > from)
        for (const [says] of value.matchAll(WORD)) tokens.push({ part, says, at: range.start, page });
  }
  for (const { start, end } of comments)
    if (end > from) tokens.push({ part: 'comments', says: text.slice(start, end), at: start, page });
  return tokens.sort((a, b) => a.at - b.at);
}

/**
 * Up to where two texts say the same, whole tags taken. A parser reads from the beginning on, so that it makes the same
 * of what is the same (WHATWG HTML §13.2).
 */
function sameUpTo(one: string, other: string): number {
  const most = Math.min(one.length, other.length);
  let [low, high] = [0, most];
  // By halves, for comparing pieces is quicker than comparing letters.
  while (low < high) {
    const middle = Math.ceil((low + high) / 2);
    if (one.slice(low, middle) === other.slice(low, middle)) low = middle;
    else high = middle - 1;
  }
  return Math.max(0, one.lastIndexOf('<', low - 1));
}

const keyOf = ({ part, says }: Token): string => `${part} ${says}`;
const isSame = (a: Token | undefined, b: Token | undefined): boolean =>
  a !== undefined && b !== undefined && a.part === b.part && a.says === b.says;

/** What lies between what is the same at both ends. */
function middles(before: Token[], after: Token[]): [Token[], Token[]] {
  let head = 0;
  while (isSame(before[head], after[head])) head++;
  let tail = 0;
  const most = Math.min(before.length, after.length) - head;
  while (tail < most && isSame(before.at(-1 - tail), after.at(-1 - tail))) tail++;
  return [before.slice(head, before.length - tail), after.slice(head, after.length - tail)];
}

/** Those of `tokens` that `others` does not have as often. */
function missing(tokens: readonly Token[], others: readonly Token[]): Set<Token> {
  const counts = new Map<string, number>();
  for (const other of others) counts.set(keyOf(other), (counts.get(keyOf(other)) ?? 0) + 1);
  return new Set(
    tokens.filter((token) => {
      const left = counts.get(keyOf(token)) ?? 0;
      counts.set(keyOf(token), left - 1);
      return left <= 0;
    }),
  );
}

/** All letters of the words, in their order. */
const lettersOf = (tokens: ReadonlySet<Token>): string =>
  [...tokens].flatMap(({ part, says }) => (part === 'words' ? [says] : [])).join('');

/** The first of `some` that does not follow those before it in `all`; null where all do. */
function firstOutOf(all: readonly Token[], some: readonly Token[]): Token | null {
  let at = 0;
  for (const token of some) {
    while (at < all.length && !isSame(all[at], token)) at++;
    if (at === all.length) return token;
    at++;
  }
  return null;
}

/** A page before a change and after it; null where it is not there. */
export interface Changed {
  before: PageDocument | null;
  after: PageDocument | null;
}

/** Null where nothing vanished, appeared or moved but what was stated; the pages of a change count together. */
export function unstated(
  changed: readonly Changed[],
  { takes = [], gives = [], moves, pages }: Stated,
): Unstated | null {
  const each = changed.map(({ before, after }, n) => {
    const from = before && after ? sameUpTo(before.text, after.text) : 0;
    return middles(before ? tokensOf(before, n, from) : [], after ? tokensOf(after, n, from) : []);
  });
  const [was, is] = [each.flatMap(([one]) => one), each.flatMap(([, one]) => one)];
  const whole = (n: number): boolean => pages === true && changed[n]?.after === null;
  const gone = missing(
    was.filter(({ page }) => !whole(page)),
    is,
  );
  const fresh = missing(is, was);
  const says = (kind: Unstated['kind'], { says: what, page, at }: Token): Unstated => ({ kind, says: what, page, at });
  // A word that is taken apart, or two that are put together, say the same.
  const saysTheSame = lettersOf(gone) === lettersOf(fresh);
  const counts = ({ part }: Token) => part !== 'words' || !saysTheSame;
  for (const token of gone) if (!takes.includes(token.part) && counts(token)) return says('vanished', token);
  for (const token of fresh) if (!gives.includes(token.part) && counts(token)) return says('appeared', token);
  if (moves) return null;
  // What may be taken and given may be given elsewhere.
  const stays = ({ part }: Token) => !takes.includes(part) || !gives.includes(part);
  for (const [before, after] of each) {
    const [old, now] = [before.filter(stays), after.filter(stays)];
    const kept = old.filter((token) => !gone.has(token));
    const there = now.filter((token) => !fresh.has(token));
    // Of several that are the same nobody can say which went, or which is new.
    const moved = firstOutOf(old, there) && firstOutOf(now, kept);
    if (moved && after.length > 0) return says('moved', moved);
  }
  return null;
}
