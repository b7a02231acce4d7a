/** Addresses in scripts: classic ones and modules, handlers in attributes, `javascript:`. */
import { type Literal, type Node, type Options, parse, type TemplateElement } from 'acorn';
import { full } from 'acorn-walk';
import type { Piece, Range } from '../markup/index.ts';
import { type Address, addressAt, addressesInText } from './address.ts';
import { inner, type Layer, type Rules } from './layer.ts';

const LETTERS: Readonly<Record<string, string>> = { b: '\b', f: '\f', n: '\n', r: '\r', t: '\t', v: '\v', 0: '\0' };

/** ECMA-262 §12.9.4: escape sequences, and line breaks that are left out. */
function scriptPiece(written: string, at: number): Piece {
  const ahead = written.slice(at, at + 12);
  if (!ahead.startsWith('\\'))
    // §12.9.6: in templates CR and CR LF are read as LF.
    return ahead.startsWith('\r\n') ? { length: 2, value: '\n' } : { length: 1, value: ahead.charAt(0) };
  const code = /^\\(?:x([0-9a-f]{2})|u([0-9a-f]{4})|u\{([0-9a-f]+)\})/i.exec(ahead);
  if (code)
    return { length: code[0].length, value: String.fromCodePoint(parseInt(code[1] ?? code[2] ?? code[3] ?? '0', 16)) };
  const broken = /^\\(?:\r\n|[\n\r\u2028\u2029])/.exec(ahead);
  if (broken) return { length: broken[0].length, value: '' };
  const letter = ahead.charAt(1);
  return { length: 2, value: LETTERS[letter] ?? letter };
}

/** What would end a text, or begin something else in it. */
const percent = (text: string): string =>
  text.replace(/['"\\`$\n\r]/g, (letter) => `%${letter.charCodeAt(0).toString(16).padStart(2, '0')}`);
export const IN_TEXT: Rules = { pieceAt: scriptPiece, write: percent };

const OPTIONS: Options = {
  ecmaVersion: 'latest',
  allowReturnOutsideFunction: true,
  allowAwaitOutsideFunction: true,
  allowHashBang: true,
};

function parsed(text: string): Node | null {
  for (const sourceType of ['script', 'module'] as const)
    try {
      return parse(text, { ...OPTIONS, sourceType });
    } catch {
      // Read in the other way, or not at all.
    }
  return null;
}

/** The name of a property, where it is written as a text; the walk goes by it. */
export function keyOf(node: Node): Literal | null {
  const { type, computed, key } = node as Node & { computed?: boolean; key?: Node };
  return type === 'Property' && computed !== true && key?.type === 'Literal' ? (key as Literal) : null;
}

interface Sourced extends Node {
  source?: Node | null;
}

/** A script that cannot be parsed has none; what it names is found by a plain search. */
export function scriptAddresses(layer: Layer): Address[] {
  const addresses: Address[] = [];
  const tree = layer.text.includes('.') ? parsed(layer.text) : null;
  if (!tree) return [];
  const ownFile = new Set<Node>();
  const behind = new Set<Node>();
  full(tree, (node) => {
    for (const one of fromOwnFile(node)) ownFile.add(one);
    for (const one of putBehind(node)) behind.add(one);
  });
  full(tree, (node) => {
    if (node.type === 'Literal') addresses.push(...inLiteral(layer, node, ownFile.has(node), behind.has(node)));
    const key = keyOf(node);
    if (key) addresses.push(...inLiteral(layer, key, false, false));
    if (node.type === 'TemplateElement') addresses.push(...inTemplate(layer, node, behind.has(node)));
  });
  return addresses;
}

/** Texts that count from the script's own file: what is imported, and what is reached from `import.meta.url`. */
function fromOwnFile(node: Sourced): Node[] {
  if (node.source && /^(?:Import|Export)/.test(node.type)) return [node.source];
  if (node.type !== 'NewExpression') return [];
  const [address, base] = (node as unknown as { arguments: Node[] }).arguments;
  const isOwn = base?.type === 'MemberExpression' && JSON.stringify(base).includes('"MetaProperty"');
  return address && isOwn ? [address] : [];
}

/** Texts that something else is put before: `base + 'a.jpg'`, and what follows a gap of a template. */
function putBehind(node: Node): Node[] {
  const { type, operator, right, quasis } = node as Node & { operator?: string; right?: Node; quasis?: Node[] };
  if (type === 'BinaryExpression' && operator === '+' && right) return [right];
  return type === 'TemplateLiteral' ? (quasis ?? []).slice(1) : [];
}

function inLiteral(layer: Layer, { value, start, end }: Literal, ownFile: boolean, behind: boolean): Address[] {
  if (typeof value !== 'string') return [];
  const part = inner(layer, { start: start + 1, end: end - 1 }, value, IN_TEXT);
  if (!ownFile) return addressesInText(part, { by: 'a text of a script', from: 'runner', behind });
  // A bare name is a package, and none of the site's files.
  if (!/^(?:\.{0,2}\/)/.test(value)) return [];
  return [addressAt(part, { start: 0, end: value.length }, { by: IMPORT, certain: true })];
}

function inTemplate(layer: Layer, { value, start, end }: TemplateElement, behind: boolean): Address[] {
  const { cooked } = value;
  if (cooked === null || cooked === undefined) return [];
  const part = inner(layer, { start, end }, cooked, IN_TEXT);
  return addressesInText(part, { by: 'a text of a script', from: 'runner', behind });
}

/** By what another script is named that is run as well. */
export const IMPORT = 'an import of a script';

const SCHEME = /^\s*javascript:/i;

/** What a link with `javascript:` does; null where it is another address. */
export function scriptInAddress(layer: Layer): Address[] | null {
  const [scheme] = SCHEME.exec(layer.text) ?? [];
  if (scheme === undefined) return null;
  const at: Range = { start: scheme.length, end: layer.text.length };
  return scriptAddresses(inner(layer, at, layer.text.slice(at.start), { pieceAt: null, write: (text) => text }));
}
