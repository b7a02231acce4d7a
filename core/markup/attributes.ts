/** Attributes set and taken away; everything else in the page must parse as before. */
import { type Edit, type Edited } from '../site/index.ts';
import { attributeOf, type PageDocument, type PageElement } from './document.ts';
import { removeAttribute, setAttribute } from './encode.ts';
import { verified, sameBut } from './verify.ts';

/** An attribute set on one element; everything else in the page must parse as before. */
export function editAttribute(page: PageDocument, element: PageElement, name: string, value: string): Edited {
  return editAttributes(page, [{ element, name, value }]);
}

interface AttributeWish {
  element: PageElement;
  name: string;
  /** Null takes it away. */
  value: string | null;
}

/** Attributes set and taken away on many elements at once. */
export function editAttributes(page: PageDocument, wishes: readonly AttributeWish[]): Edited {
  const edits = wishes.flatMap(({ element, name, value }): Edit[] => {
    const existing = attributeOf(element, name);
    if (value === null) return existing ? [removeAttribute(existing, page.text)] : [];
    const edit = setAttribute(element, name, value, page.text);
    return edit ? [edit] : [];
  });
  if (edits.length === 0) return { ok: true, edits };
  const wanted = new Map<number, Map<string, string | null>>();
  for (const { element, name, value } of wishes)
    wanted.set(element.index, (wanted.get(element.index) ?? new Map<string, string | null>()).set(name, value));
  return verified(page, edits, (after) => sameBut(page, after, wanted));
}
