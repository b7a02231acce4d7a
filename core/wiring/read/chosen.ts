/** What the first argument of a call chooses: a selector, an element or a list of them, kept in a variable or not. */
import type { AnyNode, CallExpression, Program } from 'acorn';
import { full } from 'acorn-walk';
import { propertyOf } from './collections.ts';

/** What a call is handed: words of CSS, one element, or several. */
export type Handed = 'selector' | 'element' | 'list';

interface Chosen {
  /** The selector by which it is found. */
  text: string;
  as: Handed;
  /** Where the selector stands, with its quotes; null where it is written otherwise, as an id is. */
  at: { start: number; end: number } | null;
}

/** What a name stands for, where it is given a value once and never another; null else. */
export type ValueOf = (name: string) => AnyNode | null;

export function valuesIn(program: Program): ValueOf {
  const values = new Map<string, AnyNode | null>();
  const note = (name: string, value: AnyNode | null) => values.set(name, values.has(name) ? null : value);
  full(program, (node) => {
    if (node.type === 'VariableDeclarator' && node.id.type === 'Identifier') note(node.id.name, node.init ?? null);
    if (node.type === 'AssignmentExpression' && node.left.type === 'Identifier') note(node.left.name, null);
    if (/Function/.test(node.type) && 'params' in node)
      for (const parameter of node.params) if (parameter.type === 'Identifier') note(parameter.name, null);
  });
  return (name) => values.get(name) ?? null;
}

type Ask = (text: string) => { text: string; as: Handed; isPlain: boolean };

const byClass = (names: string): string =>
  names
    .trim()
    .split(/\s+/)
    .map((name) => `.${name}`)
    .join('');

/** Functions of the platform that find elements (DOM Standard, “ParentNode”, “NonElementParentNode”, “Document”). */
const ASKS: Readonly<Record<string, Ask>> = {
  querySelector: (text) => ({ text, as: 'element', isPlain: true }),
  querySelectorAll: (text) => ({ text, as: 'list', isPlain: true }),
  getElementById: (id) => ({ text: `#${id}`, as: 'element', isPlain: false }),
  getElementsByClassName: (names) => ({ text: byClass(names), as: 'list', isPlain: false }),
  getElementsByTagName: (tag) => ({ text: tag, as: 'list', isPlain: false }),
};

/** Null for what only a run of the script would tell. */
export function chosenIn(node: AnyNode, valueOf: ValueOf, depth = 0): Chosen | null {
  if (depth > MOST_STEPS) return null;
  const inner = (one: AnyNode) => chosenIn(one, valueOf, depth + 1);
  switch (node.type) {
    case 'Literal':
      return typeof node.value === 'string'
        ? { text: node.value, as: 'selector', at: { start: node.start, end: node.end } }
        : null;
    case 'Identifier': {
      const value = valueOf(node.name);
      return value && inner(value);
    }
    case 'ArrayExpression': {
      // `[...document.querySelectorAll('a')]`
      const [only, ...more] = node.elements;
      return only?.type === 'SpreadElement' && more.length === 0 ? inner(only.argument) : null;
    }
    case 'CallExpression':
      return foundBy(node, inner);
    default:
      return null;
  }
}

/** Names may stand for names; no author goes further. */
const MOST_STEPS = 5;

function foundBy(node: CallExpression, inner: (one: AnyNode) => Chosen | null): Chosen | null {
  const name = propertyOf(node.callee);
  const [first] = node.arguments;
  if (name === null || node.callee.type !== 'MemberExpression' || !first) return null;
  // `Array.from(document.querySelectorAll('a'))`
  if (name === 'from') return inner(first);
  const { object } = node.callee;
  const isPage = object.type === 'Identifier' && object.name === 'document';
  if (!isPage || first.type !== 'Literal' || typeof first.value !== 'string' || !Object.hasOwn(ASKS, name)) return null;
  const asked = ASKS[name]?.(first.value);
  if (!asked) return null;
  const { text, as, isPlain } = asked;
  return { text, as, at: isPlain ? { start: first.start, end: first.end } : null };
}
