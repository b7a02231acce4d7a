/**
 * What can be read out of a script without running it: the globals it gives and needs, the calls it makes, the
 * selectors and attributes it asks for.
 */
import {
  parse,
  type AnyNode,
  type AssignmentExpression,
  type CallExpression,
  type Expression,
  type MemberExpression,
  type Program,
} from 'acorn';
import { full, fullAncestor } from 'acorn-walk';
import browserGlobals from 'globals';
import { analyze } from 'periscopic';
import type { Result } from '../../site/index.ts';

/** A name, and the offset in the script where it stands. */
export interface Mention {
  name: string;
  at: number;
}

export interface Call extends Mention {
  /** Behind the call's closing bracket. */
  end: number;
  /** The whole statement with its semicolon, where the call is one by itself. */
  statement: { start: number; end: number } | null;
  /** The first argument where it is a plain text. */
  text: string | null;
  /** Where that text stands, with its quotes. */
  textAt: { start: number; end: number } | null;
  /** Plain values of an object among the arguments. */
  options: Record<string, string | number | boolean>;
  /** Made while the script runs, not in a function that waits for an event. */
  immediate: boolean;
  /** Made only where the function is there: `if (window.show) show();` */
  guarded: boolean;
}

export interface ScriptFacts {
  /** Globals that are there once it has run. */
  gives: Mention[];
  /** Names that it uses and neither it nor the browser defines; `immediate` ones stop it where they are missing. */
  needs: (Mention & { immediate: boolean })[];
  /** Calls of functions by a bare or a global name. */
  calls: Call[];
  /** Selectors that it asks the page for, and by which function. */
  selectors: (Mention & { by: string })[];
  /** Attributes that it reads or sets. */
  attributes: (Mention & { by: string })[];
}

export type ScriptReading = Result<ScriptFacts, { at: number }>;

const cache = new Map<string, ScriptReading>();
const CACHE_SIZE = 300;

/** Reads a script once for each text. A script with an error in it does nothing in a browser; that is said. */
export function readScript(text: string): ScriptReading {
  const known = cache.get(text);
  if (known) return known;
  if (cache.size >= CACHE_SIZE) cache.clear();
  const reading = parseScript(text);
  cache.set(text, reading);
  return reading;
}

const SYNTAX = {
  ecmaVersion: 'latest',
  sourceType: 'script',
  allowReturnOutsideFunction: true,
  allowHashBang: true,
} as const;

function parseScript(text: string): ScriptReading {
  try {
    return { ok: true, ...factsOf(parse(text, SYNTAX)) };
  } catch (error) {
    const at = error instanceof Error && 'pos' in error && typeof error.pos === 'number' ? error.pos : 0;
    const reason = error instanceof Error ? error.message.replace(/ \(\d+:\d+\)$/, '') : String(error);
    return { ok: false, reason, at };
  }
}

const GLOBAL_OBJECTS = new Set(['window', 'self', 'globalThis', 'top']);
const BROWSER = new Set([
  ...Object.keys(browserGlobals.browser),
  ...Object.keys(browserGlobals.builtin),
  'arguments',
  'undefined',
]);
/** Functions of the platform that take a selector, and those that name an attribute. */
const ASKS = new Set(['querySelector', 'querySelectorAll', 'closest', 'matches', '$', 'jQuery', 'find']);
const NAMES = new Set(['getAttribute', 'hasAttribute', 'setAttribute', 'removeAttribute', 'toggleAttribute']);
/** Properties of a link or picture that mirror an attribute and that viewers like to read. */
const MIRRORS = new Set(['rel', 'rev', 'title', 'alt', 'target']);
const WAITS = new Set([
  'addEventListener',
  'setTimeout',
  'setInterval',
  'requestAnimationFrame',
  'requestIdleCallback',
  'queueMicrotask',
  'then',
  'ready',
  'on',
]);

/** Where code does not run at once: the insides of functions that nobody calls at once. */
type Waiting = { start: number; end: number }[];

