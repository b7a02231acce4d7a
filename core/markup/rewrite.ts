/**
 * Several attributes of one tag changed at once; what goes gives its place to what comes, so that the author's layout
 * of the tag stays.
 */
import type { Edit } from '../site/index.ts';
import { attributeOf, valueOf, type PageElement } from './document.ts';
import { encodeAttribute, removeAttribute, replaceValue, setAttribute } from './encode.ts';

/** `null` takes an attribute away. In the order of the map new ones are written. */
export function rewriteTag(element: PageElement, wishes: ReadonlyMap<string, string | null>, text: string): Edit[] {
  const edits: Edit[] = [];
  const gone = element.attributes.filter(({ name }) => wishes.get(name) === null);
  const coming: [string, string][] = [];
  for (const [name, value] of wishes) {
    const present = attributeOf(element, name);
    if (value === null) continue;
    if (!present) coming.push([name, value]);
    else if (present.value !== value) edits.push(replaceValue(present, value));
  }
  for (const attribute of gone) {
    const next = coming.shift();
    edits.push(next ? { ...attribute.range, text: written(...next) } : removeAttribute(attribute, text));
  }
  const added = coming.flatMap(([name, value]) => setAttribute(element, name, value, text) ?? []);
  if (added[0])
    edits.push({
      ...added[0],
      text: added.map((edit) => edit.text.trimEnd()).join('') + (/\s$/.test(added[0].text) ? ' ' : ''),
    });
  return edits.sort((a, b) => a.start - b.start || a.end - b.end);
}

const written = (name: string, value: string): string =>
  value === '' ? name : `${name}="${encodeAttribute(value, '"')}"`;

/** The value of `class` with names put in and taken out; null where none is left. */
export function classValue(element: PageElement, add: readonly string[], remove: readonly string[]): string | null {
  const present = valueOf(element, 'class') ?? '';
  const names = present.split(/\s+/).filter(Boolean);
  const kept = names.filter((name) => !remove.includes(name));
  const fresh = add.filter((name) => !kept.includes(name));
  // A value in which nothing changes is not tidied.
  if (kept.length === names.length && fresh.length === 0) return present;
  return [...kept, ...fresh].join(' ') || null;
}
