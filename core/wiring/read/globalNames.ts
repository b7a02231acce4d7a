/** Names by which a script speaks of the global object: what it is handed as into functions that are called at once. */
import type { AnyNode, CallExpression, ArrowFunctionExpression, FunctionExpression, Program } from 'acorn';
import { full } from 'acorn-walk';

const GLOBAL_OBJECTS = ['window', 'self', 'globalThis', 'top'];

/** Where a name means the global object: within a function, or everywhere. */
interface Alias {
  name: string;
  start: number;
  end: number;
}

type FunctionNode = FunctionExpression | ArrowFunctionExpression;

const isFunction = (node: AnyNode | undefined): node is FunctionNode =>
  node?.type === 'FunctionExpression' || node?.type === 'ArrowFunctionExpression';

/** Functions that are called where they are written, also by `call`. */
function calledAtOnce({ callee }: CallExpression): { called: FunctionNode; skips: number } | null {
  if (isFunction(callee)) return { called: callee, skips: 0 };
  if (callee.type !== 'MemberExpression' || callee.property.type !== 'Identifier') return null;
  return callee.property.name === 'call' && isFunction(callee.object) ? { called: callee.object, skips: 1 } : null;
}

export type IsGlobalObject = (node: AnyNode) => boolean;

/**
 * Tells whether an expression is the global object, in a wrapper such as `(function (root, factory) { … })(this, …)`
 * too: `root`, and what `factory` is handed.
 */
export function globalObjectIn(program: Program): IsGlobalObject {
  const aliases: Alias[] = [];
  const isIt = (node: AnyNode): boolean =>
    // `(root = root || self).Gleam = …`, as programs write that make code smaller.
    (node.type === 'AssignmentExpression' && leadsThere(node.right)) || isNamed(node);
  const isNamed = (node: AnyNode): boolean =>
    node.type === 'Identifier' &&
    (GLOBAL_OBJECTS.includes(node.name) ||
      aliases.some(({ name, start, end }) => name === node.name && node.start >= start && node.end <= end));
  /** `this`, `window || this`, `typeof window !== 'undefined' ? window : this`. */
  const leadsThere = (node: AnyNode | undefined): boolean => {
    if (!node) return false;
    if (node.type === 'ThisExpression') return true;
    if (node.type === 'ConditionalExpression') return leadsThere(node.consequent) || leadsThere(node.alternate);
    if (node.type === 'LogicalExpression') return leadsThere(node.left) || leadsThere(node.right);
    return isIt(node);
  };
  const hand = ({ params, start, end }: FunctionNode, given: readonly AnyNode[]) =>
    params.forEach((parameter, n) => {
      if (parameter.type === 'Identifier' && leadsThere(given[n])) aliases.push({ name: parameter.name, start, end });
    });
  const wrappers: { called: FunctionNode; given: readonly AnyNode[] }[] = [];
  full(program, (node) => {
    const at = node.type === 'CallExpression' ? calledAtOnce(node) : null;
    if (at && node.type === 'CallExpression')
      wrappers.push({ called: at.called, given: node.arguments.slice(at.skips) });
  });
  // The outermost first, for it hands on what it was handed.
  wrappers.sort((a, b) => a.called.start - b.called.start);
  for (const { called, given } of wrappers) {
    hand(called, given);
    called.params.forEach((parameter, n) => {
      const factory = given[n];
      if (parameter.type !== 'Identifier' || !isFunction(factory)) return;
      full(called.body, (node) => {
        if (node.type === 'CallExpression' && node.callee.type === 'Identifier' && node.callee.name === parameter.name)
          hand(factory, node.arguments);
      });
    });
  }
  return isIt;
}
