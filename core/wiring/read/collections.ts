/**
 * Plug-ins on a collection of elements, as scripts on top of jQuery have them: what the base is called in a script,
 * which plug-ins it gives, and what is called on which selector.
 */
import type { AnyNode, ArrowFunctionExpression, CallExpression, FunctionExpression, Program } from 'acorn';
import { full } from 'acorn-walk';

/** What the base is called where nobody calls it otherwise. */
const BASES = ['$', 'jQuery'];

/** Names by which a script speaks of the base: its own two, what it is kept as, and the parameter it is handed as. */
export function baseNames(program: Program): ReadonlySet<string> {
  const names = new Set(BASES);
  const isBase = (node: AnyNode | null | undefined): boolean =>
    node?.type === 'Identifier' ? names.has(node.name) : isHandedOver(node);
  full(program, (node) => {
    if (node.type === 'VariableDeclarator' && node.id.type === 'Identifier' && isBase(node.init))
      names.add(node.id.name);
    if (node.type !== 'CallExpression') return;
    const callee = functionIn(node.callee);
    callee?.params.forEach((parameter, n) => {
      if (parameter.type === 'Identifier' && isBase(node.arguments[n])) names.add(parameter.name);
    });
  });
  return names;
}

/** `jQuery.noConflict()`, and `window.jQuery`. */
function isHandedOver(node: AnyNode | null | undefined): boolean {
  if (node?.type === 'CallExpression' && node.callee.type === 'MemberExpression')
    return propertyOf(node.callee) === 'noConflict';
  return (
    node?.type === 'MemberExpression' &&
    node.object.type === 'Identifier' &&
    node.object.name === 'window' &&
    BASES.includes(propertyOf(node) ?? '')
  );
}

const functionIn = (node: AnyNode): FunctionExpression | ArrowFunctionExpression | null =>
  node.type === 'FunctionExpression' || node.type === 'ArrowFunctionExpression' ? node : null;

export function propertyOf(node: AnyNode): string | null {
  if (node.type !== 'MemberExpression') return null;
  if (!node.computed) return node.property.type === 'Identifier' ? node.property.name : null;
  return node.property.type === 'Literal' && typeof node.property.value === 'string' ? node.property.value : null;
}

/** `$.fn`, `jQuery.prototype`. */
const isPlugs = (node: AnyNode, bases: ReadonlySet<string>): boolean =>
  node.type === 'MemberExpression' &&
  node.object.type === 'Identifier' &&
  bases.has(node.object.name) &&
  ['fn', 'prototype'].includes(propertyOf(node) ?? '');

/** The plug-ins that an expression gives: `$.fn.glow = …`, `$.fn.extend({ glow: … })`. */
export function plugInsIn(node: AnyNode, bases: ReadonlySet<string>): string[] {
  if (node.type === 'AssignmentExpression' && node.left.type === 'MemberExpression') {
    const name = isPlugs(node.left.object, bases) ? propertyOf(node.left) : null;
    return name === null ? [] : [name];
  }
  if (node.type !== 'CallExpression' || node.callee.type !== 'MemberExpression') return [];
  const [first] = node.arguments;
  const adds = propertyOf(node.callee) === 'extend' && isPlugs(node.callee.object, bases);
  if (!adds || first?.type !== 'ObjectExpression') return [];
  return first.properties.flatMap((one) =>
    one.type === 'Property' && !one.computed && one.key.type === 'Identifier' ? [one.key.name] : [],
  );
}

/** The call that makes the collection at the root of a chain: `$('.a')` of `$('.a').find('b').glow()`. */
export function collectionOf({ callee }: CallExpression, bases: ReadonlySet<string>): CallExpression | null {
  let at: AnyNode = callee;
  while (at.type === 'MemberExpression' || at.type === 'CallExpression') {
    if (at.type === 'CallExpression' && at.callee.type === 'Identifier') return bases.has(at.callee.name) ? at : null;
    at = at.type === 'CallExpression' ? at.callee : at.object;
  }
  return null;
}
