/** Counters that the author wrote into the items: put right where items came, went or moved. */
import { type Edit, type Edited, refuse } from '../site/index.ts';
import type { Attribute, PageDocument, Range } from './document.ts';
import { replaceValue } from './encode.ts';
import type { Gallery, GalleryItem } from './galleries.ts';
import { elementsIn, SAYS } from './units.ts';
import { verifiedSameShape } from './verify.ts';

interface Counter {
  /** What is replaced, with the digits cut out. */
  before: string;
  digits: string;
  after: string;
  edit: (value: string) => Edit;
}

/** Numbers in the items, by where they stand: `3.data-at`, `5.#0`. */
function numbersIn(page: PageDocument, gallery: Gallery): Map<string, (Counter | null)[]> {
  const found = new Map<string, (Counter | null)[]>();
  for (const [n, item] of gallery.items.entries()) {
    const put = (key: string, counter: Counter) => {
      const list = found.get(key) ?? gallery.items.map(() => null);
      list[n] = counter;
      found.set(key, list);
    };
    for (const [place, element] of elementsIn(item).entries()) {
      for (const attribute of element.attributes) {
        const counter = NOT_COUNTED.has(attribute.name) || isAddress(item, attribute) ? null : inAttribute(attribute);
        if (counter) put(`${place}.${attribute.name}`, counter);
      }
      for (const [t, text] of element.texts.entries()) {
        const counter = SAYS.test(text.value) ? inText(page, text.range) : null;
        if (counter) put(`${place}.#${t}`, counter);
      }
    }
  }
  return found;
}

/** Their numbers are sizes, or words of somebody. */
const NOT_COUNTED = new Set(['width', 'height', 'style', 'srcset', 'sizes', 'alt', 'title']);

const isAddress = ({ source, target }: GalleryItem, attribute: Attribute): boolean =>
  attribute === source?.attribute || attribute === target?.attribute;

function inAttribute(attribute: Attribute): Counter | null {
  const match = /^(\D*)(\d+)(\D*)$/s.exec(attribute.value);
  return match && counterFrom(match, (value) => replaceValue(attribute, value));
}

/** The first number of a text counts: “3 of 12”, “Picture 3”. */
function inText(page: PageDocument, range: Range): Counter | null {
  const match = /^(\D*)(\d+)(.*)$/s.exec(page.text.slice(range.start, range.end));
  return match && counterFrom(match, (text) => ({ ...range, text }));
}

const counterFrom = ([, before = '', digits = '', after = '']: RegExpExecArray, edit: Counter['edit']): Counter => ({
  before,
  digits,
  after,
  edit,
});

/** How many of the numbers must lie on one count before it is taken for a counter. */
const MOST = 0.6;

/** The counters of a gallery that do not count as their items stand; empty where all do. */
export function countersToMend(page: PageDocument, gallery: Gallery): Edit[] {
  const { items } = gallery;
  if (items.length < 2) return [];
  return [...numbersIn(page, gallery).values()].flatMap((counters): Edit[] => {
    const there = counters.flatMap((counter, n) => (counter ? [{ counter, n }] : []));
    // One text round the number in all of them, and as many as there are items.
    if (there.length < items.length || new Set(there.map(({ counter }) => counter.before.trim())).size > 1) return [];
    const numbers = there.map(({ counter }) => Number(counter.digits));
    const rising = numbers.slice(1).filter((number, n) => number - 1 === numbers[n]).length;
    const distinct = new Set(numbers).size;
    const least = Math.min(...numbers);
    if (
      least > 1 ||
      (distinct < numbers.length * MOST && rising < (numbers.length - 1) * MOST) ||
      Math.max(...numbers) > items.length * 2 + 1
    )
      return [];
    const padded =
      there.find(({ counter }) => counter.digits.startsWith('0') && counter.digits.length > 1)?.counter.digits.length ??
      0;
    return there.flatMap(({ counter, n }) => {
      const digits = String(n + least).padStart(padded, '0');
      // A total behind the number, as in “3 of 12”, counts all items.
      const total = /^(\s*(?:of|\/|von|de|sur|out of)\s*)\d+/i.exec(counter.after);
      const after =
        total && counters.length > 1
          ? (total[1] ?? '') + String(items.length) + counter.after.slice(total[0].length)
          : counter.after;
      return digits === counter.digits && after === counter.after
        ? []
        : [counter.edit(counter.before + digits + after)];
    });
  });
}

export function renumber(page: PageDocument, gallery: Gallery): Edited {
  const edits = countersToMend(page, gallery);
  if (edits.length === 0) return refuse('Every counter here counts as its items stand.');
  return verifiedSameShape(page, edits);
}
