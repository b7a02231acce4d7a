/** Whether a browser builds the same page of two texts. */
import type { PageDocument, PageElement } from './document.ts';
import { sameBut } from './verify.ts';

const spaceless = (text: string): string => text.replace(/\s+/g, ' ').trim();

const wordsIn = ({ texts }: PageElement): string => spaceless(texts.map(({ value }) => value).join(''));

/**
 * What differs, null where nothing does: elements, their attributes but for those that were meant to change, words.
 * White space between words and tags may stand elsewhere.
 */
export function differenceOf(
  before: PageDocument,
  after: PageDocument,
  wishes: ReadonlyMap<number, ReadonlyMap<string, string | null>> = new Map(),
): string | null {
  const wrong = sameBut(before, after, wishes);
  if (wrong !== null) return wrong;
  const other = before.elements.find((element, n) => {
    const twin = after.elements[n];
    return twin === undefined || wordsIn(twin) !== wordsIn(element) || twin.parent?.index !== element.parent?.index;
  });
  if (other) return `what stands in <${other.tag}> would change`;
  return before.comments.length === after.comments.length ? null : 'a comment would appear or vanish';
}
