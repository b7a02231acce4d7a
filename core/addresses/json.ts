/** Addresses in JSON: data of scripts, web manifests, import maps, linked data. */
import { type Literal, type Node, parseExpressionAt } from 'acorn';
import { full } from 'acorn-walk';
import { type Address, addressesInText } from './address.ts';
import { inner, type Layer } from './layer.ts';
import { IN_TEXT, keyOf } from './script.ts';

/** JSON is a part of ECMAScript (ECMA-262 §1). What is none has no addresses; a plain search finds what it names. */
export function jsonAddresses(layer: Layer, from: Address['from'] = 'file'): Address[] {
  const addresses: Address[] = [];
  const { text } = layer;
  // A byte order mark is white space for the parser.
  const tree = text.includes('.') ? parsed(text) : null;
  if (!tree) return [];
  full(tree, (node) => {
    const { type, value, start, end } = keyOf(node) ?? (node as Literal);
    if (type === 'Literal' && typeof value === 'string')
      addresses.push(
        ...addressesInText(inner(layer, { start: start + 1, end: end - 1 }, value, IN_TEXT), {
          by: 'a text of data',
          from,
        }),
      );
  });
  return addresses;
}

function parsed(text: string): Node | null {
  try {
    return parseExpressionAt(text, 0, { ecmaVersion: 'latest' });
  } catch {
    return null;
  }
}
