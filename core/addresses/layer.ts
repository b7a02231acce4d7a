/** Text within text: a script in an attribute, a page in a string. Each layer is read by rules of its own. */
import { inSource, type PieceAt, placesBy, type Range } from '../markup/index.ts';

export interface Layer {
  /** As it is read there: references and escapes are decoded. */
  text: string;
  /** The place of a part of it in the file; null where nobody can tell. */
  range: (at: Range) => Range | null;
  /** What has to stand in the file for this to be read here. */
  write: (text: string) => string;
}

/** How one layer is written within another. */
export interface Rules {
  /** Null where it is written as it is read. */
  pieceAt: PieceAt | null;
  write: (text: string) => string;
}

const asItIs = (text: string): string => text;
export const AS_IT_IS: Rules = { pieceAt: null, write: asItIs };

/** A whole file. */
export const fileLayer = (text: string): Layer => ({ text, range: (at) => at, write: asItIs });

/** A part of a layer, which is read as `value` by these rules. */
export function inner(outer: Layer, at: Range, value: string, { pieceAt, write }: Rules): Layer {
  const places = placesBy(
    outer.text,
    at,
    value,
    pieceAt ?? ((written, n) => ({ length: 1, value: written.charAt(n) })),
  );
  return {
    text: value,
    range: (part) => (places ? outer.range(inSource(places, part)) : null),
    write: (text) => outer.write(write(text)),
  };
}
