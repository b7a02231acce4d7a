/** Blocks that hold pictures and next to no words: groups that somebody typed, with one picture or several. */
import {
  ancestors,
  attributeOf,
  descendants,
  type Gallery,
  galleryOf,
  isWithin,
  type PageDocument,
  type PageElement,
  textOf,
  valueOf,
} from '../markup/index.ts';

/** What may hold pictures as a block. Parts of tables and lists of items are galleries, and found as those. */
const BLOCK = new Set(['p', 'div', 'center', 'blockquote', 'figure', 'section', 'ul', 'ol', 'aside']);
/** In these a picture stands beside words if any follow. */
const WORDLESS = new Set(['p', 'ul', 'ol']);
/** What frames a page; none of its pictures is part of a story. */
const FRAME = new Set(['header', 'nav', 'footer', 'head', 'noscript', 'template', 'button', 'form', 'label']);
const FRAME_NAME =
  /(?:^|[\s_-])(?:foot(?:er)?|head(?:er)?|nav(?:bar|igation)?|menu|logo|banner|side(?:bar)?|toolbar|icons?)(?:$|[\s_-])/i;
/** Where a block ends that has no tag of its own around it. */
const BESIDE = /^(?:p|h[1-6]|ul|ol|dl|table|pre|blockquote|div|section|figure|hr|center|address|details)$/;
const HOLDER = /^(?:main|article|section|body|div|td)$/;

/** Words that a picture may have as its caption, in characters; our own value, no source. */
export const CAPTION = 100;
/** A frame has fewer words; characters, our own value, no source. */
const FRAME_WORDS = 600;
/** Icons are at most so large; CSS px, our own value, no source. */
const ICON = 48;

/** Galleries, of one picture too; `taken` are elements that belong to a group already. */
export function pictureBlocks(document: PageDocument, taken: (element: PageElement) => boolean): Gallery[] {
  const found: Block[] = [];
  const chosen: PageElement[] = [];
  for (const element of document.elements) {
    if (!element.range || taken(element) || isFrame(element)) continue;
    if (chosen.some((one) => isWithin(element, one))) continue;
    const gallery = blockOf(document, element) ?? bareOf(document, element);
    const all = gallery?.items.flatMap(({ elements }) => elements.flatMap((one) => [one, ...descendants(one)])) ?? [];
    if (!gallery || all.some(taken)) continue;
    found.push({ element, gallery });
    chosen.push(element);
  }
  return joined(document, found);
}

interface Block {
  element: PageElement;
  gallery: Gallery;
}

/** Blocks of one kind side by side, each with one picture, are one group. */
function joined(document: PageDocument, blocks: readonly Block[]): Gallery[] {
  const runs: Block[][] = [];
  for (const block of blocks) {
    const before = runs.at(-1)?.at(-1);
    if (before && goTogether(document, before, block)) runs.at(-1)?.push(block);
    else runs.push([block]);
  }
  return runs.flatMap((run) => {
    const [first] = run;
    if (!first) return [];
    const parent = run.length > 1 ? first.element.parent : null;
    return [
      parent
        ? galleryOf(
            document,
            parent,
            run.map(({ element }) => element),
          )
        : first.gallery,
    ];
  });
}

function goTogether({ text }: PageDocument, one: Block, next: Block): boolean {
  const kind = ({ element }: Block) => `${element.tag} ${valueOf(element, 'class') ?? ''}`;
  const isOne = ({ gallery, element }: Block) => gallery.items.length === 1 && BLOCK.has(element.tag);
  return (
    one.element.parent === next.element.parent &&
    kind(one) === kind(next) &&
    isOne(one) &&
    isOne(next) &&
    text.slice(one.element.range?.end, next.element.range?.start).trim() === ''
  );
}

/** It, or something around it, frames the page. */
const isFrame = (element: PageElement): boolean =>
  [element, ...ancestors(element)].some((one) => FRAME.has(one.tag) || isNamedFrame(one));

/** What is called so and holds the whole text frames nothing. */
const isNamedFrame = (element: PageElement): boolean =>
  [valueOf(element, 'class'), valueOf(element, 'id')].some((name) => FRAME_NAME.test(name ?? '')) &&
  textOf(element).length < FRAME_WORDS;

function blockOf(document: PageDocument, block: PageElement): Gallery | null {
  if (!BLOCK.has(block.tag) || !block.open) return null;
  const inside = [...descendants(block)];
  const pictures = inside.filter(({ tag }) => tag === 'img');
  if (pictures.length === 0 || pictures.some(isNoPicture) || inside.some(isNoCaption) || isMenu(block)) return null;
  const words = wordsOf(textOf(block)).length;
  if (words > (WORDLESS.has(block.tag) ? 0 : CAPTION * pictures.length)) return null;
  // With its words, or a sign beside it, a block of one picture is one item.
  const isAlone = textOf(block).trim() === '';
  if (pictures.length === 1 && !isAlone && block.parent) return galleryOf(document, block.parent, [block]);
  return heldBy(document, block);
}

