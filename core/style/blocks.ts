/**
 * What stands in the block of a rule, where rules stand in one another (CSS Nesting 1): declarations, and blocks with
 * what is written before them, each with its place.
 */
import type { Range } from '../markup/index.ts';

export type BlockPart =
  { kind: 'declarations'; range: Range } | { kind: 'nested'; prelude: Range; block: Range; range: Range };

const CLOSING: Readonly<Record<string, string>> = { '(': ')', '[': ']', '{': '}' };

/** The offset behind a string, comment or bracketed part that begins at `at`; `at + 1` for any other letter. */
function behind(text: string, at: number, end: number): number {
  const letter = text.charAt(at);
  if (letter === '\\') return Math.min(at + 2, end);
  if (text.startsWith('/*', at)) {
    const closed = text.indexOf('*/', at + 2);
    return closed < 0 || closed + 2 > end ? end : closed + 2;
  }
  if (letter === '"' || letter === "'") {
    let to = at + 1;
    while (to < end && text.charAt(to) !== letter) to += text.charAt(to) === '\\' ? 2 : 1;
    return Math.min(to + 1, end);
  }
  const closing = CLOSING[letter];
  if (closing === undefined) return at + 1;
  let to = at + 1;
  while (to < end && text.charAt(to) !== closing) to = behind(text, to, end);
  return Math.min(to + 1, end);
}

/** `start` and `end` are those between the braces. */
export function partsOfBlock(text: string, { start, end }: Range): BlockPart[] {
  const parts: BlockPart[] = [];
  let declared = start;
  let chunk = start;
  const closeDeclarations = (to: number) => {
    if (text.slice(declared, to).trim() !== '')
      parts.push({ kind: 'declarations', range: { start: declared, end: to } });
  };
  for (let at = start; at < end;) {
    const letter = text.charAt(at);
    if (letter === ';') chunk = at + 1;
    if (letter !== '{') {
      at = letter === '/' && !text.startsWith('/*', at) ? at + 1 : behind(text, at, end);
      continue;
    }
    closeDeclarations(chunk);
    const close = behind(text, at, end);
    const inner = { start: at + 1, end: text.charAt(close - 1) === '}' ? close - 1 : close };
    const from = chunk + (/^\s*/.exec(text.slice(chunk, at))?.[0].length ?? 0);
    parts.push({
      kind: 'nested',
      prelude: { start: from, end: at },
      block: inner,
      range: { start: from, end: close },
    });
    declared = chunk = at = close;
  }
  closeDeclarations(end);
  return parts;
}

const COMMENTS = /\/\*[\s\S]*?\*\//g;
export const withoutComments = (text: string): string => text.replace(COMMENTS, ' ').trim();

/**
 * A selector as it would stand by itself: `&` is what is around it, and so is what stands before a selector that does
 * not name it (CSS Nesting 1 §3).
 */
export function unnested(selector: string, around: string): string {
  const outer = `:is(${around})`;
  return selectorsIn(selector)
    .map((one) => {
      const named = one.replace(/&/g, outer);
      return named === one || /^[>+~]/.test(one) ? `${outer} ${named}` : named;
    })
    .join(', ');
}

/** The selectors of a list; commas in brackets part none. */
function selectorsIn(list: string): string[] {
  const found: string[] = [];
  let from = 0;
  for (let at = 0; at < list.length;) {
    if (list.charAt(at) !== ',') {
      at = behind(list, at, list.length);
      continue;
    }
    found.push(list.slice(from, at).trim());
    from = ++at;
  }
  return [...found, list.slice(from).trim()];
}
