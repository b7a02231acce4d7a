/** Edits are given only after the text that they make was parsed again and compared with what was meant. */
import { applyEdits, type Edit, type Edited, refuse } from '../site/index.ts';
import { parsePage, type PageDocument } from './document.ts';

/** Parses the outcome and hands it to `expected`, which says what is wrong with it, or null. */
export function verified(page: PageDocument, edits: Edit[], expected: (after: PageDocument) => string | null): Edited {
  const applied = applyEdits(page.text, edits);
  if (!applied.ok) return refuse(applied.reason);
  const wrong = expected(parsePage(applied.text, page.units));
  return wrong === null ? { ok: true, edits } : refuse(`The change was not made: ${wrong}.`);
}

/**
 * Edits after which the page has the same elements, but for so many more; anything else would be read otherwise than
 * meant.
 */
export const verifiedSameShape = (page: PageDocument, edits: Edit[], more = 0): Edited =>
  verified(page, edits, (after) => (after.elements.length === page.elements.length + more ? null : OTHER_ELEMENTS));

const OTHER_ELEMENTS = 'other elements would appear or vanish';

/**
 * What differs between two parses beyond the attributes that were meant to, by the number of the element; null where
 * nothing does.
 */
export function sameBut(
  before: PageDocument,
  after: PageDocument,
  wishes: ReadonlyMap<number, ReadonlyMap<string, string | null>>,
): string | null {
  if (before.elements.length !== after.elements.length) return OTHER_ELEMENTS;
  for (const [n, element] of before.elements.entries()) {
    const twin = after.elements[n];
    if (!twin || twin.tag !== element.tag) return `<${element.tag}> would become something else`;
    const wanted = new Map(element.attributes.map((attribute) => [attribute.name, attribute.value]));
    for (const [name, value] of wishes.get(n) ?? []) {
      if (value === null) wanted.delete(name);
      else wanted.set(name, value);
    }
    if (twin.attributes.length !== wanted.size) return `the attributes of <${element.tag}> would change`;
    for (const attribute of twin.attributes)
      if (wanted.get(attribute.name) !== attribute.value) return `${attribute.name} of <${element.tag}> would change`;
  }
  return null;
}
