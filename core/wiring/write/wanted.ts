/** What a viewer wants of the markup besides its marker: the file, its size, classes of holder, item and thumbnail. */
import { valueOf, type Gallery, type GalleryItem, type PageElement } from '../../markup/index.ts';
import type { Kit } from '../kit/manifest.ts';
import { writtenHolder } from './containerEdits.ts';
import { pictureOf } from './memory.ts';
import type { WiringPage, WiringSite } from './site.ts';

export interface Wanted {
  element: PageElement;
  /** The attribute, and what it has to say; `class` and the one that is missing there. */
  name: string;
  value: string;
  /** As people write it: `data-src`, `class “slide”`. */
  says: string;
}

/** What an item lacks, in the order of the manifest. */
export function wantedOf(site: WiringSite, page: WiringPage, { manifest }: Kit, item: GalleryItem): Wanted[] {
  const { full, size, classes } = manifest;
  const { link } = item;
  const [first = null] = item.elements;
  const wanted = [
    ...(link && full ? [{ element: link, name: full.attribute, value: valueOf(link, 'href') ?? '' }] : []),
    ...(link && size ? sizesOf(site, page, size, item, link) : []),
  ].filter(({ element, name }) => valueOf(element, name) === undefined);
  return [
    ...wanted.map((one) => ({ ...one, says: one.name })),
    ...classWanted(first, classes.item),
    ...classWanted(item.image, classes.image),
  ];
}

/** What holds the items, where it lacks its class. */
export function wantedOfHolder({ container }: Gallery, { manifest: { classes } }: Kit): Wanted[] {
  return classWanted(classes.holder === undefined ? null : writtenHolder(container), classes.holder);
}

function classWanted(element: PageElement | null, name: string | undefined): Wanted[] {
  if (element === null || name === undefined) return [];
  const has = (valueOf(element, 'class') ?? '').split(/\s+/).includes(name);
  return has ? [] : [{ element, name: 'class', value: name, says: `class “${name}”` }];
}

type Size = NonNullable<Kit['manifest']['size']>;
type Attribute = Pick<Wanted, 'element' | 'name' | 'value'>;

/** Of a picture that has not been read yet nobody knows its size. */
function sizesOf(site: WiringSite, page: WiringPage, size: Size, item: GalleryItem, element: PageElement): Attribute[] {
  const picture = pictureOf(page.base, item);
  const known = picture === null ? undefined : site.sizeOf?.(picture);
  if (!known) return [];
  const { width, height } = known;
  if ('attribute' in size) return [{ element, name: size.attribute, value: `${width}x${height}` }];
  return [
    { element, name: size.width, value: String(width) },
    { element, name: size.height, value: String(height) },
  ];
}

/** Attributes of links that say what the viewer wants, by their names. */
export const wantedNames = ({ manifest: { full, size } }: Kit): string[] => [
  ...(full ? [full.attribute] : []),
  ...(size && 'attribute' in size ? [size.attribute] : []),
  ...(size && 'width' in size ? [size.width, size.height] : []),
];

/** Classes that elements of a gallery have for the viewer alone. */
export const wantedClasses = ({ manifest: { classes } }: Kit): string[] =>
  [classes.holder, classes.item, classes.image].flatMap((name) => name ?? []);
