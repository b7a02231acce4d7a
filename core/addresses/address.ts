/** One place where an address stands, or may stand. */
import type { Range } from '../markup/index.ts';
import type { Layer } from './layer.ts';

export interface Address {
  /** As it is read there. */
  value: string;
  /** Where it stands in the file. */
  range: Range;
  /** Nobody can tell where in its attribute or element it stands; the range is the whole of that. */
  unplaced?: true;
  /** The entry of the list of places that found it: `href`, `srcset`, `url()`, `text of a script`… */
  by: string;
  /**
   * A browser takes it for an address. What stands elsewhere is one where it leads to a file that is there, and else
   * only looks like one.
   */
  certain: boolean;
  /** What it counts from: the file in which it stands, or each page that runs it. */
  from: 'file' | 'runner';
  /** It stands in what a browser does not look at now: a comment, a template. */
  dormant?: true;
  /** How an address is written there. */
  write: (address: string) => string;
}

/** What a reader of a language says of an address that it finds. */
type Found = Pick<Address, 'by' | 'certain'> & Partial<Pick<Address, 'from' | 'dormant'>>;

/** The address at a part of a layer. */
export function addressAt(layer: Layer, at: Range, { from = 'file', ...found }: Found): Address {
  const value = layer.text.slice(at.start, at.end);
  const range = layer.range(at);
  if (range) return { ...found, value, from, range, write: layer.write };
  const whole = layer.range({ start: 0, end: layer.text.length }) ?? { start: 0, end: 0 };
  return { ...found, value, from, range: whole, unplaced: true, write: layer.write };
}

/** Letters that are none of an address which stands among others, or in a text of another language. */
const BETWEEN = /[^\s,;|"'`<>()[\]{}=]+/g;
/** A name with an extension, and what may follow it in an address. */
const NAMED = /[^\s/\\?#]\.[a-z][a-z0-9]{1,4}(?:[?#]\S*)?$/i;

interface InText extends Omit<Found, 'certain'> {
  /** Something nobody knows stands right before it: what the text begins with is no whole address. */
  behind?: boolean;
}

/**
 * What may be addresses in a text of which nobody says that it holds any: the whole of it, or what stands in it between
 * brackets, quotes, commas and spaces.
 */
export function addressesInText(layer: Layer, { behind, ...found }: InText): Address[] {
  const { text } = layer;
  if (!text.includes('.')) return [];
  const whole = text.trim();
  const addresses: Address[] = [];
  const add = (start: number, end: number) =>
    addresses.push(addressAt(layer, { start, end }, { ...found, certain: false }));
  const start = text.indexOf(whole);
  if (!behind && !whole.includes('\n') && NAMED.test(whole)) add(start, start + whole.length);
  for (const match of text.matchAll(BETWEEN))
    if (match[0] !== whole && NAMED.test(match[0]) && !(behind && match.index === 0))
      add(match.index, match.index + match[0].length);
  return addresses;
}
