/** Links by choosing: an existing one leads elsewhere, or chosen words become one. */
import { attributeOf, textOf, type PageDocument, type PageElement, type Range } from './document.ts';
import { encodeAttribute } from './encode.ts';
import { type Edited, refuse } from '../site/index.ts';
import { verified } from './verify.ts';
import { editAttribute } from './attributes.ts';

/** The innermost link whose source holds the range; null where there is none. */
function linkAround(page: PageDocument, { start, end }: Range): PageElement | null {
  return (
    page.elements.findLast(
      ({ tag, range }) => tag === 'a' && range !== null && range.start <= start && end <= range.end,
    ) ?? null
  );
}

/** Makes the link at a place lead to `href`; without one, the chosen words become a link. */
export function setLink(page: PageDocument, chosen: Range, href: string): Edited {
  const link = linkAround(page, chosen);
  if (link) return editAttribute(page, link, 'href', href);
  const { start, end } = trimmed(page.text, chosen);
  if (start === end) return refuse('There is no link here. Choose the words that shall lead there, then link them.');
  if (page.elements.some(({ range }) => range !== null && isCrossed(range, { start, end })))
    return refuse('These words begin in one element and end in another; choose words inside of one element.');
  const edits = [
    { start, end: start, text: `<a href="${encodeAttribute(href, '"')}">` },
    { start: end, end, text: '</a>' },
  ];
  const links = (document: PageDocument) => document.elements.filter(({ tag }) => tag === 'a');
  const said = page.elements[0] ? textOf(page.elements[0]) : '';
  return verified(page, edits, (after) => {
    const [before, now] = [links(page), links(after)];
    const made = now.find(({ range }) => range?.start === start);
    if (now.length !== before.length + 1 || !made?.close || attributeOf(made, 'href')?.value !== href)
      return 'a link cannot stand there; choose words inside of one element, outside of tags and other links';
    return after.elements.length === page.elements.length + 1 && after.elements[0] && textOf(after.elements[0]) === said
      ? null
      : 'other elements would be read otherwise; choose words inside of one element';
  });
}

/** Whether a choice takes in one end of an element and not the other: links would be nested wrongly. */
const isCrossed = (element: Range, { start, end }: Range): boolean =>
  (element.start < start && start < element.end && element.end < end) ||
  (start < element.start && element.start < end && end < element.end);

/** Without the white space at its ends. */
function trimmed(text: string, { start, end }: Range): Range {
  let [from, to] = [start, end];
  while (from < to && /\s/.test(text.charAt(from))) from++;
  while (to > from && /\s/.test(text.charAt(to - 1))) to--;
  return { start: from, end: to };
}

/** Takes a link's tags away and keeps what is in it. */
export function unlinked(link: PageElement): { start: number; end: number; text: string }[] | null {
  return link.open && link.close
    ? [
        { ...link.open, text: '' },
        { ...link.close, text: '' },
      ]
    : null;
}
