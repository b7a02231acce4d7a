/**
 * Attributes of a second `<body>` or `<html>` tag. A browser gives them to the first one, where that does not have them
 * (WHATWG HTML §13.2.6.4.7); the parser says no place of theirs.
 */
import { parseFragment, type Token } from 'parse5';

/** Has as many letters as the names that it stands for, so that places stay what they are. */
const STAND_IN = 'span';
/** No start tag is longer. Characters. */
const LONGEST_TAG = 20_000;

interface Adopted {
  attribute: Token.Attribute;
  place: { start: number; end: number };
}

/** Where those are written which an element's own tag, that ends at `from`, does not give it. Offsets are of `text`. */
export function placesAdopted(text: string, tag: string, missing: readonly Token.Attribute[], from: number): Adopted[] {
  if (missing.length === 0 || tag.length !== STAND_IN.length) return [];
  const found: Adopted[] = [];
  for (const { index } of text.slice(from).matchAll(new RegExp(`<${tag}(?=[\\s/])`, 'gi'))) {
    const start = from + index;
    const written = `<${STAND_IN}${text.slice(start + 1 + STAND_IN.length, start + LONGEST_TAG)}`;
    const [again] = parseFragment(written, { sourceCodeLocationInfo: true }).childNodes;
    if (!again || !('attrs' in again)) continue;
    for (const attribute of missing) {
      const place = again.sourceCodeLocation?.attrs?.[attribute.name];
      const isIt = again.attrs.some(({ name, value }) => name === attribute.name && value === attribute.value);
      if (!place || !isIt || found.some((one) => one.attribute === attribute)) continue;
      found.push({ attribute, place: { start: place.startOffset + start, end: place.endOffset + start } });
    }
  }
  return found;
}
