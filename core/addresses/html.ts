/** Addresses in pages: the attributes that hold them, and the texts of other languages within. */
import {
  encodeAttribute,
  type Attribute,
  type PageDocument,
  type PageElement,
  parsePage,
  PIECES,
  type Range,
  valueOf,
} from '../markup/index.ts';
import { type Address, addressAt, addressesInText } from './address.ts';
import { SOURCE } from '../markdown/index.ts';
import { styleAddresses } from './css.ts';
import { jsonAddresses } from './json.ts';
import { AS_IT_IS, fileLayer, inner, type Layer, type Rules } from './layer.ts';
import { scriptAddresses, scriptInAddress } from './script.ts';

/** The quotes of the attribute are the author's: neither kind may end it. */
const inQuotes = (text: string): string => encodeAttribute(text, '"').replaceAll("'", '&#39;');
const IN_ATTRIBUTE: Rules = { pieceAt: PIECES.entities, write: inQuotes };
const IN_LINES: Rules = { pieceAt: PIECES.lines, write: (text) => text };

/** WHATWG HTML, “Attributes”: those of type URL; and what older standards had (HTML 4.01, XHTML, SVG 1.1). */
const ADDRESS = new Set([
  ...['action', 'background', 'cite', 'classid', 'codebase', 'data', 'dynsrc', 'formaction', 'href', 'icon'],
  ...['longdesc', 'lowsrc', 'manifest', 'poster', 'profile', 'src', 'xlink:href'],
]);
/** Lists of addresses: with descriptors (WHATWG HTML §4.8.4.2.1), or between spaces. */
const CANDIDATES = new Set(['imagesrcset', 'srcset']);
const SPACED = new Set(['archive', 'ping']);

/** What is words, names or numbers, whatever it looks like. A file’s name among them is found by a plain search. */
const NO_ADDRESS = new Set([
  ...['abbr', 'alt', 'charset', 'class', 'dir', 'download', 'for', 'headers', 'height', 'id', 'is', 'label', 'lang'],
  ...['media', 'name', 'nonce', 'pattern', 'placeholder', 'property', 'rel', 'role', 'sizes', 'slot', 'style'],
  ...['summary', 'target', 'title', 'type', 'usemap', 'width', 'xmlns'],
]);
const IS_WORDS = /^(?:aria-|on|xmlns:)/;
/** Elements whose `value` is what somebody chose or typed. */
const TYPED = new Set(['input', 'li', 'meter', 'progress', 'data']);

/** Names of `meta` whose content is an address (Open Graph protocol; HTML's own are in `http-equiv`). */
const META =
  /^(?:og:(?:image|video|audio|url)(?::(?:secure_)?url)?|twitter:(?:image|player)(?::src|:stream)?|msapplication-(?:config|tileimage|square\w+logo|wide\w+logo)|thumbnail(?:url)?|image|contenturl)$/i;
