/** Whether a browser of today does what `@supports` asks for (CSS Conditional 4 §2): by the grammars of css-tree. */
import { lexer } from 'css-tree';
import { matcherFor } from '../markup/index.ts';

/** Null where it cannot be told here. */
type Truth = boolean | null;

const isNot = (one: Truth): Truth => (one === null ? null : !one);

function both(one: Truth, other: Truth): Truth {
  if (one === false || other === false) return false;
  return one === null || other === null ? null : true;
}

const either = (one: Truth, other: Truth): Truth => isNot(both(isNot(one), isNot(other)));

/** Words, and what stands in brackets with what is written right before them. */
function piecesIn(condition: string): string[] {
  const pieces: string[] = [];
  let depth = 0;
  let piece = '';
  for (const letter of `${condition} `) {
    if (letter === '(') depth++;
    if (letter === ')') depth--;
    if (depth === 0 && /\s/.test(letter)) {
      if (piece !== '') pieces.push(piece);
      piece = '';
    } else piece += letter;
  }
  return pieces;
}

/** `(display: grid) and (not (gap: 1px))`, `selector(:has(a))`. */
export function isSupported(condition: string): Truth {
  let truth: Truth | undefined;
  let joint: 'and' | 'or' = 'and';
  let negated = false;
  for (const piece of piecesIn(condition.trim())) {
    const word = piece.toLowerCase();
    if (word === 'not') negated = true;
    else if (word === 'and' || word === 'or') joint = word;
    else {
      const one = negated ? isNot(pieceHolds(piece)) : pieceHolds(piece);
      negated = false;
      truth = truth === undefined ? one : (joint === 'and' ? both : either)(truth, one);
    }
  }
  return truth ?? null;
}

function pieceHolds(piece: string): Truth {
  const selector = /^selector\(([\s\S]*)\)$/i.exec(piece)?.[1];
  if (selector !== undefined) return matcherFor(selector.trim()) ? true : null;
  const inside = /^\(([\s\S]*)\)$/.exec(piece)?.[1]?.trim();
  if (inside === undefined) return null;
  const declared = /^([\w-]+)\s*:\s*([\s\S]+)$/.exec(inside);
  if (!declared) return isSupported(inside);
  const [, property = '', value = ''] = declared;
  return property.startsWith('--') ? true : mayBe(property, value);
}

/** What only some browsers of former days took. */
const OF_OTHERS = /(?:^|[\s,(])-(?:ms|moz|o)-/i;
/** What only a browser can put in: any value may come of it. */
const OPEN = /\b(?:var|env|attr|if|anchor|anchor-size|calc-size|sibling-index|sibling-count|random)\(/i;

/** By the property's grammar; null for a property that is not known here. */
function mayBe(property: string, value: string): Truth {
  if (property.startsWith('-ms-') || property.startsWith('-moz-') || OF_OTHERS.test(value)) return false;
  if (OPEN.test(value)) return true;
  const { error } = lexer.matchProperty(property.toLowerCase(), value);
  if (error === null) return true;
  // Unknown here, it may be new or a slip.
  return error.name === 'SyntaxReferenceError' ? null : false;
}

const known = new Map<string, boolean>();
const MOST_KEPT = 5000;

/** Whether a browser drops a declaration, so that an earlier one counts (CSS Syntax 3 §2.2). */
export function isDropped(property: string, value: string): boolean {
  if (property.startsWith('--')) return false;
  const key = `${property}:${value}`;
  const before = known.get(key);
  if (before !== undefined) return before;
  const dropped = mayBe(property, value) === false;
  if (known.size >= MOST_KEPT) known.clear();
  known.set(key, dropped);
  return dropped;
}
