/** The words that a viewer shows with a picture, found where its manifest says that it looks. */
import { ancestors, descendants, textOf, valueOf, type GalleryItem, type PageElement } from '../../markup/index.ts';
import type { Kit } from '../kit/manifest.ts';

const tidy = (text: string): string => text.trim().replace(/\s+/g, ' ');

/** What is said for this picture alone counts before what is chosen for all. */
function rank(place: string, first: string): number {
  if (place === 'attribute') return 0;
  return place === first ? 1 : 2;
}

/** Empty where the viewer finds nothing to say. White space is folded, as a browser shows it. */
export function captionOf(
  { link, image }: Pick<GalleryItem, 'link' | 'image'>,
  { manifest }: Kit,
  overriding: ReadonlyMap<string, string | null> = new Map(),
  first?: string,
): string {
  if (!link) return '';
  const read = (name: string): string | undefined =>
    overriding.has(name) ? (overriding.get(name) ?? undefined) : valueOf(link, name);
  for (const place of orderOf(manifest.caption.from, first)) {
    const said = SAID[place]({ link, image, caption: manifest.caption, read });
    if (said !== null) return said;
  }
  return '';
}

type CaptionPlace = Kit['manifest']['caption']['from'][number];

function orderOf(from: readonly CaptionPlace[], first: string | undefined): readonly CaptionPlace[] {
  if (first === undefined || !from.some((place) => place === first)) return from;
  return [...from].sort((a, b) => rank(a, first) - rank(b, first));
}

interface Asked {
  link: PageElement;
  image: PageElement | null;
  caption: Kit['manifest']['caption'];
  read: (name: string) => string | undefined;
}

/** What each place says; null where it has nothing to say, so that the next one counts. */
const SAID: Record<CaptionPlace, (asked: Asked) => string | null> = {
  attribute: ({ caption: { attribute }, read }) => {
    const own = attribute === undefined ? undefined : read(attribute);
    if (own === undefined) return null;
    return own === 'off' ? '' : tidy(own);
  },
  inside: ({ link, caption }) => tidy(insideOf(link, caption.class)?.text ?? '') || null,
  next: ({ link, caption }) => nextTo(link, caption.class) || null,
  figure: ({ link }) => figureCaption(link) || null,
  title: ({ read }) => tidy(read('title') ?? '') || null,
  alt: ({ image }) => tidy((image && valueOf(image, 'alt')) ?? '') || null,
};

/** The element in a link that holds its words. */
export function insideOf(link: PageElement, name: string | undefined): { element: PageElement; text: string } | null {
  const element = [...descendants(link)].find((one) => isOfClass(one, name));
  return element ? { element, text: textOf(element) } : null;
}

const isOfClass = (element: PageElement, name: string | undefined): boolean =>
  name !== undefined && (valueOf(element, 'class') ?? '').split(/\s+/).includes(name);

/** What the element says that follows a link, or what the link alone stands in. */
function nextTo(link: PageElement, name: string | undefined): string {
  for (let at: PageElement = link; at.parent; at = at.parent) {
    const siblings = at.parent.children;
    const next = siblings[siblings.indexOf(at) + 1];
    if (next) return name === undefined || isOfClass(next, name) ? tidy(textOf(next)) : '';
    if (siblings.length > 1) return '';
  }
  return '';
}

export function descriptionOf({ link }: Pick<GalleryItem, 'link'>, { manifest }: Kit): string {
  const { description } = manifest.caption;
  return (link && description !== undefined && tidy(valueOf(link, description) ?? '')) || '';
}

function figureCaption(link: PageElement): string {
  const figure = [...ancestors(link)].find(({ tag }) => tag === 'figure');
  const caption = figure && [...descendants(figure)].find(({ tag }) => tag === 'figcaption');
  return caption ? tidy(textOf(caption)) : '';
}