/** Headings, and whatever somebody fills in: then it is a part of the page and no caption. */
const isNoCaption = ({ tag }: PageElement): boolean =>
  /^(?:h[1-6]|table|input|select|textarea|iframe|video|audio|pre|li|dt|dd)$/.test(tag);

/** Signs alone, as of a link that makes a picture larger, are no words. */
const wordsOf = (text: string): string => (/[\p{L}\p{N}]/u.test(text) ? text.trim() : '');

/** Links of words with no other words around them are a menu or the way on; in a caption they are a part of it. */
function isMenu(block: PageElement): boolean {
  const links = [...descendants(block)].filter(
    (one) => isLinkOfWords(one) && ![...ancestors(one)].some((around) => isWithin(around, block) && isCaption(around)),
  );
  if (links.length === 0) return false;
  const letters = (text: string) => text.replaceAll(/[^\p{L}\p{N}]/gu, '').length;
  const inLinks = links.reduce((sum, link) => sum + letters(textOf(link)), 0);
  return letters(textOf(block)) === inLinks;
}

const isLinkOfWords = (element: PageElement): boolean =>
  element.tag === 'a' &&
  attributeOf(element, 'href') !== undefined &&
  !holdsPicture(element) &&
  wordsOf(textOf(element)) !== '';

const isCaption = (element: PageElement): boolean =>
  element.tag === 'figcaption' || /caption|credit/i.test(valueOf(element, 'class') ?? '');

const holdsPicture = (element: PageElement): boolean =>
  element.tag === 'img' || [...descendants(element)].some(({ tag }) => tag === 'img');

/** Of an icon, and of a picture whose places are links. */
const isNoPicture = (image: PageElement): boolean => isIcon(image) || attributeOf(image, 'usemap') !== undefined;

function isIcon(image: PageElement): boolean {
  const [width, height] = ['width', 'height'].map((name) => Number.parseInt(valueOf(image, name) ?? '', 10));
  return width !== undefined && height !== undefined && width <= ICON && height <= ICON;
}

/** The items of a block: its links with pictures; what stands between those without a link is no item. */
function heldBy(document: PageDocument, block: PageElement): Gallery | null {
  let holder = block;
  for (let [only, ...more] = holder.children; only && more.length === 0; [only, ...more] = holder.children) {
    if (!BLOCK.has(only.tag) || only.tag === 'figure') break;
    holder = only;
  }
  const items = holder.children.filter((one) => one.range && holdsPicture(one));
  const isOne = (element: PageElement) =>
    [element, ...descendants(element)].filter(({ tag }) => tag === 'img').length === 1;
  const isLinked = (element: PageElement) => [element, ...descendants(element)].some(({ tag }) => tag === 'a');
  const linked = items.filter(isLinked);
  const meant = linked.length > 0 ? linked : items;
  if (meant.length === 0 || !meant.every(isOne) || !holder.open) return null;
  return galleryOf(document, holder, meant);
}

/** A picture with nothing around it, between two blocks. */
function bareOf(document: PageDocument, element: PageElement): Gallery | null {
  const { parent } = element;
  return parent && HOLDER.test(parent.tag) && isBarePicture(element) && standsBetweenBlocks(document, parent, element)
    ? galleryOf(document, parent, [element])
    : null;
}

function isBarePicture(element: PageElement): boolean {
  if (!/^(?:img|picture|a)$/.test(element.tag)) return false;
  const images = [element, ...descendants(element)].filter((one) => one.tag === 'img');
  return images.length === 1 && !images.some(isNoPicture) && textOf(element).trim() === '';
}

/** A block before it, a block or the end behind it, and no words in between. */
function standsBetweenBlocks({ text }: PageDocument, parent: PageElement, element: PageElement): boolean {
  const siblings = parent.children.filter((one) => one.range);
  const at = siblings.indexOf(element);
  const [before, behind] = [siblings[at - 1], siblings[at + 1]];
  if (!element.range || !before?.range || ![before, behind ?? before].every(({ tag }) => BESIDE.test(tag)))
    return false;
  const end = behind?.range?.start ?? parent.close?.start ?? text.length;
  const isBlank = (from: number, to: number) => text.slice(from, to).trim() === '';
  return isBlank(before.range.end, element.range.start) && isBlank(element.range.end, end);
}
