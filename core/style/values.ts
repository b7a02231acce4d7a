/**
 * Parts of shorthand values: which piece of `gap: 20px 14px` is the column gap, and the shorthand with that piece
 * changed.
 */
import { firstOf, known } from '../site/index.ts';
import { lexer } from 'css-tree';

/** What sets a longhand besides itself. */
const SHORTHANDS: Readonly<Record<string, readonly string[]>> = {
  'row-gap': ['gap', 'grid-gap', 'grid-row-gap'],
  'column-gap': ['gap', 'grid-gap', 'grid-column-gap'],
  'column-count': ['columns'],
  'column-width': ['columns'],
  'flex-basis': ['flex'],
  'grid-template-columns': ['grid-template', 'grid'],
  'background-color': ['background'],
  'background-image': ['background'],
  'list-style-image': ['list-style'],
  'border-image-source': ['border-image'],
  'mask-image': ['mask', '-webkit-mask', '-webkit-mask-image'],
  'font-family': ['font'],
  'font-weight': ['font'],
  'font-style': ['font'],
  'justify-content': ['place-content'],
  'justify-items': ['place-items'],
  'align-items': ['place-items'],
  ...Object.fromEntries(
    ['margin', 'padding'].flatMap((name) =>
      ['top', 'right', 'bottom', 'left'].map((side) => [`${name}-${side}`, [name]]),
    ),
  ),
};

export const setBy = (property: string): readonly string[] => [property, ...(SHORTHANDS[property] ?? [])];

interface Piece {
  start: number;
  end: number;
  text: string;
}

/** Pieces between white space; what stands in brackets is one. */
export function piecesOf(value: string): Piece[] {
  const pieces: Piece[] = [];
  let depth = 0;
  let start = -1;
  for (let at = 0; at <= value.length; at++) {
    const letter = value[at] ?? ' ';
    if (letter === '(') depth++;
    else if (letter === ')') depth--;
    const gap = depth === 0 && /\s/.test(letter);
    if (!gap && start < 0) start = at;
    if (gap && start >= 0) {
      pieces.push({ start, end: at, text: value.slice(start, at) });
      start = -1;
    }
  }
  return pieces;
}

const isOf = (type: string, text: string): boolean => lexer.matchType(type, text).error === null;
const SIDES = ['top', 'right', 'bottom', 'left'];

/** For one to four values: the number of that which each side takes (CSS Box Model 3, §4.2). */
const PIECE_OF_SIDE = [
  [0, 0, 0, 0],
  [0, 1, 0, 1],
  [0, 1, 2, 1],
  [0, 1, 2, 3],
];

type Choice = (pieces: readonly Piece[], longhand: string) => number | null;

/** The first piece that passes a test. */
const where =
  (test: (text: string, longhand: string) => boolean): Choice =>
  (pieces, longhand) => {
    const at = pieces.findIndex(({ text }) => test(text, longhand));
    return at < 0 ? null : at;
  };

const firstForRows: Choice = (pieces, longhand) => (/^(?:row|align)/.test(longhand) ? 0 : pieces.length - 1);
const bySide: Choice = (pieces, longhand) => {
  const side = longhand.slice(longhand.indexOf('-') + 1);
  return PIECE_OF_SIDE[pieces.length - 1]?.[SIDES.indexOf(side)] ?? null;
};
const only: Choice = () => 0;

/** For each shorthand the number of the piece that a longhand takes, as its definition says. */
const PIECE_IN: Readonly<Record<string, Choice>> = {
  gap: firstForRows,
  'grid-gap': firstForRows,
  'grid-row-gap': only,
  'grid-column-gap': only,
  margin: bySide,
  padding: bySide,
  'place-content': firstForRows,
  'place-items': firstForRows,
  columns: where((text, longhand) => (longhand === 'column-count' ? /^\d+$/.test(text) : isOf('length', text))),
  flex: where((text) => /^(?:auto|content|[\d.]+(?:px|em|rem|%|ch|vw)|calc\(.*\))$/i.test(text)),
  background: where((text, longhand) => longhand === 'background-color' && isOf('color', text)),
};

