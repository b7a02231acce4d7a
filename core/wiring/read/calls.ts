/** Calls that a script makes of what other scripts give: functions, methods, constructors, plug-ins on a collection. */
import type { AnyNode, CallExpression, Expression, NewExpression, Property } from 'acorn';
import { full } from 'acorn-walk';
import { chosenIn, type Handed, type ValueOf } from './chosen.ts';
import { collectionOf, propertyOf } from './collections.ts';
import type { IsGlobalObject } from './globalNames.ts';

/** A name, and the offset in the script where it stands. */
export interface Mention {
  name: string;
  at: number;
}

export type Way = 'function' | 'collection' | 'method' | 'constructor';

interface Place {
  start: number;
  end: number;
}

export interface Call extends Mention {
  way: Way;
  /** Of a method the object, of a plug-in the base, by the names that the script has for them. */
  of: string | null;
  /** Behind the call's closing bracket. */
  end: number;
  /** The whole statement with its semicolon, where the call is one by itself. */
  statement: Place | null;
  /** The selector by which the first argument is found; of a plug-in that of its collection. */
  text: string | null;
  /** Where that text stands, with its quotes; null where it is written otherwise. */
  textAt: Place | null;
  /** What is handed over by it; null where nobody can say. */
  handed: Handed | null;
  /** Where the first argument stands. */
  firstAt: Place | null;
  /** Plain values of an object among the arguments. */
  options: Record<string, string | number | boolean>;
  /** Where those values stand. */
  optionsAt: Record<string, Place>;
  /** Where the names of those options stand. */
  namesAt: Record<string, Place>;
  /** The object itself, and where the last that stands in it ends; null where none is handed over. */
  object: (Place & { last: number | null }) | null;
  /** Methods that are called on what comes of it, and their statements where they are apart. */
  then: { name: string; statement: Place | null }[];
  /** The name of the variable that keeps what comes of it. */
  kept: string | null;
  /** Made while the script runs, not in a function that waits for an event. */
  immediate: boolean;
  /** Made only where the function is there: `if (window.show) show();` */
  guarded: boolean;
}

export interface Reader {
  isGlobal: IsGlobalObject;
  bases: ReadonlySet<string>;
  valueOf: ValueOf;
  immediate: (at: number) => boolean;
}

type Called = CallExpression | NewExpression;

/** What is called, and in which way; null for what is given back by something else. */
function calledBy(node: Called, { isGlobal, bases }: Reader): Pick<Call, 'way' | 'name' | 'of'> | null {
  const { callee } = node;
  const way = node.type === 'NewExpression' ? 'constructor' : 'function';
  if (callee.type === 'Identifier') return { way, name: callee.name, of: null };
  const name = propertyOf(callee);
  if (callee.type !== 'MemberExpression' || name === null) return null;
  if (isGlobal(callee.object)) return { way, name, of: null };
  if (node.type === 'NewExpression') return null;
  const collection = collectionOf(node, bases);
  if (collection?.callee.type === 'Identifier') return { way: 'collection', name, of: collection.callee.name };
  const object = nameOfObject(callee.object, isGlobal);
  return object === null ? null : { way: 'method', name, of: object };
}

/** `Beam`, `window.Beam`. */
function nameOfObject(object: AnyNode, isGlobal: IsGlobalObject): string | null {
  if (object.type === 'Identifier') return object.name;
  return object.type === 'MemberExpression' && isGlobal(object.object) ? propertyOf(object) : null;
}

/** The arguments that say which links are meant: of a plug-in those of its collection. */
function chosenBy(node: Called, way: Way, { bases }: Reader): Called['arguments'] {
  const collection = way === 'collection' && node.type === 'CallExpression' ? collectionOf(node, bases) : null;
  return (collection ?? node).arguments;
}

export function callOf(node: Called, ancestors: readonly AnyNode[], reader: Reader): Call | null {
  const called = calledBy(node, reader);
  if (!called) return null;
  const { name, of, way } = called;
  const outer = ancestors.slice(0, -1);
  const guarded = outer.some((one) => asksFor(one, way === 'method' ? (of ?? name) : name, node.start));
  const [first] = chosenBy(node, way, reader);
  const chosen = first ? chosenIn(first, reader.valueOf) : null;
  return {
    ...called,
    at: node.start,
    end: node.end,
    statement: statementOf(ancestors, guarded),
    text: chosen?.text ?? null,
    textAt: chosen?.at ?? null,
    handed: chosen?.as ?? null,
    firstAt: first ? { start: first.start, end: first.end } : null,
    ...optionsOf(node, reader.valueOf),
    then: chainedOn(ancestors),
    kept: keptAs(ancestors),
    immediate: reader.immediate(node.start),
    guarded,
  };
}

/**
 * What is called later on a variable belongs to the call whose outcome it keeps. `uses` counts how often a name is
 * mentioned: what is used otherwise besides cannot be taken out.
 */
export function withLaterCalls(calls: readonly Call[], uses: ReadonlyMap<string, number>): Call[] {
  return calls.map((call) => {
    const { kept } = call;
    if (kept === null) return call;
    const later = calls.filter(({ way, of, at }) => way === 'method' && of === kept && at > call.at);
    const isUsed = (uses.get(kept) ?? 0) > later.length + 1 || later.some(({ statement }) => statement === null);
    return {
      ...call,
      statement: isUsed ? null : call.statement,
      then: [...call.then, ...later.map(({ name, statement }) => ({ name, statement }))],
    };
  });
}

