/**
 * What can be read out of a script without running it: the globals it gives and needs, the calls it makes, the
 * selectors and attributes it asks for.
 */
import {
  parse,
  type AnyNode,
  type AssignmentExpression,
  type CallExpression,
  type MemberExpression,
  type ObjectExpression,
  type Program,
  type Property,
} from 'acorn';
import { fullAncestor } from 'acorn-walk';
import browserGlobals from 'globals';
import { analyze } from 'periscopic';
import type { Result } from '../../site/index.ts';
import {
  callOf,
  nameOfKey,
  plainText,
  plainValue,
  type Call,
  type Mention,
  type Reader,
  withLaterCalls,
} from './calls.ts';
import { valuesIn } from './chosen.ts';
import { baseNames, plugInsIn, propertyOf } from './collections.ts';
import { globalObjectIn } from './globalNames.ts';
import { defaultsIn, type Default } from './defaults.ts';
import { exportsIn, importsIn, type Exports, type Imported } from './modules.ts';

export type { Call, Mention } from './calls.ts';

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
  /** Plug-ins that it gives to collections: `glow` of `$.fn.glow = …`. */
  plugIns: Mention[];
  /** What it imports. */
  imports: Imported[];
  /** What it exports; of a module only. */
  exports: Exports;
  /** Options with the values that they have where nobody says otherwise. */
  defaults: Default[];
  /** Elements of its own that it defines. */
  elements: Mention[];
  /** What it sets on what others give, by plain names: `Beam.counter = false;`, `$.fn.glow.defaults.speed = 300;` */
  settings: Setting[];
}

export interface Setting extends Mention {
  /** What it is set on; a base is always `$`. */
  of: string;
  /** Null where it is no plain value. */
  value: string | number | boolean | null;
  /** Null where it is a part of something larger. */
  statement: { start: number; end: number } | null;
}

export type ScriptReading = Result<ScriptFacts, { at: number }>;

const cache = new Map<string, ScriptReading>();
const CACHE_SIZE = 300;

/** Reads a script once for each text. A script with an error in it does nothing in a browser; that is said. */
export function readScript(text: string, as: 'script' | 'module' = 'script'): ScriptReading {
  const key = `${as} ${text}`;
  const known = cache.get(key);
  if (known) return known;
  if (cache.size >= CACHE_SIZE) cache.clear();
  const reading = parseScript(text, as);
  cache.set(key, reading);
  return reading;
}

/** Code that does not say as what it is loaded: what imports or exports can only be a module. */
export function readCode(text: string): ScriptReading & { isModule: boolean } {
  const plain = readScript(text);
  if (plain.ok) return { ...plain, isModule: false };
  const module = readScript(text, 'module');
  return module.ok ? { ...module, isModule: true } : { ...plain, isModule: false };
}

const SYNTAX = { ecmaVersion: 'latest', allowHashBang: true } as const;

function parseScript(text: string, as: 'script' | 'module'): ScriptReading {
  try {
    const isScript = as === 'script';
    const program = parse(text, { ...SYNTAX, sourceType: as, allowReturnOutsideFunction: isScript });
    return { ok: true, ...factsOf(program) };
  } catch (error) {
    const at = error instanceof Error && 'pos' in error && typeof error.pos === 'number' ? error.pos : 0;
    const reason = error instanceof Error ? error.message.replace(/ \(\d+:\d+\)$/, '') : String(error);
    return { ok: false, reason, at };
  }
}

const BROWSER = new Set([
  ...Object.keys(browserGlobals.browser),
  ...Object.keys(browserGlobals.builtin),
  'arguments',
  // Of other places to run in; scripts ask for them before they use them.
  'module',
  'exports',
  'define',
  'require',
  'undefined',
]);
/** Functions of the platform that take a selector, and those that name an attribute. */
const ASKS = new Set(['querySelector', 'querySelectorAll', 'closest', 'matches', '$', 'jQuery', 'find']);
const NAMES = new Set([
  'getAttribute',
  'hasAttribute',
  'setAttribute',
  'removeAttribute',
  'toggleAttribute',
  'attr',
  'removeAttr',
]);
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
  // A function that is handed to the base itself waits until the page is read.
  '$',
  'jQuery',
]);

/** Where code does not run at once: the insides of functions that nobody calls at once. */
type Waiting = { start: number; end: number }[];

