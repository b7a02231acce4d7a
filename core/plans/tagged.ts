/** New items of a gallery whose visitors choose by tags say those of their pictures at once. */
import type { Gallery, NewItem } from '../markup/index.ts';
import { type SiteReading, tagAttributeOf, taggedItems, tagsOnPages } from '../model/index.ts';
import type { NewPicture } from './intent.ts';

/** `items` are written of `pictures`, in the same order. */
export function taggedFor(
  site: SiteReading,
  gallery: Gallery,
  items: readonly NewItem[],
  pictures: readonly NewPicture[],
): NewItem[] {
  const name = tagAttributeOf(gallery, site.kits);
  if (name === null) return [...items];
  const onPages = tagsOnPages(taggedItems(site));
  return items.map((item, n) => {
    const { full = '', tags: given = [] } = pictures[n] ?? {};
    const content = site.files.get(full);
    const noted = content?.kind === 'binary' ? (site.notes.known.tags[content.hash] ?? []) : [];
    const tags = [...new Set([...noted, ...(onPages.get(full) ?? []), ...given])];
    return tags.length === 0 ? item : { ...item, attribute: { name, value: tags.join(', ') } };
  });
}