function factsOf(program: Program): ScriptFacts {
  const facts: ScriptFacts = { gives: [], needs: [], calls: [], selectors: [], attributes: [] };
  const waiting = waitingIn(program);
  const immediate = (at: number) => !waiting.some((range) => at > range.start && at < range.end);
  const { globals, scope } = analyze(program as Parameters<typeof analyze>[0]); // of the tree that both speak of
  for (const [name, node] of scope.declarations) {
    // `let`, `const` and `class` at the top are seen by later scripts as well, though not on `window`.
    facts.gives.push({ name, at: startOf(node) });
  }
  for (const [name, node] of globals) {
    const at = startOf(node);
    if (!BROWSER.has(name)) facts.needs.push({ name, at, immediate: immediate(at) });
  }
  fullAncestor(program, (node, _state, ancestors) => {
    if (node.type === 'AssignmentExpression') noteAssignment(node, facts);
    else if (node.type === 'CallExpression') noteCall(node, ancestors, facts, immediate);
    else if (node.type === 'MemberExpression' && !isWritten(node, ancestors.at(-2))) noteMember(node, facts);
  });
  const given = new Set(facts.gives.map(({ name }) => name));
  facts.needs = facts.needs
    .filter(({ name }) => !given.has(name))
    .map((need) => {
      const calls = facts.calls.filter(({ name }) => name === need.name);
      return calls.length > 0 && calls.every(({ guarded }) => guarded) ? { ...need, immediate: false } : need;
    });
  return facts;
}

const startOf = (node: unknown): number => (node as { start?: number }).start ?? 0; // every node of the parser has it

const isGlobalObject = (node: AnyNode): boolean => node.type === 'Identifier' && GLOBAL_OBJECTS.has(node.name);

function noteAssignment({ left }: AssignmentExpression, facts: ScriptFacts): void {
  if (
    left.type !== 'MemberExpression' ||
    !isGlobalObject(left.object) ||
    left.computed ||
    left.property.type !== 'Identifier'
  )
    return;
  const { name } = left.property;
  if (!BROWSER.has(name) && !facts.gives.some((one) => one.name === name)) facts.gives.push({ name, at: left.start });
}

/** The name that a call goes by: `show(…)`, `window.show(…)`. */
function calledName({ callee }: CallExpression): string | null {
  if (callee.type === 'Identifier') return callee.name;
  if (
    callee.type === 'MemberExpression' &&
    isGlobalObject(callee.object) &&
    !callee.computed &&
    callee.property.type === 'Identifier'
  )
    return callee.property.name;
  return null;
}

/** The last part of what is called: `querySelectorAll` of `document.querySelectorAll`. */
function methodName({ callee }: CallExpression): string | null {
  if (callee.type === 'Identifier') return callee.name;
  return callee.type === 'MemberExpression' && !callee.computed && callee.property.type === 'Identifier'
    ? callee.property.name
    : null;
}

function noteCall(
  node: CallExpression,
  ancestors: readonly AnyNode[],
  facts: ScriptFacts,
  immediate: (at: number) => boolean,
): void {
  noteAsked(node, facts);
  const first = node.arguments[0];
  const text = first ? plainText(first) : null;
  const name = calledName(node);
  if (name === null) return;
  const guarded = ancestors.some((outer) => asksFor(outer, name, node.start));
  facts.calls.push({
    name,
    at: node.start,
    end: node.end,
    statement: statementOf(ancestors, guarded),
    text,
    textAt: text !== null && first ? { start: first.start, end: first.end } : null,
    options: plainOptions(node),
    immediate: immediate(node.start),
    guarded,
  });
}

type Argument = CallExpression['arguments'][number];

const plainText = (node: Argument): string | null =>
  node.type === 'Literal' && typeof node.value === 'string' ? node.value : null;

/** What a script asks the page for, as a selector, by the function with which it asks. */
const AS_SELECTOR: Readonly<Record<string, (text: string) => string>> = {
  getElementById: (id) => `#${id}`,
  getElementsByTagName: (tag) => tag,
  getElementsByClassName: (names) =>
    names
      .trim()
      .split(/\s+/)
      .map((name) => `.${name}`)
      .join(''),
};

/** Notes the selector or the attribute that a call of the platform names. */
function noteAsked(node: CallExpression, facts: ScriptFacts): void {
  const first = node.arguments[0];
  const by = methodName(node);
  if (!first || by === null) return;
  const at = first.start;
  const leading = ASKS.has(by) ? leadingText(first) : null;
  if (leading !== null) facts.selectors.push({ name: leading, at, by });
  const text = plainText(first);
  if (text === null) return;
  const selector = Object.hasOwn(AS_SELECTOR, by) ? AS_SELECTOR[by]?.(text) : undefined;
  if (selector !== undefined) facts.selectors.push({ name: selector, at, by });
  if (NAMES.has(by)) facts.attributes.push({ name: text.toLowerCase(), at, by });
}

/** A text, or what stands at the beginning of one that is put together: `'a[data-room="' + name + '"]'`. */
function leadingText(node: Argument): string | null {
  if (node.type === 'Literal') return plainText(node);
  if (node.type === 'TemplateLiteral') return node.quasis[0]?.value.cooked ?? null;
  return node.type === 'BinaryExpression' && node.operator === '+' && node.left.type !== 'PrivateIdentifier'
    ? leadingText(node.left)
    : null;
}

