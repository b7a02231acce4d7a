/** The options that a script knows, with what holds where nobody says otherwise. */
import type {
  AnyNode,
  ArrowFunctionExpression,
  AssignmentPattern,
  CallExpression,
  FunctionDeclaration,
  FunctionExpression,
  ObjectExpression,
  Program,
} from 'acorn';
import { full } from 'acorn-walk';
import { nameOfKey, plainValue, type Mention } from './calls.ts';
import type { ValueOf } from './chosen.ts';
import { propertyOf } from './collections.ts';

type FunctionNode = ArrowFunctionExpression | FunctionDeclaration | FunctionExpression;

export interface Default extends Mention {
  value: string | number | boolean;
}

type Add = (name: string | null, value: Default['value'] | null, at: number) => void;

export function defaultsIn(program: Program, valueOf: ValueOf): Default[] {
  const found: Default[] = [];
  const add: Add = (name, value, at) => {
    if (name !== null && value !== null && !found.some((one) => one.at === at)) found.push({ name, value, at });
  };
  const functions: FunctionNode[] = [];
  full(program, (node) => {
    if (node.type === 'CallExpression') laidOver(node, valueOf, add);
    if (node.type === 'ObjectExpression') spreadOver(node, valueOf, add);
    if (node.type === 'AssignmentPattern') inPattern(node, add);
    if (isFunction(node)) functions.push(node);
  });
  const asked = functions.flatMap(askedOf);
  // Of what has a default said in full, nothing more need be guessed.
  const kept = asked.length === 0 ? new Map<string, Default['value']>() : keptValues(program);
  for (const { name, at, without } of asked) {
    if (found.some((one) => one.name === name)) continue;
    add(name, without ?? kept.get(name) ?? '', at);
  }
  return found;
}

const isFunction = (node: AnyNode): node is FunctionNode =>
  node.type === 'ArrowFunctionExpression' || node.type === 'FunctionDeclaration' || node.type === 'FunctionExpression';

/** Functions that lay what somebody says over what is so by itself. */
const LAYS_OVER = new Set(['extend', 'assign', 'defaults', 'merge']);

function laidOver({ callee, arguments: given }: CallExpression, valueOf: ValueOf, add: Add): void {
  const name = callee.type === 'Identifier' ? callee.name : propertyOf(callee);
  if (!LAYS_OVER.has(name ?? '') || given.length < 2) return;
  for (const argument of given.slice(0, -1)) inObject(argument, valueOf, add);
}

/** `{ ...byItself, ...options }`: what comes first holds where nobody says otherwise. */
function spreadOver({ properties }: ObjectExpression, valueOf: ValueOf, add: Add): void {
  const spread = properties.filter((one) => one.type === 'SpreadElement');
  const last = spread.at(-1);
  if (properties.at(-1) !== last || !last) return;
  for (const one of spread.slice(0, -1)) inObject(one.argument, valueOf, add);
  if (properties.length > spread.length) entries(properties, add);
}

/** The entries of an object, also of one that is kept under a name. */
function inObject(node: AnyNode, valueOf: ValueOf, add: Add): void {
  const object = node.type === 'Identifier' ? valueOf(node.name) : node;
  if (object?.type === 'ObjectExpression') entries(object.properties, add);
}

function entries(properties: ObjectExpression['properties'], add: Add): void {
  for (const property of properties)
    if (property.type === 'Property' && !property.computed)
      add(nameOfKey(property.key), plainValue(property.value), property.start);
}

/** `function glow(links, { counter = true } = {})`. */
function inPattern({ left, right }: AssignmentPattern, add: Add): void {
  if (left.type !== 'ObjectPattern' || right.type !== 'ObjectExpression' || right.properties.length > 0) return;
  for (const property of left.properties)
    if (property.type === 'Property' && property.value.type === 'AssignmentPattern')
      add(nameOfKey(property.key), plainValue(property.value.right), property.start);
}

interface Asked extends Mention {
  /** What holds without it, where the way in which it is asked for tells. */
  without: Default['value'] | null;
}

/**
 * What a function asks of a parameter that somebody may leave out: `!options || options.counter !== false`. That it
 * may be left out is told by a question for it alone.
 */
function askedOf({ params, body }: FunctionNode): Asked[] {
  return params.slice(1).flatMap((parameter): Asked[] => {
    if (parameter.type !== 'Identifier') return [];
    const { name } = parameter;
    const isIt = (node: AnyNode): boolean => node.type === 'Identifier' && node.name === name;
    const reads: Asked[] = [];
    const called = new Set<AnyNode>();
    let mayBeLeftOut = false;
    full(body, (node) => {
      if (node.type === 'CallExpression') called.add(node.callee);
      if (node.type === 'LogicalExpression') mayBeLeftOut ||= isIt(node.left) || isNot(node.left, isIt);
      const read = node.type === 'BinaryExpression' ? comparedRead(node.left, node.right, node.operator, isIt) : null;
      if (read) reads.unshift(read);
      if (node.type === 'MemberExpression' && isIt(node.object) && propertyOf(node) !== null)
        reads.push({ name: propertyOf(node) ?? '', at: node.start, without: null });
    });
    if (!mayBeLeftOut) return [];
    // What is called is a function of it, as an element has some.
    const functions = new Set([...called].map(({ start }) => start));
    const options = reads.filter(({ at }) => !functions.has(at));
    return options.filter((one, n) => options.findIndex((other) => other.name === one.name) === n);
  });
}

const isNot = (node: AnyNode, isIt: (node: AnyNode) => boolean): boolean =>
  node.type === 'UnaryExpression' && node.operator === '!' && isIt(node.argument);

/** `options.counter !== false` holds without it, `options.loop === true` does not. */
function comparedRead(left: AnyNode, right: AnyNode, operator: string, isIt: (node: AnyNode) => boolean): Asked | null {
  const [read, other] = left.type === 'MemberExpression' ? [left, right] : [right, left];
  if (read.type !== 'MemberExpression' || !isIt(read.object)) return null;
  const name = propertyOf(read);
  const value = plainValue(other);
  if (name === null || typeof value !== 'boolean' || !/^[!=]==?$/.test(operator)) return null;
  return { name, at: read.start, without: operator.startsWith('!') ? !value : false };
}

/** Plain values that objects of the script have under a name; the first of each. */
function keptValues(program: Program): Map<string, Default['value']> {
  const kept = new Map<string, Default['value']>();
  full(program, (node) => {
    const name = node.type === 'Property' && !node.computed ? nameOfKey(node.key) : null;
    const value = node.type === 'Property' ? plainValue(node.value) : null;
    if (name !== null && value !== null && !kept.has(name)) kept.set(name, value);
  });
  return kept;
}