function factsOf(program: Program): ScriptFacts {
  const valueOf = valuesIn(program);
  const facts: ScriptFacts = {
    gives: [],
    needs: [],
    calls: [],
    selectors: [],
    attributes: [],
    plugIns: [],
    imports: importsIn(program),
    exports: exportsIn(program),
    defaults: defaultsIn(program, valueOf),
    elements: [],
    settings: [],
  };
  const waiting = waitingIn(program);
  const immediate = (at: number) => !waiting.some((range) => at > range.start && at < range.end);
  const reader: Reader = { isGlobal: globalObjectIn(program), bases: baseNames(program), valueOf, immediate };
  const { globals, scope } = analyze(program as Parameters<typeof analyze>[0]); // of the tree that both speak of
  // What a module declares is its own.
  for (const [name, node] of program.sourceType === 'module' ? [] : scope.declarations) {
    // `let`, `const` and `class` at the top are seen by later scripts as well, though not on `window`.
    facts.gives.push({ name, at: startOf(node) });
  }
  for (const [name, node] of globals) {
    const at = startOf(node);
    if (!BROWSER.has(name)) facts.needs.push({ name, at, immediate: immediate(at) });
  }
  const uses = new Map<string, number>();
  fullAncestor(program, (node, _state, ancestors) => {
    noteNode(node, ancestors, facts, reader);
    if (node.type === 'Identifier') uses.set(node.name, (uses.get(node.name) ?? 0) + 1);
  });
  facts.calls = withLaterCalls(facts.calls, uses);
  const given = new Set(facts.gives.map(({ name }) => name));
  facts.needs = facts.needs
    .filter(({ name }) => !given.has(name))
    .map((need) => {
      const calls = facts.calls.filter(({ name, of, way }) => (way === 'method' ? of : name) === need.name);
      return calls.length > 0 && calls.every(({ guarded }) => guarded) ? { ...need, immediate: false } : need;
    });
  return facts;
}

const startOf = (node: unknown): number => (node as { start?: number }).start ?? 0; // every node of the parser has it

function noteNode(node: AnyNode, ancestors: readonly AnyNode[], facts: ScriptFacts, reader: Reader): void {
  for (const name of plugInsIn(node, reader.bases)) facts.plugIns.push({ name, at: node.start });
  if (node.type === 'AssignmentExpression') {
    noteAssignment(node, facts, reader);
    noteSetting(node, ancestors.at(-2), facts, reader);
  } else if (node.type === 'CallExpression' || node.type === 'NewExpression') {
    if (node.type === 'CallExpression') {
      noteAsked(node, facts, ancestors);
    }
    const call = callOf(node, ancestors, reader);
    if (call) facts.calls.push(call);
  } else if (node.type === 'MemberExpression' && !isWritten(node, ancestors.at(-2)))
    noteMember(node, ancestors, facts, reader);
}

/** `Beam.counter = false;`, and each entry of `Beam.options = { counter: false };` */
function noteSetting(node: AssignmentExpression, outer: AnyNode | undefined, facts: ScriptFacts, reader: Reader): void {
  const { left, right, operator } = node;
  const isAlone = outer?.type === 'ExpressionStatement';
  if (operator !== '=' || left.type !== 'MemberExpression' || !(isAlone || outer?.type === 'SequenceExpression'))
    return;
  const of = pathOf(left.object, reader);
  const name = propertyOf(left);
  if (of === null || name === null) return;
  const statement = isAlone ? { start: outer.start, end: outer.end } : null;
  const note = (one: Omit<Setting, 'statement'>) => facts.settings.push({ ...one, statement });
  if (right.type === 'ObjectExpression')
    for (const [key, property] of entriesOf(right))
      note({ of: `${of}.${name}`, name: key, value: plainValue(property.value), at: property.key.start });
  else note({ of, name, value: plainValue(right), at: left.property.start });
}

const entriesOf = ({ properties }: ObjectExpression): [string, Property][] =>
  properties.flatMap((property): [string, Property][] => {
    const key = property.type === 'Property' && !property.computed ? nameOfKey(property.key) : null;
    return property.type === 'Property' && key !== null ? [[key, property]] : [];
  });

/** `Beam.options` of names alone; null for what is worked out. */
function pathOf(node: AnyNode, reader: Reader): string | null {
  if (node.type === 'Identifier') return reader.bases.has(node.name) ? '$' : node.name;
  if (node.type !== 'MemberExpression') return null;
  const name = propertyOf(node);
  if (reader.isGlobal(node.object)) return name !== null && reader.bases.has(name) ? '$' : name;
  const of = pathOf(node.object, reader);
  return of === null || name === null ? null : `${of}.${name}`;
}

function noteAssignment({ left }: AssignmentExpression, facts: ScriptFacts, { isGlobal }: Reader): void {
  if (left.type !== 'MemberExpression' || !isGlobal(left.object)) return;
  const name = propertyOf(left);
  if (name !== null && !BROWSER.has(name) && !facts.gives.some((one) => one.name === name))
    facts.gives.push({ name, at: left.start });
}

/** The last part of what is called: `querySelectorAll` of `document.querySelectorAll`. */
function methodName({ callee }: CallExpression): string | null {
  if (callee.type === 'Identifier') return callee.name;
  return callee.type === 'MemberExpression' && !callee.computed && callee.property.type === 'Identifier'
    ? callee.property.name
    : null;
}

