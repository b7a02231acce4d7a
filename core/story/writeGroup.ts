/** Groups as they are written: a new one, and one that is to be shown in another way. */
import {
  attributeOf,
  cutLine,
  encodeAttribute,
  encodeMarkup,
  type GalleryItem,
  type NewItem,
  type PageDocument,
  placeOf,
  replaceValue,
  valueOf,
} from '../markup/index.ts';
import type { Edit, Result } from '../site/index.ts';
import type { Group } from './groups.ts';
import { heldOtherwise } from './holder.ts';
import { GROUP, isLarge, nameOf, opens, type Shown } from './presentation.ts';

/** One picture with the address of what it opens; figures only where there are words for it. */
export function itemText({ src, href, alt, caption, width, height }: NewItem, shown: Shown): string {
  const said = (name: string, value: string) => ` ${name}="${encodeAttribute(value, '"')}"`;
  const size = width && height ? said('width', String(width)) + said('height', String(height)) : '';
  const image = `<img${said('src', src)}${size}${alt === null ? '' : said('alt', alt)}>`;
  const linked = opens(shown) ? `<a${said('href', href)}>${image}</a>` : image;
  return caption.trim() === '' ? linked : `<figure>${linked}<figcaption>${encodeMarkup(caption)}</figcaption></figure>`;
}

/** A whole group; `line` is a line break with the white space before the group. */
export function groupText(items: readonly string[], shown: Shown, line: string, holder = DIVISION): string {
  const inside = items.map((item) => `${line}${INSIDE}${item}`).join('');
  return `<${holder.tag} ${holder.attribute}="${GROUP} ${nameOf(shown)}">${inside}${line}</${holder.tag}>`;
}

/** White space before an item, more than its group has. */
export const INSIDE = '  ';

const DIVISION = { tag: 'div', attribute: 'class' };

/** The addresses and sizes of an item's two files, as they stand in the page; sizes in image px. */
export interface Sizes {
  thumbnail: { src: string; width?: number; height?: number };
  full: { src: string; width?: number; height?: number };
}

interface Reshaped {
  edits: Edit[];
  /** How many elements come; below 0 where some go. */
  more: number;
  /** Items that stay as they are, each with the reason. */
  left: { item: GalleryItem; why: string }[];
}

/** What has to change so that a group is shown in another way; nothing else of it is touched. */
export function reshaped(
  document: PageDocument,
  { gallery }: Pick<Group, 'gallery'>,
  to: Shown,
  sizesOf: (item: GalleryItem, n: number) => Sizes | null,
): Result<Reshaped> {
  const holder = heldOtherwise(document, gallery, to);
  if (!holder.ok) return holder;
  const found: Reshaped = { edits: [...holder.edits], more: holder.more, left: [] };
  for (const [n, item] of gallery.items.entries()) {
    const sizes = sizesOf(item, n);
    const why = hindranceIn(item, sizes);
    if (why !== null || !sizes) found.left.push({ item, why: why ?? 'its files are not in the site' });
    else {
      const link = linkEdits(document, item, to, sizes);
      found.edits.push(...imageEdits(item, isLarge(to) ? sizes.full : sizes.thumbnail), ...link.edits);
      found.more += link.more;
    }
  }
  found.edits.sort((a, b) => a.start - b.start || a.end - b.end);
  return { ok: true, ...found };
}

function hindranceIn({ image, link }: GalleryItem, sizes: Sizes | null): string | null {
  if (!image?.open) return 'it shows no img';
  if (attributeOf(image, 'srcset') || image.parent?.tag === 'picture') return 'it offers several files';
  if (link && sizes && valueOf(link, 'href')?.trim() !== sizes.full.src) return 'its link leads elsewhere';
  return null;
}

/** Another file, and its size where a size is said. */
function imageEdits({ image }: GalleryItem, { src, width, height }: Sizes['full']): Edit[] {
  const wishes = { src, width: width && String(width), height: height && String(height) };
  return Object.entries(wishes).flatMap(([name, value]) => {
    const attribute = image && attributeOf(image, name);
    return attribute && value && attribute.value !== value ? [replaceValue(attribute, value)] : [];
  });
}

function linkEdits(
  document: PageDocument,
  { image, link }: GalleryItem,
  to: Shown,
  { full }: Sizes,
): { edits: Edit[]; more: number } {
  if (opens(to) && !link && image) {
    const { start, end } = placeOf(image);
    const edits = [
      { start, end: start, text: `<a href="${encodeAttribute(full.src, '"')}">` },
      { start: end, end, text: '</a>' },
    ];
    return { edits, more: 1 };
  }
  if (opens(to) || !link?.open || !link.close) return { edits: [], more: 0 };
  return { edits: [link.open, link.close].map((tag) => cutLine(document, tag)), more: -1 };
}
