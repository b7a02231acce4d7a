/** Addresses in stylesheets, in style elements and in style attributes. */
import { type CssNode, ident, parse, string, walk } from 'css-tree';
import type { Piece, Range } from '../markup/index.ts';
import { tooDeepAt } from '../site/index.ts';
import { type Address, addressAt, addressesInText } from './address.ts';
import { inner, type Layer, type Rules } from './layer.ts';

/** CSS Syntax Module Level 3, §4.3.7: an escaped code point, or a line break in a string that is left out. */
function cssPiece(written: string, at: number): Piece {
  const [escape = ''] = /^\\(?:[0-9a-f]{1,6}(?:\r\n|\s)?|\r\n|[\s\S])?/i.exec(written.slice(at, at + 9)) ?? [];
  if (escape === '') return { length: 1, value: written.charAt(at) };
  if (/^\\(?:\r\n|[\n\r\f])$/.test(escape)) return { length: escape.length, value: '' };
  return { length: escape.length, value: ident.decode(escape) };
}

/** What would end an address before its time; in an address these stand as percent signs and numbers. */
const percent = (text: string): string =>
  text.replace(/[\s()'"\\]/g, (letter) => `%${letter.charCodeAt(0).toString(16).padStart(2, '0')}`);

const ESCAPED: Rules = { pieceAt: cssPiece, write: percent };

/** At-rules and functions whose texts are addresses (CSS Cascade §2, CSS Images 4 §2.4, CSS Values 4 §4.5). */
const TAKES_ADDRESS = new Set(['import', 'image-set', '-webkit-image-set', 'src', 'image', 'namespace']);
const NO_ADDRESS = new Set(['charset', 'namespace']);

export function styleAddresses(layer: Layer, context: 'stylesheet' | 'declarationList' = 'stylesheet'): Address[] {
  if (tooDeepAt(layer.text) !== null) return [];
  const addresses: Address[] = [];
  /** The functions and at-rules around a node. */
  const around: string[] = [];
  const named = (node: CssNode): string | null =>
    node.type === 'Function' || node.type === 'Atrule' ? node.name.toLowerCase() : null;
  walk(parse(layer.text, { positions: true, context, parseCustomProperty: true }), {
    enter(node: CssNode) {
      const name = named(node);
      if (name !== null) around.push(name);
      if (!node.loc) return;
      const at = { start: node.loc.start.offset, end: node.loc.end.offset };
      if (node.type === 'Url') addresses.push(...inUrl(layer, at));
      else if (node.type === 'String' && !around.some((one) => NO_ADDRESS.has(one)))
        addresses.push(
          ...inString(
            layer,
            at,
            around.some((one) => TAKES_ADDRESS.has(one)),
          ),
        );
      // What could not be read as a value: its addresses are told by their looks.
      else if (node.type === 'Raw') addresses.push(...inRaw(layer, at));
    },
    leave(node: CssNode) {
      if (named(node) !== null) around.pop();
    },
  });
  return addresses;
}

const URL = /^(url\(\s*(["']?))([\s\S]*?)\2\s*\)?$/i;

function inUrl(layer: Layer, at: Range): Address[] {
  const [, before = '', quote = '', raw = ''] = URL.exec(layer.text.slice(at.start, at.end)) ?? [];
  const start = at.start + before.length;
  const value = quote === '' ? ident.decode(raw) : string.decode(`"${raw}"`);
  return asAddress(inner(layer, { start, end: start + raw.length }, value, ESCAPED), 'url()', true);
}

function inString(layer: Layer, at: Range, certain: boolean): Address[] {
  const written = layer.text.slice(at.start, at.end);
  const part = inner(layer, { start: at.start + 1, end: at.end - 1 }, string.decode(written), ESCAPED);
  return certain ? asAddress(part, 'a text of a style', true) : addressesInText(part, { by: 'a text of a style' });
}

const asAddress = (part: Layer, by: string, certain: boolean): Address[] =>
  part.text.trim() === '' ? [] : [addressAt(part, { start: 0, end: part.text.length }, { by, certain })];

const inRaw = (layer: Layer, at: Range): Address[] =>
  addressesInText(inner(layer, at, layer.text.slice(at.start, at.end), { pieceAt: null, write: percent }), {
    by: 'a value of a style',
  });