/** A library's ways of setting an attribute by the names that the platform has for it. */
function asInPlatform(by: string, count: number): string {
  if (by === 'removeAttr') return 'removeAttribute';
  return by === 'attr' && count > 1 ? 'setAttribute' : by;
}

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
function noteAsked(node: CallExpression, facts: ScriptFacts, ancestors: readonly AnyNode[]): void {
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
  if (NAMES.has(by) && !isHandedOn(text, ancestors))
    facts.attributes.push({ name: text.toLowerCase(), at, by: asInPlatform(by, node.arguments.length) });
  noteOfLibrary(node, by, text, facts);
}

/** What libraries ask for in ways of their own, and elements that are defined. */
function noteOfLibrary(node: CallExpression, by: string, text: string, facts: ScriptFacts): void {
  const at = node.arguments[0]?.start ?? node.start;
  // Of a collection: `link.data('bay-group')`.
  if (by === 'data') facts.attributes.push({ name: `data-${dashed(text)}`, at, by });
  if (by === 'define' && text.includes('-')) facts.elements.push({ name: text.toLowerCase(), at });
  // Delegated: `$(document).on('click', 'a[rel]', …)`.
  const second = node.arguments[1];
  const delegated = by === 'on' && second ? plainText(second) : null;
  if (delegated !== null && second) facts.selectors.push({ name: delegated, at: second.start, by });
}

/** `bayGroup` as an attribute has it. */
const dashed = (name: string): string => name.replace(/[A-Z]/g, (letter) => `-${letter.toLowerCase()}`);

/** A text, or what stands at the beginning of one that is put together: `'a[data-room="' + name + '"]'`. */
function leadingText(node: AnyNode): string | null {
  if (node.type === 'Literal') return typeof node.value === 'string' ? node.value : null;
  if (node.type === 'TemplateLiteral') return node.quasis[0]?.value.cooked ?? null;
  return node.type === 'BinaryExpression' && node.operator === '+' && node.left.type !== 'PrivateIdentifier'
    ? leadingText(node.left)
    : null;
}

/** What a script sets on elements of its own tells nothing of the page. */
const isWritten = (node: AnyNode, parent: AnyNode | undefined): boolean =>
  parent?.type === 'AssignmentExpression' && parent.left === node;

/**
 * Alt text that only becomes the alt text of another picture is no caption: `large.alt = small.alt`,
 * `{ alt: small.attr('alt') }`, `.attr('alt', small.alt)`.
 */
function isHandedOn(name: string, ancestors: readonly AnyNode[]): boolean {
  if (name !== 'alt') return false;
  for (let n = ancestors.length - 1; n > 0; n--) {
    const [around, inner] = [ancestors[n - 1], ancestors[n]];
    const becomes = around && inner ? becomesOf(around, inner) : null;
    if (becomes) return becomes.name === name;
    if (/Statement|Function/.test(around?.type ?? '')) return false;
  }
  return false;
}

/** What is set by a part of an expression; null where it is only a part of something larger. */
function becomesOf(around: AnyNode, inner: AnyNode): { name: string | null } | null {
  if (around.type === 'AssignmentExpression')
    return { name: around.right === inner && around.left.type === 'MemberExpression' ? propertyOf(around.left) : null };
  if (around.type === 'Property') return { name: around.value === inner ? nameOfKey(around.key) : null };
  if (around.type !== 'CallExpression' || around.callee === inner) return null;
  const [first, second] = around.arguments;
  const sets = /^(?:attr|prop|setAttribute)$/.test(methodName(around) ?? '') && second === inner;
  return { name: sets && first ? plainText(first) : null };
}

/** `link.dataset.roomGroup`, `link.rel`. */
function noteMember(
  { object, property, computed }: MemberExpression,
  ancestors: readonly AnyNode[],
  facts: ScriptFacts,
  { isGlobal }: Reader,
): void {
  const written = property.type === 'Literal' && typeof property.value === 'string' ? property.value : undefined;
  const plain = property.type === 'Identifier' ? property.name : undefined;
  const name = computed ? written : plain;
  if (name === undefined) return;
  if (object.type === 'MemberExpression' && object.property.type === 'Identifier' && object.property.name === 'dataset')
    facts.attributes.push({
      name: `data-${dashed(name)}`,
      at: property.start,
      by: 'dataset',
    });
  else if (!computed && MIRRORS.has(name) && !isGlobal(object) && !isHandedOn(name, ancestors))
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
  if ('id' in node && node.id?.type === 'Identifier') return node.id.name;
  return parent?.type === 'VariableDeclarator' && parent.id.type === 'Identifier' ? parent.id.name : null;
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