/** WHATWG HTML §4.2.5.3, refresh: a time, and an address behind it. */
const REFRESH = /^(\s*[\d.]+\s*[;,]?\s*(?:url\s*=\s*)?["']?)([^"']*)/i;

export function pageAddresses(page: PageDocument, layer: Layer = fileLayer(page.text)): Address[] {
  const addresses: Address[] = [];
  // An element that the parser makes again, where it was not closed, stands in the source but once.
  const seen = new Set<number>();
  for (const element of page.elements) {
    for (const attribute of element.attributes) {
      const { start } = attribute.valueRange;
      if (seen.has(start)) continue;
      seen.add(start);
      if (attribute.value !== '') addresses.push(...inAttribute(layer, element, attribute));
    }
    for (const text of element.texts) addresses.push(...inElement(layer, element, text));
  }
  for (const comment of page.comments) addresses.push(...inComment(layer, comment));
  return addresses;
}

const whole = (layer: Layer): Range => ({ start: 0, end: layer.text.length });
const certainly = (layer: Layer, by: string, at = whole(layer)): Address[] => [
  addressAt(layer, at, { by, certain: true }),
];

function inAttribute(page: Layer, element: PageElement, { name, value, valueRange }: Attribute): Address[] {
  const layer = inner(page, valueRange, value, IN_ATTRIBUTE);
  if (name === 'style') return styleAddresses(layer, 'declarationList');
  if (name === 'srcdoc') return pageAddresses(parsePage(value), layer);
  if (name.startsWith('on')) return scriptAddresses(layer);
  // The folder that all others of the page count from is none of its files.
  if (element.tag === 'base') return [];
  if (ADDRESS.has(name)) return scriptInAddress(layer) ?? certainly(layer, name);
  if (CANDIDATES.has(name)) return candidates(layer, name, true);
  if (SPACED.has(name)) return pieces(layer, /\S+/g, name, true);
  if (element.tag === 'meta' && name === 'content') return inMeta(layer, element);
  return isWords(element, name) ? [] : inOther(layer, name);
}

const isWords = ({ tag }: PageElement, name: string): boolean =>
  NO_ADDRESS.has(name) || IS_WORDS.test(name) || (name === 'value' && TYPED.has(tag));

/** Attributes of scripts, of custom elements, of tools: addresses, lists of them, data. */
const inOther = (layer: Layer, by: string): Address[] =>
  /^\s*[[{]/.test(layer.text) ? jsonAddresses(layer) : addressesInText(layer, { by });

/** Candidates separated by commas, each an address and at most one descriptor. */
const candidates = (layer: Layer, by: string, certain: boolean): Address[] =>
  pieces(layer, /([^\s,][^\s]*[^\s,]|[^\s,])(?:\s+[\d.]+[wxh])?\s*(?:,|$)/g, by, certain);

function pieces(layer: Layer, each: RegExp, by: string, certain: boolean): Address[] {
  return [...layer.text.matchAll(each)].map((match) => {
    const { length } = match[1] ?? match[0];
    return addressAt(layer, { start: match.index, end: match.index + length }, { by, certain });
  });
}

function inMeta(layer: Layer, element: PageElement): Address[] {
  const names = ['name', 'property', 'itemprop'].map((one) => valueOf(element, one)?.trim() ?? '');
  if (names.some((name) => META.test(name))) return certainly(layer, names.find((name) => META.test(name)) ?? 'meta');
  if (valueOf(element, 'http-equiv')?.trim().toLowerCase() !== 'refresh') return [];
  const [, before = '', address = ''] = REFRESH.exec(layer.text) ?? [];
  if (address.trim() === '') return [];
  return certainly(layer, 'refresh', { start: before.length, end: before.length + address.trimEnd().length });
}

const SCRIPT = /^(?:|module|(?:text|application)\/(?:x-)?(?:java|ecma|j|live)script(?:;.*)?)$/i;
const DATA = /json|importmap|speculationrules/i;

function inElement(page: Layer, { tag, attributes }: PageElement, { value, range }: PageElement['texts'][number]) {
  if (!value.includes('.')) return [];
  if (tag === 'style') return styleAddresses(inner(page, range, value, IN_LINES));
  if (tag !== 'script') return [];
  const layer = inner(page, range, value, IN_LINES);
  const type = attributes.find(({ name }) => name === 'type')?.value.trim() ?? '';
  if (SCRIPT.test(type)) return scriptAddresses(layer);
  if (DATA.test(type)) return jsonAddresses(layer);
  // A pattern that a script fills in later.
  return dormant(pageAddresses(parsePage(value), layer));
}

/** What was taken out of a page for a while; it may come back. */
function inComment(page: Layer, { start, end }: Range): Address[] {
  const written = page.text.slice(start, end);
  const [, before = '', source] = SOURCE.exec(written) ?? [];
  if (source !== undefined) {
    const from = start + before.length;
    return certainly(page, 'the file of a text', { start: from, end: from + source.length });
  }
  // A processing instruction and the end of nothing are comments as well (WHATWG HTML §13.2.5.6, §13.2.5.7).
  const [begin] = /^<(?:!-*|[?/])/.exec(written) ?? [];
  // Each text within is shorter than what it stands in.
  if (begin === undefined) return [];
  const text = written.slice(begin.length).replace(/-*!?>$/, '');
  if (!text.includes('<') || !text.includes('.')) return [];
  const at = { start: start + begin.length, end: start + begin.length + text.length };
  return dormant(pageAddresses(parsePage(text), inner(page, at, text, AS_IT_IS)));
}

const dormant = (addresses: readonly Address[]): Address[] =>
  addresses.map((one) => ({ ...one, certain: false, dormant: true }));
