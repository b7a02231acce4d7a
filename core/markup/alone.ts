/**
 * A picture that stands alone and opens its own larger file: a gallery of one. Nothing beside it says what is repeated,
 * so the element round it tells: it is the item where it holds the picture with its caption and nothing else.
 */
import { ancestors, type PageElement, type Range, someInside, textOf, valueOf } from './document.ts';
import { leadsToPicture, showsPicture } from './shown.ts';

/** Tags that stand for one thing: two pictures inside are one item (before and after), not two. */
export const ITEM_TAGS: ReadonlySet<string> = new Set(['li', 'figure', 'article', 'dd']);

/** What may be wrapped round one picture and its words. */
const BOXES = new Set(['p', 'div', 'span', 'center']);

/** What holds a page's content, and no gallery. */
const PARTS_OF_A_PAGE = new Set(['html', 'body', 'main', 'section', 'article', 'header', 'footer', 'aside']);

/** More words than these beside a picture are no caption (our own value, no source). Characters. */
const CAPTION_LENGTH = 160;

/** The item of a picture that has no equals on its page, and where it stands; null for what is no gallery of one. */
export function itemAlone(seed: PageElement): { item: PageElement; range: Range; container: PageElement } | null {
  if (!showsPicture(seed)) return null;
  const around = [seed, ...ancestors(seed)];
  const link = around.find(({ tag }) => tag === 'a');
  if (!link || !leadsToPicture(link) || around.some(({ tag }) => tag === 'nav')) return null;
  const item = around.find(({ tag }) => ITEM_TAGS.has(tag)) ?? boxRound(link) ?? link;
  return item.parent && item.range ? { item, range: item.range, container: item.parent } : null;
}

function boxRound(link: PageElement): PageElement | null {
  const box = link.parent;
  if (!box?.parent || !BOXES.has(box.tag) || !holdsOneWithCaption(box, link)) return null;
  if (box.tag === 'p' && (box.children.length === 1 || Boolean(valueOf(box, 'class')))) return box;
  return fills(box, box.parent) ? box : null;
}

/** Whether an element holds the picture, at most one element of words beside it, and no long ones. */
function holdsOneWithCaption(box: PageElement, link: PageElement): boolean {
  const others = box.children.filter((child) => child !== link && child.tag !== 'br');
  const words = textOf(box).trim().length - textOf(link).trim().length;
  const isPlain = (element: PageElement) => !someInside(element, (one) => one.tag === 'a' || showsPicture(one));
  return others.length <= 1 && others.every(isPlain) && words <= CAPTION_LENGTH;
}

/** Whether an element is all that its parent holds, and the parent is one part among others of the page. */
function fills(box: PageElement, parent: PageElement): boolean {
  const isAll = parent.children.length === 1 && textOf(parent).trim() === textOf(box).trim();
  return isAll && !PARTS_OF_A_PAGE.has(parent.tag) && (parent.parent?.children.length ?? 0) > 1;
}
