/** Addresses in XML: drawings (SVG), site maps, feeds. */
import { Tokenizer } from 'htmlparser2';
import { encodeMarkup, parsePage, PIECES, type Range } from '../markup/index.ts';
import { type Address, addressAt, addressesInText } from './address.ts';
import { styleAddresses } from './css.ts';
import { pageAddresses } from './html.ts';
import { AS_IT_IS, inner, type Layer, type Rules } from './layer.ts';
import { scriptAddresses } from './script.ts';

const inQuotes = (text: string): string => encodeMarkup(text).replaceAll('"', '&quot;').replaceAll("'", '&#39;');
const IN_XML: Rules = { pieceAt: PIECES.text, write: inQuotes };

/** SVG 2 §16.1.3, XLink 1.1 §3, Atom (RFC 4287) §4.2.7, RSS 2.0 `enclosure`. */
const ADDRESS = /^(?:xlink:)?href$|^(?:src|url)$/;
/** Sitemaps protocol 0.9, image and video extensions; RSS 2.0; Atom. */
const HOLDS_ADDRESS = /^(?:\w+:)?(?:loc|link|url|guid|id|icon|logo|thumbnail_loc|content_loc|player_loc)$/;

interface Part {
  kind: 'attribute' | 'text' | 'cdata';
  /** Of the attribute, or of the element that holds the text. */
  name: string;
  at: Range;
}

export const xmlAddresses = (layer: Layer): Address[] => partsOf(layer.text).flatMap((part) => inPart(layer, part));

function inPart(layer: Layer, { kind, name, at }: Part): Address[] {
  const written = layer.text.slice(at.start, at.end);
  if (!written.includes('.')) return [];
  const part = inner(layer, at, decoded(written), IN_XML);
  const raw = inner(layer, at, written, AS_IT_IS);
  if (kind === 'attribute') {
    if (ADDRESS.test(name)) return [addressAt(part, { start: 0, end: part.text.length }, { by: name, certain: true })];
    return name === 'style' ? styleAddresses(part, 'declarationList') : addressesInText(part, { by: name });
  }
  const own = kind === 'cdata' ? raw : part;
  if (name === 'style') return styleAddresses(own);
  if (name === 'script') return scriptAddresses(own);
  if (HOLDS_ADDRESS.test(name)) return addressesInText(own, { by: name });
  // A page in a feed.
  return own.text.includes('<') ? pageAddresses(parsePage(own.text), own) : [];
}

/** As character references are read; CR LF is one line break (XML 1.0 §2.11). */
function decoded(written: string): string {
  let text = '';
  for (let at = 0; at < written.length;) {
    const { value, length } = PIECES.text(written, at);
    text += value;
    at += length;
  }
  return text;
}

/** Reads as far as anything can be read; what is not well formed ends nothing. */
function partsOf(text: string): Part[] {
  const parts: Part[] = [];
  const open: string[] = [];
  let attribute = '';
  let value: Range | null = null;
  const words = (kind: Part['kind'], start: number, end: number) => {
    const last = parts.at(-1);
    const name = open.at(-1) ?? '';
    // Around a character reference it comes in pieces.
    if (kind === 'text' && last?.kind === 'text' && last.name === name && last.at.end === start) last.at.end = end;
    else parts.push({ kind, name, at: { start, end } });
  };
  const extend = (start: number, end: number) => (value = value ? { start: value.start, end } : { start, end });
  const nothing = () => undefined;
  const tokens = new Tokenizer(
    { xmlMode: true, decodeEntities: false },
    {
      onopentagname: (start, end) => void open.push(text.slice(start, end)),
      onclosetag: () => void open.pop(),
      onselfclosingtag: () => void open.pop(),
      onopentagend: nothing,
      onattribname: (start, end) => void (attribute = text.slice(start, end)),
      onattribdata: extend,
      onattribentity: nothing,
      onattribend: () => {
        if (value) parts.push({ kind: 'attribute', name: attribute, at: value });
        value = null;
      },
      ontext: (start, end) => words('text', start, end),
      ontextentity: nothing,
      oncdata: (start, end, behind) => words('cdata', start, end - behind),
      oncomment: nothing,
      ondeclaration: nothing,
      onprocessinginstruction: nothing,
      onend: nothing,
    },
  );
  tokens.write(text);
  tokens.end();
  return parts;
}
