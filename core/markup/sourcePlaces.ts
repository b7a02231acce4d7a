/**
 * From a place in what a browser reads to its place in the source: character references and line breaks
 * are longer there. Nothing else may add an offset in a decoded value to an offset in the source.
 */
import { DecodingMode, HtmlEntityDecoder } from 'entities/decode';
import type { Range } from './document.ts';

/**
 * `entities` for attributes; `lines` for the text of script and style elements, where no character reference is read.
 */
export type Decoded = 'entities' | 'lines';

/** An offset in the value as it is read, and where that character begins in the source. */
type SourcePlaces = (at: number) => number;

interface Piece {
  /** How many characters of the source it takes. */
  length: number;
  value: string;
}

/** Null where the value is not what the source says there, so that nobody can tell places in it. */
export function sourcePlaces(
  text: string,
  { start, end }: Range,
  value: string,
  decoded: Decoded,
): SourcePlaces | null {
  const written = text.slice(start, end);
  if (written === value) return (at) => start + at;
  const places: number[] = [];
  let read = '';
  for (let at = 0; at < written.length;) {
    const piece = pieceAt(written, at, decoded);
    for (let n = 0; n < piece.value.length; n++) places.push(start + at);
    read += piece.value;
    at += piece.length;
  }
  return read === value ? (at) => places[at] ?? end : null;
}

/** A range of the value, as a range of the source. */
export const inSource = (places: SourcePlaces, { start, end }: Range): Range => ({
  start: places(start),
  end: places(end),
});

function pieceAt(written: string, at: number, decoded: Decoded): Piece {
  const letter = written.charAt(at);
  // WHATWG HTML §13.2.3.5: CR LF and CR are read as LF.
  if (letter === '\r') return { length: written[at + 1] === '\n' ? 2 : 1, value: '\n' };
  // §13.2.5.1 and on: a NUL is read as the replacement character.
  if (letter === '\0') return { length: 1, value: '\uFFFD' };
  return (letter === '&' && decoded === 'entities' && referenceAt(written, at)) || { length: 1, value: letter };
}

/** A character reference as attributes read it; null where the ampersand stands for itself. */
function referenceAt(written: string, at: number): Piece | null {
  let value = '';
  const decoder = new HtmlEntityDecoder((code) => (value += String.fromCodePoint(code)));
  decoder.startEntity(DecodingMode.Attribute);
  const consumed = decoder.write(written, at + 1);
  const length = consumed < 0 ? decoder.end() : consumed;
  return length > 0 ? { length, value } : null;
}
