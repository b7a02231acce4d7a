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
    const said = saidAt(place, link, image, manifest.caption.attribute, read);
    if (said !== null) return said;
  }
  return '';
}

type CaptionPlace = Kit['manifest']['caption']['from'][number];

function orderOf(from: readonly CaptionPlace[], first: string | undefined): readonly CaptionPlace[] {
  if (first === undefined || !from.some((place) => place === first)) return from;
  return [...from].sort((a, b) => rank(a, first) - rank(b, first));
}

/** Null where a place has nothing to say, so that the next one counts. */
function saidAt(
  place: CaptionPlace,
  link: PageElement,
  image: PageElement | null,
  attribute: string | undefined,
  read: (name: string) => string | undefined,
): string | null {
  switch (place) {
    case 'attribute': {
      const own = attribute === undefined ? undefined : read(attribute);
      if (own === undefined) return null;
      return own === 'off' ? '' : tidy(own);
    }
    case 'figure':
      return figureCaption(link) || null;
    case 'title':
      return tidy(read('title') ?? '') || null;
    default:
      return tidy((image && valueOf(image, 'alt')) ?? '') || null;
  }
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
