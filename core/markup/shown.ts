/** Which elements show a picture by themselves, and where each of them names it. */
import { isPicturePath } from '../site/index.ts';
import {
  attributeOf,
  someInside,
  valueOf,
  type Attribute,
  type PageDocument,
  type PageElement,
  type Range,
} from './document.ts';
import { inSource, sourcePlaces } from './sourcePlaces.ts';

/** The place where an item names a file: an attribute, or an address inside a `style`. */
export interface FilePlace {
  element: PageElement;
  attribute: Attribute;
  /** The address as a browser reads it. */
  value: string;
  /** Of a part of an attribute only that part. */
  range: Range;
}

const placeIn = (element: PageElement, attribute: Attribute): FilePlace => ({
  element,
  attribute,
  value: attribute.value,
  range: attribute.valueRange,
});

/** Stands in for the picture until a script sets the real one. */
const STAND_IN = /^data:|^$|(?:^|\/)(?:blank|pixel|placeholder|spacer|loading|empty|transparent)[^/]*$/i;

/** Of an `img`: `src`, or the attribute from which a script will set it. */
function sourceOf(image: PageElement): FilePlace | null {
  const src = attributeOf(image, 'src');
  const later = image.attributes.find(({ name, value }) => name.startsWith('data-') && isPicturePath(value));
  if (later && (!src || STAND_IN.test(src.value))) return placeIn(image, later);
  return src ? placeIn(image, src) : null;
}

/** What takes an alt text: an `img`, or a button that is a picture. */
export const isImage = (element: PageElement): boolean =>
  element.tag === 'img' || (element.tag === 'input' && valueOf(element, 'type')?.toLowerCase() === 'image');

/** Elements of the platform that show a picture and are no `img` (WHATWG HTML and SVG 2), and what names it. */
const SHOWING: Readonly<Record<string, readonly string[]>> = {
  embed: ['src'],
  // In HTML `<image>` is read as `<img>`; what is called so stands in a drawing.
  image: ['href', 'xlink:href'],
  input: ['src'],
  object: ['data'],
  video: ['poster'],
};

/** A name with a hyphen is that of an element of the author's own (WHATWG HTML §4.13.3). */
const isCustom = ({ tag }: PageElement): boolean => tag.includes('-');

/** What authors call the attribute of the small picture, the likeliest first (common practice, no source). */
const SMALL = ['src', 'thumb', 'thumbnail', 'small', 'image', 'poster'];

function customPicture(element: PageElement): Attribute | null {
  if (someInside(element, ({ tag }) => tag === 'img')) return null;
  const named = element.attributes.filter(({ value }) => isPicturePath(value));
  const likely = SMALL.flatMap((name) => named.find((attribute) => attribute.name === name) ?? []);
  return likely[0] ?? named[0] ?? null;
}

/** Where an element that is no `img` names the picture that it shows; null where it shows none. */
function otherPicture(element: PageElement): FilePlace | null {
  if (isCustom(element)) {
    const attribute = customPicture(element);
    return attribute && placeIn(element, attribute);
  }
  if (element.tag === 'input' && !isImage(element)) return null;
  const names = SHOWING[element.tag] ?? [];
  const attribute = element.attributes.find(({ name, value }) => names.includes(name) && isPicturePath(value));
  return attribute ? placeIn(element, attribute) : null;
}

const BACKGROUND = /background(?:-image)?\s*:[^;]*?url\(\s*(?:"([^"]*)"|'([^']*)'|([^)\s"']*))\s*\)/i;

/**
 * The address of a picture that a `style` attribute draws behind an element, and where it begins in that attribute's
 * value.
 */
function drawnBehind(element: PageElement): { style: Attribute; value: string; at: number } | null {
  const style = attributeOf(element, 'style');
  const match = style && BACKGROUND.exec(style.value);
  const value = match && (match[1] ?? match[2] ?? match[3] ?? '');
  if (!style || !match || !value || !isPicturePath(value)) return null;
  return { style, value, at: style.value.indexOf(value, match.index) };
}

function backgroundOf(page: PageDocument, element: PageElement): FilePlace | null {
  const drawn = drawnBehind(element);
  if (!drawn) return null;
  const { style, value, at } = drawn;
  const places = sourcePlaces(page.text, style.valueRange, style.value, 'entities');
  const range = places ? inSource(places, { start: at, end: at + value.length }) : style.valueRange;
  return { element, attribute: style, value, range };
}

/** The address of the picture that an element shows by itself; null where it shows none, or names none. */
export const shownAddress = (element: PageElement): string | null =>
  (element.tag === 'img' ? sourceOf(element) : otherPicture(element))?.value ?? drawnBehind(element)?.value ?? null;

/** An `img`, whatever it names, or another element that shows a picture. */
export const showsPicture = (element: PageElement): boolean => element.tag === 'img' || shownAddress(element) !== null;

const firstFound = <T>(all: readonly PageElement[], find: (element: PageElement) => T | null): T | null => {
  for (const element of all) {
    const found = find(element);
    if (found) return found;
  }
  return null;
};

/** Where the first picture among elements is named; what is drawn behind one comes last. */
export const firstPicture = (
  page: PageDocument,
  all: readonly PageElement[],
  image: PageElement | null,
): FilePlace | null =>
  firstFound(all, otherPicture) ?? (image && sourceOf(image)) ?? firstFound(all, (one) => backgroundOf(page, one));

/** Without a link, a script may read the larger picture from an attribute of its own. */
export function dataTarget(all: readonly PageElement[], source: FilePlace | null): FilePlace | null {
  return firstFound(all, (element) => {
    const own = isCustom(element);
    const attribute = element.attributes.find(
      (one) => (own || one.name.startsWith('data-')) && one !== source?.attribute && isPicturePath(one.value),
    );
    return attribute ? placeIn(element, attribute) : null;
  });
}

/** A page about a file on another host, as many libraries of pictures have them: `…/File:kite.jpg` (common practice). */
const PAGE_ABOUT_FILE = /^(?:[a-z]+:)?\/\/.*\/[^/]+:[^/]+$/i;

/** Whether a link leads to a picture by its name. */
export function leadsToPicture(link: PageElement): boolean {
  const href = link.tag === 'a' ? (valueOf(link, 'href') ?? '') : '';
  return isPicturePath(href) && !PAGE_ABOUT_FILE.test(href);
}
