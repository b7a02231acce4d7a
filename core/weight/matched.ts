/** What was seen of pictures in a browser, at the elements of the source. */
import { valueOf, type PageElement } from '../markup/index.ts';
import { grouped } from '../site/index.ts';

/**
 * They meet by what their `src` says, in the order of the page; one that a script has put in, or changed, meets no `img`
 * of the source.
 */
export function matched<T extends { src: string }>(
  images: readonly PageElement[],
  seen: readonly T[],
): Map<PageElement, T> {
  const own = grouped(images, (image) => valueOf(image, 'src') ?? '');
  const met = new Map<PageElement, T>();
  for (const [src, all] of grouped(seen, (one) => one.src)) {
    for (const [n, one] of all.entries()) {
      const image = own.get(src)?.[n];
      if (image) met.set(image, one);
    }
  }
  return met;
}
