/**
 * From a place in what is read to its place in the source: character references, escapes and line breaks are longer
 * there. Nothing else may add an offset in a decoded value to an offset in the source.
 */
import { DecodingMode, HtmlEntityDecoder } from 'entities/decode';
import type { Range } from './document.ts';

/**
 * `entities` for attributes, `text` for the words of a page; `lines` for the text of script and style elements, where
 * no character reference is read.
 */
type Decoded = 'entities' | 'text' | 'lines';

/** An offset in the value as it is read, and where that character begins in the source. */
type SourcePlaces = (at: number) => number;

/** What stands at a place of the source: how many characters it takes there, and what is read. */
export interface Piece {
  length: number;
  value: string;
}

export type PieceAt = (written: string, at: number) => Piece;

/** Null where the value is not what the source says there, so that nobody can tell places in it. */
export const sourcePlaces = (text: string, range: Range, value: string, decoded: Decoded): SourcePlaces | null =>
  placesBy(text, range, value, PIECES[decoded]);

/** The same by the rules of any language. */
export function placesBy(text: string, { start, end }: Range, value: string, pieceAt: PieceAt): SourcePlaces | null {
  const written = text.slice(start, end);
  if (written === value) return (at) => start + at;
  const places: number[] = [];
  let read = '';
  for (let at = 0; at < written.length;) {
    const piece = pieceAt(written, at);
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

function lineAt(written: string, at: number): Piece {
  const letter = written.charAt(at);
  // WHATWG HTML §13.2.3.5: CR LF and CR are read as LF.
  if (letter === '\r') return { length: written[at + 1] === '\n' ? 2 : 1, value: '\n' };
  // §13.2.5.1 and on: a NUL is read as the replacement character.
  return { length: 1, value: letter === '\0' ? '\uFFFD' : letter };
}

export const PIECES: Readonly<Record<Decoded, PieceAt>> = {
  lines: lineAt,
  entities: (written, at) => referenceAt(written, at, DecodingMode.Attribute) ?? lineAt(written, at),
  text: (written, at) => referenceAt(written, at, DecodingMode.Legacy) ?? lineAt(written, at),
};

/** A character reference; null where there is none, or the ampersand stands for itself. */
function referenceAt(written: string, at: number, mode: DecodingMode): Piece | null {
  if (written[at] !== '&') return null;
  let value = '';
  const decoder = new HtmlEntityDecoder((code) => (value += String.fromCodePoint(code)));
  decoder.startEntity(mode);
  const consumed = decoder.write(written, at + 1);
  const length = consumed < 0 ? decoder.end() : consumed;
  return length > 0 ? { length, value } : null;
}
