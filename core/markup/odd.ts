/** What an item lacks that its neighbours have, and what it has that they spell otherwise. */
import { firstOf } from '../site/index.ts';
import { valueOf, type PageElement } from './document.ts';
import type { Gallery, GalleryItem } from './galleries.ts';

export interface Odd {
  /** Number of the item. */
  item: number;
  on: 'link' | 'image' | 'item';
  /** The attribute, or the part: `link`, `caption`, `image`. */
  lacks: string;
  /** What all neighbours have there, where they agree. */
  value: string | null;
  /** How many of the others have it. */
  having: number;
  /** The element to set it on; null where a part is missing. */
  element: PageElement | null;
}

/** So many of all items must have something before another is said to lack it. */
const MOST = 2 / 3;

const PARTS: { name: string; of: (item: GalleryItem) => unknown }[] = [
  { name: 'link', of: (item) => item.target },
  { name: 'image', of: (item) => item.source },
  { name: 'caption', of: (item) => item.caption },
];

const HOLDERS: { on: Odd['on']; of: (item: GalleryItem) => PageElement | null }[] = [
  { on: 'link', of: (item) => item.link },
  { on: 'image', of: (item) => item.image },
  {
    on: 'item',
    of: (item) =>
      item.elements[0] === item.link || item.elements[0] === item.image ? null : (item.elements[0] ?? null),
  },
];

export function oddOnes({ items }: Gallery): Odd[] {
  if (items.length < 3) return [];
  const enough = (count: number) => count < items.length && count >= items.length * MOST;
  const odd: Odd[] = [];
  for (const { name, of } of PARTS) {
    const having = items.filter((item) => of(item)).length;
    if (enough(having))
      items.forEach(
        (item, n) => !of(item) && odd.push({ item: n, on: 'item', lacks: name, value: null, having, element: null }),
      );
  }
  for (const { on, of } of HOLDERS) {
    const held = items.flatMap((item, n) => {
      const element = of(item);
      return element ? [{ n, element }] : [];
    });
    const names = new Map<string, string[]>();
    for (const { element } of held)
      for (const { name, value } of element.attributes) names.set(name, [...(names.get(name) ?? []), value]);
    for (const [name, values] of names) {
      if (!enough(values.length) || values.length < held.length * MOST) continue;
      const common = new Set(values).size === 1 ? firstOf(values) : null;
      for (const { n, element } of held)
        if (valueOf(element, name) === undefined)
          odd.push({ item: n, on, lacks: name, value: common, having: values.length, element });
    }
  }
  return odd.sort((a, b) => a.item - b.item);
}
