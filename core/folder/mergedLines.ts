/**
 * Lines that are written anew, merged with what their author has made of those that were written before. Other than in a
 * text of two people, changes of neighbouring lines have nothing to do with one another: each line is an item of a list.
 */
import { diffIndices } from 'node-diff3';
import { type Hunk, linesIn } from './merge.ts';

interface MergedLines {
  lines: string[];
  /** Where both changed the same lines, the author's stay: the number of the first among the author's, from 0. */
  both: { line: number }[];
}

/**
 * Of the lines that were written before only their prints are known, as `printOf` gives them; what all three have in
 * common at the ends is taken as it is.
 */
export function mergedLines(
  own: readonly string[],
  before: readonly string[],
  written: readonly string[],
  printOf: (line: string) => string,
): MergedLines {
  const all = { own: own.map(printOf), before, written: written.map(printOf) };
  const head = sameAtStart(all.own, all.before, all.written);
  const tail = sameAtStart(reversed(all.own, head), reversed(all.before, head), reversed(all.written, head));
  const cut = <T>(lines: readonly T[]): T[] => lines.slice(head, lines.length - tail);
  const middle = new Middle(cut(own), cut(written), {
    own: cut(all.own),
    before: cut(all.before),
    written: cut(all.written),
  });
  const { lines, both } = middle.merge();
  return {
    lines: [...own.slice(0, head), ...lines, ...own.slice(own.length - tail)],
    both: both.map(({ line }) => ({ line: line + head })),
  };
}

type Prints = Readonly<Record<'own' | 'before' | 'written', readonly string[]>>;

class Middle {
  readonly #own: readonly string[];
  readonly #written: readonly string[];
  readonly #prints: Prints;
  readonly #merged: MergedLines = { lines: [], both: [] };
  /** How far the author's lines have been gone through. */
  #at = 0;

  constructor(own: readonly string[], written: readonly string[], prints: Prints) {
    this.#own = own;
    this.#written = written;
    this.#prints = prints;
  }

  merge(): MergedLines {
    const { own, before, written } = this.#prints;
    const hunksOf = (side: Hunk['side'], lines: readonly string[]): Hunk[] =>
      diffIndices([...before], [...lines]).map(({ buffer1, buffer2 }) => ({ side, agreed: buffer1, own: buffer2 }));
    let stood = 0;
    for (const group of overlapping([...hunksOf('here', own), ...hunksOf('there', written)])) {
      const start = Math.min(...group.map(({ agreed: [at] }) => at));
      const end = Math.max(...group.map(({ agreed: [at, count] }) => at + count));
      this.#keep(start - stood);
      stood = end;
      this.#take(group, start, end);
    }
    this.#keep(this.#own.length - this.#at);
    return this.#merged;
  }

  /** So many of the author's lines as they stand. */
  #keep(count: number): void {
    this.#merged.lines.push(...this.#own.slice(this.#at, this.#at + count));
    this.#at += count;
  }

  #take(group: readonly Hunk[], start: number, end: number): void {
    const { own, before, written } = this.#prints;
    const ours = group.filter(({ side }) => side === 'here');
    const theirs = group.filter(({ side }) => side === 'there');
    const mine = linesIn(own, before, ours, start, end);
    if (theirs.length === 0) return this.#keep(mine.length);
    const from = startIn(theirs, start);
    const fresh = this.#written.slice(from, from + linesIn(written, before, theirs, start, end).length);
    if (ours.length === 0) {
      this.#at += end - start;
      this.#merged.lines.push(...fresh);
      return;
    }
    const isSame = mine.join() === written.slice(from, from + fresh.length).join();
    if (!isSame && start < end) this.#merged.both.push({ line: this.#at });
    this.#keep(mine.length);
    // What both put between the same two lines stands there, the author's first.
    if (!isSame && start === end) this.#merged.lines.push(...fresh);
  }
}

/** Where a side's lines for a place begin. */
const startIn = ([first]: readonly Hunk[], start: number): number =>
  first ? first.own[0] - (first.agreed[0] - start) : 0;

/** Changes of the same lines, or between the same two. */
function overlapping(hunks: readonly Hunk[]): Hunk[][] {
  const groups: Hunk[][] = [];
  let [from, end] = [-1, -1];
  const sorted = [...hunks].sort((a, b) => a.agreed[0] - b.agreed[0] || a.agreed[1] - b.agreed[1]);
  for (const hunk of sorted) {
    const [at, count] = hunk.agreed;
    const last = groups.at(-1);
    const isTogether = at < end || (at === end && count === 0 && from === end);
    if (last && isTogether) last.push(hunk);
    else {
      groups.push([hunk]);
      from = at;
    }
    end = Math.max(last && isTogether ? end : -1, at + count);
  }
  return groups;
}

function sameAtStart(...[first = [], ...others]: (readonly string[])[]): number {
  let n = 0;
  while (n < first.length && others.every((one) => n < one.length && one[n] === first[n])) n++;
  return n;
}

const reversed = (all: readonly string[], from: number): string[] => all.slice(from).reverse();