/** The number of the piece that a longhand takes; null where the shorthand says it in none. */
const pieceFor = (shorthand: string, longhand: string, pieces: readonly Piece[]): number | null =>
  pieces.length === 0 ? null : (PIECE_IN[shorthand]?.(pieces, longhand) ?? null);

/** A longhand's value out of what sets it; null where a shorthand does not say it in a piece of its own. */
export function partOf(declared: string, longhand: string, value: string): string | null {
  if (declared === longhand) return value;
  const pieces = piecesOf(value);
  const at = pieceFor(declared, longhand, pieces);
  if (at !== null) return pieces[at]?.text ?? null;
  return longhand === 'flex-basis' ? basisWithout(value) : null;
}

/** What the basis is where `flex` does not name it (CSS Flexible Box 1 §7.1.1). */
const basisWithout = (flex: string): string => (/^(?:none|initial|auto)$/i.test(flex) ? 'auto' : '0%');

/** The shorthand with one longhand changed and the rest as written; null where that cannot be said in it. */
export function withPart(declared: string, longhand: string, value: string, part: string): string | null {
  if (declared === longhand) return part;
  const pieces = piecesOf(value);
  const at = pieceFor(declared, longhand, pieces);
  if (at === null) return null;
  if (declared === 'margin' || declared === 'padding') {
    const sides = SIDES.map((side) => partOf(declared, `${declared}-${side}`, value) ?? '0');
    sides[SIDES.indexOf(longhand.slice(declared.length + 1))] = part;
    return collapsed(sides);
  }
  if ((declared.endsWith('gap') || declared.startsWith('place')) && pieces.length === 1) {
    if (declared === 'grid-row-gap' || declared === 'grid-column-gap') return part;
    const first = /^(?:row|align)/.test(longhand);
    if (part === firstOf(pieces).text) return value;
    return first ? `${part} ${firstOf(pieces).text}` : `${firstOf(pieces).text} ${part}`;
  }
  const piece = known(pieces[at], 'piece');
  return value.slice(0, piece.start) + part + value.slice(piece.end);
}

/** Four sides as few as say the same (CSS Box Model 3 §3.2). */
function collapsed([top = '', right = '', bottom = '', left = '']: readonly string[]): string {
  if (right !== left) return `${top} ${right} ${bottom} ${left}`;
  if (top !== bottom) return `${top} ${right} ${bottom}`;
  return top === right ? top : `${top} ${right}`;
}

/** Why a value cannot stand for a property, by the syntax of its specification; null where it can. */
export function troubleWith(property: string, value: string): string | null {
  if (/[;{}]|\/\*|<\//.test(value)) return `“${value}” would end the declaration`;
  if (value.trim() === '') return 'it is empty';
  // A custom property takes whatever its reader can use.
  if (property.startsWith('--') || /var\(|env\(/.test(value)) return null;
  return lexer.matchProperty(property, value).error === null ? null : `“${value}” is no value for ${property}`;
}

const LENGTH = /^(-?\d*\.?\d+)(px|em|rem|%|ch|vw|pt)?$/i;

/** A plain length in its number and unit; null of anything else. */
export function lengthOf(value: string): { number: number; unit: string } | null {
  const match = LENGTH.exec(value.trim());
  return match && (match[2] || Number(match[1]) === 0)
    ? { number: Number(match[1]), unit: match[2]?.toLowerCase() ?? '' }
    : null;
}

export const short = (number: number): string => String(Math.round(number * 1000) / 1000);

/** The sum of two lengths: one of the same unit where that can be said, else `calc()`. */
export function sumOf(a: string, b: string): string {
  const [x, y] = [lengthOf(a), lengthOf(b)];
  if (x && x.number === 0) return y?.number === 0 ? '0' : b;
  if (y && y.number === 0) return a;
  if (x && y && x.unit === y.unit) return short(x.number + y.number) + x.unit;
  return `calc(${a} + ${b})`;
}

/** A length times a factor. */
export function timesOf(value: string, factor: number): string {
  const length = lengthOf(value);
  if (length) return length.number === 0 ? '0' : short(length.number * factor) + length.unit;
  return `calc(${value} * ${short(factor)})`;
}