type Argument = CallExpression['arguments'][number];

export const plainText = (node: Argument): string | null =>
  node.type === 'Literal' && typeof node.value === 'string' ? node.value : null;

/** `new Gleam('#g').init()`: what is called in one go with it. */
function chainedOn(ancestors: readonly AnyNode[]): Call['then'] {
  const chained: Call['then'] = [];
  for (let n = ancestors.length - 2; n > 0; n -= 2) {
    const [member, call, inner] = [ancestors[n], ancestors[n - 1], ancestors[n + 1]];
    if (member?.type !== 'MemberExpression' || member.object !== inner) break;
    if (call?.type !== 'CallExpression' || call.callee !== member) break;
    const name = propertyOf(member);
    if (name !== null) chained.push({ name, statement: null });
  }
  return chained;
}

/** How far up a chain of calls reaches. */
function topOf(ancestors: readonly AnyNode[]): number {
  let n = ancestors.length - 1;
  for (;;) {
    const [at, outer] = [ancestors[n], ancestors[n - 1]];
    const isPart =
      (outer?.type === 'MemberExpression' && outer.object === at) ||
      (outer?.type === 'CallExpression' && outer.callee === at);
    if (!isPart) return n;
    n--;
  }
}

function keptAs(ancestors: readonly AnyNode[]): string | null {
  const outer = ancestors[topOf(ancestors) - 1];
  if (outer?.type === 'VariableDeclarator' && outer.id.type === 'Identifier') return outer.id.name;
  return outer?.type === 'AssignmentExpression' && outer.left.type === 'Identifier' ? outer.left.name : null;
}

/** The statement that is nothing but the call, with the condition that only guards it, or the variable that keeps it. */
function statementOf(ancestors: readonly AnyNode[], guarded: boolean): Call['statement'] {
  let n = topOf(ancestors) - 1;
  if (guarded && ancestors[n]?.type === 'LogicalExpression') n--;
  const statement = ancestors[n];
  const declaration = ancestors[n - 1];
  const isConstructed = ancestors.at(-1)?.type === 'NewExpression';
  if (isConstructed && statement?.type === 'VariableDeclarator' && declaration?.type === 'VariableDeclaration')
    return declaration.declarations.length === 1 ? { start: declaration.start, end: declaration.end } : null;
  if (statement?.type !== 'ExpressionStatement') return null;
  const { start, end } = (guarded && guardOf(ancestors.slice(0, n))) || statement;
  return { start, end };
}

/** The condition that holds nothing but one statement; `outer` is what stands around that. */
function guardOf(outer: readonly AnyNode[]): Place | null {
  const block = outer.at(-1);
  const isAlone = block?.type === 'BlockStatement' && block.body.length === 1;
  const condition = isAlone ? outer.at(-2) : block;
  return condition?.type === 'IfStatement' && !condition.alternate ? condition : null;
}

function conditionOf(outer: AnyNode): Expression | null {
  if (outer.type === 'IfStatement' || outer.type === 'ConditionalExpression') return outer.test;
  return outer.type === 'LogicalExpression' ? outer.left : null;
}

const nameOf = (node: AnyNode): string | null =>
  node.type === 'Identifier' || node.type === 'PrivateIdentifier' ? node.name : null;

/** Whether a condition around a call mentions what is called. */
function asksFor(outer: AnyNode, name: string, at: number): boolean {
  const condition = conditionOf(outer);
  if (!condition || (at >= condition.start && at < condition.end)) return false;
  let asked = false;
  full(condition, (node) => {
    if (node.type === 'Identifier' && node.name === name) asked = true;
    if (node.type === 'MemberExpression' && nameOf(node.property) === name) asked = true;
  });
  return asked;
}

/** A text, a number, yes or no; also as `!0`, which programs write that make code smaller. */
export function plainValue(node: AnyNode): string | number | boolean | null {
  if (node.type === 'UnaryExpression' && node.operator === '!' && node.argument.type === 'Literal')
    return typeof node.argument.value === 'number' ? node.argument.value === 0 : null;
  if (node.type !== 'Literal') return null;
  const { value } = node;
  return typeof value === 'string' || typeof value === 'number' || typeof value === 'boolean' ? value : null;
}

export function nameOfKey(key: AnyNode): string | null {
  if (key.type === 'Identifier') return key.name;
  return key.type === 'Literal' ? String(key.value) : null;
}

type Options = Pick<Call, 'options' | 'optionsAt' | 'namesAt' | 'object'>;

function optionsOf(node: Called, valueOf: ValueOf): Options {
  const found: Options = { options: {}, optionsAt: {}, namesAt: {}, object: null };
  for (const given of node.arguments) {
    const argument = given.type === 'Identifier' ? valueOf(given.name) : given;
    if (argument?.type !== 'ObjectExpression') continue;
    found.object = { start: argument.start, end: argument.end, last: argument.properties.at(-1)?.end ?? null };
    for (const property of argument.properties) if (property.type === 'Property') noteOption(property, found);
  }
  return found;
}

function noteOption({ computed, key, value: node }: Property, found: Options): void {
  const name = computed ? null : nameOfKey(key);
  if (name === null) return;
  found.namesAt[name] = { start: key.start, end: key.end };
  const value = plainValue(node);
  if (value === null) return;
  found.options[name] = value;
  found.optionsAt[name] = { start: node.start, end: node.end };
}
