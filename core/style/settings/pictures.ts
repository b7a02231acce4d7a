/** The thumbnails: their shape, cropped or whole, their frame and corners. */
import { valueFor } from '../cascade.ts';
import type { StyleWish } from '../declare.ts';
import type { Layout } from '../layout.ts';
import { plain, declared, type Setting } from './setting.ts';

/** A shape counts only where neither side is fixed: the width fills the column and the height follows. */
function shape(layout: Layout, value: string | null): StyleWish[] {
  const { situation, parts } = layout;
  if (value === null || value === 'auto')
    return ['aspect-ratio', 'object-fit'].flatMap((property) =>
      declared(layout, 'image', property).winner ? [{ role: 'image' as const, property, value: null }] : [],
    );
  const says = (property: string) => valueFor(situation, parts.image[0], property);
  return [
    { role: 'image', property: 'width', value: '100%' },
    ...(says('height') === 'auto' ? [] : [{ role: 'image' as const, property: 'height', value: 'auto' }]),
    { role: 'image', property: 'aspect-ratio', value },
    ...(says('object-fit') === null ? [{ role: 'image' as const, property: 'object-fit', value: 'cover' }] : []),
  ];
}

export const PICTURES: readonly Setting[] = [
  {
    id: 'shape',
    group: 'Pictures',
    title: 'Aspect ratio',
    purpose: 'aspect ratio of the thumbnails',
    field: {
      kind: 'choice',
      choices: [
        ['auto', 'each its own'],
        ['1 / 1', 'square'],
        ['4 / 3', '4 to 3'],
        ['3 / 2', '3 to 2'],
        ['16 / 9', '16 to 9'],
        ['3 / 4', '3 to 4, upright'],
      ],
    },
    read: (layout) => declared(layout, 'image', 'aspect-ratio'),
    wishes: shape,
  },
  {
    id: 'fit',
    group: 'Pictures',
    title: 'Fit',
    purpose: 'fit of the thumbnails',
    field: {
      kind: 'choice',
      choices: [
        ['cover', 'crop to fill'],
        ['contain', 'whole picture, with bars'],
      ],
    },
    ...plain('image', 'object-fit'),
    idle: (layout) => (declared(layout, 'image', 'aspect-ratio').winner ? null : 'Set an aspect ratio first.'),
  },
  {
    id: 'border',
    group: 'Pictures',
    title: 'Border',
    purpose: 'border of the thumbnails',
    field: { kind: 'border' },
    ...plain('image', 'border'),
  },
  {
    id: 'corners',
    group: 'Pictures',
    title: 'Rounded corners',
    purpose: 'corners of the thumbnails',
    field: { kind: 'length' },
    ...plain('image', 'border-radius'),
  },
];
