/**
 * Whether a media condition holds for a window of a given width (Media Queries 4 §2 to §4). Screens only; what is not
 * about width is taken to hold.
 */
import { firstOf } from '../site/index.ts';
import { parse, type CssNode } from 'css-tree';

/** Width in CSS px. Of `em` and `rem` the initial 16 px count, as the specification says. */
function holdsAt(condition: string, width: number): boolean {
  let list: CssNode;
  try {
    list = parse(condition, { context: 'mediaQueryList' });
  } catch {
    return false;
  }
  if (list.type !== 'MediaQueryList') return false;
  return [...list.children].some((query) => query.type === 'MediaQuery' && queryHolds(asVersion3(query), width));
}

export const allHold = (conditions: readonly string[], width: number): boolean =>
  conditions.every((condition) => holdsAt(condition, width));

/** css-tree 3 gives these; its published types are those of version 2. */
const asVersion3 = (query: CssNode): Query => query as unknown as Query; // see above

interface Query {
  modifier: string | null;
  mediaType: string | null;
  condition: Condition | null;
}
interface Condition {
  children: Iterable<Part>;
}
type Value = { type: string; value?: string; unit?: string; name?: string } | null;
type Part =
  | { type: 'Identifier'; name: string }
  | { type: 'Feature'; name: string; value: Value }
  | {
      type: 'FeatureRange';
      left: Value;
      leftComparison: string;
      middle: Value;
      rightComparison: string | null;
      right: Value;
    }
  | ({ type: 'Condition' } & Condition)
  | { type: 'GeneralEnclosed' };

function queryHolds({ modifier, mediaType, condition }: Query, width: number): boolean {
  const ofType = mediaType === null || /^(all|screen)$/i.test(mediaType);
  const holds = ofType && (condition === null || conditionHolds(condition, width));
  return modifier?.toLowerCase() === 'not' ? !holds : holds;
}

function conditionHolds({ children }: Condition, width: number): boolean {
  let holds: boolean | null = null;
  let joint: 'and' | 'or' = 'and';
  let negated = false;
  for (const part of children) {
    if (part.type === 'Identifier') {
      const { name } = part;
      if (name === 'not') negated = true;
      else if (name === 'and' || name === 'or') joint = name;
      continue;
    }
    const one = partHolds(part, width) !== negated;
    negated = false;
    const joined: boolean = joint === 'and' ? holds === true && one : holds === true || one;
    holds = holds === null ? one : joined;
  }
  return holds ?? true;
}

function partHolds(part: Part, width: number): boolean {
  if (part.type === 'Condition') return conditionHolds(part, width);
  if (part.type === 'Feature') {
    const { name, value } = part;
    const length = inPx(value);
    if (length === null) return !/^(?:min-|max-)?width$/i.test(name);
    if (name === 'max-width') return width <= length;
    if (name === 'min-width') return width >= length;
    return name === 'width' ? width === length : true;
  }
  if (part.type !== 'FeatureRange') return true;
  const { left, leftComparison, middle, rightComparison, right } = part;
  const known = (value: Value) => {
    if (value?.type !== 'Identifier') return inPx(value);
    return value.name === 'width' ? width : null;
  };
  const compared = (a: Value, sign: string | null, b: Value) => {
    const [x, y] = [known(a), known(b)];
    if (sign === null || x === null || y === null) return true;
    return (COMPARED[sign] ?? Object.is)(x, y);
  };
  return compared(left, leftComparison, middle) && compared(middle, rightComparison, right);
}

function inPx(value: Value): number | null {
  if (value?.type === 'Number') return Number(value.value);
  if (value?.type !== 'Dimension') return null;
  const unit = (value.unit ?? '').toLowerCase();
  const size = PX_IN[unit];
  return size === undefined ? null : Number(value.value) * size;
}

/** CSS px. Media queries go by the browser's own font size, whatever the page says (Media Queries 4 §1.3). */
const PX_IN: Readonly<Record<string, number>> = { px: 1, em: 16, rem: 16 };

const COMPARED: Readonly<Record<string, (x: number, y: number) => boolean>> = {
  '<': (x, y) => x < y,
  '<=': (x, y) => x <= y,
  '>': (x, y) => x > y,
  '>=': (x, y) => x >= y,
};

/**
 * The width up to which a condition holds and above which it does not, in CSS px; null where it is not of that kind.
 */
export function upTo(conditions: readonly string[]): number | null {
  const match =
    conditions.length === 1
      ? /\(\s*(?:max-width\s*:|width\s*<=)\s*([\d.]+)(px|em|rem)\s*\)/i.exec(firstOf(conditions))
      : null;
  if (!match) return null;
  const width = Number(match[1]) * ((match[2] ?? '').toLowerCase() === 'px' ? 1 : 16);
  return holdsAt(firstOf(conditions), width) && !holdsAt(firstOf(conditions), width + 1) ? width : null;
}