/** The statement that is nothing but the call, with the condition that only guards it. */
function statementOf(ancestors: readonly AnyNode[], guarded: boolean): Call['statement'] {
  let n = ancestors.length - 2;
  if (guarded && ancestors[n]?.type === 'LogicalExpression') n--;
  let statement = ancestors[n];
  if (statement?.type !== 'ExpressionStatement') return null;
  const isAlone = (outer: AnyNode) => outer.type === 'BlockStatement' && outer.body.length === 1;
  if (guarded) {
    const block = ancestors[n - 1];
    const condition = block && isAlone(block) ? ancestors[n - 2] : block;
    if (condition?.type === 'IfStatement' && !condition.alternate) statement = condition;
  }
  return { start: statement.start, end: statement.end };
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

function plainOptions(node: CallExpression): Call['options'] {
  const options: Call['options'] = {};
  for (const argument of node.arguments) {
    if (argument.type !== 'ObjectExpression') continue;
    for (const property of argument.properties) {
      if (property.type !== 'Property' || property.computed || property.value.type !== 'Literal') continue;
      const key = nameOfKey(property.key);
      const { value } = property.value;
      if (key !== null && (typeof value === 'string' || typeof value === 'number' || typeof value === 'boolean'))
        options[key] = value;
    }
  }
  return options;
}

/** What a script sets on elements of its own tells nothing of the page. */
const isWritten = (node: AnyNode, parent: AnyNode | undefined): boolean =>
  parent?.type === 'AssignmentExpression' && parent.left === node;

function nameOfKey(key: AnyNode): string | null {
  if (key.type === 'Identifier') return key.name;
  return key.type === 'Literal' ? String(key.value) : null;
}

/** `link.dataset.roomGroup`, `link.rel`. */
function noteMember({ object, property, computed }: MemberExpression, facts: ScriptFacts): void {
  const written = property.type === 'Literal' && typeof property.value === 'string' ? property.value : undefined;
  const plain = property.type === 'Identifier' ? property.name : undefined;
  const name = computed ? written : plain;
  if (name === undefined) return;
  if (object.type === 'MemberExpression' && object.property.type === 'Identifier' && object.property.name === 'dataset')
    facts.attributes.push({
      name: `data-${name.replace(/[A-Z]/g, (letter) => `-${letter.toLowerCase()}`)}`,
      at: property.start,
      by: 'dataset',
    });
  else if (!computed && MIRRORS.has(name) && !isGlobalObject(object))
    facts.attributes.push({ name, at: property.start, by: name });
}

interface FunctionNode {
  start: number;
  end: number;
  name: string | null;
  /** Called where it is written: `(function () { … })()`. */
  called: boolean;
  /** Handed to something that calls it at once, as `forEach` does. */
  handed: boolean;
}

/** A function with what stands around it. */
function functionAt(node: AnyNode, parent: AnyNode | undefined, outer: AnyNode | undefined): FunctionNode {
  const call = parent?.type === 'CallExpression' ? parent : null;
  // `(function () { … }).call(window)`
  const byMethod = parent?.type === 'MemberExpression' && outer?.type === 'CallExpression' && calls(outer, parent);
  const called = byMethod || (call !== null && calls(call, node));
  return {
    start: node.start,
    end: node.end,
    name: nameOfFunction(node, parent),
    called,
    handed: call !== null && !called && !WAITS.has(methodName(call) ?? ''),
  };
}

const calls = (call: CallExpression, callee: AnyNode): boolean => call.callee === callee;

/** Its own name, or that of the variable which it is given to. */
function nameOfFunction(node: AnyNode, parent: AnyNode | undefined): string | null {
  if ('id' in node && node.id) return nameOf(node.id);
  return parent?.type === 'VariableDeclarator' ? nameOf(parent.id) : null;
}

function waitingIn(program: Program): Waiting {
  const functions: FunctionNode[] = [];
  const calls: { name: string; at: number }[] = [];
  fullAncestor(program, (node, _state, ancestors) => {
    if (node.type === 'CallExpression' && node.callee.type === 'Identifier')
      calls.push({ name: node.callee.name, at: node.start });
    if (/Function/.test(node.type)) functions.push(functionAt(node, ancestors.at(-2), ancestors.at(-3)));
  });
  let waiting = functions.filter((one) => !one.called && !one.handed);
  // A function runs at once where something that runs at once calls it by its name.
  for (let before = -1; before !== waiting.length;) {
    before = waiting.length;
    const now = calls
      .filter(({ at }) => !waiting.some((range) => at > range.start && at < range.end))
      .map(({ name }) => name);
    waiting = waiting.filter(({ name }) => name === null || !now.includes(name));
  }
  return waiting;
}
