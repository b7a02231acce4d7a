/** What stands where an item's picture should be told in words. */
import { descendants, textOf, valueOf, type GalleryItem, type PageElement } from '../markup/index.ts';
import { isFileName, saysNothing } from '../photo/index.ts';

/**
 * `absent`: no attribute. `name`: what a file is called, or a word for any picture (WCAG 2.2, failure F30). `unnamed`:
 * an empty one in a link without other words, so that the link has no name (failure F89). `empty`: none on purpose.
 */
export type AltStanding = 'said' | 'absent' | 'name' | 'unnamed' | 'empty';

export function altStanding(
  { image, link }: Pick<GalleryItem, 'image' | 'link'>,
  paths: readonly string[],
): AltStanding | null {
  if (!image) return null;
  const alt = valueOf(image, 'alt')?.trim();
  if (alt === undefined) return 'absent';
  if (alt === '') return link && !isNamed(link) ? 'unnamed' : 'empty';
  return saysNothing(alt) || isFileName(alt, paths) ? 'name' : 'said';
}

const NAMES = ['aria-label', 'aria-labelledby', 'title'] as const;

/** Whether a link has a name without this picture's alt text (accname-1.2, as far as the source tells). */
function isNamed(link: PageElement): boolean {
  if (textOf(link).trim() !== '') return true;
  return [link, ...descendants(link)].some((element) =>
    [...NAMES, ...(element.tag === 'img' ? ['alt'] : [])].some((name) => (valueOf(element, name) ?? '').trim() !== ''),
  );
}
