/**
 * Whether a media condition holds for a window of a given width (Media Queries 4 §2 to §4), on the screen of a desktop
 * with a mouse. What depends on more than that (height, orientation) is taken to hold, and told ({@link isUnsure}).
 */
import { firstOf } from '../site/index.ts';
import { parse, type CssNode } from 'css-tree';

/** Width in CSS px. Of `em` and `rem` the initial 16 px count, as the specification says. */
function holdsAt(condition: string, width: number, other = true): boolean {
  let list: CssNode;
  try {
    list = parse(condition, { context: 'mediaQueryList' });
  } catch {
    return false;
  }
  if (list.type !== 'MediaQueryList') return false;
  return [...list.children].some(
    (query) => query.type === 'MediaQuery' && queryHolds(asVersion3(query), { width, other }),
  );
}

export const allHold = (conditions: readonly string[], width: number): boolean =>
  conditions.every((condition) => holdsAt(condition, width));

/** Whether conditions hold or not by what is not known of a window. */
export const isUnsure = (conditions: readonly string[], width: number): boolean =>
  conditions.some((condition) => holdsAt(condition, width) !== holdsAt(condition, width, false));

/** A window, and what is taken for true of it that is not known. */
interface Window {
  width: number;
  other: boolean;
}

/** What holds of the screen that is meant; light, for a page that says nothing is (Media Queries 5). */
const OF_SCREEN: Readonly<Record<string, string>> = {
  hover: 'hover',
  'any-hover': 'hover',
  pointer: 'fine',
  'any-pointer': 'fine',
  'prefers-color-scheme': 'light',
  'prefers-reduced-motion': 'no-preference',
  'prefers-contrast': 'no-preference',
  'forced-colors': 'none',
  scripting: 'enabled',
};

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

function queryHolds({ modifier, mediaType, condition }: Query, window: Window): boolean {
  const ofType = mediaType === null || /^(all|screen)$/i.test(mediaType);
  const holds = ofType && (condition === null || conditionHolds(condition, window));
  return modifier?.toLowerCase() === 'not' ? !holds : holds;
}

function conditionHolds({ children }: Condition, window: Window): boolean {
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
    const one = partHolds(part, window) !== negated;
    negated = false;
    const joined: boolean = joint === 'and' ? holds === true && one : holds === true || one;
    holds = holds === null ? one : joined;
  }
  return holds ?? true;
}

function partHolds(part: Part, window: Window): boolean {
  const { width, other } = window;
  if (part.type === 'Condition') return conditionHolds(part, window);
  if (part.type === 'Feature') {
    const { name, value } = part;
    const length = inPx(value);
    if (!/^(?:min-|max-)?width$/i.test(name)) return ofScreen(name, value) ?? other;
    // `(width)` alone asks whether there is any.
    if (length === null) return value === null;
    if (name === 'max-width') return width <= length;
    if (name === 'min-width') return width >= length;
    return width === length;
  }
  if (part.type !== 'FeatureRange') return other;
  const { left, leftComparison, middle, rightComparison, right } = part;
  const known = (value: Value) => {
    if (value?.type !== 'Identifier') return inPx(value);
    return value.name === 'width' ? width : null;
  };
  const compared = (a: Value, sign: string | null, b: Value) => {
    const [x, y] = [known(a), known(b)];
    if (sign === null) return true;
    if (x === null || y === null) return other;
    return (COMPARED[sign] ?? Object.is)(x, y);
  };
  return compared(left, leftComparison, middle) && compared(middle, rightComparison, right);
}

/** Whether a feature is as the screen is that is meant; null for one that is not known of it. */
function ofScreen(name: string, value: Value): boolean | null {
  const own = OF_SCREEN[name.toLowerCase()];
  if (own === undefined) return null;
  return value === null ? own !== 'none' && own !== 'no-preference' : value.name?.toLowerCase() === own;
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
