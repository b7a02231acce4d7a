/** The pictures of a gallery as a list that a gallery can follow again. */
import { type ListFormat, type ListRow, writeList } from '../../lists/index.ts';
import { relativeReference } from '../../site/index.ts';
import type { PageReading, SiteReading } from '../reading.ts';
import { itemsOf } from './followed.ts';

/** `path` is where the list will stand; its addresses count from there. */
export function galleryList(
  site: SiteReading,
  { page, gallery }: { page: PageReading; gallery: number },
  { format, path }: { format: ListFormat; path: string },
): string {
  const from = (target: string) => (site.files.has(target) ? relativeReference(path, target) : target);
  const strands = page.strands[gallery] ?? [];
  const rows = itemsOf(site, page, gallery).map(({ full, title, alt, caption, tags }, n): ListRow => {
    const thumbnail = strands[n]?.thumbnail ?? '';
    return {
      picture: from(full),
      thumbnail: thumbnail === full ? '' : from(thumbnail),
      title: title ?? '',
      alt: alt ?? '',
      caption: caption ?? '',
      tags: [...new Set(tags)].join(', '),
    };
  });
  return writeList(format, rows);
}
