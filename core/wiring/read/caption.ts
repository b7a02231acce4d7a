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
  const { from } = manifest.caption;
  const order =
    first === undefined || !from.some((place) => place === first)
      ? from
      : [...from].sort((a, b) => rank(a, first) - rank(b, first));
  for (const place of order) {
    if (place === 'attribute') {
      const own = manifest.caption.attribute === undefined ? undefined : read(manifest.caption.attribute);
      if (own !== undefined) return own === 'off' ? '' : tidy(own);
    } else if (place === 'figure') {
      const said = figureCaption(link);
      if (said !== '') return said;
    } else {
      const alt = image ? valueOf(image, 'alt') : undefined;
      const said = place === 'title' ? read('title') : alt;
      if (said !== undefined && tidy(said) !== '') return tidy(said);
    }
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
