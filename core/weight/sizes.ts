/**
 * The width that `sizes` says a picture will have (WHATWG HTML §4.8.4.2.2): the first length whose condition holds.
 */
import { parse, type CssNode } from 'css-tree';
import { allHold } from '../style/index.ts';

/** A window, CSS px, and how many pixels of the screen are one of them. */
export interface Window {
  width: number;
  height: number;
  density: number;
}

/** What a picture takes that says nothing. */
const WHOLE = '100vw';

/** CSS px; `auto`, which only the layout can say, is taken for the width of the window unless it is known. */
export function sizeSaid(sizes: string | undefined, window: Window, laidOut: number | null): number {
  for (const one of separated(sizes ?? WHOLE)) {
    if (/^auto$/i.test(one)) {
      if (laidOut !== null) return laidOut;
      continue;
    }
    const { condition, length } = split(one);
    const px = lengthIn(length, window);
    if (px !== null && (condition === '' || allHold([condition], window.width))) return px;
  }
  return window.width;
}

/** Parts between commas that stand in no brackets. */
function separated(text: string): string[] {
  const parts: string[] = [''];
  let depth = 0;
  for (const letter of text) {
    if (letter === '(') depth++;
    if (letter === ')') depth--;
    if (letter === ',' && depth === 0) parts.push('');
    else parts[parts.length - 1] += letter;
  }
  return parts.map((part) => part.trim()).filter((part) => part !== '');
}

/** The last piece is the length, what stands before it the condition. */
function split(part: string): { condition: string; length: string } {
  const [, condition = '', length = part] =
    /^([\s\S]*?)\s*((?:[\w-]+\((?:[^()]|\([^()]*\))*\)|[^\s()]+))$/.exec(part) ?? [];
  return { condition, length };
}

/** CSS px of a length; null of what is none, or is negative. */
function lengthIn(text: string, window: Window): number | null {
  try {
    const tree = parse(text, { context: 'value' });
    const nodes = tree.type === 'Value' ? [...tree.children] : [];
    const px = nodes.length === 1 && nodes[0] ? valueIn(nodes[0], window) : null;
    return px !== null && px >= 0 ? px : null;
  } catch {
    return null;
  }
}

/** CSS px in one unit; a page's letters are taken to have 16 px, as browsers do for `sizes`. */
function unitIn(unit: string, { width, height }: Window): number | null {
  const units: Readonly<Record<string, number>> = {
    px: 1,
    em: 16,
    rem: 16,
    ex: 8,
    ch: 8,
    cm: 96 / 2.54,
    mm: 96 / 25.4,
    in: 96,
    pt: 96 / 72,
    pc: 16,
    vw: width / 100,
    vh: height / 100,
    vmin: Math.min(width, height) / 100,
    vmax: Math.max(width, height) / 100,
  };
  return units[unit.toLowerCase().replace(/^[sld](?=v)/, '')] ?? null;
}

function valueIn(node: CssNode, window: Window): number | null {
  if (node.type === 'Number') return Number(node.value);
  if (node.type === 'Dimension') {
    const unit = unitIn(node.unit, window);
    return unit === null ? null : Number(node.value) * unit;
  }
  if (node.type === 'Parentheses') return sumIn([...node.children], window);
  if (node.type !== 'Function') return null;
  const args = argumentsOf([...node.children]).map((one) => sumIn(one, window));
  const known = args.filter((one) => one !== null);
  if (known.length !== args.length) return null;
  const [a = 0, b = 0, c = 0] = known;
  switch (node.name.toLowerCase()) {
    case 'calc':
      return a;
    case 'min':
      return Math.min(...known);
    case 'max':
      return Math.max(...known);
    case 'clamp':
      return Math.max(a, Math.min(b, c));
    default:
      return null;
  }
}

function argumentsOf(nodes: readonly CssNode[]): CssNode[][] {
  const all: CssNode[][] = [[]];
  for (const node of nodes) {
    if (node.type === 'Operator' && node.value === ',') all.push([]);
    else all.at(-1)?.push(node);
  }
  return all;
}

/** Sums of products (CSS Values 4 §10.1); null of what is neither. */
function sumIn(nodes: readonly CssNode[], window: Window): number | null {
  let sum = 0;
  let product: number | null = null;
  let sign = 1;
  let operator = '+';
  for (const node of nodes) {
    if (node.type === 'Operator') {
      operator = node.value.trim();
      if (operator !== '+' && operator !== '-') continue;
      sum += sign * (product ?? 0);
      sign = operator === '-' ? -1 : 1;
      product = null;
      continue;
    }
    const value = valueIn(node, window);
    if (value === null) return null;
    if (product === null) product = value;
    else product = operator === '/' ? product / value : product * value;
  }
  return sum + sign * (product ?? 0);
}
