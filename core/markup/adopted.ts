/**
 * Attributes of a second `<body>` or `<html>` tag. A browser gives them to the first one, where that does not have them
 * (WHATWG HTML §13.2.6.4.7); the parser says no place of theirs.
 */
import { parseFragment, type DefaultTreeAdapterTypes as Tree } from 'parse5';

/** Has as many letters as the names that it stands for, so that places stay what they are. */
const STAND_IN = 'span';
/** No start tag is longer. Characters. */
const LONGEST_TAG = 20_000;

interface Adopted {
  attribute: Tree.Element['attrs'][number];
  place: { startOffset: number; endOffset: number };
}

/** Those that an element has and its own tag, which ends at `from`, does not give it. Offsets are of `text`. */
export function adoptedBy(text: string, { tagName, attrs, sourceCodeLocation }: Tree.Element, from: number): Adopted[] {
  const missing = attrs.filter(({ name }) => !sourceCodeLocation?.attrs?.[name]);
  if (missing.length === 0 || tagName.length !== STAND_IN.length) return [];
  const found: Adopted[] = [];
  for (const { index } of text.slice(from).matchAll(new RegExp(`<${tagName}(?=[\\s/])`, 'gi'))) {
    const start = from + index;
    const tag = `<${STAND_IN}${text.slice(start + 1 + STAND_IN.length, start + LONGEST_TAG)}`;
    const [again] = parseFragment(tag, { sourceCodeLocationInfo: true }).childNodes;
    if (!again || !('attrs' in again)) continue;
    for (const attribute of missing) {
      const place = again.sourceCodeLocation?.attrs?.[attribute.name];
      const isIt = again.attrs.some(({ name, value }) => name === attribute.name && value === attribute.value);
      if (!place || !isIt || found.some((one) => one.attribute === attribute)) continue;
      found.push({
        attribute,
        place: { startOffset: place.startOffset + start, endOffset: place.endOffset + start },
      });
    }
  }
  return found;
}
