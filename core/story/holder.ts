/** What holds the pictures of a group: it may hold more of the page as well. */
import {
  classValue,
  type Gallery,
  type GalleryItem,
  type PageDocument,
  type PageElement,
  rewriteTag,
} from '../markup/index.ts';
import { type Edit, refuse, type Result } from '../site/index.ts';
import { CAPTION } from './blocks.ts';
import { ALL_NAMES, GROUP, nameOf, type Shown } from './presentation.ts';

/** What no class can lay out, and nothing can stand around. */
const OF_ITS_OWN: Readonly<Record<string, string>> = {
  table: 'its pictures stand in the cells of a table',
  tbody: 'its pictures stand in the cells of a table',
  tr: 'its pictures stand in the cells of a table',
  dl: 'its pictures are parts of a list of definitions',
};

/** The class goes onto what holds the items, or onto a new element around them where that holds more. */
export function heldOtherwise(
  document: PageDocument,
  { container, items }: Gallery,
  to: Shown,
): Result<{ edits: Edit[]; more: number }> {
  const reason = OF_ITS_OWN[container.tag];
  if (reason !== undefined) return refuse(`This group cannot be shown in another way: ${reason}.`);
  const [first, last] = [items[0], items.at(-1)];
  if (holdsJust(document, container, items) || !first || !last) {
    const wanted = classValue(container, [GROUP, nameOf(to)], ALL_NAMES);
    return { ok: true, more: 0, edits: rewriteTag(container, new Map([['class', wanted]]), document.text) };
  }
  if (container.tag === 'p')
    return refuse('This group cannot be shown in another way: its pictures stand among the words of a paragraph.');
  const [{ start }, { end }] = [first.unit, last.unit];
  const lead = /(?:\r?\n)[ \t]*$/.exec(document.text.slice(0, start))?.[0] ?? '';
  const edits = [
    { start, end: start, text: `<div class="${GROUP} ${nameOf(to)}">${lead}` },
    { start: end, end, text: `${lead}</div>` },
  ];
  return { ok: true, more: 1, edits };
}

const WHOLE_PAGE = new Set(['body', 'main', 'article', 'html', 'td', 'th']);

/** No elements and no words besides the items; what holds the page may hold more at any time. */
export function holdsJust({ text }: PageDocument, container: PageElement, items: readonly GalleryItem[]): boolean {
  const { open, close, children, tag, range } = container;
  // A paragraph may end without a tag.
  const end = close?.start ?? (tag === 'p' ? range?.end : undefined);
  if (!open || end === undefined || WHOLE_PAGE.has(tag)) return false;
  const within = ({ range: one }: PageElement) =>
    one === null || items.some(({ unit }) => one.start >= unit.start && one.end <= unit.end);
  if (!children.every((one) => within(one) || one.tag === 'br' || one.tag === 'img')) return false;
  let at = open.end;
  let words = '';
  for (const { unit } of items) {
    words += text.slice(at, unit.start);
    at = unit.end;
  }
  return (words + text.slice(at, end)).replaceAll(/<[^>]*>|&nbsp;|\s/g, '').length <= CAPTION;
}
