/** Sizes that a page gives all its thumbnails alike, whatever their files have: a new one gets them too. */
import { valueOf } from './document.ts';
import type { GalleryItem } from './galleries.ts';
import type { NewItem } from './write.ts';

/** CSS px; null where the items differ, or do not say. */
export interface FixedSize {
  width: number | null;
  height: number | null;
}

/** Of one item nobody can say what is fixed. */
export function fixedSizeOf(items: readonly GalleryItem[]): FixedSize {
  const said = (name: 'width' | 'height') => {
    const values = new Set(items.map(({ image }) => (image ? (valueOf(image, name) ?? '') : '')));
    const [only = ''] = values;
    return items.length > 1 && values.size === 1 && /^[1-9]\d{0,4}$/.test(only.trim()) ? Number(only) : null;
  };
  return { width: said('width'), height: said('height') };
}

/** How far a file may be from the shape that is fixed, and still be shown in it without being seen to be bent. */
const NEARLY = 0.03;

/**
 * A new item in the sizes of the others; the side that is not fixed follows from its own file. Where both are, and the
 * file has another shape, the width holds: in both it would be squeezed.
 */
export function sizedLike<Item extends NewItem>({ width, height }: FixedSize, item: Item): Item {
  if (item.width === undefined || item.height === undefined) return item;
  const shape = item.height / item.width;
  const isOfShape = width !== null && height !== null && Math.abs(height / width / shape - 1) < NEARLY;
  if (isOfShape) return { ...item, width, height };
  if (width !== null) return { ...item, width, height: Math.max(1, Math.round(width * shape)) };
  return height === null ? item : { ...item, width: Math.max(1, Math.round(height / shape)), height };
}
